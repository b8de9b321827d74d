package ivesk.core.treatment.advice;

import java.time.Instant;
import java.util.List;

/// A coming instant at which the screen changes if nothing new is observed, with what then holds.
///
/// @param ifAnswered the advice for each answer 0 to 10 that may come from then on
public record Cue(Instant at, Kind kind, Advice advice, List<Advice> ifAnswered) {

  public enum Kind {
    /// Time to ask.
    ASK,
    /// The advice changes.
    ADVICE,
    /// A hard limit.
    LIMIT
  }

  public Cue {
    ifAnswered = List.copyOf(ifAnswered);
  }
}
