package ivesk.core.selection;

import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.skin.Region;
import java.util.List;
import java.util.Optional;

/// From which day to which this client's own skin has flaked, as it was told of earlier peels with
/// the family. It takes the place of the formula's days, and of nothing else. domain/13; Ivesk's
/// own default.
public final class OwnFlaking {
  /// Fewer show the formula's days.
  public static final int LEAST_PEELS = 3;

  private OwnFlaking() {}

  /// The soonest first day and the latest last day of what was told. Peels of a lower rung say
  /// nothing of a stronger one.
  ///
  /// @param past of this client
  /// @return empty where fewer than three were told of
  public static Optional<Flaking> of(Formula formula, Region region, List<PastPeel> past) {
    List<Flaking> told =
        past.stream()
            .filter(PastPeel::here)
            .filter(peel -> peel.formula().family() == formula.family())
            .filter(peel -> peel.formula().rung() >= formula.rung())
            .filter(peel -> peel.region() == region)
            .flatMap(peel -> peel.flaked().stream())
            .toList();
    if (told.size() < LEAST_PEELS) return Optional.empty();
    int last = told.stream().mapToInt(Flaking::last).max().orElse(0);
    int first = told.stream().filter(Flaking::expected).mapToInt(Flaking::first).min().orElse(0);
    return Optional.of(new Flaking(first, last));
  }

  /// What is expected after a peel: by this client's own earlier peels where its formula went on by
  /// itself, sooner and longer with frost. Sheet and next date read it alike.
  ///
  /// @param wentOn acids, and a retinoid that was put on
  /// @param own as [#of] has it
  public static Flaking expected(List<Formula> wentOn, Optional<Flaking> own, boolean frosted) {
    Flaking usual = Flaking.of(wentOn);
    return (alone(wentOn) ? own.orElse(usual) : usual).frosted(frosted);
  }

  /// Whether a client's own days say something of what went on.
  public static boolean alone(List<Formula> wentOn) {
    return wentOn.size() == 1;
  }

  /// By this client's own earlier peels where three were told of, else by the formula.
  public static Flaking orUsual(Formula formula, Region region, List<PastPeel> past) {
    return of(formula, region, past).orElseGet(() -> Flaking.of(List.of(formula)));
  }
}
