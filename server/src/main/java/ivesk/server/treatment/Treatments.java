package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.record.Replay;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Stage;
import ivesk.server.app.AtHand;
import ivesk.server.app.Audit;
import ivesk.server.app.ClockWatch;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Problems.Reused;
import ivesk.server.app.SteadyClock;
import ivesk.server.practice.AcidOn;
import ivesk.server.visit.VisitRecord;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.locks.ReentrantLock;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/// Opens treatments and appends to them. An event is on the disk before it is acknowledged.
@Service
public class Treatments
    implements VisitRecord, AcidOn, ClockWatch.Runs, SmartInitializingSingleton {
  private static final int MOST_AT_HAND = 2_000;

  private final TreatmentStore store;
  private final TransactionTemplate transaction;
  private final TreatmentStreams streams;
  private final Disk disk;
  private final ApplicationEventPublisher events;
  private final BottlesUsed bottlesUsed;
  private final Audit audit;
  private final Clock clock;

  /// This server is the only one on its data, so that what it has read stays true.
  private final Map<UUID, Live> atHand;

  /// Entries of one treatment come one after the other.
  private final ReentrantLock[] locks;

  @Autowired
  Treatments(
      TreatmentStore store,
      TransactionTemplate transaction,
      TreatmentStreams streams,
      Disk disk,
      BottlesUsed bottlesUsed,
      ApplicationEventPublisher events,
      Audit audit,
      Clock clock) {
    this(
        store,
        transaction,
        streams,
        disk,
        bottlesUsed,
        events,
        audit,
        clock,
        new AtHand<>(MOST_AT_HAND),
        Stream.generate(ReentrantLock::new).limit(256).toArray(ReentrantLock[]::new));
  }

  private Treatments(
      TreatmentStore store,
      TransactionTemplate transaction,
      TreatmentStreams streams,
      Disk disk,
      BottlesUsed bottlesUsed,
      ApplicationEventPublisher events,
      Audit audit,
      Clock clock,
      Map<UUID, Live> atHand,
      ReentrantLock[] locks) {
    this.store = store;
    this.transaction = transaction;
    this.streams = streams;
    this.disk = disk;
    this.bottlesUsed = bottlesUsed;
    this.events = events;
    this.audit = audit;
    this.clock = clock;
    this.atHand = atHand;
    this.locks = locks;
  }

  /// The same service on another clock: past visits of the demo run through the real engine.
  public Treatments on(Clock other) {
    return new Treatments(
        store, transaction, streams, disk, bottlesUsed, events, audit, other, atHand, locks);
  }

  /// The signed ones among some visits, by visit.
  public Map<UUID, SignedRecord> signed(List<UUID> visits) {
    return store.signed(visits).stream()
        .collect(Collectors.toMap(SignedRecord::visitId, record -> record));
  }

  public Live open(UUID visitId, TreatmentPlan plan, String who) {
    Instant now = time();
    // Two screens that open one visit come one after the other.
    ReentrantLock lock = lock(visitId);
    lock.lock();
    UUID id;
    try {
      id =
          transaction.execute(tx -> {
            Optional<UUID> existing = store.ofVisit(visitId).map(TreatmentStore.Row::id);
            if (existing.isPresent()) return existing.get();
            UUID fresh = UUID.randomUUID();
            store.add(fresh, visitId, now);
            store.append(
                fresh, 1, new TreatmentEvent(UUID.randomUUID(), now, who, new Opened(plan)), now);
            audit.note(who, "open treatment", fresh);
            return fresh;
          });
    } finally {
      lock.unlock();
    }
    disk.force();
    return live(id);
  }

  public Optional<Live> ofVisit(UUID visitId) {
    return store.ofVisit(visitId).map(row -> live(row.id()));
  }

  /// Those of some visits that are neither signed nor stopped, by visit.
  public Map<UUID, Live> open(List<UUID> visits) {
    return ofVisits(visits).stream()
        .filter(row -> row.closedAt().isEmpty())
        .collect(Collectors.toMap(TreatmentStore.Row::visitId, row -> live(row.id())));
  }

  /// Whether one was opened for any of some visits.
  public boolean any(List<UUID> visits) {
    return !ofVisits(visits).isEmpty();
  }

  List<TreatmentStore.Row> ofVisits(List<UUID> visits) {
    return store.ofVisits(visits);
  }

  /// Takes records out for good.
  public void erase(List<UUID> visits) {
    for (TreatmentStore.Row row : store.ofVisits(visits)) {
      store.erase(row.visitId());
      atHand.remove(row.id());
    }
  }

  @Override
  public boolean by(String username) {
    return store.openVisits().stream()
        .flatMap(visit -> ofVisit(visit).stream())
        .filter(live -> live.events().stream().anyMatch(event -> event.who().equals(username)))
        .anyMatch(live ->
            live.state().phase() == Phase.ACID
                || !Alarm.standing(live.plan(), live.state()).isEmpty());
  }

  /// Treatments whose clock runs: from the first touch until the skin is at rest.
  @Override
  public List<String> now() {
    return store.openVisits().stream()
        .flatMap(visit -> ofVisit(visit).stream())
        .filter(live ->
            switch (live.state().phase()) {
              case ACID, ENDING, SETTLING -> true;
              case READY, ARMED, AT_REST, CHECKED, SIGNED, STOPPED -> false;
            })
        .map(live -> live.id().toString())
        .toList();
  }

  @Override
  public Optional<Instant> newest() {
    return store.newestOpen();
  }

  /// A machine that starts again with its clock behind goes on where the open treatments are.
  @Override
  public void afterSingletonsInstantiated() {
    if (clock instanceof SteadyClock steady) newest().ifPresent(steady::notBefore);
  }

  /// Screens that follow a treatment now.
  public int followers() {
    return streams.followers();
  }

  /// Visits whose treatment runs, stands in an emergency or waits for its signature.
  public List<UUID> openVisits() {
    return store.openVisits();
  }

  @Override
  public void requireUnsigned(UUID visitId) {
    if (ofVisit(visitId).filter(live -> live.state().phase() == Phase.SIGNED).isPresent()) {
      throw new Refused("The record is signed. It is corrected by addendum only; nothing changed.");
    }
  }

  @Override
  public void requireUnopened(UUID visitId) {
    if (store.ofVisit(visitId).isPresent()) {
      throw new Refused("The treatment is open: its formula and plan stay. Nothing changed.");
    }
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    atHand.clear();
  }

  /// As it is now; those that were asked for lately are at hand.
  public Live live(UUID id) {
    Live known = atHand.get(id);
    if (known != null) return known;
    ReentrantLock lock = lock(id);
    lock.lock();
    try {
      return atHand.computeIfAbsent(id, this::read);
    } finally {
      lock.unlock();
    }
  }

  private Live read(UUID id) {
    return live(store.get(id), store.events(id));
  }

  private ReentrantLock lock(UUID id) {
    return locks[Math.floorMod(id.hashCode(), locks.length)];
  }

  private static Live live(TreatmentStore.Row row, List<TreatmentEvent> events) {
    if (events.isEmpty() || !(events.getFirst().fact() instanceof Opened)) {
      throw new NotFound("opened treatment", row.id());
    }
    return Live.of(row.id(), row.visitId(), Replay.stages(events), events);
  }

  /// Appends one event, once. One that was said earlier than what was taken before, on a screen
  /// without a server, keeps its time and is read where it belongs.
  ///
  /// @param at when it happened; never after now and never before the treatment was opened
  /// @throws Refused when it could not follow what had happened then
  /// @throws Reused when its id is that of another event
  public Live append(UUID id, UUID eventId, Instant at, Fact fact, String who) {
    Live live;
    ReentrantLock lock = lock(id);
    lock.lock();
    try {
      live = transaction.execute(tx -> appendLocked(id, eventId, at, fact, who));
      atHand.put(id, live);
    } finally {
      lock.unlock();
    }
    try {
      disk.force();
    } catch (RuntimeException e) {
      // Perhaps it is not on the disk: then it is not at hand either, and is taken again.
      atHand.remove(id);
      throw e;
    }
    streams.changed(id, live.events().size());
    return live;
  }

  private Live appendLocked(UUID id, UUID eventId, Instant at, Fact fact, String who) {
    Live live = live(id);
    Optional<TreatmentEvent> taken =
        live.events().stream().filter(event -> event.id().equals(eventId)).findFirst();
    if (taken.isPresent()) {
      if (!taken.get().fact().equals(fact)) throw new Reused();
      return live;
    }
    if (store.holds(eventId)) throw new Reused();
    Instant now = time();
    Instant when = at.truncatedTo(ChronoUnit.MILLIS);
    if (when.isAfter(now)) when = now;
    Instant opened = live.events().getFirst().at();
    if (when.isBefore(opened)) when = opened;
    boolean late = when.isBefore(live.state().lastEventAt());
    Instant then = when;
    Stage before =
        late
            ? Replay.stages(
                    live.events().stream().filter(event -> !event.at().isAfter(then)).toList())
                .getLast()
            : live.stages().getLast();
    Optional<String> refused =
        live.state().phase().closed()
            ? Refusal.of(live.plan(), live.state(), fact, when)
            : Refusal.of(before.plan(), before.state(), fact, when)
                // Steps ticked in one go lie a millisecond apart, and a corrected clock turns them.
                .flatMap(why ->
                    late && takenAnyway(fact)
                        ? Refusal.of(live.plan(), live.state(), fact, now)
                        : Optional.of(why))
                .or(() ->
                    fact instanceof TreatmentEvent.Corrected correction
                        ? Correction.refuse(live.events(), correction)
                        : Optional.empty());
    if (refused.isPresent()) {
      String why = refused.get();
      throw new Refused(
          Character.toUpperCase(why.charAt(0)) + why.substring(1) + ". What was said is kept.");
    }
    // END always works: one said by a clock that is behind ends the peel now.
    boolean ends = fact instanceof TreatmentEvent.EndingStarted && late;
    if (ends && Refusal.of(before.plan(), before.state(), fact, when).isPresent()) {
      when = live.state().lastEventAt();
    }
    TreatmentEvent event = new TreatmentEvent(eventId, when, who, fact);
    store.append(id, live.events().size() + 1, event, now);
    List<TreatmentEvent> events = inOrder(live.events(), event);
    // Only these reach back, or lead to another stage; any other event costs no look at those
    // before.
    boolean reaches =
        late
            || fact instanceof TreatmentEvent.Corrected
            || fact instanceof TreatmentEvent.TakenBack
            || fact instanceof TreatmentEvent.PlanChanged;
    List<Stage> stages =
        reaches || fact instanceof TreatmentEvent.StageOpened
            ? Replay.stages(events)
            : inLast(live.stages(), event);
    Live after = live.with(stages, events, reaches);
    if (after.state().phase().closed()) {
      store.close(id, when);
      if (after.state().phase() == Phase.SIGNED)
        store.sign(id, when, after.stages().getFirst().plan());
      audit.note(who, "close treatment", id);
      if (!live.state().phase().closed())
        bottlesUsed.takeOffStock(after, LocalDate.ofInstant(when, clock.getZone()), who);
    }
    return after;
  }

  private static boolean takenAnyway(Fact fact) {
    return fact instanceof TreatmentEvent.StepDone || fact instanceof TreatmentEvent.EndingStarted;
  }

  private static List<Stage> inLast(List<Stage> stages, TreatmentEvent event) {
    Stage last = stages.getLast();
    List<Stage> all = new ArrayList<>(stages.subList(0, stages.size() - 1));
    all.add(new Stage(last.plan(), Replay.after(last.plan(), last.state(), event), last.from()));
    return Replay.settledBeside(all);
  }

  /// By when they happened; of one time, as they were taken.
  private static List<TreatmentEvent> inOrder(List<TreatmentEvent> events, TreatmentEvent event) {
    List<TreatmentEvent> all = new ArrayList<>(events);
    int place = all.size();
    while (place > 0 && all.get(place - 1).at().isAfter(event.at())) place--;
    all.add(place, event);
    return all;
  }

  /// Whole milliseconds: what a browser can hold, so that nothing shifts on the way.
  private Instant time() {
    return clock.instant().truncatedTo(ChronoUnit.MILLIS);
  }
}
