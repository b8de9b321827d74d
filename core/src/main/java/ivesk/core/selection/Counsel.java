package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.skin.Condition;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
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

  /// Gates that speak of the day, not of a formula.
  private static final Set<String> GENERAL = Set.of("EVENT", "TIME", "DOWNTIME");

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
        reason(shutting, ranked, facts)
            .map(most -> "Nothing may be offered on this day: " + most + ".")
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
        shutsMost(
                shutting.stream().filter(finding -> finding.verdict() == Verdict.REFER).toList(),
                ranked)
            .map(finding -> "a clinician, for " + finding.said());
    return new Counsel(
        said, instead, referred.or(() -> beyond.map(what -> "a dermatologist, for " + what)));
  }

  /// What keeps most of the rack shut: a finding, a gate such as an event, or a limit without which
  /// something would be open.
  private static Optional<String> reason(
      List<Finding> shutting, List<Tile> ranked, SelectionFacts facts) {
    Optional<Finding> finding = shutsMost(shutting, ranked);
    Optional<Map.Entry<String, Long>> gate = gateThatShutsMost(ranked);
    long byFinding = finding.map(one -> covered(one, ranked)).orElse(0L);
    if (gate.filter(one -> one.getValue() > byFinding).isPresent()) {
      return gate.map(Map.Entry::getKey);
    }
    return finding
        .map(Finding::said)
        .or(() -> facts.screening().opensMost().map(opening -> opening.finding().said()));
  }

  private static Optional<Map.Entry<String, Long>> gateThatShutsMost(List<Tile> ranked) {
    Map<String, List<Shut>> byRule =
        ranked.stream()
            .flatMap(tile ->
                tile.shut().stream().filter(shut -> GENERAL.contains(shut.ruleId())).limit(1))
            .collect(Collectors.groupingBy(Shut::ruleId));
    return byRule.values().stream()
        .filter(shuts -> shuts.size() * 2 > ranked.size())
        .max(Comparator.comparingInt(List::size))
        .map(shuts -> Map.entry(shuts.getFirst().words().split(";")[0], (long) shuts.size()));
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

  /// What, done, opens the most: one thing by itself, else as few as can be together.
  private static Optional<String> opensMost(List<Tile> tiles) {
    return tiles.stream()
        .filter(tile ->
            tile.shut().stream()
                .allMatch(shut -> shut.opens().possible() && shut.until().isEmpty()))
        .collect(Collectors.groupingBy(Counsel::needed, Collectors.counting()))
        .entrySet()
        .stream()
        .min(
            Comparator.<Map.Entry<List<String>, Long>>comparingInt(most -> most.getKey().size())
                .thenComparing(Map.Entry.<List<String>, Long>comparingByValue().reversed()))
        .map(most ->
            Words.fill(
                "%s %s: %s.",
                most.getKey().size() == 1 ? "Opens" : "Together they open",
                Words.count(most.getValue(), "formula"),
                String.join("; ", most.getKey())));
  }

  /// What a shut formula needs, each once: of several that need the same, what each is for.
  private static List<String> needed(Tile tile) {
    Map<Clearing, Set<String>> needs = new TreeMap<>();
    for (Shut shut : tile.shut()) {
      needs.computeIfAbsent(shut.opens(), _ -> new TreeSet<>()).add(shut.ruleId());
    }
    List<String> words = new ArrayList<>();
    for (Shut shut : tile.shut()) {
      boolean several = needs.get(shut.opens()).size() > 1;
      String one = shut.opens().words() + (several ? ", for " + reason(shut) : "");
      if (!words.contains(one)) words.add(one);
    }
    return List.copyOf(words);
  }

  /// "REFER: lupus" is "lupus".
  private static String reason(Shut shut) {
    return shut.words().substring(shut.words().indexOf(':') + 1).strip();
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
          long open = Opened.count(facts.on(day));
          return open == 0 ? Stream.empty() : Stream.of(moved(day, open));
        })
        .findFirst();
  }

  private static String moved(LocalDate day, long open) {
    return Words.fill(
        "Move the visit: from %s, %s open.", Words.day(day), Words.count(open, "formula"));
  }
}
