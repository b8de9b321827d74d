package ivesk.core.treatment.record;

import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.state.AcidState;
import ivesk.core.treatment.state.AtEnd;
import ivesk.core.treatment.state.Endpoints;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/// What a finished treatment tells the next one, and the record's one paragraph.
public final class Outcome {
  private Outcome() {}

  /// How it was taken, as far as the record says. Without a number to rely on it is never well
  /// taken; what nobody could foresee as one of the other kinds counts as too strong.
  public static PeelOutcome of(TreatmentPlan plan, TreatmentState state) {
    boolean white = Endpoints.whiteIsInjury(plan) && !state.looks().stays().white().isEmpty();
    if (white || state.injured() || state.looks().incident()) return PeelOutcome.ADVERSE;
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

  /// An allergic sign was seen.
  public static boolean allergic(TreatmentState state) {
    return state.looks().seenSigns().stream().anyMatch(Sign::allergic);
  }

  /// The class of what was done, which the layers may have taken deeper than the plan.
  public static DepthClass depth(TreatmentPlan plan, TreatmentState state) {
    int layers = Math.max(1, state.layers().size());
    return Depth.of(plan.formula(), state.ready().contactLimit(), layers).deeper(plan.depth());
  }

  public static PastPeel peel(TreatmentPlan plan, TreatmentState state, LocalDate on) {
    return peel(plan, plan.region(), state, on);
  }

  private static PastPeel peel(
      TreatmentPlan plan, Region region, TreatmentState state, LocalDate on) {
    Duration contact = state.contact(state.lastEventAt());
    return new PastPeel(
            plan.formula(),
            region,
            on,
            Math.max(1, state.layers().size()),
            state
                .ready()
                .contactLimit()
                .filter(limit -> limit.compareTo(contact) < 0)
                .orElse(contact),
            of(plan, state),
            state.worstSensation())
        .allergic(allergic(state));
  }

  /// The stages of a visit as the chart counts them: one formula on one region is one peel, however
  /// often it went on; as it was taken worst, and never as more layers than one stage had. Where
  /// two regions shared a run, each has had the peel.
  ///
  /// @param stages in which acid went on, in order
  /// @param days on which each first touched
  public static List<PastPeel> peels(List<Stage> stages, List<LocalDate> days) {
    Map<String, PastPeel> peels = new LinkedHashMap<>();
    for (int i = 0; i < stages.size(); i++) {
      Stage stage = stages.get(i);
      for (Region region : stage.plan().regions()) {
        PastPeel peel = peel(stage.plan(), region, stage.state(), days.get(i));
        peels.merge(peel.formula().code() + " " + region, peel, Outcome::together);
      }
    }
    return List.copyOf(peels.values());
  }

  private static PastPeel together(PastPeel one, PastPeel other) {
    return new PastPeel(
            one.formula(),
            one.region(),
            one.on(),
            Math.max(one.layers(), other.layers()),
            one.contact().compareTo(other.contact()) > 0 ? one.contact() : other.contact(),
            one.outcome().compareTo(other.outcome()) > 0 ? one.outcome() : other.outcome(),
            Stream.of(one.worstSensation(), other.worstSensation())
                .flatMap(Optional::stream)
                .max(Comparator.naturalOrder()))
        .allergic(one.allergic() || other.allergic());
  }

  /// All stages of a visit, one paragraph each, and what was planned but not done.
  public static String summary(List<Stage> stages, Instant now) {
    List<String> paragraphs = new ArrayList<>();
    for (Stage stage : stages) {
      boolean begun = stages.size() == 1 || !stage.state().layers().isEmpty();
      paragraphs.add(
          begun
              ? summary(stage.plan(), stage.state(), now)
              : Words.fill(
                  "Stage %d, %s, was not begun.",
                  stage.plan().staging().number(), stage.plan().formula().code()));
    }
    Optional<TreatmentPlan> left = stages.getLast().plan().staging().next();
    while (left.isPresent()) {
      paragraphs.add(
          Words.fill(
              "Stage %d, %s on %s, was planned and not done.",
              left.get().staging().number(), left.get().formula().code(), left.get().where()));
      left = left.get().staging().next();
    }
    return String.join(" ", paragraphs);
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
            + plan.where()
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
    for (AcidState.Layer layer : state.layers()) {
      layer
          .coveredAt()
          .map(covered -> Duration.between(layer.startedAt(), covered))
          .filter(took -> took.compareTo(plan.formula().spread()) > 0)
          .ifPresent(took ->
              parts.add(Words.fill("layer %d spread over %s", layer.number(), Words.clock(took))));
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
    String ended =
        Words.list(
            plan.zones().stream()
                .flatMap(zone ->
                    Optional.ofNullable(state.endedZones().zones().get(zone)).stream()
                        .map(one ->
                            zone.label()
                                + one.timeToRest()
                                    .map(rest -> " at rest after " + Words.clock(rest))
                                    .orElse("")))
                .toList());
    if (!ended.isEmpty()) parts.add("ended sooner: " + ended);
    for (boolean came : List.of(true, false)) {
      List<String> there =
          plan.zones().stream()
              .filter(zone -> Boolean.valueOf(came).equals(state.looks().edges().get(zone)))
              .map(Zone::label)
              .toList();
      if (!there.isEmpty()) {
        parts.add("edge " + (came ? "" : "not ") + "reached on " + Words.list(there));
      }
    }
    List<Zone> points =
        state.care().extracted().stream().map(TreatmentEvent.ExtractedPoint::zone).toList();
    if (!points.isEmpty()) {
      parts.add(
          "extracted on "
              + Words.list(
                  plan.zones().stream()
                      .filter(points::contains)
                      .map(zone -> zone.label() + " " + Collections.frequency(points, zone))
                      .toList())
              + ", "
              + Words.count(state.care().lancets(), "lancet"));
    }
    String care =
        Words.list(
            state.careOffered(plan).stream()
                .filter(step -> state.care().done().containsKey(step.id()))
                .map(CareStep::label)
                .toList());
    if (!care.isEmpty()) parts.add("on calm skin " + care);
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
