package ivesk.server.treatment;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.Handling;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.product.MaskMix;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.*;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.record.Replay;
import ivesk.server.app.GoldenFiles;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// Peels of other kinds than the demo's, told once and then kept as records: by frost, at the hold
/// line, as an emergency, stopped at the gate, with a retinoid after it.
final class GoldenScripts {
  private static final List<Zone> FACE = Zone.FACE_IN_ORDER;
  private static final Instant ZERO = Instant.parse("2026-11-25T14:00:00Z");

  private final TreatmentPlan plan;
  private final List<TreatmentEvent> events = new ArrayList<>();

  private GoldenScripts(String formula, int layers, boolean retinol) {
    this(plan(formula, layers, retinol, Staging.ALONE));
  }

  private GoldenScripts(TreatmentPlan plan) {
    this.plan = plan;
    say(-900, new Opened(plan));
  }

  private static TreatmentPlan plan(String formula, int layers, boolean retinol, Staging staging) {
    return new TreatmentPlan(
        Library.get(formula),
        FACE,
        Map.of(),
        layers,
        layers,
        Library.get(formula).mostContact(),
        5,
        8,
        Phototype.III,
        Sensitivity.NORMAL,
        false,
        false,
        Optional.empty(),
        1,
        Preparation.USUAL,
        Handling.USUAL,
        Optional.empty(),
        TakeOff.BY_FORMULA,
        DepthClass.SUPERFICIAL,
        Area.cm2(560),
        Volume.ml(2.8),
        Optional.of("M-114"),
        Optional.empty(),
        retinol ? Optional.of(new AddOn(Library.get("RET-1"), true)) : Optional.empty(),
        staging);
  }

  private static Staging place(int number, Optional<TreatmentPlan> next) {
    return new Staging(
        number,
        2,
        Optional.of(new Staging.Base(new Amount(33), UnitDose.Unit.ML, new Amount(1.19))),
        Optional.of(61.0),
        next.isPresent() ? List.of(mask()) : List.of(),
        next);
  }

  private static CareStep mask() {
    return new CareStep(
        "mask",
        StepKind.MASK,
        Optional.empty(),
        Optional.of(Role.MASK),
        Optional.of("Setting mask"),
        Optional.of(new CareStep.Units(UnitDose.BY_G, 100)),
        FACE,
        Timing.seconds(600),
        Optional.of(
            new MaskMix(
                Mass.g(200), Mass.g(160), 20, Duration.ofMinutes(5), Duration.ofMinutes(10))),
        true,
        false,
        "it warms as it sets",
        "",
        List.of(new CareStep.Mind("PRO-PAIR", Optional.of("Swap: bland moisturiser"))));
  }

  static void addMissing() {
    GoldenScripts frost = new GoldenScripts("TCA-10", 2, false).ready().layer(0).feels(30, 4);
    frost.say(90, new WhiteningSeen(FACE, Whitening.F2));
    frost.end(95, Optional.of(Row.WHITENING)).rest(160).keep("tca-frost");

    GoldenScripts held = new GoldenScripts("JES-RF", 3, false).ready().layer(0).feels(60, 7);
    held.feels(90, 7).end(92, Optional.of(Row.HOLD_LINE)).rest(200).keep("jessner-held");

    GoldenScripts alarm = new GoldenScripts("GLY-20", 1, false).ready().layer(0).feels(40, 3);
    alarm.say(55, new SignSeen(Sign.BREATHLESS));
    alarm.end(57, Optional.of(Row.EMERGENCY));
    alarm.say(300, new SignResolved(Sign.BREATHLESS, "breathes freely, handed over"));
    alarm.rest(400).keep("emergency");

    GoldenScripts gate = new GoldenScripts("MAN-20", 1, false).steps();
    gate.feels(-100, 6).say(-90, new GateADecided(GateA.STOP, "six before any acid"));
    gate.keep("stopped-at-the-gate");

    GoldenScripts retinol = new GoldenScripts("MAN-20", 1, true).ready().layer(0).feels(60, 2);
    retinol.say(70, new HotSpotFelt(Zone.CHIN, 5)).say(80, new RednessSeen(red(1)));
    retinol.end(300, Optional.of(Row.LIMIT)).asks(420, 1).say(430, new AddOnPutOn());
    retinol.say(830, new AddOnWipedOff()).signs(900).keep("retinol");

    twoStages().keep("two-stages");
  }

