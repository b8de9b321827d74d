package ivesk.server.formula;

import ivesk.core.formula.Component;
import ivesk.core.formula.Dilution;
import ivesk.core.formula.FromParts;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import java.util.List;
import java.util.Optional;

/// What the calculators are asked and what they answer.
final class BenchWire {
  private BenchWire() {}

  /// @param pKas empty for what is no acid
  record BenchSubstance(
      Substance id, String label, double molarMass, List<Double> pKas, boolean passesSkin) {}

  /// A formula of the shelf with one acid or more, to start from.
  ///
  /// @param bufferedInWater base already in it is taken off the neutraliser
  /// @param aboveSalonFigure of the safety panel for glycolic and lactic acid
  record BenchFormula(
      String code,
      String name,
      List<Component> components,
      Optional<Ph> ph,
      boolean bufferedInWater,
      boolean aboveSalonFigure) {}

  /// @param mayMix whether the practice may dilute and mix; otherwise it checks labels
  /// @param jessner the classic per 100 mL
  record BenchWords(
      List<BenchSubstance> substances,
      List<BenchFormula> formulas,
      boolean mayMix,
      List<Weighed> jessner) {}

  /// @param strengthPercentWv 0 to 100
  /// @param ph 0 to 14
  record LabelFacts(Substance substance, double strengthPercentWv, double ph) {}

  /// @param curve share that is free at pH 0 to 7, every 0.1
  /// @param aboveSalonFigure of the safety panel for glycolic and lactic acid
  record FreeAcidAnswer(
      double freePercentWv,
      double share,
      List<Double> curve,
      boolean aboveSalonFigure,
      String working,
      String source) {}

  record DilutionFacts(double stockPercent, double targetPercent, double finalMl) {}

  record DilutionAnswer(double stockMl, double finalMl, String working) {}

  /// @param factor by which each step dilutes the one before
  record SerialFacts(double stockPercent, double factor, int steps, double finalMl) {}

  record SerialAnswer(List<Dilution.Measure> steps, String working) {}

  /// @param printedPercent what the label of the mixture says
  record MixtureFacts(
      double onePercent,
      double oneMl,
      double otherPercent,
      double otherMl,
      double printedPercent) {}

  /// @param differencePercent of the printed strength; positive where it holds more
  record MixtureAnswer(double percent, double differencePercent, String working) {}

  record AlligationFacts(
      double strongPercent, double weakPercent, double targetPercent, double finalMl) {}

  record AlligationAnswer(double strongMl, double weakMl, String working) {}

  /// @param volumeMl over all layers, 0 to 500
  /// @param basePercentWv strength of the neutraliser
  /// @param bufferedPh pH of a product that is buffered in water: what base it holds is taken off
  record NeutraliserFacts(
      List<Component> components,
      double volumeMl,
      Neutraliser.Base base,
      double basePercentWv,
      Optional<Double> bufferedPh) {}

  record NeutraliserAnswer(NeutraliserView needed, String working) {}

  /// @param layers 1 to 9
  record DoseFacts(double percentWv, double volumeMl, double areaCm2, int layers) {}

  record DoseAnswer(double mgPerCm2, String working) {}

  /// @param densityGPerMl of the solution for % w/w, of the pure substance for % v/v
  record StrengthFacts(
      Substance substance, double percent, Convention convention, double densityGPerMl) {}

  record StrengthAnswer(double percentWv, double molar, String working) {}

  /// @param baseMolar mol/L of strong base already in it
  record PhFacts(List<Component> components, double baseMolar) {}

  record PhAnswer(double ph, String working, String source) {}

  /// @param purityPercent of what is weighed, % w/w
  record Weighed(Substance substance, double grams, double purityPercent) {
    static Weighed of(FromParts.Part part) {
      return new Weighed(part.substance(), part.weighed().g(), part.purity().percent());
    }

    FromParts.Part part() {
      return FromParts.Part.of(substance, grams, purityPercent);
    }
  }

  record PartsFacts(List<Weighed> parts, double finalMl) {}

  record PartsAnswer(List<FromParts.Made> made, String working) {}

  record PermeabilityFacts(Substance substance) {}

  record PermeabilityAnswer(double cmPerHour, String working, String source) {}
}
