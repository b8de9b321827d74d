package ivesk.server.data;

import ivesk.server.app.Problems.NoRoom;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/// What is left on the disk of the data. The last of it is not used up: nothing more is taken in
/// while it would be, and screens keep what was said until there is room.
@Component
public class DiskRoom implements HandlerInterceptor, WebMvcConfigurer {
  /// With less free, MB, it is said in any case.
  private static final long LITTLE_MB = 1024;

  /// Filled up within so long at the rate of the last day, it is said.
  private static final Duration SOON = Duration.ofHours(36);

  private static final int DAY_OF_HOURS = 24;

  private final Path folder;
  private final long keptMb;
  private final Clock clock;
  private final Deque<Seen> seen = new ArrayDeque<>();

  private record Seen(Instant at, long freeMb) {}

  /// @param keptMb MB that are never used up
  DiskRoom(DataFolder data, @Value("${ivesk.keep-free-mb:64}") long keptMb, Clock clock) {
    this.folder = data.folder();
    this.keptMb = keptMb;
    this.clock = clock;
  }

  /// Empty where the system does not tell.
  public Optional<Long> freeMb() {
    try {
      return Optional.of(Files.getFileStore(folder).getUsableSpace() >> 20);
    } catch (IOException unknown) {
      return Optional.empty();
    }
  }

  /// Whether something more may be written.
  boolean enough() {
    return freeMb().filter(free -> free < keptMb).isEmpty();
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry
        .addInterceptor(this)
        .addPathPatterns("/api/**")
        // Whoever stands beside a client in mid-peel still comes back.
        .excludePathPatterns("/api/sign-in/**", "/api/sign-out");
  }

  @Override
  public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object to) {
    if (!request.getMethod().equals("GET") && !enough()) throw new NoRoom();
    return true;
  }

  @Scheduled(fixedDelay = 3_600_000)
  void look() {
    freeMb().ifPresent(free -> look(clock.instant(), free));
  }

  synchronized void look(Instant at, long freeMb) {
    seen.addLast(new Seen(at, freeMb));
    while (seen.size() > DAY_OF_HOURS + 1) seen.removeFirst();
  }

  /// What somebody should know of it; empty while there is enough for days.
  public Optional<String> notice() {
    return freeMb().flatMap(free -> notice(clock.instant(), free));
  }

  synchronized Optional<String> notice(Instant now, long freeMb) {
    if (freeMb < keptMb) {
      return Optional.of(
          "The disk is full: nothing more is kept until there is room. Screens on the couch keep"
              + " what is said, and send it by themselves then.");
    }
    Optional<Duration> left = left(now, freeMb);
    if (left.filter(until -> until.compareTo(SOON) < 0).isPresent()) {
      return Optional.of(
          "The disk will be full in about "
              + Math.max(1, left.get().toHours())
              + " h, at the rate of the last day: "
              + freeMb
              + " MB are left. Make room before it is.");
    }
    return freeMb < LITTLE_MB
        ? Optional.of(
            "The disk is nearly full: " + freeMb + " MB are left. Make room before it is.")
        : Optional.empty();
  }

  /// How long what is free lasts, at the rate since it was first looked at or since yesterday.
  private Optional<Duration> left(Instant now, long freeMb) {
    if (seen.isEmpty()) return Optional.empty();
    Duration since = Duration.between(seen.getFirst().at(), now);
    long usedMb = seen.getFirst().freeMb() - freeMb;
    if (usedMb <= 0 || since.compareTo(Duration.ofHours(1)) < 0) return Optional.empty();
    return Optional.of(Duration.ofSeconds(since.toSeconds() * (freeMb - keptMb) / usedMb));
  }
}
