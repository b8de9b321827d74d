package ivesk.core.series;

import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Library;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.series.Course.Around;
import ivesk.core.series.Course.Booked;
import ivesk.core.series.Course.Placed;
import ivesk.core.series.Course.Why;
import ivesk.core.series.Course.Wish;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/// Series of domain/09, laid out in days; common practice, no source.
class CourseTest {
  private static final LocalDate FIRST = LocalDate.of(2026, 11, 25);
  private static final Around OPEN = new Around(_ -> Optional.empty(), List.of(), List.of());

  private static Wish wish(String code, int count) {
    return new Wish(List.of(Library.get(code)), 1, 0, count, FIRST, Region.FACE, false);
  }

  private static Around closed(Set<LocalDate> days) {
    return new Around(
        day -> days.contains(day) ? Optional.of("closed, holiday") : Optional.empty(),
        List.of(),
        List.of());
  }

  private static Course place(Wish wish, Around around, PastPeel... past) {
    return Course.place(wish, easy().facts(), List.of(past), around);
  }

  private static List<LocalDate> days(Course course) {
    return course.peels().stream().map(Placed::on).toList();
  }

  private static List<String> formulas(Course course) {
    return course.peels().stream().map(one -> one.formula().code()).toList();
  }

  private static boolean says(Placed placed, Why why) {
    return placed.reasons().stream().anyMatch(reason -> reason.why() == why);
  }

  /// Over the end of a year: AZM-15 every 14 days.
  @Test
  void byIntervalOverTheYearsEnd() {
    assertThat(days(place(wish("AZM-15", 4), OPEN)))
        .containsExactly(
            FIRST, LocalDate.of(2026, 12, 9), LocalDate.of(2026, 12, 23), LocalDate.of(2027, 1, 6));
  }

  @Test
  void overALeapDay() {
    Wish wish =
        new Wish(
            List.of(Library.get("AZM-15")), 1, 0, 3, LocalDate.of(2028, 2, 16), Region.FACE, false);
    assertThat(days(place(wish, OPEN)))
        .containsExactly(
            LocalDate.of(2028, 2, 16), LocalDate.of(2028, 3, 1), LocalDate.of(2028, 3, 15));
  }

  @Test
  void aHolidayMovesByWholeWeeksAndTheRestFollows() {
    Course course = place(wish("AZM-15", 4), closed(Set.of(LocalDate.of(2026, 12, 23))));
    assertThat(days(course))
        .containsExactly(
            FIRST,
            LocalDate.of(2026, 12, 9),
            LocalDate.of(2026, 12, 30),
            LocalDate.of(2027, 1, 13));
    assertThat(course.peels().get(2).reasons().toString())
        .contains("moved 7 days: closed, holiday");
    assertThat(days(course)).allMatch(day -> day.getDayOfWeek() == DayOfWeek.WEDNESDAY);
  }

  @Test
  void aWeekdayThatIsAlwaysShutIsGivenUp() {
    Around shutOnWednesdays =
        new Around(
            day ->
                day.getDayOfWeek() == DayOfWeek.WEDNESDAY
                    ? Optional.of("not open on Wednesdays")
                    : Optional.empty(),
            List.of(),
            List.of());
    assertThat(days(place(wish("AZM-15", 2), shutOnWednesdays)))
        .containsExactly(LocalDate.of(2026, 11, 26), LocalDate.of(2026, 12, 10));
  }

  /// SAL-20 is superficial: 28 days before an event, domain/04.
  @ParameterizedTest
  @CsvSource({"2026-12-22, 2026-12-23", "2026-12-23, 2026-11-25", "2026-11-24, 2026-11-25"})
  void anEventIsKeptClear(LocalDate event, LocalDate first) {
    Around around =
        new Around(_ -> Optional.empty(), List.of(new Event("wedding", event)), List.of());
    Placed placed = place(wish("SAL-30", 1), around).peels().getFirst();
    assertThat(placed.formula().libraryDepth().name()).isEqualTo("SUPERFICIAL");
    assertThat(placed.on()).isEqualTo(first);
    assertThat(says(placed, Why.MOVED_EVENT)).isEqualTo(!first.equals(FIRST));
  }

