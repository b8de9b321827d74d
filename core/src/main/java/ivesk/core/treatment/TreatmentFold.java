package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.TreatmentEvent.AdviceTaken;
import ivesk.core.treatment.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.TreatmentEvent.FanTurned;
import ivesk.core.treatment.TreatmentEvent.GateA;
import ivesk.core.treatment.TreatmentEvent.GateADecided;
import ivesk.core.treatment.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.TreatmentEvent.NoteWritten;
import ivesk.core.treatment.TreatmentEvent.Opened;
import ivesk.core.treatment.TreatmentEvent.ProductApplied;
import ivesk.core.treatment.TreatmentEvent.QualityTold;
import ivesk.core.treatment.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentEvent.SignResolved;
import ivesk.core.treatment.TreatmentEvent.SignSeen;
import ivesk.core.treatment.TreatmentEvent.Signed;
import ivesk.core.treatment.TreatmentEvent.StepDone;
import ivesk.core.treatment.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.TreatmentEvent.WipeTested;
import ivesk.core.treatment.TreatmentEvent.WorkedIn;
import ivesk.core.treatment.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.TreatmentState.Layer;
import ivesk.core.treatment.TreatmentState.Told;
import ivesk.core.treatment.TreatmentState.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/// Folds events into a state, one after the other.
final class TreatmentFold {
  private final TreatmentPlan plan;
  private Phase phase;
  private final Map<ReadyStep, Instant> stepsDone = new EnumMap<>(ReadyStep.class);
  private final List<Told> answers;
  private final List<Layer> layers;
  private final Map<Zone, ZoneState> zones = new EnumMap<>(Zone.class);
  private final Set<Sign> signs = EnumSet.noneOf(Sign.class);
  private final Set<Sign> seenSigns = EnumSet.noneOf(Sign.class);
  private Response response;
  private Optional<GateA> gateA;
  private Optional<Duration> contactLimit;
  private int layersPlanned;
  private boolean extended;
  private final Set<Integer> declined;
  private boolean fanOn;
  private boolean onNextRung;
  private Optional<Instant> lastLookAt;
  private Optional<Instant> endingStartedAt;
  private Optional<Integer> endedByRow;
  private final List<String> endingSteps;
  private final List<String> products;
  private Optional<Instant> addOnAt;
  private Optional<Instant> addOnOffAt;
  private Optional<Instant> restAt;
  private Instant lastEventAt;

  TreatmentFold(TreatmentPlan plan, TreatmentState from) {
    this.plan = plan;
    phase = from.phase();
    stepsDone.putAll(from.stepsDone());
    answers = new ArrayList<>(from.answers());
    layers = new ArrayList<>(from.layers());
    zones.putAll(from.zones());
    signs.addAll(from.signs());
    seenSigns.addAll(from.seenSigns());
    response = from.response();
    gateA = from.gateA();
    contactLimit = from.contactLimit();
    layersPlanned = from.layersPlanned();
    extended = from.extended();
    declined = new HashSet<>(from.declined());
    fanOn = from.fanOn();
    onNextRung = from.onNextRung();
    lastLookAt = from.lastLookAt();
    endingStartedAt = from.endingStartedAt();
    endedByRow = from.endedByRow();
    endingSteps = new ArrayList<>(from.endingSteps());
    products = new ArrayList<>(from.products());
    addOnAt = from.addOnAt();
    addOnOffAt = from.addOnOffAt();
    restAt = from.restAt();
    lastEventAt = from.lastEventAt();
  }

  TreatmentState state() {
    return new TreatmentState(
        phase,
        stepsDone,
        answers,
        layers,
        zones,
        signs,
        seenSigns,
        response,
        gateA,
        contactLimit,
        layersPlanned,
        extended,
        declined,
        fanOn,
        onNextRung,
        lastLookAt,
        endingStartedAt,
        endedByRow,
        endingSteps,
        products,
        addOnAt,
        addOnOffAt,
        restAt,
        lastEventAt);
  }

