package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.AcidState.Layer;
import ivesk.core.treatment.Looks.Told;
import ivesk.core.treatment.TreatmentEvent.Response;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;

/// What a treatment has come to: a pure fold over its events, in parts that each fold the facts
/// that are theirs.
///
/// @param beside regions whose acid is off while this one is treated
public record TreatmentState(
    Phase phase,
    ReadyState ready,
    AcidState acid,
    Looks looks,
    EndingState ending,
    CareState care,
    EndedZones endedZones,
    List<Beside> beside,
    Instant lastEventAt,
    Optional<Last> last) {

  public TreatmentState {
    beside = List.copyOf(beside);
  }

  /// The event that may still be taken back, and everything as it was before it.
  public record Last(UUID event, Instant at, TreatmentState before) {
    /// The last moment at which it can be taken back by one key.
    public Instant until() {
      return at.plus(TAKE_BACK);
    }
  }

  /// How long a mistaken tap can be taken back by one key.
  static final Duration TAKE_BACK = Duration.ofSeconds(10);

  static TreatmentState opened(TreatmentPlan plan, Instant at) {
    return new TreatmentState(
        Phase.READY,
        ReadyState.before(plan),
        AcidState.NONE,
        Looks.before(plan),
        EndingState.NONE,
        CareState.NONE,
        EndedZones.NONE,
        List.of(),
        at,
        Optional.empty());
  }

  /// The state after all events, the first of which opened the treatment, as corrected: that of the
  /// stage which they have come to.
  ///
  /// @throws IllegalArgumentException when there is no event, or the first opened nothing
  public static TreatmentState replay(List<TreatmentEvent> events) {
    return Treatment.stages(events).getLast().state();
  }

  /// As the next stage begins, on clocks of its own.
  TreatmentState onTo(TreatmentPlan plan, TreatmentPlan next, TreatmentEvent opened) {
    boolean sameSkin = next.sharesSkin(plan);
    Looks seen = looks.onTo(next, treated(plan));
    boolean fresh = !seen.stays().hadAcid().containsAll(next.zones());
    ReadyState readied = ready.onTo(next, sameSkin, care.barrierOffAt().isPresent(), fresh);
    List<Beside> settling =
        Stream.concat(
                beside.stream(), sameSkin ? Stream.empty() : Stream.of(new Beside(plan, alone())))
            .filter(one -> !one.plan().sharesSkin(next))
            .toList();
    return new TreatmentState(
        readied.stepsDone().keySet().containsAll(ReadyStep.of(next)) ? Phase.ARMED : Phase.READY,
        readied,
        AcidState.NONE,
        seen,
        EndingState.NONE,
        CareState.NONE,
        EndedZones.NONE,
        settling,
        opened.at(),
        Optional.of(new Last(opened.id(), opened.at(), at(lastEventAt))));
  }

  /// The state after one more event; a correction reaches back, and asks for a replay.
  ///
  /// @param plan of the stage so far: with [TreatmentEvent.StageOpened] the state is that of the
  ///   next
  public TreatmentState after(TreatmentPlan plan, TreatmentEvent event) {
    if (event.fact() instanceof TreatmentEvent.TakenBack(var mistaken)) {
      return last.filter(one -> one.event().equals(mistaken))
          .map(one -> one.before().at(event.at()))
          .orElseGet(() -> at(event.at()));
    }
    if (event.fact() instanceof TreatmentEvent.Corrected) return at(event.at());
    if (event.fact() instanceof TreatmentEvent.StageOpened) {
      return plan.staging().next().map(other -> onTo(plan, other, event)).orElse(this);
    }
    List<Beside> others = beside.stream().map(one -> one.after(event)).toList();
    Optional<TreatmentEvent.Fact> own =
        beside.isEmpty() ? Optional.of(event.fact()) : Beside.only(event.fact(), plan.zones());
    TreatmentState folded =
        own.map(fact -> folded(plan, new TreatmentEvent(event.id(), event.at(), event.who(), fact)))
            .orElse(this);
    Optional<Last> undo = Optional.of(new Last(event.id(), event.at(), at(lastEventAt)));
    return folded.with(others, folded.alarmed(others, event.at()), event.at(), undo);
  }

  private TreatmentState folded(TreatmentPlan plan, TreatmentEvent event) {
    Looks seen = looks.after(event, plan, phase, acid);
    Phase next = phase.after(event.fact(), plan, ending, seen);
    boolean off = phase.afterAcid() && phase != Phase.ENDING;
    return new TreatmentState(
        next,
        ready.after(event, plan, phase),
        acid.after(event, phase, looks.response()),
        seen,
        ending.after(event, plan, this, next),
        care.after(event),
        endedZones.after(event, plan, off, looks.response() == Response.AWAKE),
        beside,
        event.at(),
        last);
  }

  /// Frost beyond any endpoint on a region beside is an alarm of the whole visit.
  private Looks alarmed(List<Beside> others, Instant at) {
    for (int i = 0; i < others.size(); i++) {
      boolean now = others.get(i).state().signs().contains(Sign.DEEP_FROST);
      boolean before = beside.get(i).state().signs().contains(Sign.DEEP_FROST);
      if (now && !before) return looks.seen(Sign.DEEP_FROST, at);
    }
    return looks;
  }

  private TreatmentState with(List<Beside> others, Looks seen, Instant when, Optional<Last> undo) {
    return new TreatmentState(
        phase, ready, acid, seen, ending, care, endedZones, others, when, undo);
  }

  /// Of this region alone, with nothing left to take back.
  private TreatmentState alone() {
    return with(List.of(), looks, lastEventAt, Optional.empty());
  }

  /// The same, with nothing left to take back.
  private TreatmentState at(Instant when) {
    return with(beside, looks, when, Optional.empty());
  }

  public List<Layer> layers() {
    return acid.layers();
  }

  public Map<Zone, ZoneState> zones() {
    return looks.zones();
  }

  /// Seen and not resolved.
  public Set<Sign> signs() {
    return looks.signs();
  }

  public Response response() {
    return looks.response();
  }

  /// When the acid first touched.
  public Optional<Instant> firstTouch() {
    return layers().stream().findFirst().map(Layer::startedAt);
  }

  public Optional<Layer> lastLayer() {
    return acid.last();
  }

  public boolean layerRunning() {
    return acid.running().isPresent();
  }

  /// What covered the skin before the acid is still on it.
  public boolean barrierOn() {
    return ready.stepsDone().containsKey(ReadyStep.BARRIER) && care.barrierOffAt().isEmpty();
  }

  /// By when the running layer should be spread; empty while none runs.
  Optional<Instant> spreadUntil(TreatmentPlan plan) {
    return acid.running().map(layer -> layer.startedAt().plus(plan.formula().spread()));
  }

  /// Numbers told while acid was on, in order.
  public List<Told> underAcid() {
    return looks.underAcid();
  }

  public Optional<Told> lastUnderAcid() {
    List<Told> told = underAcid();
    return told.isEmpty() ? Optional.empty() : Optional.of(told.getLast());
  }

  public Optional<Told> lastAnswer() {
    return looks.last();
  }

  /// END.
  public Optional<Instant> endedAt() {
    return ending.startedAt();
  }

  /// When the contact limit is reached; empty before the acid or without a limit.
  public Optional<Instant> limitAt() {
    return firstTouch().flatMap(start -> ready.contactLimit().map(start::plus));
  }

  /// Layers that may go on today: n, or m once the therapist has asked for it.
  public int layersPlanned() {
    return acid.extended() ? ready.layersAtMost() : ready.layersPlanned();
  }

  /// Zones that have had acid, ended ones too: those that a layer has reached, and those that have
  /// changed since the baseline.
  public List<Zone> treated(TreatmentPlan plan) {
    if (layers().isEmpty()) return List.of();
    return plan.zones().stream()
        .filter(zone ->
            zones().get(zone).reached()
                || zones().get(zone).reacts()
                || layers().stream()
                    .filter(layer -> layer.coveredAt().isPresent())
                    .anyMatch(layer -> layer.zones().contains(zone)))
        .toList();
  }

  /// Treated zones that still carry acid.
  public List<Zone> active(TreatmentPlan plan) {
    return treated(plan).stream().filter(zone -> !zones().get(zone).ended()).toList();
  }

  public boolean wipeOwed() {
    return zones().values().stream().anyMatch(zone -> zone.wipeOwed() && !zone.ended());
  }

  /// From the first touch to END, or to `now` while it runs.
  public Duration contact(Instant now) {
    return firstTouch()
        .map(start -> Duration.between(start, endedAt().orElse(now)))
        .orElse(Duration.ZERO);
  }

  /// From END to rest.
  public Optional<Duration> timeToRest() {
    return endedAt().flatMap(end -> ending.restAt().map(rest -> Duration.between(end, rest)));
  }

  /// The highest number told with the acid on; empty when nobody was asked.
  public Optional<Integer> worstSensation() {
    return underAcid().stream().map(Told::value).max(Comparator.naturalOrder());
  }
}
