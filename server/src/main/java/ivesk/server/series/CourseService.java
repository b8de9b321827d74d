package ivesk.server.series;

import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.Formula;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.series.Course;
import ivesk.core.series.Course.Around;
import ivesk.core.series.Course.Other;
import ivesk.core.series.Course.Placed;
import ivesk.core.series.Course.Reason;
import ivesk.core.series.Course.Wish;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.formula.ShelfService;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseStore.Kept;
import ivesk.server.series.CourseStore.Peel;
import ivesk.server.skin.ConsultService;
import ivesk.server.skin.SameScores;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// A series as one: placed, booked as visits, moved, skipped, paused and resumed.
@Service
public class CourseService {
  private final CourseStore store;
  private final VisitStore visits;
  private final ScreeningService screening;
  private final ConsultService consults;
  private final PlanService plans;
  private final SameScores sameScores;
  private final ShelfService shelf;
  private final Treatments treatments;
  private final PracticeStore practice;
  private final Audit audit;
  private final Clock clock;

  CourseService(
      CourseStore store,
      VisitStore visits,
      ScreeningService screening,
      ConsultService consults,
      PlanService plans,
      SameScores sameScores,
      ShelfService shelf,
      Treatments treatments,
      PracticeStore practice,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.visits = visits;
    this.screening = screening;
    this.consults = consults;
    this.plans = plans;
    this.sameScores = sameScores;
    this.shelf = shelf;
    this.treatments = treatments;
    this.practice = practice;
    this.audit = audit;
    this.clock = clock;
  }

  /// A course as it is wished for.
  ///
  /// @param formulas by code: one, or two that alternate
  /// @param first the day of the first peel
  /// @param hour of each visit
  record CourseWish(
      List<String> formulas,
      int layers,
      int count,
      LocalDate first,
      LocalTime hour,
      int minutes,
      String room,
      Region region,
      boolean maintenance) {}

  /// The newest visit of a client, from which skin, events and policies are read.
  private Visit newest(UUID clientId) {
    List<Visit> all =
        visits.ofClient(clientId).stream().filter(one -> one.cancelled().isEmpty()).toList();
    if (all.isEmpty()) {
      throw new Refused("A course is laid out after the first consult. Nothing was booked.");
    }
    return all.stream()
        .filter(one -> !one.startsAt().isAfter(clock.instant()))
        .reduce((_, last) -> last)
        .orElse(all.getFirst());
  }

  /// At a plateau the family with which to alternate: the best of today's rack that is another than
  /// that of a formula. Empty where the scores move.
  Optional<String> alternative(UUID clientId, Region region, Formula formula) {
    if (!sameScores.overThreePeels(clientId)) return Optional.empty();
    return plans.rack(newest(clientId).id(), region).ranked().stream()
        .filter(code -> shelf.shelf().get(code).family() != formula.family())
        .findFirst();
  }

  /// Where each peel would lie, nothing saved.
  Course place(UUID clientId, CourseWish wish) {
    LocalDate today = LocalDate.now(clock);
    if (wish.first().isBefore(today) || wish.first().isAfter(today.plusYears(2))) {
      throw new BadInput(
          "first", "the first day is " + wish.first() + "; allowed is today to two years on");
    }
    Visit newest = newest(clientId);
    ScreeningFacts client = screening.facts(newest.id()).in(wish.region());
    return place(clientId, client, wish, List.of(), List.of());
  }

  /// @param assumed peels of the course that come before, as if they were well taken
  /// @param own visits of the course itself
  private Course place(
      UUID clientId,
      ScreeningFacts client,
      CourseWish wish,
      List<PastPeel> assumed,
      List<UUID> own) {
    List<Formula> formulas =
        wish.formulas().stream()
            .map(code -> BadInput.in("formulas", () -> client.shelf().get(code)))
            .toList();
    if (formulas.stream().anyMatch(formula -> !formula.peels())) {
      throw new BadInput("formulas", "one of them is no peel by itself");
    }
    if (formulas.stream().map(Formula::family).distinct().count() < formulas.size()) {
      throw new BadInput("formulas", "two that alternate are of two families");
    }
    List<PastPeel> past = new ArrayList<>(client.pastPeels());
    past.addAll(assumed);
    return BadInput.in(
        "count",
        () ->
            Course.place(
                new Wish(
                    formulas,
                    wish.layers(),
                    wish.count(),
                    wish.first(),
                    wish.region(),
                    wish.maintenance()),
                client,
                past,
                around(clientId, client, own)));
  }

