package ivesk.core.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Seeds;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Cue;
import ivesk.core.treatment.advice.Cues;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceTaken;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Extracted;
import ivesk.core.treatment.fact.TreatmentEvent.ExtractedPoint;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HandedOver;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.IncidentReported;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.NoteWritten;
import ivesk.core.treatment.fact.TreatmentEvent.Quality;
import ivesk.core.treatment.fact.TreatmentEvent.QualityTold;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.WorkedIn;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.moment.SensationLines;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Endpoints;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/// Random peels thrown at the advisor. Each seed draws a formula, a client and up to forty events,
/// likely and unlikely ones; an event that may not follow is left out, as the server does.
class RandomPeelsTest {
  private static final List<Formula> FORMULAS =
      Library.FORMULAS.stream().filter(Formula::peels).toList();
  private static final Sign[] SIGNS = Sign.values();
  private static final Whitening[] WHITE = Whitening.values();

  /// What is looked at after every event.
  interface Watch {
    void look(Peel peel, TreatmentState state, Instant now);
  }

  @Test
  void someRowAlwaysAnswersAndNoLayerIsAdvisedWhereNoneMayGo() {
    AtomicInteger further = new AtomicInteger();
    Seeds.tried(
        900,
        seed -> {
          Peel peel = run(seed, RandomPeelsTest::safe);
          if (peel.stages().size() > 1 && !peel.state().layers().isEmpty()) {
            further.incrementAndGet();
          }
        });
    assertThat(further.get()).as("peels with acid in a later stage").isGreaterThan(20);
  }

  /// A screen without a server keeps the advice that it has over these.
  @Test
  void noAdviceChangesByASilentFact() {
    List<Fact> silent =
        List.of(
            new NoteWritten("calm"),
            new FanTurned(true),
            new FanTurned(false),
            new AdviceTaken(Row.DONE),
            new QualityTold(Quality.TINGLE),
            new WorkedIn(Zone.CHIN),
            new HandedOver("ines"),
            new IncidentReported(List.of(Zone.CHIN), "a blister", "cooled", "the doctor"),
            new EdgeSeen(Zone.CHIN, false),
            new AlarmStepDone(AlarmStep.CALL),
            new AlarmStepSkipped(AlarmStep.CALL, "was not needed"));
    assertThat(silent.stream().map(Object::getClass).distinct().toList())
        .as("every silent fact is tried")
        .hasSameSizeAs(List.of(TreatmentEvent.Silent.class.getPermittedSubclasses()));
    AtomicInteger compared = new AtomicInteger();
    Seeds.tried(
        20,
        seed ->
            run(
                seed,
                (peel, state, now) -> {
                  if (state.phase() != Phase.ACID) return;
                  for (Fact fact : silent) {
                    if (Refusal.of(peel.now(), state, fact, now).isPresent()) continue;
                    TreatmentEvent event = new TreatmentEvent(new UUID(7, 7), now, "ines", fact);
                    Advice after = Advisor.advise(peel.now(), state.after(peel.now(), event), now);
                    // Its reason may be told in other words: frost that nobody tested is a sign
                    // from the next entry on.
                    assertThat(after)
                        .as("after %s", fact)
                        .usingRecursiveComparison()
                        .ignoringFields("reason")
                        .isEqualTo(Advisor.advise(peel.now(), state, now));
                    compared.incrementAndGet();
                  }
                }));
    assertThat(compared.get()).isGreaterThan(100);
  }

  @Test
  void replayOfTheSameEventsGivesTheSameState() {
    Seeds.tried(
        450,
        seed -> {
          Peel peel = run(seed, (p, state, now) -> {});
          TreatmentState whole = peel.state();
          assertThat(peel.state()).isEqualTo(whole);
          TreatmentState stepwise = Replay.state(peel.events().subList(0, 1));
          TreatmentPlan plan = peel.plan;
          for (TreatmentEvent event : peel.events().subList(1, peel.events().size())) {
            stepwise = Replay.after(plan, stepwise, event);
            if (event.fact() instanceof StageOpened) plan = plan.staging().next().orElseThrow();
          }
          assertThat(stepwise).isEqualTo(whole);
        });
  }

