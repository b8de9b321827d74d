package ivesk.core.formula;

import static ivesk.core.formula.DepthClass.SUPERFICIAL;

import ivesk.core.formula.Formula.Ending;
import ivesk.core.formula.Formula.Vehicle;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The formulas that ship with Ivesk, family by family, rungs upward; those chosen by hand last.
/// Every number is Ivesk's own default within published and common ranges; the label of the product
/// in the hand comes before it.
public final class Library {
  private Library() {}

  public static final List<Formula> FORMULAS =
      List.of(
          formula("PHA-15", "Gluconolactone 15 % gel", Family.PHA, 1)
              .on("F N H")
              .entry()
              .of(Substance.GLUCONOLACTONE, 15)
              .ph(3.2, Vehicle.GEL)
              .timed(5, 10)
              .feels(0, 2)
              .ends(Ending.RINSE)
              .then(7, 6, 6, 0, 0),
          formula("ENZ-P", "Papaya and pineapple mask", Family.ENZYME, 1)
              .on("F N")
              .entry()
              .of(Substance.PAPAYA, 0)
              .of(Substance.PINEAPPLE, 0)
              .ph(5.5, Vehicle.CREAM_MASK)
              .timed(8, 12)
              .feels(0, 2)
              .ends(Ending.RINSE)
              .then(7, 6, 6, 0, 0),
          formula("ENZ-A", "Fig enzyme mask, warming", Family.ENZYME, 2)
              .of(Substance.FIG, 0)
              .of(Substance.GLYCOLIC, 10)
              .warms()
              .ph(3.2, Vehicle.CREAM_MASK)
              .timed(5, 10)
              .feelsThenFalls(3, 6)
              .ends(Ending.DAMP_PADS)
              .then(14, 6, 6, 1, 2),
          formula("LAC-10", "Lactic acid 10 % gel", Family.LACTIC, 1)
              .on("F N H B")
              .of(Substance.LACTIC, 10)
              .ph(3.2, Vehicle.GEL)
              .timed(2, 5)
              .feels(0, 2)
              .ends(Ending.RINSE)
              .then(7, 6, 6, 0, 0),
          formula("LAC-30", "Lactic acid 30 % gel", Family.LACTIC, 2)
              .on("F N H B")
              .entry()
              .of(Substance.LACTIC, 30)
              .ph(3.0, Vehicle.GEL)
              .timed(2, 7)
              .feels(1, 3, 120, false)
              .ends(Ending.NEUTRALISE)
              .then(7, 6, 6, 0, 0),
          formula("LAC-50", "Lactic acid 50 %", Family.LACTIC, 3)
              .of(Substance.LACTIC, 50)
              .ph(2.2, Vehicle.LIQUID)
              .timed(2, 5)
              .feels(2, 4, 120, false)
              .ends(Ending.NEUTRALISE)
              .then(10, 6, 6, 1, 1),
          formula("MAN-20", "Mandelic acid 20 % gel", Family.MANDELIC, 1)
              .on("F N")
              .entry()
              .of(Substance.MANDELIC, 20)
              .ph(2.6, Vehicle.GEL)
              .timed(3, 10)
              .feels(1, 3, 240, false)
              .ends(Ending.LIFT_THEN_NEUTRALISE)
              .then(7, 6, 8, 1, 2),
          formula("MAN-40", "Mandelic acid 40 % gel", Family.MANDELIC, 2)
              .of(Substance.MANDELIC, 40)
              .ph(2.2, Vehicle.GEL)
              .timed(3, 8)
              .feels(2, 5, 300, false)
              .depth(SUPERFICIAL)
              .ends(Ending.LIFT_THEN_NEUTRALISE)
              .then(14, 6, 8, 2, 4),
          formula("AZM-15", "Azelaic 15 %, mandelic 15 % gel", Family.AZELAIC_MANDELIC, 1)
              .entry()
              .of(Substance.AZELAIC, 15)
              .of(Substance.MANDELIC, 15)
              .ph(2.8, Vehicle.GEL)
              .timed(3, 8)
              .feels(2, 5)
              .ends(Ending.LIFT_THEN_NEUTRALISE)
              .then(14, 6, 6, 1, 2),
          formula("GLY-20", "Glycolic acid 20 % gel", Family.GLYCOLIC, 1)
              .on("F N H B")
              .entry()
              .of(Substance.GLYCOLIC, 20)
              .ph(3.0, Vehicle.GEL)
              .timed(2, 5)
              .feels(1, 3, 120, false)
              .ends(Ending.NEUTRALISE)
              .then(7, 6, 8, 0, 0),
          formula("GLY-35", "Glycolic acid 35 % gel", Family.GLYCOLIC, 2)
              .on("F B")
              .of(Substance.GLYCOLIC, 35)
              .ph(2.5, Vehicle.GEL)
              .timed(2, 4)
              .feels(2, 5, 120, false)
              .depth(SUPERFICIAL)
              .ends(Ending.NEUTRALISE)
              .then(14, 6, 8, 1, 2),
          formula("GLY-50", "Glycolic acid 50 %", Family.GLYCOLIC, 3)
              .of(Substance.GLYCOLIC, 50)
              .ph(2.0, Vehicle.LIQUID)
              .timed(1, 3)
              .feels(3, 6, 60, false)
              .depth(SUPERFICIAL)
              .ends(Ending.NEUTRALISE)
              .then(14, 6, 8, 2, 5),
          formula("GLY-70", "Glycolic acid 70 %", Family.GLYCOLIC, 4)
              .of(Substance.GLYCOLIC, 70)
              .ph(1.5, Vehicle.LIQUID)
              .outOfScope(),
          formula("SAL-10", "Salicylic acid 10 %", Family.SALICYLIC, 1)
              .on("F B")
              .entry()
              .of(Substance.SALICYLIC, 10)
              .ph(2.6, Vehicle.HYDROALCOHOLIC)
              .selfLimiting(3, 5)
              .feels(3, 6, 120, true)
              .ends(Ending.COOL_RINSE)
              .then(7, 6, 6, 1, 2),
          formula("SAL-20", "Salicylic acid 20 %", Family.SALICYLIC, 2)
              .on("F B")
              .of(Substance.SALICYLIC, 20)
              .ph(2.2, Vehicle.HYDROALCOHOLIC)
              .selfLimiting(3, 5)
              .feels(5, 7, 120, true)
              .depth(SUPERFICIAL)
              .ends(Ending.COOL_RINSE)
              .then(14, 6, 6, 2, 5),
          formula("SLA-15", "Salicylic 15 %, lactic 15 %", Family.SALICYLIC, 2)
              .of(Substance.SALICYLIC, 15)
              .of(Substance.LACTIC, 15)
              .ph(2.2, Vehicle.HYDROALCOHOLIC)
              .layered(4, 6, 1, 2, 2)
              .feelsThenFalls(4, 7)
              .depth(SUPERFICIAL)
              .ends(Ending.COOL_RINSE)
              .then(21, 3, 6, 2, 5),
          formula("SAL-30", "Salicylic acid 30 %", Family.SALICYLIC, 3)
              .of(Substance.SALICYLIC, 30)
              .ph(2.0, Vehicle.HYDROALCOHOLIC)
              .selfLimiting(3, 5)
              .feels(6, 8, 120, true)
              .depth(SUPERFICIAL)
              .ends(Ending.COOL_RINSE)
              .then(28, 4, 6, 3, 6),
          // The classic names its lactic as 85 %: 14 g of it hold 11.9 g, which the sums use.
          formula("JES", "Jessner, classic", Family.JESSNER, 1)
              .entry()
              .of(Substance.RESORCINOL, 14)
              .of(Substance.SALICYLIC, 14)
              .of(Substance.LACTIC, 11.9)
              .ph(2.0, Vehicle.ALCOHOL)
              .layeredFreely(2, 4, 3)
              .feelsThenFalls(3, 6)
              .ends(Ending.SELF_LIMITING)
              .then(14, 6, 6, 3, 9),
          formula("JES-RF", "Jessner without resorcinol", Family.JESSNER, 1)
              .entry()
              .of(Substance.LACTIC, 17)
              .of(Substance.SALICYLIC, 17)
              .of(Substance.CITRIC, 8)
              .ph(2.0, Vehicle.ALCOHOL)
              .layeredFreely(2, 4, 3)
              .feelsThenFalls(3, 6)
              .ends(Ending.SELF_LIMITING)
              .then(14, 6, 6, 3, 9),
          formula("PYR-40", "Pyruvic acid 40 %", Family.PYRUVIC, 1)
              .entry()
              .of(Substance.PYRUVIC, 40)
              .ph(1.8, Vehicle.ALCOHOL)
              .timed(1, 3)
              .feels(4, 6, 60, false)
              .depth(SUPERFICIAL)
              .ends(Ending.NEUTRALISE)
              .then(21, 4, 6, 3, 6),
          formula("TCA-10", "Trichloroacetic acid 10 %", Family.TCA, 1)
              .entry()
              .of(Substance.TCA, 10)
              .ph(0.6, Vehicle.WATER)
              .coats(1, 3, 3)
              .feels(4, 7, 60, true)
              .ends(Ending.FROST_IS_THE_END)
              .then(21, 4, 6, 3, 9),
          formula("TCA-15", "Trichloroacetic acid 15 %", Family.TCA, 2)
              .of(Substance.TCA, 15)
              .ph(0.5, Vehicle.WATER)
              .coats(1, 3, 3)
              .feels(5, 8, 60, true)
              .depth(SUPERFICIAL)
              .ends(Ending.FROST_IS_THE_END)
              .then(28, 4, 6, 3, 10),
          formula("TCA-20", "Trichloroacetic acid 20 %", Family.TCA, 3)
              .of(Substance.TCA, 20)
              .ph(0.4, Vehicle.WATER)
              .coats(1, 2, 3)
              .feels(5, 8, 60, true)
              .depth(SUPERFICIAL)
              .ends(Ending.FROST_IS_THE_END)
              .then(42, 4, 6, 3, 11),
          formula("TCA-35", "Trichloroacetic acid 35 %", Family.TCA, 4)
              .of(Substance.TCA, 35)
              .ph(0.2, Vehicle.WATER)
              .outOfScope(),
          formula("RES-20", "Resorcinol paste 20 %", Family.RESORCINOL, 1)
              .entry()
              .of(Substance.RESORCINOL, 20)
              .in(Vehicle.PASTE)
              .timed(5, 10)
              .feels(1, 4)
              .ends(Ending.WIPE_THEN_COOL_RINSE)
              .then(21, 4, 4, 3, 6),
          formula("LWC-8", "Long-wear cream, lactic 8 %, gluconolactone 4 %", Family.LONG_WEAR, 1)
              .entry()
              .on("F N")
              .of(Substance.LACTIC, 8)
              .of(Substance.GLUCONOLACTONE, 4)
              .ph(3.6, Vehicle.CREAM)
              .timed(60, 75)
              .atLeast(45)
              .feels(1, 4, 600, false)
              .ends(Ending.RINSE)
              .then(14, 6, 6, 1, 3),
          formula("SPOT-S", "Salicylic acid 20 % for single closed spots", Family.SPOT, 1)
              .entry()
              .of(Substance.SALICYLIC, 20)
              .ph(2.2, Vehicle.HYDROALCOHOLIC)
              .timed(3, 5)
              .measured("a bud, on the spot only")
              .feels(2, 5)
              .ends(Ending.COOL_RINSE)
              .then(7, 0, 0, 1, 2),
          formula("EYE-L", "Lactic acid 20 % gel for the eye contour", Family.EYE, 1)
              .entry()
              .on("E")
              .of(Substance.LACTIC, 20)
              .ph(3.0, Vehicle.GEL)
              .timedLayers(2, 4, 1, 2, 2)
              .feels(0, 3)
              .ends(Ending.COOL_PADS)
              .then(14, 6, 6, 1, 2),
          // It adds its two or three days of flaking to those of the acid before it.
          formula("RET-1", "Retinol lotion 1 %", Family.RETINOID, 1)
              .entry()
              .of(Substance.RETINOL, 1)
              .in(Vehicle.LOTION)
              .stays(6)
              .feels(0, 2)
              .ends(Ending.RINSE)
              .then(14, 0, 0, 2, 3));

