package ivesk.core.formula;

import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.quantity.Area;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FormulaTest {

  @Nested
  class FreeAcidOfGlycolic {

    /// pKa 3.83; Yu and Van Scott 1996 give the same to two figures, from memory.
    @ParameterizedTest
    @CsvSource({
      "2, 0.985",
      "2.5, 0.955",
      "3, 0.871",
      "3.5, 0.681",
      "3.83, 0.500",
      "4, 0.403",
      "4.5, 0.176",
      "5, 0.063"
    })
    void fallsAsThePhRises(double ph, double share) {
      assertThat(FreeAcid.fraction(Substance.GLYCOLIC, Ph.of(ph))).isCloseTo(share, within(0.0006));
    }

    @Test
    void halfIsFreeAtItsPka() {
      assertThat(FreeAcid.fraction(Substance.GLYCOLIC, Ph.of(3.83))).isCloseTo(0.5, within(1e-12));
    }
  }

  /// [H]^3 over the series for citric acid, worked by hand at pH 3.13: 1 / (1 + 1 + 10^-1.63 +
  /// 10^-4.90).
  @Test
  void aPolyproticAcidCountsEveryStep() {
    assertThat(FreeAcid.fraction(Substance.CITRIC, Ph.of(3.13)))
        .isCloseTo(1 / (2 + Math.pow(10, -1.63) + Math.pow(10, -4.90)), within(1e-9));
  }

  /// 20 % mandelic at pH 2.6, pKa 3.41: 20 / (1 + 10^-0.81) = 17.32. Arithmetic.
  @Test
  void freeAcidOfAFormula() {
    assertThat(FreeAcid.of(Library.get("MAN-20")).percent()).isCloseTo(17.32, within(0.01));
    assertThat(FreeAcid.of(Library.get("ENZ-P")).percent()).isZero();
  }

  private static Neutraliser bicarbonate(String code, double ml, double percent) {
    return Neutraliser.of(
        Library.get(code), Volume.ml(ml), Neutraliser.Base.BICARBONATE, Strength.wv(percent));
  }

  /// 3.0 mL of glycolic 35 % w/v, no buffer: 13.81 mmol, 1.160 g NaHCO3, 11.60 mL of 10 %, 0.332 L
  /// at 20 C. Stoichiometry, worked by hand.
  @Test
  void neutraliserForGlycolic35() {
    Neutraliser n = bicarbonate("GLY-35", 3, 10);
    assertThat(n.protons().mmol()).isCloseTo(13.81, within(0.01));
    assertThat(n.base().g()).isCloseTo(1.160, within(0.001));
    assertThat(n.volume().ml()).isCloseTo(11.60, within(0.01));
    assertThat(n.gas().litres()).isCloseTo(0.332, within(0.001));
    assertThat(n.layOut().ml()).isCloseTo(23.2, within(0.02));
  }

  /// Every titratable proton counts: azelaic has two, mandelic one. Stoichiometry.
  @Test
  void neutraliserCountsEveryProtonOfEveryAcid() {
    double expected = (0.15 * 2 / 188.22 + 0.15 / 152.15) * 2 * 1000;
    assertThat(bicarbonate("AZM-15", 2, 10).protons().mmol()).isCloseTo(expected, within(1e-9));
  }

  @ParameterizedTest
  @ValueSource(strings = {"TCA-10", "SAL-10", "SAL-30", "SLA-15", "JES", "JES-RF"})
  void neutraliserIsNeverOfferedWhereItUndoesNothing(String code) {
    assertThat(Neutraliser.ends(Library.get(code))).isFalse();
  }

  @Test
  void neutraliserRefusesAnImpossibleStrength() {
    assertThatThrownBy(() -> bicarbonate("GLY-35", 3, 40))
        .hasMessage("strength of the neutraliser, % w/v is 40.0; allowed is 1.0 to 10.0");
  }

  @Nested
  class Doses {

    /// 3 mL of 30 % on 600 cm2 are 1.5 mg/cm2. Arithmetic.
    @Test
    void perArea() {
      assertThat(Dose.of(Strength.wv(30), Volume.ml(3), Area.cm2(600)).mgPerCm2())
          .isCloseTo(1.5, within(1e-9));
    }

    /// 2 to 3 mL cover a face. Common practice, no source.
    @Test
    void threeMillilitresCoverAFace() {
      assertThat(Dose.layer(Area.cm2(600)).ml()).isCloseTo(3.0, within(1e-9));
    }

    /// 3 mL of 30 % on 65 kg: 1.174 g as aspirin against 6.5 g, 18.1 %. Limits after Chyka et al.
    /// 2007, from memory; arithmetic.
    @Test
    void salicylateAgainstItsYardstick() {
      assertThat(Dose.salicylateShare(Library.get("SAL-30"), Volume.ml(3), Optional.of(65.0)))
          .isCloseTo(0.1806, within(0.0005));
      assertThat(Dose.salicylateShare(Library.get("SAL-30"), Volume.ml(3), Optional.of(30.0)))
          .as("150 mg/kg rules below 43 kg")
          .isCloseTo(1.1739 / 4.5, within(0.0005));
      assertThat(Dose.salicylateShare(Library.get("GLY-35"), Volume.ml(3), Optional.empty()))
          .isZero();
    }
  }

  /// Rubin 1995 as quoted by Khunger 2008, from memory.
  @Nested
  class DepthClasses {

    @ParameterizedTest
    @CsvSource({
      "40, 1, VERY_SUPERFICIAL",
      "50, 1, VERY_SUPERFICIAL",
      "50, 2, VERY_SUPERFICIAL",
      "50, 3, SUPERFICIAL",
      "60, 5, SUPERFICIAL",
      "70, 2, SUPERFICIAL",
      "70, 5, MEDIUM",
      "20, 9, VERY_SUPERFICIAL"
    })
    void glycolic(double percent, int minutes, DepthClass depth) {
      assertThat(Depth.glycolic(Strength.wv(percent), Duration.ofMinutes(minutes)))
          .isEqualTo(depth);
    }

    @ParameterizedTest
    @CsvSource({
      "10, 1, VERY_SUPERFICIAL",
      "10, 2, SUPERFICIAL",
      "25, 1, SUPERFICIAL",
      "35, 1, MEDIUM"
    })
    void tca(double percent, int layers, DepthClass depth) {
      assertThat(Depth.tca(Strength.wv(percent), layers)).isEqualTo(depth);
    }

    @ParameterizedTest
    @CsvSource({"1, VERY_SUPERFICIAL", "3, VERY_SUPERFICIAL", "4, SUPERFICIAL"})
    void jessner(int layers, DepthClass depth) {
      assertThat(Depth.of(Library.get("JES-RF"), Optional.empty(), layers)).isEqualTo(depth);
    }

    @Test
    void resorcinol() {
      assertThat(Depth.resorcinol(Strength.wv(25), Duration.ofMinutes(8)))
          .isEqualTo(VERY_SUPERFICIAL);
      assertThat(Depth.resorcinol(Strength.wv(25), Duration.ofMinutes(11))).isEqualTo(SUPERFICIAL);
    }

    @Test
    void aDeeperClassOfTheLibraryWins() {
      Formula shipped = Library.get("GLY-35");
      assertThat(Depth.glycolic(Strength.wv(35), Duration.ofMinutes(1)))
          .isEqualTo(VERY_SUPERFICIAL);
      assertThat(Depth.of(shipped, Optional.of(Duration.ofMinutes(1)), 1)).isEqualTo(SUPERFICIAL);
      assertThat(Depth.of(Library.get("TCA-35"), Optional.empty(), 1)).isEqualTo(MEDIUM);
    }
  }

  @Nested
  class TheLibrary {

    @Test
    void holdsTheRackOnceEach() {
      List<String> codes = Library.FORMULAS.stream().map(Formula::code).toList();
      assertThat(codes)
          .hasSameSizeAs(new HashSet<>(codes))
          .contains(
              "LAC-10", "LAC-30", "MAN-20", "MAN-40", "GLY-20", "GLY-35", "SAL-10", "SAL-20",
              "JES-RF", "TCA-10");
    }

    @Test
    void everyFamilyHasAnEntryAndStandsInOrder() {
      for (Family family : Family.values()) {
        List<Formula> own = Library.of(family);
        assertThat(own).as(family.label()).anyMatch(Formula::entry);
        assertThat(own).isSortedAccordingTo((a, b) -> Integer.compare(a.rung(), b.rung()));
      }
    }

    @Test
    void mediumDepthIsOutOfScope() {
      assertThat(Library.FORMULAS.stream().filter(f -> f.libraryDepth() == MEDIUM))
          .allMatch(formula -> formula.use() == Formula.Use.OUT_OF_SCOPE)
          .extracting(Formula::code)
          .containsExactly("GLY-70", "TCA-35");
    }

    /// Every 30 s for TCA, pyruvic, glycolic from 35, salicylic from 20 and Jessner. Common
    /// practice, no source.
    @ParameterizedTest
    @CsvSource({
      "TCA-10, 30",
      "PYR-40, 30",
      "GLY-35, 30",
      "GLY-20, 60",
      "SAL-20, 30",
      "SAL-10, 60",
      "JES, 30",
      "MAN-40, 60",
      "LAC-50, 60"
    })
    void asksAsOftenAsTheFormulaNeeds(String code, int seconds) {
      assertThat(Library.get(code).checkIn()).isEqualTo(Duration.ofSeconds(seconds));
    }

    @ParameterizedTest
    @CsvSource({"1, 14", "2, 21", "3, 21", "4, 42"})
    void jessnersIntervalGrowsWithItsLayers(int layers, int days) {
      assertThat(Library.get("JES").intervalDays(layers)).isEqualTo(days);
    }

    @Test
    void theClassicCountsItsLacticAsPure() {
      assertThat(Library.get("JES").strengthOf(Substance.LACTIC)).isEqualTo(Strength.wv(11.9));
      assertThat(Library.get("JES").contains(Substance.RESORCINOL)).isTrue();
      assertThat(Library.get("JES-RF").contains(Substance.RESORCINOL)).isFalse();
    }

    @Test
    void refusesWhatIsNotThere() {
      assertThatThrownBy(() -> Library.get("PHENOL")).hasMessageContaining("PHENOL");
    }
  }

  /// Days of the library's rows; a retinoid adds its own. Common practice, no source.
  @ParameterizedTest
  @CsvSource({
    "SAL-20, , 2, 5",
    "SAL-20, RET-1, 2, 8",
    "PHA-15, , 0, 0",
    "PHA-15, RET-1, 2, 3",
    "MAN-20, SAL-20, 1, 5"
  })
  void flakingOfAllThatWentOn(String code, String other, int first, int last) {
    List<Formula> on = Stream.of(code, other).filter(Objects::nonNull).map(Library::get).toList();
    assertThat(Flaking.of(on)).isEqualTo(new Flaking(first, last));
    assertThat(Flaking.of(on).expected()).isEqualTo(last > 0);
  }

  @Test
  void aFormulaRefusesAFirstContactBeyondItsMost() {
    Formula good = Library.get("GLY-35");
    assertThatThrownBy(() ->
            new Formula(
                "X",
                "x",
                Family.GLYCOLIC,
                1,
                true,
                good.components(),
                good.ph(),
                good.vehicle(),
                good.use(),
                Optional.of(Duration.ofMinutes(5)),
                Optional.of(Duration.ofMinutes(4)),
                1,
                1,
                Duration.ZERO,
                SUPERFICIAL,
                good.band(),
                good.ending(),
                14,
                6,
                8,
                1,
                2,
                good.label()))
        .hasMessageContaining("must not pass most");
  }

  @Test
  void enzymesAreNoAcids() {
    for (Substance enzyme : Set.of(Substance.PAPAYA, Substance.PINEAPPLE, Substance.PUMPKIN)) {
      assertThat(enzyme.acid()).isFalse();
    }
  }
}
