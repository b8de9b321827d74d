package ivesk.server.series;

import ivesk.core.Words;
import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.series.Course;
import ivesk.core.series.Course.Around;
import ivesk.core.series.Course.Booked;
import ivesk.core.series.Course.Wish;
import ivesk.core.skin.Region;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.formula.ShelfService;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseStore.Kept;
import ivesk.server.series.CourseStore.Peel;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RecordedPeels.Recorded;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Where the peels of a course may lie.
@Component
class CoursePlaces {
  private final CourseStore store;
  private final VisitStore visits;
  private final ScreeningService screening;
  private final ConsultService consults;
  private final PlanService plans;
  private final RecordedPeels peels;
  private final ShelfService shelf;
  private final PracticeStore practice;
  private final Clock clock;

  CoursePlaces(
      CourseStore store,
      VisitStore visits,
      ScreeningService screening,
      ConsultService consults,
      PlanService plans,
      RecordedPeels peels,
      ShelfService shelf,
      PracticeStore practice,
      Clock clock) {
    this.store = store;
    this.visits = visits;
    this.screening = screening;
    this.consults = consults;
    this.plans = plans;
    this.peels = peels;
    this.shelf = shelf;
    this.practice = practice;
    this.clock = clock;
  }

  /// The newest visit of a client, from which skin, events and policies are read: one that has
  /// begun, or whose consult was told before its hour.
  Visit newest(UUID clientId) {
    List<Visit> all =
        visits.ofClient(clientId).stream().filter(one -> one.cancelled().isEmpty()).toList();
    if (all.isEmpty()) {
      throw new Refused("A course is laid out after the first consult. Nothing was booked.");
    }
    Set<UUID> told = consults.told(all.stream().map(Visit::id).toList());
    return all.stream()
        .filter(one -> !one.startsAt().isAfter(clock.instant()) || told.contains(one.id()))
        .reduce((_, last) -> last)
        .orElse(all.getFirst());
  }

  void requireAhead(String field, LocalDate day, LocalTime hour) {
    LocalDate today = LocalDate.now(clock);
    if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
      throw new BadInput(field, "the day is " + day + "; allowed is today to two years on");
    }
    if (at(day, hour).isBefore(clock.instant())) {
      throw new BadInput(
          field, Words.hour(hour) + " today is over; choose a later day. Nothing was booked.");
    }
  }

  /// An hour of the practice's clock: it stays when the clocks change.
  Instant at(LocalDate day, LocalTime hour) {
    return day.atTime(hour).atZone(clock.getZone()).toInstant();
  }

  /// What is known of a client, for a course on one region.
  final class Placing {
    private final UUID newest;
    final ScreeningFacts client;
    private final List<PastPeel> done;
    private final List<Booked> booked;

    /// @param own visits of the course itself
    Placing(UUID clientId, Region region, List<UUID> own) {
      this.newest = newest(clientId).id();
      this.client = screening.facts(newest).in(region);
      List<Recorded> recorded = peels.ofClient(clientId);
      this.done =
          Stream.concat(
                  recorded.stream().map(Recorded::peel),
                  client.pastPeels().stream().filter(peel -> !peel.here()))
              .toList();
      Set<UUID> known =
          Stream.concat(own.stream(), recorded.stream().map(Recorded::visitId))
              .collect(Collectors.toSet());
      this.booked = booked(clientId, known);
    }

    Formula formula(String code) {
      return client.shelf().named(code);
    }

    /// @param before how many of the course come before
    /// @param assumed those of them that are not done, as if they were well taken
    Course place(CourseWish wish, int before, List<PastPeel> assumed) {
      List<Formula> formulas = wish.formulas().stream().map(this::formula).toList();
      if (formulas.stream().anyMatch(formula -> !formula.peels())) {
        throw new BadInput("formulas", "one of them is no peel by itself");
      }
      if (formulas.stream().map(Formula::family).distinct().count() < formulas.size()) {
        throw new BadInput("formulas", "two that alternate are of two families");
      }
      return BadInput.in(
          "count",
          () ->
              Course.place(
                  new Wish(
                      formulas,
                      wish.layers(),
                      before,
                      wish.count(),
                      wish.first(),
                      wish.region(),
                      wish.maintenance()),
                  client,
                  Stream.concat(done.stream(), assumed.stream()).toList(),
                  new Around(practice::shutOn, events(), booked)));
    }

    void requireNoRedFlag() {
      done.stream()
          .flatMap(peel -> peel.redFlag().stream())
          .min(Comparator.naturalOrder())
          .ifPresent(since -> {
            throw new Refused(
                "A red flag is open since "
                    + Words.day(since)
                    + ": close it first. Nothing was booked.");
          });
    }

    private List<Event> events() {
      LocalDate today = LocalDate.now(clock);
      return consults.of(newest).consult().events().stream()
          .filter(event -> !event.on().isBefore(today))
          .map(event -> new Event(event.name(), event.on()))
          .toList();
    }
  }

  /// What the visits ahead are planned for: by their plans, else by their courses.
  ///
  /// @param known visits that are left out
  List<Booked> booked(UUID clientId, Set<UUID> known) {
    Map<UUID, Booked> foreseen = new HashMap<>();
    for (Kept course : store.of(clientId)) {
      for (Peel peel : store.peels(course.id())) {
        foreseen.put(
            peel.visitId(),
            new Booked(
                day(peel), shelf.shelf().named(peel.formula()), peel.layers(), course.region()));
      }
    }
    LocalDate today = LocalDate.now(clock);
    return visits.ofClient(clientId).stream()
        .filter(visit -> visit.cancelled().isEmpty() && !known.contains(visit.id()))
        .filter(visit -> !dayOf(visit).isBefore(today))
        .flatMap(visit ->
            plannedPeel(visit).or(() -> Optional.ofNullable(foreseen.get(visit.id()))).stream())
        .toList();
  }

  Optional<Booked> plannedPeel(Visit visit) {
    return plans
        .progress(visit.id())
        .map(plan -> {
          Formula formula = shelf.shelf().named(plan.formula());
          return new Booked(
              dayOf(visit),
              formula,
              plan.layers().orElse(formula.layersFirst()),
              consults.of(visit.id()).consult().region());
        });
  }

  LocalDate dayOf(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
  }

  /// For a course that is not kept yet.
  Placing placing(UUID clientId, Region region) {
    return new Placing(clientId, region, List.of());
  }

  Placing placing(Kept course, List<Peel> all) {
    return new Placing(
        course.clientId(), course.region(), all.stream().map(Peel::visitId).toList());
  }

  LocalDate day(Peel peel) {
    return dayOf(visits.get(peel.visitId()));
  }
}
