package ivesk.core.selection;

import ivesk.core.formula.DepthClass;

/// How long before a day that wants clear skin a peel must be. domain/04; common practice.
public final class BeforeEvent {
  private static final int FIRST_WITH_A_FAMILY = 14;
  private static final int SUPERFICIAL = 28;

  private BeforeEvent() {}

  /// @param lastOfFlakes day on which the client's skin still flakes
  /// @param first with the formula's family
  /// @return least days from the peel to the event
  public static int days(DepthClass depth, int lastOfFlakes, boolean first) {
    int needed = lastOfFlakes + 2;
    if (first) needed = Math.max(needed, FIRST_WITH_A_FAMILY);
    // Superficial, first or not.
    return depth.deeperThan(DepthClass.VERY_SUPERFICIAL) ? Math.max(needed, SUPERFICIAL) : needed;
  }
}
