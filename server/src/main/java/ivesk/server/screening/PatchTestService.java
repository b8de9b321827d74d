package ivesk.server.screening;

import ivesk.core.Require;
import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest.Read;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.ClientStore;
import ivesk.server.screening.PatchTestStore.Placed;
import ivesk.server.visit.VisitStore;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class PatchTestService {
  private static final Duration FORGOTTEN_AFTER = Duration.ofDays(7);

  private final PatchTestStore store;
  private final VisitStore visits;
  private final ClientStore clients;
  private final Audit audit;
  private final Clock clock;

  PatchTestService(
      PatchTestStore store, VisitStore visits, ClientStore clients, Audit audit, Clock clock) {
    this.store = store;
    this.visits = visits;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  /// A read that waits: of whom, of what, and when it is due.
  public record DueRead(
      UUID patchTestId,
      UUID clientId,
      String clientName,
      Family family,
      String familyLabel,
      String site,
      Read read,
      Instant dueAt,
      boolean overdue) {}

  @Transactional
  public void place(UUID visitId, Set<Family> families, String site, Instant at, String who) {
    if (families.isEmpty()) throw new BadInput("families", "the patch test names no family");
    BadInput.check("site", () -> Require.text("site", site, 80));
    UUID clientId = visits.get(visitId).clientId();
    families.forEach(family -> store.place(clientId, family, site, at, who));
    audit.note(who, "place patch test", clientId, Family.labels(families));
  }

  /// Notes what is seen; which of the two reads it is follows from the time.
  ///
  /// @throws Refused when it is too early, or all was read
  @Transactional
  public void read(UUID id, Result result, Instant at, String who) {
    Placed placed = store.get(id);
    placed
        .test()
        .refuse(result, at)
        .ifPresent(why -> {
          throw new Refused(why);
        });
    store.read(id, placed.test().next(at).orElseThrow(), result, at, who);
    audit.note(who, "read patch test " + result, id);
  }

  /// Patch tests of a client with a read still to come.
  public List<UUID> waiting(UUID clientId) {
    return store.ofClient(clientId).stream()
        .filter(placed -> placed.test().next(clock.instant()).isPresent())
        .map(Placed::id)
        .toList();
  }

  /// Reads due until the end of a stretch of time, the earliest first. What nobody read for a week
  /// is no longer asked for.
  public List<DueRead> due(Instant until) {
    Instant now = clock.instant();
    return store.since(now.minus(FORGOTTEN_AFTER)).stream()
        .flatMap(placed ->
            placed.test().next(now).stream()
                .filter(read -> placed.test().dueAt(read).isBefore(until))
                .map(read ->
                    new DueRead(
                        placed.id(),
                        placed.clientId(),
                        clients.get(placed.clientId()).name(),
                        placed.test().family(),
                        placed.test().family().label(),
                        placed.site(),
                        read,
                        placed.test().dueAt(read),
                        !placed.test().dueAt(read).isAfter(now))))
        .sorted(Comparator.comparing(DueRead::dueAt).thenComparing(DueRead::clientName))
        .toList();
  }
}
