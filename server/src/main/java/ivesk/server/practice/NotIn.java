package ivesk.server.practice;

import java.time.Duration;
import java.util.Optional;

/// Somebody is not let in.
class NotIn extends RuntimeException {
  private final boolean codeNeeded;
  private final Optional<Duration> wait;

  NotIn(String why, boolean codeNeeded, Optional<Duration> wait) {
    super(why);
    this.codeNeeded = codeNeeded;
    this.wait = wait;
  }

  /// The password was right; the code of the second factor is asked for.
  boolean codeNeeded() {
    return codeNeeded;
  }

  /// How long to wait before the next try.
  Optional<Duration> retryAfter() {
    return wait;
  }

  static NotIn wrong() {
    return new NotIn("Name and password do not belong together.", false, Optional.empty());
  }

  static NotIn tooMany(Duration pause) {
    long seconds = pause.plusMillis(999).toSeconds();
    return new NotIn(
        "Too many tries that were wrong. Try again in "
            + (seconds < 90 ? seconds + " s" : (seconds + 59) / 60 + " min")
            + "; the right password is not counted against you then.",
        false,
        Optional.of(pause));
  }
}
