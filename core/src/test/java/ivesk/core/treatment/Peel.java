package ivesk.core.treatment;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Handling;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;

/// A peel told second by second, for the tests. Time starts at the first touch.
final class Peel {
  static final Instant ZERO = Instant.parse("2026-11-25T14:00:00Z");
  static final List<Zone> FACE = Zone.FACE_IN_ORDER;

  final TreatmentPlan plan;
  private final List<TreatmentEvent> events = new ArrayList<>();
  private int ids;
  private List<Stage> stages = List.of();

  private Peel(TreatmentPlan plan) {
    this.plan = plan;
    say(-120, new Opened(plan));
  }

  /// A practice's own product of which the last layer stays longer than the gap between layers.
  static Formula lastStays(String code, int seconds) {
    Formula f = Library.get(code);
    return new Formula(
        f.code(),
        f.name(),
        f.family(),
        f.rung(),
        f.entry(),
        f.components(),
        f.ph(),
        f.vehicle(),
        f.use(),
        f.firstContact(),
        f.mostContact(),
        f.layersFirst(),
        f.layersMost(),
        f.dwell(),
        f.libraryDepth(),
        f.band(),
        f.ending(),
        f.intervalDays(),
        f.seriesLeast(),
        f.seriesMost(),
        f.peelingFirst(),
        f.peelingLast(),
        new Formula.Label(
            0,
            f.label().regions(),
            Optional.empty(),
            "",
            false,
            false,
            "",
            Optional.empty(),
            Optional.empty(),
            Optional.of(Duration.ofSeconds(seconds)),
            "",
            Optional.empty()));
  }

  static Plan of(String code) {
    return new Plan(Library.get(code));
  }

  /// The client is in the room, nothing else is done.
  static Peel opened(Plan plan) {
    return new Peel(plan.plan());
  }

  /// A plan in the making: type III, normal skin, a returning client, everything as the library.
  static final class Plan {
    private final Formula formula;
    private int layers = 1;
    private int most = 1;
    private Optional<Duration> contact;
    private Phototype type = Phototype.III;
    private Sensitivity sensitivity = Sensitivity.NORMAL;
    private boolean first;
    private boolean firstFrost;
    private Optional<Formula> nextRung = Optional.empty();
    private Optional<AddOn> addOn = Optional.empty();
    private TakeOff takeOff = TakeOff.BY_FORMULA;
    private Preparation preparation = Preparation.USUAL;
    private Handling handling = Handling.USUAL;
    private List<Zone> zones = FACE;
    private Map<Zone, Duration> earlier = Map.of();
    private Staging staging = Staging.ALONE;

    Plan(Formula formula) {
      this.formula = formula;
      contact = formula.mostContact();
    }

    Plan layers(int planned, int atMost) {
      layers = planned;
      most = atMost;
      return this;
    }

    Plan contact(int seconds) {
      contact = Optional.of(Duration.ofSeconds(seconds));
      return this;
    }

    Plan type(Phototype value) {
      type = value;
      return this;
    }

    Plan sensitivity(Sensitivity value) {
      sensitivity = value;
      return this;
    }

    Plan firstVisit() {
      first = true;
      return this;
    }

    Plan firstFrostEnds() {
      firstFrost = true;
      return this;
    }

    Plan stepping(String next) {
      nextRung = Optional.of(Library.get(next));
      return this;
    }

    /// The practice takes more of it within its clock.
    Plan more() {
      most = layers + 1;
      handling = new Handling(handling.jessnerGap(), false, true, false, false, false);
      return this;
    }

    Plan readied(Preparation value) {
      preparation = value;
      return this;
    }

    Plan retinol(boolean shortContact) {
      addOn = Optional.of(new AddOn(Library.get("RET-1"), shortContact));
      return this;
    }

    Plan takenOff(TakeOff how) {
      takeOff = how;
      return this;
    }

    Plan zones(List<Zone> value) {
      zones = value;
      return this;
    }

    /// Comes off this zone before the others.
    Plan sooner(Zone zone, int seconds) {
      earlier = Map.of(zone, Duration.ofSeconds(seconds));
      return this;
    }

    Plan staged(Staging value) {
      staging = value;
      return this;
    }

    TreatmentPlan plan() {
      int off = sensitivity.atLeast(Sensitivity.SENSITIVE) ? 2 : 0;
      return new TreatmentPlan(
          formula,
          zones,
          earlier,
          layers,
          most,
          contact,
          5 - off,
          8 - off,
          type,
          sensitivity,
          first,
          firstFrost,
          nextRung,
          1,
          preparation,
          handling,
          Optional.empty(),
          takeOff,
          DepthClass.VERY_SUPERFICIAL,
          Area.cm2(560),
          Volume.ml(2.8),
          Optional.empty(),
          Optional.empty(),
          addOn,
          staging);
    }

    /// Ready done, timer armed, no acid yet.
    Peel armed() {
      return armed(GateA.KEEP);
    }

    private Peel armed(GateA choice) {
      Peel peel = new Peel(plan());
      for (ReadyStep step : ReadyStep.of(peel.plan)) {
        switch (step) {
          case BASELINE -> peel.say(-60, new RednessSeen(all(0)));
          case GATE_A -> {
            peel.say(-50, new SensationAnswered(1));
            peel.say(-49, new GateADecided(choice, ""));
          }
          default -> peel.say(-100, new StepDone(step, ""));
        }
      }
      return peel.say(-10, new TimerArmed());
    }

    /// The same, with less time since the skin was awake.
    Peel shortenedOnSkin() {
      return armed(GateA.SHORTEN).layer(0).covered(25);
    }

    /// The first layer is on and covered at 25 s.
    Peel onSkin() {
      return armed().layer(0).covered(25);
    }
  }

  static Map<Zone, Integer> all(int grade) {
    return FACE.stream().collect(Collectors.toMap(zone -> zone, zone -> grade));
  }

  static Instant at(double seconds) {
    return ZERO.plusMillis(Math.round(seconds * 1000));
  }

  Peel say(double seconds, Fact fact) {
    events.add(new TreatmentEvent(new UUID(7, ids++), at(seconds), "ines", fact));
    stages = List.of();
    return this;
  }

  Peel layer(double seconds) {
    return say(seconds, new LayerStarted(FACE, false));
  }

  Peel covered(double seconds) {
    return say(seconds, new LayerCovered());
  }

  Peel feels(double seconds, int value) {
    return say(seconds, new SensationAnswered(value));
  }

  Peel white(double seconds, Whitening grade, Zone... zones) {
    return say(seconds, new WhiteningSeen(Arrays.asList(zones), grade));
  }

  Peel red(double seconds, int grade, Zone... zones) {
    return say(
        seconds,
        new RednessSeen(
            Arrays.stream(zones).collect(Collectors.toMap(zone -> zone, zone -> grade))));
  }

  List<TreatmentEvent> events() {
    return List.copyOf(events);
  }

  TreatmentState state() {
    return stages().getLast().state();
  }

  List<Stage> stages() {
    if (stages.isEmpty()) stages = Replay.stages(events);
    return stages;
  }

  /// The plan of the stage that it has come to.
  TreatmentPlan now() {
    return stages().getLast().plan();
  }

  Advice advice(double seconds) {
    return Advisor.advise(now(), state(), at(seconds));
  }

  /// The row of the advice, 1 to 17; 0 before the acid and after END.
  int rowAt(double seconds) {
    return advice(seconds).row().map(Row::number).orElse(0);
  }

  Optional<String> refuses(double seconds, Fact fact) {
    return Refusal.of(now(), state(), fact, at(seconds));
  }
}
