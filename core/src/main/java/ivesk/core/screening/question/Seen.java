package ivesk.core.screening.question;

import ivesk.core.Words;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What the looks of the day answer by themselves, until somebody answers. Common practice; where a
/// few spots become many is Ivesk's own default.
///
/// @param answer taken where nobody has answered
/// @param words where it was seen, and how much
public record Seen(Answer answer, String words) {
  /// More zones than this, or this grade anywhere, are many.
  private static final int FEW_ZONES = 3;

  private static final int MANY_GRADE = 3;

  /// By question.
  ///
  /// @param looks by zone, graded 0 to 3
  public static Map<Question, Seen> of(Map<Zone, Map<LookFinding, Integer>> looks, Region region) {
    Map<Question, Seen> seen = new EnumMap<>(Question.class);
    openSpots(looks, region).ifPresent(spots -> seen.put(Question.OPEN_SPOTS, spots));
    return seen;
  }

  private static Optional<Seen> openSpots(
      Map<Zone, Map<LookFinding, Integer>> looks, Region region) {
    List<Zone> zones = where(looks, LookFinding.OPEN_SPOTS, 1, region);
    if (zones.isEmpty()) return Optional.empty();
    boolean many =
        zones.size() > FEW_ZONES
            || !where(looks, LookFinding.OPEN_SPOTS, MANY_GRADE, region).isEmpty();
    return Optional.of(
        new Seen(
            Answer.at(many ? "many" : "few", zones.toArray(Zone[]::new)),
            "look 1 shows open spots: " + Words.list(zones.stream().map(Zone::label).toList())));
  }

  /// What was answered, and where it was seen; nothing is added to what does not apply.
  public Answer placing(Answer given) {
    return !given.zones().isEmpty() || given.choice().equals("none")
        ? given
        : new Answer(given.choice(), given.on(), given.until(), answer.zones(), given.families());
  }

  /// Zones of a region that show something at least so much.
  public static List<Zone> where(
      Map<Zone, Map<LookFinding, Integer>> looks, LookFinding finding, int atLeast, Region region) {
    return looks.entrySet().stream()
        .filter(entry -> entry.getKey().region() == region)
        .filter(entry -> entry.getValue().getOrDefault(finding, 0) >= atLeast)
        .map(Map.Entry::getKey)
        .sorted()
        .toList();
  }
}
