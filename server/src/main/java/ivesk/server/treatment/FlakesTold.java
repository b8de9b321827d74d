package ivesk.server.treatment;

import ivesk.core.formula.Flaking;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// Days of flakes that are heard of after the visit.
@Component
public class FlakesTold {
  private final FlakesStore store;
  private final Clock clock;

  FlakesTold(FlakesStore store, Clock clock) {
    this.store = store;
    this.clock = clock;
  }

  /// What was told before is told anew.
  public void tell(UUID visitId, Flaking days, String who) {
    store.save(visitId, days, OffsetDateTime.now(clock), who);
  }
}
