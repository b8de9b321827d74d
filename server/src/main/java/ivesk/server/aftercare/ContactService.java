package ivesk.server.aftercare;

import ivesk.core.aftercare.CheckIns;
import ivesk.core.aftercare.CheckIns.CheckIn;
import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.ContactRules;
import ivesk.core.aftercare.ContactRules.Verdict;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.server.aftercare.ContactStore.AfterPeel;
import ivesk.server.aftercare.ContactStore.Closing;
import ivesk.server.aftercare.ContactStore.Flag;
import ivesk.server.aftercare.ContactStore.Kept;
import ivesk.server.aftercare.ContactStore.Try;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.Tokens;
import ivesk.server.treatment.FlakesTold;
import ivesk.server.visit.PeelSigned;
import ivesk.server.visit.VisitStore;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// Check-ins, what they come to, and the flags that they open.
@Service
public class ContactService {
  /// Who told it, where the client did alone; no account has such a name.
  static final String CLIENT = "client";

  /// What nobody tells more often in a day.
  private static final int MOST_A_DAY = 12;

  /// So long after the last planned one a check-in that was never told is shown.
  private static final int SHOWN_DAYS = 7;

  private final ContactStore store;
  private final DiaryStore diaries;
  private final OutboxStore outbox;
  private final HomePlanStore homePlans;
  private final GivenSheetStore givenSheets;
  private final AftercareService aftercare;
  private final FlakesTold flakes;
  private final VisitStore visits;
  private final ClientStore clients;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;
  private final FlagOpening flagOpening;

  ContactService(
      ContactStore store,
      DiaryStore diaries,
      OutboxStore outbox,
      HomePlanStore homePlans,
      GivenSheetStore givenSheets,
      AftercareService aftercare,
      FlakesTold flakes,
      VisitStore visits,
      ClientStore clients,
      AccountStore accounts,
      Audit audit,
      Clock clock,
      FlagOpening flagOpening) {
    this.store = store;
    this.diaries = diaries;
    this.outbox = outbox;
    this.homePlans = homePlans;
    this.givenSheets = givenSheets;
    this.aftercare = aftercare;
    this.flakes = flakes;
    this.visits = visits;
    this.clients = clients;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
    this.flagOpening = flagOpening;
  }

  /// The same service on another clock: what the demo heard in the past.
  public ContactService on(Clock other) {
    return new ContactService(
        store,
        diaries,
        outbox,
        homePlans,
        givenSheets,
        aftercare,
        flakes,
        visits,
        clients,
        accounts,
        audit,
        other,
        flagOpening);
  }

  /// A signed peel is followed until its last check-in.
  @EventListener
  void follow(PeelSigned signed) {
    LocalDate on = aftercare.peelDay(signed.visitId()).orElse(signed.day());
    store.follow(afterPeel(signed.visitId(), on));
  }

  private AfterPeel afterPeel(UUID visitId, LocalDate on) {
    List<Integer> days = CheckIns.days(aftercare.pigmentProne(visitId));
    return new AfterPeel(visitId, on, on.plusDays(days.getLast()));
  }

  /// Peels whose check-ins are not over, or not long: signed, or still waiting for it.
  private List<AfterPeel> followed(LocalDate lastSince) {
    Stream<AfterPeel> unsigned =
        aftercare.unsigned().stream()
            .flatMap(visit -> aftercare.peelDay(visit).map(on -> afterPeel(visit, on)).stream())
            .filter(peel -> !peel.lastOn().isBefore(lastSince));
    return Stream.concat(store.followed(lastSince).stream(), unsigned)
        .sorted(Comparator.comparing(AfterPeel::lastOn))
        .toList();
  }

  /// The planned check-ins of a visit as they stand.
  List<CheckIn> planned(UUID visitId) {
    List<UUID> one = List.of(visitId);
    return CheckIns.of(
        aftercare.peelDay(visitId).orElseThrow(() -> new Refused("There was no peel yet.")),
        aftercare.pigmentProne(visitId),
        store.checkIns(one).stream().map(Kept::toldOn).toList(),
        store.tries(one).stream().map(Try::on).toList(),
        today());
  }

  /// @param checkIn the planned one that is open; empty where only its flag is
  record DueOf(UUID visitId, LocalDate peelOn, CheckIn checkIn) {}

