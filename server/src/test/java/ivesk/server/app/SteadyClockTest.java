package ivesk.server.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.ObjectProvider;

/// A machine's clock that is set, and a machine that sleeps.
class SteadyClockTest {
  private static final Instant BEGUN = Instant.parse("2026-11-25T14:00:00Z");

  private final AtomicLong wall = new AtomicLong(BEGUN.toEpochMilli());
  private final AtomicLong awake = new AtomicLong(77);
  private final AtomicLong up = new AtomicLong(5_000_000_077L);
  private final RunningTime running = new RunningTime(awake::get, up::get);
  private final SteadyClock clock = new SteadyClock(ZoneOffset.UTC, wall::get, running);
  private final Audit audit = mock(Audit.class);
  private List<String> treatments = List.of();
  private ClockWatch watch;

  private Optional<Instant> newest = Optional.empty();

  @BeforeEach
  void watch() {
    @SuppressWarnings("unchecked")
    ObjectProvider<SteadyClock> clocks = mock(ObjectProvider.class);
    org.mockito.Mockito.doAnswer(
            call -> {
              call.<java.util.function.Consumer<SteadyClock>>getArgument(0).accept(clock);
              return null;
            })
        .when(clocks)
        .ifAvailable(any());
    @SuppressWarnings("unchecked")
    ObjectProvider<ClockWatch.Runs> rooms = mock(ObjectProvider.class);
    ClockWatch.Runs room = mock(ClockWatch.Runs.class);
    when(room.now()).thenAnswer(call -> treatments);
    when(room.newest()).thenAnswer(call -> newest);
    when(rooms.stream()).thenAnswer(call -> Stream.of(room));
    watch = new ClockWatch(clocks, running, rooms, audit);
  }

  private void pass(Duration time) {
    wall.addAndGet(time.toMillis());
    awake.addAndGet(time.toNanos());
    up.addAndGet(time.toNanos());
  }

  private void set(Duration by) {
    wall.addAndGet(by.toMillis());
  }

  @Test
  void setBackHalfAnHourInMidPeelMovesNothing() {
    treatments = List.of("one");
    pass(Duration.ofSeconds(72));
    set(Duration.ofMinutes(-30));
    watch.look();
    pass(Duration.ofSeconds(108));
    assertThat(clock.instant()).isEqualTo(BEGUN.plusSeconds(180));
    assertThat(watch.standing().orElseThrow().ahead()).isEqualTo(Duration.ofMinutes(-30));
    verify(audit).note("server", "clock jumped", "one", "by -1800 s, not followed");
  }

  @Test
  void setTwoHoursAheadMovesNothingEitherAndIsSaidOnce() {
    treatments = List.of("one", "two");
    set(Duration.ofHours(2));
    for (int i = 0; i < 60; i++) {
      watch.look();
      pass(Duration.ofSeconds(1));
    }
    assertThat(clock.instant()).isEqualTo(BEGUN.plusSeconds(60));
    verify(audit, times(2)).note(eq("server"), eq("clock jumped"), any(), contains("7200"));
  }

  @Test
  void itIsFollowedWhenTheLastPeelIsAtRest() {
    treatments = List.of("one");
    set(Duration.ofHours(2));
    watch.look();
    treatments = List.of();
    pass(Duration.ofSeconds(10));
    watch.look();
    assertThat(clock.instant()).isEqualTo(BEGUN.plusSeconds(10).plus(Duration.ofHours(2)));
    assertThat(watch.standing()).isEmpty();
    verify(audit).note(eq("server"), eq("clock followed"), any(), any());
  }

  /// The machine starts with its clock an hour behind, in mid-peel.
  @Test
  void itStartsWhereTheNewestEntryIsAndIsNotFollowedToBefore() {
    newest = Optional.of(BEGUN.plus(Duration.ofHours(1)));
    clock.notBefore(newest.get());
    assertThat(clock.instant()).isEqualTo(newest.get());
    pass(Duration.ofSeconds(30));
    watch.look();
    assertThat(clock.instant()).isEqualTo(newest.get().plusSeconds(30));
    clock.notBefore(BEGUN);
    assertThat(clock.instant()).as("never back").isEqualTo(newest.get().plusSeconds(30));
  }

  @Test
  void aDriftIsTakenOverBitByBit() {
    set(Duration.ofMillis(900));
    watch.look();
    assertThat(clock.instant()).isEqualTo(BEGUN.plusMillis(20));
    for (int i = 0; i < 60; i++) watch.look();
    assertThat(clock.ahead()).isZero();
    assertThat(watch.standing()).isEmpty();
  }

  /// The JVM's own time stands still while a machine sleeps; the peel does not.
  @Test
  void whatWasSleptCounts() {
    treatments = List.of("one");
    pass(Duration.ofSeconds(30));
    wall.addAndGet(240_000);
    up.addAndGet(Duration.ofMinutes(4).toNanos());
    watch.look();
    assertThat(clock.instant()).isEqualTo(BEGUN.plusSeconds(270));
    assertThat(watch.standing()).isEmpty();
  }
}