  private static Around booked(String code, int layers, Region region) {
    return new Around(
        _ -> Optional.empty(),
        List.of(),
        List.of(new Booked(LocalDate.of(2026, 12, 3), Library.get(code), layers, region)));
  }

  /// GLY-35 keeps 14 days.
  @Test
  void noTwoFamiliesWithinEachOthersInterval() {
    Course course = place(wish("MAN-20", 2), booked("GLY-35", 1, Region.FACE));
    assertThat(days(course))
        .allMatch(day -> Math.abs(day.toEpochDay() - LocalDate.of(2026, 12, 3).toEpochDay()) >= 14);
    assertThat(says(course.peels().getFirst(), Why.MOVED_OTHER_FAMILY)).isTrue();
  }

  @Test
  void norTwoPeelsOfOneFamily() {
    Placed placed = place(wish("MAN-20", 1), booked("MAN-40", 1, Region.FACE)).peels().getFirst();
    assertThat(placed.on()).isAfterOrEqualTo(LocalDate.of(2026, 12, 17));
    assertThat(says(placed, Why.MOVED_SAME_FAMILY)).isTrue();
  }

  /// Intervals count per region. domain/13.
  @Test
  void anotherRegionIsNotInTheWay() {
    assertThat(days(place(wish("MAN-20", 1), booked("GLY-35", 1, Region.HANDS))))
        .containsExactly(FIRST);
  }

  /// Four coats of Jessner keep 42 days, one keeps 14, whichever comes first.
  @ParameterizedTest
  @CsvSource({"1, 2026-12-23", "4, 2027-01-20"})
  void layersThatAreBookedCount(int coats, LocalDate first) {
    assertThat(days(place(wish("AZM-15", 1), booked("JES-RF", coats, Region.FACE))))
        .containsExactly(first);
  }

  /// A first peel with a family is not within 14 days of an event; MAN-20 else flakes to day 2.
  /// domain/04.
  @Test
  void aFirstPeelWithAFamilyKeepsFartherFromAnEvent() {
    LocalDate event = FIRST.plusDays(13);
    Around around =
        new Around(_ -> Optional.empty(), List.of(new Event("wedding", event)), List.of());
    assertThat(days(place(wish("MAN-20", 1), around))).containsExactly(FIRST.plusDays(14));
    assertThat(days(place(wish("MAN-20", 1), around, well("MAN-20", FIRST.minusDays(60)))))
        .containsExactly(FIRST);
  }

  /// Skin that was told to flake to day 18, three times, keeps 20 days from an event.
  @Test
  void theClientsOwnFlakesKeepAnEventClear() {
    PastPeel[] told =
        IntStream.rangeClosed(2, 4)
            .mapToObj(i -> well("MAN-20", FIRST.minusDays(30L * i)))
            .map(peel -> peel.flaking(Optional.of(new Flaking(2, 18))))
            .toArray(PastPeel[]::new);
    Around around =
        new Around(
            _ -> Optional.empty(), List.of(new Event("wedding", FIRST.plusDays(19))), List.of());
    assertThat(days(place(wish("MAN-20", 1), around, told))).containsExactly(FIRST.plusDays(21));
  }

  /// Flakes that were told to day 18 outlast the interval.
  @Test
  void theFirstWaitsForFlakesThatWereTold() {
    PastPeel flaked = well("AZM-15", FIRST.minusDays(4)).flaking(Optional.of(new Flaking(2, 18)));
    assertThat(days(place(wish("AZM-15", 1), OPEN, flaked))).containsExactly(FIRST.plusDays(15));
  }

  /// Laid anew from its fifth peel on, maintenance is past its monthly ones.
  @Test
  void maintenanceThatGoesOnStaysAtTenWeeks() {
    Wish wish = new Wish(List.of(Library.get("MAN-20")), 1, 4, 2, FIRST, Region.FACE, true);
    Course course = place(wish, OPEN);
    assertThat(days(course)).containsExactly(FIRST, FIRST.plusWeeks(10));
    assertThat(course.peels().stream().map(Placed::number).toList()).containsExactly(5, 6);
    assertThat(says(course.peels().getFirst(), Why.FIRST)).isFalse();
    assertThat(says(course.peels().getFirst(), Why.WISHED)).isTrue();
  }