  /// People to hear from today.
  List<DueOf> due() {
    LocalDate today = today();
    List<AfterPeel> followed = followed(today.minusDays(SHOWN_DAYS));
    List<UUID> ids = followed.stream().map(AfterPeel::visitId).toList();
    List<Kept> told = store.checkIns(ids);
    List<Try> tries = store.tries(ids);
    return followed.stream()
        .filter(peel -> !cameBack(peel))
        .flatMap(peel ->
            CheckIns.of(
                    peel.peelOn(),
                    peel.peelOn().plusDays(14).equals(peel.lastOn()),
                    told.stream()
                        .filter(one -> one.visitId().equals(peel.visitId()))
                        .map(Kept::toldOn)
                        .toList(),
                    tries.stream()
                        .filter(one -> one.visitId().equals(peel.visitId()))
                        .map(Try::on)
                        .toList(),
                    today)
                .stream()
                .filter(CheckIn::open)
                .map(one -> new DueOf(peel.visitId(), peel.peelOn(), one)))
        .toList();
  }

  /// A client who has come again since is asked on the spot.
  private boolean cameBack(AfterPeel peel) {
    return visits.ofClient(visits.get(peel.visitId()).clientId()).stream()
        .filter(visit -> !visit.id().equals(peel.visitId()) && visit.cancelled().isEmpty())
        .map(visit -> LocalDate.ofInstant(visit.startsAt(), clock.getZone()))
        .anyMatch(on -> on.isAfter(peel.peelOn()) && !on.isAfter(today()));
  }

  /// A check-in as it is sent.
  ///
  /// @param id made by the sender: sent twice it counts once
  /// @param flakedFrom day on which flakes began, told with the day on which they were over
  /// @param photo JPEG or PNG
  record Telling(
      UUID id,
      HowItIs told,
      Optional<LocalDate> flakedFrom,
      Optional<LocalDate> flakedTo,
      Optional<byte[]> photo) {}

  /// Keeps it, opens a flag where the table says so, and tells the supervising clinician.
  ///
  /// @throws BadInput for days that cannot be, or a photo that is none
  @Transactional
  Kept tell(UUID visitId, Telling telling, Optional<String> account) {
    Optional<Kept> before = store.checkIn(telling.id());
    if (before.isPresent()) {
      if (before.get().visitId().equals(visitId)) return before.get();
      throw new BadInput("id", "the id was taken by another check-in; make a new one");
    }
    LocalDate peelOn = peelDay(visitId);
    LocalDate today = today();
    List<Kept> earlier = store.checkIns(List.of(visitId));
    Verdict verdict = ContactRules.judge(situation(visitId, telling.told(), peelOn, earlier));
    // No limit keeps an alarm out.
    boolean often =
        earlier.stream().filter(one -> one.toldOn().equals(today)).count() >= MOST_A_DAY;
    if (often && !verdict.severity().redFlag()) {
      throw new Refused("It was told twelve times today. Call the practice. Nothing was kept.");
    }
    Optional<Flaking> flaked = flaked(telling, peelOn, today);
    Optional<byte[]> photo = telling.photo().map(Photo::of);
    Kept kept =
        new Kept(
            telling.id(),
            visitId,
            clock.instant().truncatedTo(ChronoUnit.MICROS),
            today,
            account.orElse(CLIENT),
            account.isEmpty(),
            telling.told(),
            verdict.severity(),
            verdict.ids(),
            photo.isPresent());
    store.add(kept, photo);
    flaked.ifPresent(days -> flakes.tell(visitId, days, kept.toldTo()));
    if (verdict.severity().redFlag()) flagOpening.open(kept);
    audit.note(kept.toldTo(), "check-in: " + verdict.severity().label(), visitId);
    return kept;
  }

  /// As somebody in the practice is told it, without days and photo.
  @Transactional
  public void hear(UUID visitId, HowItIs told, String who) {
    Telling telling =
        new Telling(UUID.randomUUID(), told, Optional.empty(), Optional.empty(), Optional.empty());
    tell(visitId, telling, Optional.of(who));
  }

  /// What complaints come to by themselves, while the rest is still being asked; nothing is kept.
  Verdict judged(UUID visitId, Set<Complaint> complaints) {
    HowItIs told = new HowItIs(0, 0, 0, complaints, "");
    return ContactRules.judge(
        situation(visitId, told, peelDay(visitId), store.checkIns(List.of(visitId))));
  }

  private LocalDate peelDay(UUID visitId) {
    return aftercare.peelDay(visitId).orElseThrow(() -> new Refused("There was no peel yet."));
  }

