package ivesk.core.selection;

import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.practice.Policies;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import java.time.Duration;
import java.util.Comparator;
import java.util.Optional;

/// How long, how many layers and how deep today.
public final class Amounts {
  /// TCA coats in one visit, where the practice goes further and the clinician is present.
  private static final int FIVE_COATS = 5;

  private Amounts() {}

  static Depth.Reading depth(Formula formula, int layers, SelectionFacts facts) {
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
}
