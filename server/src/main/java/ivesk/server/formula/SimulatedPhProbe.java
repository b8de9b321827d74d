package ivesk.server.formula;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.random.RandomGenerator;
import org.springframework.stereotype.Component;

/// Stands in for a glass electrode: a little below the ideal slope, some millivolts off, drifting
/// away from the time at which it was switched on, and noisy.
@Component
class SimulatedPhProbe implements PhProbe {
  private static final double SLOPE_MV = -57.4;
  private static final double ZERO_MV = 6;
  private static final double DRIFT_MV_PER_HOUR = 0.7;
  private static final double NOISE_MV = 0.25;

  private final RandomGenerator noise = RandomGenerator.getDefault();
  private final Clock clock;
  private final Instant on;

  SimulatedPhProbe(Clock clock) {
    this.clock = clock;
    this.on = clock.instant();
  }

  @Override
  public double millivoltsIn(double ph) {
    double hours = Duration.between(on, clock.instant()).toSeconds() / 3600.0;
    double shown =
        ZERO_MV + SLOPE_MV * (ph - 7) + DRIFT_MV_PER_HOUR * hours + noise.nextGaussian() * NOISE_MV;
    return Math.round(shown * 10) / 10.0;
  }
}
