package ivesk.server.treatment;

import ivesk.core.screening.PastPeel;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Phase;
import ivesk.core.treatment.TreatmentEvent.NextTimePlanned;
import ivesk.server.app.AtHand;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.screening.PastPeels;
import ivesk.server.treatment.Treatments.Live;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/// The peels of a client, read off their events. A peel counts from the first touch of its acid,
/// whatever its visit was booked for and whether or not its record was signed.
@Component
class RecordedPeels implements PastPeels {
  private static final int MOST_AT_HAND = 20_000;

  private final VisitStore visits;
  private final Treatments treatments;
  private final Clock clock;

  /// A signed record changes no more, so that it is replayed only once.
  private final Map<UUID, Done> signed = new AtHand<>(MOST_AT_HAND);

  private record Done(Instant firstTouch, PastPeel peel) {}

  RecordedPeels(VisitStore visits, Treatments treatments, Clock clock) {
    this.visits = visits;
    this.treatments = treatments;
    this.clock = clock;
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    signed.clear();
  }

  @Override
  public List<PastPeel> before(Visit visit) {
    List<UUID> booked = visits.ofClient(visit.clientId()).stream().map(Visit::id).toList();
    List<TreatmentStore.Row> all = treatments.ofVisits(booked);
    Optional<Instant> own =
        all.stream()
            .filter(row -> row.visitId().equals(visit.id()))
            .flatMap(row -> done(row).stream())
            .map(Done::firstTouch)
            .findFirst();
    return all.stream()
        .filter(row -> !row.visitId().equals(visit.id()))
        .flatMap(row -> done(row).stream())
        .filter(other -> own.isEmpty() || other.firstTouch().isBefore(own.get()))
        .sorted(Comparator.comparing(Done::firstTouch))
        .map(Done::peel)
        .toList();
  }

  private Optional<Done> done(TreatmentStore.Row row) {
    Done known = signed.get(row.id());
    if (known != null) return Optional.of(known);
    Live live = treatments.live(row.id());
    Optional<Done> done = done(live);
    if (live.state().phase() == Phase.SIGNED) done.ifPresent(peel -> signed.put(row.id(), peel));
    return done;
  }

  private Optional<Done> done(Live live) {
    return live.state()
        .firstTouch()
        .map(touched ->
            new Done(
                touched,
                Outcome.peel(
                        live.plan(), live.state(), LocalDate.ofInstant(touched, clock.getZone()))
                    .planning(nextTime(live))));
  }

  private static Optional<PastPeel.NextTime> nextTime(Live live) {
    return live.events().reversed().stream()
        .flatMap(event ->
            event.fact() instanceof NextTimePlanned(var next) ? Stream.of(next) : Stream.empty())
        .findFirst();
  }
}
