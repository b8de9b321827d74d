package ivesk.server.series;

import ivesk.core.Language;
import ivesk.core.Words;
import ivesk.core.aftercare.Sentence;
import ivesk.core.aftercare.Told;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.series.Course;
import ivesk.core.series.Course.Why;
import ivesk.core.series.NextPeel;
import ivesk.core.skin.Region;
import ivesk.server.aftercare.AftercareService;
import ivesk.server.app.BadInput;
import ivesk.server.app.Calendars;
import ivesk.server.app.Calendars.Entry;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.formula.ShelfService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.series.CourseService.Standing;
import ivesk.server.series.CourseStore.Kept;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RecordedPeels.Recorded;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Courses of a client.
@RestController
@RequestMapping("/api")
class CourseController {
  private static final LocalTime USUAL_HOUR = LocalTime.of(10, 0);
  private static final int USUAL_MINUTES = 45;

  private final CourseService courses;
  private final CourseStore store;
  private final AftercareService aftercare;
  private final RecordedPeels peels;
  private final ClientStore clients;
  private final ShelfService shelf;
  private final PracticeStore practice;
  private final Clock clock;

  CourseController(
      CourseService courses,
      CourseStore store,
      AftercareService aftercare,
      RecordedPeels peels,
      ClientStore clients,
      ShelfService shelf,
      PracticeStore practice,
      Clock clock) {
    this.courses = courses;
    this.store = store;
    this.aftercare = aftercare;
    this.peels = peels;
    this.clients = clients;
    this.shelf = shelf;
    this.practice = practice;
    this.clock = clock;
  }

  enum PeelState {
    DONE,
    BOOKED,
    SKIPPED,
    PAUSED
  }

  /// @param why of its day and formula, in words
  record CoursePeel(
      int number,
      UUID visitId,
      LocalDate on,
      Instant startsAt,
      String formula,
      int layers,
      PeelState state,
      List<String> why,
      Optional<String> skipped) {}

  /// @param paused why it rests
  record CourseView(
      UUID id,
      Region region,
      List<String> formulas,
      boolean maintenance,
      String room,
      int minutes,
      Optional<String> paused,
      List<CoursePeel> peels) {}

  /// @param proposal what a course would be from here; empty before the first peel
  /// @param formulas that a course may have, by code
  /// @param alternative at a plateau, the formula of another family that is proposed beside it
  record CoursesView(
      List<CourseView> courses,
      Optional<CourseWish> proposal,
      List<String> formulas,
      Optional<String> alternative) {}

  @May(Right.RECORD)
  @GetMapping("/clients/{id}/courses")
  CoursesView of(@PathVariable UUID id) {
    clients.get(id);
    Optional<CourseWish> proposal = proposal(id);
    return new CoursesView(
        store.of(id).stream().map(this::view).toList(),
        proposal,
        shelf.shelf().formulas().stream().filter(Formula::peels).map(Formula::code).toList(),
        proposal.flatMap(wish ->
            courses.alternative(
                id, wish.region(), shelf.shelf().named(wish.formulas().getFirst()))));
  }

  private CourseView view(Kept course) {
    List<CoursePeel> all = new ArrayList<>();
    Optional<LocalDate> before = Optional.empty();
    for (Standing one : courses.standing(course.id())) {
      LocalDate on = LocalDate.ofInstant(one.startsAt(), clock.getZone());
      Optional<LocalDate> last = before;
      PeelState state =
          one.done()
              ? PeelState.DONE
              : one.leftOut().isPresent()
                  ? PeelState.SKIPPED
                  : one.cancelled() ? PeelState.PAUSED : PeelState.BOOKED;
      all.add(
          new CoursePeel(
              one.peel().number(),
              one.peel().visitId(),
              on,
              one.startsAt(),
              one.peel().formula(),
              one.peel().layers(),
              state,
              one.peel().whys().stream().map(why -> words(why, last, on)).toList(),
              one.leftOut()));
      if (one.leftOut().isEmpty()) before = Optional.of(on);
    }
    return new CourseView(
        course.id(),
        course.region(),
        course.formulas(),
        course.maintenance(),
        course.room(),
        course.minutes(),
        course.paused(),
        all);
  }

  /// As it is said of a day that is kept.
  private static String words(Why why, Optional<LocalDate> before, LocalDate on) {
    return switch (why) {
      case FIRST -> "first of the course";
      case WISHED -> "on the day asked for";
      case INTERVAL ->
          before
              .map(last -> Words.count(ChronoUnit.DAYS.between(last, on), "day") + " on")
              .orElse("by its interval");
      case MAINTENANCE -> "maintenance";
      case RUNG_UP -> "one rung up, if all are well taken and goals not met";
      case LAYER_MORE -> "one layer more, if well taken";
      case MOVED_CLOSED -> "moved: closed before";
      case MOVED_EVENT -> "moved: after an event";
      case MOVED_OTHER_FAMILY -> "moved: another family's interval";
      case MOVED_SAME_FAMILY -> "moved: another peel's interval";
    };
  }

