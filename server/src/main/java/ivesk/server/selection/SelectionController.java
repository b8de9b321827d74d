package ivesk.server.selection;

import ivesk.core.formula.Strength;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.quantity.Ph;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.Attempt;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Region;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.ShelfService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningQuestion;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class SelectionController {
  private final SelectionService selection;
  private final ConsultService consults;
  private final ShelfService shelf;
  private final PracticeStore practice;

  SelectionController(
      SelectionService selection,
      ConsultService consults,
      ShelfService shelf,
      PracticeStore practice) {
    this.selection = selection;
    this.consults = consults;
    this.shelf = shelf;
    this.practice = practice;
  }

  @May(Right.RECORD)
  @GetMapping("/visits/{id}/selection")
  RackView rack(@PathVariable UUID id) {
    SelectionFacts facts = selection.facts(id);
    return RackView.of(
        Selection.choose(facts),
        facts,
        consults.of(id).consult().nextEvent(facts.client().peelDate()).map(Consult.Event::name));
  }

  /// @param percents of the formula's components in their order, % w/v
  record NumbersTried(
      String formula,
      List<Double> percents,
      Optional<Double> ph,
      Optional<Integer> contactSeconds,
      int layers) {}

  /// Other numbers on a formula, for this client and day; nothing is saved.
  @StatelessQuestion
  @May(Right.TREAT)
  @PostMapping("/visits/{id}/selection/try")
  Attempt attempt(@PathVariable UUID id, @RequestBody NumbersTried body) {
    SelectionFacts facts = selection.facts(id);
    return Attempt.of(
        facts.client().shelf().get(body.formula()),
        new Attempt.Numbers(
            body.percents().stream()
                .map(percent -> Strength.of("strength", percent, Convention.WV))
                .toList(),
            body.ph().map(Ph::of),
            body.contactSeconds().map(Duration::ofSeconds),
            body.layers()),
        facts);
  }

  /// All that selection reads of a client, as a caller gives it. What is left out is not asked.
  record SelectionQuestion(
      ScreeningQuestion client,
      Optional<Integer> flakingDaysThatFit,
      Optional<LocalDate> event,
      Optional<Double> heightCm,
      Optional<Double> weightKg,
      Optional<Map<Region, Double>> areasCm2,
      Optional<Integer> bookedMinutes,
      Optional<Boolean> plateau) {}

  private static Ladders ladders(ScreeningFacts client, boolean plateau) {
    Ladders ladders = LadderRules.of(client.pastPeels(), client.peelDate(), client.region());
    return plateau ? ladders.atPlateau() : ladders;
  }

  /// The rack without saving: facts and a day in, every formula and the ranking out.
  @StatelessQuestion
  @May(Right.KNOW)
  @PostMapping("/selection")
  RackView choose(@RequestBody SelectionQuestion body) {
    ScreeningFacts client = body.client().facts(practice.policies(), shelf.shelf());
    SelectionFacts facts =
        new SelectionFacts(
            client,
            Screening.screen(client, List.of()),
            ladders(client, body.plateau().orElse(false)),
            body.flakingDaysThatFit(),
            body.event(),
            new Areas(
                BodySurface.of(body.heightCm(), body.weightKg()),
                client.age(),
                body.areasCm2().orElse(Map.of())),
            body.weightKg(),
            body.bookedMinutes());
    return RackView.of(Selection.choose(facts), facts, Optional.empty());
  }
}
