package ivesk.core.plan.compose;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import java.util.ArrayList;
import java.util.List;

/// How far a peel of the face goes below, and fades: never a hard stop. Common practice, no source.
public enum Edge {
  ABOVE_THE_JAW("fades above the jaw"),
  HIGH_ON_THE_NECK("fades high on the neck"),
  BELOW_THE_JAW("fades below the jaw"),
  UPPER_NECK("what is left goes onto the upper neck, and fades there");

  private final String label;

  Edge(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /// Where it may fade, the usual one first; none but on the face. Resorcinol stays above the jaw;
  /// phototype III to VI, or marks that stayed before, keep the edge high: a line can last weeks.
  /// The upper neck is thin skin: by policy only, and never with what the neck may not have.
  ///
  /// @param marksStay marks after inflammation before
  public static List<Edge> open(
      Formula formula, Region region, Phototype phototype, boolean marksStay, Policies policies) {
    if (region != Region.FACE) return List.of();
    if (formula.contains(Substance.RESORCINOL)) return List.of(ABOVE_THE_JAW);
    List<Edge> open = new ArrayList<>();
    boolean high = marksStay || phototype.compareTo(Phototype.III) >= 0;
    open.add(high ? HIGH_ON_THE_NECK : BELOW_THE_JAW);
    if (!high) open.add(HIGH_ON_THE_NECK);
    open.add(ABOVE_THE_JAW);
    if (policies.chose(Choice.LEFTOVER_ON_UPPER_NECK)
        && formula.label().regions().contains(Region.NECK_DECOLLETAGE)) {
      open.addFirst(UPPER_NECK);
    }
    return List.copyOf(open);
  }
}
