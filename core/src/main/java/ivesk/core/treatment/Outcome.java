package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.Looks.Told;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What a finished treatment tells the next one, and the record's one paragraph.
public final class Outcome {
  private Outcome() {}

  /// How it was taken, as far as the record says. Without a number to rely on it is never well
  /// taken; what nobody could foresee as one of the other kinds counts as too strong.
  public static PeelOutcome of(TreatmentState state) {
    if (injured(state) || state.looks().incident()) return PeelOutcome.ADVERSE;
    Optional<AtEnd> end = state.ending().how();
    if (end.isEmpty()) return PeelOutcome.CUT_SHORT;
    Optional<Row> row = state.ending().byRow();
    if (row.filter(by -> by == Row.STOP_LINE || by == Row.HOLD_LINE).isPresent()) {
      return PeelOutcome.TOO_STRONG;
    }
    boolean late = end.get().late();
    boolean asPlanned =
        end.get().planReached() || row.filter(by -> by.asPlanned() && by != Row.LIMIT).isPresent();
    if (asPlanned && !late && end.get().answered() && end.get().belowHold()) {
      return PeelOutcome.WELL_TAKEN;
    }
    return end.get().calm() && !late ? PeelOutcome.CUT_SHORT : PeelOutcome.TOO_STRONG;
  }

  /// An alarm, or frost beyond any endpoint.
  public static boolean injured(TreatmentState state) {
    return state.looks().seenSigns().stream().anyMatch(sign -> sign.weight().alarm());
  }

  /// The class of what was done, which the layers may have taken deeper than the plan.
  public static DepthClass depth(TreatmentPlan plan, TreatmentState state) {
    int layers = Math.max(1, state.layers().size());
    return Depth.of(plan.formula(), state.ready().contactLimit(), layers).deeper(plan.depth());
  }

  public static PastPeel peel(TreatmentPlan plan, TreatmentState state, LocalDate on) {
    Duration contact = state.contact(state.lastEventAt());
    return new PastPeel(
        plan.formula(),
        plan.region(),
        on,
        Math.max(1, state.layers().size()),
        state.ready().contactLimit().filter(limit -> limit.compareTo(contact) < 0).orElse(contact),
        of(state),
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
    acidPrep(state).ifPresent(time -> parts.add("acid prep " + Words.clock(time)));
    parts.add(
        state
            .worstSensation()
            .map(worst -> "strongest answer " + worst)
            .orElse("no answer was asked for"));
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
    state.ending().why().ifPresent(why -> parts.add("before its least time: " + why));
    String alarms =
        Words.list(
            state.looks().seenSigns().stream()
                .filter(sign -> sign.weight().alarm())
                .sorted()
                .map(Sign::label)
                .toList());
    if (!alarms.isEmpty()) parts.add("alarm: " + alarms);
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

  private static Optional<Duration> acidPrep(TreatmentState state) {
    return state
        .ready()
        .prepTouchedAt()
        .flatMap(touched ->
            Optional.ofNullable(state.ready().stepsDone().get(ReadyStep.PREP))
                .map(off -> Duration.between(touched, off)));
  }
}
