package ivesk.core.treatment.fact;

import java.util.List;

/// Something seen or said that weighs more than any number.
public enum Sign {
  FAINT("faint", Weight.EMERGENCY),
  BREATHLESS("breathless", Weight.EMERGENCY),
  PALPITATION("palpitation", Weight.EMERGENCY),
  RINGING_EARS("ringing ears", Weight.EMERGENCY),
  WHEALS_BEYOND("wheals beyond the area", Weight.EMERGENCY),
  SWELLING_MOUTH("lip, tongue or throat swelling", Weight.EMERGENCY),
  EYE("product in the eye", Weight.EYE),
  BLISTER("blister", Weight.INJURY),
  SWELLING("local swelling", Weight.INJURY),
  WHEALS("wheals", Weight.INJURY),
  /// Follows from the whitening that was entered; nobody says it.
  DEEP_FROST("frost beyond any endpoint", Weight.INJURY),
  ASKS_TO_STOP("client asks to stop", Weight.WISH);

  public enum Weight {
    EMERGENCY(
        "Emergency: call now",
        AlarmStep.CALL,
        AlarmStep.LIE_FLAT,
        AlarmStep.ADRENALINE,
        AlarmStep.CARE_OFF,
        AlarmStep.WASH_OFF,
        AlarmStep.DO_NOT_LEAVE,
        AlarmStep.POISON_CENTRE),
    EYE(
        "Rinse the eye now",
        AlarmStep.RINSE_EYE,
        AlarmStep.LENSES_OUT,
        AlarmStep.NO_NEUTRALISER_IN_EYE,
        AlarmStep.ACID_OFF_BY_ANOTHER,
        AlarmStep.EMERGENCY_CARE),
    INJURY(
        "Incident: cool, call",
        AlarmStep.TAKE_OFF,
        AlarmStep.ADD_ON_OFF,
        AlarmStep.CARE_OFF,
        AlarmStep.COOL,
        AlarmStep.WRITE_DOWN,
        AlarmStep.CALL_CLINICIAN),
    WISH("End");

    private final String line;
    private final List<AlarmStep> steps;

    Weight(String line, AlarmStep... steps) {
      this.line = line;
      this.steps = List.of(steps);
    }

    /// What may have to be done, one after the other; [Alarm] leaves out what does not apply.
    public List<AlarmStep> steps() {
      return steps;
    }

    public String line() {
      return line;
    }

    /// What an alarm of this weight cannot be closed without: the call and the position of an
    /// emergency, and for an eye that is not rinsed to its end, emergency care.
    public List<AlarmStep> first() {
      return switch (this) {
        case EMERGENCY -> List.of(AlarmStep.CALL, AlarmStep.LIE_FLAT);
        case EYE -> List.of(AlarmStep.EMERGENCY_CARE);
        case INJURY, WISH -> List.of();
      };
    }

    /// Stands until somebody says how it ended.
    public boolean alarm() {
      return this != WISH;
    }
  }

  private final String label;
  private final Weight weight;

  Sign(String label, Weight weight) {
    this.label = label;
    this.weight = weight;
  }

  public String label() {
    return label;
  }

  public Weight weight() {
    return weight;
  }

  /// The body may answer so to the substance itself, in any amount.
  public boolean allergic() {
    return switch (this) {
      case WHEALS, WHEALS_BEYOND, SWELLING, SWELLING_MOUTH, BREATHLESS -> true;
      case FAINT, PALPITATION, RINGING_EARS, EYE, BLISTER, DEEP_FROST, ASKS_TO_STOP -> false;
    };
  }
}
