package ivesk.server.path;

import ivesk.core.Words;
import ivesk.core.screening.Finding;
import ivesk.core.screening.Screening;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.screening.Verdict;
import ivesk.core.skin.Phototype;
import ivesk.core.treatment.Advice;
import ivesk.core.treatment.Advisor;
import ivesk.core.treatment.Alarm;
import ivesk.core.treatment.Looks;
import ivesk.core.treatment.Phase;
import ivesk.core.treatment.TreatmentState;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.StorageMapper;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.treatment.Treatments;
import ivesk.server.treatment.Treatments.Live;
import ivesk.server.treatment.Treatments.SignedRecord;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// How far along its eight stations a visit is, each with its answer, and what a shut one misses.
@Component
class VisitPath {
  private final VisitStore visits;
  private final ClientStore clients;
  private final ScreeningService screening;
  private final PlanService plans;
  private final Treatments treatments;
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Clock clock;

  VisitPath(
      VisitStore visits,
      ClientStore clients,
      ScreeningService screening,
      PlanService plans,
      Treatments treatments,
      PracticeStore practice,
      AccountStore accounts,
      Clock clock) {
    this.visits = visits;
    this.clients = clients;
    this.screening = screening;
    this.plans = plans;
    this.treatments = treatments;
    this.practice = practice;
    this.accounts = accounts;
    this.clock = clock;
  }

  enum Station {
    CONSULT,
    SCREEN,
    CHOOSE,
    PLAN,
    READY,
    TREAT,
    SETTLE,
    AFTER
  }

  enum Progress {
    DONE,
    HERE,
    AHEAD
  }

  /// @param answer what the station came to, in a few words
  /// @param missing what it waits for; empty when it is open
  record StationView(Station id, Progress progress, String answer, Optional<String> missing) {}

  /// @param alarm the line of the gravest alarm that stands
  /// @param elapsed from here the running clock counts; empty when no acid is on
  record RunningView(
      UUID treatmentId,
      Phase phase,
      Optional<Instant> elapsed,
      Optional<Instant> limitAt,
      Optional<Integer> lastAnswer,
      int layer,
      int layersPlanned,
      String advice,
      Optional<String> alarm) {}

  record VisitView(
      UUID id,
      UUID clientId,
      String clientName,
      int age,
      Optional<Phototype> phototype,
      String occupation,
      String allergies,
      String comfort,
      Instant startsAt,
      LocalDate day,
      int minutes,
      String room,
      String therapist,
      Verdict verdict,
      List<String> limits,
      List<StationView> stations,
      Station here,
      Optional<String> formula,
      int pastPeels,
      Optional<String> lastPeel,
      Optional<UUID> treatmentId,
      Optional<RunningView> running,
      Optional<Instant> signedAt,
      String needs,
      List<String> warnings,
      Optional<String> cancelled,
      Optional<String> unreadable) {

    /// What the desk sees: who comes when, and what runs; nothing of what was asked, found or
    /// planned.
    VisitView forTheDesk() {
      return new VisitView(
          id,
          clientId,
          clientName,
          age,
          Optional.empty(),
          occupation,
          "",
          "",
          startsAt,
          day,
          minutes,
          room,
          therapist,
          Verdict.PROCEED,
          List.of(),
          stations.stream()
              .map(one -> new StationView(one.id(), one.progress(), "", one.missing()))
              .toList(),
          here,
          Optional.empty(),
          0,
          Optional.empty(),
          treatmentId,
          running,
          signedAt,
          cancelled.isPresent() || signedAt.isPresent() ? needs : "",
          warnings,
          cancelled,
          Optional.empty());
    }
  }

  void requireMovable(Visit visit) {
    if (treatments.ofVisit(visit.id()).isPresent()) {
      throw new Refused("The treatment is open: its date stays.");
    }
    if (visit.cancelled().isPresent()) {
      throw new Refused("The visit is cancelled; book a new one. Nothing was changed.");
    }
  }

  /// Where a record of this client cannot be read here, the visit says so instead of its answers,
  /// and the chart still opens.
  VisitView of(Visit visit) {
    try {
      return readable(visit);
    } catch (StorageMapper.Unreadable e) {
      return unreadable(visit, e.getMessage());
    }
  }

