package ivesk.core.treatment.record;

import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/// Two screens said different things of one moment, as it happens when both were without a server.
/// Both stay in the log; it is shown, so that a person can judge. Ivesk's own default.
///
/// @param kind what they differ in
/// @param at of the first
/// @param one what the first said, a number or the time of its END
/// @param other what the second said
public record Conflict(Kind kind, Instant at, Said one, Said other) {

  public enum Kind {
    BOTH_ENDED,
    /// A layer was put on by a screen that had not heard of the other's END: it comes off.
    LAYER_AFTER_END,
    BOTH_ANSWERED
  }

  /// @param value the number; 0 for an END
  public record Said(String who, Instant at, int value) {}

  /// Answers that lie no further apart are of one moment.
  private static final Duration ONE_MOMENT = Duration.ofSeconds(5);

  /// Of one stage, in order; what was taken back or taken out differs from nothing.
  public static List<Conflict> of(List<TreatmentEvent> events, Instant from) {
    List<TreatmentEvent> ends = new ArrayList<>();
    List<TreatmentEvent> answers = new ArrayList<>();
    List<TreatmentEvent> layers = new ArrayList<>();
    for (TreatmentEvent event : Correction.applied(events)) {
      if (event.at().isBefore(from)) continue;
      if (event.fact() instanceof EndingStarted) ends.add(event);
      if (event.fact() instanceof SensationAnswered) answers.add(event);
      if (event.fact() instanceof LayerStarted && !ends.isEmpty()) layers.add(event);
    }
    List<Conflict> found = new ArrayList<>();
    for (TreatmentEvent layer : layers) {
      TreatmentEvent end = ends.getFirst();
      found.add(new Conflict(Kind.LAYER_AFTER_END, end.at(), said(end, 0), said(layer, 0)));
    }
    for (int i = 0; i < ends.size(); i++) {
      TreatmentEvent first = ends.get(i);
      for (TreatmentEvent later : ends.subList(i + 1, ends.size())) {
        found.add(new Conflict(Kind.BOTH_ENDED, first.at(), said(first, 0), said(later, 0)));
      }
    }
    for (int i = 0; i < answers.size(); i++) {
      Said one = said(answers.get(i), value(answers.get(i)));
      for (TreatmentEvent later : answers.subList(i + 1, answers.size())) {
        if (Duration.between(one.at(), later.at()).compareTo(ONE_MOMENT) > 0) break;
        Said other = said(later, value(later));
        if (one.value() != other.value() && !one.who().equals(other.who())) {
          found.add(new Conflict(Kind.BOTH_ANSWERED, one.at(), one, other));
        }
      }
    }
    found.sort(Comparator.comparing(Conflict::at));
    return List.copyOf(found);
  }

  private static int value(TreatmentEvent answer) {
    return ((SensationAnswered) answer.fact()).value();
  }

  private static Said said(TreatmentEvent event, int value) {
    return new Said(event.who(), event.at(), value);
  }
}
