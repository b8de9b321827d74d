package ivesk.core.skin;

import java.util.List;

/// What the two looks show, graded 0 to 3 by zone. The first look comes before anything touches the
/// skin, since cleansing hides what it shows.
public enum LookFinding {
  FLAKING(1, "flaking"),
  SHINE(1, "shine"),
  MAKE_UP(1, "make-up"),
  IRRITATION(1, "irritation"),
  OPEN_SPOTS(1, "open spots"),
  PORES(2, "pores"),
  COMEDONES(2, "comedones"),
  TEXTURE(2, "texture"),
  PIGMENT(2, "pigment"),
  FINE_LINES(2, "fine lines");

  private final int look;
  private final String label;

  LookFinding(int look, String label) {
    this.look = look;
    this.label = label;
  }

  /// 1 bare, 2 cleansed.
  public int look() {
    return look;
  }

  public String label() {
    return label;
  }

  public static List<LookFinding> of(int look) {
    return List.of(values()).stream().filter(finding -> finding.look == look).toList();
  }
}
