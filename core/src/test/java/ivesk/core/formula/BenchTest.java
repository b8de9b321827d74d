package ivesk.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.ChargeBalance.Acid;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.quantity.Density;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Molarity;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openscience.cdk.exception.InvalidSmilesException;
import org.openscience.cdk.interfaces.IAtomContainer;
import org.openscience.cdk.silent.SilentChemObjectBuilder;
import org.openscience.cdk.smiles.SmilesParser;
import org.openscience.cdk.tools.manipulator.AtomContainerManipulator;

/// The arithmetic of the Bench against printed values, a chemistry library, and a solver of its
/// own.
class BenchTest {

  @Nested
  class MolarMasses {

    /// From the structure, by the Chemistry Development Kit, within 0.02 g/mol.
    @ParameterizedTest
    @CsvSource({
      "GLYCOLIC, OCC(=O)O",
      "LACTIC, CC(O)C(=O)O",
      "MANDELIC, OC(c1ccccc1)C(=O)O",
      "SALICYLIC, OC(=O)c1ccccc1O",
      "TCA, OC(=O)C(Cl)(Cl)Cl",
      "PYRUVIC, CC(=O)C(=O)O",
      "CITRIC, OC(=O)CC(O)(C(=O)O)CC(=O)O",
      "MALIC, OC(=O)CC(O)C(=O)O",
      "TARTARIC, OC(=O)C(O)C(O)C(=O)O",
      "AZELAIC, OC(=O)CCCCCCCC(=O)O",
      "GLUCONOLACTONE, O=C1OC(CO)C(O)C(O)C1O",
      "RESORCINOL, Oc1cccc(O)c1",
      "RETINOL, OCC=C(C)C=CC=C(C)C=CC1=C(C)CCCC1(C)C"
    })
    void asTheStructureSays(Substance substance, String smiles) throws InvalidSmilesException {
      assertThat(mass(smiles)).isCloseTo(substance.molar().gPerMol(), within(0.02));
    }

    @ParameterizedTest
    @CsvSource({"BICARBONATE, [Na+].OC(=O)[O-]", "ARGININE, NC(CCCNC(=N)N)C(=O)O"})
    void ofTheBases(Neutraliser.Base base, String smiles) throws InvalidSmilesException {
      assertThat(mass(smiles)).isCloseTo(base.molarMass().gPerMol(), within(0.02));
    }

    private double mass(String smiles) throws InvalidSmilesException {
      IAtomContainer molecule =
          new SmilesParser(SilentChemObjectBuilder.getInstance()).parseSmiles(smiles);
      return AtomContainerManipulator.getMass(molecule, AtomContainerManipulator.MolWeight);
    }
  }

  @Nested
  class Acidity {

    /// General chemistry textbooks: 2.88 for 0.1 mol/L acetic acid, pH = pKa when half neutralised.
    @Test
    void printedValues() {
      Acid acetic = new Acid(Molarity.of(0.1), List.of(4.756));
      assertThat(ChargeBalance.ph(List.of(acetic), Molarity.NONE).value())
          .isCloseTo(2.881, within(0.001));
      Acid glycolic = new Acid(Molarity.of(0.1), List.of(3.83));
      assertThat(ChargeBalance.ph(List.of(glycolic), Molarity.of(0.05)).value())
          .isCloseTo(3.83, within(0.01));
      assertThat(ChargeBalance.ph(List.of(), Molarity.NONE).value()).isCloseTo(7, within(1e-6));
    }

    /// Charge balance with pKa 0.66, from memory.
    @ParameterizedTest
    @CsvSource({"10, 0.56", "15, 0.45", "20, 0.38", "35, 0.23"})
    void tca(double percent, double ph) {
      assertThat(
              ChargeBalance.ph(List.of(Acid.of(Substance.TCA, Strength.wv(percent))), Molarity.NONE)
                  .value())
          .isCloseTo(ph, within(0.005));
    }

