package ivesk.server.treatment;

import ivesk.core.screening.PastPeel;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Phase;
import ivesk.server.screening.PastPeels;
import ivesk.server.treatment.Treatments.Live;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;

/// The peels of a client, read off their events. A peel counts from the first touch of acid,
/// whether or not its record was signed.
@Component
class RecordedPeels implements PastPeels {
  private final VisitStore visits;
  private final Treatments treatments;
  private final Clock clock;

  /// A signed record changes no more, so that it is replayed only once.
  private final Map<UUID, PastPeel> signed = new ConcurrentHashMap<>();

  RecordedPeels(VisitStore visits, Treatments treatments, Clock clock) {
    this.visits = visits;
    this.treatments = treatments;
    this.clock = clock;
  }

  @Override
  public List<PastPeel> before(Visit visit) {
    return visits.ofClient(visit.clientId()).stream()
        .filter(earlier -> earlier.startsAt().isBefore(visit.startsAt()))
        .flatMap(earlier -> peel(earlier.id()).stream())
        .toList();
  }

  private Optional<PastPeel> peel(UUID visitId) {
    PastPeel known = signed.get(visitId);
    if (known != null) return Optional.of(known);
    Optional<Live> live =
        treatments.ofVisit(visitId).filter(l -> l.state().firstTouch().isPresent());
    live.filter(l -> l.state().phase() == Phase.SIGNED)
        .ifPresent(l -> signed.put(visitId, peel(l)));
    return live.map(this::peel);
  }

  private PastPeel peel(Live live) {
    return Outcome.peel(
        live.plan(),
        live.state(),
        LocalDate.ofInstant(live.state().firstTouch().orElseThrow(), clock.getZone()));
  }
}
