package ivesk.core.skin;

import ivesk.core.Require;
import java.util.Collection;
import java.util.Map;

/// The areas of one client's skin, from body surface and age, or as the therapist entered them.
///
/// @param bodySurfaceM2 0.2 to 4
/// @param entered cm2 by region, by hand; 1 to 10,000
public record Areas(double bodySurfaceM2, int ageYears, Map<Region, Double> entered) {

  public Areas {
    Require.range("body surface, m2", bodySurfaceM2, 0.2, 4);
    entered = Map.copyOf(entered);
    entered.forEach((region, cm2) ->
        Require.range("area of " + region.withArticle() + ", cm2", cm2, 1, 10_000));
  }

  /// Area of some zones, cm2. Where an area was entered for a region, its zones share it in their
  /// proportions.
  public double cm2(Collection<Zone> zones) {
    return zones.stream().mapToDouble(this::cm2).sum();
  }

  private double cm2(Zone zone) {
    Double byHand = entered.get(zone.region());
    double computed = BodySurface.zoneCm2(bodySurfaceM2, ageYears, zone);
    return byHand == null ? computed : byHand * computed / computed(zone.region());
  }

  /// Area of a whole region as it is treated, cm2; the face without the eye contours.
  public double cm2(Region region) {
    return entered.getOrDefault(region, computed(region));
  }

  /// Before anything entered by hand, cm2.
  public double computed(Region region) {
    return Zone.inOrder(region).stream()
        .mapToDouble(zone -> BodySurface.zoneCm2(bodySurfaceM2, ageYears, zone))
        .sum();
  }
}
