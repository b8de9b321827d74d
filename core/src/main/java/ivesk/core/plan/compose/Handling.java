package ivesk.core.plan.compose;

import ivesk.core.Require;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import java.time.Duration;

/// How the practice handles acid on the skin, where the schools differ.
///
/// @param jessnerGap from one Jessner coat to the next, 1 to 10 min
/// @param crystalsWiped before the next coat, instead of coated over
/// @param moreInTheClock once, when the feel of a timed AHA falls early
/// @param workedIn once, on the zone that needs it most, instead of never
/// @param lids treated where a formula is made for them, instead of never
/// @param handset the client may answer by a phone or a clicker of their own
public record Handling(
    Duration jessnerGap,
    boolean crystalsWiped,
    boolean moreInTheClock,
    boolean workedIn,
    boolean lids,
    boolean handset) {
  public static final Handling USUAL =
      new Handling(Duration.ofMinutes(3), false, false, false, false, false);

  public Handling {
    Require.range("gap between Jessner coats, s", (int) jessnerGap.toSeconds(), 60, 600);
  }

  /// @param onceMore more of this formula within its clock
  static Handling of(Policies policies, boolean onceMore) {
    return new Handling(
        policies.chose(Choice.JESSNER_GAP_2_MIN) ? Duration.ofMinutes(2) : USUAL.jessnerGap,
        policies.chose(Choice.WIPE_CRYSTALS_FIRST),
        onceMore,
        policies.chose(Choice.WORKED_IN_ONCE),
        policies.chose(Choice.LIDS_BY_THEIR_OWN_FORMULA),
        policies.chose(Choice.CLIENT_HANDSET));
  }
}
