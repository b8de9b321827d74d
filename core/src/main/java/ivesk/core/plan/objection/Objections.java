package ivesk.core.plan.objection;

import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Step;
import ivesk.core.rule.Rule.Outcome;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// What there is to say to the lines of a visit, or of a protocol by itself.
public final class Objections {
  private Objections() {}

  /// @param runs in the order in which they are done
  /// @param slot booked; empty where nothing is
  /// @return by line, the most severe first
  public static List<Objection> of(List<Run> runs, Optional<Duration> slot) {
    List<Objection> found = new ArrayList<>();
    for (int i = 0; i < runs.size(); i++) {
      Sight sight =
          new Sight(
              runs.get(i).script(),
              runs.get(i).setting(),
              runs.get(i).besides(),
              runs.subList(0, i),
              i == runs.size() - 1
                  ? slot.filter(time -> Run.minutes(runs) > time.toMinutes())
                  : Optional.empty(),
              Run.minutes(runs));
      List<Objection> ofRun = new ArrayList<>();
      for (ScriptRules.ScriptRule one : ScriptRules.ALL) {
        for (Outcome<Found> said : one.rule().outcomes(sight).toList()) {
          ofRun.add(
              new Objection(
                  one.id(),
                  said.clause(),
                  one.severity(),
                  i,
                  said.of().line().step().id(),
                  said.of().words(),
                  said.of().swap(),
                  one.rule().source()));
        }
      }
      List<String> order = runs.get(i).script().steps().stream().map(Step::id).toList();
      ofRun.sort(
          Comparator.comparingInt((Objection o) -> order.indexOf(o.step()))
              .thenComparing(Objection::severity, Comparator.reverseOrder()));
      found.addAll(ofRun);
    }
    return List.copyOf(found);
  }

  /// Whether a plan may be kept as it is.
  public static boolean mayBeKept(List<Objection> objections) {
    return objections.stream().noneMatch(o -> o.severity() == Severity.SHUT);
  }
}