  void apply(TreatmentEvent event) {
    Instant at = event.at();
    lastEventAt = at;
    switch (event.fact()) {
      case Opened opened -> {}
      case StepDone(var step, var note) -> stepsDone.put(step, at);
      case SensationAnswered(var value) -> answered(at, value);
      case RednessSeen(var grades) -> {
        grades.forEach((zone, grade) -> change(zone, z -> z.withRedness(grade)));
        if (phase == Phase.READY) stepsDone.put(ReadyStep.BASELINE, at);
        looked(at);
      }
      case WhiteningSeen(var seen, var grade) -> {
        boolean owed =
            phase == Phase.ACID && grade != Whitening.NONE && plan.formula().mayCrystallise();
        seen.forEach(zone -> change(zone, z -> z.withWhitening(grade, owed)));
        looked(at);
      }
      case WipeTested(var cameOff) -> wiped(cameOff);
      case HotSpotFelt(var zone, var value) -> {
        change(zone, z -> z.withHotSpot(value));
        declined.clear();
        reopenGate();
      }
      case SignSeen(var sign) -> {
        signs.add(sign);
        seenSigns.add(sign);
      }
      case SignResolved(var sign, var note) -> signs.remove(sign);
      case ResponseNoted(var how) -> response = how;
      case GateADecided(var choice, var note) -> decided(at, choice);
      case TimerArmed() -> phase = Phase.ARMED;
      case LayerStarted(var on, var nextRung) -> {
        phase = Phase.ACID;
        layers.add(new Layer(layers.size() + 1, at, Optional.empty(), on));
        on.forEach(zone -> change(zone, z -> z.withReached(false)));
        onNextRung |= nextRung;
        declined.clear();
      }
      case ZoneReached(var zone) -> change(zone, z -> z.withReached(true));
      case LayerCovered() -> covered(at);
      case AdviceDeclined(var row, var reason) -> declined.add(row);
      case LayersExtended() -> extended = true;
      case ZoneEnded(var zone) -> change(zone, ZoneState::withEnded);
      case FanTurned(var on) -> fanOn = on;
      case EndingStarted(var row) -> {
        phase = Phase.ENDING;
        endingStartedAt = Optional.of(at);
        endedByRow = row;
        signs.remove(Sign.ASKS_TO_STOP);
      }
      case EndingStepDone(var step) -> {
        endingSteps.add(step);
        if (phase == Phase.ENDING && endingSteps.containsAll(EndingSteps.of(plan, state()))) {
          phase = Phase.SETTLING;
        }
      }
      case ProductApplied(var product) -> products.add(product);
      case AddOnPutOn() -> addOnAt = Optional.of(at);
      case AddOnWipedOff() -> addOnOffAt = Optional.of(at);
      case LeavingChecked(var noBurning, var pink) -> {
        if (noBurning) phase = Phase.CHECKED;
      }
      case Signed signed -> phase = Phase.SIGNED;
      case QualityTold q -> {}
      case WorkedIn w -> {}
      case AdviceTaken a -> {}
      case NoteWritten n -> {}
    }
  }

  private void answered(Instant at, int value) {
    answers.add(new Told(at, value, phase, layers.size()));
    declined.clear();
    if (phase == Phase.ACID) lastLookAt = Optional.of(at);
    reopenGate();
    boolean resting = value <= plan.restAtMost();
    if ((phase == Phase.SETTLING || phase == Phase.AT_REST) && resting) {
      phase = Phase.AT_REST;
      if (restAt.isEmpty()) restAt = Optional.of(at);
    } else if (phase == Phase.AT_REST || phase == Phase.CHECKED && !resting) {
      phase = Phase.SETTLING;
      restAt = Optional.empty();
    }
  }

  /// Another answer before the acid wants another decision.
  private void reopenGate() {
    if (phase != Phase.READY) return;
    gateA = Optional.empty();
    stepsDone.remove(ReadyStep.GATE_A);
  }

  /// A look stands in for an answer only when the client cannot give one.
  private void looked(Instant at) {
    declined.clear();
    if (phase == Phase.ACID && response != Response.AWAKE) lastLookAt = Optional.of(at);
  }

  private void wiped(boolean cameOff) {
    declined.clear();
    zones.replaceAll((zone, z) -> {
      if (!z.wipeOwed()) return z;
      Whitening grade =
          cameOff
              ? Whitening.CRYSTALS
              : z.whitening() == Whitening.CRYSTALS ? Whitening.F1 : z.whitening();
      return z.withWhitening(grade, false);
    });
  }

  private void decided(Instant at, GateA choice) {
    gateA = Optional.of(choice);
    stepsDone.put(ReadyStep.GATE_A, at);
    contactLimit = plan.contactLimit();
    layersPlanned = plan.layersPlanned();
    switch (choice) {
      case KEEP -> {}
      case SHORTEN -> {
        contactLimit = contactLimit.map(Gate::shortened);
        layersPlanned = Gate.fewer(plan);
      }
      case STOP -> phase = Phase.STOPPED;
    }
  }

  private void covered(Instant at) {
    if (layers.isEmpty() || layers.getLast().coveredAt().isPresent()) return;
    Layer layer = layers.removeLast();
    layers.add(new Layer(layer.number(), layer.startedAt(), Optional.of(at), layer.zones()));
    layer.zones().forEach(zone -> change(zone, z -> z.withReached(true)));
  }

  private void change(Zone zone, UnaryOperator<ZoneState> how) {
    zones.computeIfPresent(zone, (z, state) -> how.apply(state));
  }
}
