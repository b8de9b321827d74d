package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.screening.Finding;
import ivesk.core.screening.Screening.Shut;
import ivesk.core.screening.Verdict;
import ivesk.core.selection.Selection.Tile;
import ivesk.core.skin.Condition;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// What to say and do when nothing on the rack fits, or a peel alone does little. Common practice.
///
/// @param said the state of things in a sentence
/// @param instead what can be done, in order
/// @param refer to whom, and for what
public record Counsel(String said, List<String> instead, Optional<String> refer) {

  /// Below this benefit, 0 to 100, a peel alone does little.
  private static final double LITTLE = 40;

  /// How many days are tried before no other is proposed.
  private static final int DAYS_TRIED = 12;

  static Optional<Counsel> of(List<Tile> tiles, List<Tile> ranked, SelectionFacts facts) {
    List<Condition> wished = List.copyOf(Score.wishes(facts.client()).keySet());
    if (wished.isEmpty()) {
      return Optional.of(
          new Counsel(
              "Nothing to treat was noted in Consult.",
              List.of("Ask what the client wants, and grade what you see."),
              Optional.empty()));
    }
    Optional<String> beyond = beyondPeels(wished);
    boolean nothingOpen = tiles.stream().noneMatch(tile -> rankedHere(tile) && tile.open());
    if (ranked.isEmpty() && nothingOpen) return Optional.of(nothing(tiles, beyond, facts));
    if (beyond.isPresent()) {
      return Optional.of(
          new Counsel(
              "A peel alone does little for " + beyond.get() + ".",
              List.of(),
              Optional.of("a dermatologist, for " + beyond.get())));
    }
    double best = ranked.stream().mapToDouble(tile -> tile.score().benefit()).max().orElse(0);
    return best >= LITTLE
        ? Optional.empty()
        : Optional.of(
            new Counsel(
                Words.fill("A peel alone does little for these goals: at best %.0f of 100.", best),
                List.of(),
                Optional.of("a dermatologist, if they matter most")));
  }

  private static Optional<String> beyondPeels(List<Condition> wished) {
    List<String> beyond =
        wished.stream().filter(condition -> !condition.peelHelps()).map(Condition::label).toList();
    return beyond.isEmpty() ? Optional.empty() : Optional.of(Words.list(beyond));
  }

  private static Counsel nothing(List<Tile> tiles, Optional<String> beyond, SelectionFacts facts) {
    List<Tile> ranked = tiles.stream().filter(tile -> rankedHere(tile)).toList();
    List<Finding> shutting = facts.screening().findings().stream().filter(Finding::shuts).toList();
    String said =
        shutsMost(shutting, ranked)
            .map(most -> "Nothing may be offered on this day: " + most.said() + ".")
            .orElse("No formula fits within the limits of this day.");
    List<String> instead = new ArrayList<>();
    if (facts.screening().verdict() == Verdict.STOP) {
      instead.add("Today: bland care at home, nothing active on the skin.");
    } else {
      opensMost(ranked).ifPresent(instead::add);
      opensLater(ranked, facts).ifPresent(instead::add);
      instead.add("Today: a calming or hydrating treatment without acid, and the home plan.");
    }
    Optional<String> referred =
        shutting.stream()
            .filter(finding -> finding.verdict() == Verdict.REFER)
            .findFirst()
            .map(finding -> "a clinician, for " + finding.said());
    return new Counsel(
        said, instead, referred.or(() -> beyond.map(what -> "a dermatologist, for " + what)));
  }

  /// The finding that shuts most of the rack; a narrow one is never the reason for the whole.
  private static Optional<Finding> shutsMost(List<Finding> shutting, List<Tile> ranked) {
    return shutting.stream()
        .filter(finding -> finding.scope().client() || covered(finding, ranked) * 2 > ranked.size())
        .max(
            Comparator.comparingLong((Finding finding) -> covered(finding, ranked))
                .thenComparing(Finding::verdict));
  }

  private static long covered(Finding finding, List<Tile> ranked) {
    return ranked.stream()
        .filter(tile -> finding.scope().covers().test(tile.formula(), tile.depth()))
        .count();
  }

  private static boolean rankedHere(Tile tile) {
    return tile.formula().family().ranked() && tile.formula().peels() && tile.here();
  }

  /// The one thing that, done, opens the most by itself.
  private static Optional<String> opensMost(List<Tile> tiles) {
    return tiles.stream()
        .filter(tile -> tile.shut().stream().map(Shut::opens).distinct().count() == 1)
        .map(tile -> tile.shut().getFirst())
        .filter(shut -> shut.opens().possible() && shut.until().isEmpty())
        .collect(Collectors.groupingBy(Shut::opens, TreeMap::new, Collectors.counting()))
        .entrySet()
        .stream()
        .max(Map.Entry.comparingByValue())
        .map(most ->
            Words.fill(
                "Opens %s: %s.", Words.count(most.getValue(), "formula"), most.getKey().words()));
  }

  /// The first of the days that findings and gates name on which something is open: tried for real.
  private static Optional<String> opensLater(List<Tile> tiles, SelectionFacts facts) {
    return tiles.stream()
        .flatMap(tile -> tile.shut().stream())
        .flatMap(shut -> shut.until().stream())
        .filter(day -> day.isAfter(facts.client().peelDate()))
        .distinct()
        .sorted()
        .limit(DAYS_TRIED)
        .flatMap(day -> {
          long open = Selection.countOpen(facts.on(day));
          return open == 0 ? Stream.empty() : Stream.of(moved(day, open));
        })
        .findFirst();
  }

  private static String moved(LocalDate day, long open) {
    return Words.fill(
        "Move the visit: from %s, %s open.", Words.day(day), Words.count(open, "formula"));
  }
}
