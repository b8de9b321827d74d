package ivesk.server.app;

import java.time.ZoneId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.task.SimpleAsyncTaskSchedulerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;

/// The one clock of the server. Its zone is the practice's: a date is the date at the practice.
@Configuration(proxyBeanMethods = false)
@EnableScheduling
class TimeConfiguration {
  private static final Logger LOG = LoggerFactory.getLogger(TimeConfiguration.class);

  @Bean
  RunningTime runningTime() {
    return new RunningTime();
  }

  /// What is done by the clock is done again next time; a failure is one line, not a page, so that
  /// a disk that is full is not filled by its own log.
  @Bean
  SimpleAsyncTaskSchedulerCustomizer quietly() {
    return scheduler ->
        scheduler.setErrorHandler(failure -> {
          if (ClosedDatabase.isBehind(failure)) {
            LOG.warn("not done, the database takes nothing: {}", failure.getMessage());
          } else {
            LOG.error("not done", failure);
          }
        });
  }

  @Bean
  SteadyClock clock(@Value("${ivesk.zone:}") String zone, RunningTime running) {
    return new SteadyClock(
        zone.isEmpty() ? ZoneId.systemDefault() : ZoneId.of(zone),
        System::currentTimeMillis,
        running);
  }
}
