package ivesk.core.skin;

public enum Hydration {
  WELL,
  DEHYDRATED
}
