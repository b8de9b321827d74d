package ivesk.core.plan.script;

import ivesk.core.selection.Appointment;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.List;
import java.util.Map;

/// The script of one region in its setting.
///
/// @param besides settings of other regions of which it names zones
public record Run(Script script, Setting setting, Map<Region, Setting> besides) {
  public Run {
    besides = Map.copyOf(besides);
  }

  public Run(Script script, Setting setting) {
    this(script, setting, Map.of());
  }

  /// Of the appointment: all steps and the spare time, begun minutes counted.
  public static long minutes(List<Run> runs) {
    Duration steps =
        runs.stream().map(run -> run.script().length()).reduce(Duration.ZERO, Duration::plus);
    return (steps.plus(Appointment.SPARE).toSeconds() + 59) / 60;
  }
}
