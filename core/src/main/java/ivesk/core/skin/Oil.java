package ivesk.core.skin;

public enum Oil {
  DRY,
  BALANCED,
  COMBINATION,
  OILY
}
