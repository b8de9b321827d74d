package ivesk.core.treatment.gate;

import ivesk.core.Words;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Act;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.PrepAnswer;
import ivesk.core.treatment.state.Shortened;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Gate A, the answer to the prep: 0 to 3 on even skin goes on; 4 or more, or a hot spot, changes
/// the plan or ends the visit; 8 and more cannot be kept, and a hot spot that is kept goes under
/// barrier and out of the first layer. Gate B, between stages: 0 to 3, redness at most 1, no frost.
/// Gate C, before tools and masks: at rest, redness at most 1 there, no frost, no barrier left.
/// Common practice.
public final class Gate {
  private static final String SHUT =
      "shortened there would be nothing left, or less than 60 s: another formula, or stop";

  private Gate() {}

  /// Why the next stage may not begin; empty when it may.
  static Optional<String> b(TreatmentPlan plan, TreatmentState state) {
    return injured(state).or(() -> skin(state, plan.zones())).or(() -> awake(state));
  }

  private static Optional<String> injured(TreatmentState state) {
    return state.injured()
        ? Optional.of("an injury or alarm was seen: the clinician decides")
        : Optional.empty();
  }

  /// Pink at most, and no frost.
  private static Optional<String> skin(TreatmentState state, List<Zone> zones) {
    for (Zone zone : zones) {
      ZoneState look = state.zones().get(zone);
      if (look.whitening().frost()) return Optional.of("frost on the " + zone.label());
      if (look.redness() > 1) {
        return Optional.of(Words.fill("the %s is red, %d", zone.label(), look.redness()));
      }
    }
    return Optional.empty();
  }

  private static Optional<String> awake(TreatmentState state) {
    return state
        .lastAnswer()
        .filter(told -> told.numbed() || told.value() >= PrepAnswer.AWAKE)
        .map(told ->
            told.numbed()
                ? "the last number was told numbed or asleep: ask"
                : told.value() + " is above 3");
  }

  /// Why the next stage may not begin; empty when it may. On another region only the number counts:
  /// the acid is off and reads 3 at most.
  public static Optional<String> next(TreatmentPlan plan, TreatmentState state) {
    if (plan.staging().next().isEmpty()) return Optional.of("no other stage is planned");
    switch (state.phase()) {
      case SETTLING, AT_REST -> {}
      case CHECKED, SIGNED, STOPPED -> {
        return Optional.of("the leaving check is done");
      }
      case READY, ARMED, ACID, ENDING -> {
        return Optional.of("the acid is not off yet");
      }
    }
    if (state.endedAt().isEmpty()) return Optional.of("this stage was stopped before its acid");
    if (state.looks().incident()) {
      return Optional.of("an incident was seen: the clinician decides");
    }
    if (state.response() != Response.AWAKE) return Optional.of("wake the client, and ask");
    boolean told =
        state
            .lastAnswer()
            .filter(last -> !last.numbed() && last.at().isAfter(state.endedAt().get()))
            .isPresent();
    if (!told) return Optional.of("ask how it feels first");
    Optional<String> on =
        state.careRunning(plan).map(step -> "the " + step.label() + " is still on");
    if (on.isPresent()) return on;
    if (state.care().addOnOn()) return Optional.of("the add-on is on");
    TreatmentPlan next = plan.staging().next().get();
    if (shortenedAway(next, state)) return Optional.of(SHUT);
    if (!next.sharesSkin(plan)) {
      return injured(state).or(() -> wiped(state)).or(() -> notDeep(state)).or(() -> awake(state));
    }
    return seenSinceEnd(state).or(() -> b(plan, state));
  }

  /// A shortening at gate A holds for every later acid on that region in this visit.
  private static boolean shortenedAway(TreatmentPlan next, TreatmentState state) {
    return next.regions().stream().anyMatch(state.ready().shortened()::contains)
        && Shortened.tooShort(next);
  }

  private static Optional<String> wiped(TreatmentState state) {
    return state.zones().values().stream().anyMatch(ZoneState::wipeOwed)
        ? Optional.of("the wipe test is not done")
        : Optional.empty();
  }

  private static Optional<String> notDeep(TreatmentState state) {
    return state.zones().values().stream().anyMatch(zone -> zone.redness() > 2)
        ? Optional.of("deep or patchy redness: it is settled first")
        : Optional.empty();
  }

  /// Redness is looked at, and white is wiped, after the acid is off.
  private static Optional<String> seenSinceEnd(TreatmentState state) {
    return wiped(state)
        .or(() ->
            state.ending().lookedAt().isEmpty()
                ? Optional.of("look at the redness first")
                : Optional.empty());
  }

