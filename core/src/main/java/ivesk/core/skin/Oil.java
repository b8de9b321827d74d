package ivesk.core.skin;

public enum Oil {
  DRY("dry"),
  BALANCED("balanced"),
  COMBINATION("combination"),
  OILY("oily");

  private final String label;

  Oil(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
