package ivesk.server.series;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.series.Course;
import ivesk.core.series.Course.Booked;
import ivesk.core.series.Course.Placed;
import ivesk.core.series.Course.Reason;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.formula.ShelfService;
import ivesk.server.plan.PlanService;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseStore.Kept;
import ivesk.server.series.CourseStore.Peel;
import ivesk.server.skin.SameScores;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// A series as one: placed, booked as visits, moved, skipped, paused and resumed.
@Service
public class CourseService {
  private final CourseStore store;
  private final VisitStore visits;
  private final ScreeningService screening;
  private final PlanService plans;
  private final SameScores sameScores;
  private final ShelfService shelf;
  private final Treatments treatments;
  private final Audit audit;
  private final Clock clock;
  private final CoursePlaces places;

  CourseService(
      CourseStore store,
      VisitStore visits,
      ScreeningService screening,
      PlanService plans,
      SameScores sameScores,
      ShelfService shelf,
      Treatments treatments,
      Audit audit,
      Clock clock,
      CoursePlaces places) {
    this.store = store;
    this.visits = visits;
    this.screening = screening;
    this.plans = plans;
    this.sameScores = sameScores;
    this.shelf = shelf;
    this.treatments = treatments;
    this.audit = audit;
    this.clock = clock;
    this.places = places;
  }

  /// At a plateau the family with which to alternate: the best of today's rack that is another than
  /// that of a formula. Empty where the scores move.
  Optional<String> alternative(UUID clientId, Region region, Formula formula) {
    if (!sameScores.overThreePeels(clientId)) return Optional.empty();
    return plans.rack(places.newest(clientId).id(), region).ranked().stream()
        .filter(code -> shelf.shelf().get(code).family() != formula.family())
        .findFirst();
  }

  /// Where each peel would lie, nothing saved.
  ///
  /// @throws Refused while a red flag stands open
  Course place(UUID clientId, CourseWish wish) {
    places.requireAhead("first", wish.first(), wish.hour());
    for (String code : wish.formulas()) BadInput.check("formulas", () -> shelf.shelf().get(code));
    CoursePlaces.Placing placing = places.placing(clientId, wish.region());
    placing.requireNoRedFlag();
    return placing.place(wish, 0, List.of());
  }

  /// All that is planned for a client, as the next course would read it.
  ///
  /// @throws IllegalArgumentException where a formula is named that never was
  public void readThrough(UUID clientId) {
    places.booked(clientId, Set.of());
    for (Kept course : store.of(clientId)) course.formulas().forEach(shelf.shelf()::named);
  }

  /// Peels that are booked for two clients and would be too near to each other if they were one
  /// person, in words.
  public List<String> tooNear(UUID clientId, UUID otherId) {
    List<Booked> here = places.booked(clientId, Set.of());
    if (here.isEmpty()) return List.of();
    List<Booked> there = places.booked(otherId, Set.of());
    ScreeningFacts client = screening.facts(places.newest(clientId).id());
    List<String> near = new ArrayList<>();
    for (Booked one : here) {
      for (Booked other : there) {
        Course.tooNear(one, other, client)
            .ifPresent(days ->
                near.add(
                    Words.fill(
                        "%s on %s and %s on %s are nearer than %s",
                        one.formula().code(),
                        Words.day(one.on()),
                        other.formula().code(),
                        Words.day(other.on()),
                        Words.count(days, "day"))));
      }
    }
    return List.copyOf(near);
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
              places.at(placed.on(), kept.hour()),
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

  /// Moves a peel and all that follow as one.
  ///
  /// @throws Refused when it is done, left out, or would come too close to the one before
  @Transactional
  public void move(UUID courseId, int number, LocalDate to, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isPresent()) {
      throw new Refused("The course is paused: resume it. Nothing was moved.");
    }
    List<Peel> all = store.peels(courseId);
    Peel first = open(course, all, number);
    places.requireAhead("to", to, course.hour());
    relay(places.placing(course, all), course, all, first, to);
    audit.note(who, "move course from peel " + number + " to " + to, course.clientId());
  }

  private void relay(
      CoursePlaces.Placing placing, Kept course, List<Peel> all, Peel first, LocalDate to) {
    List<Peel> before =
        all.stream()
            .filter(peel -> peel.number() < first.number())
            .filter(peel -> leftOut(course, peel).isEmpty())
            .toList();
    requireAfter(before, to, placing);
    List<PastPeel> assumed =
        before.stream()
            .filter(peel -> !opened(peel))
            .map(peel -> taken(placing, course, peel))
            .toList();
    List<Peel> moving = ahead(course, all).filter(peel -> peel.number() >= first.number()).toList();
    List<String> formulas =
        course.formulas().size() > 1 && !course.formulas().getFirst().equals(first.formula())
            ? course.formulas().reversed()
            : course.formulas().size() > 1 ? course.formulas() : List.of(first.formula());
    CourseWish wish =
        new CourseWish(
            formulas,
            first.layers(),
            moving.size(),
            to,
            course.hour(),
            course.minutes(),
            course.room(),
            course.region(),
            course.maintenance());
    Course again = placing.place(wish, before.size(), assumed);
    for (int i = 0; i < moving.size(); i++) {
      Placed placed = again.peels().get(i);
      Peel old = moving.get(i);
      visits.book(
          old.visitId(), places.at(placed.on(), course.hour()), course.minutes(), course.room());
      store.change(peel(course.id(), old.number(), old.visitId(), placed));
    }
  }

