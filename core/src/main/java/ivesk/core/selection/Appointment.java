package ivesk.core.selection;

import ivesk.core.formula.Formula;
import java.time.Duration;
import java.util.Optional;

/// How long an appointment takes. All but the acid's own time is Ivesk's own default.
public final class Appointment {
  /// Looks and two cleanses.
  public static final Duration CLEANSE = Duration.ofMinutes(8);

  /// The prep wipe and the answer to it.
  public static final Duration PREP = Duration.ofMinutes(2);

  /// Barrier gel, eye pads.
  public static final Duration GUARD = Duration.ofMinutes(2);

  public static final Duration ENDING = Duration.ofMinutes(6);
  public static final Duration CARE = Duration.ofMinutes(5);
  public static final Duration SPARE = Duration.ofMinutes(10);
  private static final Duration SPREAD = Duration.ofSeconds(60);

  private Appointment() {}

  /// Time with acid on: the contact limit, or a minute to spread and the dwell for each layer, the
  /// last one as long as it stays.
  ///
  /// @param contact empty for formulas without minutes
  public static Duration acid(Formula formula, Optional<Duration> contact, int layers) {
    return contact.orElseGet(() ->
        formula
            .dwell()
            .multipliedBy(layers - 1L)
            .plus(SPREAD.multipliedBy(layers))
            .plus(formula.lastStays()));
  }

  /// The whole of it, for one stage.
  public static Duration length(Formula formula, Optional<Duration> contact, int layers) {
    return CLEANSE
        .plus(PREP)
        .plus(GUARD)
        .plus(acid(formula, contact, layers))
        .plus(ENDING)
        .plus(CARE)
        .plus(SPARE);
  }
}