  private ContactRules.Case situation(
      UUID visitId, HowItIs told, LocalDate peelOn, List<Kept> earlier) {
    List<Formula> formulas = aftercare.formulas(visitId);
    return new ContactRules.Case(
        told,
        (int) Math.max(0, ChronoUnit.DAYS.between(peelOn, today())),
        Flaking.of(formulas).frosted(aftercare.frosted(visitId)).last(),
        formulas.stream().anyMatch(formula -> formula.contains(Substance.SALICYLIC)),
        earlier.stream().anyMatch(one -> one.told().flaking() > 0));
  }

  private static Optional<Flaking> flaked(Telling telling, LocalDate peelOn, LocalDate today) {
    if (telling.flakedTo().isEmpty()) return Optional.empty();
    LocalDate to = telling.flakedTo().get();
    LocalDate from = telling.flakedFrom().orElse(to);
    if (from.isBefore(peelOn) || to.isBefore(from) || to.isAfter(today)) {
      throw new BadInput(
          "flakedTo",
          "flakes from "
              + from
              + " to "
              + to
              + "; allowed are days from the peel, "
              + peelOn
              + ", to today, in their order");
    }
    return BadInput.in(
        "flakedTo",
        () ->
            Optional.of(
                new Flaking(
                    (int) ChronoUnit.DAYS.between(peelOn, from),
                    (int) ChronoUnit.DAYS.between(peelOn, to))));
  }

  boolean diaryUsed() {
    return aftercare.handsetsUsed();
  }

  /// Asked for, and nobody answered.
  @Transactional
  public void tried(UUID visitId, String who) {
    if (planned(visitId).stream().noneMatch(CheckIn::open)) {
      throw new Refused("No check-in is due. Nothing was kept.");
    }
    Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
    store.add(new Try(visitId, now, today(), who));
    audit.note(who, "check-in: nobody answered", visitId);
  }

  /// @param by name of who closes it
  @Transactional
  public void close(UUID flagId, String note, boolean harmless, String who, String by) {
    Flag flag = store.flag(flagId);
    if (harmless && flag.severity().clinicians()) {
      throw new BadInput(
          "harmless", "what went to the clinician counts against the peel; leave it out");
    }
    boolean closed =
        store.close(
            flagId,
            new Closing(clock.instant().truncatedTo(ChronoUnit.MICROS), by, note, harmless));
    if (!closed) throw new Refused("This flag was closed before. Nothing was changed.");
    audit.note(who, "close red flag", flag.visitId(), by + ": " + note);
  }

  /// The client's own page; the word of before opens nothing any more.
  ///
  /// @return the word, which is kept nowhere
  @Transactional
  public String makeDiary(UUID visitId, String who) {
    List<CheckIn> planned = planned(visitId);
    LocalDate last = planned.getLast().on();
    if (last.isBefore(today())) {
      throw new Refused("The last check-in is over. The page would not open.");
    }
    if (!aftercare.handsetsUsed()) {
      throw new Refused("The practice uses no client's handset; its policies turn it on.");
    }
    String token = Tokens.fresh();
    diaries.make(visitId, Tokens.hash(token), clock.instant(), last);
    audit.note(who, "make diary link", visitId);
    return token;
  }

  /// The visit of a client's page.
  ///
  /// @throws NotFound when the word is wrong or its time is over
  Optional<UUID> diary(String token) {
    return diaries.visit(Tokens.hash(token), today());
  }

  /// Whatever was heard after a visit.
  public void readThrough(UUID visitId) {
    store.checkIns(List.of(visitId));
    store.tries(List.of(visitId));
    store.flags(List.of(visitId));
  }

  /// Home plan, diaries, and photos of check-ins that raised no red flag, taken out for good.
  public void eraseWhatNoLawKeeps(UUID clientId, List<UUID> ofVisits) {
    homePlans.erase(clientId);
    diaries.erase(ofVisits);
    store.dropPhotos(ofVisits);
  }

  /// Takes everything of a client out for good.
  public void erase(UUID clientId, List<UUID> ofVisits) {
    homePlans.erase(clientId);
    store.erase(ofVisits);
    diaries.erase(ofVisits);
    outbox.erase(ofVisits);
    givenSheets.erase(ofVisits);
  }

  String firstName(UUID visitId) {
    return flagOpening.firstName(visitId);
  }

  private LocalDate today() {
    return LocalDate.now(clock);
  }
}
