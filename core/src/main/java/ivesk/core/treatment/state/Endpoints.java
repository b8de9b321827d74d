package ivesk.core.treatment.state;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Whitening;
import java.util.Collection;
import java.util.Optional;

/// Which whitening is the planned endpoint and which ends a peel, by formula. Common practice;
/// frost levels after Rubin 1995, from memory.
public final class Endpoints {
  private static final double HALF = 0.5 - 1e-9;

  private Endpoints() {}

  /// The least whitening that ends the peel.
  public static Whitening ending(TreatmentPlan plan) {
    return switch (plan.formula().frost()) {
      case PLANNED, BY_POLICY ->
          plan.phototype().atLeast(Phototype.IV) ? Whitening.F1 : Whitening.F2;
      // Any whitening at all, but for crystals of salicylic.
      case INJURY -> plan.formula().mayCrystallise() ? Whitening.F1 : Whitening.CRYSTALS;
    };
  }

  /// The whitening that is aimed for; empty where time and layers alone plan the end.
  public static Optional<Whitening> planned(TreatmentPlan plan) {
    return switch (plan.formula().frost()) {
      case PLANNED -> Optional.of(Whitening.F1);
      case BY_POLICY -> plan.firstFrostEnds() ? Optional.of(Whitening.F1) : Optional.empty();
      case INJURY -> Optional.empty();
    };
  }

  /// Frost while the acid is on is injury starting: the row of the timed AHAs and of pyruvic acid,
  /// for every formula that contains one of them.
  public static boolean whiteIsInjury(TreatmentPlan plan) {
    Formula formula = plan.formula();
    if (formula.use() != Formula.Use.TIMED) return false;
    return switch (formula.family()) {
      case PHA, ENZYME, LONG_WEAR, SPOT, EYE, RETINOID -> false;
      case LACTIC,
          MANDELIC,
          AZELAIC_MANDELIC,
          GLYCOLIC,
          PYRUVIC,
          SALICYLIC,
          JESSNER,
          TCA,
          RESORCINOL ->
          formula.families().stream().anyMatch(Endpoints::ahaOrPyruvic);
    };
  }

  private static boolean ahaOrPyruvic(Family family) {
    return switch (family) {
      case LACTIC, MANDELIC, AZELAIC_MANDELIC, GLYCOLIC, PYRUVIC -> true;
      case PHA, ENZYME, SALICYLIC, JESSNER, TCA, RESORCINOL, LONG_WEAR, SPOT, EYE, RETINOID ->
          false;
    };
  }

  /// Ending whitening in a zone. White that may be crystals counts only after the wipe test.
  public static boolean ends(TreatmentPlan plan, ZoneState zone) {
    return !zone.wipeOwed() && zone.whitening().atLeast(ending(plan));
  }

  /// By area, not by number of zones.
  public static boolean halfOrMore(Collection<Zone> some, Collection<Zone> all) {
    double whole = area(all);
    return whole > 0 && area(some) / whole >= HALF;
  }

  private static double area(Collection<Zone> zones) {
    return zones.stream().mapToDouble(Zone::share).sum();
  }
}
