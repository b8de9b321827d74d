package ivesk.server.screening;

import ivesk.core.Require;
import ivesk.core.formula.Family;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.ConsentText;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.visit.VisitStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class ConsentService {
  private final ConsentStore store;
  private final ScreeningService screening;
  private final VisitStore visits;
  private final Audit audit;
  private final Clock clock;

  ConsentService(
      ConsentStore store, ScreeningService screening, VisitStore visits, Audit audit, Clock clock) {
    this.store = store;
    this.screening = screening;
    this.visits = visits;
    this.audit = audit;
    this.clock = clock;
  }

  /// A name with what was drawn under it; nothing drawn means that the name was typed for it.
  public record SignedName(String name, Optional<Signature> drawn) {
    public SignedName {
      Require.text("name under the consent", name, 120);
    }
  }

  /// Signs the text of one version for some families at once.
  ///
  /// @throws Refused when the text has changed since it was read
  @Transactional
  public void sign(
      UUID visitId,
      List<Family> families,
      int textVersion,
      SignedName client,
      Optional<SignedName> guardian,
      LocalDate on,
      String who) {
    if (families.isEmpty()) throw new BadInput("families", "the consent names no family");
    if (textVersion != ConsentText.CURRENT.version()) {
      throw new Refused(
          "The text of the consent has changed since it was read. Nothing was signed. Reload and"
              + " read version "
              + ConsentText.CURRENT.version()
              + ".");
    }
    ScreeningFacts facts = screening.facts(visitId);
    if (facts.minor() && guardian.isEmpty()) {
      throw new BadInput("guardian", "a minor's consent needs the guardian's name");
    }
    UUID clientId = visits.get(visitId).clientId();
    UUID signature = store.sign(client.name(), client.drawn());
    Optional<UUID> guardianSignature = guardian.map(g -> store.sign(g.name(), g.drawn()));
    for (Family family : families) {
      store.add(
          clientId,
          new Consent(family, on, client.name(), guardian.map(SignedName::name)),
          textVersion,
          signature,
          guardianSignature,
          who);
    }
    audit.note(who, "sign consent " + families.size() + " families", clientId);
  }

  /// Takes a consent back, from today on.
  @Transactional
  void withdraw(UUID consentId, String why, String who) {
    BadInput.check("why", () -> Require.atMost("reason", why, 400));
    UUID clientId = store.get(consentId).clientId();
    if (!store.withdraw(consentId, LocalDate.now(clock), why, who)) {
      throw new Refused("This consent was withdrawn before.");
    }
    audit.note(who, "withdraw consent", consentId + " " + clientId, why);
  }
}
