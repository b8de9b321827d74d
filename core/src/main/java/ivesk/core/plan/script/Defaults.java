package ivesk.core.plan.script;

import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.BaseIn;
import ivesk.core.product.CareProduct;
import java.util.Set;

/// What the practice does unless a line says otherwise, by its policies.
public final class Defaults {
  private Defaults() {}

  /// What ends by itself, or is left on: no water and no product for the policy's hours.
  public static boolean staysAsItIs(Formula formula, Setting setting) {
    return formula.ending() == Formula.Ending.SELF_LIMITING
        || TakeOff.leftOn(formula, setting.policies());
  }

  /// What covers the eyes, by policy; never shields over a closed-in feeling.
  public static Act eyes(Policies policies, Set<Comfort> comfort) {
    if (policies.chose(Choice.EYE_SHIELDS) && !comfort.contains(Comfort.CLOSED_IN)) {
      return Act.EYE_SHIELDS;
    }
    return policies.chose(Choice.TRIMMED_EYE_PADS) ? Act.TRIMMED_EYE_PADS : Act.EYE_PADS;
  }

  /// The practice's neutraliser, by policy bicarbonate or an amino acid.
  public static CareProduct neutraliser(Setting setting) {
    boolean amino = setting.policies().chose(Choice.AMINO_ACID_NEUTRALISER);
    return setting.catalogue().products().stream()
        .filter(product -> product.base().isPresent())
        .filter(product -> {
          BaseIn.Kind kind = product.base().get().kind();
          return amino
              ? kind == BaseIn.Kind.ARGININE || kind == BaseIn.Kind.OTHER_AMINO_ACID
              : kind == BaseIn.Kind.BICARBONATE;
        })
        .findFirst()
        .orElseThrow();
  }
}
