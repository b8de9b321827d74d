package ivesk.core.treatment;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Seeds;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Ledger;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.Corrected;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.record.Conflict;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/// One property for each line of domain/06 ("What stays" and what follows), 07 and 13 that random
/// peels can break. What must hold is read from the log of a peel, not from the state that is
/// judged. A property whose case never came up fails as well: it would show nothing.
///
/// What a key foretells, and that cues say what the advice will be, stand in [RandomPeelsTest].
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class WhatStaysPropertiesTest {
  private static final int PEELS = 900;
  private static final Set<Kind> ENDS =
      EnumSet.of(Kind.EMERGENCY, Kind.EYE, Kind.END_NOW, Kind.END);

  private final Map<Stays, AtomicLong> cases = new EnumMap<>(Stays.class);
  private final Map<Stays, AssertionError> broken = new EnumMap<>(Stays.class);

  /// A case of the property, if this is one: what must hold is checked then.
  private interface Check {
    boolean caseOf(Told told);
  }

  private enum Stays {
    FROST_F3_UNTIL_RESOLVED(told -> {
      List<WhiteningSeen> deep =
          told.stage(WhiteningSeen.class)
              .filter(seen -> seen.grade().atLeast(Whitening.F3))
              .filter(seen -> seen.grade() == Whitening.F4 || !told.plan.formula().mayCrystallise())
              .toList();
      boolean resolved = told.stage(SignResolved.class).findAny().isPresent();
      if (deep.isEmpty() || resolved || told.state.phase() != Phase.ACID) return false;
      assertThat(told.advice().kind()).isIn(ENDS);
      assertThat(told.state.signs()).contains(Sign.DEEP_FROST);
      return true;
    }),
    A_NUMBER_TOLD_NUMBED_ADDS_NO_LAYER(told -> {
      Optional<TreatmentEvent> last = told.last(SensationAnswered.class);
      if (last.isEmpty() || told.responseAt(last.get()) == Response.AWAKE) return false;
      if (told.state.phase() != Phase.ACID || told.state.layers().isEmpty()) return false;
      assertThat(told.advice().kind()).isNotIn(Kind.SAME_AGAIN, Kind.NEXT_RUNG);
      return true;
    }),
    GUARDS_TAKEN_OFF_ARE_DONE_AGAIN(told -> {
      int off = told.place(told.all, BarrierWipedOff.class);
      int on = told.place(told.all, fact -> fact.equals(new StepDone(ReadyStep.BARRIER, "")));
      boolean ready = told.state.phase() == Phase.READY && told.number() > 1;
      if (off < 0 || on > off || !ready || !ReadyStep.of(told.plan).contains(ReadyStep.BARRIER)) {
        return false;
      }
      assertThat(told.refuses(new TimerArmed())).isPresent();
      return true;
    }),
    NOBODY_LEAVES_BEFORE_THE_OTHER_REGION_RESTS(told -> {
      List<TreatmentState.Beside> beside = told.state.beside();
      if (beside.isEmpty() || told.state.phase() != Phase.CHECKED) return false;
      for (TreatmentState.Beside one : beside) {
        List<Integer> answers =
            told.stage(RegionAnswered.class)
                .filter(answer -> answer.region() == one.plan().region())
                .map(RegionAnswered::value)
                .toList();
        if (!answers.isEmpty()) assertThat(answers.getLast()).isLessThanOrEqualTo(1);
        assertThat(one.atRest()).isTrue();
      }
      return true;
    }),
    A_SPOT_PASS_KEEPS_ITS_BOUNDS(told -> {
      if (!(told.newest().fact() instanceof SpotPassed(var zones))) return false;
      int layer = told.place(told.stage, LayerStarted.class);
      List<TreatmentEvent> since = told.stage.subList(layer, told.stage.size() - 1);
      TreatmentEvent covered = last(since, LayerCovered.class).orElseThrow();
      Set<Zone> reached = EnumSet.copyOf(((LayerStarted) since.getFirst().fact()).zones());
      facts(since, ZoneReached.class).forEach(one -> reached.add(one.zone()));
      assertThat(reached).containsAll(zones);
      assertThat(Duration.between(covered.at(), told.newest().at()))
          .isGreaterThanOrEqualTo(told.plan.dwell());
      assertThat(facts(since, SpotPassed.class).flatMap(one -> one.zones().stream()))
          .doesNotContainAnyElementsOf(zones);
      TreatmentEvent answer = told.last(SensationAnswered.class).orElseThrow();
      assertThat(told.responseAt(answer)).isEqualTo(Response.AWAKE);
      told.state
          .limitAt()
          .ifPresent(limit ->
              assertThat(Duration.between(told.newest().at(), limit))
                  .isGreaterThanOrEqualTo(Duration.ofSeconds(30)));
      return true;
    }),
    END_STANDS_AGAINST_A_COAT_OF_ANOTHER_SCREEN(told -> {
      if (told.state.endedAt().isPresent()) {
        assertThat(told.state.phase()).isNotEqualTo(Phase.ACID);
      }
      if (!(told.newest().fact() instanceof EndingStarted)) return false;
      if (told.state.layers().isEmpty()) return false;
      List<TreatmentEvent> events = new ArrayList<>(told.all);
      events.add(told.event(new LayerStarted(told.plan.zones(), false)));
      TreatmentState both = Replay.stages(events).getLast().state();
      assertThat(both.phase()).isNotIn(Phase.ARMED, Phase.ACID);
      assertThat(both.endedAt()).isEqualTo(told.state.endedAt());
      assertThat(Conflict.of(events, Peel.ZERO.minusSeconds(1_000)))
          .anyMatch(one -> one.kind() == Conflict.Kind.LAYER_AFTER_END);
      return true;
    }),
    THE_NEXT_RUNG_IS_COUNTED_WITH_ITS_OWN_ACID(told -> {
      OnSkin skin = OnSkin.of(told.peel.stages());
      boolean counted = told.plan.staging().base().isPresent() && skin.neutralised();
      if (told.advice().kind() != Kind.NEXT_RUNG || !counted) return false;
      if (told.state.acid().outrunPassed()) return false;
      double next = Ledger.protons(told.plan.nextRung().orElseThrow(), told.plan.layer()).mmol();
      assertThat(skin.acid().mmol() + next).isLessThanOrEqualTo(skin.base().mmol() + 1e-9);
      return true;
    }),
    AFTER_AN_ALARM_THERE_IS_NO_FURTHER_ACID(told -> {
      boolean alarmed =
          facts(told.all, SignSeen.class).anyMatch(seen -> seen.sign().weight().alarm());
      boolean allowed = facts(told.all, AcidAllowed.class).findAny().isPresent();
      if (!alarmed || allowed || told.state.phase().compareTo(Phase.ACID) > 0) return false;
      assertThat(told.advice().kind().layer()).isFalse();
      assertThat(told.refuses(new TimerArmed())).isPresent();
      if (told.state.phase() == Phase.ACID) assertThat(told.advice().kind()).isIn(ENDS);
      return true;
    }),
    NEW_ZONES_ARE_LOOKED_AT_AND_ASKED_FIRST(told -> {
      if (!(told.newest().fact() instanceof TimerArmed) || told.number() == 1) return false;
      Set<Zone> fresh = EnumSet.copyOf(told.plan.zones());
      facts(told.all, LayerStarted.class).forEach(layer -> fresh.removeAll(layer.zones()));
      if (fresh.isEmpty()) return false;
      assertThat(told.stage(RednessSeen.class)).as("baseline").isNotEmpty();
      assertThat(told.stage(SensationAnswered.class)).as("answer to the prep").isNotEmpty();
      assertThat(told.stage(GateADecided.class)).as("gate A").isNotEmpty();
      return true;
    }),
    REDNESS_3_AFTER_THE_ACID_IS_ADVERSE(told -> {
      boolean deep =
          told.sinceEnd(RednessSeen.class).anyMatch(seen -> seen.grades().containsValue(3));
      if (!deep || told.state.layers().isEmpty()) return false;
      assertThat(told.outcome()).isEqualTo(PeelOutcome.ADVERSE);
      return true;
    }),
    A_BLISTER_IS_ADVERSE_THOUGH_IT_IS_RESOLVED(told -> {
      boolean blister =
          told.sinceAcid(SignSeen.class).anyMatch(seen -> seen.sign() == Sign.BLISTER);
      if (!blister || told.state.endedAt().isEmpty()) return false;
      assertThat(told.outcome()).isEqualTo(PeelOutcome.ADVERSE);
      return true;
    }),
    SALICYLIC_F3_UNTESTED_IS_AN_INJURY(told -> {
      if (!told.plan.formula().mayCrystallise() || told.state.endedAt().isEmpty()) return false;
      Optional<TreatmentEvent> deep =
          last(told.stage, WhiteningSeen.class)
              .filter(event -> ((WhiteningSeen) event.fact()).grade() == Whitening.F3)
              .filter(event -> event.at().isBefore(told.state.endedAt().get()));
      // The record counts it with the next entry; the advice at once.
      if (deep.isEmpty() || told.newest().at().isBefore(deep.get().at().plusSeconds(15))) {
        return false;
      }
      List<TreatmentEvent> since =
          told.stage.subList(told.stage.indexOf(deep.get()), told.stage.size());
      if (facts(since, WipeTested.class).findAny().isPresent()) return false;
      assertThat(told.outcome()).isEqualTo(PeelOutcome.ADVERSE);
      return true;
    }),
    JESSNER_BY_LAYERS_F2_AFTER_END_IS_AN_INCIDENT(told -> {
      if (told.plan.formula().family() != Family.JESSNER || told.plan.firstFrostEnds())
        return false;
      if (told.state.layers().isEmpty() || told.state.phase() != Phase.SETTLING) return false;
      List<Zone> white = List.of(told.state.layers().getFirst().zones().getFirst());
      // What was white before the end has not risen since.
      if (told.stage(WhiteningSeen.class).anyMatch(seen -> seen.zones().containsAll(white))) {
        return false;
      }
      List<TreatmentEvent> events = new ArrayList<>(told.all);
      events.add(told.event(new WhiteningSeen(white, Whitening.F2)));
      events.add(told.event(new WipeTested(white, false)));
      TreatmentState seen = Replay.stages(events).getLast().state();
      assertThat(seen.looks().incident()).isTrue();
      assertThat(Outcome.of(told.plan, seen)).isEqualTo(PeelOutcome.ADVERSE);
      return true;
    }),
    THE_CALL_COMES_AFTER_15_MINUTES(told -> {
      Optional<Instant> end = told.state.endedAt();
      boolean open = told.state.phase() == Phase.ENDING || told.state.phase() == Phase.SETTLING;
      if (!open || told.now.isBefore(end.orElseThrow().plus(Duration.ofMinutes(15)))) return false;
      boolean above =
          told.sinceEnd(SensationAnswered.class)
              .reduce((_, newest) -> newest)
              .filter(answer -> answer.value() <= 1)
              .isEmpty();
      // An alarm, or F3 whose swab is due within seconds, comes first.
      if (!above || told.advice().row().isPresent()) return false;
      assertThat(told.advice().line() + told.advice().reason())
          .containsIgnoringCase("call the clinician");
      return true;
    }),
    A_MISTAPPED_SIGN_IS_TAKEN_OUT_AT_ANY_TIME(told -> {
      // The log is replayed twice for it, so only now and then.
      if (told.all.size() % 10 != 0) return false;
      Optional<TreatmentEvent> sign = told.last(SignSeen.class);
      if (sign.isEmpty() || told.newest().equals(sign.get())) return false;
      if (Correction.gone(told.all).contains(sign.get().id())) return false;
      Corrected correction = new Corrected(sign.get().id(), Optional.empty(), "mistapped");
      assertThat(Correction.refuse(told.all, correction)).isEmpty();
      List<TreatmentEvent> events = new ArrayList<>(told.all);
      events.add(told.event(correction));
      List<TreatmentEvent> never = new ArrayList<>(told.all);
      never.remove(sign.get());
      TreatmentState corrected = Replay.stages(events).getLast().state();
      TreatmentState unsaid = Replay.stages(never).getLast().state();
      assertThat(corrected.looks().seenSigns()).isEqualTo(unsaid.looks().seenSigns());
      assertThat(corrected.signs()).isEqualTo(unsaid.signs());
      return true;
    }),
    WHITE_UNDER_A_TIMED_AHA_IS_ADVERSE(told -> {
      Formula formula = told.plan.formula();
      boolean timed =
          Set.of(Family.GLYCOLIC, Family.LACTIC, Family.MANDELIC, Family.PYRUVIC)
              .contains(formula.family());
      boolean white =
          told.sinceAcid(WhiteningSeen.class)
              .findFirst()
              .filter(seen -> seen.grade().atLeast(Whitening.F1))
              .isPresent();
      boolean ended = told.state.endedAt().isPresent();
      boolean underAcid =
          ended
              && told.last(WhiteningSeen.class)
                  .filter(event -> event.at().isBefore(told.state.endedAt().get()))
                  .isPresent();
      if (!timed || !white || !underAcid || formula.mayCrystallise()) return false;
      assertThat(told.outcome()).isEqualTo(PeelOutcome.ADVERSE);
      return true;
    }),
    REST_IS_THE_WHOLE_AND_EVERY_HOT_SPOT_TOLD_AWAKE(told -> {
      if (told.state.phase() != Phase.AT_REST || told.state.layers().isEmpty()) return false;
      TreatmentEvent last = told.last(SensationAnswered.class).orElseThrow();
      if (told.responseAt(last) == Response.AWAKE) {
        assertThat(((SensationAnswered) last.fact()).value()).isLessThanOrEqualTo(1);
      }
      Map<Zone, Integer> spots = new EnumMap<>(Zone.class);
      told.sinceEnd(HotSpotFelt.class).forEach(spot -> spots.put(spot.zone(), spot.value()));
      assertThat(spots.values()).allMatch(value -> value <= 1);
      assertThat(told.state.zones().values()).noneMatch(zone -> zone.spotAbove(1));
      return true;
    }),
    SPOTS_AT_HOLD_ARE_FANNED(told -> {
      if (!told.plan.formula().code().startsWith("SPOT")) return false;
      if (!told.advice().row().equals(Optional.of(Row.HOLD_LINE))) return false;
      assertThat(told.advice().kind()).isEqualTo(Kind.HOLD);
      return told.sinceAcid(SensationAnswered.class).count() > 1;
    }),
    MORE_IN_THE_CLOCK_ONLY_WHILE_IT_FALLS(told -> {
      boolean timed = told.plan.formula().use() == Formula.Use.TIMED;
      if (!timed || told.advice().other() != Action.MORE_LAYERS) return false;
      List<TreatmentEvent> answers =
          told.stage.subList(told.place(told.stage, LayerStarted.class), told.stage.size()).stream()
              .filter(event -> event.fact() instanceof SensationAnswered)
              .toList();
      // Two answers within a second are one.
      List<Integer> values = new ArrayList<>();
      for (int i = 0; i < answers.size(); i++) {
        boolean replaced =
            i + 1 < answers.size()
                && Duration.between(answers.get(i).at(), answers.get(i + 1).at()).toMillis()
                    <= 1000;
        if (!replaced) values.add(((SensationAnswered) answers.get(i).fact()).value());
      }
      assertThat(values).hasSizeGreaterThanOrEqualTo(2);
      assertThat(values.getLast()).isLessThan(values.get(values.size() - 2));
      for (int i = 1; i < values.size(); i++) {
        assertThat(values.get(i)).as("a rise ends it").isLessThanOrEqualTo(values.get(i - 1));
      }
      return true;
    });

    private final Check check;

    Stays(Check check) {
      this.check = check;
    }
  }

  /// A peel up to now: its log, and what the advisor makes of it.
  private static final class Told {
    private final Peel peel;
    private final TreatmentPlan plan;
    private final TreatmentState state;
    private final Instant now;
    private final List<TreatmentEvent> all;
    private final List<TreatmentEvent> stage;
    private Optional<Advice> advice = Optional.empty();

    Told(Peel peel, TreatmentState state, Instant now) {
      this.peel = peel;
      this.plan = peel.now();
      this.state = state;
      this.now = now;
      this.all = peel.events();
      this.stage = all.subList(Math.max(0, place(all, StageOpened.class)), all.size());
    }

    int number() {
      return peel.stages().size();
    }

    TreatmentEvent newest() {
      return all.getLast();
    }

    Advice advice() {
      if (advice.isEmpty()) advice = Optional.of(Advisor.advise(plan, state, now));
      return advice.get();
    }

    PeelOutcome outcome() {
      return Outcome.of(plan, state);
    }

    Optional<String> refuses(Fact fact) {
      return Refusal.of(plan, state, fact, now);
    }

    TreatmentEvent event(Fact fact) {
      return new TreatmentEvent(new UUID(9, all.size()), now.plusSeconds(1), "ines", fact);
    }

    <T extends Fact> Stream<T> stage(Class<T> kind) {
      return facts(stage, kind);
    }

    <T extends Fact> Stream<T> sinceAcid(Class<T> kind) {
      return since(LayerStarted.class, kind);
    }

    <T extends Fact> Stream<T> sinceEnd(Class<T> kind) {
      return since(EndingStarted.class, kind);
    }

    private <T extends Fact> Stream<T> since(Class<? extends Fact> begin, Class<T> kind) {
      int from = 0;
      while (from < stage.size() && !begin.isInstance(stage.get(from).fact())) from++;
      return facts(stage.subList(from, stage.size()), kind);
    }

    Optional<TreatmentEvent> last(Class<? extends Fact> kind) {
      return WhatStaysPropertiesTest.last(stage, kind);
    }

    /// How the client was when an answer was told.
    Response responseAt(TreatmentEvent answer) {
      return facts(all.subList(0, all.indexOf(answer)), ResponseNoted.class)
          .map(ResponseNoted::response)
          .reduce((_, newest) -> newest)
          .orElse(Response.AWAKE);
    }

    int place(List<TreatmentEvent> events, Class<? extends Fact> kind) {
      return place(events, kind::isInstance);
    }

    /// Of the last such event; -1 where there is none.
    int place(List<TreatmentEvent> events, Predicate<Fact> which) {
      for (int i = events.size() - 1; i >= 0; i--) {
        if (which.test(events.get(i).fact())) return i;
      }
      return -1;
    }
  }

  private static <T extends Fact> Stream<T> facts(
      Collection<TreatmentEvent> events, Class<T> kind) {
    return events.stream().map(TreatmentEvent::fact).filter(kind::isInstance).map(kind::cast);
  }

  private static Optional<TreatmentEvent> last(
      List<TreatmentEvent> events, Class<? extends Fact> kind) {
    return events.stream()
        .filter(event -> kind.isInstance(event.fact()))
        .reduce((_, newest) -> newest);
  }

  @BeforeAll
  void throwPeels() {
    for (Stays one : Stays.values()) cases.put(one, new AtomicLong());
    Seeds.tried(
        PEELS,
        seed ->
            RandomPeelsTest.run(
                seed,
                (peel, state, now) -> {
                  Told told = new Told(peel, state, now);
                  for (Stays one : Stays.values()) look(one, told, seed);
                }));
  }

  /// The first break of each is kept, so that one does not hide another.
  private void look(Stays one, Told told, long seed) {
    if (broken.containsKey(one)) return;
    try {
      if (one.check.caseOf(told)) cases.get(one).incrementAndGet();
    } catch (AssertionError e) {
      broken.put(
          one,
          new AssertionError(
              one
                  + ", seed "
                  + seed
                  + ", "
                  + told.plan.formula().code()
                  + ", at "
                  + Duration.between(Peel.ZERO, told.now)
                  + ", last said "
                  + told.all.subList(Math.max(0, told.all.size() - 8), told.all.size()).stream()
                      .map(TreatmentEvent::fact)
                      .toList(),
              e));
    }
  }

  @AfterAll
  void sayHowOften() {
    System.out.println("what stays, cases: " + cases);
  }

  @ParameterizedTest
  @EnumSource
  void holds(Stays one) {
    if (broken.containsKey(one)) throw broken.get(one);
    assertThat(cases.get(one)).as("cases of it").hasPositiveValue();
  }
}