  /// A client's visits as the chart lists them: a signed one is not worked out again.
  List<VisitView> ofClient(UUID clientId) {
    List<Visit> all = visits.ofClient(clientId);
    Map<UUID, SignedRecord> signed = treatments.signed(all.stream().map(Visit::id).toList());
    Client client = clients.get(clientId);
    List<VisitView> views = new ArrayList<>();
    int peels = 0;
    for (Visit visit : all) {
      SignedRecord record = signed.get(visit.id());
      views.add(record == null ? of(visit) : signed(visit, client, record, peels));
      if (record != null) peels++;
    }
    return views;
  }

  private VisitView signed(Visit visit, Client client, SignedRecord record, int peels) {
    LocalDate day = LocalDate.ofInstant(visit.startsAt(), clock.getZone());
    return new VisitView(
        visit.id(),
        client.id(),
        client.name(),
        client.ageOn(day),
        Optional.of(record.phototype()),
        client.occupation(),
        client.allergies(),
        client.comfort(),
        visit.startsAt(),
        day,
        visit.minutes(),
        visit.room(),
        name(visit.therapist()),
        Verdict.PROCEED,
        List.of(),
        Arrays.stream(Station.values())
            .map(station -> new StationView(station, Progress.DONE, "", Optional.empty()))
            .toList(),
        Station.AFTER,
        Optional.of(record.formula()),
        peels,
        Optional.empty(),
        Optional.of(record.id()),
        Optional.empty(),
        Optional.of(record.signedAt()),
        "signed",
        List.of(),
        visit.cancelled(),
        Optional.empty());
  }

  private String name(String username) {
    return accounts.account(username).map(AccountStore.Account::name).orElse("");
  }

  private VisitView unreadable(Visit visit, String why) {
    Client client = clients.get(visit.clientId());
    LocalDate day = LocalDate.ofInstant(visit.startsAt(), clock.getZone());
    Optional<String> missing = Optional.of("a record cannot be read here");
    return new VisitView(
        visit.id(),
        client.id(),
        client.name(),
        Period.between(client.dateOfBirth(), day).getYears(),
        Optional.empty(),
        client.occupation(),
        client.allergies(),
        client.comfort(),
        visit.startsAt(),
        day,
        visit.minutes(),
        visit.room(),
        name(visit.therapist()),
        Verdict.WAIT,
        List.of(),
        Arrays.stream(Station.values())
            .map(station -> new StationView(station, Progress.AHEAD, "", missing))
            .toList(),
        Station.CONSULT,
        Optional.empty(),
        0,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        "a record cannot be read here",
        List.of(),
        visit.cancelled(),
        Optional.of(why));
  }

  private VisitView readable(Visit visit) {
    Client client = clients.get(visit.clientId());
    ScreeningFacts facts = screening.facts(visit.id());
    Screening outcome = screening.screen(visit.id(), facts);
    Optional<Live> live = treatments.ofVisit(visit.id());
    Optional<String> formula =
        live.map(l -> l.plan().formula().code()).or(() -> plans.formula(visit.id()));
    boolean kept = plans.kept(visit.id());
    Optional<Phase> phase = live.map(l -> l.state().phase());
    boolean signed = phase.filter(p -> p == Phase.SIGNED).isPresent();
    Station here = here(facts, outcome, formula, kept, phase);
    return new VisitView(
        visit.id(),
        client.id(),
        client.name(),
        facts.age(),
        facts.skin().phototype(),
        client.occupation(),
        client.allergies(),
        client.comfort(),
        visit.startsAt(),
        facts.peelDate(),
        visit.minutes(),
        visit.room(),
        name(visit.therapist()),
        outcome.verdict(),
        outcome.limits().words(),
        stations(facts, outcome, formula, kept, live, here, signed),
        here,
        formula,
        facts.peelsHere().size(),
        facts.lastPeel().map(p -> p.formula().code() + ", " + Words.day(p.on())),
        live.map(Live::id),
        live.filter(l -> !l.state().phase().closed()).map(this::running),
        live.filter(l -> signed).map(l -> l.state().lastEventAt()),
        visit
            .cancelled()
            .map(reason -> "cancelled: " + reason)
            .orElseGet(
                () -> stopped(phase) ? "stopped before any acid" : needs(here, outcome, signed)),
        signed || visit.cancelled().isPresent() ? List.of() : warnings(visit, client),
        visit.cancelled(),
        Optional.empty());
  }

