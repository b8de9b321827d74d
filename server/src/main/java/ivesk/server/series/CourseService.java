package ivesk.server.series;

import ivesk.core.Words;
import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.series.Course;
import ivesk.core.series.Course.Around;
import ivesk.core.series.Course.Booked;
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
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RecordedPeels.Recorded;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
  private final RecordedPeels peels;
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
      RecordedPeels peels,
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
    this.peels = peels;
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

  /// The newest visit of a client, from which skin, events and policies are read: one that has
  /// begun, or whose consult was told before its hour.
  private Visit newest(UUID clientId) {
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

  /// At a plateau the family with which to alternate: the best of today's rack that is another than
  /// that of a formula. Empty where the scores move.
  Optional<String> alternative(UUID clientId, Region region, Formula formula) {
    if (!sameScores.overThreePeels(clientId)) return Optional.empty();
    return plans.rack(newest(clientId).id(), region).ranked().stream()
        .filter(code -> shelf.shelf().get(code).family() != formula.family())
        .findFirst();
  }

  /// Where each peel would lie, nothing saved.
  ///
  /// @throws Refused while a red flag stands open
  Course place(UUID clientId, CourseWish wish) {
    requireAhead("first", wish.first(), wish.hour());
    for (String code : wish.formulas()) BadInput.check("formulas", () -> shelf.shelf().get(code));
    Placing placing = new Placing(clientId, wish.region(), List.of());
    placing.requireNoRedFlag();
    return placing.place(wish, 0, List.of());
  }

  private void requireAhead(String field, LocalDate day, LocalTime hour) {
    LocalDate today = LocalDate.now(clock);
    if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
      throw new BadInput(field, "the day is " + day + "; allowed is today to two years on");
    }
    if (at(day, hour).isBefore(clock.instant())) {
      throw new BadInput(
          field, Words.hour(hour) + " today is over; choose a later day. Nothing was booked.");
    }
  }

  /// What is known of a client, for a course on one region.
  private final class Placing {
    private final UUID newest;
    private final ScreeningFacts client;
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
  private List<Booked> booked(UUID clientId, Set<UUID> known) {
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
        .filter(visit -> !day(visit).isBefore(today))
        .flatMap(visit ->
            planned(visit).or(() -> Optional.ofNullable(foreseen.get(visit.id()))).stream())
        .toList();
  }

  /// All that is planned for a client, as the next course would read it.
  ///
  /// @throws IllegalArgumentException where a formula is named that never was
  public void readThrough(UUID clientId) {
    booked(clientId, Set.of());
    for (Kept course : store.of(clientId)) course.formulas().forEach(shelf.shelf()::named);
  }

  private Optional<Booked> planned(Visit visit) {
    return plans
        .progress(visit.id())
        .map(plan -> {
          Formula formula = shelf.shelf().named(plan.formula());
          return new Booked(
              day(visit),
              formula,
              plan.layers().orElse(formula.layersFirst()),
              consults.of(visit.id()).consult().region());
        });
  }

  /// Peels that are booked for two clients and would be too near to each other if they were one
  /// person, in words.
  public List<String> tooNear(UUID clientId, UUID otherId) {
    List<Booked> here = booked(clientId, Set.of());
    if (here.isEmpty()) return List.of();
    List<Booked> there = booked(otherId, Set.of());
    ScreeningFacts client = screening.facts(newest(clientId).id());
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

  private LocalDate day(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
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
  /// @throws Refused when it is done, left out, or would come too close to the one before
  @Transactional
  public void move(UUID courseId, int number, LocalDate to, String who) {
    Kept course = store.get(courseId);
    if (course.paused().isPresent()) {
      throw new Refused("The course is paused: resume it. Nothing was moved.");
    }
    List<Peel> all = store.peels(courseId);
    Peel first = open(course, all, number);
    requireAhead("to", to, course.hour());
    relay(placing(course, all), course, all, first, to);
    audit.note(who, "move course from peel " + number + " to " + to, course.clientId());
  }

  private Placing placing(Kept course, List<Peel> all) {
    return new Placing(
        course.clientId(), course.region(), all.stream().map(Peel::visitId).toList());
  }

  private void relay(Placing placing, Kept course, List<Peel> all, Peel first, LocalDate to) {
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
      visits.book(old.visitId(), at(placed.on(), course.hour()), course.minutes(), course.room());
      store.change(peel(course.id(), old.number(), old.visitId(), placed));
    }
  }

  private void requireAfter(List<Peel> before, LocalDate on, Placing placing) {
    if (before.isEmpty()) return;
    Peel last = before.getLast();
    int interval =
        placing.client.intervalOfThisClient(
            placing.formula(last.formula()).intervalDays(last.layers()));
    LocalDate least = day(last).plusDays(interval);
    if (on.isBefore(least)) {
      throw new Refused(
          "The peel before it is on "
              + Words.day(day(last))
              + "; its interval is over on "
              + Words.day(least)
              + ". Nothing was moved.");
    }
  }

  private PastPeel taken(Placing placing, Kept course, Peel peel) {
    Formula formula = placing.formula(peel.formula());
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
    return day(visits.get(peel.visitId()));
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
    requireAhead("from", from, course.hour());
    Placing placing = placing(course, all);
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
