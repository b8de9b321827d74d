package ivesk.server.treatment;

import ivesk.core.formula.Flaking;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.treatment.fact.TreatmentEvent.NextTimePlanned;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.record.OwnCurve;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Stage;
import ivesk.server.app.AtHand;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.screening.PastPeels;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
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
public class RecordedPeels implements PastPeels {
  private static final int MOST_AT_HAND = 20_000;

  private final VisitStore visits;
  private final Treatments treatments;
  private final FlakesStore flakes;
  private final RedFlags redFlags;
  private final Clock clock;

  /// A signed record changes no more, so that it is replayed only once.
  private final Map<UUID, List<Done>> signed = new AtHand<>(MOST_AT_HAND);

  private final Map<Ahead, Optional<OwnCurve>> curves = new AtHand<>(500);

  /// A stage for which a curve was drawn.
  private record Ahead(UUID treatment, int stage, String formula) {}

  /// @param stillOn not ended yet: how it was taken nobody knows
  private record Done(Instant firstTouch, PastPeel peel, boolean stillOn) {
    Done flaking(Optional<Flaking> told) {
      return new Done(firstTouch, peel.flaking(told), stillOn);
    }

    Done flagged(Optional<RedFlags.Flagged> flag) {
      return flag.map(
              one -> new Done(firstTouch, peel.flagged(one.open(), one.allergic()), stillOn))
          .orElse(this);
    }
  }

  RecordedPeels(
      VisitStore visits,
      Treatments treatments,
      FlakesStore flakes,
      RedFlags redFlags,
      Clock clock) {
    this.visits = visits;
    this.flakes = flakes;
    this.redFlags = redFlags;
    this.treatments = treatments;
    this.clock = clock;
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    signed.clear();
    curves.clear();
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
    return heardOf(all, booked).stream()
        .filter(other -> !other.visitId().equals(visit.id()))
        .filter(other -> own.isEmpty() || other.done().firstTouch().isBefore(own.get()))
        .map(other -> other.done().peel())
        .toList();
  }

  private record OfVisit(UUID visitId, Done done) {}

  /// The oldest first, each with what was heard of it since: days of flakes, red flags.
  private List<OfVisit> heardOf(List<TreatmentStore.Row> rows, List<UUID> booked) {
    Map<UUID, Flaking> flaked = flakes.ofVisits(booked);
    Map<UUID, RedFlags.Flagged> flags = redFlags.ofVisits(booked);
    return rows.stream()
        .flatMap(row ->
            done(row).stream()
                .map(one -> one.flaking(Optional.ofNullable(flaked.get(row.visitId()))))
                .map(one -> one.flagged(Optional.ofNullable(flags.get(row.visitId()))))
                .map(one -> new OfVisit(row.visitId(), one)))
        .sorted(Comparator.comparing(one -> one.done().firstTouch()))
        .toList();
  }

  /// A peel as it is on record.
  ///
  /// @param stillOn not ended yet: how it was taken nobody knows
  public record Recorded(UUID visitId, PastPeel peel, boolean stillOn) {}

  /// All that were done here, the oldest first.
  public List<Recorded> ofClient(UUID clientId) {
    List<UUID> booked = visits.ofClient(clientId).stream().map(Visit::id).toList();
    return heardOf(treatments.ofVisits(booked), booked).stream()
        .map(one -> new Recorded(one.visitId(), one.done().peel(), one.done().stillOn()))
        .toList();
  }

  /// The client's own curve for a running stage; what it is made of changes no more.
  public Optional<OwnCurve> ownCurve(Live live) {
    Ahead ahead =
        new Ahead(live.id(), live.plan().staging().number(), live.plan().formula().code());
    Optional<OwnCurve> known = curves.get(ahead);
    if (known != null) return known;
    Optional<OwnCurve> curve = OwnCurve.of(live.plan(), stagesBefore(live));
    curves.put(ahead, curve);
    return curve;
  }

  /// When the skin flaked after a visit, as it was told; empty until it is.
  public Optional<Flaking> flaked(UUID visitId) {
    return flakes.of(visitId);
  }

  private List<Stage> stagesBefore(Live live) {
    List<UUID> booked =
        visits.ofClient(visits.get(live.visitId()).clientId()).stream()
            .map(Visit::id)
            .filter(id -> !id.equals(live.visitId()))
            .toList();
    return treatments.ofVisits(booked).stream()
        .flatMap(row -> treatments.live(row.id()).peeled().stream())
        .filter(stage -> stage.from().isBefore(live.events().getFirst().at()))
        .sorted(Comparator.comparing(Stage::from))
        .toList();
  }

  private List<Done> done(TreatmentStore.Row row) {
    List<Done> known = signed.get(row.id());
    if (known != null) return known;
    Live live = treatments.live(row.id());
    List<Done> done = done(live);
    if (live.state().phase() == Phase.SIGNED && !done.isEmpty()) signed.put(row.id(), done);
    return done;
  }

  /// What the next visit is to propose goes with the first of them, for which the visit was
  /// planned.
  private List<Done> done(Live live) {
    List<Stage> peeled = live.peeled();
    if (peeled.isEmpty()) return List.of();
    List<LocalDate> days =
        peeled.stream()
            .map(stage -> stage.state().firstTouch().orElseThrow())
            .map(touched -> LocalDate.ofInstant(touched, clock.getZone()))
            .toList();
    Instant touched = peeled.getFirst().state().firstTouch().orElseThrow();
    List<PastPeel> peels = Outcome.peels(peeled, days);
    List<Done> done = new ArrayList<>();
    for (int i = 0; i < peels.size(); i++) {
      PastPeel peel = peels.get(i);
      boolean stillOn =
          live.state().phase() == Phase.ACID
              && live.plan().formula().equals(peel.formula())
              && live.plan().regions().contains(peel.region());
      done.add(
          new Done(touched.plusMillis(i), i == 0 ? peel.planning(nextTime(live)) : peel, stillOn));
    }
    return List.copyOf(done);
  }

  private static Optional<PastPeel.NextTime> nextTime(Live live) {
    return live.events().reversed().stream()
        .flatMap(event ->
            event.fact() instanceof NextTimePlanned(var next) ? Stream.of(next) : Stream.empty())
        .findFirst();
  }
}