  private static final Map<Family, Integer> ENTRY_RUNGS =
      FORMULAS.stream()
          .filter(Formula::entry)
          .collect(Collectors.toUnmodifiableMap(Formula::family, Formula::rung, Math::min));

  /// Where a client starts with a family of which there is no record.
  public static int entryRung(Family family) {
    return ENTRY_RUNGS.getOrDefault(family, 1);
  }

  public static Optional<Formula> find(String code) {
    return FORMULAS.stream().filter(formula -> formula.code().equals(code)).findFirst();
  }

  /// @throws IllegalArgumentException when no formula has the code
  public static Formula get(String code) {
    return find(code)
        .orElseThrow(
            () -> new IllegalArgumentException("formula '" + code + "' is not in the library"));
  }

  /// Whether a practice's policy may allow a second pass after one uneventful visit, within the
  /// phototype's cap. A practice's own product goes by its label.
  public static boolean secondPassByPolicy(Formula formula) {
    return formula.code().equals("SAL-20");
  }

  public static List<Formula> of(Family family) {
    return FORMULAS.stream().filter(formula -> formula.family() == family).toList();
  }

  /// Whether an acid that it holds besides that of its own family is as strong as a rung above
  /// where a client enters that acid's family.
  ///
  /// @param entry rung at which the client enters a family
  public static boolean asStrongAsAbove(Formula formula, ToIntFunction<Family> entry) {
    if (formula.jessner()) return false;
    return formula.components().stream()
        .anyMatch(part ->
            Contents.familyOf(part.substance()).stream()
                .filter(family -> family != formula.family())
                .flatMap(family ->
                    of(family).stream()
                        .filter(rung -> rung.peels() && rung.contains(part.substance()))
                        .filter(rung -> rung.rung() > entry.applyAsInt(family)))
                .anyMatch(rung -> !rung.strengthOf(part.substance()).above(part.strength())));
  }

  /// The strength of an acid so many rungs below the one that a strength reaches; none where there
  /// is no such rung.
  public static Strength rungsBelow(Substance acid, Strength strength, int rungs) {
    int reached =
        alone(acid)
            .filter(rung -> !rung.strengthOf(acid).above(strength))
            .mapToInt(Formula::rung)
            .max()
            .orElse(1);
    return alone(acid)
        .filter(rung -> rung.rung() == reached - rungs)
        .map(rung -> rung.strengthOf(acid))
        .reduce((one, other) -> other.above(one) ? other : one)
        .orElse(Strength.NONE);
  }

  /// Peels of one acid and nothing else, of its own family.
  private static Stream<Formula> alone(Substance acid) {
    return FORMULAS.stream()
        .filter(formula -> formula.peels() && formula.components().size() == 1)
        .filter(formula -> formula.contains(acid))
        .filter(formula -> Contents.familyOf(acid).filter(formula.family()::equals).isPresent());
  }

  private static Row formula(String code, String name, Family family, int rung) {
    return new Row(code, name, family, rung);
  }
}
