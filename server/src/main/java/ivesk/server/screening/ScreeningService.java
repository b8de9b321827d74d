package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.Consent;
import ivesk.core.screening.Finding;
import ivesk.core.screening.Question;
import ivesk.core.screening.Question.Answer;
import ivesk.core.screening.Screening;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.screening.Settlement;
import ivesk.core.screening.Verdict;
import ivesk.server.app.Audit;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.skin.ConsultStore;
import ivesk.server.treatment.PastPeels;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class ScreeningService {
  private final ScreeningStore store;
  private final VisitStore visits;
  private final ClientStore clients;
  private final ConsultStore consults;
  private final PastPeels pastPeels;
  private final Treatments treatments;
  private final PracticeStore practice;
  private final Audit audit;
  private final Clock clock;

  ScreeningService(
      ScreeningStore store,
      VisitStore visits,
      ClientStore clients,
      ConsultStore consults,
      PastPeels pastPeels,
      Treatments treatments,
      PracticeStore practice,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.visits = visits;
    this.clients = clients;
    this.consults = consults;
    this.pastPeels = pastPeels;
    this.treatments = treatments;
    this.practice = practice;
    this.audit = audit;
    this.clock = clock;
  }

  /// Everything that screening reads of a visit, for the day of the visit.
  public ScreeningFacts facts(UUID visitId) {
    Visit visit = visits.get(visitId);
    Client client = clients.get(visit.clientId());
    LocalDate day = LocalDate.ofInstant(visit.startsAt(), clock.getZone());
    return new ScreeningFacts(
        client.dateOfBirth(),
        consults.of(visitId).consult().profile(),
        store.answers(visitId),
        pastPeels.before(visit),
        store.consents(client.id()),
        day,
        practice.policies());
  }

  public Screening screen(UUID visitId) {
    return Screening.screen(facts(visitId), store.settlements(visitId));
  }

  public Screening screen(UUID visitId, ScreeningFacts facts) {
    return Screening.screen(facts, store.settlements(visitId));
  }

  @Transactional
  public void answer(UUID visitId, Question question, Optional<Answer> answer, String who) {
    treatments.requireUnsigned(visitId);
    LocalDate day = LocalDate.ofInstant(visits.get(visitId).startsAt(), clock.getZone());
    LocalDate today = LocalDate.now(clock);
    answer.ifPresent(given -> question.check(given, day.isAfter(today) ? today : day));
    store.answer(visitId, question, answer, who);
    audit.note(who, "answer " + question, visitId);
  }

  @Transactional
  public void consent(
      UUID visitId,
      List<Family> families,
      String signedBy,
      Optional<String> guardian,
      LocalDate on,
      String who) {
    if (families.isEmpty()) throw new IllegalArgumentException("the consent names no family");
    ScreeningFacts facts = facts(visitId);
    if (facts.minor() && guardian.filter(name -> !name.isBlank()).isEmpty()) {
      throw new IllegalArgumentException("a minor's consent needs the guardian's name");
    }
    UUID clientId = visits.get(visitId).clientId();
    families.forEach(
        family -> store.sign(clientId, new Consent(family, on, signedBy, guardian), who));
    audit.note(who, "sign consent " + families.size() + " families", clientId);
  }

  /// Lifts a finding by an override or a clearance.
  ///
  /// @throws Refused when the finding does not stand, or may not be lifted so
  @Transactional
  public void settle(UUID visitId, Settlement settlement, String who) {
    treatments.requireUnsigned(visitId);
    Finding finding =
        screen(visitId).findings().stream()
            .filter(Finding::stands)
            .filter(f -> f.ruleId().equals(settlement.ruleId()))
            .filter(f -> f.said().equals(settlement.said()))
            .findFirst()
            .orElseThrow(() -> new Refused("This finding no longer stands. Nothing was changed."));
    boolean may =
        switch (settlement) {
          case Settlement.Override o -> finding.overridable();
          case Settlement.Clearance c -> finding.verdict() == Verdict.REFER;
        };
    if (!may) {
      throw new Refused(
          finding.verdict() + " for " + finding.said() + " cannot be lifted this way.");
    }
    store.settle(visitId, settlement);
    audit.note(
        who,
        settlement instanceof Settlement.Override ? "override" : "clearance",
        settlement.ruleId() + " of visit " + visitId);
  }
}
