package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.core.Require;
import ivesk.core.aftercare.CheckIns;
import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.ContactRules;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.aftercare.Severity;
import ivesk.server.aftercare.ContactStore.Flag;
import ivesk.server.aftercare.ContactStore.Kept;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.Clinicians;
import ivesk.server.practice.PhoneAddress;
import ivesk.server.practice.QrPath;
import ivesk.server.visit.VisitStore;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Base64;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// Contact in the days after a peel.
@RestController
@RequestMapping("/api")
class ContactController {
  private final ContactService contact;
  private final ContactStore store;
  private final OutboxStore outbox;
  private final VisitStore visits;
  private final ClientStore clients;
  private final AccountStore accounts;
  private final Clinicians clinicians;
  private final PhoneAddress addresses;

  ContactController(
      ContactService contact,
      ContactStore store,
      OutboxStore outbox,
      VisitStore visits,
      ClientStore clients,
      AccountStore accounts,
      Clinicians clinicians,
      PhoneAddress addresses) {
    this.contact = contact;
    this.store = store;
    this.outbox = outbox;
    this.visits = visits;
    this.clients = clients;
    this.accounts = accounts;
    this.clinicians = clinicians;
    this.addresses = addresses;
  }

  record PlannedCheckIn(int day, LocalDate on, CheckIns.State state, int tries) {
    static PlannedCheckIn of(CheckIns.CheckIn one) {
      return new PlannedCheckIn(one.day(), one.on(), one.state(), one.tries());
    }
  }

  /// @param found what matched, most severe first: the question that it answers, and what to do
  record ToldCheckIn(
      UUID id,
      Instant toldAt,
      LocalDate toldOn,
      String toldTo,
      boolean byClient,
      int sensation,
      int flaking,
      int redness,
      Set<Complaint> complaints,
      String words,
      Severity severity,
      String severityLabel,
      List<ContactFinding> found,
      boolean hasPhoto) {}

  record ContactFinding(String id, String question, String advice) {}

  /// @param closedBy empty while it stands open
  /// @param clinicians only the supervising clinician closes it
  record FlagView(
      UUID id,
      UUID visitId,
      LocalDate openedOn,
      Severity severity,
      String severityLabel,
      boolean clinicians,
      Optional<Instant> closedAt,
      Optional<String> closedBy,
      Optional<String> note,
      boolean harmless) {
    static FlagView of(Flag flag) {
      return new FlagView(
          flag.id(),
          flag.visitId(),
          flag.openedOn(),
          flag.severity(),
          flag.severity().label(),
          flag.severity().clinicians(),
          flag.closing().map(ContactStore.Closing::at),
          flag.closing().map(ContactStore.Closing::by),
          flag.closing().map(ContactStore.Closing::note),
          flag.closing().filter(ContactStore.Closing::harmless).isPresent());
    }
  }

  /// @param told the newest first
  /// @param diary whether the practice lets clients tell it by their own phone
  record ContactView(
      LocalDate peelOn,
      List<PlannedCheckIn> planned,
      List<ToldCheckIn> told,
      List<FlagView> flags,
      boolean diary) {}

  @May(Right.RECORD)
  @GetMapping("/visits/{id}/contact")
  ContactView of(@PathVariable UUID id) {
    List<UUID> one = List.of(visits.get(id).id());
    List<CheckIns.CheckIn> planned = contact.planned(id);
    return new ContactView(
        planned.getFirst().on().minusDays(planned.getFirst().day()),
        planned.stream().map(PlannedCheckIn::of).toList(),
        store.checkIns(one).reversed().stream().map(this::told).toList(),
        store.flags(one).stream().map(FlagView::of).toList(),
        contact.diaryUsed());
  }

  private ToldCheckIn told(Kept kept) {
    return new ToldCheckIn(
        kept.id(),
        kept.toldAt(),
        kept.toldOn(),
        kept.byClient() ? "the client" : accounts.named(kept.toldTo()),
        kept.byClient(),
        kept.told().sensation(),
        kept.told().flaking(),
        kept.told().redness(),
        kept.told().complaints(),
        kept.told().words(),
        kept.severity(),
        kept.severity().label(),
        found(ContactRules.of(new HashSet<>(kept.rules()))),
        kept.hasPhoto());
  }

  /// A check-in as it is sent.
  ///
  /// @param id made by the sender: sent twice it counts once
  /// @param sensation 0 to 10
  /// @param flaking 0 to 3
  /// @param redness 0 to 3
  /// @param flakedTo day on which flakes were over; with the day on which they began
  /// @param photo JPEG or PNG in base 64
  record NewCheckIn(
      UUID id,
      int sensation,
      int flaking,
      int redness,
      Set<Complaint> complaints,
      String words,
      Optional<LocalDate> flakedFrom,
      Optional<LocalDate> flakedTo,
      Optional<String> photo) {

    ContactService.Telling telling() {
      return new ContactService.Telling(
          id,
          BadInput.in(
              "told", () -> new HowItIs(sensation, flaking, redness, complaints, words.strip())),
          flakedFrom,
          flakedTo,
          photo.map(base64 -> BadInput.in("photo", () -> Base64.getDecoder().decode(base64))));
    }
  }

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/contact")
  ContactView tell(@PathVariable UUID id, @RequestBody NewCheckIn body, Principal who) {
    contact.tell(visits.get(id).id(), body.telling(), Optional.of(who.getName()));
    return of(id);
  }

