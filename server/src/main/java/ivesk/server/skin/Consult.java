package ivesk.server.skin;

import ivesk.core.Require;
import ivesk.core.skin.Condition;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinProfile;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The answers of one consult, version 1 of the questionnaire. Looks hold grades 0 to 3 by zone.
///
/// @param phototypeSet the therapist's own type, with a reason; the darker of both rules
/// @param flakingDaysThatFit 0, 3, 7 or 10
public record Consult(
    Map<String, Integer> phototypeScores,
    Optional<Phototype> phototypeSet,
    Optional<String> phototypeReason,
    Optional<Oil> oil,
    Optional<Sensitivity> sensitivity,
    Map<Condition, Integer> conditions,
    List<Condition> goals,
    Map<Zone, Map<LookFinding, Integer>> looks,
    Optional<Integer> flakingDaysThatFit,
    Optional<LocalDate> eventOn,
    Optional<String> eventName) {

  public static final Consult EMPTY =
      new Consult(
          Map.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Map.of(),
          List.of(),
          Map.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  public Consult {
    PhototypeQuestionnaire.total(phototypeScores);
    flakingDaysThatFit.ifPresent(days -> Require.range("days of flaking", days, 0, 30));
    looks.forEach((zone, findings) ->
        findings.forEach(
            (finding, grade) -> Require.range(zone.label() + ", " + finding.label(), grade, 0, 3)));
    if (phototypeSet.isPresent() && phototypeReason.filter(r -> !r.isBlank()).isEmpty()) {
      throw new IllegalArgumentException("a phototype set by hand needs a reason");
    }
  }

  /// The darker of questionnaire and therapist; empty until one of them has a type.
  Optional<Phototype> phototype() {
    Optional<Phototype> asked =
        PhototypeQuestionnaire.complete(phototypeScores)
            ? Optional.of(
                PhototypeQuestionnaire.type(PhototypeQuestionnaire.total(phototypeScores)))
            : Optional.empty();
    return asked.isPresent() && phototypeSet.isPresent()
        ? Optional.of(asked.get().darker(phototypeSet.get()))
        : asked.or(() -> phototypeSet);
  }

  public SkinProfile profile() {
    return new SkinProfile(phototype(), oil, sensitivity, conditions, goals);
  }

  /// Whether a look was taken, 1 bare or 2 cleansed.
  boolean looked(int look) {
    return looks.values().stream()
        .flatMap(findings -> findings.keySet().stream())
        .anyMatch(finding -> finding.look() == look);
  }
}
