package ivesk.server.formula;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.MeterCalibration;
import ivesk.core.formula.MeterCalibration.Reading;
import ivesk.core.quantity.Ph;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The pH meter of the Bench: calibrated in two buffers, then dipped into a bottle. One meter for
/// the practice; it forgets its calibration when the server stops, as a meter does when switched
/// off.
@May(Right.KNOW)
@RestController
@StatelessQuestion
@RequestMapping("/api/bench/ph-meter")
class PhMeterController {

  enum Buffer {
    PH_4_01(4.01),
    PH_7_00(7.00);

    private final double ph;

    Buffer(double ph) {
      this.ph = ph;
    }
  }

  private record Dip(Reading reading, Instant at) {}

  private final PhProbe probe;
  private final ShelfService shelf;
  private final Clock clock;
  private final Map<Buffer, Dip> dips = new EnumMap<>(Buffer.class);

  PhMeterController(PhProbe probe, ShelfService shelf, Clock clock) {
    this.probe = probe;
    this.shelf = shelf;
    this.clock = clock;
  }

  /// @param millivolts in each buffer, where it was dipped
  /// @param slopePercent of the ideal 59.16 mV a pH
  /// @param ageMinutes since the older of the two dips
  /// @param drifted too old to be trusted
  record MeterView(
      Map<Buffer, Double> millivolts,
      Optional<Double> slopePercent,
      Optional<Double> zeroMv,
      Optional<Long> ageMinutes,
      boolean drifted) {}

  record BufferDip(Buffer buffer) {}

  record BottleDip(String formula) {}

  /// @param label pH on the label
  /// @param freePercentWv free acid at the pH measured
  record BottleReading(
      double millivolts,
      double ph,
      double label,
      double freePercentWv,
      double labelFreePercentWv) {}

  @GetMapping
  synchronized MeterView meter() {
    Optional<MeterCalibration> calibration = calibration();
    Map<Buffer, Double> read = new EnumMap<>(Buffer.class);
    dips.forEach((buffer, dip) -> read.put(buffer, dip.reading().millivolts()));
    Optional<Duration> age = calibration.map(c -> age());
    return new MeterView(
        read,
        calibration.map(MeterCalibration::slopePercent),
        calibration.map(MeterCalibration::zeroMv),
        age.map(Duration::toMinutes),
        age.filter(since -> since.compareTo(MeterCalibration.HOLDS) > 0).isPresent());
  }

  @PostMapping("/buffer")
  synchronized MeterView dip(@RequestBody BufferDip body) {
    Instant now = clock.instant();
    double millivolts = probe.millivoltsIn(body.buffer().ph);
    // The first dip of a new calibration lets go of the old one.
    dips.values()
        .removeIf(dip -> Duration.between(dip.at(), now).compareTo(Duration.ofMinutes(30)) > 0);
    dips.put(body.buffer(), new Dip(new Reading(Ph.of(body.buffer().ph), millivolts), now));
    return meter();
  }

  /// The bottle's true pH is near its label's, and the same bottle stays the same.
  @PostMapping("/bottle")
  synchronized BottleReading read(@RequestBody BottleDip body) {
    MeterCalibration calibration =
        calibration()
            .orElseThrow(() -> new Refused("The meter is not calibrated. Dip it in both buffers."));
    if (age().compareTo(MeterCalibration.HOLDS) > 0) {
      throw new Refused(
          Words.fill(
              "The calibration is %d hours old and has drifted. Dip it in both buffers again.",
              age().toHours()));
    }
    Formula formula = shelf.shelf().get(body.formula());
    double label =
        formula
            .ph()
            .map(Ph::value)
            .orElseThrow(() ->
                new BadInput(
                    "formula", formula.code() + " holds no water that a meter could read"));
    double truth = label + new Random(formula.code().hashCode()).nextDouble(-0.12, 0.12);
    double millivolts = probe.millivoltsIn(truth);
    double ph = Math.round(calibration.ph(millivolts).value() * 100) / 100.0;
    return new BottleReading(
        millivolts,
        ph,
        label,
        FreeAcid.of(formula, Ph.of(ph)).percent(),
        FreeAcid.of(formula).percent());
  }

  private Optional<MeterCalibration> calibration() {
    return dips.size() < 2
        ? Optional.empty()
        : Optional.of(
            new MeterCalibration(
                dips.get(Buffer.PH_4_01).reading(), dips.get(Buffer.PH_7_00).reading()));
  }

  private Duration age() {
    Instant first = dips.values().stream().map(Dip::at).min(Instant::compareTo).orElseThrow();
    return Duration.between(first, clock.instant());
  }
}
