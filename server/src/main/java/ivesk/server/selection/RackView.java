package ivesk.server.selection;

import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.quantity.Ph;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.selection.Counsel;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.selection.Tile;
import ivesk.core.selection.Tile.Reasons;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// The rack as it goes over the wire.
///
/// @param zones that may be treated today, in their order
/// @param families in the order of the rack; those that are not ranked are chosen by hand
/// @param ranked codes, best first
/// @param open how many of those made for the region
/// @param deepens what deepens any peel, said beside its class
/// @param ladders where the client stands with each family that she has had
record RackView(
    LocalDate peelDate,
    String region,
    List<Zone> zones,
    List<FamilyColumn> families,
    List<TileView> tiles,
    List<String> ranked,
    Optional<Counsel> advice,
    int open,
    int here,
    Optional<LocalDate> event,
    Optional<String> eventName,
    String deepens,
    List<LadderView> ladders) {

  record FamilyColumn(Family id, String label, boolean ranked) {}

  /// @param peels done with the family
  /// @param wellTaken at the rung of the last one
  /// @param series peels of a full series at that rung
  /// @param running it is the running series
  record LadderView(
      Family family,
      String label,
      int rung,
      long peels,
      long wellTaken,
      int series,
      boolean running,
      String why) {}

  /// @param strength as on the label, in % w/v
  /// @param here made for the region
  /// @param version of an own product's label; 0 for a shipped formula
  /// @param contactSeconds limit for today; empty for formulas without minutes
  /// @param mostSeconds never beyond; empty for formulas without minutes
  /// @param score by which those that compete are ranked
  /// @param shown the score within 0 and 100, the tile's fill
  record TileView(
      String code,
      String name,
      Family family,
      int rung,
      String strength,
      List<Component> components,
      boolean here,
      int version,
      DepthClass depth,
      String depthLabel,
      List<String> depthReasons,
      List<Shut> shut,
      boolean competes,
      double score,
      int shown,
      List<String> terms,
      int layers,
      int layersMost,
      Optional<Long> contactSeconds,
      Optional<Long> mostSeconds,
      Optional<Long> leastSeconds,
      Optional<Integer> staysHours,
      Optional<Ph> ph,
      double freeAcidPercent,
      double mgPerCm2,
      int peelingFirst,
      int peelingLast,
      boolean ownFlaking,
      int intervalDays,
      boolean aboveSalonFigure,
      String doneWhen,
      Reasons reasons) {

    static TileView of(Tile tile, SelectionFacts facts) {
      Formula formula = tile.formula();
      Flaking flaking = facts.flaking(formula);
      return new TileView(
          formula.code(),
          formula.name(),
          formula.family(),
          formula.rung(),
          strength(formula),
          formula.components(),
          tile.here(),
          formula.label().version(),
          tile.depth(),
          tile.depth().label(),
          tile.depthReasons(),
          tile.shut(),
          tile.competes(),
          tile.score().total(),
          tile.score().shown(),
          tile.score().terms(),
          tile.layers(),
          formula.layersMost(),
          tile.contact().or(formula::firstContact).map(Duration::toSeconds),
          formula.mostContact().map(Duration::toSeconds),
          formula.label().leastContact().map(Duration::toSeconds),
          formula.label().staysHours(),
          formula.ph(),
          tile.freeAcid().percent(),
          tile.dose().mgPerCm2(),
          flaking.first(),
          flaking.last(),
          facts.ownFlaking(formula).isPresent(),
          formula.peels() ? formula.intervalDays(tile.layers()) : 0,
          formula.aboveSalonFigure(),
          formula.label().doneWhen(),
          tile.reasons());
    }

    private static String strength(Formula formula) {
      List<String> parts =
          formula.components().stream()
              .map(c -> c.strength().percent())
              .filter(percent -> percent > 0)
              .map(percent ->
                  percent == Math.rint(percent)
                      ? String.valueOf(Math.round(percent))
                      : Words.number(percent, 1))
              .toList();
      return parts.isEmpty()
          ? "mask"
          : parts.size() == 1 ? parts.getFirst() + " %" : String.join("/", parts);
    }
  }

  static RackView of(Selection rack, SelectionFacts facts, Optional<String> eventName) {
    return new RackView(
        facts.client().peelDate(),
        facts.client().region().withArticle(),
        facts.zones(),
        Arrays.stream(Family.values())
            .map(family -> new FamilyColumn(family, family.label(), family.ranked()))
            .toList(),
        rack.tiles().stream().map(tile -> TileView.of(tile, facts)).toList(),
        rack.ranked(),
        rack.advice(),
        (int) rack.tiles().stream().filter(Tile::open).count(),
        (int) rack.tiles().stream().filter(Tile::here).count(),
        facts.event(),
        eventName,
        Depth.DEEPENS,
        ladders(facts));
  }

  private static List<LadderView> ladders(SelectionFacts facts) {
    return Arrays.stream(Family.values())
        .filter(family -> facts.ladders().known().contains(family))
        .map(family -> {
          List<PastPeel> own =
              facts.client().peelsHere().stream()
                  .filter(peel -> peel.formula().family() == family)
                  .filter(peel -> peel.region() == facts.client().region())
                  .sorted(Comparator.comparing(PastPeel::on))
                  .toList();
          Formula last = own.getLast().formula();
          return new LadderView(
              family,
              family.label(),
              facts.ladders().rungs().getOrDefault(family, last.rung()),
              own.size(),
              own.stream()
                  .filter(peel -> peel.formula().rung() == last.rung() && peel.wellTaken())
                  .count(),
              last.seriesLeast(),
              facts.ladders().running().filter(family::equals).isPresent(),
              facts.ladders().reasons().getOrDefault(family, ""));
        })
        .toList();
  }
}