  @Test
  void betweenEventsTheCuesSayWhatTheAdvisorWouldSay() {
    Seeds.tried(
        450,
        seed -> {
          Random random = new Random(seed);
          run(
              seed,
              (peel, state, now) -> {
                Instant later = state.lastEventAt().plusMillis(random.nextLong(1_200_000));
                Advice given = Advisor.advise(peel.now(), state, state.lastEventAt());
                for (Cue cue : Cues.of(peel.now(), state)) {
                  if (!cue.at().isAfter(later)) given = cue.advice();
                }
                assertThat(given).isEqualTo(Advisor.advise(peel.now(), state, later));
              });
        });
  }

  /// What a screen without a server shows for the next answer is what a server would say.
  @Test
  void whatAnAnswerLeadsToIsWhatTheAdvisorSaysOfIt() {
    Seeds.tried(
        300,
        seed ->
            run(
                seed,
                (peel, state, now) -> {
                  List<Advice> foretold = Cues.ifAnswered(peel.now(), state, now);
                  // Two answers within a second are one: the next is given after that.
                  Instant next =
                      state
                          .lastAnswer()
                          .map(last -> last.at().plusMillis(1001))
                          .filter(now::isBefore)
                          .orElse(now);
                  for (int value = 0; value <= 10; value++) {
                    TreatmentEvent told =
                        new TreatmentEvent(
                            new UUID(8, value), next, "ines", new SensationAnswered(value));
                    assertThat(foretold.get(value))
                        .isEqualTo(Advisor.advise(peel.now(), state.after(peel.now(), told), next));
                  }
                }));
  }

  private static final Path LONGEST = Path.of("../web/src/treatment/longestAdvice.json");

  /// The longest advice of each kind while acid is on, on file for a journey that renders each at
  /// every size. Written anew by `-Divesk.advice.write=true`; a random peel may come upon one that
  /// is a little longer.
  @Test
  void theLongestAdviceOfEachKindIsOnFile() throws IOException {
    Map<String, Advice> longest = new TreeMap<>();
    boolean write = Boolean.getBoolean("ivesk.advice.write");
    Seeds.tried(
        write ? 20_000 : 300,
        seed ->
            run(
                seed,
                (peel, state, now) -> {
                  if (state.phase() != Phase.ACID) return;
                  Advice advice = Advisor.advise(peel.now(), state, now);
                  String kind =
                      advice.kind() + (advice.other() == Action.NONE ? "" : " " + advice.other());
                  longest.merge(
                      kind, advice, (one, other) -> length(other) > length(one) ? other : one);
                }));
    if (write) {
      Files.writeString(
          LONGEST,
          longest.values().stream()
              .map(RandomPeelsTest::json)
              .collect(Collectors.joining(",\n", "[\n", "\n]\n")));
    }
    // However the formatter breaks its lines.
    String file = Files.readString(LONGEST).replaceAll("\\s+", " ");
    List<String> onFile = List.of(file.split("\"kind\": "));
    longest.forEach((kind, advice) -> {
      int most =
          onFile.stream()
              .filter(one -> one.startsWith("\"" + advice.kind() + "\""))
              .mapToInt(String::length)
              .max()
              .orElse(0);
      assertThat(json(advice).length()).as(kind + ": " + advice).isLessThan(most + 150);
    });
  }

  private static int length(Advice advice) {
    return advice.line().length()
        + advice.reason().length()
        + String.join("", advice.steps()).length();
  }

  private static String json(Advice advice) {
    return "  {\"kind\": \"%s\", \"action\": \"%s\", \"other\": \"%s\", \"passable\": %s, \"line\": \"%s\", \"reason\": \"%s\", \"steps\": [%s]}"
        .formatted(
            advice.kind(),
            advice.action(),
            advice.other(),
            advice.passable(),
            advice.line(),
            advice.reason().replace("\"", "\\\""),
            advice.steps().stream()
                .map(step -> "\"" + step + "\"")
                .collect(Collectors.joining(", ")));
  }

