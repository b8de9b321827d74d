package ivesk.core.plan.script;

/// What the couch must respect, as told by the client; each rewrites named steps. Common practice,
/// no source.
public enum Comfort {
  /// Nose and mouth uncovered, pads rather than shields, no mask over the whole face.
  CLOSED_IN("closed-in feeling"),
  /// "Cold now" is said first; the back of the hand before the face.
  DREADS_COLD("dreads cold"),
  /// A roll, and a shorter lie.
  NECK_OR_BACK("neck or back"),
  /// The lamp last and brief.
  BRIGHT_LIGHT("bright light"),
  /// Hard of hearing, or another language: the number by hand signs.
  HAND_SIGNS("hand signs for the number");

  private final String label;

  Comfort(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
