package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sheets.ENDED;
import static ivesk.core.aftercare.Sheets.client;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare.Client;
import ivesk.core.aftercare.Aftercare.Incident;
import ivesk.core.aftercare.Aftercare.Mark;
import ivesk.core.aftercare.Aftercare.Until;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.plan.script.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// Days and hours are common practice, no source: the table of domain/08.
class AftercareTest {
  private static final LocalDate DAY = ENDED.toLocalDate();

  private static Aftercare after(String code, DepthClass depth) {
    return after(code, depth, Policies.defaults());
  }

  private static Aftercare after(String code, DepthClass depth, Policies policies) {
    return Sheets.of(Library.get(code), depth, client(false, true), policies);
  }

  private static LocalDate free(Aftercare sheet, Activity activity) {
    return sheet.rule(activity).orElseThrow().free();
  }

  private static String lines(Aftercare sheet, LocalDate date) {
    return sheet.days().stream()
        .filter(day -> day.date().equals(date))
        .map(day -> Told.all(day.lines(), Language.EN))
        .reduce("", String::concat);
  }

  private static String answer(Aftercare sheet, Sentence question) {
    return sheet.answers().stream()
        .filter(reply -> reply.question().sentence() == question)
        .map(reply -> Told.all(reply.answer(), Language.EN))
        .findFirst()
        .orElse("");
  }

  @ParameterizedTest
  @CsvSource({
    "VERY_SUPERFICIAL, MAKE_UP, 1, false",
    "SUPERFICIAL, MAKE_UP, 1, true",
    "VERY_SUPERFICIAL, EXERCISE_AND_HEAT, 1, true",
    "SUPERFICIAL, EXERCISE_AND_HEAT, 2, true",
    "VERY_SUPERFICIAL, ACIDS_AND_SCRUBS, 7, false",
    "SUPERFICIAL, ACIDS_AND_SCRUBS, 7, false",
    "VERY_SUPERFICIAL, RETINOID, 5, false",
    "SUPERFICIAL, RETINOID, 7, false",
    "VERY_SUPERFICIAL, OTHER_TREATMENTS, 7, false",
    "SUPERFICIAL, OTHER_TREATMENTS, 14, false",
    "VERY_SUPERFICIAL, SUN, 14, false",
    "SUPERFICIAL, SUN, 28, false"
  })
  void whatReturnsWhen(DepthClass depth, Activity what, int days, boolean atTheHour) {
    Until rule = after("LAC-10", depth).rule(what).orElseThrow();
    assertThat(rule.free()).isEqualTo(DAY.plusDays(days));
    assertThat(rule.byHour()).isEqualTo(atTheHour);
    if (atTheHour) assertThat(rule.from().toLocalTime()).isEqualTo(ENDED.toLocalTime());
  }

  private static Aftercare afterIncident(Set<Substance> reactedTo, boolean eye) {
    Client client =
        new Client(
            false, false, Set.of(), Optional.empty(), Optional.of(new Incident(reactedTo, eye)));
    return Sheets.of(Library.get("SAL-20"), DepthClass.SUPERFICIAL, client, Policies.defaults());
  }

  /// Throat swelling under salicylic acid, 20 %: what is said first, and no date for what works on
  /// the skin. domain/02 SCR-REACTION; common practice, no source.
  @Test
  void afterAnAllergicSignTheSheetSaysWhatToKeepAwayFrom() {
    Aftercare sheet = afterIncident(Set.of(Substance.SALICYLIC), false);
    assertThat(sheet.days().getFirst().lines())
        .extracting(Told::sentence)
        .startsWith(Sentence.REACTED_TO, Sentence.NOTHING_ACTIVE);
    assertThat(lines(sheet, DAY)).contains("use nothing with salicylic acid or aspirin");
    assertThat(answer(sheet, Sentence.ASK_RETINOID)).doesNotContain("from");
    assertThat(sheet.rules()).allMatch(rule -> rule.held() == rule.activity().active());
    assertThat(sheet.days().stream().flatMap(day -> day.lines().stream()))
        .filteredOn(told -> told.sentence() == Sentence.RETURNS)
        .allSatisfy(
            told -> assertThat(told.in(Language.EN)).doesNotContainIgnoringCase("acid", "retino"));
  }

