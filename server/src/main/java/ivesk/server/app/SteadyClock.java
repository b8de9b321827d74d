package ivesk.server.app;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.function.LongSupplier;

/// The time of the practice. It runs on the machine's running time, from the wall clock as it was
/// at the start: setting the wall clock moves nothing that runs. Small differences are taken over
/// bit by bit; a large one is a jump, and whether it is taken over is decided outside.
public final class SteadyClock extends Clock {
  /// Smaller differences are drift, ms.
  static final long JUMP_MILLIS = 2_000;

  /// Drift taken over at each look, ms.
  private static final long STEP_MILLIS = 20;

  private final LongSupplier wallMillis;
  private final LongSupplier runningNanos;
  private volatile long offsetNanos;
  private volatile ZoneId zone;

  /// @param wallMillis since 1970, as the machine is set
  /// @param runningNanos since anything, never set, counting through sleep
  SteadyClock(ZoneId zone, LongSupplier wallMillis, LongSupplier runningNanos) {
    this.zone = zone;
    this.wallMillis = wallMillis;
    this.runningNanos = runningNanos;
    this.offsetNanos = wallMillis.getAsLong() * 1_000_000 - runningNanos.getAsLong();
  }

  @Override
  public Instant instant() {
    long nanos = offsetNanos + runningNanos.getAsLong();
    return Instant.ofEpochSecond(
        Math.floorDiv(nanos, 1_000_000_000L), Math.floorMod(nanos, 1_000_000_000L));
  }

  /// How far the wall clock is ahead; negative where it is behind.
  public Duration ahead() {
    return Duration.ofMillis(wallMillis.getAsLong() - instant().toEpochMilli());
  }

  /// Looks at the wall clock: takes over a bit of a drift.
  ///
  /// @return whether it has jumped
  boolean jumped() {
    long ahead = ahead().toMillis();
    if (Math.abs(ahead) >= JUMP_MILLIS) return true;
    offsetNanos += Math.clamp(ahead, -STEP_MILLIS, STEP_MILLIS) * 1_000_000;
    return false;
  }

  /// Takes the wall clock's time over, whatever it is.
  void follow() {
    offsetNanos = wallMillis.getAsLong() * 1_000_000 - runningNanos.getAsLong();
  }

  /// Goes on from a time that was kept, where the wall clock is behind it.
  public void notBefore(Instant kept) {
    Duration behind = Duration.between(instant(), kept);
    if (behind.isPositive()) offsetNanos += behind.toNanos();
  }

  /// From now on days and hours are those of another zone.
  public void moveTo(ZoneId other) {
    zone = other;
  }

  @Override
  public ZoneId getZone() {
    return zone;
  }

  /// The same time, said in another zone.
  @Override
  public Clock withZone(ZoneId other) {
    return Clock.offset(this, Duration.ZERO).withZone(other);
  }
}
