package ivesk.core.plan.script;

/// What must be answered before a step. Common practice, no source.
public enum StepGate {
  A("gate A", "the answer to the prep: 0 to 3 on even skin"),
  B("gate B", "between stages: 0 to 3, redness at most 1, no frost"),
  C("gate C", "at rest, pink at most, no frost, no barrier left");

  private final String label;
  private final String asks;

  StepGate(String label, String asks) {
    this.label = label;
    this.asks = asks;
  }

  public String label() {
    return label;
  }

  public String asks() {
    return asks;
  }
}
