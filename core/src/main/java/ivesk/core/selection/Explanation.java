package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.selection.Selection.Reasons;
import ivesk.core.selection.Selection.Tile;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Turns the numbers of a tile into its four sentences.
final class Explanation {
  private Explanation() {}

  static Reasons of(Tile tile, List<Tile> tiles, SelectionFacts facts) {
    if (!tile.formula().family().ranked()) {
      return new Reasons(byHand(tile.formula()), "", "", watch(tile, facts));
    }
    return new Reasons(
        fits(tile, facts), notWeaker(tile, tiles), notStronger(tile, tiles), watch(tile, facts));
  }

  private static String byHand(Formula formula) {
    return "Chosen by hand, it does not compete. "
        + switch (formula.family()) {
          case SPOT -> "On single closed spots, with a bud; never over a whole face.";
          case EYE -> "For the eye contour, and for nothing else.";
          case LONG_WEAR -> "Stays on for most of the visit; the client needs the time.";
          case RETINOID -> "Goes on after an acid has ended and the skin is at rest.";
          default -> "The practice knows what it is for.";
        };
  }

  private static String fits(Tile tile, SelectionFacts facts) {
    Oil oil = facts.client().skin().oil().orElse(Oil.BALANCED);
    List<String> served =
        Score.wishes(facts.client()).entrySet().stream()
            .sorted(Map.Entry.<Condition, Double>comparingByValue().reversed())
            .filter(wish -> Affinity.of(tile.formula().family(), wish.getKey(), oil) >= 2)
            .map(wish ->
                wish.getKey().label()
                    + " "
                    + Math.max(1, facts.client().skin().severity(wish.getKey()))
                    + " of 3")
            .toList();
    return served.isEmpty()
        ? "Serves none of the goals well: benefit %.0f of 100.".formatted(tile.score().benefit())
        : "Works well on "
            + Words.list(served)
            + ". Benefit %.0f of 100.".formatted(tile.score().benefit());
  }

  private static String notWeaker(Tile tile, List<Tile> tiles) {
    return tiles.stream()
        .filter(other -> other.open() && other.formula().family().ranked())
        .filter(other -> other.score().level() < tile.score().level())
        .max(Comparator.comparingDouble(other -> other.score().benefit()))
        .map(other ->
            other.score().benefit() < tile.score().benefit()
                ? "%s is milder and reaches %.0f of 100 for these goals."
                    .formatted(other.formula().code(), other.score().benefit())
                : "%s is milder and reaches as much: consider it."
                    .formatted(other.formula().code()))
        .orElse("Nothing milder is open.");
  }

  private static String notStronger(Tile tile, List<Tile> tiles) {
    Optional<Tile> up =
        tiles.stream()
            .filter(other -> other.formula().family() == tile.formula().family())
            .filter(other -> other.formula().rung() > tile.formula().rung())
            .min(Comparator.comparingInt(other -> other.formula().rung()));
    if (up.isEmpty()) return "It is the top of its family.";
    Tile stronger = up.get();
    return stronger.open()
        ? "%s is open and scores %.0f against %.0f: the lowest strength that does the work."
            .formatted(stronger.formula().code(), stronger.score().total(), tile.score().total())
        : stronger.formula().code() + " is shut: " + stronger.shut().getFirst().words() + ".";
  }

  private static String watch(Tile tile, SelectionFacts facts) {
    List<String> watch = new ArrayList<>();
    switch (tile.formula().use()) {
      case SELF_LIMITING -> watch.add("White film is crystals until a damp swab says otherwise.");
      case COATS -> watch.add("Frost shows 30 s to 3 min after the coat. Wait before another.");
      case LAYERED -> watch.add("Each layer shows late. Let it settle before the next.");
      case TIMED -> watch.add("Any whitening while the acid is on ends it.");
      case STAYS, OUT_OF_SCOPE -> {}
    }
    if (facts.client().darkerType()) {
      watch.add("Redness shows late on this skin: press and look for heat.");
    }
    if (facts.client().sensitive()) watch.add("Sensitive: lower lines, first look early.");
    watch.add("Nostril folds and mouth corners take it first.");
    return String.join(" ", watch);
  }
}
