package ivesk.server.path;

import ivesk.server.aftercare.ContactService;
import ivesk.server.app.Audit;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.records.Records;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseService;
import ivesk.server.series.ProgressService;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import ivesk.server.visit.WaitingStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/// Takes a client's chart out for good. What stays: that somebody erased it and when, in the audit
/// trail, which holds ids and no names; and the backups made before, until they are rotated out.
@Component
class Erasure {
  private static final int AGE_OF_MAJORITY = 18;
  private static final int MOST_SHOWN = 50;

  private final VisitStore visits;
  private final ClientStore clients;
  private final ConsultService consults;
  private final ScreeningService screening;
  private final PlanService plans;
  private final Treatments treatments;
  private final ContactService contact;
  private final ProgressService progress;
  private final CourseService courses;
  private final Records records;
  private final WaitingStore waiting;
  private final MergeStore merges;
  private final PracticeStore practice;
  private final Audit audit;
  private final Clock clock;

  Erasure(
      VisitStore visits,
      ClientStore clients,
      ConsultService consults,
      ScreeningService screening,
      PlanService plans,
      Treatments treatments,
      ContactService contact,
      ProgressService progress,
      CourseService courses,
      Records records,
      WaitingStore waiting,
      MergeStore merges,
      PracticeStore practice,
      Audit audit,
      Clock clock) {
    this.visits = visits;
    this.clients = clients;
    this.consults = consults;
    this.screening = screening;
    this.plans = plans;
    this.treatments = treatments;
    this.contact = contact;
    this.progress = progress;
    this.courses = courses;
    this.records = records;
    this.waiting = waiting;
    this.merges = merges;
    this.practice = practice;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param lastVisit the latest, also one that was cancelled
  /// @param keptUntil the last day on which the chart must be kept
  /// @param askedOn when the client asked that it be erased
  record PastTime(
      UUID clientId,
      String name,
      LocalDate lastVisit,
      LocalDate keptUntil,
      Optional<LocalDate> askedOn) {}

  /// Charts that need not be kept any longer, those of the longest ago first; at most fifty.
  List<PastTime> pastTheirTime() {
    LocalDate today = LocalDate.now(clock);
    LocalDate last = today.minusYears(keepYears());
    return visits.lastBefore(last.atStartOfDay(clock.getZone()).toInstant(), MOST_SHOWN).stream()
        .map(visit -> pastTime(clients.get(visit.clientId()), visit))
        .filter(one -> one.keptUntil().isBefore(today))
        .toList();
  }

  /// Years after the last visit; for who was a child then, after coming of age.
  PastTime pastTime(Client client, Visit last) {
    LocalDate day = LocalDate.ofInstant(last.startsAt(), clock.getZone());
    LocalDate ofAge = client.dateOfBirth().plusYears(AGE_OF_MAJORITY);
    LocalDate from = day.isBefore(ofAge) ? ofAge : day;
    return new PastTime(
        client.id(),
        client.name(),
        day,
        from.plusYears(keepYears()),
        merges.askedToErase(client.id()));
  }

  private int keepYears() {
    return practice.details().orElse(PracticeStore.Details.UNSAID).keepYears();
  }

  /// What comes of it when a client asks to be erased.
  ///
  /// @param whole nothing was ever put on this skin here, so that no law keeps the chart
  /// @param keptUntil the last day on which what was done must be kept; empty where nothing was
  /// @param askedOn when it was asked before
  /// @param visitsAhead that are called off
  record ErasureWish(
      boolean whole, Optional<LocalDate> keptUntil, Optional<LocalDate> askedOn, int visitsAhead) {}

  ErasureWish wish(UUID clientId) {
    Client client = clients.standing(clientId);
    List<Visit> all = visits.ofClient(clientId);
    boolean whole = !treatments.any(ids(all)) && !screening.patchTested(clientId);
    return new ErasureWish(
        whole,
        whole || all.isEmpty()
            ? Optional.empty()
            : Optional.of(pastTime(client, all.getLast()).keptUntil()),
        merges.askedToErase(clientId),
        ahead(all).size());
  }

  private List<Visit> ahead(List<Visit> all) {
    return all.stream()
        .filter(visit -> visit.startsAt().isAfter(clock.instant()))
        .filter(visit -> visit.cancelled().isEmpty())
        .toList();
  }

  private static List<UUID> ids(List<Visit> all) {
    return all.stream().map(Visit::id).toList();
  }

  /// At the client's own wish: all of it where nothing was done here; else what no law keeps, and
  /// the rest is put away until its time is over.
  ///
  /// @return whether all of it is gone
  /// @throws Refused while a treatment is open
  @Transactional
  public boolean asked(UUID clientId, String who) {
    ErasureWish wish = wish(clientId);
    if (wish.whole()) {
      erase(clientId, "at the client's wish", who);
      return true;
    }
    List<Visit> all = visits.ofClient(clientId);
    if (!treatments.open(ids(all)).isEmpty()) {
      throw new Refused("A treatment is open. End and sign it first. Nothing was erased.");
    }
    for (Visit visit : ahead(all)) {
      visits.cancel(visit.id(), "the client asked to be erased", clock.instant());
    }
    waiting.erase(clientId);
    courses.erase(clientId);
    contact.eraseWhatNoLawKeeps(clientId, ids(all));
    clients.forgetOccupation(clientId);
    for (UUID joined : clients.joinedInto(clientId)) {
      contact.eraseWhatNoLawKeeps(joined, List.of());
      clients.forgetOccupation(joined);
    }
    clients.archive(clientId, Optional.of(LocalDate.now(clock)));
    merges.askToErase(clientId, LocalDate.now(clock), who);
    audit.note(who, "erase what no law keeps", clientId, "at the client's wish");
    return false;
  }

  /// All or nothing of a client, with the charts that were joined into it.
  @Transactional
  public void erase(UUID clientId, String why, String who) {
    merges.erase(clientId);
    for (UUID joined : clients.joinedInto(clientId)) eraseOne(joined);
    eraseOne(clientId);
    audit.note(who, "erase chart", clientId, why);
  }

  private void eraseOne(UUID clientId) {
    List<UUID> all = ids(visits.ofClient(clientId));
    records.erase(all);
    waiting.erase(clientId);
    courses.erase(clientId);
    progress.erase(clientId);
    contact.erase(clientId, all);
    treatments.erase(all);
    plans.erase(all);
    screening.erase(clientId, all);
    consults.erase(all);
    visits.erase(all);
    clients.erase(clientId);
  }
}