  private Around around(UUID clientId, ScreeningFacts client, List<UUID> own) {
    LocalDate today = LocalDate.now(clock);
    List<Event> events =
        consults.of(newest(clientId).id()).consult().events().stream()
            .filter(event -> !event.on().isBefore(today))
            .map(event -> new Event(event.name(), event.on()))
            .toList();
    List<Other> others = new ArrayList<>();
    client.pastPeels().stream()
        .map(peel -> new Other(peel.on(), peel.formula()))
        .forEach(others::add);
    for (Visit visit : visits.ofClient(clientId)) {
      if (own.contains(visit.id()) || visit.cancelled().isPresent()) continue;
      LocalDate on = LocalDate.ofInstant(visit.startsAt(), clock.getZone());
      if (on.isBefore(today)) continue;
      plans
          .progress(visit.id())
          .flatMap(plan -> client.shelf().find(plan.formula()))
          .ifPresent(formula -> others.add(new Other(on, formula)));
    }
    return new Around(practice::shutOn, events, others);
  }

  /// Books it: a visit for each peel.
  @Transactional
  public UUID book(UUID clientId, CourseWish wish, String who) {
    Course course = place(clientId, wish);
    Kept kept =
        new Kept(
            UUID.randomUUID(),
            clientId,
            wish.region(),
            wish.formulas(),
            wish.maintenance(),
            wish.hour(),
            wish.minutes(),
            wish.room().strip(),
            who,
            Optional.empty());
    store.add(kept, clock.instant(), who);
    for (Placed placed : course.peels()) {
      UUID visit = UUID.randomUUID();
      visits.add(
          new Visit(
              visit,
              clientId,
              at(placed.on(), kept.hour()),
              kept.minutes(),
              kept.room(),
              who,
              Optional.empty()));
      store.add(peel(kept.id(), placed.number(), visit, placed));
    }
    audit.note(who, "book course of " + course.peels().size(), clientId);
    return kept.id();
  }

  private static Peel peel(UUID course, int number, UUID visit, Placed placed) {
    return new Peel(
        course,
        number,
        visit,
        placed.formula().code(),
        placed.layers(),
        placed.reasons().stream().map(Reason::why).toList(),
        Optional.empty());
  }

  /// An hour of the practice's clock: it stays when the clocks change.
  private Instant at(LocalDate day, LocalTime hour) {
    return day.atTime(hour).atZone(clock.getZone()).toInstant();
  }

  /// Moves a peel and all that follow as one.
  ///
  /// @throws Refused when it is done, skipped, or would come too close to the one before
  @Transactional
  public void move(UUID courseId, int number, LocalDate to, String who) {
    Kept course = store.get(courseId);
    List<Peel> all = store.peels(courseId);
    Peel first = open(all, number);
    if (to.isBefore(LocalDate.now(clock))) {
      throw new BadInput("to", "moved to " + to + "; allowed is today or later");
    }
    relay(course, all, first, to, who);
    audit.note(who, "move course from peel " + number + " to " + to, course.clientId());
  }

  private void relay(Kept course, List<Peel> all, Peel first, LocalDate to, String who) {
    List<Peel> ahead =
        all.stream()
            .filter(peel -> peel.number() >= first.number())
            .filter(peel -> peel.skipped().isEmpty() && !opened(peel))
            .toList();
    Visit newest = newest(course.clientId());
    ScreeningFacts client = screening.facts(newest.id()).in(course.region());
    List<PastPeel> assumed =
        all.stream()
            .filter(peel -> peel.number() < first.number())
            .filter(peel -> peel.skipped().isEmpty() && !opened(peel))
            .map(peel -> taken(client, course, peel))
            .toList();
    List<String> formulas =
        course.formulas().size() > 1 && !course.formulas().getFirst().equals(first.formula())
            ? course.formulas().reversed()
            : course.formulas().size() > 1 ? course.formulas() : List.of(first.formula());
    CourseWish wish =
        new CourseWish(
            formulas,
            first.layers(),
            ahead.size(),
            to,
            course.hour(),
            course.minutes(),
            course.room(),
            course.region(),
            course.maintenance());
    Course again =
        place(course.clientId(), client, wish, assumed, all.stream().map(Peel::visitId).toList());
    requireAfter(all, first, to, client);
    for (int i = 0; i < ahead.size(); i++) {
      Placed placed = again.peels().get(i);
      Peel old = ahead.get(i);
      visits.book(old.visitId(), at(placed.on(), course.hour()), course.minutes(), course.room());
      store.change(peel(course.id(), old.number(), old.visitId(), placed));
    }
  }

  private void requireAfter(List<Peel> all, Peel first, LocalDate on, ScreeningFacts client) {
    all.stream()
        .filter(peel -> peel.number() < first.number() && peel.skipped().isEmpty())
        .reduce((_, last) -> last)
        .ifPresent(before -> {
          LocalDate last = day(before);
          Formula done = client.shelf().get(before.formula());
          LocalDate least =
              last.plusDays(client.intervalOfThisClient(done.intervalDays(before.layers())));
          if (on.isBefore(least)) {
            throw new Refused(
                "The peel before it is on "
                    + last
                    + "; its interval is over on "
                    + least
                    + ". Nothing was moved.");
          }
        });
  }

