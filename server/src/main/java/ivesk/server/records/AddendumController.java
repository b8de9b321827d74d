package ivesk.server.records;

import ivesk.core.Require;
import ivesk.core.treatment.state.Phase;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.practice.AccountStore;
import ivesk.server.records.AddendumStore.Kept;
import ivesk.server.records.AddendumStore.Kind;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.Treatments;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// A signed record is corrected by addendum: who, when, why. What was signed stays as it is.
@RestController
@RequestMapping("/api/visits/{id}/addenda")
class AddendumController {
  private final AddendumStore store;
  private final Treatments treatments;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  AddendumController(
      AddendumStore store, Treatments treatments, AccountStore accounts, Audit audit, Clock clock) {
    this.store = store;
    this.treatments = treatments;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param who by name
  record AddendumView(UUID id, Kind kind, String why, String words, Instant at, String who) {}

  /// @param incident one was seen or reported in this visit
  record AddendaView(boolean incident, List<AddendumView> addenda) {}

  @May(Right.RECORD)
  @GetMapping
  AddendaView of(@PathVariable UUID id) {
    Optional<Live> live = treatments.ofVisit(id);
    boolean incident =
        live.stream()
            .flatMap(one -> one.stages().stream())
            .anyMatch(
                stage -> stage.state().looks().incident() || stage.state().looks().reported());
    return new AddendaView(incident, store.of(id).stream().map(this::view).toList());
  }

  private AddendumView view(Kept kept) {
    String name = accounts.named(kept.who());
    return new AddendumView(kept.id(), kept.kind(), kept.why(), kept.words(), kept.at(), name);
  }

  /// @param id made by the sender: sent twice it counts once
  record NewAddendum(UUID id, Kind kind, String why, String words) {}

  @May(Right.TREAT)
  @PostMapping
  @Transactional
  AddendaView add(@PathVariable UUID id, @RequestBody NewAddendum body, Principal who) {
    BadInput.check("why", () -> Require.text("why", body.why().strip(), 200));
    BadInput.check("words", () -> Require.text("words", body.words().strip(), 4000));
    boolean signed =
        treatments.ofVisit(id).filter(live -> live.state().phase() == Phase.SIGNED).isPresent();
    if (!signed) {
      throw new Refused("The record is not signed yet: correct the entry itself.");
    }
    if (store.of(id).stream().noneMatch(kept -> kept.id().equals(body.id()))) {
      store.add(
          new Kept(
              body.id(),
              id,
              body.kind(),
              body.why().strip(),
              body.words().strip(),
              clock.instant().truncatedTo(ChronoUnit.MICROS),
              who.getName()));
      audit.note(who.getName(), "addendum", id, body.why().strip());
    }
    return of(id);
  }
}
