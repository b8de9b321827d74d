package ivesk.core.selection;

import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Clearing;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.screening.Screening.Shut;
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

  /// TCA coats in one visit, where the practice goes further and the clinician is present.
  private static final int FIVE_COATS = 5;

  /// Points within which the running family, the milder or the shorter one comes first.
  static final double TIE = 3;

  /// One formula on the rack.
  ///
  /// @param shut every reason it is shut; empty when open
  /// @param depthReasons the sentences that lead to its depth
  /// @param layers that would be planned today
  /// @param contact that would be planned today; empty for formulas without minutes
  /// @param dose over all layers
  /// @param competes this rung is its family's candidate for first place
  public record Tile(
      Formula formula,
      DepthClass depth,
      List<String> depthReasons,
      List<Shut> shut,
      Score score,
      int layers,
      Optional<Duration> contact,
      Strength freeAcid,
      Dose dose,
      boolean competes,
      Reasons reasons) {

    public boolean open() {
      return shut.isEmpty();
    }

    /// Made for where the peel is planned.
    public boolean here() {
      return shut.stream().noneMatch(reason -> reason.ruleId().equals(Gates.NOT_HERE));
    }

    private Tile explained(boolean best, Reasons why) {
      return new Tile(
          formula, depth, depthReasons, shut, score, layers, contact, freeAcid, dose, best, why);
    }
  }

  /// The why in its reading order.
  ///
  /// @param standing its place, or why it does not compete for the first; empty where nothing ranks
  public record Reasons(
      String fits, String standing, String notWeaker, String notStronger, String watch) {}

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
            .map(tile -> tile.explained(codes.contains(tile.formula.code()), explanation.of(tile)))
            .toList();
    return new Selection(explained, codes, Counsel.of(tiles, ranked, facts));
  }

  private static Tile tile(Formula formula, Map<Family, Double> benefits, SelectionFacts facts) {
    int layers = plannedLayers(formula, facts);
    Optional<Duration> contact = plannedContact(formula, facts);
    Depth.Reading depth = depth(formula, layers, facts);
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
        new Reasons("", "", "", "", ""));
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

  private static Depth.Reading depth(Formula formula, int layers, SelectionFacts facts) {
    Optional<Duration> contact = plannedContact(formula, facts).or(formula::firstContact);
    return facts
        .screening()
        .limits()
        .deepened(Depth.read(formula, contact, layers), formula, facts.client().region());
  }

  /// Contact time for today. A first visit, a gap of six months and a peel that was too strong or
  /// adverse take the formula's first time, after too strong at most three quarters of what it was;
  /// a well-taken peel one minute more than the last one with the formula (Ivesk's own default),
  /// one that was cut short calmly the time it had; never above its most; then the day's
  /// shortening.
  ///
  /// @return empty for formulas without minutes, and where it would fall under 60 s
  public static Optional<Duration> plannedContact(Formula formula, SelectionFacts facts) {
    if (formula.mostContact().isEmpty()) return Optional.empty();
    Duration least = formula.firstContact().orElseThrow();
    Duration most = formula.mostContact().get();
    Duration base = atMost(most, base(formula, least, facts));
    return facts.screening().limits().contact(base);
  }

  private static Duration base(Formula formula, Duration least, SelectionFacts facts) {
    boolean anew =
        facts.ladders().startsAnew(formula.family())
            || facts.screening().limits().belowLevel().isPresent();
    Duration byRule = last(formula, facts).map(last -> timeAfter(last, anew)).orElse(least);
    // What was signed for this time holds, but for a time that the rules shorten.
    return signedFor(formula, facts)
        .flatMap(PastPeel.NextTime::contact)
        .map(signed -> anew ? atMost(byRule, signed) : signed)
        .orElse(byRule);
  }

  /// Contact time after a peel with a formula that has minutes.
  ///
  /// @param anew as on a first visit: after a gap, or after one that was too strong or adverse
  public static Duration timeAfter(PastPeel last, boolean anew) {
    Duration least = last.formula().firstContact().orElseThrow();
    Duration then = last.contact();
    if (anew) {
      return last.outcome() == PeelOutcome.TOO_STRONG
          ? atMost(least, Duration.ofSeconds(then.toSeconds() * 3 / 4 / 5 * 5))
          : least;
    }
    Duration again = roundedUp(then).plusMinutes(last.wellTaken() ? 1 : 0);
    return again.compareTo(least) > 0 ? again : least;
  }

  private static Optional<PastPeel.NextTime> signedFor(Formula formula, SelectionFacts facts) {
    return facts.client().peelsHere().stream()
        .filter(peel -> peel.region() == facts.client().region())
        .max(Comparator.comparing(PastPeel::on))
        .flatMap(PastPeel::next)
        .filter(next -> next.formula().equals(formula.code()));
  }

  private static Duration atMost(Duration most, Duration time) {
    return time.compareTo(most) > 0 ? most : time;
  }

  private static Duration roundedUp(Duration contact) {
    return Duration.ofSeconds((contact.toSeconds() + 29) / 30 * 30);
  }

  /// Layers for today: as many as last time with this formula, else its first number, within the
  /// formula's, the practice's and the client's caps; never below 1. Jessner starts at one layer in
  /// IV to VI.
  public static int plannedLayers(Formula formula, SelectionFacts facts) {
    int byRule =
        facts
            .ladders()
            .lastLayers()
            .getOrDefault(
                formula.code(),
                formula.family() == Family.JESSNER && facts.client().darkerType()
                    ? 1
                    : formula.layersFirst());
    int most = facts.ladders().startsAnew(formula.family()) ? byRule : byRule + 1;
    int wanted =
        signedFor(formula, facts).map(next -> Math.min(next.layers(), most)).orElse(byRule);
    return facts.screening().limits().layers(Math.min(wanted, cap(formula, facts)));
  }

  /// The most for today: one more than last time, never more on a first visit, and only as far as
  /// the deeper plan stays open.
  public static int mostLayers(Formula formula, SelectionFacts facts) {
    int planned = plannedLayers(formula, facts);
    if (facts.ladders().startsAnew(formula.family())
        || !facts.ladders().lastLayers().containsKey(formula.code())) {
      return planned;
    }
    int more = facts.screening().limits().layers(Math.min(planned + 1, cap(formula, facts)));
    if (more <= planned) return planned;
    DepthClass depth = depth(formula, more, facts).depth();
    return Gates.of(formula, depth, plannedContact(formula, facts), more, facts).isEmpty()
        ? more
        : planned;
  }

  /// How many ranked formulas are open.
  static long countOpen(SelectionFacts facts) {
    return facts.client().shelf().formulas().stream()
        .filter(formula -> formula.family().ranked() && formula.peels())
        .filter(formula -> open(formula, facts))
        .count();
  }

  private static boolean open(Formula formula, SelectionFacts facts) {
    int layers = plannedLayers(formula, facts);
    Optional<Duration> contact = plannedContact(formula, facts);
    DepthClass depth = depth(formula, layers, facts).depth();
    return Gates.of(formula, depth, contact, layers, facts).isEmpty();
  }

  /// The open formula at a rung that this client may take today; empty where there is none.
  public static Optional<Formula> openRung(Family family, int rung, SelectionFacts facts) {
    return facts.client().shelf().formulas().stream()
        .filter(formula -> formula.family() == family && formula.rung() == rung)
        .filter(formula -> open(formula, facts))
        .findFirst();
  }

  /// What formula and practice allow in one visit.
  static int cap(Formula formula, SelectionFacts facts) {
    Policies policies = facts.client().policies();
    boolean secondPass =
        Library.secondPassByPolicy(formula)
            && policies.chose(Policies.Choice.SECOND_SALICYLIC_PASS)
            && last(formula, facts).filter(PastPeel::wellTaken).isPresent();
    return Math.max(secondPass ? 2 : 1, cap(formula, policies));
  }

  /// What formula and practice allow in one visit, whoever the client is.
  public static int cap(Formula formula, Policies policies) {
    if (formula.family() == Family.TCA) return coats(formula, policies);
    if (formula.family() != Family.JESSNER) return formula.layersMost();
    // The policy goes past the library's own number; a label's cap is never passed.
    return formula.label().version() > 0
        ? Math.min(formula.layersMost(), policies.jessnerLayers())
        : policies.jessnerLayers();
  }

  /// A formula that takes fewer coats than is usual keeps its own number, and so does a label.
  private static int coats(Formula formula, Policies policies) {
    boolean more =
        policies.chose(Policies.Choice.FIVE_TCA_COATS)
            && formula.label().version() == 0
            && formula.layersMost() == Policies.TCA_COATS;
    return more ? FIVE_COATS : formula.layersMost();
  }

  private static Optional<PastPeel> last(Formula formula, SelectionFacts facts) {
    return facts.client().peelsHere().stream()
        .filter(peel -> peel.formula().code().equals(formula.code()))
        .filter(peel -> peel.region() == facts.client().region())
        .max(Comparator.comparing(PastPeel::on));
  }

  /// The family's rung that competes: the client's ladder rung, or the highest below it left open.
  /// A family that does nothing for the goals has none.
  private static Optional<Tile> candidate(Family family, List<Tile> tiles, SelectionFacts facts) {
    int rung = Gates.rung(family, facts);
    return tiles.stream()
        .filter(tile -> tile.formula.family() == family && tile.open())
        .filter(tile -> tile.score.benefit() > 0)
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
}
