package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ivesk.server.Practice.Answer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/// The Bench over HTTP: answers with the formula behind them, and kind refusals.
class BenchApiTest {
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static JsonNode ask(String tool, String facts) {
    return practice.post("/api/bench/" + tool, facts.replace('\'', '"')).body();
  }

  /// pKa 3.83 at pH 2.5 leaves 0.955 free; Yu and Van Scott 1996 give the same, from memory.
  @Test
  void freeAcidShowsItsWorking() {
    JsonNode answer = ask("free-acid", "{'substance':'GLYCOLIC','strengthPercentWv':35,'ph':2.5}");
    assertThat(answer.get("freePercentWv").asDouble()).isCloseTo(33.4, within(0.05));
    assertThat(answer.get("working").asString())
        .isEqualTo("35.0 / (1 + 10^(2.50 − 3.83)) = 35.0 × 0.955");
    assertThat(answer.get("curve").size()).isEqualTo(71);
  }

  /// Stoichiometry, worked by hand.
  @Test
  void neutraliserOfThreeMillilitresOfGlycolic35() {
    JsonNode needed =
        ask(
                "neutraliser",
                "{'components':[{'substance':'GLYCOLIC','percentWv':35}],'volumeMl':3,"
                    + "'base':'BICARBONATE','basePercentWv':10}")
            .get("needed");
    assertThat(needed.get("protonsMmol").asDouble()).isCloseTo(13.81, within(0.005));
    assertThat(needed.get("baseG").asDouble()).isCloseTo(1.160, within(0.0005));
    assertThat(needed.get("volumeMl").asDouble()).isCloseTo(11.60, within(0.005));
    assertThat(needed.get("gasL").asDouble()).isCloseTo(0.332, within(0.0005));
  }

  @Test
  void theOthersAnswer() {
    assertThat(
            ask("dilution", "{'stockPercent':70,'targetPercent':35,'finalMl':100}")
                .get("working")
                .asString())
        .isEqualTo("100.0 mL × 35.0 % / 70.0 % = 50.0 mL, made up to 100.0 mL");
    JsonNode mix =
        ask("alligation", "{'strongPercent':70,'weakPercent':20,'targetPercent':40,'finalMl':100}");
    assertThat(mix.get("strongMl").asDouble()).isCloseTo(40, within(1e-9));
    assertThat(
            ask("dose", "{'percentWv':30,'volumeMl':3,'areaCm2':600,'layers':1}")
                .get("mgPerCm2")
                .asDouble())
        .isCloseTo(1.5, within(1e-9));
    assertThat(
            ask(
                    "strength",
                    "{'substance':'GLYCOLIC','percent':70,'convention':'WW','densityGPerMl':1.27}")
                .get("percentWv")
                .asDouble())
        .isCloseTo(88.9, within(0.05));
    assertThat(
            ask("ph", "{'components':[{'substance':'TCA','percentWv':10}],'baseMolar':0}")
                .get("ph")
                .asDouble())
        .isCloseTo(0.56, within(0.005));
    assertThat(
            ask(
                    "parts",
                    "{'parts':[{'substance':'LACTIC','grams':14,'purityPercent':85}],'finalMl':100}")
                .get("made")
                .get(0)
                .get("percentWv")
                .asDouble())
        .isCloseTo(11.9, within(1e-9));
    assertThat(ask("permeability", "{'substance':'SALICYLIC'}").get("cmPerHour").asDouble())
        .isPositive();
    assertThat(practice.get("/api/bench").body().get("formulas").toString()).contains("GLY-35");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          free-acid  | {'substance':'GLYCOLIC','strengthPercentWv':120,'ph':2.5}           | 120.0
          free-acid  | {'substance':'GLYCOLIC','strengthPercentWv':35,'ph':15}             | PH is 15.0; allowed is 0.0 to 14.0
          dilution   | {'stockPercent':0,'targetPercent':0,'finalMl':100}                  | Strength of the stock, % is 0.0
          dilution   | {'stockPercent':20,'targetPercent':35,'finalMl':100}                | above the stock's 20.0 %
          dilution   | {'stockPercent':70,'targetPercent':35,'finalMl':-5}                 | Final volume, mL is -5.0
          alligation | {'strongPercent':70,'weakPercent':20,'targetPercent':90,'finalMl':1} | between the two
          dose       | {'percentWv':30,'volumeMl':-1,'areaCm2':600,'layers':1}             | Volume, mL is -1.0
          mixture    | {'onePercent':70,'oneMl':40,'otherPercent':20,'otherMl':-5,'printedPercent':40} | Volume of the second, mL is -5.0; allowed is 0 and up
          parts      | {'parts':[{'substance':'SALICYLIC','grams':-3,'purityPercent':100}],'finalMl':100} | Salicylic, g is -3.0
          parts      | {'parts':[{'substance':'LACTIC','grams':3,'purityPercent':120}],'finalMl':100} | Purity of lactic, % w/w is 120.0; allowed is 0.0 to 100.0
          strength   | {'substance':'GLYCOLIC','percent':120,'convention':'WW','densityGPerMl':1.2} | Strength, % w/w is 120.0
          strength   | {'substance':'PAPAYA','percent':10,'convention':'WV','densityGPerMl':1} | Papaya enzyme has no molar mass
          permeability | {'substance':'RETINOL'}                                           | of which no partition is given
          ph         | {'components':[{'substance':'GLYCOLIC','percentWv':35}],'baseMolar':-1} | Base, mol/L is -1.0
          """)
  void refusesNonsenseByFieldValueAndRange(String tool, String facts, String words) {
    Answer answer = practice.post("/api/bench/" + tool, facts.replace('\'', '"'));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.detail()).contains(words);
  }
}
