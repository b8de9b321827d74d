package ivesk.core.series;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Words;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Outlook;
import ivesk.core.aftercare.Sheets;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Handling;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.LicenceScope;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.OwnFlaking;
import ivesk.core.series.NextPeel.Step;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// The ladder and the next date; common practice, no source.
class SeriesTest {

  private static PastPeel peel(String code, int daysAgo, int layers, boolean well) {
    return peel(code, daysAgo, layers, well ? PeelOutcome.WELL_TAKEN : PeelOutcome.ADVERSE);
  }

  private static PastPeel peel(String code, int daysAgo, PeelOutcome outcome) {
    return peel(code, daysAgo, 1, outcome);
  }

  private static PastPeel peel(String code, int daysAgo, int layers, PeelOutcome outcome) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        layers,
        Duration.ofMinutes(3),
        outcome,
        Optional.of(3));
  }

  private static List<PastPeel> times(int n, String code, int every) {
    return IntStream.rangeClosed(1, n).mapToObj(i -> peel(code, i * every, 1, true)).toList();
  }

  private static int rung(List<PastPeel> past, Family family) {
    return LadderRules.of(past, T, Region.FACE).rungs().getOrDefault(family, 0);
  }

  /// domain/09 and 13: outside records. The sixth is told as the sixth: other families and regions,
  /// a gap of six months, and a second stage of one day do not count.
  @Test
  void whichPeelOfItsSeries() {
    List<PastPeel> past = new ArrayList<>(times(5, "GLY-20", 14));
    assertThat(inSeries(past)).isEqualTo(6);
    past.add(peel("MAN-20", 20, PeelOutcome.WELL_TAKEN));
    past.add(past.getFirst());
    assertThat(inSeries(past)).isEqualTo(6);
    past.add(peel("GLY-20", 70 + 200, PeelOutcome.WELL_TAKEN));
    assertThat(inSeries(past)).isEqualTo(6);
    past.add(peel("GLY-20", 70 + 100, PeelOutcome.WELL_TAKEN));
    assertThat(inSeries(past)).as("now none is more than six months from the next").isEqualTo(8);
    assertThat(LadderRules.inSeries(past, T, Region.HANDS, Family.GLYCOLIC)).isEqualTo(1);
  }

  private static int inSeries(List<PastPeel> past) {
    return LadderRules.inSeries(past, T, Region.FACE, Family.GLYCOLIC);
  }

  @Nested
  class PeelsDoneElsewhere {
    private static final int ENTRY = 1;

    private PastPeel elsewhere(
        String code, int daysAgo, PeelOutcome outcome, boolean seen, String why) {
      return PastPeel.elsewhere(
          Library.get(code),
          Region.FACE,
          T.minusDays(daysAgo),
          outcome,
          new PastPeel.Outside(seen, Optional.ofNullable(why)));
    }

    private Ladders ladders(PastPeel... past) {
      return LadderRules.of(List.of(past), T, Region.FACE);
    }

    private int rung(PastPeel... past) {
      return ladders(past).rung(Family.GLYCOLIC, ENTRY);
    }

    @Test
    void oneRungHigherWithARecordAndAReason() {
      assertThat(rung(elsewhere("GLY-35", 30, PeelOutcome.WELL_TAKEN, true, "three in spring")))
          .isEqualTo(2);
      assertThat(rung(elsewhere("GLY-35", 30, PeelOutcome.WELL_TAKEN, true, null))).isEqualTo(1);
      assertThat(rung(elsewhere("GLY-35", 30, PeelOutcome.CUT_SHORT, true, "asks for it")))
          .isEqualTo(1);
      assertThat(rung(elsewhere("GLY-35", 220, PeelOutcome.WELL_TAKEN, true, "last winter")))
          .isEqualTo(1);
      assertThat(rung(elsewhere("SAL-20", 30, PeelOutcome.WELL_TAKEN, true, "another acid")))
          .isEqualTo(1);
    }

    @Test
    void isNoPartOfASeriesHere() {
      PastPeel told = elsewhere("GLY-35", 30, PeelOutcome.WELL_TAKEN, false, "told so");
      assertThat(ladders(told).firstWith(Family.GLYCOLIC)).isTrue();
      assertThat(ladders(told).running()).isEmpty();
      // Own peels say more than any from elsewhere.
      List<PastPeel> past = new ArrayList<>(times(5, "GLY-20", 14));
      past.add(told);
      assertThat(SeriesTest.rung(past, Family.GLYCOLIC)).isEqualTo(1);
    }

    @Test
    void goesAgainstTheLadderWhereItWentBadly() {
      PastPeel own = peel("GLY-50", 60, PeelOutcome.WELL_TAKEN);
      assertThat(rung(own)).isEqualTo(3);
      assertThat(rung(own, elsewhere("GLY-50", 20, PeelOutcome.ADVERSE, false, null))).isEqualTo(1);
      assertThat(ladders(own, elsewhere("GLY-50", 20, PeelOutcome.ADVERSE, false, null)).running())
          .isEmpty();
    }

    @Test
    void comesBeforeAStrongOneWhereItsRecordWasSeen() {
      PastPeel seen = elsewhere("MAN-20", 40, PeelOutcome.WELL_TAKEN, true, null);
      PastPeel told = elsewhere("MAN-20", 40, PeelOutcome.WELL_TAKEN, false, null);
      assertThat(ladders(seen, told).milder().peels()).isEqualTo(1);
    }

    @Test
    void itsIntervalRuns() {
      assertThat(
              easy()
                  .after(elsewhere("GLY-35", 5, PeelOutcome.WELL_TAKEN, false, null))
                  .screened()
                  .findings())
          .anySatisfy(finding -> assertThat(finding.said()).contains("elsewhere"));
    }
  }

  @Nested
  class TheLadder {

    @Test
    void upOneRungAfterAFullSeriesAndNotBefore() {
      assertThat(rung(times(5, "GLY-20", 14), Family.GLYCOLIC)).isEqualTo(1);
      assertThat(rung(times(6, "GLY-20", 14), Family.GLYCOLIC)).isEqualTo(2);
      assertThat(
              LadderRules.of(times(5, "GLY-20", 14), T, Region.FACE).reasons().get(Family.GLYCOLIC))
          .contains("6 peels at rung 1")
          .contains("5 done");
    }

    @Test
    void anAdversePeelDoesNotCountAndGoesTwoDown() {
      List<PastPeel> past = new ArrayList<>(times(6, "GLY-20", 28));
      past.add(peel("GLY-35", 14, 1, false));
      assertThat(rung(past, Family.GLYCOLIC)).isEqualTo(1);
      assertThat(LadderRules.of(past, T, Region.FACE).running())
          .as("no series after a reaction")
          .isEmpty();
    }

    @Test
    void afterSixMonthsOneDown() {
      List<PastPeel> past = new ArrayList<>(times(6, "GLY-20", 14));
      past.replaceAll(p ->
          new PastPeel(
              p.formula(),
              Region.FACE,
              p.on().minusMonths(7),
              1,
              p.contact(),
              PeelOutcome.WELL_TAKEN,
              p.worstSensation()));
      past.add(peel("GLY-35", 200, 1, true));
      assertThat(rung(past, Family.GLYCOLIC)).isEqualTo(1);
      assertThat(LadderRules.of(past, T, Region.FACE).running()).isEmpty();
    }

    @Test
    void layeredFamiliesNeedThreeAtTheCap() {
      List<PastPeel> three =
          List.of(
              peel("TCA-10", 90, 3, true),
              peel("TCA-10", 60, 3, true),
              peel("TCA-10", 30, 3, true));
      assertThat(rung(three, Family.TCA)).isEqualTo(2);
      List<PastPeel> below =
          List.of(
              peel("TCA-10", 90, 1, true),
              peel("TCA-10", 60, 2, true),
              peel("TCA-10", 30, 3, true));
      assertThat(rung(below, Family.TCA)).isEqualTo(1);
    }

    @Test
    void eachRegionHasItsOwn() {
      List<PastPeel> past = new ArrayList<>(times(6, "GLY-20", 14));
      Ladders hands = LadderRules.of(past, T, Region.HANDS);
      assertThat(hands.rungs()).isEmpty();
      assertThat(hands.firstWith(Family.GLYCOLIC)).isTrue();
      assertThat(hands.milder().peels()).isZero();
    }

    @Test
    void afterAPeelThatWasTooStrongASeriesBeginsAnewAtTheFirstTime() {
      List<PastPeel> past = new ArrayList<>(times(6, "GLY-20", 14));
      past.add(peel("GLY-20", 7, PeelOutcome.TOO_STRONG));
      Ladders ladders = LadderRules.of(past, T, Region.FACE);
      assertThat(ladders.rungs()).containsEntry(Family.GLYCOLIC, 1);
      assertThat(ladders.anew()).contains(Family.GLYCOLIC);
      assertThat(ladders.startsAnew(Family.GLYCOLIC)).isTrue();
      List<PastPeel> layered = List.of(peel("TCA-10", 30, 3, PeelOutcome.TOO_STRONG));
      assertThat(LadderRules.of(layered, T, Region.FACE).lastLayers()).containsEntry("TCA-10", 2);
    }

    @Test
    void afterSixMonthsTheSame() {
      List<PastPeel> past = new ArrayList<>(List.of(peel("TCA-10", 200, 3, true)));
      Ladders ladders = LadderRules.of(past, T, Region.FACE);
      assertThat(ladders.anew()).contains(Family.TCA);
      assertThat(ladders.lastLayers()).containsEntry("TCA-10", 1);
      past.addAll(times(5, "GLY-20", 14));
      past.add(peel("GLY-20", 300, 1, true));
      assertThat(rung(past, Family.GLYCOLIC))
          .as("the one before the gap is not counted")
          .isEqualTo(1);
    }

    @Test
    void calmAndCutShortStays() {
      List<PastPeel> past = new ArrayList<>(times(5, "GLY-20", 14));
      past.add(peel("GLY-20", 7, PeelOutcome.CUT_SHORT));
      Ladders ladders = LadderRules.of(past, T, Region.FACE);
      assertThat(ladders.rungs()).containsEntry(Family.GLYCOLIC, 1);
      assertThat(ladders.anew()).isEmpty();
      assertThat(ladders.running()).contains(Family.GLYCOLIC);
    }

    @Test
    void milderPeelsAreOfTwelveMonthsOfLevelOneAndForTcaOneSuperficial() {
      List<PastPeel> past =
          List.of(
              peel("MAN-20", 30, 1, true),
              peel("MAN-20", 60, 1, true),
              peel("GLY-35", 90, 1, true),
              peel("PHA-15", 20, 1, true),
              peel("MAN-20", 400, 1, true));
      Ladders ladders = LadderRules.of(past, T, Region.FACE);
      assertThat(ladders.milder()).isEqualTo(new Ladders.Milder(3, 1));
    }

    @Test
    void milderPeelsAreCountedForTheStrongFamilies() {
      List<PastPeel> past = new ArrayList<>(times(3, "MAN-20", 14));
      past.add(peel("MAN-20", 7, 1, false));
      past.add(peel("TCA-10", 100, 1, true));
      Ladders ladders = LadderRules.of(past, T, Region.FACE);
      assertThat(ladders.milder().peels()).isEqualTo(3);
      assertThat(ladders.firstWith(Family.GLYCOLIC)).isTrue();
      assertThat(ladders.firstWith(Family.MANDELIC)).isFalse();
      assertThat(ladders.lastLayers()).containsEntry("TCA-10", 1);
    }

    @Test
    void theLastFamilyRuns() {
      assertThat(LadderRules.of(times(2, "SAL-10", 14), T, Region.FACE).running())
          .contains(Family.SALICYLIC);
      assertThat(LadderRules.of(List.of(), T, Region.FACE).running()).isEmpty();
    }
  }

  @Nested
  class NextTime {

    private TreatmentPlan plan(String code, int layers) {
      Formula formula = Library.get(code);
      return new TreatmentPlan(
          formula,
          List.of(Zone.FOREHEAD, Zone.NOSE),
          Map.of(),
          layers,
          layers,
          formula.mostContact(),
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
          DepthClass.VERY_SUPERFICIAL,
          Area.cm2(150),
          Volume.ml(0.8),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Staging.ALONE);
    }

    private TreatmentState state(TreatmentPlan plan, int feels, int endRow, Fact... more) {
      List<TreatmentEvent> events = new ArrayList<>();
      Instant start = Instant.parse("2026-11-28T14:00:00Z");
      List<Fact> facts = new ArrayList<>();
      facts.add(new Opened(plan));
      for (int i = 0; i < plan.layersPlanned(); i++) {
        facts.add(new LayerStarted(plan.zones(), false));
        facts.add(new LayerCovered());
      }
      facts.add(new SensationAnswered(feels));
      facts.addAll(List.of(more));
      facts.add(new EndingStarted(Optional.of(Row.values()[endRow - 1])));
      for (int i = 0; i < facts.size(); i++) {
        boolean end = facts.get(i) instanceof EndingStarted;
        Instant limit =
            start.plusSeconds(30).plus(plan.contactLimit().orElse(Duration.ofMinutes(10)));
        Instant at = end ? limit : start.plusSeconds(30L * i);
        events.add(new TreatmentEvent(new UUID(0, i), at, "ines", facts.get(i)));
      }
      return Replay.state(events);
    }

    private NextPeel next(
        String code,
        int layers,
        int feels,
        int row,
        Clients client,
        List<PastPeel> past,
        Fact... more) {
      TreatmentPlan plan = plan(code, layers);
      return after(plan, state(plan, feels, row, more), client, past, Since.NOTHING);
    }

    @Test
    void sameAgainAfterTheInterval() {
      NextPeel next = next("GLY-35", 1, 3, 5, easy(), List.of());
      assertThat(next.earliest()).isEqualTo(T.plusDays(14));
      assertThat(next.step()).isEqualTo(Step.SAME);
      assertThat(next.reasons()).anyMatch(reason -> reason.contains("interval 14 days"));
    }

    @Test
    void flakesMustBeGone() {
      assertThat(next("MAN-20", 1, 3, 5, easy(), List.of()).earliest()).isEqualTo(T.plusDays(7));
      assertThat(next("JES-RF", 1, 3, 14, easy(), List.of()).earliest()).isEqualTo(T.plusDays(14));
      assertThat(next("JES-RF", 2, 3, 14, easy(), List.of()).earliest()).isEqualTo(T.plusDays(21));
    }

    private NextPeel since(String code, List<PastPeel> past, Since since) {
      TreatmentPlan plan = plan(code, 1);
      return after(plan, state(plan, 3, 5), easy(), past, since);
    }

    private static NextPeel after(
        TreatmentPlan plan,
        TreatmentState state,
        Clients client,
        List<PastPeel> past,
        Since since) {
      Stage stage = new Stage(plan, state, state.lastEventAt());
      return NextPeel.after(List.of(stage), client.facts(), past, T, since);
    }

    /// Sheet and next date name the same last flakes, by the formula and by the client's own days.
    /// domain/09.
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void theSheetAndTheNextDateNameTheSameLastFlakes(boolean own) {
      for (Formula formula : Library.FORMULAS) {
        if (!formula.peels() || formula.layersFirst() == 0) continue;
        List<PastPeel> past =
            own
                ? times(3, formula.code(), 30).stream()
                    .map(peel -> peel.flaking(Optional.of(new Flaking(2, 40))))
                    .toList()
                : List.of();
        TreatmentPlan plan = plan(formula.code(), 1);
        NextPeel next = after(plan, state(plan, 3, 5), easy(), past, Since.NOTHING);
        Aftercare sheet =
            Sheets.of(
                formula,
                formula.libraryDepth(),
                new Aftercare.Client(
                    false,
                    false,
                    Set.of(),
                    OwnFlaking.of(formula, plan.region(), past),
                    Optional.empty()),
                Policies.defaults(),
                T.atTime(14, 30).atZone(ZoneOffset.UTC),
                List.of(),
                Optional.empty());
        assertThat(next.reasons().stream().anyMatch(why -> why.startsWith("flakes gone")))
            .as(formula.code())
            .isEqualTo(sheet.flakes().isPresent());
        sheet
            .flakes()
            .ifPresent(flakes ->
                assertThat(next.reasons())
                    .as(formula.code())
                    .contains("flakes gone, as expected: " + Words.day(flakes.to().plusDays(1))));
      }
    }

    private static Since told(int last, Integer seen) {
      return new Since(
          last == 0 ? Optional.empty() : Optional.of(new Flaking(1, last)),
          Optional.ofNullable(seen),
          Optional.empty(),
          false,
          false,
          List.of());
    }

    /// MAN-20 keeps 7 days and may flake to day 2. What was told of is never left out, though it
    /// was told to be over before.
    @ParameterizedTest
    @CsvSource({
      "0, , 7",
      "6, , 7",
      "7, , 8",
      "0, 6, 7",
      "0, 9, 10",
      "5, 9, 10",
      "12, 9, 13",
    })
    void flakesThatWereToldOfMustBeGone(int last, Integer seen, int earliest) {
      NextPeel next = since("MAN-20", List.of(), told(last, seen));
      assertThat(next.earliest()).isEqualTo(T.plusDays(earliest));
      if (seen != null && seen > Math.max(last, 2)) {
        assertThat(next.reasons()).anyMatch(why -> why.startsWith("after flakes told of on "));
      }
    }

    private static Since event(int days) {
      return new Since(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          false,
          false,
          List.of(T.plusDays(days)));
    }

    /// GLY-20 is very superficial and keeps its last day of flakes and 2 from an event; GLY-35,
    /// which is next after a full series, is superficial and keeps 28. domain/04.
    @Test
    void anEventIsKeptClearByWhatIsNext() {
      List<PastPeel> five = times(5, "GLY-20", 14);
      LocalDate free = since("GLY-20", List.of(), Since.NOTHING).earliest();
      int soon = (int) ChronoUnit.DAYS.between(T, free) + 20;
      assertThat(since("GLY-20", List.of(), event(soon)).earliest()).isEqualTo(free);
      NextPeel higher = since("GLY-20", five, event(soon));
      assertThat(higher.formula().orElseThrow().code()).isEqualTo("GLY-35");
      assertThat(higher.earliest()).isEqualTo(T.plusDays(soon + 1));
      assertThat(since("GLY-20", five, event(soon + 8)).earliest()).isEqualTo(free);
    }

    @Test
    void anOpenFlagHoldsTheDateAndCountsAsAdverse() {
      NextPeel next =
          since(
              "GLY-35",
              List.of(),
              new Since(
                  Optional.empty(),
                  Optional.empty(),
                  Optional.of(T.plusDays(3)),
                  true,
                  false,
                  List.of()));
      assertThat(next.held()).isTrue();
      assertThat(next.reasons().getFirst()).startsWith("a red flag is open since");
      assertThat(next.step()).isEqualTo(Step.OTHER_FAMILY);
      assertThat(next.formula()).isEmpty();
    }

    /// A well-taken GLY-50 after which a red flag was closed as not harmless; domain/13, "Outcome".
    @Test
    void aFlagThatWasClosedAsNotHarmlessStaysAdverse() {
      Since closed =
          new Since(Optional.empty(), Optional.empty(), Optional.empty(), true, false, List.of());
      NextPeel next = since("GLY-50", List.of(), closed);
      assertThat(next.step()).isEqualTo(Step.LOWER);
      assertThat(next.formula().orElseThrow().code()).isEqualTo("GLY-20");
      TreatmentPlan plan = plan("GLY-50", 1);
      assertThat(next.proposal(plan, state(plan, 3, 5)).orElseThrow().contact())
          .as("the first-visit time")
          .isEqualTo(Library.get("GLY-20").firstContact());
      assertThat(since("GLY-20", List.of(), closed).step()).isEqualTo(Step.OTHER_FAMILY);
    }

    @Test
    void sensitiveAndYoungWaitLonger() {
      assertThat(
              next("MAN-20", 1, 2, 5, easy().sensitivity(Sensitivity.SENSITIVE), List.of())
                  .earliest())
          .isEqualTo(T.plusDays(11));
      assertThat(next("MAN-20", 1, 2, 5, easy().aged(16), List.of()).earliest())
          .isEqualTo(T.plusDays(14));
    }

    @Test
    void theSixthWellTakenPeelGoesOneRungUp() {
      NextPeel next = next("GLY-20", 1, 2, 5, easy(), times(5, "GLY-20", 14));
      assertThat(next.step()).isEqualTo(Step.ONE_RUNG_UP);
      assertThat(next.formula().orElseThrow().code()).isEqualTo("GLY-35");
      assertThat(next("GLY-20", 1, 2, 5, easy(), times(4, "GLY-20", 14)).step())
          .isEqualTo(Step.SAME);
    }

    /// GLY-35 is superficial: deeper than skin of seventy may have, or than a narrow licence
    /// covers. domain/02, 04.
    @Test
    void noRungThatTheClientOrTheLicenceMayNotHave() {
      Policies narrow = Policies.defaults().with(LicenceScope.VERY_SUPERFICIAL);
      for (Clients one : List.of(easy().aged(72), easy().under(narrow))) {
        List<PastPeel> past = times(5, "GLY-20", 14);
        NextPeel next = next("GLY-20", 1, 2, 5, one, past);
        assertThat(next.step()).isEqualTo(Step.SAME);
        PastPeel peel = peel("GLY-20", 0, 1, PeelOutcome.WELL_TAKEN);
        assertThat(Onward.after(next, peel, past, one.facts()).step()).isEqualTo(Outlook.Step.TOP);
      }
    }

    @Test
    void layeredFamiliesTakeOneLayerMore() {
      assertThat(next("TCA-10", 1, 3, 14, easy(), List.of()).step()).isEqualTo(Step.ONE_LAYER_MORE);
      assertThat(next("TCA-10", 3, 3, 14, easy(), List.of()).step()).isEqualTo(Step.SAME);
    }

    /// In type IV two layers are the most: there is no third, and none stronger after it.
    /// domain/02.
    @Test
    void noLayerMoreThanTheClientMayHave() {
      Clients four = easy().type(Phototype.IV);
      assertThat(next("TCA-10", 1, 3, 14, four, List.of()).step()).isEqualTo(Step.ONE_LAYER_MORE);
      NextPeel second = next("TCA-10", 2, 3, 14, four, List.of());
      assertThat(second.step()).isEqualTo(Step.SAME);
      PastPeel peel = peel("TCA-10", 0, 2, PeelOutcome.WELL_TAKEN);
      assertThat(Onward.after(second, peel, List.of(), four.facts()).step())
          .isEqualTo(Outlook.Step.TOP);
      assertThat(Onward.whenWellTaken(peel, List.of(), four.facts()).step())
          .isEqualTo(Outlook.Step.TOP);
    }

    @Test
    void tooStrongStaysForLessTimeAndTwiceRunningGoesLower() {
      NextPeel once = next("GLY-35", 1, 9, 6, easy(), List.of());
      assertThat(once.step()).isEqualTo(Step.SHORTER);
      assertThat(once.formula().orElseThrow().code()).isEqualTo("GLY-35");
      NextPeel twice =
          next("GLY-35", 1, 9, 6, easy(), List.of(peel("GLY-35", 20, PeelOutcome.TOO_STRONG)));
      assertThat(twice.step()).isEqualTo(Step.LOWER);
      assertThat(twice.formula().orElseThrow().code()).isEqualTo("GLY-20");
    }

    @Test
    void anAlarmLeavesItToTheClinician() {
      NextPeel next = next("GLY-35", 1, 3, 5, easy(), List.of(), new SignSeen(Sign.BLISTER));
      assertThat(next.step()).isEqualTo(Step.WAIT);
      assertThat(next.formula()).isEmpty();
      assertThat(next.why()).contains("supervising clinician");
    }
  }
}
