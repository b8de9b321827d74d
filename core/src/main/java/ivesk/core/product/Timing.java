package ivesk.core.product;

import ivesk.core.Words;
import java.time.Duration;
import java.util.Optional;

/// How long something stays or takes: none, or least, planned and most in their order, each from a
/// second to three hours.
public record Timing(
    Optional<Duration> least, Optional<Duration> planned, Optional<Duration> most) {
  public static final Duration LONGEST = Duration.ofHours(3);
  public static final Timing NONE =
      new Timing(Optional.empty(), Optional.empty(), Optional.empty());

  public Timing {
    within("least time", least);
    within("planned time", planned);
    within("most time", most);
    ordered("least time", least, "planned time", planned);
    ordered("planned time", planned, "most time", most);
    ordered("least time", least, "most time", most);
  }

  public static Timing of(Duration planned) {
    return new Timing(Optional.empty(), Optional.of(planned), Optional.empty());
  }

  public static Timing seconds(long planned) {
    return of(Duration.ofSeconds(planned));
  }

  public Timing with(Duration other) {
    return new Timing(least, Optional.of(other), most);
  }

  private static void within(String field, Optional<Duration> time) {
    time.ifPresent(t -> {
      if (t.toSeconds() < 1 || t.compareTo(LONGEST) > 0) {
        throw new IllegalArgumentException(
            field + " is " + t.toSeconds() + " s; allowed is 1 s to 3 h");
      }
    });
  }

  private static void ordered(
      String one, Optional<Duration> shorter, String other, Optional<Duration> longer) {
    if (shorter.isPresent() && longer.isPresent() && shorter.get().compareTo(longer.get()) > 0) {
      throw new IllegalArgumentException(
          one
              + " is "
              + Words.clock(shorter.get())
              + "; it must not pass the "
              + other
              + ", "
              + Words.clock(longer.get()));
    }
  }
}
