package ivesk.core.product;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.Library;
import ivesk.core.plan.script.Ledger;
import ivesk.core.product.CareProduct.Ingredient;
import ivesk.core.product.UnitDose.Unit;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProductTest {

  /// A product of any role, changed in what a test is about.
  static CareProduct holding(Role role, Optional<Ph> ph, ActiveIngredient... actives) {
    return new CareProduct(
        "OWN-1",
        "own product",
        "",
        1,
        role,
        Arrays.stream(actives).map(a -> new Ingredient(a, Optional.empty())).toList(),
        ph,
        UnitDose.BY_ML,
        Map.of(),
        Timing.NONE,
        "",
        EnumSet.of(Region.FACE),
        Set.of(),
        List.of(),
        false,
        false,
        CareProduct.Filter.NONE,
        false,
        CareProduct.Thermal.NEITHER,
        Optional.empty(),
        Optional.empty());
  }

  @Test
  void everyRoleHasAShippedProduct() {
    assertThat(GenericProducts.ALL.stream().map(CareProduct::role).distinct())
        .containsExactlyInAnyOrder(Role.values());
    assertThat(GenericProducts.ALL.stream().map(CareProduct::code)).doesNotHaveDuplicates();
  }

  /// Ledger, units, volumes: 12-checks, arithmetic.
  @Nested
  class BaseAgainstAcid {
    private final UnitDose wipe = UnitDose.ml(Unit.PAD, 4);
    private final Amount layer = Ledger.protons(Library.get("GLY-20"), Volume.ml(0.6));

    @Test
    void aWipeOfArginine() {
      assertThat(BaseIn.arginine(10).in(1, wipe).mmol()).isCloseTo(2.296, within(0.0023));
      assertThat(layer.mmol()).isCloseTo(1.578, within(0.0016));
      assertThat(BaseIn.arginine(10).in(1, wipe).mmol() / layer.mmol())
          .isCloseTo(1.455, within(0.001));
    }

    @ParameterizedTest
    @CsvSource({"1, 1", "2, 2", "3, 3", "4, 3"})
    void wipesForSomeLayers(int layers, double wipes) {
      assertThat(BaseIn.arginine(10).unitsFor(layer.times(layers), wipe)).contains(wipes);
    }

    @Test
    void bicarbonateByTheMillilitre() {
      BaseIn bicarbonate = BaseIn.bicarbonate(10);
      assertThat(bicarbonate.in(3, UnitDose.BY_ML).mmol()).isCloseTo(3.571, within(0.0036));
      Amount acid = Ledger.protons(Library.get("LAC-30"), Volume.ml(2.5));
      assertThat(acid.mmol()).isCloseTo(8.326, within(0.0083));
      assertThat(bicarbonate.unitsFor(acid, UnitDose.BY_ML).orElseThrow())
          .isCloseTo(6.99, within(0.01));
      assertThat(bicarbonate.unitsFor(acid.times(2), UnitDose.BY_ML).orElseThrow())
          .isCloseTo(13.99, within(0.01));
    }

    @Test
    void aWipeOfAFixedDose() {
      BaseIn fixed =
          new BaseIn(
              BaseIn.Kind.OTHER_AMINO_ACID,
              Optional.of(new MolarMass(146.19)),
              ivesk.core.formula.Strength.NONE,
              Optional.of(new Amount(2)));
      assertThat(fixed.in(3, wipe).mmol()).isEqualTo(6);
    }

    @Test
    void waterTakesUpNothing() {
      assertThat(BaseIn.WATER.in(100, UnitDose.BY_ML).mmol()).isZero();
      assertThat(BaseIn.WATER.unitsFor(layer, UnitDose.BY_ML)).isEmpty();
    }

    @Test
    void aBaseWithoutStrengthIsRefused() {
      assertThatThrownBy(() -> BaseIn.arginine(0))
          .hasMessageContaining("strength of the base is 0");
    }
  }

  @Nested
  class Units {

    @ParameterizedTest
    @CsvSource({
      "PUMP, 1.5, 2, 3, 2 pumps",
      "DROP, 0.05, 6, 0.3, 6 drops",
      "PAD, 4, 1, 4, 1 pad",
      "AMPOULE, 2, 1, 2, 1 ampoule",
      "SCOOP, 5, 1.5, 7.5, 1.5 scoops"
    })
    void whatSomeUnitsGive(Unit unit, double each, double units, double ml, String words) {
      UnitDose dose = UnitDose.ml(unit, each);
      assertThat(dose.volume(units).orElseThrow().ml()).isCloseTo(ml, within(1e-9));
      assertThat(dose.mass(units)).isEmpty();
      assertThat(dose.words(units)).isEqualTo(words);
    }

    @Test
    void wholeUnitsForAVolume() {
      assertThat(UnitDose.ml(Unit.PUMP, 1.5).unitsFor(Volume.ml(3.1))).isEqualTo(3);
      assertThat(UnitDose.BY_ML.unitsFor(Volume.ml(3.1))).isEqualTo(3.1);
    }

    /// 12-checks: mask powder 200 g to 160 g water: 100 g takes 80 g.
    @Test
    void waterForSomePowder() {
      MaskMix mix =
          new MaskMix(Mass.g(200), Mass.g(160), 20, Duration.ofMinutes(3), Duration.ofMinutes(12));
      assertThat(mix.waterFor(Mass.g(100)).g()).isCloseTo(80, within(1e-9));
    }

    @Test
    void aMillilitreIsOneMillilitre() {
      assertThatThrownBy(() -> new UnitDose(Unit.ML, 2, UnitDose.Measure.ML))
          .hasMessageContaining("counted in mL or g has 1");
    }
  }

  @Nested
  class AcidStep {

    @ParameterizedTest
    @CsvSource({
      "GLYCOLIC, 3.5, true",
      "GLYCOLIC, 4.5, true",
      "GLYCOLIC, 4.6, false",
      "GLYCOLIC, , true",
      "SALICYLIC, 4.0, true",
      "AZELAIC, 4.2, true",
      "TCA, 1.0, true",
      "PYRUVIC, , true",
      "GLUCONOLACTONE, 3.5, false",
      "PANTHENOL, , false"
    })
    void byActiveAndPh(ActiveIngredient active, Double ph, boolean acid) {
      CareProduct product = holding(Role.CLEANSER, Optional.ofNullable(ph).map(Ph::of), active);
      assertThat(product.acidStep()).isEqualTo(acid);
    }
  }

  @Nested
  class Refused {

    @Test
    void aNeutraliserWithoutBase() {
      assertThatThrownBy(() -> holding(Role.NEUTRALISER, Optional.empty()))
          .hasMessageContaining("base is empty");
    }

    @Test
    void aSunscreenWithoutFilter() {
      assertThatThrownBy(() -> holding(Role.SUNSCREEN, Optional.empty()))
          .hasMessageContaining("filter is NONE");
    }

    @Test
    void timesOutOfOrderOrRange() {
      assertThatThrownBy(() -> Timing.seconds(0)).hasMessageContaining("allowed is 1 s to 3 h");
      assertThatThrownBy(() -> Timing.seconds(10_801)).hasMessageContaining("1 s to 3 h");
      assertThatThrownBy(() ->
              new Timing(
                  Optional.of(Duration.ofMinutes(3)),
                  Optional.of(Duration.ofMinutes(2)),
                  Optional.empty()))
          .hasMessageContaining("must not pass the planned time");
    }
  }

  @Nested
  class Packs {
    private final LocalDate day = LocalDate.of(2026, 11, 28);

    private ProductLot lot(String number, int daysLeft, Integer opened, double left) {
      return new ProductLot(
          "CREAM",
          number,
          day.plusDays(daysLeft),
          Optional.ofNullable(opened).map(day::minusDays),
          Optional.of(6),
          100,
          left);
    }

    @Test
    void anOpenOneComesFirst() {
      Catalogue shelf =
          Catalogue.with(List.of(), List.of(lot("A", 10, null, 100), lot("B", 300, 20, 40)));
      assertThat(shelf.toTake("CREAM", day).orElseThrow().number()).isEqualTo("B");
    }

    @ParameterizedTest
    @CsvSource({"-1, , 100, OUT_OF_DATE", "300, 300, 100, OPEN_TOO_LONG", "300, , 0, EMPTY"})
    void whyNoneServes(int daysLeft, Integer opened, double left, ProductLot.Fault fault) {
      Catalogue shelf = Catalogue.with(List.of(), List.of(lot("A", daysLeft, opened, left)));
      assertThat(shelf.nothingLeft("CREAM", day)).contains(fault);
    }

    @Test
    void whatIsNotCountedIsNotMissed() {
      assertThat(Catalogue.SHIPPED.nothingLeft("CREAM", day)).isEmpty();
    }
  }
}
