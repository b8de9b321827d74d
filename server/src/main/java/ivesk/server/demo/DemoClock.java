package ivesk.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/// The time at which a past visit is being run.
final class DemoClock extends Clock {
  private final ZoneId zone;
  private Instant now;

  DemoClock(ZoneId zone, Instant now) {
    this.zone = zone;
    this.now = now;
  }

  void set(Instant at) {
    now = at;
  }

  void pass(Duration time) {
    now = now.plus(time);
  }

  @Override
  public Instant instant() {
    return now;
  }

  @Override
  public ZoneId getZone() {
    return zone;
  }

  @Override
  public Clock withZone(ZoneId other) {
    return new DemoClock(other, now);
  }
}