  private static GoldenScripts twoStages() {
    TreatmentPlan second = plan("MAN-20", 1, false, place(2, Optional.empty()));
    GoldenScripts told = new GoldenScripts(plan("LAC-30", 1, false, place(1, Optional.of(second))));
    told.ready().layer(0).say(30, new LayerMeasured(2.6)).feels(60, 2);
    told.end(300, Optional.of(Row.LIMIT)).say(340, new RednessSeen(red(1))).asks(400, 1);
    told.say(410, new BarrierWipedOff()).say(420, new CareStarted("mask"));
    told.say(1020, new CareDone("mask")).say(1080, new StageOpened());
    told.layer(1100).feels(1160, 3).end(1300, Optional.of(Row.FELT));
    return told.rest(1400);
  }

  private static Map<Zone, Integer> red(int grade) {
    return FACE.stream().collect(Collectors.toMap(zone -> zone, zone -> grade));
  }

  private GoldenScripts say(double seconds, Fact fact) {
    Instant at = ZERO.plusMillis(Math.round(seconds * 1000));
    events.add(new TreatmentEvent(new UUID(9, events.size()), at, "ines", fact));
    return this;
  }

  private GoldenScripts feels(double seconds, int value) {
    return say(seconds, new SensationAnswered(value));
  }

  private GoldenScripts asks(double seconds, int value) {
    return feels(seconds, value);
  }

  private GoldenScripts steps() {
    for (ReadyStep step : ReadyStep.of(plan)) {
      if (!step.answered()) say(-800, new StepDone(step, ""));
    }
    return say(-200, new RednessSeen(red(0)));
  }

  private GoldenScripts ready() {
    return steps()
        .feels(-100, 1)
        .say(-90, new GateADecided(GateA.KEEP, ""))
        .say(-10, new TimerArmed());
  }

  private GoldenScripts layer(double seconds) {
    return say(seconds, new LayerStarted(FACE, false)).say(seconds + 25, new LayerCovered());
  }

  private GoldenScripts end(double seconds, Optional<Row> row) {
    say(seconds, new EndingStarted(row));
    Replay.state(events)
        .endingSteps(Replay.plan(events))
        .forEach(step -> say(seconds + 5, new EndingStepDone(step)));
    return this;
  }

  private GoldenScripts rest(double seconds) {
    return asks(seconds, 3).asks(seconds + 60, 1).signs(seconds + 120);
  }

  private GoldenScripts signs(double seconds) {
    return say(seconds, new CareDone("BLAND_CREAM"))
        .say(seconds + 10, new LeavingChecked(true, List.of(Zone.CHIN)))
        .say(seconds + 20, new Signed("As it went.", "The clinician looks first."));
  }

  private void keep(String name) {
    String file = "records/" + name + ".v1";
    JsonMapper json = JsonMapper.shared();
    StoredFacts facts = new StoredFacts(GoldenFiles.storage());
    ObjectNode record = json.createObjectNode();
    ArrayNode kept = record.putArray("events");
    for (TreatmentEvent event : events) {
      ObjectNode one = kept.addObject();
      one.put("id", event.id().toString()).put("at", event.at().toString());
      one.put("who", event.who()).set("fact", GoldenFiles.tree(facts.write(event.fact())));
    }
    record.set("expected", json.valueToTree(new GoldenRecord(plan, events, record).outcome()));
    GoldenFiles.addMissing(file, json.writeValueAsBytes(record));
  }
}
