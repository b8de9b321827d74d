package ivesk.core.treatment.state;

import java.time.Duration;

/// How a peel stood as END was pressed.
///
/// @param answered a number to rely on had been told with the acid on
/// @param belowHold the last number, if any, was below the hold line
/// @param calmSkin no redness above pink and no ending whitening
/// @param planReached its time, its planned layers or its planned endpoint
/// @param overBy past the contact limit; zero within it
/// @param beforeLeast sooner than the least time of the label
public record AtEnd(
    boolean answered,
    boolean belowHold,
    boolean calmSkin,
    boolean planReached,
    Duration overBy,
    boolean beforeLeast) {

  /// How long END may take to be pressed at the limit; Ivesk's own default.
  private static final Duration REACTION = Duration.ofSeconds(15);

  public boolean calm() {
    return belowHold && calmSkin;
  }

  /// Left on for longer than it takes to press END.
  public boolean late() {
    return overBy.compareTo(REACTION) > 0;
  }
}
