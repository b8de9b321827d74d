package ivesk.server.path;

import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.screening.PatchTestService;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class VisitController {
  private final VisitStore visits;
  private final VisitPath path;
  private final ClientStore clients;
  private final Treatments treatments;
  private final PatchTestService patchTests;
  private final AccountStore accounts;
  private final Health health;
  private final Audit audit;
  private final Clock clock;

  VisitController(
      VisitStore visits,
      VisitPath path,
      ClientStore clients,
      Treatments treatments,
      PatchTestService patchTests,
      AccountStore accounts,
      Health health,
      Audit audit,
      Clock clock) {
    this.visits = visits;
    this.path = path;
    this.clients = clients;
    this.treatments = treatments;
    this.patchTests = patchTests;
    this.accounts = accounts;
    this.health = health;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param today at the practice
  /// @param day that is shown
  /// @param visits of that day; today also those of other days that still run or wait for a
  ///   signature, the first
  /// @param patchReads patch tests whose read is due by the end of the day
  /// @param notices what somebody should see to: backups, the machine's clock
  /// @param tour the visit of the made-up client, while there is one
  record TodayView(
      LocalDate today,
      LocalDate day,
      Instant serverNow,
      List<PathWire.VisitView> visits,
      List<PatchTestService.DueRead> patchReads,
      List<String> notices,
      Optional<UUID> tour) {}

  record NewVisit(UUID clientId, Instant startsAt, Optional<Integer> minutes, String room) {}

  record Move(Instant startsAt) {}

  record Booking(Instant startsAt, int minutes, String room) {}

  record Cancelled(String why) {}

  /// @param day another than today
  @May(Right.BOOK)
  @GetMapping("/today")
  TodayView today(@RequestParam Optional<LocalDate> day, Principal who) {
    LocalDate today = LocalDate.now(clock);
    LocalDate shown = day.orElse(today);
    if (shown.isBefore(today.minusYears(100)) || shown.isAfter(today.plusYears(100))) {
      throw new BadInput(
          "day", "the day is " + shown + "; allowed is a hundred years around today");
    }
    boolean reads = reads(who);
    List<Visit> booked =
        visits.between(
            shown.atStartOfDay(clock.getZone()).toInstant(),
            shown.plusDays(1).atStartOfDay(clock.getZone()).toInstant());
    Stream<Visit> stillOpen =
        !shown.equals(today)
            ? Stream.empty()
            : treatments.openVisits().stream()
                .map(visits::get)
                .filter(visit -> booked.stream().noneMatch(b -> b.id().equals(visit.id())));
    return new TodayView(
        today,
        shown,
        clock.instant(),
        path.ofDay(Stream.concat(stillOpen, booked.stream()).toList()).stream()
            .map(view -> reads ? view : view.forTheDesk())
            .toList(),
        !reads
            ? List.of()
            : patchTests.due(today.plusDays(1).atStartOfDay(clock.getZone()).toInstant()),
        health.notices(),
        clients.tour());
  }

  @May(Right.BOOK)
  @PostMapping("/visits")
  @ResponseStatus(HttpStatus.CREATED)
  @Transactional
  PathWire.VisitView add(@RequestBody NewVisit body, Principal who) {
    clients.standing(body.clientId());
    int minutes = body.minutes().orElse(45);
    requireBookable(body.startsAt(), minutes, body.room());
    Visit visit =
        new Visit(
            UUID.randomUUID(),
            body.clientId(),
            body.startsAt(),
            minutes,
            body.room(),
            who.getName(),
            Optional.empty());
    visits.add(visit);
    audit.note(who.getName(), "add visit", visit.id());
    return shown(path.of(visit), who);
  }

  @May(Right.BOOK)
  @GetMapping("/visits/{id}")
  PathWire.VisitView visit(@PathVariable UUID id, Principal who) {
    audit.noteOnce(who.getName(), "read visit", id);
    return shown(path.of(visits.get(id)), who);
  }

  /// Moving the date moves everything that is computed from it.
  @May(Right.BOOK)
  @PutMapping("/visits/{id}/start")
  @Transactional
  PathWire.VisitView move(@PathVariable UUID id, @RequestBody Move body, Principal who) {
    Visit visit = visits.get(id);
    path.requireMovable(visit);
    requireBookable(body.startsAt(), visit.minutes(), visit.room());
    visits.book(id, body.startsAt(), visit.minutes(), visit.room());
    audit.note(who.getName(), "move visit", id);
    return shown(path.of(visits.get(id)), who);
  }

  /// Another time, length or room.
  @May(Right.BOOK)
  @PutMapping("/visits/{id}/booking")
  @Transactional
  PathWire.VisitView book(@PathVariable UUID id, @RequestBody Booking body, Principal who) {
    Visit visit = visits.get(id);
    path.requireMovable(visit);
    requireBookable(body.startsAt(), body.minutes(), body.room());
    visits.book(id, body.startsAt(), body.minutes(), body.room().strip());
    audit.note(who.getName(), "book visit anew", id);
    return shown(path.of(visits.get(id)), who);
  }

  /// It does not take place; it stays in the book with why.
  @May(Right.BOOK)
  @PostMapping("/visits/{id}/cancellation")
  @Transactional
  PathWire.VisitView cancel(@PathVariable UUID id, @RequestBody Cancelled body, Principal who) {
    path.requireMovable(visits.get(id));
    if (body.why().isBlank() || body.why().length() > 200) {
      throw new BadInput("why", "the reason is empty or over 200 letters");
    }
    visits.cancel(id, body.why().strip(), clock.instant());
    audit.note(who.getName(), "cancel visit", id);
    return shown(path.of(visits.get(id)), who);
  }

  @May(Right.BOOK)
  @GetMapping("/clients/{clientId}/visits")
  List<PathWire.VisitView> ofClient(@PathVariable UUID clientId, Principal who) {
    audit.noteOnce(who.getName(), "read chart", clientId);
    return path.ofClient(clientId).stream().map(view -> shown(view, who)).toList();
  }

  private boolean reads(Principal who) {
    return accounts.may(who.getName(), Right.RECORD);
  }

  private PathWire.VisitView shown(PathWire.VisitView view, Principal who) {
    return reads(who) ? view : view.forTheDesk();
  }

  private void requireBookable(Instant startsAt, int minutes, String room) {
    if (minutes < 10 || minutes > 240) {
      throw new BadInput("minutes", "minutes are " + minutes + "; allowed is 10 to 240");
    }
    requireNear(startsAt);
    if (room.isBlank() || room.length() > 20) {
      throw new BadInput("room", "room is empty or over 20 letters");
    }
  }

  private void requireNear(Instant startsAt) {
    LocalDate day = LocalDate.ofInstant(startsAt, clock.getZone());
    LocalDate today = LocalDate.now(clock);
    if (day.isBefore(today) || day.isAfter(today.plusYears(2))) {
      throw new BadInput(
          "startsAt",
          "the visit is on " + day + "; allowed is today, " + today + ", to two years from now");
    }
  }
}