  record JudgedAtOnce(Severity severity, String severityLabel, List<ContactFinding> found) {}

  /// What complaints come to by themselves: said while they are told, before anything is kept.
  @May(Right.RECORD)
  @GetMapping("/visits/{id}/contact/at-once")
  JudgedAtOnce atOnce(@PathVariable UUID id, @RequestParam Set<Complaint> complaint) {
    ContactRules.Verdict verdict = contact.judged(visits.get(id).id(), complaint);
    return new JudgedAtOnce(verdict.severity(), verdict.severity().label(), found(verdict.rules()));
  }

  private static List<ContactFinding> found(List<ContactRules.ContactRule> rules) {
    return rules.stream()
        .map(rule -> new ContactFinding(rule.id(), rule.question(), rule.advice()))
        .toList();
  }

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/contact/tries")
  ContactView tried(@PathVariable UUID id, Principal who) {
    contact.tried(visits.get(id).id(), who.getName());
    return of(id);
  }

  @May(Right.RECORD)
  @GetMapping(path = "/check-ins/{id}/photo", produces = MediaType.IMAGE_JPEG_VALUE)
  ResponseEntity<byte[]> photo(@PathVariable UUID id) {
    return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(store.photo(id));
  }

  /// @param harmless it was no injury and does not count against the peel
  /// @param clinician at the spot, where another account is signed in and only they may
  record FlagClosing(String note, boolean harmless, Optional<Clinicians.AtTheSpot> clinician) {}

  @May(Right.TREAT)
  @PostMapping("/flags/{id}/closed")
  FlagView close(
      @PathVariable UUID id,
      @RequestBody FlagClosing body,
      Principal who,
      HttpServletRequest request,
      HttpServletResponse response) {
    BadInput.check("note", () -> Require.text("note", body.note().strip(), 1000));
    Flag flag = store.flag(id);
    String by =
        flag.severity().clinicians()
            ? clinicians.require(who.getName(), body.clinician(), request, response).name()
            : accounts.named(who.getName());
    contact.close(id, body.note().strip(), body.harmless(), who.getName(), by);
    return FlagView.of(store.flag(id));
  }

  /// @param address of the client's page; its word stands behind the `#`, which no server sees
  /// @param qr of the address, as an SVG path of unit squares
  /// @param size modules a side
  record DiaryLink(String address, String qr, int size) {}

  /// Makes the client's page of the days after; the link of before opens nothing any more.
  @May(Right.TREAT)
  @PostMapping("/visits/{id}/diary")
  DiaryLink diary(@PathVariable UUID id, Principal who) {
    String token = contact.makeDiary(visits.get(id).id(), who.getName());
    String address = addresses.of("/diary", token);
    QrPath qr = QrPath.of(address);
    return new DiaryLink(address, qr.path(), qr.size());
  }

  /// Somebody to hear from.
  record DueCheckIn(
      UUID visitId,
      UUID clientId,
      String clientName,
      Optional<String> telephone,
      LocalDate peelOn,
      int day,
      LocalDate on,
      CheckIns.State state,
      int tries) {}

  /// @param clientId whose chart closes it
  record OpenFlag(UUID clientId, String clientName, Optional<String> telephone, FlagView flag) {}

  /// @param due the longest waiting first
  /// @param flags that stand open, the oldest first
  record HearFrom(List<DueCheckIn> due, List<OpenFlag> flags) {}

  @May(Right.RECORD)
  @GetMapping("/check-ins")
  HearFrom hearFrom() {
    return new HearFrom(
        contact.due().stream()
            .map(due -> {
              Client client = clients.get(visits.get(due.visitId()).clientId());
              return new DueCheckIn(
                  due.visitId(),
                  client.id(),
                  client.name(),
                  client.telephone(),
                  due.peelOn(),
                  due.checkIn().day(),
                  due.checkIn().on(),
                  due.checkIn().state(),
                  due.checkIn().tries());
            })
            .toList(),
        store.openFlags().stream()
            .map(flag -> {
              Client client = clients.get(visits.get(flag.visitId()).clientId());
              return new OpenFlag(
                  client.id(), client.name(), client.telephone(), FlagView.of(flag));
            })
            .toList());
  }

  /// What would have been sent.
  @May(Right.RECORD)
  @GetMapping("/outbox")
  List<Outbox.Message> outbox() {
    return outbox.newest();
  }

  /// @param question what it looks at
  record ContactRow(
      String id, Severity severity, String severityLabel, String question, String advice) {}

  /// The table by which a check-in is judged, in its order.
  @May(Right.KNOW)
  @GetMapping("/contact-rules")
  List<ContactRow> rules() {
    return ContactRules.ALL.stream()
        .map(rule ->
            new ContactRow(
                rule.id(),
                rule.severity(),
                rule.severity().label(),
                rule.question(),
                rule.advice()))
        .toList();
  }

  /// The form, for who asks by phone.
  @May(Right.KNOW)
  @GetMapping("/words/check-in")
  CheckInWords words() {
    return CheckInWords.in(Language.EN);
  }
}
