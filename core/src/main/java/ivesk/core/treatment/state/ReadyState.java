package ivesk.core.treatment.state;

import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Region;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Looking;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.Preparing;
import ivesk.core.treatment.fact.TreatmentEvent.Recorded;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// What Ready has come to.
///
/// @param stepsDone when each step was done
/// @param gateA what was decided on the answer to the prep
/// @param prepTouchedAt when an acid prep touched the skin
/// @param contactLimit after the gate may have shortened it
/// @param layersPlanned n, after the gate may have taken one off
/// @param layersAtMost m, never passed; after a shortening n is all
/// @param shortened regions on which every acid of this visit is shortened
public record ReadyState(
    Map<ReadyStep, Instant> stepsDone,
    Optional<GateA> gateA,
    Optional<Instant> prepTouchedAt,
    Optional<Duration> contactLimit,
    int layersPlanned,
    int layersAtMost,
    Set<Region> shortened) {

  public ReadyState {
    stepsDone = Map.copyOf(stepsDone);
    shortened = Set.copyOf(shortened);
  }

  private static final Set<ReadyStep> GUARDS = EnumSet.of(ReadyStep.BARRIER, ReadyStep.EYES);
  private static final Set<ReadyStep> FIRST_ACID =
      EnumSet.of(ReadyStep.PREP, ReadyStep.BASELINE, ReadyStep.GATE_A);

  static ReadyState before(TreatmentPlan plan) {
    return new ReadyState(
        Map.of(),
        Optional.empty(),
        Optional.empty(),
        plan.contactLimit(),
        plan.layersPlanned(),
        plan.layersAtMost(),
        Set.of());
  }

  /// What the next stage finds done. On the same skin everything stands that was not taken off; on
  /// another region only what is done once for the visit. Zones that get their first acid are
  /// looked at and prepared first, with an answer of their own.
  ///
  /// @param guardsOff the barrier was wiped off, and what protects the eyes with it
  /// @param fresh a zone of the next stage has had no acid in this visit
  ReadyState onTo(TreatmentPlan next, boolean sameSkin, boolean guardsOff, boolean fresh) {
    Map<ReadyStep, Instant> kept = steps();
    if (!sameSkin) kept.keySet().removeIf(step -> !step.forTheVisit());
    if (guardsOff) kept.keySet().removeAll(GUARDS);
    if (fresh) kept.keySet().removeAll(FIRST_ACID);
    boolean shorter = next.regions().stream().anyMatch(shortened::contains);
    return new ReadyState(
        kept,
        sameSkin && !fresh ? Optional.of(shorter ? GateA.SHORTEN : GateA.KEEP) : Optional.empty(),
        sameSkin && !fresh ? prepTouchedAt : Optional.empty(),
        shorter ? Shortened.contact(next) : next.contactLimit(),
        shorter ? Shortened.layers(next) : next.layersPlanned(),
        shorter && next.contactLimit().isEmpty() ? Shortened.layers(next) : next.layersAtMost(),
        shortened);
  }

  ReadyState after(TreatmentEvent event, TreatmentPlan plan, Phase phase) {
    return switch (event.fact()) {
      case Preparing fact ->
          switch (fact) {
            case StepDone(var step, var note) -> done(step, event.at());
            case GateADecided(var choice, var note) ->
                done(ReadyStep.GATE_A, event.at()).decided(choice, plan);
            case PlanChanged(var choice, _) ->
                done(ReadyStep.GATE_A, event.at()).decided(choice, plan);
            case AcidPrepStarted _ ->
                new ReadyState(
                    stepsDone,
                    gateA,
                    Optional.of(event.at()),
                    contactLimit,
                    layersPlanned,
                    layersAtMost,
                    shortened);
            case TimerArmed _, StageOpened _, AcidAllowed _ -> this;
          };
      case Looking fact ->
          switch (fact) {
            case RednessSeen seen when phase == Phase.READY -> done(ReadyStep.BASELINE, event.at());
            case SensationAnswered(var value)
                when phase == Phase.READY
                    || phase == Phase.ARMED && !PrepAnswer.passes(value, false) ->
                reopened();
            case HotSpotFelt(var zone, var value)
                when phase == Phase.READY || phase == Phase.ARMED && value > 0 ->
                reopened();
            case RednessSeen _,
                SensationAnswered _,
                HotSpotFelt _,
                WhiteningSeen _,
                WipeTested _,
                SignSeen _,
                SignResolved _,
                ZoneAnswered _,
                RegionAnswered _,
                AlarmStepDone _,
                AlarmStepSkipped _,
                EdgeSeen _,
                ResponseNoted _ ->
                this;
          };
      // One contact clock for both strengths, and the smaller limit.
      case LayerStarted(var on, var nextRung) when nextRung ->
          limitedTo(plan.nextRung().flatMap(Formula::mostContact));
      case Acting _, Ending _, Caring _, Recorded _ -> this;
    };
  }

  private ReadyState done(ReadyStep step, Instant at) {
    Map<ReadyStep, Instant> more = steps();
    more.put(step, at);
    return new ReadyState(
        more, gateA, prepTouchedAt, contactLimit, layersPlanned, layersAtMost, shortened);
  }

  private ReadyState limitedTo(Optional<Duration> other) {
    Optional<Duration> smaller =
        Stream.of(contactLimit, other).flatMap(Optional::stream).min(Comparator.naturalOrder());
    return new ReadyState(
        stepsDone, gateA, prepTouchedAt, smaller, layersPlanned, layersAtMost, shortened);
  }

  private ReadyState decided(GateA choice, TreatmentPlan plan) {
    return switch (choice) {
      case KEEP, UNDER_BARRIER, LOWER_RUNG, OTHER_FORMULA, STOP ->
          new ReadyState(
              stepsDone,
              Optional.of(choice),
              prepTouchedAt,
              plan.contactLimit(),
              plan.layersPlanned(),
              plan.layersAtMost(),
              shortened);
      case SHORTEN ->
          new ReadyState(
              stepsDone,
              Optional.of(choice),
              prepTouchedAt,
              Shortened.contact(plan),
              Shortened.layers(plan),
              plan.contactLimit().isPresent() ? plan.layersAtMost() : Shortened.layers(plan),
              more(shortened, plan.regions()));
    };
  }

  /// Another answer before the acid wants another decision.
  private ReadyState reopened() {
    Map<ReadyStep, Instant> fewer = steps();
    fewer.remove(ReadyStep.GATE_A);
    return new ReadyState(
        fewer,
        Optional.empty(),
        prepTouchedAt,
        contactLimit,
        layersPlanned,
        layersAtMost,
        shortened);
  }

  private static Set<Region> more(Set<Region> some, List<Region> other) {
    Set<Region> all = EnumSet.copyOf(other);
    all.addAll(some);
    return all;
  }

  private Map<ReadyStep, Instant> steps() {
    Map<ReadyStep, Instant> copy = new EnumMap<>(ReadyStep.class);
    copy.putAll(stepsDone);
    return copy;
  }
}
