package ivesk.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleFunction;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Conversions are arithmetic of the SI, worked by hand.
class QuantityTest {
  private static final MolarMass BICARBONATE = new MolarMass(84.007);

  @Test
  void unitsConvert() {
    assertThat(Volume.litres(0.25).ml()).isEqualTo(250);
    assertThat(Volume.microlitres(5).ml()).isEqualTo(0.005);
    assertThat(Volume.ml(20).litres()).isEqualTo(0.02);
    assertThat(Mass.g(1.5).mg()).isEqualTo(1500);
    assertThat(Amount.mol(0.2).mmol()).isEqualTo(200);
    assertThat(Ph.of(3).hydrogen()).isCloseTo(0.001, within(1e-15));
  }

  /// 84.007 g/mol: 8.4007 g are 100 mmol, and 0.5 mol/L in 200 mL hold as much.
  @Test
  void massAmountAndMolarityAgree() {
    Amount tenth = BICARBONATE.in(Mass.g(8.4007));
    assertThat(tenth.mmol()).isCloseTo(100, within(1e-9));
    assertThat(BICARBONATE.of(tenth).g()).isCloseTo(8.4007, within(1e-12));
    assertThat(Molarity.of(0.5).in(Volume.ml(200)).mmol()).isCloseTo(100, within(1e-9));
  }

  @Test
  void whatIsTakenOffLeavesNothingAtLeast() {
    assertThat(Volume.ml(3).less(Volume.ml(5))).isEqualTo(Volume.NONE);
    assertThat(new Amount(3).less(new Amount(1))).isEqualTo(new Amount(2));
  }

  static Stream<Arguments> nonsense() {
    return Stream.of(
        Arguments.of((DoubleFunction<Object>) Volume::ml, -1, "volume, mL is -1.0"),
        Arguments.of((DoubleFunction<Object>) Volume::ml, Double.NaN, "volume, mL is NaN"),
        Arguments.of((DoubleFunction<Object>) Mass::g, -0.1, "mass, g is -0.1"),
        Arguments.of((DoubleFunction<Object>) Area::cm2, -5, "area, cm2 is -5.0"),
        Arguments.of((DoubleFunction<Object>) Molarity::of, 31, "molarity, mol/L is 31.0"),
        Arguments.of((DoubleFunction<Object>) MolarMass::new, 0, "molar mass, g/mol is 0.0"),
        Arguments.of((DoubleFunction<Object>) Density::new, 0.1, "density, g/mL is 0.1"),
        Arguments.of((DoubleFunction<Object>) Ph::of, 15, "pH is 15.0; allowed is 0.0 to 14.0"));
  }

  @ParameterizedTest
  @MethodSource
  void nonsense(DoubleFunction<Object> make, double value, String message) {
    assertThatThrownBy(() -> make.apply(value))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageStartingWith(message);
  }

  @Test
  void aFieldIsNamedWhereAUserFilledItIn() {
    assertThatThrownBy(() -> Volume.ml("final volume", -1)).hasMessageStartingWith("final volume,");
    assertThatThrownBy(() -> Mass.g("salicylic", -1)).hasMessageStartingWith("salicylic, g");
    assertThatThrownBy(() -> Molarity.of("base", -1)).hasMessageStartingWith("base, mol/L");
  }
}
