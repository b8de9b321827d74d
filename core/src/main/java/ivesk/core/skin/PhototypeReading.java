package ivesk.core.skin;

import java.util.Optional;
import java.util.stream.Stream;

/// What is known of a client's phototype: by the ten answers, by the instrument, and as the
/// therapist settled it. The darkest of them rules the safety limits; common practice, no source.
///
/// @param asked by the questionnaire, once complete
/// @param measured by ITA on the inner upper arm
/// @param settled by the therapist, with a reason
public record PhototypeReading(
    Optional<Phototype> asked, Optional<Phototype> measured, Optional<Phototype> settled) {

  /// The type that rules; empty until one is known.
  public Optional<Phototype> rules() {
    return Stream.of(asked, measured, settled).flatMap(Optional::stream).reduce(Phototype::darker);
  }

  /// Classes between questionnaire and instrument; 0 while one is missing.
  public int apart() {
    return asked.isPresent() && measured.isPresent() ? asked.get().classesFrom(measured.get()) : 0;
  }

  /// Two or more classes apart and not yet settled by the therapist, in words; stands in the way of
  /// a choice.
  public Optional<String> dispute() {
    return apart() >= 2 && settled.isEmpty()
        ? Optional.of(
            "type "
                + asked.get()
                + " by answers, "
                + measured.get()
                + " by instrument: not settled")
        : Optional.empty();
  }
}