  /// From the last peel: what the next would be, at its earliest.
  private Optional<CourseWish> proposal(UUID clientId) {
    List<Recorded> done = peels.ofClient(clientId);
    if (done.isEmpty()) return Optional.empty();
    Recorded last = done.getLast();
    PastPeel peel = last.peel();
    Optional<NextPeel> next = aftercare.next(last.visitId());
    if (next.filter(NextPeel::held).isPresent()) return Optional.empty();
    Formula formula = next.flatMap(NextPeel::formula).orElse(peel.formula());
    LocalDate soonest =
        LocalDate.now(clock).plusDays(LocalTime.now(clock).isBefore(USUAL_HOUR) ? 0 : 1);
    LocalDate earliest = next.map(NextPeel::earliest).orElse(soonest);
    long family =
        done.stream().filter(one -> one.peel().formula().family() == formula.family()).count();
    long left = Math.max(1, formula.seriesLeast() - family % Math.max(1, formula.seriesLeast()));
    boolean same = formula.code().equals(peel.formula().code());
    boolean layerMore = next.filter(one -> one.step() == NextPeel.Step.ONE_LAYER_MORE).isPresent();
    return Optional.of(
        new CourseWish(
            List.of(formula.code()),
            !same ? formula.layersFirst() : layerMore ? peel.layers() + 1 : peel.layers(),
            (int) Math.min(12, left),
            earliest.isBefore(soonest) ? soonest : earliest,
            USUAL_HOUR,
            USUAL_MINUTES,
            practice.details().orElse(PracticeStore.Details.UNSAID).rooms().getFirst(),
            peel.region(),
            false));
  }

  record PlacedPeel(int number, LocalDate on, String formula, int layers, List<String> why) {}

  /// Where each peel would lie, nothing booked.
  @May(Right.TREAT)
  @PostMapping("/clients/{id}/courses/placing")
  List<PlacedPeel> place(@PathVariable UUID id, @RequestBody CourseWish body) {
    clients.get(id);
    Course course = courses.place(id, body);
    return course.peels().stream()
        .map(one ->
            new PlacedPeel(
                one.number(),
                one.on(),
                one.formula().code(),
                one.layers(),
                one.reasons().stream().map(Course.Reason::words).toList()))
        .toList();
  }

  @May(Right.TREAT)
  @PostMapping("/clients/{id}/courses")
  CoursesView book(@PathVariable UUID id, @RequestBody CourseWish body, Principal who) {
    clients.standing(id);
    if (body.minutes() < 10 || body.minutes() > 240) {
      throw new BadInput("minutes", "minutes is " + body.minutes() + "; allowed are 10 to 240");
    }
    if (body.room().isBlank() || body.room().length() > 20) {
      throw new BadInput("room", "the room is empty or over 20 letters");
    }
    courses.book(id, body, who.getName());
    return of(id);
  }

  /// @param number of the first peel that moves; all after it follow
  record CourseMove(int number, LocalDate to) {}

  @May(Right.TREAT)
  @PostMapping("/courses/{id}/move")
  CoursesView move(@PathVariable UUID id, @RequestBody CourseMove body, Principal who) {
    courses.move(id, body.number(), body.to(), who.getName());
    return of(store.get(id).clientId());
  }

  record CourseSkip(int number, String why) {}

  @May(Right.TREAT)
  @PostMapping("/courses/{id}/skip")
  CoursesView skip(@PathVariable UUID id, @RequestBody CourseSkip body, Principal who) {
    courses.skip(id, body.number(), reason(body.why()), who.getName());
    return of(store.get(id).clientId());
  }

  record CoursePause(String why) {}

  @May(Right.TREAT)
  @PostMapping("/courses/{id}/pause")
  CoursesView pause(@PathVariable UUID id, @RequestBody CoursePause body, Principal who) {
    courses.pause(id, reason(body.why()), who.getName());
    return of(store.get(id).clientId());
  }

  record CourseResume(LocalDate from) {}

  @May(Right.TREAT)
  @PostMapping("/courses/{id}/resume")
  CoursesView resume(@PathVariable UUID id, @RequestBody CourseResume body, Principal who) {
    courses.resume(id, body.from(), who.getName());
    return of(store.get(id).clientId());
  }

  private static String reason(String why) {
    if (why.isBlank() || why.length() > 200) {
      throw new BadInput("why", "the reason is empty or over 200 letters");
    }
    return why.strip();
  }

  /// A course in a calendar: moved, it changes the entries that are there.
  @May(Right.RECORD)
  @GetMapping(path = "/courses/{id}/course.ics", produces = "text/calendar")
  ResponseEntity<byte[]> ics(@PathVariable UUID id) {
    Kept course = store.get(id);
    Language language = clients.get(course.clientId()).language();
    String reach = practice.reach().in(language);
    List<Entry> entries =
        courses.standing(id).stream()
            .<Entry>map(one ->
                new Entry.Hour(
                    "course-" + id + "-" + one.peel().number(),
                    one.startsAt(),
                    course.minutes(),
                    Told.of(Sentence.YOUR_PEEL, new Part.Count(one.peel().number())).in(language),
                    reach,
                    one.cancelled()))
            .toList();
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("course.ics").build().toString())
        .contentType(MediaType.parseMediaType("text/calendar; charset=utf-8"))
        .body(Calendars.of(entries, clock.instant()));
  }
}
