package ivesk.server.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.LongSupplier;

/// Time that is never set. The JVM's own stands still while the machine sleeps; where the system
/// counts its sleep too (Linux: /proc/uptime, to 0.01 s), what was slept is added.
final class RunningTime implements LongSupplier {
  private static final Path UPTIME = Path.of("/proc/uptime");
  private static final long SLEPT_NANOS = 1_000_000_000L;

  private final LongSupplier awakeNanos;
  private final LongSupplier uptimeNanos;
  private volatile long sleptNanos;

  RunningTime() {
    this(System::nanoTime, RunningTime::uptime);
  }

  /// @param uptimeNanos with sleep; negative where nobody knows
  RunningTime(LongSupplier awakeNanos, LongSupplier uptimeNanos) {
    this.awakeNanos = awakeNanos;
    this.uptimeNanos = uptimeNanos;
    this.sleptNanos = difference();
  }

  private long difference() {
    long up = uptimeNanos.getAsLong();
    return up < 0 ? 0 : up - awakeNanos.getAsLong();
  }

  /// Adds what was slept since the last look.
  void look() {
    long difference = difference();
    if (difference - sleptNanos > SLEPT_NANOS) sleptNanos = difference;
  }

  @Override
  public long getAsLong() {
    return awakeNanos.getAsLong() + sleptNanos;
  }

  private static long uptime() {
    try {
      String seconds = Files.readString(UPTIME).split(" ")[0];
      return (long) (Double.parseDouble(seconds) * 1e9);
    } catch (IOException | NumberFormatException unknownHere) {
      return -1;
    }
  }
}