  @Test
  void anEyeHasItsOwnLineAndNamesNoSubstance() {
    assertThat(afterIncident(Set.of(), true).days().getFirst().lines())
        .extracting(Told::sentence)
        .startsWith(Sentence.EYE_AGAIN, Sentence.NOTHING_ACTIVE);
  }

  /// Salicylic 20 % may flake to day 5, mandelic 40 % to day 4, TCA 10 % to day 9 and with frost to
  /// day 11.
  @Test
  void nothingThatWorksOnTheSkinReturnsBeforeTheLastDayOfFlakes() {
    assertThat(free(after("SAL-20", DepthClass.VERY_SUPERFICIAL), Activity.RETINOID))
        .isEqualTo(DAY.plusDays(6));
    assertThat(free(after("TCA-10", DepthClass.VERY_SUPERFICIAL), Activity.ACIDS_AND_SCRUBS))
        .isEqualTo(DAY.plusDays(10));
    for (var formula : Library.FORMULAS) {
      if (!formula.peels()) continue;
      for (DepthClass depth : List.of(DepthClass.VERY_SUPERFICIAL, DepthClass.SUPERFICIAL)) {
        Aftercare sheet = after(formula.code(), depth);
        for (Activity what :
            List.of(Activity.ACIDS_AND_SCRUBS, Activity.RETINOID, Activity.OTHER_TREATMENTS)) {
          assertThat(free(sheet, what))
              .as(formula.code() + ", " + what)
              .isAfter(DAY.plusDays(formula.peelingLast()));
        }
      }
    }
  }

  /// By formula, depth and frost: flakes where the table of domain/03 has them, and no line about
  /// them where it has none.
  @Test
  void flakesStandWhereTheyAreDueAndNowhereElse() {
    for (Formula formula : Library.FORMULAS) {
      if (!formula.peels()) continue;
      for (DepthClass depth : List.of(DepthClass.VERY_SUPERFICIAL, DepthClass.SUPERFICIAL)) {
        for (List<Zone> frosted : List.of(List.<Zone>of(), List.of(Zone.CHIN))) {
          Aftercare sheet =
              Sheets.of(
                  formula,
                  depth,
                  client(false, false),
                  Policies.defaults(),
                  ENDED,
                  frosted,
                  Optional.empty());
          String as = formula.code() + " " + depth + " " + frosted;
          boolean due = formula.peelingLast() > 0;
          assertThat(sheet.flakes().isPresent()).as(as).isEqualTo(due);
          assertThat(sheet.rule(Activity.PICKING).isPresent()).as(as).isEqualTo(due);
          assertThat(answer(sheet, Sentence.ASK_NO_FLAKES).isEmpty()).as(as).isEqualTo(!due);
          if (!due) {
            assertThat(sheet.days().toString())
                .as(as)
                .doesNotContain("FLAK")
                .doesNotContain("DARKER");
            continue;
          }
          boolean sooner = !frosted.isEmpty();
          assertThat(sheet.flakes().orElseThrow().from())
              .as(as)
              .isEqualTo(
                  DAY.plusDays(
                      sooner ? Math.max(1, formula.peelingFirst() - 1) : formula.peelingFirst()));
          assertThat(sheet.flakes().orElseThrow().to())
              .as(as)
              .isEqualTo(DAY.plusDays(formula.peelingLast() + (sooner ? 2 : 0)));
        }
      }
    }
  }

