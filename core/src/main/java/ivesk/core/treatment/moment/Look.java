package ivesk.core.treatment.moment;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Endpoints;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/// All that one decision reads: the plan, the state and the moment, with what follows from them.
///
/// @param treated zones that have had acid
/// @param active those that still carry it
/// @param told the last number with acid on
/// @param lines hold and stop at that answer
public record Look(
    TreatmentPlan plan,
    TreatmentState state,
    Instant now,
    List<Zone> treated,
    List<Zone> active,
    Optional<Told> told,
    SensationLines lines) {

  /// A number on a hot spot from which the zone has had enough.
  private static final int HOT_SPOT_ENDS = 7;

  /// What another layer needs before the limit, besides its dwell.
  private static final Duration TO_SPREAD = Duration.ofSeconds(30);

  public static Look of(TreatmentPlan plan, TreatmentState state, Instant now) {
    Optional<Told> told = state.lastUnderAcid();
    return new Look(
        plan,
        state,
        now,
        state.treated(plan),
        state.active(plan),
        told,
        SensationLines.at(plan, state, told.map(Told::at).orElse(state.lastEventAt())));
  }

  public boolean acidOn() {
    return state.phase() == Phase.ACID;
  }

  public int feels() {
    return told.map(Told::value).orElse(0);
  }

  /// The advice of a row was not passed since the last look.
  public boolean open(Row row) {
    return !state.acid().declined().contains(row);
  }

  public Optional<Alarm> alarm(Sign.Weight weight) {
    return Alarm.of(weight, plan, state);
  }

  public boolean over(Optional<Instant> instant) {
    return instant.filter(at -> !now.isBefore(at)).isPresent();
  }

  public boolean atStopLine() {
    return told.isPresent() && feels() >= lines.stop();
  }

  public boolean atHoldLine() {
    return told.isPresent() && feels() >= lines.hold();
  }

  /// Ending whitening, wherever acid has been.
  public List<Zone> white() {
    return where(treated, zone -> Endpoints.ends(plan, zone));
  }

  /// Frost beyond any endpoint; F3 that may be crystals counts once it has gone untested.
  public List<Zone> injured() {
    return where(plan.zones(), zone -> zone.beyondAnyEndpoint() || zone.untestedTooLong(now));
  }

  /// Something still carries acid, or is about to: with every zone ended there is nothing to wait
  /// for.
  public boolean carries() {
    return !active.isEmpty()
        || state.layerRunning() && !where(uncovered(), zone -> !zone.ended()).isEmpty();
  }

  /// Zones that have had enough: ending whitening, redness 3, a hot spot of 7 and more, or the time
  /// after which they were to come off before the others.
  public List<Zone> spent() {
    return active.stream().filter(this::spent).toList();
  }

  private boolean spent(Zone zone) {
    ZoneState seen = state.zones().get(zone);
    return Endpoints.ends(plan, seen) || seen.redness() == 3 || tooHot(seen) || due(zone);
  }

  private boolean due(Zone zone) {
    return over(Optional.ofNullable(earlier(plan, state).get(zone)));
  }

  /// When zones are to come off before the others. Where the whole was shortened, so are they.
  public static Map<Zone, Instant> earlier(TreatmentPlan plan, TreatmentState state) {
    Map<Zone, Instant> due = new EnumMap<>(Zone.class);
    state
        .firstTouch()
        .ifPresent(start ->
            plan.earlier()
                .forEach((zone, time) -> due.put(zone, start.plus(shortened(time, plan, state)))));
    return due;
  }

  private static Duration shortened(Duration time, TreatmentPlan plan, TreatmentState state) {
    Optional<Duration> now = state.ready().contactLimit();
    if (now.isEmpty() || plan.contactLimit().isEmpty()) return time;
    return time.multipliedBy(now.get().toMillis()).dividedBy(plan.contactLimit().get().toMillis());
  }

  public boolean tooHot(ZoneState zone) {
    return zone.hotSpot().filter(value -> value >= HOT_SPOT_ENDS).isPresent();
  }

  /// Zones on which another layer may go: never over frost, never on what is ended or spent. A hot
  /// spot from before the acid is under barrier and left out of the first layer.
  public List<Zone> startable() {
    return plan.zones().stream().filter(this::startable).toList();
  }

  private boolean startable(Zone zone) {
    ZoneState seen = state.zones().get(zone);
    return !seen.ended()
        && !seen.wipeOwed()
        && !seen.whitening().frost()
        && !spent(zone)
        && !(layersDone() == 0 && seen.hotSpot().isPresent());
  }

  public List<Zone> where(List<Zone> among, Predicate<ZoneState> test) {
    return among.stream().filter(zone -> test.test(state.zones().get(zone))).toList();
  }

  /// Zones of the running layer that are still to cover.
  public List<Zone> uncovered() {
    return where(state.lastLayer().map(Layer::zones).orElse(plan.zones()), zone -> !zone.reached());
  }

  public Clocks clocks() {
    return Clocks.of(plan, state);
  }

  public Optional<Instant> settledAt() {
    return clocks().settledAt();
  }

  /// The layer is covered and its dwell is over.
  public boolean settled() {
    return over(settledAt());
  }

  /// Until when the last layer stays, never past the limit; empty where the gap between layers is
  /// all that is said.
  public Optional<Instant> lastStaysUntil() {
    return lastStaysUntil(plan, state);
  }

  static Optional<Instant> lastStaysUntil(TreatmentPlan plan, TreatmentState state) {
    return state
        .lastLayer()
        .flatMap(layer ->
            OnSkin.formula(plan, layer)
                .label()
                .lastStays()
                .flatMap(stays -> layer.coveredAt().map(covered -> covered.plus(stays))))
        .map(until -> state.limitAt().filter(until::isAfter).orElse(until));
  }

  /// The planned endpoint. TCA: on half the area that still carries acid. Jessner by first frost:
  /// anywhere, also where the zone was ended for it.
  public boolean endpointReached() {
    Optional<Whitening> aim = Endpoints.planned(plan);
    if (aim.isEmpty()) return false;
    boolean firstFrost = plan.formula().frost() == Family.Frost.BY_POLICY;
    List<Zone> counted = firstFrost ? treated : active;
    List<Zone> there =
        where(counted, zone -> !zone.wipeOwed() && zone.whitening().atLeast(aim.get()));
    return firstFrost ? !there.isEmpty() : Endpoints.halfOrMore(there, counted);
  }

  public int layersDone() {
    return state.layers().size();
  }

  public int layersPlanned() {
    return state.layersPlanned();
  }

  /// The client cannot give a number that could be relied on.
  public boolean numbed() {
    return state.response() != Response.AWAKE;
  }

  /// An answer since the last layer was covered, or a look in its place.
  public boolean lookedSinceLayer() {
    Instant covered = state.lastLayer().flatMap(Layer::coveredAt).orElse(Instant.MAX);
    return told.filter(answer -> !answer.numbed() && !answer.at().isBefore(covered)).isPresent()
        || numbed() && state.acid().lastLookAt().filter(at -> !at.isBefore(covered)).isPresent();
  }

  /// More of a timed acid within its clock: its feel falls early and has not risen once, the skin
  /// is no more than pink, and neither client nor prep asks for care.
  public boolean mayTakeMore() {
    return !careful()
        && state.ready().gateA().filter(GateA.SHORTEN::equals).isEmpty()
        && redCalm()
        && falls();
  }

  private boolean falls() {
    List<Told> answers = state.underAcid().stream().filter(answer -> !answer.numbed()).toList();
    for (int i = 1; i < answers.size(); i++) {
      if (answers.get(i).value() > answers.get(i - 1).value()) return false;
    }
    return answers.size() > 1
        && answers.getLast().value() < answers.get(answers.size() - 2).value();
  }

  public boolean redCalm() {
    return active.stream().allMatch(zone -> state.zones().get(zone).redness() <= 1);
  }

  /// Careful: a first peel with this family, or skin of sensitivity 2 and more.
  public boolean careful() {
    return plan.careful();
  }

  /// Another layer would not settle before the limit.
  public boolean tooLate() {
    return over(tooLateAt(plan, state));
  }

  /// The smaller limit of the two strengths is too near.
  public boolean tooLateForNextRung() {
    return over(tooLateForNextRungAt(plan, state));
  }

  public static Optional<Instant> tooLateForNextRungAt(TreatmentPlan plan, TreatmentState state) {
    return plan.nextRung()
        .flatMap(Formula::mostContact)
        .flatMap(most -> state.firstTouch().map(start -> start.plus(most)))
        .map(limit -> tooLateBefore(limit, plan));
  }

  /// As soon as less than the dwell and the time to spread is left.
  public static Optional<Instant> tooLateAt(TreatmentPlan plan, TreatmentState state) {
    return state.limitAt().map(limit -> tooLateBefore(limit, plan));
  }

  private static Instant tooLateBefore(Instant limit, TreatmentPlan plan) {
    return limit.minus(plan.dwell()).minus(TO_SPREAD).plusMillis(1);
  }
}
