package ivesk.core.aftercare;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.aftercare.Aftercare.Mark;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Library;
import ivesk.core.plan.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Restriction.Care;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Days and hours are common practice, no source.
class AftercareTest {
  private static final LocalDateTime ENDED = LocalDateTime.of(2026, 11, 25, 14, 30);
  private static final LocalDate DAY = ENDED.toLocalDate();

  private static Aftercare after(String code, DepthClass depth) {
    return Aftercare.of(
        Library.get(code),
        depth,
        client(true),
        ENDED,
        false,
        Optional.empty(),
        Policies.defaults());
  }

  private static Aftercare.Client client(boolean pigmentProne) {
    return new Aftercare.Client(false, pigmentProne, Set.of());
  }

  private static LocalDate free(Aftercare sheet, String what) {
    return sheet.rules().stream()
        .filter(rule -> rule.what().startsWith(what))
        .findFirst()
        .orElseThrow()
        .free();
  }

  @ParameterizedTest
  @CsvSource({
    "VERY_SUPERFICIAL, make-up, 1",
    "SUPERFICIAL, make-up, 1",
    "VERY_SUPERFICIAL, exercise, 1",
    "SUPERFICIAL, exercise, 2",
    "VERY_SUPERFICIAL, scrub, 7",
    "SUPERFICIAL, scrub, 7",
    "VERY_SUPERFICIAL, retinoid, 5",
    "SUPERFICIAL, retinoid, 7",
    "VERY_SUPERFICIAL, wax, 7",
    "SUPERFICIAL, wax, 14",
    "VERY_SUPERFICIAL, sun, 14",
    "SUPERFICIAL, sun, 28"
  })
  void whatReturnsWhen(DepthClass depth, String what, int days) {
    assertThat(free(after("LAC-10", depth), what)).isEqualTo(DAY.plusDays(days));
  }

  /// Salicylic 20 % may flake to day 5, mandelic 40 % to day 4, TCA 10 % to day 9 and with frost to
  /// day 11.
  @Test
  void nothingThatWorksOnTheSkinReturnsBeforeTheLastDayOfFlakes() {
    assertThat(free(after("SAL-20", DepthClass.VERY_SUPERFICIAL), "retinoid"))
        .isEqualTo(DAY.plusDays(6));
    assertThat(free(after("TCA-10", DepthClass.VERY_SUPERFICIAL), "scrub"))
        .isEqualTo(DAY.plusDays(10));
    for (var formula : Library.FORMULAS) {
      if (!formula.peels()) continue;
      for (DepthClass depth : List.of(DepthClass.VERY_SUPERFICIAL, DepthClass.SUPERFICIAL)) {
        Aftercare sheet = after(formula.code(), depth);
        for (String what : List.of("scrub", "retinoid", "wax")) {
          assertThat(free(sheet, what))
              .as(formula.code() + ", " + what)
              .isAfter(DAY.plusDays(formula.peelingLast()));
        }
      }
    }
  }

  @Test
  void noLineAboutFlakesWhereNoneAreDue() {
    Aftercare sheet = after("LAC-10", DepthClass.VERY_SUPERFICIAL);
    assertThat(sheet.answers()).noneMatch(reply -> reply.question().startsWith("No flakes"));
    assertThat(sheet.days().toString()).doesNotContain("flak").doesNotContain("shade deeper");
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
    Aftercare sheet =
        Aftercare.of(
            Library.get("LAC-10"),
            DepthClass.SUPERFICIAL,
            client(false),
            ENDED,
            false,
            Optional.empty(),
            sooner);
    assertThat(free(sheet, "scrub")).isEqualTo(DAY.plusDays(3));
  }

  @Test
  void noWaterForEightHoursOnlyAfterWhatIsSelfLimiting() {
    String jessner =
        String.join(" ", after("JES-RF", DepthClass.VERY_SUPERFICIAL).days().getFirst().lines());
    assertThat(jessner).contains("no water or product until Wed 25 Nov, 22:30");
    String mandelic =
        String.join(" ", after("MAN-20", DepthClass.VERY_SUPERFICIAL).days().getFirst().lines());
    assertThat(mandelic).doesNotContain("no water").contains("gentle cleanser");
  }

