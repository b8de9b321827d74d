package ivesk.core.product;

import ivesk.core.Require;
import ivesk.core.quantity.Mass;
import java.time.Duration;

/// A mask from powder, mixed at the moment of use by the ratio on its label.
///
/// @param powder of the label's ratio, 1 to 1,000 g
/// @param water that goes with it, 1 to 2,000 g
/// @param waterC of the water, 0 to 45 C
/// @param sets time until it sets, to 30 min
/// @param lift time after which it is lifted, from when it sets to 60 min
public record MaskMix(Mass powder, Mass water, double waterC, Duration sets, Duration lift) {
  public MaskMix {
    Require.range("mask powder, g", powder.g(), 1, 1000);
    Require.range("mask water, g", water.g(), 1, 2000);
    Require.range("water for the mask, C", waterC, 0, 45);
    Require.range("time until the mask sets, s", (int) sets.toSeconds(), 1, 1800);
    Require.range(
        "time until the mask is lifted, s", (int) lift.toSeconds(), (int) sets.toSeconds(), 3600);
  }

  /// Water for some powder, by the same ratio.
  public Mass waterFor(Mass some) {
    return water.times(some.g() / powder.g());
  }
}
