package ivesk.server.series;

import ivesk.core.Words;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.selection.Ladders;
import ivesk.core.series.LadderRules;
import ivesk.core.series.Progress;
import ivesk.core.series.Progress.Course;
import ivesk.core.series.Scores;
import ivesk.core.skin.SkinColour;
import ivesk.server.plan.PlanProgress;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.ProgressView.DayMark;
import ivesk.server.series.ProgressView.PeelMark;
import ivesk.server.series.ProgressView.RecordSays;
import ivesk.server.series.ProgressView.ScoreLine;
import ivesk.server.series.ProgressView.ScorePoint;
import ivesk.server.series.ProgressView.ScoreTotals;
import ivesk.server.series.ProgressView.SheetOfDay;
import ivesk.server.skin.Consult;
import ivesk.server.skin.Consult.ColourReading;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RecordedPeels.Recorded;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Service;

/// Reads a client's progress off the records and the scores.
@Service
public class ProgressService {
  private static final int MONTHS_OF_CLOSED_DAYS = 12;

  private final ScoreStore scores;
  private final CourseStore courses;
  private final RecordedPeels peels;
  private final VisitStore visits;
  private final ScreeningService screening;
  private final PlanService plans;
  private final ConsultService consults;
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Clock clock;

  ProgressService(
      ScoreStore scores,
      CourseStore courses,
      RecordedPeels peels,
      VisitStore visits,
      ScreeningService screening,
      PlanService plans,
      ConsultService consults,
      PracticeStore practice,
      AccountStore accounts,
      Clock clock) {
    this.scores = scores;
    this.courses = courses;
    this.peels = peels;
    this.visits = visits;
    this.screening = screening;
    this.plans = plans;
    this.consults = consults;
    this.practice = practice;
    this.accounts = accounts;
    this.clock = clock;
  }

  ProgressView of(UUID clientId) {
    LocalDate today = LocalDate.now(clock);
    List<Recorded> done = peels.ofClient(clientId);
    List<ScoreStore.Kept> kept = scores.of(clientId);
    Map<LocalDate, Scores> byDay = ScoresOfPeels.byDay(kept);
    boolean plateau = Progress.plateau(byDay, done.stream().map(one -> one.peel().on()).toList());
    faces(clientId)
        .forEach((on, face) ->
            byDay.merge(on, Scores.NONE.withFace(face), (scored, _) -> scored.withFace(face)));
    List<Course> courses = Progress.courses(byDay);
    return new ProgressView(
        today,
        title(courses, done.size()),
        marks(clientId, done),
        courses.stream().map(ProgressService::line).toList(),
        events(clientId),
        practice.closedDays().stream()
            .filter(day -> day.day().isAfter(today.minusMonths(MONTHS_OF_CLOSED_DAYS)))
            .map(day -> new DayMark(day.day(), day.why()))
            .toList(),
        says(done, courses, plateau, today),
        kept.stream().map(ProgressService::sheet).toList(),
        plateau);
  }

  /// The face's colour as consults read it, by day.
  private Map<LocalDate, SkinColour> faces(UUID clientId) {
    Map<LocalDate, SkinColour> faces = new TreeMap<>();
    consults.saved(visits.ofClient(clientId).stream().map(Visit::id).toList()).stream()
        .flatMap(consult -> consult.faceColour().stream())
        .sorted(Comparator.comparing(ColourReading::at))
        .forEach(read -> faces.put(LocalDate.ofInstant(read.at(), clock.getZone()), read.colour()));
    return faces;
  }

  private static String title(List<Course> courses, int peels) {
    String after = peels == 0 ? "no peel yet" : Words.count(peels, "peel") + " in";
    return Progress.leading(courses)
        .map(course ->
            Words.fill(
                "%s %s to %s, %s",
                course.line().label(),
                number(course, course.points().getFirst().value()),
                number(course, course.points().getLast().value()),
                after))
        .orElseGet(() -> Words.capital(after));
  }

  private static String number(Course course, double value) {
    return Words.number(value, course.line().decimals());
  }

  private static PeelMark elsewhere(PastPeel peel) {
    return new PeelMark(
        Optional.empty(),
        peel.on(),
        Optional.of(peel.formula().code()),
        peel.formula().rung(),
        false,
        true,
        Optional.of(peel.outcome().label()),
        Optional.empty(),
        Optional.empty());
  }