  private static PastPeel well(String code, LocalDate on) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        on,
        1,
        Duration.ofMinutes(3),
        PeelOutcome.WELL_TAKEN,
        Optional.of(2));
  }

  /// A full series of mandelic 20 % is 6 peels; four are done.
  @Test
  void theLadderIsForeseen() {
    PastPeel[] four =
        IntStream.rangeClosed(1, 4)
            .mapToObj(i -> well("MAN-20", FIRST.minusDays(14L * i)))
            .toArray(PastPeel[]::new);
    Course course = place(wish("MAN-20", 4), OPEN, four);
    assertThat(formulas(course)).containsExactly("MAN-20", "MAN-20", "MAN-40", "MAN-40");
    assertThat(says(course.peels().get(2), Why.RUNG_UP)).isTrue();
  }

  @Test
  void rosaceaStaysOnTheFirstRung() {
    Clients rosacea = easy().shows(Map.of(Condition.ROSACEA_PAPULES, 1), Condition.ROSACEA_PAPULES);
    List<PastPeel> six =
        IntStream.rangeClosed(1, 6)
            .mapToObj(i -> well("MAN-20", FIRST.minusDays(14L * i)))
            .toList();
    Course course = Course.place(wish("MAN-20", 3), rosacea.facts(), six, OPEN);
    assertThat(Set.copyOf(formulas(course))).containsExactly("MAN-20");
  }

  /// Jessner climbs one coat a visit; 14, 21 and 21 days by its layers.
  @Test
  void layersClimbOneAVisit() {
    Course course = place(wish("JES-RF", 4), OPEN);
    assertThat(course.peels().stream().map(Placed::layers).toList()).containsExactly(1, 2, 3, 4);
    assertThat(FIRST.until(course.peels().get(1).on()).getDays()).isEqualTo(21);
  }

  /// In type IV two layers are the most. domain/02.
  @Test
  void theClientsOwnCapOfLayersIsForeseen() {
    Course course =
        Course.place(wish("JES-RF", 4), easy().type(Phototype.IV).facts(), List.of(), OPEN);
    assertThat(course.peels().stream().map(Placed::layers).toList()).containsExactly(1, 2, 2, 2);
  }

  /// The policy goes one further than the library's four.
  @Test
  void thePracticesCapOfLayersIsForeseen() {
    Clients five = easy().under(Policies.defaults().withJessnerLayers(5));
    Course course = Course.place(wish("JES-RF", 6), five.facts(), List.of(), OPEN);
    assertThat(course.peels().stream().map(Placed::layers).toList())
        .containsExactly(1, 2, 3, 4, 5, 5);
  }

  @Test
  void maintenanceIsMonthlyThenEveryTenWeeks() {
    Wish wish = new Wish(List.of(Library.get("MAN-20")), 1, 0, 5, FIRST, Region.FACE, true);
    Course course = place(wish, OPEN);
    assertThat(days(course))
        .containsExactly(
            FIRST,
            LocalDate.of(2026, 12, 25),
            LocalDate.of(2027, 1, 25),
            LocalDate.of(2027, 4, 5),
            LocalDate.of(2027, 6, 14));
    assertThat(Set.copyOf(formulas(course))).containsExactly("MAN-20");
  }

  @Test
  void twoFamiliesAlternateAtTheLongerInterval() {
    Wish wish =
        new Wish(
            List.of(Library.get("MAN-20"), Library.get("AZM-15")),
            1,
            0,
            4,
            FIRST,
            Region.FACE,
            false);
    Course course = place(wish, OPEN);
    assertThat(formulas(course)).containsExactly("MAN-20", "AZM-15", "MAN-20", "AZM-15");
    assertThat(days(course))
        .containsExactly(FIRST, FIRST.plusDays(14), FIRST.plusDays(28), FIRST.plusDays(42));
  }

  @Test
  void theFirstWaitsForThePeelsDone() {
    Course course = place(wish("AZM-15", 1), OPEN, well("AZM-15", FIRST.minusDays(4)));
    assertThat(days(course)).containsExactly(FIRST.plusDays(10));
    assertThat(course.peels().getFirst().reasons().toString()).contains("14 days after AZM-15");
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> wish("MAN-20", 13)).hasMessageContaining("peels of a course");
    assertThatThrownBy(() -> wish("MAN-20", 0)).hasMessageContaining("peels of a course");
  }
}
