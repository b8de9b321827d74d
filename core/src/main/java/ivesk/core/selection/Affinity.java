package ivesk.core.selection;

import static ivesk.core.formula.Family.AZELAIC_MANDELIC;
import static ivesk.core.formula.Family.ENZYME;
import static ivesk.core.formula.Family.GLYCOLIC;
import static ivesk.core.formula.Family.JESSNER;
import static ivesk.core.formula.Family.LACTIC;
import static ivesk.core.formula.Family.MANDELIC;
import static ivesk.core.formula.Family.PHA;
import static ivesk.core.formula.Family.PYRUVIC;
import static ivesk.core.formula.Family.SALICYLIC;
import static ivesk.core.formula.Family.TCA;
import static ivesk.core.skin.Condition.*;

import ivesk.core.formula.Family;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/// How well a family serves a condition: 0 none, 1 some, 2 good, 3 first choice. After common
/// indications tables, common practice; Khunger 2008 for the acne, melasma and PIH rows, from
/// memory.
public final class Affinity {
  private Affinity() {}

  private static final List<Family> HEAD =
      List.of(
          PHA,
          ENZYME,
          LACTIC,
          MANDELIC,
          AZELAIC_MANDELIC,
          GLYCOLIC,
          SALICYLIC,
          JESSNER,
          PYRUVIC,
          TCA);

  private static final Map<Condition, Map<Family, Integer>> TABLE = new EnumMap<>(Condition.class);

  // spotless:off
  static {
    //                      PHA ENZ LAC MAN AZM GLY SAL JES PYR TCA
    row(COMEDONES,           0,  1,  1,  2,  2,  2,  3,  3,  2,  1);
    row(INFLAMED_SPOTS,      0,  0,  1,  3,  3,  1,  3,  2,  2,  1);
    row(SCARS_SHALLOW,       0,  0,  1,  1,  1,  2,  1,  2,  2,  3);
    row(PIH,                 1,  1,  2,  3,  3,  2,  3,  2,  1,  1);
    row(MELASMA,             0,  0,  2,  3,  3,  3,  2,  2,  1,  1);
    row(MELASMA_EPIDERMAL,   0,  0,  2,  3,  3,  3,  2,  2,  1,  1);
    row(MELASMA_MIXED,       0,  0,  2,  3,  3,  3,  2,  2,  1,  1);
    row(MELASMA_DERMAL,      0,  0,  1,  1,  1,  1,  1,  0,  0,  0);
    row(SUN_DAMAGE,          0,  0,  1,  1,  0,  3,  1,  2,  2,  3);
    row(FINE_LINES,          0,  0,  1,  1,  0,  3,  1,  1,  2,  3);
    row(DULLNESS,            1,  2,  2,  2,  1,  3,  1,  2,  2,  2);
    row(ROUGHNESS,           1,  1,  2,  2,  1,  3,  2,  2,  2,  2);
    row(PORES,               0,  1,  1,  2,  1,  2,  3,  2,  2,  1);
    row(ROSACEA_PAPULES,     2,  0,  2,  2,  3,  0,  0,  0,  0,  0);
    row(ROSACEA_FLUSHING,    2,  0,  2,  1,  2,  0,  0,  0,  0,  0);
    row(DRYNESS,             3,  1,  3,  1,  0,  1,  0,  0,  0,  0);
    row(KERATOSIS_PILARIS,   1,  0,  3,  1,  0,  3,  2,  0,  0,  1);
  }
  // spotless:on

  private static final Set<Family> LIKES_OIL = EnumSet.of(SALICYLIC, JESSNER, MANDELIC);
  private static final Set<Family> MINDS_DRYNESS = EnumSet.of(SALICYLIC, JESSNER, PYRUVIC);

  private static void row(Condition condition, int... grades) {
    Map<Family, Integer> row = new EnumMap<>(Family.class);
    for (int i = 0; i < HEAD.size(); i++) row.put(HEAD.get(i), grades[i]);
    TABLE.put(condition, row);
  }

  /// Where affinity is above 0, oily skin adds 0.5 to salicylic, Jessner and mandelic; dry skin
  /// takes 0.5 from salicylic, Jessner and pyruvic; kept within 0 to 3. A condition or family that
  /// the table does not have is 0.
  public static double of(Family family, Condition condition, Oil oil) {
    int grade = TABLE.getOrDefault(condition, Map.of()).getOrDefault(family, 0);
    if (grade == 0) return 0;
    double affinity = grade;
    if (oil == Oil.OILY && LIKES_OIL.contains(family)) affinity += 0.5;
    if (oil == Oil.DRY && MINDS_DRYNESS.contains(family)) affinity -= 0.5;
    return Math.clamp(affinity, 0, 3);
  }
}
