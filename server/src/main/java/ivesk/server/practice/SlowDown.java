package ivesk.server.practice;

import ivesk.server.app.AtHand;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;

/// Makes guessing slow: after some failures in a row each further try waits twice as long.
public final class SlowDown {
  private static final Duration MOST = Duration.ofMinutes(15);

  /// Older ones are forgotten beyond so many, so that guessing fills no memory.
  private static final int REMEMBERED = 10_000;

  /// Too many wrong ones in a row.
  public static final class Slowed extends RuntimeException {
    private final transient Duration pause;

    public Slowed(Duration pause) {
      super("Too many wrong codes. Wait " + (pause.toSeconds() + 1) + " s, then try again.");
      this.pause = pause;
    }

    Duration pause() {
      return pause;
    }
  }

  private final int free;
  private final Map<String, Tries> tries = new AtHand<>(REMEMBERED);

  private record Tries(int failed, Instant next) {}

  /// @param free tries that wait for nothing
  public SlowDown(int free) {
    this.free = free;
  }

  /// Counts a try as failed until it is known better, so that tries side by side count too.
  ///
  /// @return how long to wait; empty when it may go on now
  public synchronized Optional<Duration> attempt(String key, Instant now) {
    Tries before = tries.getOrDefault(key, new Tries(0, Instant.MIN));
    if (now.isBefore(before.next())) return Optional.of(Duration.between(now, before.next()));
    int failed = before.failed() + 1;
    tries.put(key, new Tries(failed, now.plus(pause(failed))));
    return Optional.empty();
  }

  private Duration pause(int failed) {
    if (failed < free) return Duration.ZERO;
    Duration pause = Duration.ofSeconds(1L << Math.min(failed - free, 20));
    return pause.compareTo(MOST) > 0 ? MOST : pause;
  }

  /// Takes one try back that was neither right nor wrong; the others still count.
  synchronized void withdraw(String key) {
    Tries now = tries.get(key);
    if (now == null) return;
    if (now.failed() <= 1) tries.remove(key);
    else tries.put(key, new Tries(now.failed() - 1, Instant.MIN));
  }

  public synchronized void succeeded(String key) {
    tries.remove(key);
  }

  synchronized int failed(String key) {
    return tries.getOrDefault(key, new Tries(0, Instant.MIN)).failed();
  }
}
