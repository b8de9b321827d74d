package ivesk.e2e.server;

import ivesk.server.IveskApplication;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.context.annotation.Profile;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/// The real server with a clock that a test can move. It lives here, among the tests, so that no
/// switch of the shipped application can turn it on.
public class TestServer {
  public static void main(String[] args) {
    run(args);
  }

  /// Returns when it answers. One at a time in a JVM: all share the one logger context, which an
  /// application takes over as it starts.
  public static synchronized ConfigurableApplicationContext run(String... args) {
    return new SpringApplication(IveskApplication.class, MovableTime.class).run(args);
  }

  @Configuration(proxyBeanMethods = false)
  @Profile("test")
  static class MovableTime {
    @Bean
    @Primary
    MovableClock movableClock(@Value("${ivesk.test.now}") String now) {
      return new MovableClock(Instant.parse(now));
    }

    /// The page that PaintBench measures beside, handed out as the interface is.
    @Bean
    WebMvcConfigurer barePage() {
      return new WebMvcConfigurer() {
        @Override
        public void addResourceHandlers(ResourceHandlerRegistry registry) {
          registry
              .addResourceHandler("/bare/**")
              .addResourceLocations("file:target/bare/")
              .resourceChain(true)
              .addResolver(new EncodedResourceResolver());
        }
      };
    }

    @Bean
    ClockController clockController(MovableClock clock) {
      return new ClockController(clock);
    }
  }

  /// Goes on by itself like any clock, from wherever it was put.
  static final class MovableClock extends Clock {
    private final AtomicReference<Duration> ahead;

    MovableClock(Instant now) {
      ahead = new AtomicReference<>(Duration.between(Instant.now(), now));
    }

    void pass(Duration time) {
      ahead.updateAndGet(before -> before.plus(time));
    }

    @Override
    public Instant instant() {
      return Instant.now().plus(ahead.get());
    }

    @Override
    public ZoneId getZone() {
      return ZoneId.of("UTC");
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }
  }

  @RestController
  static final class ClockController {
    private final MovableClock clock;

    ClockController(MovableClock clock) {
      this.clock = clock;
    }

    @GetMapping("/test-clock")
    String pass(@RequestParam(defaultValue = "0") double seconds) {
      clock.pass(Duration.ofMillis(Math.round(seconds * 1000)));
      return clock.instant().toString();
    }
  }
}