  @ParameterizedTest
  @CsvSource({"VERY_SUPERFICIAL, 2, 0, 1, 2", "SUPERFICIAL, 7, 1, 2, 4"})
  void whatTheSkinDoesStandsOnItsDates(
      DepthClass depth, int gentle, int tightFrom, int tightTo, int darkTo) {
    Aftercare sheet = after("SAL-20", depth);
    assertThat(lines(sheet, DAY))
        .contains("gentle cleanser and bland cream, morning and night, until " + say(gentle));
    assertThat(lines(sheet, DAY.plusDays(tightFrom))).contains("feel tight until " + say(tightTo));
    assertThat(lines(sheet, DAY.plusDays(1))).contains("until about " + say(darkTo));
  }

  private static String say(int days) {
    return Language.EN.day(DAY.plusDays(days));
  }

  @Test
  void homeAcidsFollowThePolicy() {
    Policies usual = Policies.defaults();
    Policies sooner =
        new Policies(
            usual.thresholds(),
            usual.scope(),
            4,
            1,
            8,
            3,
            usual.choices(),
            usual.openedByClinician());
    assertThat(
            free(after("LAC-10", DepthClass.VERY_SUPERFICIAL, sooner), Activity.ACIDS_AND_SCRUBS))
        .isEqualTo(DAY.plusDays(3));
    assertThat(free(after("LAC-10", DepthClass.SUPERFICIAL, sooner), Activity.ACIDS_AND_SCRUBS))
        .isEqualTo(DAY.plusDays(3));
  }

  /// A peel that is left on: no water, no powder, no sunscreen over it, so no sun.
  @Test
  void noWaterForEightHoursOnlyAfterWhatIsSelfLimiting() {
    Aftercare jessner = after("JES-RF", DepthClass.VERY_SUPERFICIAL);
    assertThat(lines(jessner, DAY))
        .contains("no water and nothing on it until Wed 25 Nov, 22:30", "out of the sun today")
        .doesNotContain("mineral sunscreen");
    assertThat(lines(jessner, DAY.plusDays(1))).contains("mineral sunscreen");
    assertThat(answer(jessner, Sentence.ASK_WASH_MAKE_UP_GYM))
        .contains("Wash from Wed 25 Nov, 22:30", "No make-up until Thu 26 Nov")
        .doesNotContain("powder today");
    assertThat(answer(jessner, Sentence.ASK_SUN)).startsWith("Not today. From Thu 26 Nov");
    Aftercare mandelic = after("MAN-20", DepthClass.VERY_SUPERFICIAL);
    assertThat(lines(mandelic, DAY)).doesNotContain("no water").contains("mineral sunscreen");
    assertThat(answer(mandelic, Sentence.ASK_WASH_MAKE_UP_GYM))
        .startsWith("Wash gently with cool water. Mineral powder today");
  }

  /// Clocks go back in the night of 25 October 2026 in Lisbon: eight hours are eight hours.
  @Test
  void hoursAreHoursWhenTheClocksChange() {
    ZonedDateTime late = ZonedDateTime.of(2026, 10, 24, 20, 0, 0, 0, ZoneId.of("Europe/Lisbon"));
    Aftercare sheet =
        Sheets.of(
            Library.get("JES-RF"),
            DepthClass.SUPERFICIAL,
            client(false, false),
            Policies.defaults(),
            late,
            List.of(),
            Optional.empty());
    assertThat(lines(sheet, late.toLocalDate())).contains("until Sun 25 Oct, 03:00");
    Until gym = sheet.rule(Activity.EXERCISE_AND_HEAT).orElseThrow();
    assertThat(Duration.between(late, gym.from())).isEqualTo(Duration.ofHours(48));
  }

