package ivesk.server.demo;

import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.NextTimePlanned;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.state.Phase;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.Treatments;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;

/// Runs one peel through the real engine: every step of Ready, then whatever the advice says.
final class DemoPeel {
  private static final Duration STEP = Duration.ofSeconds(40);

  private final Treatments engine;
  private final DemoClock clock;
  private final String who;
  private Live live;

  DemoPeel(Treatments engine, DemoClock clock, String who) {
    this.engine = engine.on(clock);
    this.clock = clock;
    this.who = who;
  }

  /// From the open treatment to the signed record.
  void whole(UUID visit, TreatmentPlan plan, Instant start, List<Integer> answers, String next) {
    ready(visit, plan, start);
    acid(answers, Instant.MAX);
    settle();
    sign(next);
  }

  /// Stops on the couch at a moment, with acid on.
  void running(
      UUID visit, TreatmentPlan plan, Instant firstTouch, List<Integer> answers, Instant now) {
    Duration before = STEP.multipliedBy(ReadyStep.values().length + 3);
    ready(visit, plan, firstTouch.minus(before));
    clock.set(firstTouch);
    acid(answers, now);
  }

  private void ready(UUID visit, TreatmentPlan plan, Instant start) {
    clock.set(start);
    live = engine.open(visit, plan, who);
    for (ReadyStep step : ReadyStep.of(plan)) {
      clock.pass(STEP);
      switch (step) {
        case BASELINE -> say(new RednessSeen(redness(0)));
        case GATE_A -> {
          say(new SensationAnswered(1));
          say(new GateADecided(GateA.KEEP, ""));
        }
        case CHANGED,
            CONSENT,
            GUARDIAN,
            CLINICIAN,
            PHOTOS,
            BRIEFING,
            LOOK_1,
            HAIR_LENSES_GLOVES,
            CLEANSE,
            LOOK_2,
            PREP,
            BARRIER,
            EYES,
            IN_REACH,
            FAN_TISSUE ->
            say(new StepDone(step, ""));
      }
    }
    say(new TimerArmed());
    clock.pass(Duration.ofSeconds(20));
  }

  private void acid(List<Integer> answers, Instant until) {
    Iterator<Integer> told = answers.iterator();
    int last = 1;
    startLayer();
    boolean looked = false;
    while (live.state().phase() == Phase.ACID) {
      Instant next = nextInstant();
      if (next.isAfter(until)) return;
      clock.set(next);
      Advice advice = Advisor.advise(live.plan(), live.state(), next);
      switch (advice.action()) {
        case END -> say(new EndingStarted(advice.row()));
        case START_LAYER -> startLayer();
        case NONE,
            ASK,
            ARM,
            COVERED,
            WIPE,
            END_ZONE,
            FAN,
            MORE_LAYERS,
            TOUCH_UP,
            ENDING_STEP,
            LEAVING_CHECK,
            ADD_ON,
            WIPE_ADD_ON -> {
          last = told.hasNext() ? told.next() : Math.max(1, last - 1);
          say(new SensationAnswered(last));
          if (!looked && live.state().underAcid().size() == 2) {
            looked = true;
            look();
          }
        }
      }
    }
  }

  private void look() {
    clock.pass(Duration.ofSeconds(3));
    say(new RednessSeen(redness(1)));
    if (live.plan().formula().mayCrystallise()) {
      clock.pass(Duration.ofSeconds(4));
      say(new WhiteningSeen(List.of(Zone.FOREHEAD, Zone.NOSE), Whitening.CRYSTALS));
      clock.pass(Duration.ofSeconds(6));
      say(new WipeTested(List.of(Zone.FOREHEAD, Zone.NOSE), true));
    }
  }

  private void startLayer() {
    say(
        new LayerStarted(
            Advisor.advise(live.plan(), live.state(), clock.instant()).zones(), false));
    clock.pass(Duration.ofSeconds(25));
    say(new LayerCovered());
  }

  private Instant nextInstant() {
    return Cues.of(live.plan(), live.state()).stream()
        .map(cue -> cue.at())
        .filter(at -> at.isAfter(clock.instant()))
        .findFirst()
        .orElse(clock.instant().plusSeconds(30));
  }

  private void settle() {
    while (live.state().phase() == Phase.ENDING) {
      clock.pass(Duration.ofSeconds(30));
      say(
          new EndingStepDone(
              live.state().endingSteps(live.plan()).stream()
                  .filter(step -> !live.state().ending().steps().contains(step))
                  .findFirst()
                  .orElseThrow()));
    }
    int feels = Math.min(3, live.state().worstSensation().orElse(0));
    while (live.state().phase() == Phase.SETTLING) {
      clock.pass(Duration.ofSeconds(60));
      feels = Math.max(live.plan().restAtMost(), feels - 1);
      say(new SensationAnswered(feels));
    }
    for (CareStep step : live.state().careOffered(live.plan())) {
      if (step.gateC() || step.time().isPresent()) continue;
      clock.pass(Duration.ofSeconds(45));
      say(new CareDone(step.id()));
    }
    clock.pass(STEP);
    say(new LeavingChecked(true, List.of()));
  }

  private void sign(String next) {
    clock.pass(STEP);
    say(
        new NextTimePlanned(
            new PastPeel.NextTime(
                live.plan().formula().code(),
                live.state().ready().contactLimit().map(this::aMinuteMore),
                live.state().layers().size())));
    say(
        new Signed(
            ivesk.core.treatment.record.Outcome.summary(live.stages(), clock.instant()), next));
  }

  private Duration aMinuteMore(Duration limit) {
    Duration most = live.plan().formula().mostContact().orElse(limit);
    Duration longer = limit.plusMinutes(1);
    return longer.compareTo(most) > 0 ? most : longer;
  }

  private Map<Zone, Integer> redness(int grade) {
    return live.plan().zones().stream().collect(Collectors.toMap(zone -> zone, zone -> grade));
  }

  private void say(Fact fact) {
    live = engine.append(live.id(), UUID.randomUUID(), clock.instant(), fact, who);
  }
}