  private static void safe(Peel peel, TreatmentState state, Instant now) {
    Advice advice = Advisor.advise(peel.now(), state, now);
    assertThat(advice.line()).isNotBlank();
    boolean acid = state.phase() == Phase.ACID;
    if (acid) assertThat(advice.row()).isPresent();
    if (!Alarm.standing(peel.now(), state).isEmpty()) {
      assertThat(advice.row().orElseThrow()).as("an alarm").isLessThanOrEqualTo(Row.INJURY);
      assertThat(peel.refuses(0, new Signed("s", "n"))).as("no signature over it").isPresent();
    }
    if (state.phase().afterAcid() && advice.row().isEmpty()) {
      boolean deep = state.zones().values().stream().anyMatch(zone -> zone.redness() == 3);
      if (deep && state.phase() != Phase.ENDING) {
        assertThat(advice.line()).as("deep redness is said").matches("(Incident|Wipe test).*");
      }
    }
    if (state.layers().isEmpty()) {
      assertThat(Outcome.of(peel.now(), state))
          .isNotIn(PeelOutcome.WELL_TAKEN, PeelOutcome.TOO_STRONG);
    }
    if (!advice.kind().layer() && advice.other() != Action.TOUCH_UP) return;
    state
        .lastUnderAcid()
        .ifPresent(told ->
            assertThat(told.value())
                .as("no layer at or above hold")
                .isLessThan(SensationLines.at(peel.now(), state, told.at()).hold()));
    if (acid && state.limitAt().isPresent()) {
      assertThat(Duration.between(now, state.limitAt().get()))
          .as("dwell and 30 s are left")
          .isGreaterThanOrEqualTo(peel.now().dwell().plusSeconds(30));
    }
    assertThat(state.layers().size()).isLessThan(state.ready().layersAtMost());
    assertThat(state.phase()).isIn(Phase.ARMED, Phase.ACID);
    if (state.limitAt().isPresent()) {
      assertThat(now).as("no layer past a hard limit").isBefore(state.limitAt().get());
    }
    assertThat(Advisor.outruns(peel.now(), state, false)).as("no layer beyond the base").isFalse();
    assertThat(state.wipeOwed()).as("no layer while a wipe test is owed").isFalse();
    assertThat(state.layers().size()).isLessThan(peel.now().layersAtMost());
    assertThat(state.layerRunning()).isFalse();
    assertThat(state.signs()).doesNotContain(Sign.EYE, Sign.BLISTER, Sign.FAINT);
    for (Zone zone : advice.zones()) {
      ZoneState seen = state.zones().get(zone);
      assertThat(Endpoints.ends(peel.now(), seen)).as("no layer over ending whitening").isFalse();
      assertThat(seen.whitening().frost()).isFalse();
      assertThat(seen.ended()).isFalse();
      assertThat(Look.earlier(peel.now(), state).getOrDefault(zone, Instant.MAX))
          .as("no layer on a zone whose time is over")
          .isAfter(now);
      assertThat(seen.hotSpot().orElse(0)).isLessThan(state.layers().isEmpty() ? 1 : 7);
    }
  }

  static Peel run(long seed, Watch watch) {
    Random random = new Random(seed);
    Peel peel = draw(random);
    double at = 0;
    // Every third does nearly all that it is advised, and so comes to the later stages.
    boolean obedient = random.nextInt(3) == 0;
    int events = obedient ? random.nextInt(60, 160) : random.nextInt(5, 60);
    for (int i = 0; i < events; i++) {
      at += random.nextInt(20) == 0 ? random.nextInt(240) : random.nextInt(35);
      Fact fact = next(random, peel, at, obedient);
      if (peel.refuses(at, fact).isEmpty()) peel.say(at, fact);
      watch.look(peel, peel.state(), Peel.at(at));
      watch.look(peel, peel.state(), Peel.at(at + random.nextInt(60)));
    }
    return peel;
  }

