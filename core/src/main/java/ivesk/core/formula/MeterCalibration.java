package ivesk.core.formula;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.quantity.Ph;
import java.time.Duration;

/// A glass electrode calibrated in two buffers. Nernst: 59.16 mV a pH at 25 C, general chemistry
/// textbooks, from memory; the limits for a usable electrode are common practice, no source.
///
/// @param low reading in the more acid buffer
/// @param high reading in the other
public record MeterCalibration(Reading low, Reading high) {
  private static final double NERNST_MV = 59.16;

  /// After this the calibration has drifted too far to trust; Ivesk's own default.
  public static final Duration HOLDS = Duration.ofHours(8);

  /// @param ph of the buffer, 1 to 13
  /// @param millivolts -600 to 600
  public record Reading(Ph ph, double millivolts) {
    public Reading {
      Require.range("buffer pH", ph.value(), 1, 13);
      Require.range("electrode, mV", millivolts, -600, 600);
    }
  }

  /// @throws IllegalArgumentException when the buffers are too close, or the electrode is worn out
  public MeterCalibration {
    if (high.ph().value() - low.ph().value() < 1) {
      throw new IllegalArgumentException(
          Words.fill(
              "the buffers are pH %.2f and %.2f; they must lie 1 or more apart",
              low.ph().value(), high.ph().value()));
    }
    Require.range("slope of the electrode, %", slopePercent(low, high), 85, 105);
    Require.range("electrode at pH 7, mV", zeroMv(low, high), -30, 30);
  }

  private static double slope(Reading low, Reading high) {
    return (high.millivolts() - low.millivolts()) / (high.ph().value() - low.ph().value());
  }

  private static double zeroMv(Reading low, Reading high) {
    return low.millivolts() + (7 - low.ph().value()) * slope(low, high);
  }

  private static double slopePercent(Reading low, Reading high) {
    return -slope(low, high) / NERNST_MV * 100;
  }

  /// Of the ideal 59.16 mV a pH.
  public double slopePercent() {
    return slopePercent(low, high);
  }

  /// mV at pH 7; 0 for an ideal electrode.
  public double zeroMv() {
    return zeroMv(low, high);
  }

  /// pH of what the electrode reads.
  ///
  /// @param millivolts -600 to 600
  public Ph ph(double millivolts) {
    Require.range("electrode, mV", millivolts, -600, 600);
    return new Ph(low.ph().value() + (millivolts - low.millivolts()) / slope(low, high));
  }
}
