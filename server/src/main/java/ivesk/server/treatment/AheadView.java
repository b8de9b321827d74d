package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What is advised now and at every coming instant, and after each of the eleven answers. Most of
/// it is the same advice again: each is told once, and the others are places in that list.
///
/// @param all every advice that is told, each once
/// @param now the place of the one that holds
/// @param ifAnswered the places of those after each answer 0 to 10
/// @param cues every coming instant at which something changes
/// @param checkInSeconds how long after each of the eleven answers the next is due
record AheadView(
    List<AdviceTold> all,
    int now,
    List<Integer> ifAnswered,
    List<CueView> cues,
    List<Long> checkInSeconds) {

  /// An advice without what is not in it.
  ///
  /// @param action empty where there is nothing to do
  /// @param other empty where nothing else is equally open
  record AdviceTold(
      Optional<Row> row,
      Advice.Kind kind,
      String line,
      String reason,
      Optional<Advice.Action> action,
      Optional<Instant> until,
      Optional<Boolean> passable,
      Optional<List<Zone>> zones,
      Optional<List<String>> steps,
      Optional<Advice.Action> other) {
    static AdviceTold of(Advice advice) {
      return new AdviceTold(
          advice.row(),
          advice.kind(),
          advice.line(),
          advice.reason(),
          Optional.of(advice.action()).filter(action -> action != Advice.Action.NONE),
          advice.until(),
          Optional.of(advice.passable()).filter(passable -> passable),
          Optional.of(advice.zones()).filter(zones -> !zones.isEmpty()),
          Optional.of(advice.steps()).filter(steps -> !steps.isEmpty()),
          Optional.of(advice.other()).filter(action -> action != Advice.Action.NONE));
    }
  }

  record CueView(Instant at, Cue.Kind kind, int advice, List<Integer> ifAnswered) {}

  static AheadView of(TreatmentPlan plan, TreatmentState state, Instant now) {
    Places places = new Places();
    int advice = places.of(Advisor.advise(plan, state, now));
    List<Integer> answers = places.of(Cues.ifAnswered(plan, state, now));
    List<CueView> cues =
        Cues.of(plan, state).stream()
            .map(cue ->
                new CueView(
                    cue.at(), cue.kind(), places.of(cue.advice()), places.of(cue.ifAnswered())))
            .toList();
    return new AheadView(
        places.places.keySet().stream().map(AdviceTold::of).toList(),
        advice,
        answers,
        cues,
        Cues.checkIns(plan, state, now).stream().map(Duration::toSeconds).toList());
  }

  private static final class Places {
    private final Map<Advice, Integer> places = new LinkedHashMap<>();

    int of(Advice advice) {
      return places.computeIfAbsent(advice, _ -> places.size());
    }

    List<Integer> of(List<Advice> all) {
      return all.stream().map(this::of).toList();
    }
  }
}
