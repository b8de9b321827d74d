package ivesk.server.screening;

import ivesk.core.Words;
import ivesk.core.screening.answer.PastPeel.Outside;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.formula.ShelfService;
import ivesk.server.screening.OutsidePeelStore.Kept;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/clients/{clientId}/outside-peels")
class OutsidePeelController {
  private final OutsidePeelStore peels;
  private final ClientStore clients;
  private final ShelfService shelf;
  private final Audit audit;
  private final Clock clock;

  OutsidePeelController(
      OutsidePeelStore peels, ClientStore clients, ShelfService shelf, Audit audit, Clock clock) {
    this.peels = peels;
    this.clients = clients;
    this.shelf = shelf;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param formula code of the one nearest to what was used
  /// @param seen its record was seen; otherwise it was told
  /// @param higherBecause why the client may enter the family one rung higher
  record OutsidePeel(
      String formula,
      Region region,
      LocalDate on,
      PeelOutcome outcome,
      boolean seen,
      Optional<String> higherBecause) {}

  @May(Right.TREAT)
  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Transactional
  void add(@PathVariable UUID clientId, @RequestBody OutsidePeel body, Principal who) {
    clients.get(clientId);
    BadInput.check("formula", () -> shelf.shelf().get(body.formula()));
    if (body.on().isAfter(LocalDate.now(clock))) {
      throw new BadInput("on", "a peel that was done lies in the past");
    }
    Outside outside =
        BadInput.in(
            "higherBecause", () -> new Outside(body.seen(), Words.typed(body.higherBecause())));
    Kept peel =
        new Kept(
            UUID.randomUUID(), body.formula(), body.region(), body.on(), body.outcome(), outside);
    peels.add(clientId, peel, OffsetDateTime.now(clock), who.getName());
    audit.note(
        who.getName(), "enter peel done elsewhere", clientId, body.formula() + " " + body.on());
  }

  @May(Right.TREAT)
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Transactional
  void withdraw(@PathVariable UUID clientId, @PathVariable UUID id, Principal who) {
    peels.withdraw(clientId, id, OffsetDateTime.now(clock));
    audit.note(who.getName(), "withdraw peel done elsewhere", clientId, id.toString());
  }
}
