package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.selection.Tile.Reasons;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/// Turns the numbers of a tile into its four sentences.
final class Explanation {
  private final SelectionFacts facts;

  /// By family, what its acid serves well, in words; one clause.
  private final Map<Family, String> served = new EnumMap<>(Family.class);

  /// By irritation level, the open tile of the greatest benefit at it.
  private final NavigableMap<Double, Tile> mildest = new TreeMap<>();

  /// By family and rung, the first tile.
  private final Map<Family, NavigableMap<Integer, Tile>> rungs = new EnumMap<>(Family.class);

  /// Those that compete, best first.
  private final List<Tile> ranked;

  Explanation(
      List<Tile> tiles, List<Tile> ranked, Map<Condition, Double> wishes, SelectionFacts facts) {
    this.facts = facts;
    this.ranked = ranked;
    for (Family family : Family.values()) served.put(family, served(family, wishes));
    for (Tile tile : tiles) {
      rungs
          .computeIfAbsent(tile.formula().family(), family -> new TreeMap<>())
          .putIfAbsent(tile.formula().rung(), tile);
      if (tile.open() && tile.formula().family().ranked()) {
        mildest.merge(
            tile.score().level(),
            tile,
            (one, other) -> other.score().benefit() > one.score().benefit() ? other : one);
      }
    }
  }

  Reasons of(Tile tile) {
    if (!tile.formula().family().ranked()) {
      return new Reasons(byHand(tile.formula()), "", "", "", watch(tile));
    }
    return new Reasons(fits(tile), standing(tile), notWeaker(tile), notStronger(tile), watch(tile));
  }

  private static String byHand(Formula formula) {
    return "Chosen by hand, it does not compete. " + formula.family().byHand();
  }

  private String served(Family family, Map<Condition, Double> wishes) {
    Oil oil = facts.client().skin().oil().orElse(Oil.BALANCED);
    return Words.list(
        wishes.entrySet().stream()
            .sorted(Map.Entry.<Condition, Double>comparingByValue().reversed())
            .filter(wish -> Affinity.of(family, wish.getKey(), oil) >= 2)
            .map(wish ->
                wish.getKey().label()
                    + " (severity "
                    + Math.max(1, facts.client().skin().severity(wish.getKey()))
                    + " of 3)")
            .toList());
  }

  private String fits(Tile tile) {
    String well = served.get(tile.formula().family());
    long benefit = Math.round(tile.score().benefit());
    return well.isEmpty()
        ? "Serves none of the goals well: benefit " + benefit + " of 100."
        : "Works well on " + well + ". Benefit " + benefit + " of 100.";
  }

  private String standing(Tile tile) {
    if (ranked.isEmpty() || !tile.open()) return "";
    int place = ranked.indexOf(tile);
    Tile first = ranked.getFirst();
    if (place > 0) {
      String behind =
          tile.score().total() > first.score().total() ? ": " + comesFirst(first, tile) : "";
      return Words.fill("Place %d of %d%s.", place + 1, ranked.size(), behind);
    }
    if (place == 0) {
      return ranked.stream()
          .max(Comparator.comparingDouble(other -> other.score().total()))
          .filter(best -> best.score().total() > tile.score().total())
          .map(best -> "First: " + comesFirst(tile, best) + ".")
          .orElse("First: the best score of those that compete.");
    }
    if (tile.score().benefit() <= 0) return "Does nothing for the goals, so it does not compete.";
    return ranked.stream()
        .filter(other -> other.formula().family() == tile.formula().family())
        .findFirst()
        .map(other ->
            Words.fill(
                "Does not compete, whatever its score: of its family %s does, at this client’s"
                    + " rung.",
                other.formula().code()))
        .orElse("");
  }

  /// Why one comes before another that scores at most three points more.
  private String comesFirst(Tile one, Tile other) {
    boolean running = facts.ladders().running().filter(one.formula().family()::equals).isPresent();
    String why =
        running
            ? "the running series"
            : one.score().level() < other.score().level() ? "the milder one" : "less flaking";
    return Words.fill(
        "%s and %s are within %.0f points, and %s comes first",
        one.formula().code(), other.formula().code(), Score.TIE, why);
  }

  private String notWeaker(Tile tile) {
    return mildest.headMap(tile.score().level(), false).values().stream()
        .max(Comparator.comparingDouble(other -> other.score().benefit()))
        .map(other ->
            other.score().benefit() < tile.score().benefit()
                ? other.formula().code()
                    + " is milder; its benefit is "
                    + Math.round(other.score().benefit())
                    + " of 100."
                : other.formula().code() + " is milder and its benefit is as great: consider it.")
        .orElse("Nothing milder is open.");
  }

  private String notStronger(Tile tile) {
    Map.Entry<Integer, Tile> up =
        rungs.get(tile.formula().family()).higherEntry(tile.formula().rung());
    if (up == null) return "It is the top of its family.";
    Tile stronger = up.getValue();
    return stronger.open()
        ? stronger.formula().code()
            + " is open and scores "
            + stronger.score().shown()
            + " against "
            + tile.score().shown()
            + ": the lowest strength that does the work."
        : stronger.formula().code() + " is shut: " + stronger.shut().getFirst().words() + ".";
  }

  private String watch(Tile tile) {
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
    Region region = facts.client().region();
    if (region == Region.FACE) watch.add("Nostril folds and mouth corners take it first.");
    else if (region.thin()) watch.add("Thin skin: it takes up more.");
    return String.join(" ", watch);
  }
}
