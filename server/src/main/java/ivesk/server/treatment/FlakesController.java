package ivesk.server.treatment;

import ivesk.core.Require;
import ivesk.core.formula.Flaking;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import java.security.Principal;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// What a client tells of the flakes after a peel.
@RestController
@RequestMapping("/api/visits/{id}/flakes")
class FlakesController {
  private static final int MOST_DAYS = 30;

  private final FlakesStore flakes;
  private final Treatments treatments;
  private final Audit audit;
  private final Clock clock;

  FlakesController(FlakesStore flakes, Treatments treatments, Audit audit, Clock clock) {
    this.flakes = flakes;
    this.treatments = treatments;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param told empty until somebody has said it
  record FlakesView(Optional<Flaking> told) {}

  @May(Right.RECORD)
  @GetMapping
  FlakesView of(@PathVariable UUID id) {
    return new FlakesView(flakes.of(id));
  }

  /// @param firstDay counted from the peel; 0 with 0 for none
  record Days(int firstDay, int lastDay) {}

  @May(Right.TREAT)
  @PutMapping
  @Transactional
  FlakesView tell(@PathVariable UUID id, @RequestBody Days body, Principal who) {
    Flaking told =
        BadInput.in(
            "lastDay",
            () -> {
              Require.range("last day of flakes", body.lastDay(), 0, MOST_DAYS);
              return new Flaking(body.firstDay(), body.lastDay());
            });
    boolean peeled = treatments.ofVisit(id).filter(live -> !live.peeled().isEmpty()).isPresent();
    if (!peeled) throw new Refused("There was no peel at this visit.");
    flakes.save(id, told, OffsetDateTime.now(clock), who.getName());
    audit.note(who.getName(), "flakes told: " + told.first() + " to " + told.last(), id);
    return new FlakesView(Optional.of(told));
  }
}
