package ivesk.core.aftercare;

import java.util.List;

/// When the practice asks how it is: 24 hours, 72 hours and a week after a peel, and two weeks
/// where marks show late. Common practice, no source.
public final class CheckIns {
  private CheckIns() {}

  /// @param pigmentProne phototype IV to VI, or a skin that has answered with pigment before
  /// @return days after the peel
  public static List<Integer> days(boolean pigmentProne) {
    return pigmentProne ? List.of(1, 3, 7, 14) : List.of(1, 3, 7);
  }
}
