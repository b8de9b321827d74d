package ivesk.core.selection;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Shelf;
import ivesk.core.formula.Strength;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// The gates of practice, place, stock and time; numbers tried; stages together; what to do when
/// nothing fits. Rules of the trade are common practice, no source, but where one stands.
class GatesTest {

  private static SelectionFacts facts(Clients client) {
    return SelectionFacts.of(
        client.facts(),
        client.screened(),
        LadderRules.of(client.facts().pastPeels(), T, Region.FACE));
  }

  private static SelectionFacts booked(Clients client, int minutes) {
    SelectionFacts plain = facts(client);
    return new SelectionFacts(
        plain.client(),
        plain.screening(),
        plain.ladders(),
        plain.flakingDaysThatFit(),
        plain.event(),
        plain.areas(),
        plain.weightKg(),
        Optional.of(minutes));
  }

  private static SelectionFacts before(Clients client, LocalDate event) {
    SelectionFacts plain = facts(client);
    return new SelectionFacts(
        plain.client(),
        plain.screening(),
        plain.ladders(),
        Optional.empty(),
        Optional.of(event),
        plain.areas(),
        plain.weightKg(),
        Optional.empty());
  }

  private static Set<String> rules(Selection rack, String code) {
    return rack.tile(code).shut().stream().map(Shut::ruleId).collect(Collectors.toSet());
  }

  private static PastPeel peel(String code, int daysAgo) {
    return peel(code, daysAgo, 1, true);
  }

