package ivesk.core.treatment.state;

import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.Sign.Weight;
import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;

/// What a visit keeps from stage to stage, whatever is seen or said later.
///
/// @param hadAcid zones that acid was on in an earlier stage
/// @param ended zones that were ended by themselves: they take no more acid in this visit
/// @param white zones that showed frost while acid was on, in this stage
/// @param steps of standing alarms that were done, or said to be not needed
/// @param allowed the supervising clinician let acid go on after an alarm
public record Stays(
    Set<Zone> hadAcid, Set<Zone> ended, Set<Zone> white, Set<AlarmStep> steps, boolean allowed) {

  static final Stays NOTHING = new Stays(Set.of(), Set.of(), Set.of(), Set.of(), false);

  public Stays {
    hadAcid = Set.copyOf(hadAcid);
    ended = Set.copyOf(ended);
    white = Set.copyOf(white);
    steps = Set.copyOf(steps);
  }

  /// Before the next stage.
  Stays onTo(Set<Zone> treated, Set<Zone> endedNow) {
    return new Stays(union(hadAcid, treated), union(ended, endedNow), Set.of(), steps, allowed);
  }

  Stays withWhite(Set<Zone> seen) {
    return white.containsAll(seen)
        ? this
        : new Stays(hadAcid, ended, union(white, seen), steps, allowed);
  }

  Stays withStep(AlarmStep step) {
    return new Stays(hadAcid, ended, white, union(steps, Set.of(step)), allowed);
  }

  /// Another sign of this weight asks for its steps anew.
  Stays without(Weight weight) {
    Set<AlarmStep> left = EnumSet.noneOf(AlarmStep.class);
    steps.stream().filter(step -> !weight.steps().contains(step)).forEach(left::add);
    return new Stays(hadAcid, ended, white, left, allowed);
  }

  Stays withAllowed(boolean now) {
    return new Stays(hadAcid, ended, white, steps, now);
  }

  private static <T extends Enum<T>> Set<T> union(Set<T> some, Set<T> more) {
    if (some.isEmpty()) return more;
    if (more.isEmpty()) return some;
    Set<T> all = EnumSet.copyOf(some);
    all.addAll(more);
    return Collections.unmodifiableSet(all);
  }
}
