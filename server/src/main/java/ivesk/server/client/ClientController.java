package ivesk.server.client;

import ivesk.server.app.Audit;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/clients")
class ClientController {
  private final ClientStore clients;
  private final Audit audit;
  private final Clock clock;

  ClientController(ClientStore clients, Audit audit, Clock clock) {
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  record NewClient(
      String name,
      LocalDate dateOfBirth,
      Optional<String> occupation,
      Optional<Double> heightCm,
      Optional<Double> weightKg,
      Optional<String> allergies,
      Optional<String> comfort,
      Optional<String> guardian) {}

  @GetMapping
  List<Client> clients() {
    return clients.all();
  }

  @GetMapping("/{id}")
  Client client(@PathVariable UUID id, Principal who) {
    audit.note(who.getName(), "read client", id);
    return clients.get(id);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Transactional
  Client add(@RequestBody NewClient body, Principal who) {
    LocalDate today = LocalDate.now(clock);
    if (body.dateOfBirth().isAfter(today) || body.dateOfBirth().isBefore(today.minusYears(120))) {
      throw new IllegalArgumentException(
          "date of birth is "
              + body.dateOfBirth()
              + "; it must lie within the last 120 years, up to "
              + today);
    }
    Client client =
        new Client(
            UUID.randomUUID(),
            body.name().strip(),
            body.dateOfBirth(),
            body.occupation().orElse(""),
            body.heightCm(),
            body.weightKg(),
            body.allergies().orElse(""),
            body.comfort().orElse(""),
            body.guardian().orElse(""));
    clients.add(client);
    audit.note(who.getName(), "add client", client.id());
    return client;
  }
}
