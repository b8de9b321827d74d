package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.ConsentText;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Right;
import ivesk.server.formula.ShelfService;
import ivesk.server.screening.ConsentService.SignedName;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ConsentController {
  private final ConsentService consents;
  private final ConsentStore store;
  private final ShelfService shelf;
  private final Audit audit;
  private final Clock clock;

  ConsentController(
      ConsentService consents, ConsentStore store, ShelfService shelf, Audit audit, Clock clock) {
    this.consents = consents;
    this.store = store;
    this.shelf = shelf;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param alsoHolds families whose acids are in formulas of this one: their text is read with it
  record FamilyText(Family family, String label, String text, List<Family> alsoHolds) {}

  /// @param width of the field that a signature is drawn on; `height` likewise
  record ConsentWords(
      int version,
      String general,
      List<FamilyText> families,
      List<String> statements,
      int width,
      int height) {}

  /// @param statements how many were ticked; all of them must be
  record ConsentGiven(
      List<Family> families,
      int textVersion,
      int statements,
      SignedName client,
      Optional<SignedName> guardian) {}

  /// @param picture the signature that was drawn
  record SignedConsent(
      Family family,
      LocalDate signedOn,
      LocalDate validUntil,
      String signedBy,
      int textVersion,
      Optional<UUID> picture,
      Optional<String> guardian,
      Optional<UUID> guardianPicture,
      Optional<LocalDate> withdrawnOn) {
    static SignedConsent of(ConsentStore.Kept kept) {
      Consent consent = kept.consent();
      return new SignedConsent(
          consent.family(),
          consent.signedOn(),
          consent.validUntil(),
          consent.signedBy(),
          kept.textVersion(),
          kept.signatureId(),
          consent.guardian(),
          kept.guardianSignatureId(),
          consent.withdrawnOn());
    }
  }

  record Withdrawal(String why) {}

  @May(Right.KNOW)
  @GetMapping("/words/consent")
  ConsentWords words() {
    ConsentText text = ConsentText.CURRENT;
    return new ConsentWords(
        text.version(),
        text.general(),
        Family.covering().stream()
            .map(family ->
                new FamilyText(
                    family, family.label(), text.byFamily().get(family), alsoHolds(family)))
            .toList(),
        ConsentText.STATEMENTS,
        Signature.WIDTH,
        Signature.HEIGHT);
  }

  private List<Family> alsoHolds(Family family) {
    return shelf.shelf().formulas().stream()
        .filter(formula -> formula.family().coveredBy() == family)
        .flatMap(formula -> formula.families().stream())
        .map(Family::coveredBy)
        .filter(other -> other != family)
        .distinct()
        .sorted()
        .toList();
  }

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/consents")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void sign(@PathVariable UUID id, @RequestBody ConsentGiven body, Principal who) {
    if (body.statements() != ConsentText.STATEMENTS.size()) {
      throw new BadInput("statements", "each of the statements must be ticked first");
    }
    consents.sign(
        id,
        body.families(),
        body.textVersion(),
        body.client(),
        body.guardian(),
        LocalDate.now(clock),
        who.getName());
  }

  /// A consent as it was signed.
  @May(Right.RECORD)
  @GetMapping("/consents/{id}")
  SignedConsent consent(@PathVariable UUID id, Principal who) {
    audit.noteOnce(who.getName(), "read consent", id);
    return SignedConsent.of(store.get(id));
  }

  @May(Right.TREAT)
  @PostMapping("/consents/{id}/withdrawal")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdraw(@PathVariable UUID id, @RequestBody Withdrawal body, Principal who) {
    consents.withdraw(id, body.why(), who.getName());
  }

  @May(Right.RECORD)
  @GetMapping(value = "/signatures/{id}", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(@PathVariable UUID id, Principal who) {
    audit.noteOnce(who.getName(), "read signature", id);
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .body(store.picture(id).orElseThrow(() -> new NotFound("drawn signature", id)));
  }
}
