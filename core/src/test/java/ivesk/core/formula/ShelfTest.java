package ivesk.core.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.Formula.Label;
import ivesk.core.formula.Formula.Vehicle;
import ivesk.core.formula.Lot.State;
import ivesk.core.formula.MeterCalibration.Reading;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Region;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/// Labels, bottles, scanner and meter.
class ShelfTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

  /// GLY-35 as a practice's own product.
  static Formula own(String code, int rung, Optional<String> replaces, boolean buffered) {
    Formula like = Library.get("GLY-35");
    return new Formula(
        code,
        "Own glycolic",
        Family.GLYCOLIC,
        rung,
        false,
        List.of(Component.of(Substance.GLYCOLIC, 35)),
        Optional.of(Ph.of(3.83)),
        buffered ? Vehicle.WATER : Vehicle.GEL,
        like.use(),
        like.firstContact(),
        like.mostContact(),
        1,
        1,
        like.dwell(),
        like.libraryDepth(),
        like.band(),
        like.ending(),
        14,
        6,
        8,
        1,
        2,
        new Label(
            1,
            Set.of(Region.FACE),
            Optional.empty(),
            "",
            buffered,
            false,
            "",
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            "",
            replaces));
  }

  static Lot lot(
      String code, String number, LocalDate expires, Optional<LocalDate> opened, double left) {
    return new Lot(
        code,
        number,
        DAY.minusDays(300),
        expires,
        opened,
        Optional.of(6),
        Volume.ml(100),
        Volume.ml(left));
  }

  @Nested
  class Bottles {

    @ParameterizedTest
    @CsvSource({
      "2026-11-28, , 100, GOOD",
      "2026-11-27, , 100, EXPIRED",
      "2027-11-28, 2026-05-28, 100, GOOD",
      "2027-11-28, 2026-05-27, 100, OPEN_TOO_LONG",
      "2027-11-28, , 20, LOW",
      "2027-11-28, , 20.1, GOOD",
      "2026-01-01, , 0, EMPTY"
    })
    void standByTheirDatesAndVolume(
        LocalDate expires, LocalDate opened, double left, State expected) {
      LocalDate received = expires.isBefore(DAY.minusDays(300)) ? expires : DAY.minusDays(300);
      Lot lot =
          new Lot(
              "GLY-35",
              "A",
              received,
              expires,
              Optional.ofNullable(opened),
              Optional.of(6),
              Volume.ml(100),
              Volume.ml(left));
      assertThat(lot.state(DAY)).isEqualTo(expected);
    }

    @Test
    void anOpenOneIsTakenBeforeASealedOneAndNeverOneThatIsOver() {
      Lot sealed = lot("GLY-35", "SEALED", DAY.plusDays(20), Optional.empty(), 100);
      Lot open = lot("GLY-35", "OPEN", DAY.plusDays(300), Optional.of(DAY.minusDays(9)), 30);
      Lot over = lot("GLY-35", "OVER", DAY.minusDays(1), Optional.of(DAY.minusDays(9)), 90);
      assertThat(Shelf.with(List.of(), List.of(sealed, over, open)).toTake("GLY-35", DAY))
          .contains(open);
      assertThat(Shelf.with(List.of(), List.of(sealed, over)).toTake("GLY-35", DAY))
          .contains(sealed);
      Shelf none = Shelf.with(List.of(), List.of(over));
      assertThat(none.toTake("GLY-35", DAY)).isEmpty();
      assertThat(none.nothingLeft("GLY-35", DAY).orElseThrow())
          .contains("lot OVER")
          .contains("expired");
      assertThat(none.nothingLeft("GLY-20", DAY)).as("not counted").isEmpty();
    }

    @Test
    void refuseWhatCannotBe() {
      assertThatThrownBy(() -> lot("GLY-35", " ", DAY, Optional.empty(), 1))
          .hasMessageContaining("lot number is empty");
      assertThatThrownBy(() -> lot("GLY-35", "A", DAY, Optional.empty(), 101))
          .hasMessageContaining("101.0")
          .hasMessageContaining("0.0 to 100.0");
      assertThatThrownBy(() -> lot("GLY-35", "A", DAY.minusDays(301), Optional.empty(), 1))
          .hasMessageContaining("expiry");
      assertThatThrownBy(() -> lot("GLY-35", "A", DAY, Optional.of(DAY.minusDays(301)), 1))
          .hasMessageContaining("opened");
    }
  }

  @Nested
  class OwnProducts {

    @Test
    void standBesideTheShippedOrInTheirPlace() {
      Shelf beside = Shelf.with(List.of(own("MINE", 2, Optional.empty(), false)), List.of());
      assertThat(beside.formulas()).hasSize(Library.FORMULAS.size() + 1);
      assertThat(beside.get("MINE").label().version()).isEqualTo(1);
      Shelf instead = Shelf.with(List.of(own("MINE", 2, Optional.of("GLY-35"), false)), List.of());
      assertThat(instead.formulas()).hasSize(Library.FORMULAS.size());
      assertThat(instead.find("GLY-35")).isEmpty();
      assertThatThrownBy(() -> instead.get("GLY-35")).hasMessageContaining("not on the shelf");
    }

    /// Half-neutralised at pH = pKa: half the acid's protons are left, general chemistry textbooks.
    @Test
    void baseInThemCountsOnlyWhereTheLabelSaysBufferedInWater() {
      assertThat(protonsMmol(own("GEL", 2, Optional.empty(), false)))
          .isCloseTo(13.81, within(0.005));
      assertThat(protonsMmol(own("WATER", 2, Optional.empty(), true)))
          .isCloseTo(13.81 / 2, within(0.01));
    }

    private static double protonsMmol(Formula formula) {
      return Neutraliser.of(formula, Volume.ml(3), Neutraliser.Base.BICARBONATE, Strength.wv(10))
          .protons()
          .mmol();
    }

    @Test
    void bufferedInAGelIsRefused() {
      Formula gel = Library.get("GLY-35");
      assertThatThrownBy(() ->
              new Formula(
                  "X",
                  "x",
                  Family.GLYCOLIC,
                  1,
                  true,
                  gel.components(),
                  gel.ph(),
                  Vehicle.GEL,
                  gel.use(),
                  gel.firstContact(),
                  gel.mostContact(),
                  1,
                  1,
                  gel.dwell(),
                  gel.libraryDepth(),
                  gel.band(),
                  gel.ending(),
                  14,
                  6,
                  8,
                  1,
                  2,
                  new Label(
                      1,
                      Set.of(Region.FACE),
                      Optional.empty(),
                      "",
                      true,
                      false,
                      "",
                      Optional.empty(),
                      Optional.empty(),
                      Optional.empty(),
                      "",
                      Optional.empty())))
          .hasMessageContaining("buffered in water");
    }

    /// Salon use up to 30 % at pH 3.0 and up; CIR 1998, reaffirmed 2013, from memory.
    @ParameterizedTest
    @CsvSource({
      "LAC-30, false",
      "LAC-10, false",
      "GLY-20, false",
      "GLY-35, true",
      "LAC-50, true",
      "MAN-40, false",
      "SAL-30, false",
      "SLA-15, true",
      "PHA-15, false"
    })
    void theSalonFigureIsOfGlycolicAndLacticOnly(String code, boolean above) {
      assertThat(Library.get(code).aboveSalonFigure()).isEqualTo(above);
    }
  }

  /// GS1 General Specifications, from memory.
  @Nested
  class Scanner {

    @Test
    void readsProductLotExpiryAndVolume() {
      ScannedLabel label = ScannedLabel.of("(240)GLY-35(10)L2231(17)270630(3153)000100\n");
      assertThat(label)
          .isEqualTo(
              new ScannedLabel(
                  Optional.of("GLY-35"),
                  Optional.of("L2231"),
                  Optional.of(LocalDate.of(2027, 6, 30)),
                  Optional.of(Volume.ml(100))));
      assertThat(ScannedLabel.of("(17)280200").expires())
          .as("day 00 is the last of the month")
          .contains(LocalDate.of(2028, 2, 29));
    }

    /// 3 x (0+0+0+0+0+0+1) + 0 = 3, so that the check digit is 7.
    @Test
    void checksTheDigitOfTheItemNumber() {
      assertThat(ScannedLabel.of("(01)00000000000017(10)A").lot()).contains("A");
      assertThatThrownBy(() -> ScannedLabel.of("(01)00000000000018(10)A"))
          .hasMessageContaining("check digit");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "4012345", "(10)A and more (", "(17)271345", "(3153)1OO"})
    void refusesWhatItCannotRead(String text) {
      assertThatThrownBy(() -> ScannedLabel.of(text))
          .isInstanceOf(IllegalArgumentException.class)
          .hasMessageMatching("(the code|expiry|volume).*");
    }
  }

  /// Nernst: 59.16 mV a pH at 25 C, general chemistry textbooks, from memory.
  @Nested
  class Meter {

    @Test
    void anIdealElectrodeReadsItsMillivolts() {
      MeterCalibration ideal =
          new MeterCalibration(new Reading(Ph.of(4.01), 59.16 * 2.99), new Reading(Ph.of(7), 0));
      assertThat(ideal.slopePercent()).isCloseTo(100, within(1e-9));
      assertThat(ideal.zeroMv()).isCloseTo(0, within(1e-9));
      assertThat(ideal.ph(59.16 * 4.5).value()).isCloseTo(2.5, within(1e-9));
    }

    @Test
    void twoPointsTakeSlopeAndOffsetOut() {
      // 97 % of the slope, 6 mV off.
      double slope = -59.16 * 0.97;
      MeterCalibration real =
          new MeterCalibration(
              new Reading(Ph.of(4.01), 6 + slope * (4.01 - 7)), new Reading(Ph.of(7), 6));
      assertThat(real.slopePercent()).isCloseTo(97, within(1e-9));
      assertThat(real.ph(6 + slope * (2.2 - 7)).value()).isCloseTo(2.2, within(1e-9));
    }

    @Test
    void refusesAWornElectrodeAndBuffersThatAreTheSame() {
      assertThatThrownBy(
              () -> new MeterCalibration(new Reading(Ph.of(4.01), 120), new Reading(Ph.of(7), 0)))
          .hasMessageContaining("slope of the electrode");
      assertThatThrownBy(
              () -> new MeterCalibration(new Reading(Ph.of(4.01), 220), new Reading(Ph.of(7), 45)))
          .hasMessageContaining("at pH 7");
      assertThatThrownBy(
              () -> new MeterCalibration(new Reading(Ph.of(7), 0), new Reading(Ph.of(7), 0)))
          .hasMessageContaining("1 or more apart");
    }
  }

  @Nested
  class Mixtures {

    private static Strength mixed(double one, double oneMl, double other, double otherMl) {
      return Dilution.mixed(
          Strength.wv(one), Volume.ml(oneMl), Strength.wv(other), Volume.ml(otherMl));
    }

    /// The alligation's answer, read backwards: 40 mL of 70 % and 60 mL of 20 % hold 40 %.
    @Test
    void holdWhatWasMixed() {
      assertThat(mixed(70, 40, 20, 60).percent()).isCloseTo(40, within(1e-9));
      assertThatThrownBy(() -> mixed(120, 40, 20, 60)).hasMessageContaining("120.0");
      assertThatThrownBy(() -> mixed(70, 0, 20, 0)).hasMessageContaining("0 mL");
    }
  }
}