  /// Gate C before tools and masks: at rest, pink at most and no frost there, no barrier left.
  public static Optional<String> c(
      TreatmentPlan plan, TreatmentState state, Collection<Zone> zones) {
    if (state.phase() != Phase.AT_REST) return Optional.of("the skin is not at rest");
    if (state.injured() || state.looks().incident()) {
      return Optional.of("an incident was seen: the clinician decides");
    }
    return seenSinceEnd(state)
        .or(() -> skin(state, plan.zones().stream().filter(zones::contains).toList()))
        .or(() -> state.barrierOn() ? Optional.of("wipe the barrier off first") : Optional.empty());
  }

  /// Why a step on calm skin may not begin now; empty when it may.
  public static Optional<String> careNotNow(
      TreatmentPlan plan, TreatmentState state, CareStep step) {
    if (!state.phase().afterAcid()) return Optional.of("the acid is not off yet");
    if (state.care().done().containsKey(step.id())) return Optional.of("it is done already");
    return before(step, plan, state);
  }

  /// Why the add-on may not go on now; empty when it may.
  public static Optional<String> addOn(TreatmentPlan plan, TreatmentState state) {
    if (plan.addOn().isEmpty()) return Optional.of("no add-on is planned");
    if (state.care().addOnAt().isPresent()) return Optional.of("the add-on was put on already");
    if (state.phase() == Phase.CHECKED) return Optional.of("the leaving check is done");
    if (state.phase() != Phase.AT_REST) return Optional.of("the skin is not at rest");
    return b(plan, state);
  }

  /// Why a step on calm skin may not begin, wherever the visit is; empty when it may.
  public static Optional<String> before(CareStep step, TreatmentPlan plan, TreatmentState state) {
    if (step.current()) {
      Optional<String> wet =
          wet(plan, state).map(other -> "the " + other.label() + " is wet: dry it first, a spark");
      if (wet.isPresent()) return wet;
    }
    if (!step.gateC()) return Optional.empty();
    // A tool goes only where the skin allows it; each point is asked again.
    return step.extracts() ? c(plan, state, List.of()) : c(plan, state, step.zones());
  }

  /// What went on wet with alcohol, with nothing since that dries.
  private static Optional<CareStep> wet(TreatmentPlan plan, TreatmentState state) {
    Map<String, Instant> done = state.care().done();
    List<CareStep> steps =
        state.careOffered(plan).stream()
            .filter(step -> done.containsKey(step.id()))
            .sorted(Comparator.comparing((CareStep step) -> done.get(step.id())))
            .toList();
    Optional<CareStep> wet = Optional.empty();
    for (CareStep step : steps) {
      if (step.alcoholWet()) wet = Optional.of(step);
      if (step.act().filter(Act::dries).isPresent()) wet = Optional.empty();
    }
    return wet;
  }

  /// Why gate A cannot be decided so; empty when it can.
  public static Optional<String> a(TreatmentPlan plan, TreatmentState state, GateA choice) {
    Optional<Integer> answer = state.prepAnswer();
    if (answer.isEmpty() && choice != GateA.STOP) {
      return Optional.of("ask how the prep feels first");
    }
    return switch (choice) {
      case STOP -> Optional.empty();
      case KEEP -> tooAwake(answer.get());
      case UNDER_BARRIER ->
          state.zones().values().stream().anyMatch(zone -> zone.hotSpot().isPresent())
              ? tooAwake(answer.get())
              : Optional.of("no spot is hot: keep it as it is");
      case LOWER_RUNG, OTHER_FORMULA -> Optional.of("say which formula takes its place");
      case SHORTEN -> Shortened.of(plan).isPresent() ? Optional.empty() : Optional.of(SHUT);
    };
  }

  private static Optional<String> tooAwake(int answer) {
    return answer < PrepAnswer.NOT_TO_BE_KEPT
        ? Optional.empty()
        : Optional.of(answer + " before any acid: shorten, choose another formula or stop");
  }

  /// Why another plan may not take the place of this one; empty when it may.
  public static Optional<String> change(
      TreatmentPlan plan, TreatmentState state, TreatmentPlan other) {
    if (state.phase() != Phase.READY) return Optional.of("Ready is over: the timer is armed");
    if (state.prepAnswer().isEmpty()) return Optional.of("ask how the prep feels first");
    if (!Set.copyOf(other.zones()).equals(Set.copyOf(plan.zones()))) {
      return Optional.of("the other plan is for other zones");
    }
    return other.formula().equals(plan.formula())
        ? Optional.of("that is the formula planned")
        : Optional.empty();
  }
}