  private static Peel draw(Random random) {
    // Those by which rungs and frosts are gone through come a little more often.
    Formula drawn =
        switch (random.nextInt(10)) {
          case 0 -> Library.get("GLY-20");
          case 1 -> Library.get("JES-RF");
          case 2 -> Library.get("SPOT-S");
          default -> FORMULAS.get(random.nextInt(FORMULAS.size()));
        };
    Formula formula =
        random.nextInt(6) == 0 ? Peel.lastStays(drawn.code(), random.nextInt(10, 400)) : drawn;
    int most = random.nextInt(1, Math.max(2, formula.layersMost() + 1));
    Peel.Plan plan =
        new Peel.Plan(formula)
            .layers(random.nextInt(1, most + 1), most)
            .type(Phototype.values()[random.nextInt(6)])
            .sensitivity(Sensitivity.values()[random.nextInt(3)]);
    if (random.nextInt(6) == 0) {
      int limit = formula.mostContact().map(time -> (int) time.toSeconds()).orElse(600);
      plan.sooner(Peel.FACE.get(random.nextInt(Peel.FACE.size())), random.nextInt(30, limit));
    }
    if (random.nextInt(3) == 0) plan.retinol(random.nextBoolean());
    if (random.nextInt(4) == 0) plan.firstVisit();
    if (random.nextInt(4) == 0) plan.firstFrostEnds();
    if (random.nextInt(4) == 0) plan.more();
    if (formula.code().equals("GLY-20") && random.nextBoolean()) {
      plan.layers(3, 3).stepping("GLY-35");
    }
    if (random.nextBoolean()) plan.staged(staging(random, 1, random.nextInt(1, 4)));
    else if (formula.code().equals("GLY-20")) plan.staged(based(random.nextInt(10, 60)));
    return plan.armed();
  }

  /// One stage, with its neutraliser laid out, mmol.
  private static Staging based(int mmol) {
    return new Staging(
        1,
        1,
        Optional.of(new Staging.Base(new Amount(mmol), UnitDose.Unit.PAD, new Amount(2.3))),
        Optional.empty(),
        List.of(),
        Optional.empty());
  }

  /// Up to three stages, on the same skin or on the hands, with or without enough base.
  private static Staging staging(Random random, int number, int of) {
    Optional<Staging.Base> base =
        random.nextInt(3) == 0
            ? Optional.of(
                new Staging.Base(
                    new Amount(random.nextInt(1, 60)), UnitDose.Unit.PAD, new Amount(2.3)))
            : Optional.empty();
    Optional<TreatmentPlan> next = Optional.empty();
    if (number < of) {
      Formula formula = FORMULAS.get(random.nextInt(FORMULAS.size()));
      int most = random.nextInt(1, Math.max(2, formula.layersMost() + 1));
      next =
          Optional.of(
              new Peel.Plan(formula)
                  .layers(random.nextInt(1, most + 1), most)
                  .zones(random.nextInt(3) == 0 ? Zone.inOrder(Region.HANDS) : Peel.FACE)
                  .staged(staging(random, number + 1, of))
                  .plan());
    }
    return new Staging(
        number, of, base, Optional.empty(), random.nextBoolean() ? CARE : List.of(), next);
  }

  private static final List<CareStep> CARE =
      List.of(StagesOnTheCouchTest.MASK, StagesOnTheCouchTest.EXTRACTION);