  /// What the book itself says against a visit: the client is booked twice that day, or somebody
  /// else has the room.
  private List<String> warnings(Visit visit, Client client) {
    LocalDate day = LocalDate.ofInstant(visit.startsAt(), clock.getZone());
    Instant from = day.atStartOfDay(clock.getZone()).toInstant();
    Instant to = day.plusDays(1).atStartOfDay(clock.getZone()).toInstant();
    List<String> warnings = new ArrayList<>(shutOn(day));
    for (Visit other : visits.between(from, to)) {
      if (other.id().equals(visit.id()) || other.cancelled().isPresent()) continue;
      String at = Words.hour(other.startsAt().atZone(clock.getZone()).toLocalTime());
      boolean open =
          treatments.ofVisit(other.id()).filter(l -> l.state().phase().closed()).isEmpty();
      if (other.clientId().equals(visit.clientId()) && open) {
        warnings.add(client.name() + " is booked twice this day, at " + at + " too");
      } else if (open && overlap(visit, other) && other.room().equalsIgnoreCase(visit.room())) {
        warnings.add(visit.room() + " is taken from " + at + " for " + other.minutes() + " min");
      }
    }
    return warnings;
  }

  /// Why the practice is shut on a day; none where it is open.
  private List<String> shutOn(LocalDate day) {
    Optional<String> closed =
        practice.closedDays().stream()
            .filter(one -> one.day().equals(day))
            .map(one -> "the practice is closed this day: " + one.why())
            .findFirst();
    boolean open =
        practice
            .details()
            .map(details -> details.opening().contains(day.getDayOfWeek()))
            .orElse(true);
    return closed
        .or(() ->
            open
                ? Optional.empty()
                : Optional.of("the practice is not open on this day of the week"))
        .stream()
        .toList();
  }

  private static boolean overlap(Visit one, Visit other) {
    return one.startsAt().isBefore(end(other)) && other.startsAt().isBefore(end(one));
  }

  private static Instant end(Visit visit) {
    return visit.startsAt().plus(Duration.ofMinutes(visit.minutes()));
  }

  private static boolean stopped(Optional<Phase> phase) {
    return phase.filter(Phase.STOPPED::equals).isPresent();
  }

  private static Station here(
      ScreeningFacts facts,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<Phase> phase) {
    if (phase.isPresent()) {
      return switch (phase.get()) {
        case READY, STOPPED -> Station.READY;
        case ARMED, ACID -> Station.TREAT;
        case ENDING, SETTLING, AT_REST -> Station.SETTLE;
        case CHECKED, SIGNED -> Station.AFTER;
      };
    }
    if (kept) return Station.READY;
    if (formula.isPresent()) return Station.PLAN;
    if (facts.skin().phototype().isEmpty() || facts.skin().sensitivity().isEmpty()) {
      return Station.CONSULT;
    }
    return shut(outcome) ? Station.SCREEN : Station.CHOOSE;
  }

  private static boolean shut(Screening outcome) {
    return outcome.verdict().compareTo(Verdict.WAIT) >= 0 || outcome.open() == 0;
  }

  private List<StationView> stations(
      ScreeningFacts facts,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<Live> live,
      Station here,
      boolean signed) {
    Optional<TreatmentState> state = live.map(Live::state);
    List<StationView> stations = new ArrayList<>();
    for (Station station : Station.values()) {
      Progress progress =
          signed || station.ordinal() < here.ordinal()
              ? Progress.DONE
              : station == here ? Progress.HERE : Progress.AHEAD;
      stations.add(
          new StationView(
              station,
              progress,
              answer(station, facts, outcome, formula, kept, state),
              missing(station, outcome, formula, kept, state)));
    }
    return stations;
  }

