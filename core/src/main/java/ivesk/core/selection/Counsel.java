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
import java.util.function.Function;
import java.util.stream.Collectors;

/// What to say and do when nothing on the rack fits, or a peel alone does little. Common practice.
///
/// @param said the state of things in a sentence
/// @param instead what can be done, in order
/// @param refer to whom, and for what
public record Counsel(String said, List<String> instead, Optional<String> refer) {

  /// Below this benefit, 0 to 100, a peel alone does little.
  private static final double LITTLE = 40;

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
    List<Finding> standing = facts.screening().findings().stream().filter(Finding::stands).toList();
    boolean shutByScreen = facts.screening().verdict().compareTo(Verdict.WAIT) >= 0;
    String said =
        shutByScreen && !standing.isEmpty()
            ? "Nothing may be offered on this day: " + standing.getFirst().said() + "."
            : "No formula fits within the limits of this day.";
    List<String> instead = new ArrayList<>();
    List<Tile> ranked = tiles.stream().filter(tile -> rankedHere(tile)).toList();
    if (facts.screening().verdict() == Verdict.STOP) {
      instead.add("Today: bland care at home, nothing active on the skin.");
    } else {
      opensMost(ranked).ifPresent(instead::add);
      opensLater(ranked).ifPresent(instead::add);
      instead.add("Today: a calming or hydrating treatment without acid, and the home plan.");
    }
    Optional<String> referred =
        standing.stream()
            .filter(finding -> finding.verdict() == Verdict.REFER)
            .findFirst()
            .map(finding -> "a clinician, for " + finding.said());
    String otherwise =
        "a dermatologist, " + beyond.map(what -> "for " + what).orElse("if it cannot wait");
    return new Counsel(said, instead, Optional.of(referred.orElse(otherwise)));
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

  /// The first day on which something is open of which only time is asked.
  private static Optional<String> opensLater(List<Tile> tiles) {
    Map<LocalDate, Long> days =
        tiles.stream()
            .filter(tile -> tile.shut().stream().allMatch(shut -> shut.until().isPresent()))
            .map(tile ->
                tile.shut().stream()
                    .map(shut -> shut.until().orElseThrow())
                    .max(Comparator.naturalOrder())
                    .orElseThrow())
            .collect(
                Collectors.groupingBy(Function.identity(), TreeMap::new, Collectors.counting()));
    return days.entrySet().stream()
        .findFirst()
        .map(first ->
            Words.fill(
                "Move the visit: from %s, %s open.",
                Words.day(first.getKey()), Words.count(first.getValue(), "formula")));
  }
}
