package ivesk.server.path;

import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Charts that need not be kept any longer, and those whose clients ask to be erased.
@RestController
@RequestMapping("/api")
class PastTimeController {
  private final ClientStore clients;
  private final VisitStore visits;
  private final Erasure erasure;
  private final Clock clock;

  PastTimeController(ClientStore clients, VisitStore visits, Erasure erasure, Clock clock) {
    this.clients = clients;
    this.visits = visits;
    this.erasure = erasure;
    this.clock = clock;
  }

  @May(Right.ERASE)
  @GetMapping("/past-time")
  List<Erasure.PastTime> pastTheirTime() {
    return erasure.pastTheirTime();
  }

  /// @throws Refused while the chart must be kept
  @May(Right.ERASE)
  @DeleteMapping("/past-time/{clientId}")
  List<Erasure.PastTime> erase(@PathVariable UUID clientId, Principal who) {
    clients.get(clientId);
    List<Visit> all = visits.ofClient(clientId);
    boolean past =
        !all.isEmpty()
            && erasure
                .pastTime(clients.get(clientId), all.getLast())
                .keptUntil()
                .isBefore(LocalDate.now(clock));
    if (!past) {
      throw new Refused("This chart must still be kept. Nothing was erased.");
    }
    erasure.erase(clientId, "past its time", who.getName());
    return erasure.pastTheirTime();
  }

  /// What would come of it when a client asks to be erased; nothing is done.
  @May(Right.RECORD)
  @GetMapping("/clients/{clientId}/erasure")
  Erasure.ErasureWish wish(@PathVariable UUID clientId) {
    return erasure.wish(clientId);
  }

  /// @param whole all of it is gone; else what no law keeps
  record Erased(boolean whole) {}

  /// Erases at the client's wish, as far as the law lets.
  @May(Right.ERASE)
  @PostMapping("/clients/{clientId}/erasure")
  Erased erased(@PathVariable UUID clientId, Principal who) {
    return new Erased(erasure.asked(clientId, who.getName()));
  }
}
