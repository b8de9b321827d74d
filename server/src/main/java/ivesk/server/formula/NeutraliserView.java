package ivesk.server.formula;

import ivesk.core.formula.Neutraliser;

/// A neutraliser on the wire.
///
/// @param baseG of the base that meets the protons
/// @param volumeMl of the solution that holds it
/// @param gasL carbon dioxide at 20 C
/// @param layOutMl twice the volume
public record NeutraliserView(
    double protonsMmol, double baseG, double volumeMl, double gasL, double layOutMl) {

  public static NeutraliserView of(Neutraliser needed) {
    return new NeutraliserView(
        needed.protons().mmol(),
        needed.base().g(),
        needed.volume().ml(),
        needed.gas().litres(),
        needed.layOut().ml());
  }
}
