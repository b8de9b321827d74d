package ivesk.server.skin;

import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.visit.VisitRecord;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class ConsultService {
  private final ConsultStore store;
  private final VisitStore visits;
  private final VisitRecord record;
  private final Audit audit;
  private final Clock clock;

  ConsultService(
      ConsultStore store, VisitStore visits, VisitRecord record, Audit audit, Clock clock) {
    this.store = store;
    this.visits = visits;
    this.record = record;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param version 0 before the first save
  /// @param carriedFrom the day of the visit whose consult this still is
  public record Current(Consult consult, int version, Optional<LocalDate> carriedFrom) {}

  /// A visit's consult; a returning client's begins with what lasts of the one before.
  public Current of(UUID visitId) {
    Optional<ConsultStore.Saved> own = store.find(visitId);
    if (own.isPresent())
      return new Current(own.get().consult(), own.get().version(), Optional.empty());
    Visit visit = visits.get(visitId);
    List<Visit> earlier =
        visits.ofClient(visit.clientId()).stream()
            .filter(other -> other.startsAt().isBefore(visit.startsAt()))
            .toList();
    Set<UUID> kept = store.kept(earlier.stream().map(Visit::id).toList());
    return earlier.reversed().stream()
        .filter(other -> kept.contains(other.id()))
        .findFirst()
        .flatMap(other ->
            store
                .find(other.id())
                .map(saved ->
                    new Current(
                        saved.consult().carriedOver(day(visit)), 0, Optional.of(day(other)))))
        .orElse(new Current(Consult.EMPTY, 0, Optional.empty()));
  }

  /// Of some visits those at which a consult was told.
  public Set<UUID> told(List<UUID> visitIds) {
    return store.kept(visitIds);
  }

  /// Those that were saved at some visits, in no order.
  public List<Consult> saved(List<UUID> visitIds) {
    return store.consults(visitIds);
  }

  /// Takes consults out for good.
  public void erase(List<UUID> visits) {
    visits.forEach(store::erase);
  }

  /// Saves over the version that was read.
  @Transactional
  public void save(UUID visitId, Consult consult, int version, String who) {
    visits.get(visitId);
    record.requireUnsigned(visitId);
    LocalDate today = LocalDate.now(clock);
    consult
        .products()
        .forEach(product ->
            product
                .lastUse()
                .or(product::since)
                .filter(on -> on.isAfter(today))
                .ifPresent(on -> {
                  throw new BadInput(
                      "products",
                      product.name() + " has the date " + on + "; it must not lie after " + today);
                }));
    store.save(visitId, consult, version, who);
    audit.noteOnce(who, "save consult", visitId);
  }

  private LocalDate day(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
  }
}
