package ivesk.server.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import ivesk.server.Practice;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Problems.NoRoom;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import org.springframework.jdbc.core.simple.JdbcClient;

/// A disk that fills up: said a day before, then nothing more is taken in, then it goes on.
class DiskRoomTest {
  private static final Instant MORNING = Instant.parse("2030-05-06T08:00:00Z");

  @TempDir Path folder;

  private DiskRoom room(long keptMb) {
    return new DiskRoom(new DataFolder(folder, Optional.empty()), keptMb, Clock.systemUTC());
  }

  @Test
  void isSaidADayBeforeByTheRateOfTheLastDay() {
    DiskRoom room = room(64);
    for (int hour = 0; hour <= 24; hour++) {
      room.look(MORNING.plus(Duration.ofHours(hour)), 20_000 - 400L * hour);
    }
    Instant now = MORNING.plus(Duration.ofHours(24));
    assertThat(room.notice(now, 10_400))
        .hasValueSatisfying(words ->
            assertThat(words).contains("full in about 25 h").contains("10400 MB are left"));
    assertThat(room.notice(now, 19_900)).isEmpty();
  }

  @Test
  void isSaidWhereLittleIsLeftAtAnyRate() {
    assertThat(room(64).notice(MORNING, 1_000))
        .hasValueSatisfying(words -> assertThat(words).contains("nearly full: 1000 MB"));
    assertThat(room(64).notice(MORNING, 1_100)).isEmpty();
    assertThat(room(64).notice(MORNING, 63))
        .hasValueSatisfying(words -> assertThat(words).contains("The disk is full"));
  }

  @Test
  void takesNothingInWhileItIsFull() {
    HttpServletRequest write = asked("POST");
    HttpServletRequest read = asked("GET");
    HttpServletResponse response = mock(HttpServletResponse.class);
    DiskRoom full = room(Long.MAX_VALUE);
    assertThatThrownBy(() -> full.preHandle(write, response, this)).isInstanceOf(NoRoom.class);
    assertThat(full.preHandle(read, response, this)).isTrue();
    assertThat(room(0).preHandle(write, response, this)).isTrue();
  }

  private static HttpServletRequest asked(String method) {
    HttpServletRequest request = mock(HttpServletRequest.class);
    when(request.getMethod()).thenReturn(method);
    return request;
  }

  @Test
  void aDatabaseThatClosedItselfIsOpenedAnew() throws Exception {
    try (ConfigurableApplicationContext running = Practice.start("demo", folder)) {
      JdbcClient jdbc = running.getBean(JdbcClient.class);
      long visits = visits(jdbc);
      CountDownLatch reopened = new CountDownLatch(1);
      running.addApplicationListener((PayloadApplicationEvent<?> event) -> {
        if (event.getPayload() instanceof DatabaseReopened) reopened.countDown();
      });
      breakTheFile(running.getBean(DataSource.class));
      assertThat(reopened.await(10, TimeUnit.SECONDS)).as("looked at by itself").isTrue();
      Thread.sleep(200);
      assertThat(visits(jdbc)).isEqualTo(visits);
    }
  }

  /// An interrupted write closes the file under the database, as a disk that fails does.
  private static void breakTheFile(DataSource database) throws Exception {
    AtomicReference<Throwable> failure = new AtomicReference<>();
    Thread writer =
        new Thread(() -> {
          try (Connection one = database.getConnection();
              Statement write = one.createStatement()) {
            Thread.currentThread().interrupt();
            write.executeUpdate("UPDATE practice SET town = town || '.'");
          } catch (SQLException e) {
            failure.set(e);
          }
        });
    writer.start();
    writer.join();
    assertThat(failure.get()).as("the write").isNotNull();
  }

  private static long visits(JdbcClient jdbc) {
    return jdbc.sql("SELECT COUNT(*) FROM visit").query(Long.class).single();
  }
}
