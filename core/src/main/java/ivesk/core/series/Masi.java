package ivesk.core.series;

import ivesk.core.Require;
import ivesk.core.skin.Zone;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/// Melasma area and severity index: for forehead, right and left malar region 0.3, for the chin
/// 0.1, times area times the sum of darkness and homogeneity; 0 to 48. Kimbrough-Green et al. 1994,
/// from memory. The modified index leaves homogeneity out; 0 to 24. Pandya et al. 2011, from
/// memory.
///
/// @param parts a place that is left out has none
public record Masi(Map<Place, Part> parts) {

  public enum Place {
    FOREHEAD("forehead", 0.3, Zone.FOREHEAD),
    MALAR_RIGHT("right cheek", 0.3, Zone.CHEEK_RIGHT),
    MALAR_LEFT("left cheek", 0.3, Zone.CHEEK_LEFT),
    CHIN("chin", 0.1, Zone.CHIN);

    private final String label;
    private final double weight;
    private final Zone zone;

    Place(String label, double weight, Zone zone) {
      this.label = label;
      this.weight = weight;
      this.zone = zone;
    }

    public String label() {
      return label;
    }

    public double weight() {
      return weight;
    }

    /// Where it is on the face map.
    public Zone zone() {
      return zone;
    }
  }

  /// @param area 0 to 6, as [Masi#areaGrade] has it
  /// @param darkness 0 absent, 1 slight, 2 mild, 3 marked, 4 severe
  /// @param homogeneity 0 to 4
  public record Part(int area, int darkness, int homogeneity) {
    public Part {
      Require.range("area", area, 0, 6);
      Require.range("darkness", darkness, 0, 4);
      Require.range("homogeneity", homogeneity, 0, 4);
    }
  }

  public Masi {
    parts = Collections.unmodifiableMap(copy(parts));
  }

  private static Map<Place, Part> copy(Map<Place, Part> parts) {
    Map<Place, Part> copy = new EnumMap<>(Place.class);
    copy.putAll(parts);
    return copy;
  }

  /// The grade of an area involved: 0 none, 1 under 10 %, 2 to 29, 3 to 49, 4 to 69, 5 to 89, 6 to
  /// 100.
  ///
  /// @param percent 0 to 100
  public static int areaGrade(double percent) {
    Require.range("area involved, %", percent, 0, 100);
    if (percent == 0) return 0;
    if (percent < 10) return 1;
    return Math.min(6, 2 + (int) Math.floor((percent - 10) / 20));
  }

  /// 0 to 48.
  public double masi() {
    return sum(true);
  }

  /// The modified index, 0 to 24.
  public double modified() {
    return sum(false);
  }

  private double sum(boolean homogeneity) {
    double tenths = 0;
    for (Place place : Place.values()) {
      Part part = parts.getOrDefault(place, new Part(0, 0, 0));
      int severity = part.darkness() + (homogeneity ? part.homogeneity() : 0);
      tenths += Math.round(place.weight() * 10) * part.area() * severity;
    }
    return tenths / 10;
  }
}
