package ivesk.core.skin;

import ivesk.core.Require;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What the consult found, as screening and selection read it.
///
/// @param phototype empty until the questionnaire is complete or the therapist has set it
/// @param phototypeDispute two readings of it too far apart and not settled, in words
/// @param oil empty until asked
/// @param sensitivity empty until asked
/// @param severities 1 mild to 3 severe; an absent condition is 0
/// @param goals up to three, first first
public record SkinProfile(
    Optional<Phototype> phototype,
    Optional<String> phototypeDispute,
    Optional<Oil> oil,
    Optional<Sensitivity> sensitivity,
    Map<Condition, Integer> severities,
    List<Condition> goals) {

  public SkinProfile {
    severities = Map.copyOf(severities);
    goals = List.copyOf(goals);
    severities.forEach((condition, grade) -> Require.range(condition.label(), grade, 0, 3));
    Require.range("number of goals", goals.size(), 0, 3);
    if (new HashSet<>(goals).size() != goals.size()) {
      throw new IllegalArgumentException("goals name the same thing twice: " + goals);
    }
  }

  /// As graded; a named goal is a condition of at least 1.
  public int severity(Condition condition) {
    return Math.max(severities.getOrDefault(condition, 0), goals.contains(condition) ? 1 : 0);
  }

  public boolean has(Condition condition) {
    return severity(condition) > 0;
  }

  public boolean rosacea() {
    return Arrays.stream(Condition.values()).anyMatch(c -> c.rosacea() && has(c));
  }

  public boolean melasma() {
    return Arrays.stream(Condition.values()).anyMatch(c -> c.melasma() && has(c));
  }

  public boolean scars() {
    return Arrays.stream(Condition.values()).anyMatch(c -> c.scars() && has(c));
  }

  public boolean sensitiveAtLeast(Sensitivity least) {
    return sensitivity.isPresent() && sensitivity.get().atLeast(least);
  }
}