  private static Fact next(Random random, Peel peel, double at, boolean obedient) {
    List<Zone> zones = peel.now().zones();
    Zone zone = zones.get(random.nextInt(zones.size()));
    TreatmentState state = peel.state();
    // Half of the time any therapist does what the advice says.
    if (obedient ? random.nextInt(20) > 0 : random.nextBoolean()) {
      Advice advice = Advisor.advise(peel.now(), state, Peel.at(at));
      switch (advice.action()) {
        case START_LAYER -> {
          return new LayerStarted(advice.zones(), advice.kind() == Kind.NEXT_RUNG);
        }
        case COVERED -> {
          return new LayerCovered();
        }
        case WIPE -> {
          return new WipeTested(advice.zones(), random.nextInt(3) > 0);
        }
        case END_ZONE -> {
          return new ZoneEnded(advice.zones().getFirst());
        }
        case ENDING_STEP -> {
          return new EndingStepDone(
              state.endingSteps(peel.now()).stream()
                  .filter(step -> !state.ending().steps().contains(step))
                  .findFirst()
                  .orElseThrow());
        }
        case ADD_ON -> {
          return new AddOnPutOn();
        }
        case WIPE_ADD_ON -> {
          return new AddOnWipedOff();
        }
        case NEXT_STAGE -> {
          return new StageOpened();
        }
        case REDNESS -> {
          return new RednessSeen(Map.of(zone, random.nextInt(2)));
        }
        case BARRIER -> {
          return new BarrierWipedOff();
        }
        case CARE -> {
          CareStep step = state.careOpen(peel.now()).getFirst();
          return step.time().isPresent()
              ? new CareStarted(step.id())
              : random.nextBoolean()
                  ? new CareDone(step.id())
                  : new Extracted(step.id(), List.of(new ExtractedPoint(zone, 500, 500)), 1);
        }
        case CARE_OFF -> {
          return new CareDone(state.careRunning(peel.now()).orElseThrow().id());
        }
        case BASE -> {
          return random.nextBoolean()
              ? new BaseLaidOut(random.nextInt(1, 20))
              : new BaseOutrunPassed("for the test");
        }
        case ARM -> {
          List<ReadyStep> open = state.openSteps(peel.now());
          return open.isEmpty()
              ? new TimerArmed()
              : switch (open.getFirst()) {
                case BASELINE -> new RednessSeen(Map.of(zone, 0));
                case GATE_A ->
                    state.prepAnswer().isEmpty()
                        ? new SensationAnswered(random.nextInt(4))
                        : new GateADecided(GateA.KEEP, "");
                default -> new StepDone(open.getFirst(), "");
              };
        }
        case ASK -> {
          if (obedient) return new SensationAnswered(random.nextInt(3));
        }
        case END -> {
          if (obedient) return new EndingStarted(advice.row());
        }
        case LEAVING_CHECK -> {
          if (obedient && advice.other() == Action.NEXT_STAGE) return new StageOpened();
        }
        case NONE -> {
          if (state.phase() == Phase.READY) {
            return new GateADecided(GateA.KEEP, "");
          }
          if (obedient) return new SensationAnswered(random.nextInt(3));
        }
        case ASK_BESIDE -> {
          Region region =
              state.beside().stream()
                  .filter(one -> !one.atRest())
                  .findFirst()
                  .map(one -> one.plan().region())
                  .orElse(Region.FACE);
          return new RegionAnswered(region, random.nextInt(3));
        }
        case FAN, MORE_LAYERS, TOUCH_UP -> {}
      }
      if (advice.passable() && random.nextInt(3) == 0) {
        return new AdviceDeclined(advice.row().orElseThrow(), "for the test");
      }
    }
    return switch (random.nextInt(32)) {
      case 0 -> new LayerStarted(some(random, zones), false);
      case 1 -> new LayerCovered();
      case 2 -> new ZoneReached(zone);
      case 3 -> new WhiteningSeen(some(random, zones), WHITE[random.nextInt(WHITE.length)]);
      case 4 -> new WhiteningSeen(List.of(zone), WHITE[random.nextInt(4)]);
      case 5 -> new WipeTested(some(random, zones), random.nextBoolean());
      case 6 -> new RednessSeen(Map.of(zone, random.nextInt(4)));
      case 7 -> new HotSpotFelt(zone, random.nextInt(11));
      case 8 -> new ZoneEnded(zone);
      case 9 -> new SignSeen(SIGNS[random.nextInt(SIGNS.length)]);
      case 10 -> new SignResolved(SIGNS[random.nextInt(SIGNS.length)], "over");
      case 11 -> {
        AlarmStep step = AlarmStep.values()[random.nextInt(AlarmStep.values().length)];
        yield random.nextBoolean() ? new AlarmStepDone(step) : new AlarmStepSkipped(step, "no");
      }
      case 12 -> new ResponseNoted(Response.values()[random.nextInt(3)]);
      case 13 -> new LayersExtended();
      case 14 -> new FanTurned(random.nextBoolean());
      case 15 -> new NoteWritten("a note");
      case 16 -> new EndingStarted(Optional.empty());
      case 17 -> new LeavingChecked(true, List.of());
      case 18 -> new AddOnPutOn();
      case 19 -> new AddOnWipedOff();
      case 20 -> new SpotPassed(some(random, zones));
      case 21 -> new LayerMeasured(random.nextInt(1, 60) / 10.0);
      case 22 -> random.nextBoolean() ? new ZoneTakenOff(zone) : new ZoneAnswered(zone, 1);
      case 23 -> new StageOpened();
      default -> new SensationAnswered(random.nextInt(random.nextInt(4) == 0 ? 11 : 6));
    };
  }

  private static List<Zone> some(Random random, List<Zone> zones) {
    List<Zone> drawn = new ArrayList<>(zones);
    drawn.removeIf(zone -> random.nextBoolean());
    return drawn.isEmpty() ? List.of(zones.getFirst()) : drawn;
  }
}
