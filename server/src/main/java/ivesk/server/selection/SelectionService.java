package ivesk.server.selection;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Region;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.screening.ConsentsAsked;
import ivesk.server.screening.ScreeningService;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import ivesk.server.skin.SameScores;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

@Service
public class SelectionService implements ConsentsAsked {
  private final ScreeningService screening;
  private final VisitStore visits;
  private final ClientStore clients;
  private final ConsultService consults;
  private final SameScores sameScores;

  SelectionService(
      ScreeningService screening,
      VisitStore visits,
      ClientStore clients,
      ConsultService consults,
      SameScores sameScores) {
    this.screening = screening;
    this.visits = visits;
    this.clients = clients;
    this.consults = consults;
    this.sameScores = sameScores;
  }

  /// Everything that selection reads of a visit.
  public SelectionFacts facts(UUID visitId) {
    return facts(visitId, screening.facts(visitId));
  }

  /// As [#facts(UUID)], for a run elsewhere on the body.
  public SelectionFacts facts(UUID visitId, Region region) {
    return facts(visitId, screening.facts(visitId).in(region));
  }

  @Override
  public Set<Family> at(UUID visitId) {
    return Selection.choose(facts(visitId)).toConsent();
  }

  private SelectionFacts facts(UUID visitId, ScreeningFacts facts) {
    Screening outcome = screening.screen(visitId, facts);
    Visit visit = visits.get(visitId);
    Client client = clients.get(visit.clientId());
    Consult consult = consults.of(visitId).consult();
    boolean plateau =
        consult.plateau().orElseGet(() -> sameScores.overThreePeels(visit.clientId()));
    Ladders ladders = LadderRules.of(facts.pastPeels(), facts.peelDate(), facts.region());
    return new SelectionFacts(
        facts,
        outcome,
        plateau ? ladders.atPlateau() : ladders,
        consult.flakingDaysThatFit(),
        consult.nextEvent(facts.peelDate()).map(Consult.Event::on),
        new Areas(
            BodySurface.of(client.heightCm(), client.weightKg()), facts.age(), consult.areas()),
        client.weightKg(),
        Optional.of(visit.minutes()));
  }
}
