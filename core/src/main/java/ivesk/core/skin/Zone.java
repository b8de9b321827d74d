package ivesk.core.skin;

import java.util.List;

/// A zone of the face or of a thin region next to it. Left and right are the client's.
public enum Zone {
  FOREHEAD("forehead", 0.20, false),
  GLABELLA("glabella", 0.03, false),
  TEMPLE_RIGHT("right temple", 0.03, false),
  TEMPLE_LEFT("left temple", 0.03, false),
  EYE_RIGHT("right eye contour", 0.04, true),
  EYE_LEFT("left eye contour", 0.04, true),
  NOSE("nose", 0.07, false),
  CHEEK_RIGHT("right cheek", 0.16, false),
  CHEEK_LEFT("left cheek", 0.16, false),
  UPPER_LIP("upper lip", 0.03, false),
  CHIN("chin", 0.07, false),
  JAW_RIGHT("right jawline", 0.07, false),
  JAW_LEFT("left jawline", 0.07, false),
  NECK("neck", 0, true),
  DECOLLETAGE("decolletage", 0, true);

  private final String label;
  private final double shareOfFace;
  private final boolean thin;

  Zone(String label, double shareOfFace, boolean thin) {
    this.label = label;
    this.shareOfFace = shareOfFace;
    this.thin = thin;
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

  public String label() {
    return label;
  }

  /// Share of the face's area, 0 to 1; Ivesk's own default. The thirteen face zones add up to 1.
  public double shareOfFace() {
    return shareOfFace;
  }

  public boolean thin() {
    return thin;
  }

  public boolean onFace() {
    return shareOfFace > 0;
  }
}
