package ivesk.core.plan.script;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import java.time.Duration;

/// What goes on calm skin after the acid is off, and stays: a retinoid. Common practice, no source.
///
/// @param formula one that stays
/// @param shortContact wiped off in the room, instead of washed off at home
public record AddOn(Formula formula, boolean shortContact) {
  /// Short contact lasts from the one to the other.
  public static final Duration SHORT_LEAST = Duration.ofMinutes(5);

  public static final Duration SHORT_MOST = Duration.ofMinutes(10);
  private static final int USUAL_HOURS = 6;

  public AddOn {
    if (formula.use() != Formula.Use.STAYS) {
      throw new IllegalArgumentException(formula.code() + " does not stay on; it is no add-on");
    }
  }

  /// As the practice's policy has it.
  public static AddOn of(Formula formula, Policies policies) {
    return new AddOn(formula, policies.chose(Policies.Choice.RETINOL_SHORT_CONTACT));
  }

  /// The longest that it stays: 10 minutes in short contact, else the label's hours, else 6.
  public Duration most() {
    return shortContact
        ? SHORT_MOST
        : Duration.ofHours(formula.label().staysHours().orElse(USUAL_HOURS));
  }

  public String words() {
    return shortContact
        ? "short contact, 5 to 10 min, then wiped off"
        : Words.fill("stays %d h, then washed off", most().toHours());
  }
}
