package ivesk.core.skin;

import ivesk.core.Require;
import ivesk.core.quantity.Area;
import java.util.Optional;

/// Body surface and the areas a peel covers.
public final class BodySurface {
  /// Taken when height or weight is unknown, m2; said to the user.
  public static final double UNKNOWN_M2 = 1.75;

  private BodySurface() {}

  /// sqrt(cm * kg / 3600), m2. Mosteller 1987, from memory.
  ///
  /// @param heightCm 50 to 250
  /// @param weightKg 10 to 350
  public static double mosteller(double heightCm, double weightKg) {
    Require.range("heightCm", heightCm, 50, 250);
    Require.range("weightKg", weightKg, 10, 350);
    return Math.sqrt(heightCm * weightKg / 3600);
  }

  /// Body surface, or 1.75 m2 when height or weight is unknown.
  public static double of(Optional<Double> heightCm, Optional<Double> weightKg) {
    return heightCm.isPresent() && weightKg.isPresent()
        ? mosteller(heightCm.get(), weightKg.get())
        : UNKNOWN_M2;
  }

  /// Area of the front of the head: 3.5 % of the body of an adult, 4.5 % at 15 to 17, 5.5 % at 10
  /// to 14. Lund and Browder 1944 as printed in burn charts, from memory.
  public static Area face(double bodySurfaceM2, int ageYears) {
    double share = ageYears >= 18 ? 0.035 : ageYears >= 15 ? 0.045 : 0.055;
    return body(bodySurfaceM2).times(share);
  }

  /// The client's palm with fingers, about 0.8 % of the body; to check an area by hand. Common
  /// practice, no source.
  public static Area palm(double bodySurfaceM2) {
    return body(bodySurfaceM2).times(0.008);
  }

  public static Area zone(double bodySurfaceM2, int ageYears, Zone zone) {
    return (zone.onFace() ? face(bodySurfaceM2, ageYears) : body(bodySurfaceM2))
        .times(zone.share());
  }

  private static Area body(double bodySurfaceM2) {
    return Area.cm2(bodySurfaceM2 * 10_000);
  }
}
