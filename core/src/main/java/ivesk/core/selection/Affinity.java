package ivesk.core.selection;

import static java.util.Map.entry;

import ivesk.core.formula.Family;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import java.util.Map;

/// How well a family serves a condition: 0 none, 1 some, 2 good, 3 first choice. After common
/// indications tables, common practice; Khunger 2008 for the acne, melasma and PIH rows, from
/// memory.
public final class Affinity {
  private Affinity() {}

  // PHA, enzyme, lactic, mandelic, azelaic-mandelic, glycolic, salicylic, Jessner, pyruvic, TCA
  private static final Map<Condition, int[]> TABLE =
      Map.ofEntries(
          entry(Condition.COMEDONES, new int[] {0, 1, 1, 2, 2, 2, 3, 3, 2, 1}),
          entry(Condition.INFLAMED_SPOTS, new int[] {0, 0, 1, 3, 3, 1, 3, 2, 2, 1}),
          entry(Condition.SCARS_SHALLOW, new int[] {0, 0, 1, 1, 1, 2, 1, 2, 2, 3}),
          entry(Condition.PIH, new int[] {1, 1, 2, 3, 3, 2, 3, 2, 1, 1}),
          entry(Condition.MELASMA, new int[] {0, 0, 2, 3, 3, 3, 2, 2, 1, 1}),
          entry(Condition.MELASMA_EPIDERMAL, new int[] {0, 0, 2, 3, 3, 3, 2, 2, 1, 1}),
          entry(Condition.MELASMA_MIXED, new int[] {0, 0, 2, 3, 3, 3, 2, 2, 1, 1}),
          entry(Condition.MELASMA_DERMAL, new int[] {0, 0, 1, 1, 1, 1, 1, 0, 0, 0}),
          entry(Condition.SUN_DAMAGE, new int[] {0, 0, 1, 1, 0, 3, 1, 2, 2, 3}),
          entry(Condition.FINE_LINES, new int[] {0, 0, 1, 1, 0, 3, 1, 1, 2, 3}),
          entry(Condition.DULLNESS, new int[] {1, 2, 2, 2, 1, 3, 1, 2, 2, 2}),
          entry(Condition.ROUGHNESS, new int[] {1, 1, 2, 2, 1, 3, 2, 2, 2, 2}),
          entry(Condition.PORES, new int[] {0, 1, 1, 2, 1, 2, 3, 2, 2, 1}),
          entry(Condition.ROSACEA_PAPULES, new int[] {2, 0, 2, 2, 3, 0, 0, 0, 0, 0}),
          entry(Condition.ROSACEA_FLUSHING, new int[] {2, 0, 2, 1, 2, 0, 0, 0, 0, 0}),
          entry(Condition.DRYNESS, new int[] {3, 1, 3, 1, 0, 1, 0, 0, 0, 0}),
          entry(Condition.KERATOSIS_PILARIS, new int[] {1, 0, 3, 1, 0, 3, 2, 0, 0, 1}));

  /// Where affinity is above 0, oily skin adds 0.5 to salicylic, Jessner and mandelic; dry skin
  /// takes 0.5 from salicylic, Jessner and pyruvic; kept within 0 to 3.
  public static double of(Family family, Condition condition, Oil oil) {
    int[] row = TABLE.get(condition);
    if (row == null || !family.ranked() || row[family.ordinal()] == 0) return 0;
    double affinity = row[family.ordinal()];
    if (oil == Oil.OILY
        && (family == Family.SALICYLIC || family == Family.JESSNER || family == Family.MANDELIC)) {
      affinity += 0.5;
    }
    if (oil == Oil.DRY
        && (family == Family.SALICYLIC || family == Family.JESSNER || family == Family.PYRUVIC)) {
      affinity -= 0.5;
    }
    return Math.clamp(affinity, 0, 3);
  }
}
