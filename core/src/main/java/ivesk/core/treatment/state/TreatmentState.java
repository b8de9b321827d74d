package ivesk.core.treatment.state;

import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.ZoneFacts;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Looks.Told;
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

  public static TreatmentState opened(TreatmentPlan plan, Instant at) {
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

  /// As the next stage begins, on clocks of its own.
  public TreatmentState onTo(TreatmentPlan plan, TreatmentPlan next, TreatmentEvent opened) {
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
  /// @throws IllegalArgumentException for the END that counts: see [#ended]
  public TreatmentState after(TreatmentPlan plan, TreatmentEvent event) {
    return after(plan, event, Optional.empty());
  }

  /// The state after the END that counts, with its judgement, which needs the advice of that
  /// moment.
  public TreatmentState ended(TreatmentPlan plan, TreatmentEvent event, EndingState.Judged judged) {
    return after(plan, event, Optional.of(judged));
  }

  private TreatmentState after(
      TreatmentPlan plan, TreatmentEvent event, Optional<EndingState.Judged> judged) {
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
        beside.isEmpty() ? Optional.of(event.fact()) : ZoneFacts.only(event.fact(), plan.zones());
    TreatmentState folded =
        own.map(fact ->
                folded(plan, new TreatmentEvent(event.id(), event.at(), event.who(), fact), judged))
            .orElse(this);
    Optional<Last> undo = Optional.of(new Last(event.id(), event.at(), at(lastEventAt)));
    return folded.with(others, folded.alarmed(others, event.at()), event.at(), undo);
  }

  private TreatmentState folded(
      TreatmentPlan plan, TreatmentEvent event, Optional<EndingState.Judged> judged) {
    Looks seen = looks.after(event, plan, phase, acid);
    Phase next = PhaseFold.after(phase, event.fact(), plan, ending, seen);
    boolean off = phase.afterAcid() && phase != Phase.ENDING;
    return new TreatmentState(
        next,
        ready.after(event, plan, phase),
        acid.after(event, phase, looks.response()),
        seen,
        ending.after(event, judged, lastAnswer().map(Told::at), next),
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
  public Optional<Instant> spreadUntil(TreatmentPlan plan) {
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

  /// An alarm, or frost beyond any endpoint, was seen.
  public boolean injured() {
    return looks.seenSigns().stream().anyMatch(sign -> sign.weight().alarm());
  }

  /// After a line of rows 1 to 3 no acid goes on in this visit, whatever was said of it later,
  /// unless the supervising clinician lets it.
  public boolean noMoreAcid() {
    return injured() && !looks.stays().allowed();
  }

  /// The number told after the prep wipe; empty when it was not asked.
  public Optional<Integer> prepAnswer() {
    return Optional.ofNullable(ready.stepsDone().get(ReadyStep.PREP))
        .flatMap(
            prepped -> lastAnswer().filter(told -> !told.numbed() && !told.at().isBefore(prepped)))
        .map(Told::value);
  }

  /// Steps of Ready that are still open, in order.
  public List<ReadyStep> openSteps(TreatmentPlan plan) {
    return ReadyStep.of(plan).stream()
        .filter(step -> !ready.stepsDone().containsKey(step))
        .toList();
  }

  /// It was ended by hand before the least time of its label, and nobody has said why.
  public boolean whyOwed() {
    return ending.why().isEmpty()
        && ending.byRow().isEmpty()
        && ending.how().filter(AtEnd::beforeLeast).isPresent();
  }

  /// Steps of the ending, in order.
  public List<EndingStep> endingSteps(TreatmentPlan plan) {
    return EndingSteps.of(plan, ending);
  }

  /// What may go on once the skin is at rest, in order.
  public List<CareStep> careOffered(TreatmentPlan plan) {
    return CareState.offered(plan, ending);
  }

  /// Steps on calm skin as they were written that are not done, in order.
  public List<CareStep> careOpen(TreatmentPlan plan) {
    return plan.staging().after().isEmpty()
        ? List.of()
        : careOffered(plan).stream().filter(step -> !care.done().containsKey(step.id())).toList();
  }

  /// The step on calm skin whose time runs; empty where none does.
  public Optional<CareStep> careRunning(TreatmentPlan plan) {
    return careOffered(plan).stream()
        .filter(step -> care.started().containsKey(step.id()))
        .filter(step -> !care.done().containsKey(step.id()))
        .findFirst();
  }

  /// When an add-on that is to come off in the room was put on; empty where none is on.
  public Optional<Instant> shortContact(TreatmentPlan plan) {
    return plan.addOn()
        .filter(after -> after.shortContact() && care.addOnOn())
        .flatMap(after -> care.addOnAt());
  }

  /// When the time of the running step is over.
  public Optional<Instant> careRunsUntil(TreatmentPlan plan) {
    return careRunning(plan)
        .flatMap(step -> step.time().map(time -> care.started().get(step.id()).plus(time)));
  }

  /// A region whose acid is off and which is settled while another region is treated: it is asked
  /// each minute to its own rest, and what is seen on it is kept until the client leaves.
  ///
  /// @param plan of its last stage
  /// @param state of that stage, which goes on
  public record Beside(TreatmentPlan plan, TreatmentState state) {

    Beside after(TreatmentEvent event) {
      return ZoneFacts.ofRegion(event.fact(), plan.regions(), plan.zones())
          .map(fact ->
              new Beside(
                  plan,
                  state.after(plan, new TreatmentEvent(event.id(), event.at(), event.who(), fact))))
          .orElse(this);
    }

    public boolean holds(Zone zone) {
      return plan.zones().contains(zone);
    }

    public boolean holds(Region region) {
      return plan.regions().contains(region);
    }

    public boolean atRest() {
      return state.phase() == Phase.AT_REST || state.phase() == Phase.CHECKED;
    }

    /// At rest, and no white waits for the swab: it keeps nobody here.
    public boolean settled() {
      return atRest() && !state.wipeOwed();
    }
  }
}
