package ivesk.core.skin;

import ivesk.core.Require;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/// Lactic acid sting test: 10 % lactic at the nasolabial fold, the other side plain; sting 0 to 3,
/// read after 2.5 and 5 minutes. Common practice, modified after Frosch and Kligman 1977, from
/// memory.
///
/// @param startedAt when the acid touched the skin
/// @param first sting at 2.5 min, 0 to 3
/// @param second sting at 5 min, 0 to 3
public record StingTest(Instant startedAt, Optional<Integer> first, Optional<Integer> second) {
  public static final Duration FIRST_READ = Duration.ofSeconds(150);
  public static final Duration SECOND_READ = Duration.ofMinutes(5);

  /// Not within this many days before a peel.
  public static final int DAYS_BEFORE_PEEL = 7;

  public StingTest {
    first.ifPresent(sting -> Require.range("sting at 2.5 min", sting, 0, 3));
    second.ifPresent(sting -> Require.range("sting at 5 min", sting, 0, 3));
  }

  /// Mean of the two reads, 0 to 3; empty until both are there.
  public Optional<Double> score() {
    return first.isPresent() && second.isPresent()
        ? Optional.of((first.get() + second.get()) / 2.0)
        : Optional.empty();
  }

  /// Raises sensitivity to at least 2.
  public boolean positive() {
    return score().filter(score -> score >= 1).isPresent();
  }
}
