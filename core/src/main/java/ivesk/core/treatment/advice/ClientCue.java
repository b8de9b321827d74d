package ivesk.core.treatment.advice;

import java.time.Instant;

/// What is said aloud to a client whose eyes are shut. Common practice, no source.
public record ClientCue(Instant at, Said said) {

  public enum Said {
    COLD_NOW("cold now"),
    TWO_MINUTES_LEFT("two minutes left"),
    COMES_OFF("it comes off now");

    private final String words;

    Said(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
