package ivesk.server.path;

import ivesk.core.plan.script.Comfort;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.data.Ownership;
import ivesk.server.data.Ownership.Owned;
import ivesk.server.path.MergeStore.Merged;
import ivesk.server.practice.AccountStore;
import ivesk.server.series.CourseService;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// Makes one chart of two that are one person's, and two of one again. All that is known by the
/// client goes over; allergies and comforts of both hold from then on, since forgetting one does
/// harm. The other chart is put away, empty but for what the kept one has by the same key.
@Service
class Merge {
  private final ClientStore clients;
  private final VisitStore visits;
  private final Treatments treatments;
  private final CourseService courses;
  private final Ownership ownership;
  private final MergeStore store;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  Merge(
      ClientStore clients,
      VisitStore visits,
      Treatments treatments,
      CourseService courses,
      Ownership ownership,
      MergeStore store,
      AccountStore accounts,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.visits = visits;
    this.treatments = treatments;
    this.courses = courses;
    this.ownership = ownership;
    this.store = store;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /// What joining would do.
  ///
  /// @param moved how many rows of what go over
  /// @param stays how many stay, since the kept chart has its own by the same key
  /// @param near peels booked in both that would be too near to each other, in words
  /// @param refused why it cannot be; then nothing is done
  record JoinPreview(
      Client kept,
      Client other,
      Map<String, Long> moved,
      Map<String, Long> stays,
      List<String> near,
      Optional<String> refused) {}

  JoinPreview preview(UUID keptId, UUID otherId) {
    Client kept = clients.get(keptId);
    Client other = clients.get(otherId);
    return new JoinPreview(
        kept,
        other,
        counted(ownership.movable(otherId, keptId)),
        counted(ownership.doubled(otherId, keptId)),
        keptId.equals(otherId) ? List.of() : courses.tooNear(keptId, otherId),
        refused(kept, other));
  }

  private static Map<String, Long> counted(List<Owned> rows) {
    return rows.stream()
        .collect(Collectors.groupingBy(Owned::table, TreeMap::new, Collectors.counting()));
  }

  /// The kept one, to whom the allergies and comforts of both matter.
  private static Client both(Client kept, Client other) {
    Set<Comfort> comforts = new HashSet<>(kept.comforts());
    comforts.addAll(other.comforts());
    return kept.allergicTo(other.allergies())
        .comfortedBy(comforts)
        .reachedAlso(other.telephone(), other.mail());
  }

  private Optional<String> refused(Client kept, Client other) {
    if (kept.id().equals(other.id())) return Optional.of("It is the same chart.");
    for (Client one : List.of(kept, other)) {
      if (one.joinedInto().isPresent()) {
        return Optional.of("The chart of " + one.name() + " is joined already.");
      }
      List<UUID> all = visits.ofClient(one.id()).stream().map(Visit::id).toList();
      if (!treatments.open(all).isEmpty()) {
        return Optional.of(
            "A treatment of " + one.name() + " is open. End and sign it, then join the charts.");
      }
    }
    if (!store.standing(other.id()).isEmpty()) {
      return Optional.of(
          "The chart of "
              + other.name()
              + " holds another already. Keep that one and join this one into it, or take it apart"
              + " first.");
    }
    return Optional.empty();
  }

  @Transactional
  public Client join(UUID keptId, UUID otherId, String who) {
    Client kept = clients.get(keptId);
    Client other = clients.get(otherId);
    refused(kept, other)
        .ifPresent(why -> {
          throw new Refused(why + " Nothing was written.");
        });
    List<Owned> rows = ownership.movable(otherId, keptId);
    Client both = BadInput.in("allergies", () -> both(kept, other));
    store.add(
        new Merged(
            UUID.randomUUID(),
            keptId,
            otherId,
            clock.instant().truncatedTo(ChronoUnit.MICROS),
            who,
            kept.allergies(),
            kept.comforts(),
            kept.telephone(),
            kept.mail(),
            other.archivedOn()),
        rows);
    ownership.give(rows, otherId, keptId);
    if (!both.equals(kept)) clients.change(both);
    clients.join(otherId, Optional.of(keptId));
    if (other.archivedOn().isEmpty()) {
      clients.archive(otherId, Optional.of(LocalDate.now(clock)));
    }
    audit.note(who, "join charts", keptId, "with " + otherId);
    audit.note(who, "join charts", otherId, "into " + keptId);
    return clients.get(keptId);
  }

  /// Charts that are joined with a client's.
  ///
  /// @param kept holds both
  /// @param who by name
  record JoinedCharts(UUID id, Client kept, Client other, LocalDate on, String who) {}

  List<JoinedCharts> of(UUID client) {
    clients.get(client);
    return store.standing(client).stream()
        .map(one ->
            new JoinedCharts(
                one.id(),
                clients.get(one.kept()),
                clients.get(one.other()),
                LocalDate.ofInstant(one.at(), clock.getZone()),
                accounts.named(one.who())))
        .toList();
  }

  /// Takes joined charts apart: what came over goes back. What was added since stays with the kept
  /// one, and so do allergies that were told since.
  @Transactional
  public Client undo(UUID id, String who) {
    Merged merged = store.standingOne(id).orElseThrow(() -> new NotFound("joined chart", id));
    Client kept = clients.get(merged.kept());
    Client other = clients.get(merged.other());
    List<Owned> rows = store.rows(id);
    requireNoneOpen(rows, kept);
    ownership.give(rows, merged.kept(), merged.other());
    Client before =
        kept.allergicOnlyTo(merged.allergies())
            .comfortedBy(merged.comforts())
            .reached(merged.telephone(), merged.mail());
    boolean asJoined = kept.equals(both(before, other));
    if (asJoined && !kept.equals(before)) clients.change(before);
    clients.join(merged.other(), Optional.empty());
    clients.archive(merged.other(), merged.otherArchived());
    store.undo(id, clock.instant().truncatedTo(ChronoUnit.MICROS), who);
    audit.note(who, "take charts apart", merged.kept(), "from " + merged.other());
    audit.note(who, "take charts apart", merged.other(), "from " + merged.kept());
    return clients.get(merged.kept());
  }

  private void requireNoneOpen(List<Owned> rows, Client kept) {
    Set<String> moved =
        rows.stream()
            .filter(row -> row.table().equals("visit"))
            .map(Owned::key)
            .collect(Collectors.toSet());
    List<UUID> theirs =
        visits.ofClient(kept.id()).stream()
            .map(Visit::id)
            .filter(visit -> moved.contains(visit.toString()))
            .toList();
    if (!treatments.open(theirs).isEmpty()) {
      throw new Refused(
          "A treatment of this chart is open. End and sign it, then take the charts apart. Nothing"
              + " was written.");
    }
  }
}