  @Test
  void daysPassOverYearsEndAndALeapDay() {
    ZonedDateTime late = ZonedDateTime.of(2027, 12, 28, 15, 0, 0, 0, ZoneId.of("UTC"));
    assertThat(
            free(
                Sheets.of(
                    Library.get("MAN-20"),
                    DepthClass.VERY_SUPERFICIAL,
                    client(false, false),
                    Policies.defaults(),
                    late,
                    List.of(),
                    Optional.empty()),
                Activity.SUN))
        .isEqualTo(LocalDate.of(2028, 1, 11));
    assertThat(
            free(
                Sheets.of(
                    Library.get("MAN-20"),
                    DepthClass.SUPERFICIAL,
                    client(false, false),
                    Policies.defaults(),
                    late.plusDays(50),
                    List.of(),
                    Optional.empty()),
                Activity.SUN))
        .as("16 February 2028 and 28 days, the 29th among them")
        .isEqualTo(LocalDate.of(2028, 3, 15));
  }

  @Test
  void flakingStandsOnItsDates() {
    Aftercare sheet = after("SAL-20", DepthClass.SUPERFICIAL);
    assertThat(sheet.days())
        .filteredOn(
            day -> day.lines().stream().anyMatch(line -> line.sentence() == Sentence.FLAKES_START))
        .singleElement()
        .satisfies(day -> {
          assertThat(day.date()).isEqualTo(DAY.plusDays(2));
          assertThat(day.mark()).isEqualTo(Mark.FLAKING);
        });
    assertThat(after("GLY-20", DepthClass.VERY_SUPERFICIAL).days())
        .noneMatch(day -> day.mark() == Mark.FLAKING);
  }

  @Test
  void daysStandInOrderOnceEachAndStartWithThePeel() {
    Aftercare sheet = after("SAL-20", DepthClass.SUPERFICIAL);
    assertThat(sheet.days().getFirst().date()).isEqualTo(DAY);
    assertThat(sheet.days().getFirst().mark()).isEqualTo(Mark.PEEL);
    assertThat(sheet.days().stream().map(Aftercare.Day::date).toList())
        .isSorted()
        .doesNotHaveDuplicates();
  }

