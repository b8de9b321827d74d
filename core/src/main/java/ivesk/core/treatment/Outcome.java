package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.PastPeel;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.Looks.Told;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/// What a finished treatment tells the next one, and the record's one paragraph.
public final class Outcome {
  private Outcome() {}

  /// No red flag, endpoint or time reached, and the last answer below the hold line.
  public static boolean wellTaken(TreatmentPlan plan, TreatmentState state) {
    boolean asPlanned = state.ending().byRow().filter(Row::asPlanned).isPresent();
    boolean bearable =
        state
            .lastUnderAcid()
            .map(last -> last.value() < SensationLines.at(plan, state, last.at()).hold())
            .orElse(true);
    return !injured(state) && asPlanned && bearable;
  }

  /// An alarm, or frost beyond any endpoint.
  public static boolean injured(TreatmentState state) {
    return state.looks().seenSigns().stream().anyMatch(sign -> sign.weight() != Sign.Weight.WISH)
        || state.zones().values().stream().anyMatch(z -> z.whitening().atLeast(Whitening.F3));
  }

  /// The class of what was done, which the layers may have taken deeper than the plan.
  public static DepthClass depth(TreatmentPlan plan, TreatmentState state) {
    int layers = Math.max(1, state.layers().size());
    return Depth.of(plan.formula(), state.ready().contactLimit(), layers).deeper(plan.depth());
  }

  public static PastPeel peel(TreatmentPlan plan, TreatmentState state, LocalDate on) {
    return new PastPeel(
        plan.formula(),
        plan.region(),
        on,
        Math.max(1, state.layers().size()),
        state.contact(state.lastEventAt()),
        wellTaken(plan, state),
        state.worstSensation());
  }

  /// One paragraph: formula, layers, contact, worst answer, what was seen, how it ended, rest.
  public static String summary(TreatmentPlan plan, TreatmentState state, Instant now) {
    if (state.phase() == Phase.STOPPED) {
      return "Stopped at the answer to the prep, before any acid.";
    }
    List<String> parts = new ArrayList<>();
    parts.add(
        plan.formula().name()
            + " on "
            + plan.region().withArticle()
            + ", "
            + Words.count(state.layers().size(), "layer")
            + ", "
            + Words.clock(state.contact(now))
            + " to END");
    parts.add("strongest answer " + state.worstSensation());
    String spots =
        Words.list(
            plan.zones().stream()
                .filter(zone -> state.zones().get(zone).hotSpot().isPresent())
                .map(zone -> zone.label() + " " + state.zones().get(zone).hotSpot().orElse(0))
                .toList());
    if (!spots.isEmpty()) parts.add("hot: " + spots);
    for (Whitening grade : Whitening.values()) {
      List<Zone> there =
          plan.zones().stream()
              .filter(zone -> state.zones().get(zone).whitening() == grade)
              .toList();
      if (grade != Whitening.NONE && !there.isEmpty()) {
        parts.add(
            (grade == Whitening.CRYSTALS ? "crystals, wiped off" : grade.name())
                + " on "
                + (there.size() > 4
                    ? Words.count(there.size(), "zone")
                    : Words.list(there.stream().map(Zone::label).toList())));
      }
    }
    parts.add("ended " + state.ending().byRow().map(Row::endedBy).orElse("by the therapist"));
    state
        .timeToRest()
        .ifPresent(rest ->
            parts.add(
                "at rest after "
                    + Words.clock(rest)
                    + state.lastAnswer().map(Told::value).map(value -> " at " + value).orElse("")));
    state
        .care()
        .addOnAt()
        .ifPresent(on ->
            parts.add(
                "then "
                    + plan.addOn().orElseThrow().formula().name()
                    + state
                        .care()
                        .addOnOffAt()
                        .map(off -> " for " + Words.clock(Duration.between(on, off)))
                        .orElse(", to be washed off")));
    return String.join("; ", parts) + ".";
  }
}
