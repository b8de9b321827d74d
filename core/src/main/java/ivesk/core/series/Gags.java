package ivesk.core.series;

import ivesk.core.Require;
import ivesk.core.skin.Zone;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;

/// Global acne grading system: for each place its factor times the grade of its worst lesion.
/// Doshi, Zaheer and Stiller 1997, from memory.
///
/// @param grades 0 none, 1 comedone, 2 papule, 3 pustule, 4 nodule; a place that is left out has
///   none
public record Gags(Map<Place, Integer> grades) {

  public enum Place {
    FOREHEAD("forehead", 2, Zone.FOREHEAD),
    CHEEK_RIGHT("right cheek", 2, Zone.CHEEK_RIGHT),
    CHEEK_LEFT("left cheek", 2, Zone.CHEEK_LEFT),
    NOSE("nose", 1, Zone.NOSE),
    CHIN("chin", 1, Zone.CHIN),
    CHEST_AND_UPPER_BACK("chest and upper back", 3);

    private final String label;
    private final int factor;
    private final Optional<Zone> zone;

    Place(String label, int factor, Zone zone) {
      this.label = label;
      this.factor = factor;
      this.zone = Optional.of(zone);
    }

    Place(String label, int factor) {
      this.label = label;
      this.factor = factor;
      this.zone = Optional.empty();
    }

    public String label() {
      return label;
    }

    public int factor() {
      return factor;
    }

    /// Where it is on the face map; empty for what is not on the face.
    public Optional<Zone> zone() {
      return zone;
    }
  }

  public enum Severity {
    NONE("none", 0),
    MILD("mild", 18),
    MODERATE("moderate", 30),
    SEVERE("severe", 38),
    VERY_SEVERE("very severe", Integer.MAX_VALUE);

    private final String label;
    private final int most;

    Severity(String label, int most) {
      this.label = label;
      this.most = most;
    }

    public String label() {
      return label;
    }

    /// @param score 0 to 44
    public static Severity of(int score) {
      for (Severity each : values()) {
        if (score <= each.most) return each;
      }
      throw new IllegalArgumentException("score is " + score + "; it is a number from 0 to 44");
    }
  }

  public Gags {
    Map<Place, Integer> copy = new EnumMap<>(Place.class);
    copy.putAll(grades);
    copy.forEach((place, grade) -> Require.range(place.label(), grade, 0, 4));
    grades = Collections.unmodifiableMap(copy);
  }

  /// 0 to 44.
  public int score() {
    return grades.entrySet().stream().mapToInt(e -> e.getKey().factor() * e.getValue()).sum();
  }

  public Severity severity() {
    return Severity.of(score());
  }
}
