package ivesk.server.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.Component;
import ivesk.core.formula.Dilution;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Volume;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.json.JsonMapper;

/// What was kept in numbers is read into quantities, and written as it was.
class QuantitiesTest {
  private static final JsonMapper JSON = mapper();

  private static JsonMapper mapper() {
    JsonMapper.Builder builder = JsonMapper.builder();
    new JsonConfiguration().wire().customize(builder);
    return builder.build();
  }

  @Test
  void aComponentIsKeptWithItsUnitInTheName() {
    String kept = "{\"substance\":\"GLYCOLIC\",\"percentWv\":35.0}";
    Component component = JSON.readValue(kept, Component.class);
    assertThat(component).isEqualTo(new Component(Substance.GLYCOLIC, Strength.wv(35)));
    assertThat(JSON.writeValueAsString(component)).isEqualTo(kept);
  }

  @ParameterizedTest
  @ValueSource(strings = {"GLY-35", "JES", "ENZ-P", "LWC-8"})
  void aFormulaComesBackAsItWasKept(String code) {
    Formula formula = Library.get(code);
    assertThat(JSON.readValue(JSON.writeValueAsString(formula), Formula.class)).isEqualTo(formula);
  }

  @Test
  void aMeasureNamesItsUnits() {
    Dilution.Measure half = Dilution.dilute(Strength.wv(70), Strength.wv(35), Volume.ml(100));
    assertThat(JSON.writeValueAsString(half))
        .contains("\"stockPercent\":70.0", "\"stockMl\":50.0", "\"finalMl\":100.0")
        .contains("\"percent\":35.0");
  }

  @Test
  void nonsenseNamesItsField() {
    assertThatThrownBy(
            () -> JSON.readValue("{\"substance\":\"LACTIC\",\"percentWv\":120}", Component.class))
        .isInstanceOf(DatabindException.class)
        .hasMessageContaining("lactic strength, % w/v is 120.0; allowed is 0.0 to 100.0");
  }
}
