package ivesk.core.screening.answer;

import ivesk.core.formula.Family;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;

/// A patch test of one family: placed, and read after 24 and 48 hours.
///
/// @param placedOn the day it was placed on, at the practice
public record PatchTest(
    Family family, Instant placedAt, LocalDate placedOn, Map<Read, Result> results) {

  public enum Read {
    AT_24_H(Duration.ofHours(24)),
    AT_48_H(Duration.ofHours(48));

    private final Duration after;

    Read(Duration after) {
      this.after = after;
    }

    public Duration after() {
      return after;
    }
  }

  public enum Result {
    NOTHING,
    REACTION
  }

  public PatchTest {
    results = Map.copyOf(results);
  }

  /// Read once at least. A reaction counts whenever it is seen.
  public boolean read() {
    return !results.isEmpty();
  }

  public boolean reacted() {
    return results.containsValue(Result.REACTION);
  }

  public Instant dueAt(Read read) {
    return placedAt.plus(read.after());
  }

  /// The next read still to come; a first read that was missed is overtaken by the second.
  public Optional<Read> next(Instant now) {
    if (reacted() || results.containsKey(Read.AT_48_H)) return Optional.empty();
    return !results.containsKey(Read.AT_24_H) && now.isBefore(dueAt(Read.AT_48_H))
        ? Optional.of(Read.AT_24_H)
        : Optional.of(Read.AT_48_H);
  }

  /// Why a result may not be noted now; empty when it may. A reaction is noted at any time, nothing
  /// seen only from 24 hours on, since a reaction may come late.
  public Optional<String> refuse(Result result, Instant now) {
    if (next(now).isEmpty()) return Optional.of("This patch test has been read.");
    return result == Result.NOTHING && now.isBefore(dueAt(next(now).get()))
        ? Optional.of(
            "It is too early to read nothing: "
                + next(now).get().after().toHours()
                + " hours are not over. A reaction may be noted at any time.")
        : Optional.empty();
  }
}