    /// Against an independent solver: the charge balance of one acid as a polynomial in [H+], whose
    /// positive root is found by Newton's method from above, where the polynomial is convex.
    @Test
    void aGridOfAcidsStrengthsAndBasesAgreesWithAPolynomialSolver() {
      int points = 0;
      for (Substance substance : Substance.values()) {
        if (!substance.acid()) continue;
        for (double percent : new double[] {0.1, 0.5, 1, 2, 5, 10, 20, 30, 50, 70}) {
          Molarity molarity = Strength.wv(percent).molarity(substance.molar());
          double molar = molarity.molPerL();
          for (double share : new double[] {0, 0.05, 0.1, 0.25, 0.5, 0.75, 0.9, 1, 1.1, 1.5}) {
            double base = molar * share;
            double ours =
                ChargeBalance.ph(List.of(new Acid(molarity, substance.pKas())), Molarity.of(base))
                    .value();
            assertThat(ours)
                .as(substance + " " + percent + " % with " + share + " base")
                .isCloseTo(polynomialPh(molar, substance.pKas(), base), within(1e-6));
            points++;
          }
        }
      }
      assertThat(points).isGreaterThanOrEqualTo(1000);
    }

    /// ([H] + B - Kw/[H]) D([H]) = C N([H]), cleared of fractions.
    private double polynomialPh(double molar, List<Double> pKas, double base) {
      int n = pKas.size();
      double[] d = new double[n + 1];
      double beta = 1;
      d[n] = 1;
      for (int i = 1; i <= n; i++) {
        beta *= Math.pow(10, -pKas.get(i - 1));
        d[n - i] = beta;
      }
      // Coefficients by power of [H]: [H]^2 D + B [H] D - Kw D - C [H] N.
      double[] p = new double[n + 3];
      for (int k = 0; k <= n; k++) {
        p[k + 2] += d[k];
        p[k + 1] += base * d[k] - molar * (n - k) * d[k];
        p[k] -= 1e-14 * d[k];
      }
      double h = 100;
      for (int i = 0; i < 500; i++) {
        double value = 0;
        double slope = 0;
        for (int k = p.length - 1; k >= 0; k--) {
          slope = slope * h + value;
          value = value * h + p[k];
        }
        double next = h - value / slope;
        if (Math.abs(next - h) <= 1e-15 * h) break;
        h = next;
      }
      return -Math.log10(h);
    }

    /// Free fraction against the species computed one by one.
    @Test
    void theFreeShareAgreesWithItsSpeciesOnAGrid() {
      int points = 0;
      for (Substance substance : Substance.values()) {
        if (!substance.acid()) continue;
        for (int step = 0; step <= 140; step++) {
          double ph = step / 10.0;
          List<Double> species = new ArrayList<>(List.of(1.0));
          for (double pKa : substance.pKas()) {
            species.add(species.getLast() * Math.pow(10, -pKa) / Math.pow(10, -ph));
          }
          double sum = species.stream().mapToDouble(Double::doubleValue).sum();
          assertThat(FreeAcid.fraction(substance, Ph.of(ph))).isCloseTo(1 / sum, within(1e-9));
          points++;
        }
      }
      assertThat(points).isGreaterThan(1000);
    }
  }

  @Nested
  class Strengths {

    private static double toWv(double percent, Convention convention, double gPerMl) {
      return new Strength(percent, convention).toWv(new Density(gPerMl)).percent();
    }

    /// Arithmetic: 70 % w/w at 1.27 g/mL is 88.9 % w/v.
    @Test
    void conventions() {
      assertThat(toWv(70, Convention.WW, 1.27)).isCloseTo(88.9, within(0.05));
      assertThat(toWv(70, Convention.WV, 1.27)).isEqualTo(70);
      assertThat(toWv(50, Convention.VV, 1.21)).isCloseTo(60.5, within(1e-9));
      assertThatThrownBy(() -> toWv(120, Convention.WW, 1))
          .hasMessage("strength, % w/w is 120.0; allowed is 0.0 to 100.0");
    }

    /// 20 % w/w is not 20 % w/v: what mixes them is refused rather than guessed.
    @Test
    void conventionsDoNotMix() {
      Strength byWeight = new Strength(20, Convention.WW);
      assertThatThrownBy(() -> Dilution.dilute(Strength.wv(40), byWeight, Volume.ml(100)))
          .hasMessage("strengths are in % w/w and % w/v; give both in one convention");
      assertThatThrownBy(() -> byWeight.in(Volume.ml(3))).hasMessageContaining("by its density");
      assertThatThrownBy(() -> new Component(Substance.GLYCOLIC, byWeight))
          .hasMessage("glycolic strength is in % w/w; a formula has % w/v");
    }

    /// Worked by hand: glycolic 35 % w/v is 4.602 mol/L.
    @Test
    void molarity() {
      assertThat(Strength.wv(35).molarity(Substance.GLYCOLIC.molar()).molPerL())
          .isCloseTo(4.602, within(0.0005));
    }
  }

  @Nested
  class Dilutions {

