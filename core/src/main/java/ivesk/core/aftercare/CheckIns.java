package ivesk.core.aftercare;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/// When the practice asks how it is: 24 hours, 72 hours and a week after a peel, and two weeks
/// where marks show late. Common practice, no source.
public final class CheckIns {
  /// So often nobody is asked for again before it shows.
  public static final int TRIES = 2;

  private CheckIns() {}

  public enum State {
    COMING,
    DUE,
    /// Due, and nobody answered after two tries.
    UNANSWERED,
    TOLD,
    /// The next one was due before it was told.
    PASSED
  }

  /// @param day after the peel
  public record CheckIn(int day, LocalDate on, State state, int tries) {
    public boolean open() {
      return state == State.DUE || state == State.UNANSWERED;
    }
  }

  /// @param pigmentProne phototype IV to VI, or a skin that has answered with pigment before
  /// @return days after the peel
  public static List<Integer> days(boolean pigmentProne) {
    return pigmentProne ? List.of(1, 3, 7, 14) : List.of(1, 3, 7);
  }

  /// Each planned one as it stands. What is told on a day answers all that were due until then.
  ///
  /// @param peel the day of it
  /// @param told days on which it was told
  /// @param tries days on which nobody answered
  public static List<CheckIn> of(
      LocalDate peel,
      boolean pigmentProne,
      List<LocalDate> told,
      List<LocalDate> tries,
      LocalDate today) {
    List<Integer> days = days(pigmentProne);
    List<CheckIn> all = new ArrayList<>();
    for (int i = 0; i < days.size(); i++) {
      LocalDate on = peel.plusDays(days.get(i));
      LocalDate next = i + 1 < days.size() ? peel.plusDays(days.get(i + 1)) : LocalDate.MAX;
      int missed = (int) tries.stream().filter(day -> within(day, on, next)).count();
      all.add(new CheckIn(days.get(i), on, state(on, next, told, missed, today), missed));
    }
    return List.copyOf(all);
  }

  private static State state(
      LocalDate on, LocalDate next, List<LocalDate> told, int tries, LocalDate today) {
    if (told.stream().anyMatch(day -> within(day, on, next))) return State.TOLD;
    if (today.isBefore(on)) return State.COMING;
    if (!today.isBefore(next)) return State.PASSED;
    return tries >= TRIES ? State.UNANSWERED : State.DUE;
  }

  private static boolean within(LocalDate day, LocalDate from, LocalDate next) {
    return !day.isBefore(from) && day.isBefore(next);
  }
}
