package ivesk.server.selection;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Region;
import ivesk.server.client.Client;
import ivesk.server.screening.ConsentsAsked;
import ivesk.server.screening.Screened;
import ivesk.server.screening.ScreeningService;
import ivesk.server.skin.Consult;
import ivesk.server.skin.SameScores;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

@Service
public class SelectionService implements ConsentsAsked {
  private final ScreeningService screening;
  private final SameScores sameScores;

  SelectionService(ScreeningService screening, SameScores sameScores) {
    this.screening = screening;
    this.sameScores = sameScores;
  }

  /// Everything that selection reads of a visit.
  public SelectionFacts facts(UUID visitId) {
    return facts(screening.screened(visitId));
  }

  /// As [#facts(UUID)], for a run elsewhere on the body.
  public SelectionFacts facts(UUID visitId, Region region) {
    return facts(screening.screened(visitId, region));
  }

  @Override
  public Set<Family> of(Screened visit) {
    return Selection.choose(facts(visit)).toConsent();
  }

  private SelectionFacts facts(Screened screened) {
    ScreeningFacts facts = screened.facts();
    Client client = screened.client();
    Consult consult = screened.consult();
    boolean plateau = consult.plateau().orElseGet(() -> sameScores.overThreePeels(client.id()));
    Ladders ladders = LadderRules.of(facts.pastPeels(), facts.peelDate(), facts.region());
    return new SelectionFacts(
        facts,
        screened.outcome(),
        plateau ? ladders.atPlateau() : ladders,
        consult.flakingDaysThatFit(),
        consult.nextEvent(facts.peelDate()).map(Consult.Event::on),
        new Areas(
            BodySurface.of(client.heightCm(), client.weightKg()), facts.age(), consult.areas()),
        client.weightKg(),
        Optional.of(screened.visit().minutes()));
  }
}
