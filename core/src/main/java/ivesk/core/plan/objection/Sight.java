package ivesk.core.plan.objection;

import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Setting;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/// What a rule sees.
///
/// @param besides settings of other regions of which it names zones
/// @param before runs done earlier in the visit
/// @param tooShort the slot, where it is shorter than the steps
/// @param minutes of the whole appointment
record Sight(
    Script script,
    Setting setting,
    Map<Region, Setting> besides,
    List<Run> before,
    Optional<Duration> tooShort,
    long minutes) {

  Stream<Line> lines() {
    return script.lines().stream();
  }

  boolean chose(Choice choice) {
    return setting.policies().chose(choice);
  }

  Setting settingOf(Region there) {
    return besides.getOrDefault(there, setting);
  }

  boolean isFace() {
    return script.region() == Region.FACE || script.region() == Region.EYE_CONTOUR;
  }
}
