package ivesk.server.selection;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.screening.Screening.Shut;
import ivesk.core.selection.Selection;
import ivesk.core.selection.Selection.Reasons;
import ivesk.core.selection.SelectionFacts;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits/{id}/selection")
class SelectionController {
  private final SelectionService selection;
  private final ConsultService consults;

  SelectionController(SelectionService selection, ConsultService consults) {
    this.selection = selection;
    this.consults = consults;
  }

  /// @param strength as on the label, in % w/v
  /// @param contactSeconds limit on a first visit; empty for formulas without minutes
  /// @param score what the tile's fill shows
  record TileView(
      String code,
      String name,
      Family family,
      int rung,
      String strength,
      DepthClass depth,
      String depthLabel,
      List<Shut> shut,
      boolean competes,
      double score,
      List<String> terms,
      int layers,
      Optional<Long> contactSeconds,
      double ph,
      double freeAcidPercent,
      double mgPerCm2,
      int peelingFirst,
      int peelingLast,
      Reasons reasons) {
    static TileView of(Selection.Tile tile, SelectionFacts facts) {
      Formula formula = tile.formula();
      return new TileView(
          formula.code(),
          formula.name(),
          formula.family(),
          formula.rung(),
          strength(formula),
          tile.depth(),
          tile.depth().label(),
          tile.shut(),
          tile.competes(),
          tile.score().total(),
          tile.score().terms(),
          tile.layers(),
          formula
              .firstContact()
              .map(first -> facts.screening().limits().contact(first).orElse(first))
              .map(Duration::toSeconds),
          formula.ph().orElse(7.0),
          tile.freeAcidPercent(),
          tile.mgPerCm2(),
          formula.peelingFirst(),
          formula.peelingLast(),
          tile.reasons());
    }

    private static String strength(Formula formula) {
      List<String> parts =
          formula.components().stream()
              .filter(c -> c.percentWv() > 0)
              .map(c -> "%.0f".formatted(c.percentWv()))
              .toList();
      return parts.isEmpty()
          ? "mask"
          : parts.size() == 1 ? parts.getFirst() + " %" : String.join("/", parts);
    }
  }

  record FamilyColumn(Family id, String label) {}

  /// @param ranked codes, best first
  record RackView(
      LocalDate peelDate,
      List<FamilyColumn> families,
      List<TileView> tiles,
      List<String> ranked,
      Optional<String> advice,
      int open,
      Optional<LocalDate> event,
      Optional<String> eventName) {}

  @GetMapping
  RackView rack(@PathVariable UUID id) {
    SelectionFacts facts = selection.facts(id);
    Selection rack = Selection.choose(facts);
    return new RackView(
        facts.client().peelDate(),
        Arrays.stream(Family.values()).map(f -> new FamilyColumn(f, f.label())).toList(),
        rack.tiles().stream().map(tile -> TileView.of(tile, facts)).toList(),
        rack.ranked(),
        rack.advice(),
        (int) rack.tiles().stream().filter(Selection.Tile::open).count(),
        facts.event(),
        consults.of(id).consult().nextEvent(facts.client().peelDate()).map(Consult.Event::name));
  }
}
