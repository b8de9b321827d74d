package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.TreatmentEvent.GateA;
import ivesk.core.treatment.TreatmentEvent.Response;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// What a treatment has come to: a pure fold over its events.
///
/// @param stepsDone when each step of Ready was done
/// @param answers every number that was told, in order
/// @param zones what is known of each planned zone
/// @param signs seen and not resolved
/// @param seenSigns every sign that was ever seen
/// @param contactLimit after the gate may have shortened it
/// @param layersPlanned after the gate may have taken one off
/// @param extended the therapist asked for the most layers
/// @param declined rows whose advice was passed since the last look
/// @param endedByRow row of the advice that brought the end
/// @param endingSteps steps of the ending that were done
/// @param addOnAt when the plan's add-on was put on
/// @param addOnOffAt when it was wiped off again
public record TreatmentState(
    Phase phase,
    Map<ReadyStep, Instant> stepsDone,
    List<Told> answers,
    List<Layer> layers,
    Map<Zone, ZoneState> zones,
    Set<Sign> signs,
    Set<Sign> seenSigns,
    Response response,
    Optional<GateA> gateA,
    Optional<Duration> contactLimit,
    int layersPlanned,
    boolean extended,
    Set<Integer> declined,
    boolean fanOn,
    boolean onNextRung,
    Optional<Instant> lastLookAt,
    Optional<Instant> endingStartedAt,
    Optional<Integer> endedByRow,
    List<String> endingSteps,
    List<String> products,
    Optional<Instant> addOnAt,
    Optional<Instant> addOnOffAt,
    Optional<Instant> restAt,
    Instant lastEventAt) {

  /// @param layer how many layers had been started; 0 before the acid
  public record Told(Instant at, int value, Phase phase, int layer) {}

  public record Layer(
      int number, Instant startedAt, Optional<Instant> coveredAt, List<Zone> zones) {}

  /// What is known of one zone.
  ///
  /// @param redness 0 to 3
  /// @param rise by how much the redness rose at its last look
  /// @param wipeOwed whitening was entered and the wipe test not yet done
  /// @param hotSpot its own number, where it has one
  /// @param reached the newest layer over it has come this far
  public record ZoneState(
      int redness,
      int rise,
      Whitening whitening,
      boolean wipeOwed,
      Optional<Integer> hotSpot,
      boolean reached,
      boolean ended) {
    static final ZoneState UNTOUCHED =
        new ZoneState(0, 0, Whitening.NONE, false, Optional.empty(), false, false);

    ZoneState withRedness(int grade) {
      return new ZoneState(grade, grade - redness, whitening, wipeOwed, hotSpot, reached, ended);
    }

    ZoneState withWhitening(Whitening grade, boolean owed) {
      return new ZoneState(redness, rise, grade, owed, hotSpot, reached, ended);
    }

    ZoneState withHotSpot(int value) {
      Optional<Integer> spot = value == 0 ? Optional.empty() : Optional.of(value);
      return new ZoneState(redness, rise, whitening, wipeOwed, spot, reached, ended);
    }

    ZoneState withReached(boolean by) {
      return new ZoneState(redness, rise, whitening, wipeOwed, hotSpot, by, ended);
    }

    ZoneState withEnded() {
      return new ZoneState(redness, rise, whitening, wipeOwed, hotSpot, reached, true);
    }

    /// Something was seen here that acid can do.
    boolean reacts() {
      return whitening != Whitening.NONE || redness > 0 || hotSpot.isPresent();
    }
  }

  public TreatmentState {
    stepsDone = Map.copyOf(stepsDone);
    answers = List.copyOf(answers);
    layers = List.copyOf(layers);
    zones = Map.copyOf(zones);
    signs = Set.copyOf(signs);
    seenSigns = Set.copyOf(seenSigns);
    declined = Set.copyOf(declined);
    endingSteps = List.copyOf(endingSteps);
    products = List.copyOf(products);
  }

  static TreatmentState opened(TreatmentPlan plan, Instant at) {
    Map<Zone, ZoneState> zones = new EnumMap<>(Zone.class);
    plan.zones().forEach(zone -> zones.put(zone, ZoneState.UNTOUCHED));
    return new TreatmentState(
        Phase.READY,
        Map.of(),
        List.of(),
        List.of(),
        zones,
        Set.of(),
        Set.of(),
        Response.AWAKE,
        Optional.empty(),
        plan.contactLimit(),
        plan.layersPlanned(),
        false,
        Set.of(),
        false,
        false,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        List.of(),
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        at);
  }

  /// The state after all events, the first of which opened the treatment.
  ///
  /// @throws IllegalArgumentException when there is no event
  public static TreatmentState replay(TreatmentPlan plan, List<TreatmentEvent> events) {
    if (events.isEmpty()) throw new IllegalArgumentException("a treatment has at least one event");
    TreatmentFold fold = new TreatmentFold(plan, opened(plan, events.getFirst().at()));
    events.forEach(fold::apply);
    return fold.state();
  }

  /// The state after one more event.
  public TreatmentState after(TreatmentPlan plan, TreatmentEvent event) {
    TreatmentFold fold = new TreatmentFold(plan, this);
    fold.apply(event);
    return fold.state();
  }

  /// When the acid first touched.
  public Optional<Instant> firstTouch() {
    return layers.stream().findFirst().map(Layer::startedAt);
  }

  public Optional<Layer> lastLayer() {
    return layers.isEmpty() ? Optional.empty() : Optional.of(layers.getLast());
  }

  public boolean layerRunning() {
    return lastLayer().filter(layer -> layer.coveredAt().isEmpty()).isPresent();
  }

  /// Numbers told while acid was on, in order.
  public List<Told> underAcid() {
    return answers.stream().filter(answer -> answer.phase() == Phase.ACID).toList();
  }

  public Optional<Told> lastUnderAcid() {
    List<Told> told = underAcid();
    return told.isEmpty() ? Optional.empty() : Optional.of(told.getLast());
  }

  public Optional<Told> lastAnswer() {
    return answers.isEmpty() ? Optional.empty() : Optional.of(answers.getLast());
  }

  /// When the contact limit is reached; empty before the acid or without a limit.
  public Optional<Instant> limitAt() {
    return firstTouch().flatMap(start -> contactLimit.map(start::plus));
  }

  /// Zones that have had acid, ended ones too. While the first layer is being spread: those reached
  /// or reacting, and what comes before them in the order.
  public List<Zone> treated(TreatmentPlan plan) {
    if (layers.isEmpty()) return List.of();
    if (layers.size() > 1 || !layerRunning()) {
      return plan.zones().stream()
          .filter(zone -> layers.stream().anyMatch(layer -> layer.zones().contains(zone)))
          .toList();
    }
    List<Zone> order = layers.getFirst().zones();
    int furthest = 0;
    for (int i = 0; i < order.size(); i++) {
      ZoneState zone = zones.get(order.get(i));
      if (zone.reached() || zone.reacts()) furthest = i;
    }
    return order.subList(0, furthest + 1);
  }

  /// Treated zones that still carry acid.
  public List<Zone> active(TreatmentPlan plan) {
    return treated(plan).stream().filter(zone -> !zones.get(zone).ended()).toList();
  }

  /// The add-on is on the skin.
  public boolean addOnOn() {
    return addOnAt.isPresent() && addOnOffAt.isEmpty();
  }

  public boolean wipeOwed() {
    return zones.values().stream().anyMatch(zone -> zone.wipeOwed() && !zone.ended());
  }

  /// From the first touch to END, or to `now` while it runs.
  public Duration contact(Instant now) {
    return firstTouch()
        .map(start -> Duration.between(start, endingStartedAt.orElse(now)))
        .orElse(Duration.ZERO);
  }

  /// From END to rest.
  public Optional<Duration> timeToRest() {
    return endingStartedAt.flatMap(end -> restAt.map(rest -> Duration.between(end, rest)));
  }

  public int worstSensation() {
    return underAcid().stream().mapToInt(Told::value).max().orElse(0);
  }
}
