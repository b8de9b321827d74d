package ivesk.core.skin;

public enum Hydration {
  WELL("well hydrated"),
  DEHYDRATED("dehydrated");

  private final String label;

  Hydration(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
