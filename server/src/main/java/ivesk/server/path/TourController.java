package ivesk.server.path;

import ivesk.core.Language;
import ivesk.server.app.Audit;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/// A visit to try everything on, with a client who does not exist.
@RestController
class TourController {
  private static final String NAME = "Nora Tryout";

  private final ClientStore clients;
  private final VisitStore visits;
  private final PracticeStore practice;
  private final Erasure erasure;
  private final Audit audit;
  private final Clock clock;

  TourController(
      ClientStore clients,
      VisitStore visits,
      PracticeStore practice,
      Erasure erasure,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.visits = visits;
    this.practice = practice;
    this.erasure = erasure;
    this.audit = audit;
    this.clock = clock;
  }

  record TourView(UUID visitId) {}

  /// Makes the client and a visit now; where there is one already, that.
  @May(Right.TREAT)
  @PostMapping("/api/tour")
  @Transactional
  TourView begin(Principal who) {
    Optional<UUID> begun = clients.tour();
    if (begun.isPresent()) return new TourView(begun.get());
    UUID client = UUID.randomUUID();
    clients.add(
        Client.named(
            client,
            NAME,
            LocalDate.now(clock).minusYears(36),
            "made up for the tour",
            "",
            Language.EN));
    UUID visit = UUID.randomUUID();
    String room = practice.details().orElse(PracticeStore.Details.UNSAID).rooms().getFirst();
    visits.add(
        new Visit(
            visit,
            client,
            clock.instant().truncatedTo(ChronoUnit.MINUTES),
            45,
            room.length() > 20 ? room.substring(0, 20) : room,
            who.getName(),
            Optional.empty()));
    clients.keepTour(client, visit);
    audit.note(who.getName(), "begin tour", client);
    return new TourView(visit);
  }

  /// Throws the made-up client away with everything that was tried.
  @May(Right.TREAT)
  @DeleteMapping("/api/tour")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(Principal who) {
    clients
        .tour()
        .map(visits::get)
        .map(Visit::clientId)
        .ifPresent(client -> erasure.erase(client, "made up for the tour", who.getName()));
  }
}
