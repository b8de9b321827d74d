package ivesk.core.selection;

import ivesk.core.formula.Depth;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.skin.Condition;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// The rack for one client and day: every formula open or shut with its reasons, what is open
/// ranked, and the first choice as a sentence.
///
/// @param tiles in the order of the library
/// @param ranked codes of those that compete, best first; one rung a family
/// @param advice what to say when nothing ranks or a peel alone does little
public record Selection(List<Tile> tiles, List<String> ranked, Optional<Counsel> advice) {
  /// Id of the reason that keeps an add-on from being chosen alone.
  public static final String ADD_ON = "ADD-ON";

  public Optional<String> first() {
    return ranked.stream().findFirst();
  }

  public Tile tile(String code) {
    return tiles.stream()
        .filter(tile -> tile.formula().code().equals(code))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("no formula '" + code + "' on the rack"));
  }

  /// Reasons that no consent, day or step in the practice lifts for this visit.
  private static final Set<Clearing> NOT_THIS_TIME =
      EnumSet.of(
          Clearing.NONE,
          Clearing.NOTHING_TODAY,
          Clearing.PHYSICIAN,
          Clearing.CLEARANCE,
          Clearing.CLINICIANS_REASON,
          Clearing.SIX_MONTHS,
          Clearing.STOPPED_AND_SIX_MONTHS,
          Clearing.WIDER_LICENCE,
          Clearing.CLINICIAN_OPENS,
          Clearing.POLICY,
          Clearing.MILDER_PEELS,
          Clearing.OTHER_REGION,
          Clearing.EYE_FORMULA);

  /// The families whose consent is asked for: those that may be used for this client. The others
  /// can be signed for by hand.
  public Set<Family> toConsent() {
    return tiles.stream()
        .filter(tile ->
            tile.shut().stream().noneMatch(reason -> NOT_THIS_TIME.contains(reason.opens())))
        .map(tile -> tile.formula().family().coveredBy())
        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Family.class)));
  }

  public static Selection choose(SelectionFacts facts) {
    List<Tile> tiles = new ArrayList<>();
    Map<Condition, Double> wishes = Score.wishes(facts.client());
    Map<Family, Double> benefits = Score.benefits(facts.client(), wishes);
    for (Formula formula : facts.client().shelf().formulas()) {
      tiles.add(tile(formula, benefits, facts));
    }
    List<Tile> candidates =
        Arrays.stream(Family.values())
            .filter(Family::ranked)
            .flatMap(family -> candidate(family, tiles, facts).stream())
            .toList();
    List<Tile> ranked = wishes.isEmpty() ? List.of() : rank(candidates, facts.ladders());
    List<String> codes = ranked.stream().map(tile -> tile.formula().code()).toList();
    Explanation explanation = new Explanation(tiles, ranked, wishes, facts);
    List<Tile> explained =
        tiles.stream()
            .map(
                tile -> tile.explained(codes.contains(tile.formula().code()), explanation.of(tile)))
            .toList();
    return new Selection(explained, codes, Counsel.of(tiles, ranked, facts));
  }

  private static Tile tile(Formula formula, Map<Family, Double> benefits, SelectionFacts facts) {
    int layers = Amounts.plannedLayers(formula, facts);
    Optional<Duration> contact = Amounts.plannedContact(formula, facts);
    Depth.Reading depth = Amounts.depth(formula, layers, facts);
    return new Tile(
        formula,
        depth.depth(),
        depth.reasons(),
        alone(formula, Gates.of(formula, depth.depth(), contact, layers, facts)),
        Score.of(formula, depth.depth(), benefits, facts.client(), facts.ladders()),
        layers,
        contact,
        FreeAcid.of(formula),
        Dose.of(formula.strength(), Dose.layer(facts.area()), facts.area()).times(layers),
        false,
        new Tile.Reasons("", "", "", "", ""));
  }

  /// What goes on after an acid is no peel of its own: it is chosen in Plan, behind one.
  private static List<Shut> alone(Formula formula, List<Shut> gates) {
    if (formula.use() != Formula.Use.STAYS) return gates;
    List<Shut> shut = new ArrayList<>(gates);
    shut.add(
        Gates.gate(
            ADD_ON, "goes on after an acid: it is no peel of its own", Clearing.ACID_BEFORE_IT));
    return List.copyOf(shut);
  }

  /// The family's rung that competes: the client's ladder rung, or the highest below it left open.
  /// A family that does nothing for the goals has none.
  private static Optional<Tile> candidate(Family family, List<Tile> tiles, SelectionFacts facts) {
    int rung = Gates.rung(family, facts);
    return tiles.stream()
        .filter(tile -> tile.formula().family() == family && tile.open())
        .filter(tile -> tile.score().benefit() > 0)
        .filter(tile -> tile.formula().rung() <= rung)
        .max(
            Comparator.<Tile>comparingInt(tile -> tile.formula().rung())
                .thenComparingDouble(tile -> tile.score().total()));
  }

  /// Best score first; within 3 points the running family, then the lower level, then less
  /// downtime.
  private static List<Tile> rank(List<Tile> candidates, Ladders ladders) {
    List<Tile> left =
        new ArrayList<>(
            candidates.stream()
                .sorted(Comparator.comparingDouble((Tile t) -> t.score().total()).reversed())
                .toList());
    List<Tile> ranked = new ArrayList<>();
    while (!left.isEmpty()) {
      double best = left.getFirst().score().total();
      Tile next =
          left.stream()
              .filter(tile -> tile.score().total() >= best - Score.TIE)
              .min(
                  Comparator.comparing((Tile tile) ->
                          ladders.running().filter(tile.formula().family()::equals).isEmpty())
                      .thenComparingDouble(tile -> tile.score().level())
                      .thenComparingInt(tile -> tile.score().downtimeDays())
                      .thenComparing(
                          Comparator.comparingDouble((Tile tile) -> tile.score().total())
                              .reversed()))
              .orElseThrow();
      ranked.add(next);
      left.remove(next);
    }
    return ranked;
  }
}