  private static String answer(
      Station station,
      ScreeningFacts facts,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<TreatmentState> state) {
    return switch (station) {
      case CONSULT ->
          facts.skin().phototype().map(type -> "type " + type).orElse("type open")
              + " · "
              + Words.count(facts.skin().goals().size(), "goal");
      case SCREEN ->
          outcome.unasked() > 0
              ? outcome.unasked() + " not asked"
              : outcome.verdict().name().toLowerCase(java.util.Locale.ROOT)
                  + (outcome.limits().words().isEmpty()
                      ? ""
                      : " · " + Words.count(outcome.limits().words().size(), "limit"));
      case CHOOSE -> formula.orElse("");
      case PLAN -> kept ? "kept" : "";
      case READY ->
          state
              .flatMap(s -> s.ready().gateA())
              .map(gate ->
                  switch (gate) {
                    case KEEP -> "gate kept";
                    case SHORTEN -> "shortened";
                    case STOP -> "stopped";
                  })
              .orElse("");
      case TREAT ->
          state
              .filter(s -> s.endedAt().isPresent())
              .map(s -> Words.clock(s.contact(s.lastEventAt())))
              .orElse("");
      case SETTLE ->
          state
              .flatMap(TreatmentState::timeToRest)
              .map(rest -> "rest in " + Words.clock(rest))
              .orElse("");
      case AFTER -> state.filter(s -> s.phase() == Phase.SIGNED).map(s -> "signed").orElse("");
    };
  }

  private static Optional<String> missing(
      Station station,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<TreatmentState> state) {
    boolean open =
        switch (station) {
          case CONSULT, SCREEN -> true;
          // Where all is shut, Choose says why and what instead.
          case CHOOSE -> outcome.unasked() == 0 || !shut(outcome) || state.isPresent();
          case PLAN -> formula.isPresent();
          case READY -> kept || state.isPresent();
          case TREAT ->
              state.filter(s -> s.phase() != Phase.READY && s.phase() != Phase.STOPPED).isPresent();
          case SETTLE -> state.filter(s -> s.endedAt().isPresent()).isPresent();
          case AFTER ->
              state
                  .filter(s -> s.phase() == Phase.CHECKED || s.phase() == Phase.SIGNED)
                  .isPresent();
        };
    if (open) return Optional.empty();
    return Optional.of(
        switch (station) {
          case CONSULT, SCREEN -> "";
          case CHOOSE -> Words.count(outcome.unasked(), "answer") + " missing in Screen";
          case PLAN -> "choose a formula first";
          case READY -> "keep the plan first";
          case TREAT -> "arm the timer first";
          case SETTLE -> "the peel is not ended";
          case AFTER -> "the leaving check is not done";
        });
  }

  private static String needs(Station here, Screening outcome, boolean signed) {
    if (signed) return "signed";
    return switch (here) {
      case CONSULT -> "consult";
      case SCREEN ->
          outcome.unasked() > 0
              ? Words.count(outcome.unasked(), "answer") + " not asked yet"
              : outcome.verdict().compareTo(Verdict.WAIT) < 0
                  ? outcome.opensMost().map(most -> most.finding().said()).orElse("nothing is open")
                  : outcome.verdict()
                      + outcome.until().map(day -> " until " + Words.day(day)).orElse("")
                      + ": "
                      + decisive(outcome);
      case CHOOSE -> "choose a formula";
      case PLAN -> "keep the plan";
      case READY -> "ready for the couch";
      case TREAT -> "on the couch";
      case SETTLE -> "coming to rest";
      case AFTER -> "sheet and signature";
    };
  }

  /// What the verdict hangs on: the last date to pass, else the most severe finding.
  private static String decisive(Screening outcome) {
    return outcome.findings().stream()
        .filter(finding -> finding.stands() && finding.scope().client())
        .filter(finding -> finding.verdict() == outcome.verdict())
        .max(Comparator.comparing(finding -> finding.until().orElse(LocalDate.MIN)))
        .map(Finding::said)
        .orElse("");
  }

  private RunningView running(Live live) {
    TreatmentState state = live.state();
    Instant now = clock.instant();
    Advice advice = Advisor.advise(live.plan(), state, now);
    return new RunningView(
        live.id(),
        state.phase(),
        state.endedAt().isPresent()
            ? state.endedAt().filter(e -> state.phase() != Phase.CHECKED)
            : state.firstTouch(),
        state.endedAt().isPresent() ? Optional.empty() : state.limitAt(),
        state.lastAnswer().map(Looks.Told::value),
        state.layers().size(),
        state.layersPlanned(),
        advice.line(),
        Alarm.standing(live.plan(), state).stream().map(Alarm::line).findFirst());
  }
}