  private void requireAfter(List<Peel> before, LocalDate on, CoursePlaces.Placing placing) {
    if (before.isEmpty()) return;
    Peel last = before.getLast();
    int interval =
        placing.client.intervalOfThisClient(
            placing.formula(last.formula()).intervalDays(last.layers()));
    LocalDate least = places.day(last).plusDays(interval);
    if (on.isBefore(least)) {
      throw new Refused(
          "The peel before it is on "
              + Words.day(places.day(last))
              + "; its interval is over on "
              + Words.day(least)
              + ". Nothing was moved.");
    }
  }

  private PastPeel taken(CoursePlaces.Placing placing, Kept course, Peel peel) {
    Formula formula = placing.formula(peel.formula());
    return new PastPeel(
        formula,
        course.region(),
        places.day(peel),
        peel.layers(),
        formula.firstContact().orElse(Duration.ZERO),
        PeelOutcome.WELL_TAKEN,
        Optional.empty());
  }

  private boolean opened(Peel peel) {
    return treatments.ofVisit(peel.visitId()).isPresent();
  }

  /// Why a peel does not take place: it was skipped, or its visit was called off by itself.
  private Optional<String> leftOut(Kept course, Peel peel) {
    return peel.skipped()
        .or(() ->
            course.paused().isPresent()
                ? Optional.empty()
                : visits.get(peel.visitId()).cancelled());
  }

  private Stream<Peel> ahead(Kept course, List<Peel> all) {
    return all.stream().filter(peel -> leftOut(course, peel).isEmpty() && !opened(peel));
  }

  private Peel open(Kept course, List<Peel> all, int number) {
    Peel peel =
        all.stream()
            .filter(one -> one.number() == number)
            .findFirst()
            .orElseThrow(() -> new BadInput("number", "the course has no peel " + number));
    if (opened(peel)) throw new Refused("This peel has begun: its date stays.");
    if (leftOut(course, peel).isPresent()) throw new Refused("This peel is skipped.");
    return peel;
  }

  /// Leaves one out; those after it keep their days.
  @Transactional
  public void skip(UUID courseId, int number, String why, String who) {
    Kept course = store.get(courseId);
    Peel peel = open(course, store.peels(courseId), number);
    visits.cancel(peel.visitId(), why, clock.instant());
    store.change(peel.skipping(why));
    audit.note(who, "skip peel " + number + " of a course", course.clientId());
  }

  /// It rests: what is ahead does not take place until it is resumed. What was called off before
  /// stays so.
  @Transactional
  public void pause(UUID courseId, String why, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isPresent()) throw new Refused("The course is paused already.");
    List<Peel> all = store.peels(courseId);
    for (Peel peel : all) leftOut(course, peel).map(peel::skipping).ifPresent(store::change);
    ahead(course, all)
        .toList()
        .forEach(peel -> visits.cancel(peel.visitId(), why, clock.instant()));
    store.pause(courseId, Optional.of(why));
    audit.note(who, "pause course", course.clientId());
  }

  /// Goes on from a day with all that was ahead.
  @Transactional
  public void resume(UUID courseId, LocalDate from, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isEmpty()) throw new Refused("The course is not paused.");
    List<Peel> all = store.peels(courseId);
    List<Peel> ahead = ahead(course, all).toList();
    if (ahead.isEmpty()) throw new Refused("Nothing of the course is ahead.");
    places.requireAhead("from", from, course.hour());
    CoursePlaces.Placing placing = places.placing(course, all);
    placing.requireNoRedFlag();
    ahead.forEach(peel -> visits.bringBack(peel.visitId()));
    store.pause(courseId, Optional.empty());
    relay(placing, store.get(courseId), all, ahead.getFirst(), from);
    audit.note(who, "resume course", course.clientId());
  }

  /// A visit that belongs to a course and the number of its peel.
  ///
  /// @param leftOut why it does not take place; empty while the course is only paused
  record Standing(
      Peel peel, Instant startsAt, boolean done, Optional<String> leftOut, boolean cancelled) {}

  List<Standing> standing(UUID courseId) {
    Kept course = store.get(courseId);
    return store.peels(courseId).stream()
        .map(peel -> {
          Visit visit = visits.get(peel.visitId());
          boolean done =
              treatments
                  .ofVisit(peel.visitId())
                  .filter(live -> !live.peeled().isEmpty())
                  .isPresent();
          return new Standing(
              peel, visit.startsAt(), done, leftOut(course, peel), visit.cancelled().isPresent());
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
                            one.leftOut().isPresent()))
                    .toList()))
        .toList();
  }

  /// Takes everything of a client out for good.
  public void erase(UUID clientId) {
    store.erase(clientId);
  }
}
