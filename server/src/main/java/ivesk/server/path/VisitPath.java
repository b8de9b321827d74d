package ivesk.server.path;

import ivesk.core.Words;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Phototype;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.Viewer;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.path.PathWire.Progress;
import ivesk.server.path.PathWire.RunningView;
import ivesk.server.path.PathWire.ScreenedView;
import ivesk.server.path.PathWire.Station;
import ivesk.server.path.PathWire.StationView;
import ivesk.server.path.PathWire.VisitView;
import ivesk.server.plan.PlanProgress;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.Screened;
import ivesk.server.screening.ScreeningService;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.SignedRecord;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
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
    return of(visit, bookedOn(day(visit)));
  }

  private VisitView of(Visit visit, List<Visit> booked) {
    try {
      return readable(visit, booked);
    } catch (StorageMapper.Unreadable e) {
      return unreadable(visit, e.getMessage());
    }
  }

  /// A day's visits as its list shows them.
  List<VisitView> ofDay(List<Visit> shown) {
    return listed(shown, clients.all(shown.stream().map(Visit::clientId).toList()));
  }

  /// A client's visits as the chart lists them.
  List<VisitView> ofClient(UUID clientId) {
    return listed(visits.ofClient(clientId), Map.of(clientId, clients.get(clientId)));
  }

  /// What is on the couch or signed is not worked out again.
  private List<VisitView> listed(List<Visit> shown, Map<UUID, Client> all) {
    Map<LocalDate, List<Visit>> bookings = new HashMap<>();
    List<UUID> ids = shown.stream().map(Visit::id).toList();
    Map<UUID, SignedRecord> signed = treatments.signed(ids);
    Map<UUID, Live> open = treatments.open(ids);
    List<VisitView> views = new ArrayList<>();
    for (Visit visit : shown) {
      Client client = all.get(visit.clientId());
      SignedRecord record = signed.get(visit.id());
      Live live = open.get(visit.id());
      if (record != null) {
        views.add(signed(visit, client, record));
      } else if (live != null && live.state().phase() != Phase.READY) {
        views.add(onTheCouch(visit, client, live, booked(bookings, visit)));
      } else {
        views.add(of(visit, booked(bookings, visit)));
      }
    }
    return views;
  }

  private List<Visit> booked(Map<LocalDate, List<Visit>> bookings, Visit visit) {
    return bookings.computeIfAbsent(day(visit), this::bookedOn);
  }

  private VisitView signed(Visit visit, Client client, SignedRecord record) {
    return view(
        visit,
        client,
        new Found(
            Optional.of(record.phototype()),
            Optional.empty(),
            Stations.brief(station -> Progress.DONE, Optional.empty()),
            Station.AFTER,
            Optional.of(record.formula()),
            Optional.of(record.id()),
            Optional.empty(),
            Optional.of(record.signedAt()),
            "signed",
            List.of(),
            Optional.empty()));
  }

  /// Screening is over where the treatment has begun.
  private VisitView onTheCouch(Visit visit, Client client, Live live, List<Visit> booked) {
    Station here = Stations.here(live.state().phase());
    return view(
        visit,
        client,
        new Found(
            Optional.of(live.plan().phototype()),
            Optional.empty(),
            Stations.brief(station -> Stations.progress(station, here), Optional.empty()),
            here,
            Optional.of(live.plan().formula().code()),
            Optional.of(live.id()),
            Optional.of(running(live)),
            Optional.empty(),
            visit.cancelled().map(reason -> "cancelled: " + reason).orElse(Stations.needs(here)),
            warnings(visit, client, booked),
            Optional.empty()));
  }

  private VisitView unreadable(Visit visit, String why) {
    String missing = "a record cannot be read here";
    return view(
        visit,
        clients.get(visit.clientId()),
        new Found(
            Optional.empty(),
            Optional.empty(),
            Stations.brief(station -> Progress.AHEAD, Optional.of(missing)),
            Station.CONSULT,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            missing,
            List.of(),
            Optional.of(why)));
  }

  private VisitView readable(Visit visit, List<Visit> booked) {
    Screened screened = screening.screened(visit.id());
    Client client = screened.client();
    ScreeningFacts facts = screened.facts();
    Screening outcome = screened.outcome();
    Optional<Live> live = treatments.ofVisit(visit.id());
    Optional<PlanProgress> plan = plans.progress(visit.id());
    Optional<String> formula =
        live.map(l -> l.plan().formula().code()).or(() -> plan.map(PlanProgress::formula));
    boolean kept = plan.filter(PlanProgress::kept).isPresent();
    Optional<Phase> phase = live.map(l -> l.state().phase());
    boolean signed = phase.filter(p -> p == Phase.SIGNED).isPresent();
    Station here =
        phase.map(Stations::here).orElseGet(() -> Stations.here(facts, outcome, formula, kept));
    return view(
        visit,
        client,
        new Found(
            facts.skin().phototype(),
            Optional.of(
                new ScreenedView(
                    outcome.verdict(),
                    outcome.limits().words(),
                    facts.visitsHere(),
                    facts.lastPeel().map(p -> p.formula().code() + ", " + Words.day(p.on())))),
            Stations.stations(facts, outcome, formula, kept, live, here, signed),
            here,
            formula,
            live.map(Live::id),
            live.filter(l -> !l.state().phase().closed()).map(this::running),
            live.filter(l -> signed).map(l -> l.state().lastEventAt()),
            visit
                .cancelled()
                .map(reason -> "cancelled: " + reason)
                .orElseGet(() ->
                    Stations.stopped(phase)
                        ? "stopped before any acid"
                        : Stations.needs(here, outcome, signed)),
            signed || visit.cancelled().isPresent() ? List.of() : warnings(visit, client, booked),
            Optional.empty()));
  }

  /// What a view says beside who comes when.
  private record Found(
      Optional<Phototype> phototype,
      Optional<ScreenedView> screened,
      List<StationView> stations,
      Station here,
      Optional<String> formula,
      Optional<UUID> treatmentId,
      Optional<RunningView> running,
      Optional<Instant> signedAt,
      String needs,
      List<String> warnings,
      Optional<String> unreadable) {}

  private VisitView view(Visit visit, Client client, Found found) {
    LocalDate day = day(visit);
    return new VisitView(
        visit.id(),
        client.id(),
        client.name(),
        client.ageOn(day),
        found.phototype(),
        client.occupation(),
        Viewer.allergies(client.allergies()),
        client.respected(),
        client.telephone(),
        visit.startsAt(),
        day,
        visit.minutes(),
        visit.room(),
        accounts.named(visit.therapist()),
        found.screened(),
        found.stations(),
        found.here(),
        found.formula(),
        found.treatmentId(),
        found.running(),
        found.signedAt(),
        found.needs(),
        found.warnings(),
        visit.cancelled(),
        found.unreadable());
  }

  private LocalDate day(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
  }

  private List<Visit> bookedOn(LocalDate day) {
    return visits.between(
        day.atStartOfDay(clock.getZone()).toInstant(),
        day.plusDays(1).atStartOfDay(clock.getZone()).toInstant());
  }

  /// What the book itself says against a visit: the client is booked twice that day, or somebody
  /// else has the room.
  private List<String> warnings(Visit visit, Client client, List<Visit> booked) {
    List<String> warnings = new ArrayList<>();
    practice.shutOn(day(visit)).ifPresent(warnings::add);
    for (Visit other : booked) {
      if (other.id().equals(visit.id()) || other.cancelled().isPresent()) continue;
      if (other.clientId().equals(visit.clientId()) && open(other)) {
        warnings.add(client.name() + " is booked twice this day, at " + at(other) + " too");
      } else if (overlap(visit, other)
          && other.room().equalsIgnoreCase(visit.room())
          && open(other)) {
        warnings.add(
            visit.room() + " is taken from " + at(other) + " for " + other.minutes() + " min");
      }
    }
    return warnings;
  }

  private String at(Visit visit) {
    return Words.hour(visit.startsAt().atZone(clock.getZone()).toLocalTime());
  }

  private boolean open(Visit visit) {
    return treatments.ofVisit(visit.id()).filter(l -> l.state().phase().closed()).isEmpty();
  }

  private static boolean overlap(Visit one, Visit other) {
    return one.startsAt().isBefore(end(other)) && other.startsAt().isBefore(end(one));
  }

  private static Instant end(Visit visit) {
    return visit.startsAt().plus(Duration.ofMinutes(visit.minutes()));
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
