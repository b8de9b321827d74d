package ivesk.server.app;

import ivesk.core.Words;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/// Notices when the machine's clock is set. While a peel runs, nothing moves: the jump is said and
/// recorded, and taken over when the last peel has come to rest. Else it is taken over at once.
@Component
public class ClockWatch {
  private static final Logger LOG = LoggerFactory.getLogger(ClockWatch.class);

  private final ObjectProvider<SteadyClock> clock;
  private final RunningTime running;
  private final ObjectProvider<Runs> runs;
  private final Audit audit;
  private volatile Optional<Jump> standing = Optional.empty();

  ClockWatch(
      ObjectProvider<SteadyClock> clock,
      RunningTime running,
      ObjectProvider<Runs> runs,
      Audit audit) {
    this.clock = clock;
    this.running = running;
    this.runs = runs;
    this.audit = audit;
  }

  /// What must not be moved by a clock that is set.
  public interface Runs {
    /// Subjects, by their ids, that a clock runs for now.
    List<String> now();

    /// The newest entry of what is still open: no clock is followed to before it.
    Optional<Instant> newest();
  }

  /// A jump that is not taken over yet.
  ///
  /// @param at by the time that goes on
  /// @param ahead how far the machine's clock is ahead of it
  public record Jump(Instant at, Duration ahead) {
    public String words() {
      Duration by = ahead.abs();
      String far =
          by.toMinutes() < 1
              ? Words.count(by.toSeconds(), "second")
              : by.toHours() < 1
                  ? Words.count(by.toMinutes(), "minute")
                  : by.toHours() + " h " + by.toMinutesPart() + " min";
      return "The machine's clock was set "
          + far
          + (ahead.isNegative() ? " back" : " ahead")
          + ". Running clocks were not moved; it is followed when the last peel is at rest.";
    }
  }

  public Optional<Jump> standing() {
    return standing;
  }

  @Scheduled(fixedDelay = 1000)
  void look() {
    running.look();
    clock.ifAvailable(this::look);
  }

  private void look(SteadyClock steady) {
    if (!steady.jumped()) {
      standing = Optional.empty();
      return;
    }
    Duration ahead = steady.ahead();
    List<String> held = runs.stream().flatMap(room -> room.now().stream()).toList();
    Instant wall = steady.instant().plus(ahead);
    boolean back = runs.stream().flatMap(room -> room.newest().stream()).anyMatch(wall::isBefore);
    if (held.isEmpty() && !back) {
      audit.note("server", "clock followed", "clock", "by " + ahead.toSeconds() + " s");
      steady.follow();
      standing = Optional.empty();
      LOG.warn(
          "the machine's clock was set by {} s; nothing ran, it is followed", ahead.toSeconds());
    } else if (standing.isEmpty() || standing.get().ahead().minus(ahead).abs().toMillis() > 1000) {
      standing = Optional.of(new Jump(steady.instant(), ahead));
      held.forEach(subject ->
          audit.note(
              "server", "clock jumped", subject, "by " + ahead.toSeconds() + " s, not followed"));
      LOG.warn("the machine's clock was set by {} s; running clocks go on", ahead.toSeconds());
    }
  }
}
