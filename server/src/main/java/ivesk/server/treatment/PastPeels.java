package ivesk.server.treatment;

import ivesk.core.screening.PastPeel;
import ivesk.core.treatment.Outcome;
import ivesk.server.treatment.Treatments.Live;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Component;

/// The peels of a client, read off their events. A peel counts from the first touch of acid,
/// whether or not its record was signed.
@Component
public class PastPeels {
  private final VisitStore visits;
  private final Treatments treatments;
  private final Clock clock;

  PastPeels(VisitStore visits, Treatments treatments, Clock clock) {
    this.visits = visits;
    this.treatments = treatments;
    this.clock = clock;
  }

  /// Peels of visits that came before this one.
  public List<PastPeel> before(Visit visit) {
    return visits.ofClient(visit.clientId()).stream()
        .filter(earlier -> earlier.startsAt().isBefore(visit.startsAt()))
        .flatMap(earlier -> treatments.ofVisit(earlier.id()).stream())
        .filter(live -> live.state().firstTouch().isPresent())
        .map(this::peel)
        .toList();
  }

  private PastPeel peel(Live live) {
    return Outcome.peel(
        live.plan(),
        live.state(),
        LocalDate.ofInstant(live.state().firstTouch().orElseThrow(), clock.getZone()));
  }
}