  private static PastPeel peel(String code, int daysAgo, int layers, boolean wellTaken) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        layers,
        Duration.ofMinutes(3),
        wellTaken ? PeelOutcome.WELL_TAKEN : PeelOutcome.ADVERSE,
        Optional.of(3));
  }

  private static Lot lot(String code, LocalDate expires, double left) {
    return new Lot(
        code,
        "A1",
        T.minusDays(400),
        expires,
        Optional.empty(),
        Optional.of(12),
        Volume.ml(100),
        Volume.ml(left));
  }

  @Nested
  class Place {

    @Test
    void onlyWhatIsMadeForARegionIsHere() {
      Selection eyes = Selection.choose(facts(easy().at(Region.EYE_CONTOUR)));
      assertThat(eyes.tiles().stream().filter(Tile::here).map(t -> t.formula().code()))
          .contains("EYE-L")
          .doesNotContain("LAC-10", "GLY-20");
      assertThat(eyes.ranked()).isEmpty();
      Selection face = Selection.choose(facts(easy()));
      assertThat(face.tile("EYE-L").here()).isFalse();
      assertThat(rules(face, "EYE-L")).containsExactly(Gates.NOT_HERE);
      Selection arms = Selection.choose(facts(easy().at(Region.UPPER_ARMS)));
      assertThat(arms.tile("GLY-35").here()).isTrue();
      assertThat(arms.tile("AZM-15").here()).isFalse();
    }

    /// One class deeper, once in all, on thin skin for which the formula is not made.
    @Test
    void thinSkinCountsAClassDeeperUnlessMadeForIt() {
      var limits = easy().screened().limits();
      Formula mandelic = Library.get("MAN-20");
      Formula azelaic = Library.get("AZM-15");
      assertThat(limits.depth(mandelic, mandelic.firstContact(), 1, Region.NECK_DECOLLETAGE))
          .isEqualTo(DepthClass.VERY_SUPERFICIAL);
      assertThat(limits.depth(azelaic, azelaic.firstContact(), 1, Region.NECK_DECOLLETAGE))
          .isEqualTo(DepthClass.SUPERFICIAL);
      assertThat(limits.depth(azelaic, azelaic.firstContact(), 1, Region.HANDS))
          .isEqualTo(DepthClass.VERY_SUPERFICIAL);
    }

    @Test
    void whatIsChosenByHandIsOpenAndNeverRanks() {
      Selection rack = Selection.choose(facts(easy()));
      assertThat(rack.tile("SPOT-S").open()).isTrue();
      assertThat(rack.tile("LWC-8").open()).isTrue();
      assertThat(rack.ranked()).doesNotContain("SPOT-S", "LWC-8", "RES-20");
    }
  }

  @Nested
  class ThePractice {

    @Test
    void restrictedSubstancesWaitForTheClinician() {
      Policies none = Policies.defaults();
      Selection shut = Selection.choose(facts(easy().under(none)));
      assertThat(rules(shut, "TCA-10")).contains("CLINICIAN");
      assertThat(rules(shut, "JES")).contains("CLINICIAN");
      assertThat(rules(shut, "RES-20")).contains("CLINICIAN");
      Selection tca =
          Selection.choose(facts(easy().under(none.opening(Set.of(Policies.Restricted.TCA)))));
      assertThat(rules(tca, "TCA-10")).doesNotContain("CLINICIAN");
      assertThat(rules(tca, "JES")).contains("CLINICIAN");
    }

    @Test
    void bottlesMustBeThereAndInDate() {
      Shelf over = Shelf.with(List.of(), List.of(lot("GLY-20", T.minusDays(1), 80)));
      Selection rack = Selection.choose(facts(easy().shelf(over)));
      assertThat(rules(rack, "GLY-20")).containsExactly("STOCK");
      Shelf good = Shelf.with(List.of(), List.of(lot("GLY-20", T.plusDays(1), 80)));
      assertThat(Selection.choose(facts(easy().shelf(good))).tile("GLY-20").open()).isTrue();
      Shelf empty = Shelf.with(List.of(), List.of(lot("GLY-20", T.plusDays(1), 0)));
      assertThat(rules(Selection.choose(facts(easy().shelf(empty))), "GLY-20"))
          .containsExactly("STOCK");
    }

    /// GLY-20 takes 35 minutes in the room: 33 round the two of its contact.
    @ParameterizedTest
    @CsvSource({"34, true", "35, false"})
    void theAppointmentMustBeLongEnough(int minutes, boolean shut) {
      Selection rack = Selection.choose(booked(easy(), minutes));
      assertThat(rules(rack, "GLY-20").contains("TIME")).isEqualTo(shut);
      assertThat(rules(rack, "LWC-8")).contains("TIME");
    }
  }

  @Nested
  class NumbersTried {

    private static Attempt attempt(
        String code, double percent, double ph, int seconds, int layers) {
      return Attempt.of(
          Library.get(code),
          new Attempt.Numbers(
              List.of(Strength.wv(percent)),
              Optional.of(Ph.of(ph)),
              Optional.of(Duration.ofSeconds(seconds)),
              layers),
          facts(easy().after(peel("GLY-20", 30))));
    }

    /// Rubin 1995 as quoted by Khunger 2008, from memory: the function's own class.
    @ParameterizedTest
    @CsvSource({
      "40, 60, VERY_SUPERFICIAL",
      "50, 60, VERY_SUPERFICIAL",
      "60, 300, SUPERFICIAL",
      "70, 300, MEDIUM"
    })
    void depthIsTheFunctionsOwn(double percent, int seconds, DepthClass expected) {
      assertThat(attempt("GLY-35", percent, 2.5, seconds, 1).depth()).isEqualTo(expected);
    }

    @Test
    void figuresFollowTheNumbers() {
      Attempt tried = attempt("GLY-20", 20, 3.83, 120, 1);
      assertThat(tried.freeAcid().percent()).isCloseTo(10, within(1e-9));
      // 5 uL/cm2 of 20 % w/v.
      assertThat(tried.dose().mgPerCm2()).isCloseTo(1.0, within(1e-9));
      assertThat(attempt("GLY-20", 20, 3.0, 120, 2).dose().mgPerCm2()).isCloseTo(2.0, within(1e-9));
      assertThat(tried.objections()).isEmpty();
      Attempt stronger = attempt("GLY-20", 42, 3.0, 120, 1);
      assertThat(stronger.flakesLike()).isEqualTo("GLY-50");
      assertThat(stronger.peelingLast()).isEqualTo(5);
      assertThat(stronger.aboveSalonFigure()).isTrue();
    }

    @Test
    void theRuleThatObjectsIsNamed() {
      assertThat(ids(attempt("GLY-20", 20, 3.0, 360, 1))).containsExactly("CONTACT");
      assertThat(ids(attempt("GLY-20", 20, 3.0, 120, 2))).containsExactly("LAYERS");
      assertThat(ids(attempt("GLY-20", 35, 2.5, 120, 1))).contains("LADDER");
      assertThat(ids(attempt("GLY-20", 70, 1.5, 120, 1))).contains("SCOPE");
      assertThat(ids(attempt("GLY-20", 90, 1.5, 120, 1))).contains("STRENGTH", "SCOPE");
    }

    private static List<String> ids(Attempt tried) {
      return tried.objections().stream().map(Shut::ruleId).toList();
    }

    @Test
    void nonsenseIsRefusedWithItsRange() {
      assertThatThrownBy(() -> attempt("GLY-20", 120, 3, 120, 1)).hasMessageContaining("120.0");
      assertThatThrownBy(() -> attempt("GLY-20", 20, 15, 120, 1)).hasMessageContaining("pH is 15");
      assertThatThrownBy(() -> attempt("GLY-20", 20, 3, 10, 1)).hasMessageContaining("30 to 7200");
      assertThatThrownBy(() -> attempt("JES", 20, 3, 120, 1)).hasMessageContaining("3 components");
    }

    @Test
    void resorcinolIsCountedInMilligrams() {
      Attempt jessner =
          Attempt.of(
              Library.get("JES"),
              new Attempt.Numbers(
                  List.of(Strength.wv(14), Strength.wv(14), Strength.wv(11.9)),
                  Optional.empty(),
                  Optional.empty(),
                  2),
              facts(easy()));
      double ml = facts(easy()).area().cm2() * 5 / 1000;
      assertThat(jessner.resorcinol().mg()).isCloseTo(140 * ml * 2, within(1e-6));
    }
  }

  /// Domain's row SAL-20: a second pass by policy after one uneventful visit, within the
  /// phototype's cap. Common practice, no source.
  @Nested
  class SecondSalicylicPass {
    private static final Policies TWICE =
        Policies.defaults().with(Policies.Choice.SECOND_SALICYLIC_PASS);
    private static final Formula SAL_20 = Library.get("SAL-20");

    private static int most(Clients client) {
      return Amounts.mostLayers(SAL_20, facts(client.under(TWICE)));
    }

    @Test
    void followsOneUneventfulVisit() {
      assertThat(most(easy())).as("a first visit").isEqualTo(1);
      assertThat(most(easy().after(peel("SAL-20", 30, 1, true)))).isEqualTo(2);
      assertThat(Amounts.plannedLayers(SAL_20, facts(easy().after(peel("SAL-20", 30, 1, true)))))
          .as("asked for, never planned by itself")
          .isEqualTo(1);
      assertThat(most(easy().after(peel("SAL-20", 60, 1, true), peel("SAL-20", 30, 1, false))))
          .as("the last one was not well taken")
          .isEqualTo(1);
    }

    @Test
    void needsThePolicyAndIsForThisFormulaAlone() {
      Clients had = easy().after(peel("SAL-20", 30, 1, true));
      assertThat(Amounts.mostLayers(SAL_20, facts(had))).isEqualTo(1);
      Clients weaker = easy().after(peel("SAL-10", 30)).under(TWICE);
      assertThat(Amounts.mostLayers(Library.get("SAL-10"), facts(weaker))).isEqualTo(1);
    }

    @Test
    void staysWithinThePhototypesCap() {
      Clients six = easy().type(Phototype.VI).primed(20).after(peel("SAL-20", 30, 1, true));
      assertThat(most(six)).as("cap of two").isEqualTo(2);
      Clients more = easy().type(Phototype.VI).primed(20).after(peel("SAL-20", 30, 2, true));
      assertThat(most(more)).as("never a third").isEqualTo(2);
    }

    @Test
    void numbersTriedObjectOnlyWithoutIt() {
      Clients had = easy().after(peel("SAL-20", 30, 1, true));
      assertThat(tried(had).objections().stream().map(Shut::ruleId)).contains("LAYERS");
      assertThat(tried(had.under(TWICE)).objections().stream().map(Shut::ruleId))
          .doesNotContain("LAYERS");
    }

    private static Attempt tried(Clients client) {
      return Attempt.of(
          SAL_20,
          new Attempt.Numbers(
              List.of(Strength.wv(20)), SAL_20.ph(), Optional.of(Duration.ofMinutes(3)), 2),
          facts(client));
    }
  }

  @Nested
  class StagesTogether {

    private static Chain chain(SelectionFacts facts, Chain.Stage... stages) {
      return Chain.of(List.of(stages), facts);
    }

    private static Chain.Stage stage(String code, Zone... zones) {
      return new Chain.Stage(Library.get(code), List.of(zones));
    }

    private static Clients withRetinol() {
      return easy()
          .under(
              Policies.defaults()
                  .opening(Set.of(Policies.Restricted.TCA, Policies.Restricted.RESORCINOL))
                  .with(Choice.RETINOL_LABEL_HOURS));
    }

    /// RET-1 adds its two to three days of flaking.
    @Test
    void acidThenRetinoid() {
      Chain chain = chain(facts(withRetinol()), stage("MAN-20"), stage("RET-1"));
      assertThat(chain.objections()).isEmpty();
      assertThat(chain.depth()).isEqualTo(DepthClass.VERY_SUPERFICIAL);
      assertThat(chain.peelingLast()).isEqualTo(2 + 3);
      assertThat(chain(facts(easy()), stage("MAN-20"), stage("RET-1")).objections())
          .extracting(Shut::ruleId)
          .containsExactly("POLICY");
      assertThat(chain(facts(withRetinol()), stage("RET-1"), stage("MAN-20")).objections())
          .extracting(Shut::ruleId)
          .contains("ORDER");
    }

    @Test
    void twoFormulasTakeZonesOfTheirOwn() {
      SelectionFacts facts = facts(easy());
      Chain apart =
          chain(
              facts,
              stage("LAC-30", Zone.CHEEK_LEFT, Zone.CHEEK_RIGHT),
              stage("SAL-10", Zone.NOSE));
      assertThat(apart.objections()).isEmpty();
      assertThat(apart.minutes()).isEqualTo(33 + 2 + 3 + 6);
      Chain over = chain(facts, stage("LAC-30"), stage("SAL-10", Zone.NOSE));
      assertThat(over.objections()).extracting(Shut::ruleId).containsExactly("POLICY");
      assertThat(over.objections().getFirst().words()).contains("same skin");
    }

    /// Two superficial stages in one visit make medium; Jessner then any TCA does too.
    @Test
    void theChainIsAsDeepAsItsRulesSay() {
      assertThat(
              Depth.chain(
                      List.of(
                          new Depth.Stage(Library.get("GLY-35"), DepthClass.SUPERFICIAL),
                          new Depth.Stage(Library.get("SAL-20"), DepthClass.SUPERFICIAL)))
                  .depth())
          .isEqualTo(DepthClass.MEDIUM);
      assertThat(
              Depth.chain(
                      List.of(
                          new Depth.Stage(Library.get("JES-RF"), DepthClass.VERY_SUPERFICIAL),
                          new Depth.Stage(Library.get("TCA-10"), DepthClass.VERY_SUPERFICIAL)))
                  .depth())
          .isEqualTo(DepthClass.MEDIUM);
      assertThat(
              Depth.chain(
                      List.of(
                          new Depth.Stage(Library.get("TCA-10"), DepthClass.VERY_SUPERFICIAL),
                          new Depth.Stage(Library.get("JES-RF"), DepthClass.VERY_SUPERFICIAL)))
                  .depth())
          .isEqualTo(DepthClass.VERY_SUPERFICIAL);
      SelectionFacts had =
          facts(easy().after(peel("MAN-20", 120), peel("MAN-20", 100), peel("MAN-20", 80)));
      assertThat(chain(had, stage("JES-RF", Zone.NOSE), stage("TCA-10", Zone.CHIN)).objections())
          .extracting(Shut::ruleId)
          .contains("CHAIN");
    }
  }

  @Nested
  class NothingFits {

    @Test
    void saysWhatOpensAndWhenInstead() {
      Selection rack = Selection.choose(before(easy(), T.plusDays(9)));
      assertThat(rack.ranked()).isEmpty();
      Counsel counsel = rack.advice().orElseThrow();
      assertThat(counsel.said()).contains("9 days before the event");
      // The event is on 7 Dec; on the day itself nothing is open either.
      assertThat(T.plusDays(9)).isEqualTo(LocalDate.of(2026, 12, 7));
      assertThat(counsel.instead())
          .anyMatch(words -> words.startsWith("Move the visit: from Tue 8 Dec"));
      assertThat(counsel.refer()).as("nothing refers").isEmpty();
      assertThat(counsel.instead()).anyMatch(words -> words.contains("without acid"));
    }

    @Test
    void aDayIsOnlySaidWhenSomethingIsOpenOnIt() {
      // Strong sun to come and a peel of last week: the first date of the findings opens nothing.
      Clients sun =
          easy()
              .answering(
                  Question.SUN_PLANNED,
                  Question.Answer.between("planned", T.plusDays(2), T.plusDays(9)));
      Selection rack = Selection.choose(before(sun, T.plusDays(24)));
      String moved =
          rack.advice().orElseThrow().instead().stream()
              .filter(words -> words.startsWith("Move the visit"))
              .findFirst()
              .orElseThrow();
      assertThat(moved)
          .as("the sun ends on T + 23, the event is the day after")
          .contains("Wed 23 Dec");
    }

    /// What was signed for the next time is what the next visit proposes, in full.
    @Test
    void whatWasSignedForThisTimeIsProposed() {
      PastPeel last = peel("GLY-20", 20);
      assertThat(time(last, "GLY-20")).hasSeconds(240);
      PastPeel signed =
          last.planning(
              Optional.of(
                  new PastPeel.NextTime("GLY-20", Optional.of(Duration.ofSeconds(150)), 1)));
      assertThat(time(signed, "GLY-20")).hasSeconds(150);
      PastPeel harsh =
          peel("GLY-20", 20, 1, false)
              .planning(
                  Optional.of(
                      new PastPeel.NextTime("GLY-20", Optional.of(Duration.ofMinutes(4)), 1)));
      assertThat(time(harsh, "GLY-20")).as("never past the first-visit time").hasSeconds(120);
    }

    private Duration time(PastPeel last, String code) {
      return Selection.choose(facts(easy().after(last))).tile(code).contact().orElseThrow();
    }

    @Test
    void namesToWhomToRefer() {
      Counsel dermal =
          Selection.choose(
                  facts(
                      easy().shows(Map.of(Condition.MELASMA_DERMAL, 3), Condition.MELASMA_DERMAL)))
              .advice()
              .orElseThrow();
      assertThat(dermal.refer().orElseThrow()).contains("dermatologist").contains("melasma");
    }
  }

  /// Taken off after three minutes as too strong: three quarters of that are left, and its label
  /// wants 45 minutes at least.
  @Test
  void lessThanItsLabelWantsIsShut() {
    PastPeel before =
        new PastPeel(
            Library.get("LWC-8"),
            Region.FACE,
            T.minusDays(30),
            1,
            Duration.ofMinutes(3),
            PeelOutcome.TOO_STRONG,
            Optional.of(8));
    Clients client = easy().after(before);
    SelectionFacts facts =
        SelectionFacts.of(
            client.facts(),
            client.screened(),
            LadderRules.of(client.facts().pastPeels(), T, Region.FACE));
    assertThat(Selection.choose(facts).tile("LWC-8").shut())
        .extracting(Shut::words)
        .contains("2:15 is left for it today; its label wants 45:00 at least");
  }
}
