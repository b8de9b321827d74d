package ivesk.server.app;

import java.time.Clock;
import java.time.ZoneId;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/// The one clock of the server. Its zone is the practice's: a date is the date at the practice.
@Configuration(proxyBeanMethods = false)
class TimeConfiguration {
  @Bean
  Clock clock(@Value("${ivesk.zone:}") String zone) {
    return Clock.system(zone.isEmpty() ? ZoneId.systemDefault() : ZoneId.of(zone));
  }
}