  @Test
  void onlyPigmentProneSkinIsAskedOnDayFourteen() {
    assertThat(lines(after("MAN-20", DepthClass.VERY_SUPERFICIAL), DAY.plusDays(14)))
        .contains("late marks");
    Aftercare fair =
        Sheets.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            client(false, false),
            Policies.defaults());
    assertThat(lines(fair, DAY.plusDays(14))).doesNotContain("late marks");
  }

  /// Limits of the day that are told: domain 02 and 13.
  @Test
  void whatTheDayHadIsTold() {
    Aftercare told =
        Sheets.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            new Client(false, false, Set.of(Care.Kind.TELL_TINGLING, Care.Kind.NO_SUN_14_DAYS)),
            Policies.defaults());
    assertThat(lines(told, DAY)).contains("tell us the same day", "no sun on it at all until");
    assertThat(answer(told, Sentence.ASK_SUN)).startsWith("None at all until Wed 9 Dec");
    assertThat(lines(after("MAN-20", DepthClass.VERY_SUPERFICIAL), DAY))
        .doesNotContain("tell us the same day")
        .doesNotContain("no sun on it at all");
  }

  /// After a first peel home acids rest for weeks, unless the practice has it otherwise.
  @Test
  void homeAcidsRestAfterAFirstPeel() {
    Policies usual = Policies.defaults();
    Aftercare first =
        Sheets.of(Library.get("MAN-20"), DepthClass.VERY_SUPERFICIAL, client(true, false), usual);
    assertThat(free(first, Activity.HOME_ACIDS)).isEqualTo(DAY.plusDays(28));
    assertThat(free(first, Activity.ACIDS_AND_SCRUBS)).isEqualTo(DAY.plusDays(7));
    assertThat(first.rule(Activity.ACIDS_AND_SCRUBS).orElseThrow().what())
        .isEqualTo(Sentence.SCRUBS);
    assertThat(answer(first, Sentence.ASK_RETINOID))
        .startsWith("Scrubs from Wed 2 Dec, acids from Wed 23 Dec.");
    Aftercare mild =
        Sheets.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            client(true, false),
            usual.with(Choice.MILD_HOME_ACIDS_FIRST_WEEKS));
    assertThat(mild.rule(Activity.HOME_ACIDS)).isEmpty();
    assertThat(mild.rule(Activity.ACIDS_AND_SCRUBS).orElseThrow().what())
        .isEqualTo(Sentence.SCRUBS_AND_MILD_ACIDS);
  }

  @Test
  void theAnswerToHomeAcidsNamesTheirCap() {
    Aftercare mild =
        Sheets.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            client(true, false),
            Policies.defaults().with(Choice.MILD_HOME_ACIDS_FIRST_WEEKS));
    assertThat(answer(mild, Sentence.ASK_RETINOID)).contains("up to 5 % on alternate nights");
    assertThat(answer(after("MAN-20", DepthClass.VERY_SUPERFICIAL), Sentence.ASK_RETINOID))
        .doesNotContain("up to");
  }

  /// Jessner may flake to day 9: until then mineral only, in the days, the list and the answer.
  @Test
  void makeUpIsMineralUntilTheSkinIsClearWhereverItIsSaid() {
    Aftercare sheet = after("JES", DepthClass.SUPERFICIAL);
    LocalDate clear = sheet.flakes().orElseThrow().to().plusDays(1);
    assertThat(sheet.rules())
        .filteredOn(rule -> rule.activity() == Activity.MAKE_UP)
        .extracting(Until::what, Until::free)
        .containsExactly(
            tuple(Sentence.MINERAL_MAKE_UP, DAY.plusDays(1)), tuple(Sentence.OTHER_MAKE_UP, clear));
    assertThat(lines(sheet, DAY.plusDays(1))).contains("mineral make-up");
    assertThat(Sheets.words(sheet, Language.EN)).doesNotContain("any kind");
    Aftercare any =
        after(
            "JES", DepthClass.SUPERFICIAL, Policies.defaults().with(Choice.ANY_MAKE_UP_AFTER_24_H));
    assertThat(any.rules())
        .filteredOn(rule -> rule.activity() == Activity.MAKE_UP)
        .extracting(Until::what)
        .containsExactly(Sentence.MAKE_UP_OF_ANY_KIND);
  }

  @Test
  void theSunHasOneClearAnswer() {
    Aftercare sheet = after("SAL-20", DepthClass.SUPERFICIAL);
    assertThat(sheet.answers().getFirst().question().sentence()).isEqualTo(Sentence.ASK_SUN);
    assertThat(answer(sheet, Sentence.ASK_SUN)).contains("from Wed 23 Dec");
  }

  @Test
  void waterIsSaidToBeACustomAndOnlyAfterSalicylic() {
    assertThat(lines(after("SAL-20", DepthClass.SUPERFICIAL), DAY))
        .contains("a harmless custom, nobody has shown that it helps");
    assertThat(lines(after("LAC-30", DepthClass.SUPERFICIAL), DAY)).doesNotContain("drink");
  }

  /// Every question of domain/08 has an answer.
  @ParameterizedTest
  @EnumSource(
      names = {
        "ASK_SUN",
        "ASK_HURT",
        "ASK_DOWNTIME",
        "ASK_NO_FLAKES",
        "ASK_HOW_MANY",
        "ASK_BETWEEN",
        "ASK_WASH_MAKE_UP_GYM",
        "ASK_EVENT",
        "ASK_RETINOID",
        "ASK_STRONGER",
        "ASK_TROUBLE"
      })
  void whatClientsAskIsAnswered(Sentence question) {
    assertThat(answer(after("SAL-20", DepthClass.SUPERFICIAL), question)).hasSizeGreaterThan(10);
  }

  @Test
  void anEventIsAnsweredByTheFlakes() {
    Formula salicylic = Library.get("SAL-20");
    for (var row :
        List.of(
            List.of(1, "Before the flakes"),
            List.of(4, "may still flake"),
            List.of(6, "over by"))) {
      Outlook usual = Sheets.outlook(salicylic, DAY);
      Outlook outlook =
          new Outlook(
              usual.feel(),
              usual.peelNumber(),
              usual.seriesLeast(),
              usual.seriesMost(),
              usual.intervalDays(),
              usual.stronger(),
              List.of(new Outlook.Event("a party", DAY.plusDays((Integer) row.get(0)))));
      Aftercare sheet =
          Sheet.of(
              List.of(new Aftercare.Peeled(salicylic, DepthClass.SUPERFICIAL, ENDED, List.of())),
              client(false, false),
              Optional.empty(),
              outlook,
              Policies.defaults());
      assertThat(answer(sheet, Sentence.ASK_EVENT)).contains((String) row.get(1));
    }
  }

  /// domain/08: the rows follow what was really done.
  @Test
  void aSalicylicPeelThatWasLeftOnHasTheHoursAndOneThatCameOffHasNot() {
    Formula salicylic = Library.get("SAL-20");
    for (boolean left : new boolean[] {true, false}) {
      Aftercare sheet =
          Sheet.of(
              List.of(
                  new Aftercare.Peeled(salicylic, DepthClass.SUPERFICIAL, ENDED, List.of(), left)),
              client(false, false),
              Optional.empty(),
              Sheets.outlook(salicylic, DAY),
              Policies.defaults());
      String water =
          Told.of(Sentence.NO_WATER_UNTIL, new Told.Part.At(ENDED.plusHours(8))).in(Language.EN);
      assertThat(lines(sheet, DAY).contains(water)).as("left on: " + left).isEqualTo(left);
    }
  }

  @Test
  void ownFlakesTakeThePlaceOfTheFormulas() {
    Client own =
        new Client(false, false, Set.of(), Optional.of(new Flaking(3, 8)), Optional.empty());
    Aftercare sheet =
        Sheets.of(Library.get("SAL-20"), DepthClass.SUPERFICIAL, own, Policies.defaults());
    assertThat(answer(sheet, Sentence.ASK_DOWNTIME))
        .isEqualTo("Flakes from Sat 28 Nov to Thu 3 Dec, as after your own last peels.");
  }

  @Nested
  class AfterARetinoid {
    private static Aftercare withRetinol(String code, boolean shortContact, boolean wipedOff) {
      Worn worn =
          new Worn(new AddOn(Library.get("RET-1"), shortContact), ENDED.plusMinutes(10), wipedOff);
      return Sheets.of(
          Library.get(code),
          DepthClass.VERY_SUPERFICIAL,
          client(false, false),
          Policies.defaults(),
          ENDED,
          List.of(),
          Optional.of(worn));
    }

    @Test
    void whatStaysIsWashedOffAtItsHour() {
      Aftercare sheet = withRetinol("MAN-20", false, false);
      assertThat(lines(sheet, DAY))
          .contains("leave on: Retinol lotion 1 %; no water until Wed 25 Nov, 20:40");
      assertThat(answer(sheet, Sentence.ASK_WASH_OFF)).startsWith("Wed 25 Nov, 20:40.");
      assertThat(sheet.rule(Activity.RETINOID).orElseThrow().what())
          .isEqualTo(Sentence.OWN_RETINOID);
      assertThat(free(sheet, Activity.RETINOID)).isEqualTo(DAY.plusDays(6));
      assertThat(lines(withRetinol("JES-RF", false, false), DAY))
          .as("the label's hours come before the policy's eight")
          .contains("20:40")
          .doesNotContain("22:30");
    }

    @Test
    void whatWasWipedOffLeavesOnlyItsFlakes() {
      Aftercare sheet = withRetinol("MAN-20", true, true);
      assertThat(lines(sheet, DAY)).contains("morning and night").doesNotContain("Retinol");
      assertThat(answer(sheet, Sentence.ASK_WASH_OFF)).isEmpty();
      assertThat(lines(sheet, DAY.plusDays(Library.get("MAN-20").peelingLast() + 3)))
          .contains("the last flakes");
    }
  }
}
