package ivesk.server.app;

import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;

/// The one clock of the server. Its zone is the practice's: a date is the date at the practice.
@Configuration(proxyBeanMethods = false)
@EnableScheduling
class TimeConfiguration {
  @Bean
  RunningTime runningTime() {
    return new RunningTime();
  }

  @Bean
  SteadyClock clock(@Value("${ivesk.zone:}") String zone, RunningTime running) {
    return new SteadyClock(
        zone.isEmpty() ? ZoneId.systemDefault() : ZoneId.of(zone),
        System::currentTimeMillis,
        running);
  }
}
