package ivesk.server.path;

import static java.util.concurrent.TimeUnit.MILLISECONDS;

import io.micrometer.core.instrument.MeterRegistry;
import io.micrometer.core.instrument.Timer;
import ivesk.server.app.ClockWatch;
import ivesk.server.data.BackupFiles;
import ivesk.server.data.BackupService;
import ivesk.server.data.DataFolder;
import ivesk.server.data.DiskRoom;
import ivesk.server.practice.PracticeStore;
import ivesk.server.practice.PracticeStore.NumberKind;
import ivesk.server.treatment.Treatments;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// How the installation is: what it holds, when it was backed up, what somebody should see to.
@Component
class Health {
  private final DataFolder data;
  private final DiskRoom room;
  private final BackupService backups;
  private final ClockWatch watch;
  private final Treatments treatments;
  private final PracticeStore practice;
  private final MeterRegistry timers;
  private final Clock clock;
  private final Instant started;

  Health(
      DataFolder data,
      DiskRoom room,
      BackupService backups,
      ClockWatch watch,
      Treatments treatments,
      PracticeStore practice,
      MeterRegistry timers,
      Clock clock) {
    this.data = data;
    this.room = room;
    this.backups = backups;
    this.watch = watch;
    this.treatments = treatments;
    this.practice = practice;
    this.timers = timers;
    this.clock = clock;
    this.started = clock.instant();
  }

  /// @param version of Ivesk
  /// @param freeMb on the disk of the data
  /// @param backups the newest first
  /// @param openTreatments neither signed nor stopped
  /// @param followers screens that follow one of them now
  /// @param slowest the five questions that were answered the slowest in the last day
  /// @param notices what somebody should see to
  record HealthView(
      String version,
      String java,
      Instant startedAt,
      Instant serverNow,
      String zone,
      String folder,
      boolean closedByKey,
      double dataMb,
      long freeMb,
      String backupFolder,
      List<BackupView> backups,
      int openTreatments,
      int followers,
      List<SlowAnswer> slowest,
      List<String> notices) {}

  /// @param question method and address, without anybody's id
  /// @param count since the start
  /// @param slowestMs of the last day, ms
  record SlowAnswer(String question, long count, double meanMs, double slowestMs) {}

  record BackupView(String name, Instant madeAt, double mb) {}

  HealthView view() throws IOException {
    Path file = data.folder().resolve("ivesk.mv.db");
    List<BackupView> made = new ArrayList<>();
    for (Path backup : BackupFiles.all(backups.folder())) {
      made.add(
          new BackupView(
              backup.getFileName().toString(),
              BackupFiles.madeAt(backup).orElseThrow(),
              mb(Files.size(backup))));
    }
    return new HealthView(
        "0.1.0",
        Runtime.version().toString(),
        started,
        clock.instant(),
        clock.getZone().getId(),
        data.folder().toString(),
        data.fileKey().isPresent(),
        mb(Files.size(file)),
        room.freeMb().orElse(-1L),
        backups.folder().toString(),
        made,
        treatments.openVisits().size(),
        treatments.followers(),
        slowest(),
        notices());
  }

  private List<SlowAnswer> slowest() {
    return timers.find("http.server.requests").timers().stream()
        .filter(timer -> String.valueOf(timer.getId().getTag("uri")).startsWith("/api/"))
        // A stream is open for as long as somebody follows.
        .filter(timer -> !timer.getId().getTag("uri").endsWith("/stream"))
        .sorted(Comparator.comparing((Timer timer) -> timer.max(MILLISECONDS)).reversed())
        .limit(5)
        .map(timer ->
            new SlowAnswer(
                timer.getId().getTag("method") + " " + timer.getId().getTag("uri"),
                timer.count(),
                Math.round(timer.mean(MILLISECONDS) * 10) / 10.0,
                Math.round(timer.max(MILLISECONDS) * 10) / 10.0))
        .toList();
  }

  private static double mb(long bytes) {
    return Math.round(bytes / 104_857.6) / 10.0;
  }

  List<String> notices() {
    Optional<String> jump = watch.standing().map(ClockWatch.Jump::words);
    Optional<String> numbers =
        practice.hasNumber(NumberKind.EMERGENCY)
            ? Optional.empty()
            : Optional.of("An alarm has no number to call: set it under Practice.");
    Optional<String> telephone =
        practice.reach().telephone().isPresent()
            ? Optional.empty()
            : Optional.of(
                "Clients have no number of the practice to call: set its telephone under Practice.");
    return Stream.of(jump, room.notice(), backups.notice(), numbers, telephone)
        .flatMap(Optional::stream)
        .toList();
  }
}
