package ivesk.core.skin;

import java.util.List;
import java.util.stream.Stream;

/// A zone of the skin. Left and right are the client's.
public enum Zone {
  FOREHEAD("forehead", Region.FACE, 0.20),
  GLABELLA("glabella", Region.FACE, 0.03),
  TEMPLE_RIGHT("right temple", Region.FACE, 0.03),
  TEMPLE_LEFT("left temple", Region.FACE, 0.03),
  EYE_RIGHT("right eye contour", Region.EYE_CONTOUR, 0.04),
  EYE_LEFT("left eye contour", Region.EYE_CONTOUR, 0.04),
  NOSE("nose", Region.FACE, 0.07),
  CHEEK_RIGHT("right cheek", Region.FACE, 0.16),
  CHEEK_LEFT("left cheek", Region.FACE, 0.16),
  UPPER_LIP("upper lip", Region.FACE, 0.03),
  CHIN("chin", Region.FACE, 0.07),
  JAW_RIGHT("right jawline", Region.FACE, 0.07),
  JAW_LEFT("left jawline", Region.FACE, 0.07),
  NECK("neck", Region.NECK_DECOLLETAGE, 0.01),
  DECOLLETAGE("decolletage", Region.NECK_DECOLLETAGE, 0.02),
  HAND_RIGHT("back of the right hand", Region.HANDS, 0.0125),
  HAND_LEFT("back of the left hand", Region.HANDS, 0.0125),
  BACK_UPPER("upper back", Region.BACK, 0.065),
  BACK_LOWER("lower back", Region.BACK, 0.065),
  CHEST("chest", Region.CHEST, 0.06),
  ARM_RIGHT("right upper arm", Region.UPPER_ARMS, 0.04),
  ARM_LEFT("left upper arm", Region.UPPER_ARMS, 0.04),
  THIGH_RIGHT("right thigh", Region.THIGHS, 0.095),
  THIGH_LEFT("left thigh", Region.THIGHS, 0.095);

  private final String label;
  private final Region region;
  private final double share;

  Zone(String label, Region region, double share) {
    this.label = label;
    this.region = region;
    this.share = share;
  }

  /// The face as treated by default, in the planned order: forehead down to the jaw on the right,
  /// then the left, then the centre, nose last. Eye contours need their own formula and stay out.
  public static final List<Zone> FACE_IN_ORDER =
      List.of(
          FOREHEAD,
          TEMPLE_RIGHT,
          CHEEK_RIGHT,
          JAW_RIGHT,
          TEMPLE_LEFT,
          CHEEK_LEFT,
          JAW_LEFT,
          CHIN,
          UPPER_LIP,
          GLABELLA,
          NOSE);

  /// The zones of a region in the order in which they are treated.
  public static List<Zone> inOrder(Region region) {
    return region == Region.FACE
        ? FACE_IN_ORDER
        : Stream.of(values()).filter(zone -> zone.region == region).toList();
  }

  public String label() {
    return label;
  }

  public Region region() {
    return region;
  }

  /// Share of the face's area for zones on the face, whose thirteen add up to 1 (Ivesk's own
  /// default); elsewhere share of the body's surface: neck front 1 %, back 13 %, chest 6 %, both
  /// upper arms 8 %, both thighs 19 % (Lund and Browder 1944 as printed in burn charts, from
  /// memory), backs of both hands 2.5 %, decolletage 2 % (Ivesk's own default).
  public double share() {
    return share;
  }

  public boolean thin() {
    return region.thin();
  }

  public boolean onFace() {
    return region == Region.FACE || region == Region.EYE_CONTOUR;
  }
}
