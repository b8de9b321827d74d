package ivesk.core.skin;

import ivesk.core.Require;
import ivesk.core.quantity.Area;
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

  /// Area of some zones. Where an area was entered for a region, its zones share it in their
  /// proportions.
  public Area of(Collection<Zone> zones) {
    return zones.stream().map(this::of).reduce(Area.NONE, Area::plus);
  }

  private Area of(Zone zone) {
    Area computed = BodySurface.zone(bodySurfaceM2, ageYears, zone);
    Double byHand = entered.get(zone.region());
    return byHand == null ? computed : computed.times(byHand / computed(zone.region()).cm2());
  }

  /// Area of a whole region as it is treated; the face without the eye contours.
  public Area of(Region region) {
    Double byHand = entered.get(region);
    return byHand == null ? computed(region) : Area.cm2(byHand);
  }

  /// Before anything entered by hand.
  public Area computed(Region region) {
    return Zone.inOrder(region).stream()
        .map(zone -> BodySurface.zone(bodySurfaceM2, ageYears, zone))
        .reduce(Area.NONE, Area::plus);
  }
}
