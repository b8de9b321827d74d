package ivesk.server.visit;

import ivesk.core.Require;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.visit.VisitStore.Visit;
import ivesk.server.visit.WaitingStore.Waiting;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Who waits for a slot, and slots that were given back.
@May(Right.BOOK)
@RestController
@RequestMapping("/api/waiting")
class WaitingController {
  private static final Duration AHEAD = Duration.ofDays(14);

  private final WaitingStore store;
  private final VisitStore visits;
  private final ClientStore clients;
  private final Audit audit;
  private final Clock clock;

  WaitingController(
      WaitingStore store, VisitStore visits, ClientStore clients, Audit audit, Clock clock) {
    this.store = store;
    this.visits = visits;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param telephone on which the client is called when a slot comes free
  record WaitingClient(
      UUID id,
      UUID clientId,
      String clientName,
      Optional<String> telephone,
      Instant since,
      String wish) {}

  /// @param visitId that was cancelled
  record FreeSlot(UUID visitId, Instant startsAt, int minutes, String room) {}

  /// @param waiting the longest first
  /// @param slots of the next two weeks that were cancelled and not taken again
  record WaitingView(List<WaitingClient> waiting, List<FreeSlot> slots) {}

  @GetMapping
  WaitingView all() {
    Instant now = clock.instant();
    List<Visit> booked = visits.between(now, now.plus(AHEAD));
    return new WaitingView(
        store.all().stream()
            .map(one -> {
              Client client = clients.get(one.clientId());
              return new WaitingClient(
                  one.id(),
                  client.id(),
                  client.name(),
                  client.telephone(),
                  one.since(),
                  one.wish());
            })
            .toList(),
        booked.stream()
            .filter(visit -> visit.cancelled().isPresent())
            .filter(visit -> booked.stream().noneMatch(other -> taken(visit, other)))
            .map(visit -> new FreeSlot(visit.id(), visit.startsAt(), visit.minutes(), visit.room()))
            .distinct()
            .toList());
  }

  private static boolean taken(Visit slot, Visit other) {
    return other.cancelled().isEmpty()
        && other.room().equalsIgnoreCase(slot.room())
        && other.startsAt().isBefore(end(slot))
        && slot.startsAt().isBefore(end(other));
  }

  private static Instant end(Visit visit) {
    return visit.startsAt().plus(Duration.ofMinutes(visit.minutes()));
  }

  record NewWaiting(UUID clientId, String wish) {}

  @PostMapping
  @Transactional
  WaitingView add(@RequestBody NewWaiting body, Principal who) {
    clients.standing(body.clientId());
    BadInput.check("wish", () -> Require.atMost("wish", body.wish(), 200));
    if (store.all().stream().noneMatch(one -> one.clientId().equals(body.clientId()))) {
      store.add(
          new Waiting(
              UUID.randomUUID(),
              body.clientId(),
              clock.instant().truncatedTo(ChronoUnit.MICROS),
              body.wish().strip()),
          who.getName());
      audit.note(who.getName(), "put on the waiting list", body.clientId());
    }
    return all();
  }

  @DeleteMapping("/{id}")
  @Transactional
  WaitingView remove(@PathVariable UUID id, Principal who) {
    audit.note(who.getName(), "take off the waiting list", store.get(id).clientId());
    store.remove(id);
    return all();
  }

  /// @param slotId visit that was cancelled
  record SlotTaken(UUID slotId) {}

  /// Books a free slot for who waits.
  @PostMapping("/{id}/booking")
  @Transactional
  WaitingView book(@PathVariable UUID id, @RequestBody SlotTaken body, Principal who) {
    Waiting waiting = store.get(id);
    Visit slot = visits.get(body.slotId());
    boolean free = all().slots().stream().anyMatch(one -> one.visitId().equals(body.slotId()));
    if (!free) throw new Refused("This slot is taken, or over. Nothing was booked.");
    UUID visit = UUID.randomUUID();
    visits.add(
        new Visit(
            visit,
            waiting.clientId(),
            slot.startsAt(),
            slot.minutes(),
            slot.room(),
            slot.therapist(),
            Optional.empty()));
    store.remove(id);
    audit.note(who.getName(), "book from the waiting list", visit);
    return all();
  }
}
