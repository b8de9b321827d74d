package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Screening.Shut;
import ivesk.core.screening.Verdict;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Region;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The rack for one client and day: every formula open or shut with its reasons, what is open
/// ranked, and the first choice as a sentence.
///
/// @param tiles in the order of the library
/// @param ranked codes of those that compete, best first; one rung a family
/// @param advice what to say when nothing ranks or a peel alone does little
public record Selection(List<Tile> tiles, List<String> ranked, Optional<String> advice) {

  private static final double LITTLE = 40;
  private static final double TIE = 3;

  /// One formula on the rack.
  ///
  /// @param shut every reason it is shut; empty when open
  /// @param layers that would be planned today
  /// @param competes this rung is its family's candidate for first place
  public record Tile(
      Formula formula,
      DepthClass depth,
      List<Shut> shut,
      Score score,
      int layers,
      double freeAcidPercent,
      double mgPerCm2,
      boolean competes,
      Reasons reasons) {

    public boolean open() {
      return shut.isEmpty();
    }
  }

  /// The why in its reading order.
  public record Reasons(String fits, String notWeaker, String notStronger, String watch) {}

  public Optional<String> first() {
    return ranked.stream().findFirst();
  }

  public Tile tile(String code) {
    return tiles.stream()
        .filter(tile -> tile.formula().code().equals(code))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("no formula '" + code + "' on the rack"));
  }

  public static Selection choose(SelectionFacts facts) {
    List<Tile> tiles = new ArrayList<>();
    for (Formula formula : Library.FORMULAS) tiles.add(tile(formula, facts));
    List<Tile> candidates = new ArrayList<>();
    for (Family family : Family.values())
      candidate(family, tiles, facts).ifPresent(candidates::add);
    boolean nothingWished = Score.wishes(facts.client()).isEmpty();
    List<Tile> ranked = nothingWished ? List.of() : rank(candidates, facts.ladders());
    List<String> codes = ranked.stream().map(tile -> tile.formula().code()).toList();
    List<Tile> explained =
        tiles.stream()
            .map(tile ->
                new Tile(
                    tile.formula,
                    tile.depth,
                    tile.shut,
                    tile.score,
                    tile.layers,
                    tile.freeAcidPercent,
                    tile.mgPerCm2,
                    codes.contains(tile.formula.code()),
                    Explanation.of(tile, tiles, facts)))
            .toList();
    return new Selection(explained, codes, advice(ranked, nothingWished, facts));
  }

  private static Tile tile(Formula formula, SelectionFacts facts) {
    int layers = plannedLayers(formula, facts);
    DepthClass depth = facts.screening().limits().depth(formula, formula.firstContact(), layers);
    double ml = Dose.layerVolumeMl(facts.areaCm2());
    return new Tile(
        formula,
        depth,
        gates(formula, depth, layers, facts),
        Score.of(formula, depth, facts.client(), facts.ladders()),
        layers,
        FreeAcid.percent(formula),
        Dose.mgPerCm2(formula.percentWv(), ml, facts.areaCm2()) * layers,
        false,
        new Reasons("", "", "", ""));
  }

  /// Layers for today: as many as last time with this formula, else its first number, within the
  /// formula's, the practice's and the client's caps; never below 1. Jessner starts at one layer in
  /// IV to VI.
  public static int plannedLayers(Formula formula, SelectionFacts facts) {
    int wanted =
        facts
            .ladders()
            .lastLayers()
            .getOrDefault(
                formula.code(),
                formula.family() == Family.JESSNER && facts.client().darkerType()
                    ? 1
                    : formula.layersFirst());
    return facts.screening().limits().layers(Math.min(wanted, cap(formula, facts)));
  }

  /// The most for today: one more than last time, never more on a first visit, and only as far as
  /// the deeper plan stays open.
  public static int mostLayers(Formula formula, SelectionFacts facts) {
    int planned = plannedLayers(formula, facts);
    if (!facts.ladders().lastLayers().containsKey(formula.code())) return planned;
    int more = facts.screening().limits().layers(Math.min(planned + 1, cap(formula, facts)));
    DepthClass depth = facts.screening().limits().depth(formula, formula.firstContact(), more);
    return more > planned && gates(formula, depth, more, facts).isEmpty() ? more : planned;
  }

  /// What formula and practice allow in one visit.
  private static int cap(Formula formula, SelectionFacts facts) {
    return Math.max(
        1,
        formula.family() == Family.JESSNER
            ? facts.client().policies().jessnerLayers()
            : formula.layersMost());
  }

  private static List<Shut> gates(
      Formula formula, DepthClass depth, int layers, SelectionFacts facts) {
    List<Shut> shut = new ArrayList<>();
    if (formula.use() == Formula.Use.OUT_OF_SCOPE) {
      shut.add(gate("SCOPE", "medium depth: outside a therapist's scope", "a physician"));
      return shut;
    }
    Policies policies = facts.client().policies();
    if (depth.ordinal() > policies.scope().ordinal()) {
      shut.add(gate("SCOPE", depth.label() + ": deeper than the licence", "a wider licence"));
    }
    boolean opened =
        (!formula.contains(Substance.TCA)
                || policies.openedByClinician().contains(Policies.Restricted.TCA))
            && (!formula.contains(Substance.RESORCINOL)
                || policies.openedByClinician().contains(Policies.Restricted.RESORCINOL));
    if (!opened) {
      shut.add(
          gate(
              "CLINICIAN",
              "not opened by the supervising clinician",
              "the clinician, once for the practice; the local law decides"));
    }
    Region region = facts.client().region();
    if (facts.zones().isEmpty()) {
      shut.add(gate("ZONE", "every zone of " + region.withArticle() + " is left out", "Screen"));
    }
    if (region == Region.EYE_CONTOUR) {
      shut.add(gate("ZONE", "the eye contour takes only eye formulas", "another region"));
    }
    if (region == Region.NECK_DECOLLETAGE && formula.contains(Substance.RESORCINOL)) {
      shut.add(gate("ZONE", "no resorcinol on neck or decolletage", "another region"));
    }
    shut.addAll(
        facts.screening().shuts(formula, depth, facts.client().entryRung(formula.family())));
    ladder(formula, facts).ifPresent(shut::add);
    if (formula.family().strong() && facts.ladders().milderPeels() < 3) {
      shut.add(
          gate(
              "MILDER-FIRST",
              "three well-taken peels of a milder family come first; so far "
                  + facts.ladders().milderPeels(),
              "milder peels"));
    }
    downtime(formula, depth, facts).forEach(shut::add);
    double share =
        Dose.salicylateShare(
            formula, Dose.layerVolumeMl(facts.areaCm2()), layers, facts.weightKg());
    if (share > 0.40) {
      shut.add(
          gate(
              "SALICYLATE",
              "carries %.0f %% of the salicylate yardstick; above 40 %% is shut"
                  .formatted(share * 100),
              "a smaller area or fewer layers"));
    }
    return List.copyOf(shut);
  }

  private static Optional<Shut> ladder(Formula formula, SelectionFacts facts) {
    int rung = ladderRung(formula.family(), facts);
    if (formula.rung() <= rung) return Optional.empty();
    String why =
        facts
            .ladders()
            .reasons()
            .getOrDefault(
                formula.family(),
                "this client enters " + formula.family().label() + " at rung " + rung);
    return Optional.of(
        gate("LADDER", "rung " + formula.rung() + ": " + why, "a full series below"));
  }

  static int ladderRung(Family family, SelectionFacts facts) {
    return facts
        .screening()
        .limits()
        .rung(facts.ladders().rungs().getOrDefault(family, facts.client().entryRung(family)));
  }

  private static List<Shut> downtime(Formula formula, DepthClass depth, SelectionFacts facts) {
    List<Shut> shut = new ArrayList<>();
    facts
        .flakingDaysThatFit()
        .filter(days -> formula.peelingLast() > days && days < 10)
        .ifPresent(days ->
            shut.add(
                gate(
                    "DOWNTIME",
                    "may flake to day "
                        + formula.peelingLast()
                        + "; "
                        + days
                        + " fit the client's life",
                    "more days without plans")));
    if (facts.event().isEmpty()) return shut;
    LocalDate event = facts.event().get();
    long days = ChronoUnit.DAYS.between(facts.client().peelDate(), event);
    if (days < 0) return shut;
    boolean first = facts.ladders().firstWith(formula.family());
    int needed = formula.peelingLast() + 2;
    if (first) {
      boolean superficial = depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
      needed = Math.max(needed, superficial ? 28 : 14);
    }
    if (days < needed) {
      shut.add(
          new Shut(
              "EVENT",
              Words.count(days, "day") + " before the event; " + needed + " are needed",
              Optional.of(event),
              "after the event"));
    }
    return shut;
  }

  private static Shut gate(String id, String words, String opens) {
    return new Shut(id, words, Optional.empty(), opens);
  }

  /// The family's rung that competes: the client's ladder rung, or the highest below it left open.
  private static Optional<Tile> candidate(Family family, List<Tile> tiles, SelectionFacts facts) {
    int rung = ladderRung(family, facts);
    return tiles.stream()
        .filter(tile -> tile.formula.family() == family && tile.open())
        .filter(tile -> tile.formula.rung() <= rung)
        .max(
            Comparator.<Tile>comparingInt(tile -> tile.formula.rung())
                .thenComparingDouble(tile -> tile.score.total()));
  }

  /// Best score first; within 3 points the running family, then the lower level, then less
  /// downtime.
  private static List<Tile> rank(List<Tile> candidates, Ladders ladders) {
    List<Tile> left =
        new ArrayList<>(
            candidates.stream()
                .sorted(Comparator.comparingDouble((Tile t) -> t.score.total()).reversed())
                .toList());
    List<Tile> ranked = new ArrayList<>();
    while (!left.isEmpty()) {
      double best = left.getFirst().score.total();
      Tile next =
          left.stream()
              .filter(tile -> tile.score.total() >= best - TIE)
              .min(
                  Comparator.comparing((Tile tile) ->
                          ladders.running().filter(tile.formula.family()::equals).isEmpty())
                      .thenComparingDouble(tile -> tile.score.level())
                      .thenComparingInt(tile -> tile.score.downtimeDays())
                      .thenComparing(
                          Comparator.comparingDouble((Tile tile) -> tile.score.total()).reversed()))
              .orElseThrow();
      ranked.add(next);
      left.remove(next);
    }
    return ranked;
  }

  private static Optional<String> advice(
      List<Tile> ranked, boolean nothingWished, SelectionFacts facts) {
    if (nothingWished) {
      return Optional.of("Nothing to treat was noted in Consult. Ask what the client wants.");
    }
    List<String> deep =
        Score.wishes(facts.client()).keySet().stream()
            .filter(condition -> !condition.peelHelps())
            .map(Condition::label)
            .toList();
    if (!deep.isEmpty()) {
      return Optional.of(
          "A peel alone does little for "
              + Words.list(deep)
              + ". Refer to a dermatologist for that part.");
    }
    if (ranked.isEmpty()) {
      return Optional.of(
          facts.screening().verdict().compareTo(Verdict.WAIT) >= 0
              ? "Nothing may be offered on this day: "
                  + facts.screening().findings().getFirst().said()
                  + "."
              : "No formula fits within the limits of this day. A calming or hydrating treatment"
                  + " without acid is open.");
    }
    boolean little =
        ranked.stream().mapToDouble(tile -> tile.score.benefit()).max().orElse(0) < LITTLE;
    return little
        ? Optional.of(
            "A peel alone does little for these goals. Refer to a dermatologist if they matter"
                + " most.")
        : Optional.empty();
  }

  /// Turns the numbers of a tile into its four sentences.
  private static final class Explanation {
    private Explanation() {}

    static Reasons of(Tile tile, List<Tile> tiles, SelectionFacts facts) {
      return new Reasons(
          fits(tile, facts), notWeaker(tile, tiles), notStronger(tile, tiles), watch(tile, facts));
    }

    private static String fits(Tile tile, SelectionFacts facts) {
      Oil oil = facts.client().skin().oil().orElse(Oil.BALANCED);
      List<String> served =
          Score.wishes(facts.client()).entrySet().stream()
              .sorted(Map.Entry.<Condition, Double>comparingByValue().reversed())
              .filter(wish -> Affinity.of(tile.formula.family(), wish.getKey(), oil) >= 2)
              .map(wish ->
                  wish.getKey().label()
                      + " "
                      + Math.max(1, facts.client().skin().severity(wish.getKey()))
                      + " of 3")
              .toList();
      return served.isEmpty()
          ? "Serves none of the goals well: benefit %.0f of 100.".formatted(tile.score.benefit())
          : "Works well on "
              + Words.list(served)
              + ". Benefit %.0f of 100.".formatted(tile.score.benefit());
    }

    private static String notWeaker(Tile tile, List<Tile> tiles) {
      return tiles.stream()
          .filter(other -> other.open() && other.score.level() < tile.score.level())
          .max(Comparator.comparingDouble(other -> other.score.benefit()))
          .map(other ->
              other.score.benefit() < tile.score.benefit()
                  ? "%s is milder and reaches %.0f of 100 for these goals."
                      .formatted(other.formula.code(), other.score.benefit())
                  : "%s is milder and reaches as much: consider it."
                      .formatted(other.formula.code()))
          .orElse("Nothing milder is open.");
    }

    private static String notStronger(Tile tile, List<Tile> tiles) {
      Optional<Tile> up =
          tiles.stream()
              .filter(other -> other.formula.family() == tile.formula.family())
              .filter(other -> other.formula.rung() > tile.formula.rung())
              .min(Comparator.comparingInt(other -> other.formula.rung()));
      if (up.isEmpty()) return "It is the top of its family.";
      Tile stronger = up.get();
      return stronger.open()
          ? "%s is open and scores %.0f against %.0f: the lowest strength that does the work."
              .formatted(stronger.formula.code(), stronger.score.total(), tile.score.total())
          : stronger.formula.code() + " is shut: " + stronger.shut.getFirst().words() + ".";
    }

    private static String watch(Tile tile, SelectionFacts facts) {
      List<String> watch = new ArrayList<>();
      switch (tile.formula.use()) {
        case SELF_LIMITING -> watch.add("White film is crystals until a damp swab says otherwise.");
        case COATS -> watch.add("Frost shows 30 s to 3 min after the coat. Wait before another.");
        case LAYERED -> watch.add("Each layer shows late. Let it settle before the next.");
        case TIMED -> watch.add("Any whitening while the acid is on ends it.");
        case OUT_OF_SCOPE -> {}
      }
      if (facts.client().darkerType()) {
        watch.add("Redness shows late on this skin: press and look for heat.");
      }
      if (facts.client().sensitive()) watch.add("Sensitive: lower lines, first look early.");
      watch.add("Nostril folds and mouth corners take it first.");
      return String.join(" ", watch);
    }
  }
}