  private PastPeel taken(ScreeningFacts client, Kept course, Peel peel) {
    Formula formula = client.shelf().get(peel.formula());
    return new PastPeel(
        formula,
        course.region(),
        day(peel),
        peel.layers(),
        formula.firstContact().orElse(Duration.ZERO),
        PeelOutcome.WELL_TAKEN,
        Optional.empty());
  }

  private LocalDate day(Peel peel) {
    return LocalDate.ofInstant(visits.get(peel.visitId()).startsAt(), clock.getZone());
  }

  private boolean opened(Peel peel) {
    return treatments.ofVisit(peel.visitId()).isPresent();
  }

  private Peel open(List<Peel> all, int number) {
    Peel peel =
        all.stream()
            .filter(one -> one.number() == number)
            .findFirst()
            .orElseThrow(() -> new BadInput("number", "the course has no peel " + number));
    if (opened(peel)) throw new Refused("This peel has begun: its date stays.");
    if (peel.skipped().isPresent()) throw new Refused("This peel is skipped.");
    return peel;
  }

  /// Leaves one out; those after it keep their days.
  @Transactional
  public void skip(UUID courseId, int number, String why, String who) {
    Kept course = store.get(courseId);
    Peel peel = open(store.peels(courseId), number);
    visits.cancel(peel.visitId(), why, clock.instant());
    store.change(
        new Peel(
            courseId,
            number,
            peel.visitId(),
            peel.formula(),
            peel.layers(),
            peel.whys(),
            Optional.of(why)));
    audit.note(who, "skip peel " + number + " of a course", course.clientId());
  }

  /// It rests: what is ahead does not take place until it is resumed.
  @Transactional
  public void pause(UUID courseId, String why, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isPresent()) throw new Refused("The course is paused already.");
    for (Peel peel : store.peels(courseId)) {
      if (peel.skipped().isEmpty() && !opened(peel)) {
        visits.cancel(peel.visitId(), why, clock.instant());
      }
    }
    store.pause(courseId, Optional.of(why));
    audit.note(who, "pause course", course.clientId());
  }

  /// Goes on from a day with all that was ahead.
  @Transactional
  public void resume(UUID courseId, LocalDate from, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isEmpty()) throw new Refused("The course is not paused.");
    List<Peel> all = store.peels(courseId);
    Peel first =
        all.stream()
            .filter(peel -> peel.skipped().isEmpty() && !opened(peel))
            .findFirst()
            .orElseThrow(() -> new Refused("Nothing of the course is ahead."));
    if (from.isBefore(LocalDate.now(clock))) {
      throw new BadInput("from", "resumed from " + from + "; allowed is today or later");
    }
    all.stream()
        .filter(peel -> peel.skipped().isEmpty() && !opened(peel))
        .forEach(peel -> visits.bringBack(peel.visitId()));
    store.pause(courseId, Optional.empty());
    relay(course, all, first, from, who);
    audit.note(who, "resume course", course.clientId());
  }

  /// A visit that belongs to a course and the number of its peel.
  record Standing(Peel peel, Instant startsAt, boolean done, boolean cancelled) {}

  List<Standing> standing(UUID courseId) {
    return store.peels(courseId).stream()
        .map(peel -> {
          Visit visit = visits.get(peel.visitId());
          boolean done =
              treatments
                  .ofVisit(peel.visitId())
                  .filter(live -> !live.peeled().isEmpty())
                  .isPresent();
          return new Standing(peel, visit.startsAt(), done, visit.cancelled().isPresent());
        })
        .toList();
  }

  /// A course as others may read it.
  public record Planned(UUID id, boolean paused, List<Day> days) {
    public record Day(LocalDate on, String formula, boolean done, boolean skipped) {}

    public Planned {
      days = List.copyOf(days);
    }

    /// Nothing of it is ahead.
    public boolean over() {
      return days.stream().allMatch(day -> day.done() || day.skipped());
    }
  }

  /// The courses of a client, the oldest first.
  public List<Planned> planned(UUID clientId) {
    return store.of(clientId).stream()
        .map(course ->
            new Planned(
                course.id(),
                course.paused().isPresent(),
                standing(course.id()).stream()
                    .map(one ->
                        new Planned.Day(
                            LocalDate.ofInstant(one.startsAt(), clock.getZone()),
                            one.peel().formula(),
                            one.done(),
                            one.peel().skipped().isPresent()))
                    .toList()))
        .toList();
  }

  /// Takes everything of a client out for good.
  public void erase(UUID clientId) {
    store.erase(clientId);
  }
}