  @Test
  void flakingStandsOnItsDates() {
    Aftercare sheet = after("SAL-20", DepthClass.SUPERFICIAL);
    assertThat(sheet.days())
        .filteredOn(day -> day.lines().stream().anyMatch(line -> line.startsWith("flaking may")))
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
        Aftercare.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            client(false),
            ENDED,
            false,
            Optional.empty(),
            Policies.defaults());
    assertThat(lines(fair, DAY.plusDays(14))).doesNotContain("late marks");
  }

  /// Limits of the day that are told: domain 02 and 13.
  @Test
  void whatTheDayHadIsTold() {
    Aftercare told =
        Aftercare.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            new Aftercare.Client(
                false, false, Set.of(Care.Kind.TELL_TINGLING, Care.Kind.NO_SUN_14_DAYS)),
            ENDED,
            false,
            Optional.empty(),
            Policies.defaults());
    assertThat(lines(told, DAY)).contains("tell us the same day", "no sun on it at all until");
    assertThat(lines(after("MAN-20", DepthClass.VERY_SUPERFICIAL), DAY))
        .doesNotContain("tell us the same day")
        .doesNotContain("no sun on it at all");
  }

  /// After a first peel home acids rest for weeks, unless the practice has it otherwise.
  @Test
  void homeAcidsRestAfterAFirstPeel() {
    Aftercare first =
        Aftercare.of(
            Library.get("MAN-20"),
            DepthClass.VERY_SUPERFICIAL,
            new Aftercare.Client(true, false, Set.of()),
            ENDED,
            false,
            Optional.empty(),
            Policies.defaults());
    assertThat(free(first, "home acids")).isEqualTo(DAY.plusDays(28));
    assertThat(free(first, "scrub")).isEqualTo(DAY.plusDays(7));
    assertThat(first.rules())
        .extracting(rule -> rule.what())
        .noneMatch(w -> w.contains("scrub, acid"));
  }

  @Test
  void theSunHasOneClearAnswer() {
    assertThat(after("SAL-20", DepthClass.SUPERFICIAL).answers().getFirst().answer())
        .contains("from Wed 23 Dec");
  }

  @Test
  void frostedZonesFlakeSooner() {
    Aftercare frosted =
        Aftercare.of(
            Library.get("TCA-10"),
            DepthClass.SUPERFICIAL,
            client(false),
            ENDED,
            true,
            Optional.empty(),
            Policies.defaults());
    assertThat(lines(frosted, DAY.plusDays(2))).contains("sooner where it went white");
  }

  private static Aftercare withRetinol(String code, boolean shortContact, boolean wipedOff) {
    Worn worn =
        new Worn(new AddOn(Library.get("RET-1"), shortContact), ENDED.plusMinutes(10), wipedOff);
    return Aftercare.of(
        Library.get(code),
        DepthClass.VERY_SUPERFICIAL,
        client(false),
        ENDED,
        false,
        Optional.of(worn),
        Policies.defaults());
  }

  @Test
  void aRetinoidThatStaysIsWashedOffAtItsHour() {
    Aftercare sheet = withRetinol("MAN-20", false, false);
    assertThat(lines(sheet, DAY))
        .contains("leave the retinol lotion 1 % on, no water, until Wed 25 Nov, 20:40")
        .doesNotContain("morning and night");
    assertThat(sheet.answers())
        .filteredOn(reply -> reply.question().equals("When do I wash it off?"))
        .singleElement()
        .satisfies(reply -> assertThat(reply.answer()).startsWith("Wed 25 Nov, 20:40."));
    assertThat(free(sheet, "retinoid of your own")).isEqualTo(DAY.plusDays(6));
    assertThat(lines(withRetinol("JES-RF", false, false), DAY))
        .as("the label's hours come before the policy's eight")
        .contains("20:40")
        .doesNotContain("22:30");
  }

  @Test
  void aRetinoidThatWasWipedOffLeavesOnlyItsFlakes() {
    Aftercare sheet = withRetinol("MAN-20", true, true);
    assertThat(lines(sheet, DAY)).contains("morning and night").doesNotContain("retinol lotion");
    assertThat(sheet.answers()).noneMatch(reply -> reply.question().contains("wash it off"));
    assertThat(lines(sheet, DAY.plusDays(Library.get("MAN-20").peelingLast() + 3)))
        .contains("the last flakes");
  }

  private static String lines(Aftercare sheet, LocalDate date) {
    return sheet.days().stream()
        .filter(day -> day.date().equals(date))
        .flatMap(day -> day.lines().stream())
        .reduce("", (a, b) -> a + " " + b);
  }
}