    private static Dilution.Measure dilute(double stock, double target, double ml) {
      return Dilution.dilute(Strength.wv(stock), Strength.wv(target), Volume.ml(ml));
    }

    private static Dilution.Mix alligate(double strong, double weak, double target, double ml) {
      return Dilution.alligate(
          Strength.wv(strong), Strength.wv(weak), Strength.wv(target), Volume.ml(ml));
    }

    /// Pharmacy arithmetic: 70 to 35 is 50 mL made up to 100; 70 and 20 to 40 is 40 mL and 60 mL.
    @Test
    void printedValues() {
      assertThat(dilute(70, 35, 100).volume().ml()).isCloseTo(50, within(1e-9));
      Dilution.Mix mix = alligate(70, 20, 40, 100);
      assertThat(mix.strong().ml()).isCloseTo(40, within(1e-9));
      assertThat(mix.weak().ml()).isCloseTo(60, within(1e-9));
    }

    @Test
    void serialStepsMultiply() {
      List<Dilution.Measure> steps = Dilution.serial(Strength.wv(100), 10, 3, Volume.ml(10));
      assertThat(steps).extracting(step -> step.volume().ml()).allMatch(ml -> ml == 1);
      assertThat(steps.getLast().strength().percent()).isCloseTo(0.1, within(1e-12));
    }

    @Test
    void refusesWhatCannotBeMade() {
      assertThatThrownBy(() -> dilute(20, 35, 100))
          .hasMessageContaining("strength wanted is 35.0 %, above the stock's 20.0 %");
      assertThatThrownBy(() -> dilute(0, 0, 100))
          .hasMessage("strength of the stock, % is 0.0; allowed is above 0 to 100");
      assertThatThrownBy(() -> dilute(120, 35, 100)).hasMessageContaining("120.0");
      assertThatThrownBy(() -> dilute(70, 35, -1)).hasMessageContaining("volume, mL is -1.0");
      assertThatThrownBy(() -> alligate(70, 20, 80, 100))
          .hasMessageContaining("allowed is 20.0 to 70.0 %");
      assertThatThrownBy(() -> alligate(20, 70, 40, 100))
          .hasMessageContaining("must lie below the stronger");
      assertThatThrownBy(() -> dilute(Double.NaN, 35, 100)).hasMessageContaining("NaN");
    }
  }

  @Nested
  class Parts {

    /// Monheit 1989, from memory: 14 g of lactic acid 85 % is 11.9 g of lactic acid.
    @Test
    void classicJessner() {
      List<FromParts.Made> made = FromParts.make(FromParts.JESSNER, Volume.ml(100));
      assertThat(made)
          .extracting(part -> part.strength().percent())
          .satisfiesExactly(
              resorcinol -> assertThat(resorcinol).isCloseTo(14, within(1e-9)),
              salicylic -> assertThat(salicylic).isCloseTo(14, within(1e-9)),
              lactic -> assertThat(lactic).isCloseTo(11.9, within(1e-9)));
      assertThat(made.getLast().printed().percent()).isCloseTo(14, within(1e-9));
    }

    @Test
    void refusesMoreThanFits() {
      assertThatThrownBy(() ->
              FromParts.make(
                  List.of(FromParts.Part.of(Substance.GLYCOLIC, 60, 100)), Volume.ml(50)))
          .hasMessageContaining("add up to 120 % w/v");
    }
  }

  @Nested
  class Neutralising {

    /// Arginine takes one proton a molecule, stoichiometry worked by hand: 13.81 mmol need 2.405 g.
    @Test
    void byArginine() {
      Neutraliser needed =
          Neutraliser.of(
              Library.get("GLY-35"), Volume.ml(3), Neutraliser.Base.ARGININE, Strength.wv(10));
      assertThat(needed.protons().mmol()).isCloseTo(13.81, within(0.01));
      assertThat(needed.base().g()).isCloseTo(2.405, within(0.005));
      assertThat(needed.gas().litres()).as("no gas").isZero();
    }
  }

  /// US EPA RAGS Part E 2004, appendix B tables, from memory; within 5 %, two printed figures.
  @ParameterizedTest
  @CsvSource({"1.46, 94.1, 4.3e-3", "2.13, 78.1, 1.5e-2", "-0.31, 46, 5.4e-4"})
  void permeability(double logKow, double molarMass, double cmPerHour) {
    assertThat(Permeability.of(logKow, new MolarMass(molarMass)).cmPerHour())
        .isCloseTo(cmPerHour, within(cmPerHour * 0.05));
  }
}