  private List<PeelMark> marks(UUID clientId, List<Recorded> done) {
    List<Visit> all = visits.ofClient(clientId);
    List<PeelMark> marks = new ArrayList<>();
    for (Recorded one : done) {
      PastPeel peel = one.peel();
      marks.add(
          new PeelMark(
              Optional.of(one.visitId()),
              peel.on(),
              Optional.of(peel.formula().code()),
              peel.formula().rung(),
              false,
              false,
              Optional.of(one.stillOn() ? "on the skin now" : peel.outcome().label()),
              peel.flaked()
                  .filter(days -> days.expected())
                  .map(days -> peel.on().plusDays(days.first())),
              peel.flaked()
                  .filter(days -> days.expected())
                  .map(days -> peel.on().plusDays(days.last()))));
    }
    all.stream()
        .reduce((_, last) -> last)
        .ifPresent(last ->
            screening.facts(last.id()).pastPeels().stream()
                .filter(peel -> !peel.here())
                .map(ProgressService::elsewhere)
                .forEach(marks::add));
    Map<UUID, String> foreseen = new HashMap<>();
    for (CourseStore.Kept course : courses.of(clientId)) {
      courses.peels(course.id()).forEach(peel -> foreseen.put(peel.visitId(), peel.formula()));
    }
    List<UUID> peeled = done.stream().map(Recorded::visitId).toList();
    for (Visit visit : all) {
      boolean ahead = visit.startsAt().isAfter(clock.instant());
      if (!ahead || visit.cancelled().isPresent() || peeled.contains(visit.id())) continue;
      marks.add(
          new PeelMark(
              Optional.of(visit.id()),
              LocalDate.ofInstant(visit.startsAt(), clock.getZone()),
              plans
                  .progress(visit.id())
                  .map(PlanProgress::formula)
                  .or(() -> Optional.ofNullable(foreseen.get(visit.id()))),
              0,
              true,
              false,
              Optional.empty(),
              Optional.empty(),
              Optional.empty()));
    }
    marks.sort(Comparator.comparing(PeelMark::on));
    return List.copyOf(marks);
  }

  private static ScoreLine line(Course course) {
    return new ScoreLine(
        course.line(),
        course.line().label(),
        course.line().most(),
        course.line().decimals(),
        course.points().stream().map(point -> new ScorePoint(point.on(), point.value())).toList());
  }

  /// Of the newest consult.
  private List<DayMark> events(UUID clientId) {
    List<Visit> all = visits.ofClient(clientId);
    if (all.isEmpty()) return List.of();
    List<Consult.Event> events = consults.of(all.getLast().id()).consult().events();
    return events.stream().map(event -> new DayMark(event.on(), event.name())).toList();
  }

  private static List<RecordSays> says(
      List<Recorded> done, List<Course> courses, boolean plateau, LocalDate today) {
    if (done.isEmpty()) return List.of();
    PastPeel last = done.getLast().peel();
    Ladders ladders =
        LadderRules.of(done.stream().map(Recorded::peel).toList(), today, last.region());
    int rung = ladders.rungs().getOrDefault(last.formula().family(), last.formula().rung());
    String why = Words.capital(ladders.reasons().getOrDefault(last.formula().family(), "")) + ".";
    List<RecordSays> says = new ArrayList<>();
    says.add(
        new RecordSays(
            rung > last.formula().rung()
                ? "Up one rung is open."
                : rung < last.formula().rung() ? "Down." : "The rung stays.",
            why));
    if (plateau) {
      says.add(
          new RecordSays(
              "A plateau.",
              "The same scores over three peels: alternating with a second family is offered, not"
                  + " within each other's interval."));
    } else if (rung > last.formula().rung()) {
      says.add(new RecordSays("Staying is as good.", "When the goals are met: " + trend(courses)));
    }
    says.add(
        new RecordSays("After the course:", "once a month, then every 2 to 3 months, if wanted."));
    return List.copyOf(says);
  }

  private static String trend(List<Course> courses) {
    return Progress.leading(courses)
        .map(course -> {
          double change = course.change().orElse(0) / (course.points().size() - 1);
          return Words.fill(
              "%s changes by %s a visit.",
              course.line().label(), Words.number(change, Math.max(1, course.line().decimals())));
        })
        .orElse("no scores yet.");
  }

  private static SheetOfDay sheet(ScoreStore.Kept kept) {
    return new SheetOfDay(
        kept.on(), kept.version(), kept.sheet(), ScoreTotals.of(kept.sheet().scores()));
  }

  /// What was scored on a day.
  ///
  /// @param by who saved them, by name
  public record Scored(LocalDate on, Scores scores, String by) {}

  /// In the order of the days.
  public List<Scored> scored(UUID clientId) {
    return scores.of(clientId).stream()
        .map(kept -> new Scored(kept.on(), kept.sheet().scores(), accounts.named(kept.by())))
        .toList();
  }

  /// Scores of a day that had none.
  public void keep(UUID clientId, LocalDate on, Scores scored, String who) {
    scores.save(clientId, new ScoreStore.Kept(on, ScoreSheet.of(scored), 0, who), clock.instant());
  }

  /// Takes everything of a client out for good.
  public void erase(UUID clientId) {
    scores.erase(clientId);
  }
}
