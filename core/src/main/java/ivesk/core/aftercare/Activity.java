package ivesk.core.aftercare;

import java.time.ZonedDateTime;
import java.util.function.UnaryOperator;

/// What rests after a peel, and for how long after a very superficial and after a superficial one,
/// as the table of domain/08 reads. Common practice, no source.
public enum Activity {
  MAKE_UP(theSameDay(), hours(24)),
  EXERCISE_AND_HEAT(hours(24), hours(48)),
  /// Vitamin C in acid form too. The schools have 3 or 7 days: the policy chooses.
  ACIDS_AND_SCRUBS(days(3), days(3)),
  RETINOID(days(5), days(7)),
  OTHER_TREATMENTS(days(7), days(14)),
  /// Without strict care.
  SUN(days(14), days(28)),
  /// After a first peel; Ivesk's own default.
  HOME_ACIDS(days(28), days(28)),
  /// Where flakes are due, until the skin is clear.
  PICKING(theSameDay(), theSameDay());

  private final UnaryOperator<ZonedDateTime> verySuperficial;
  private final UnaryOperator<ZonedDateTime> superficial;

  Activity(UnaryOperator<ZonedDateTime> verySuperficial, UnaryOperator<ZonedDateTime> superficial) {
    this.verySuperficial = verySuperficial;
    this.superficial = superficial;
  }

  /// @param ended when the acid came off
  /// @return the first moment at which it is allowed again, as far as the depth goes
  ZonedDateTime free(ZonedDateTime ended, boolean isSuperficial) {
    return (isSuperficial ? superficial : verySuperficial).apply(ended);
  }

  /// What works on the skin: after an incident it returns only once the practice says so.
  boolean active() {
    return switch (this) {
      case ACIDS_AND_SCRUBS, HOME_ACIDS, RETINOID, OTHER_TREATMENTS -> true;
      case MAKE_UP, EXERCISE_AND_HEAT, SUN, PICKING -> false;
    };
  }

  private static UnaryOperator<ZonedDateTime> hours(int hours) {
    return ended -> ended.plusHours(hours);
  }

  private static UnaryOperator<ZonedDateTime> theSameDay() {
    return days(1);
  }

  private static UnaryOperator<ZonedDateTime> days(int days) {
    return ended -> ended.toLocalDate().plusDays(days).atStartOfDay(ended.getZone());
  }
}
