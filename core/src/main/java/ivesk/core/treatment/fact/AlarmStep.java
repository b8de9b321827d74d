package ivesk.core.treatment.fact;

/// One step while an alarm stands. A record keeps the step, never its words. Common practice.
public enum AlarmStep {
  CALL("Call the emergency number"),
  LIE_FLAT("Lie flat, legs up; sit if breathless"),
  ADRENALINE("The client's own adrenaline, if there is one"),
  WASH_OFF("Wash the product off"),
  DO_NOT_LEAVE("Do not leave"),
  POISON_CENTRE("Ringing ears, nausea, fast breathing after salicylic: poison centre too"),
  RINSE_EYE("Lids held open: water or saline, nose outward"),
  LENSES_OUT("Lenses out"),
  NO_NEUTRALISER_IN_EYE("No neutraliser in the eye"),
  ACID_OFF_BY_ANOTHER("Someone takes the acid off the skin"),
  EMERGENCY_CARE("Go on to emergency care, even if it feels well"),
  TAKE_OFF("Take the acid off, as its ending says"),
  ADD_ON_OFF("Wipe the add-on off"),
  CARE_OFF("Take the mask or product off, mouth and nose first"),
  COOL("Cool with wet compresses, no ice"),
  WRITE_DOWN("Write the incident down"),
  CALL_CLINICIAN("Call the supervising clinician");

  private final String words;

  AlarmStep(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }
}
