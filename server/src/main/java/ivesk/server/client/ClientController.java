package ivesk.server.client;

import ivesk.core.Language;
import ivesk.core.Words;
import ivesk.core.plan.script.Comfort;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.Viewer;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@May(Right.BOOK)
@RestController
@RequestMapping("/api/clients")
class ClientController {
  private static final int MOST_FOUND = 50;

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
      Optional<String> sun,
      Optional<Double> heightCm,
      Optional<Double> weightKg,
      Optional<String> allergies,
      Optional<Set<Comfort>> comforts,
      Optional<String> comfort,
      Optional<String> guardian,
      Optional<Language> language,
      Optional<String> telephone,
      Optional<String> mail) {

    /// A field that is left out stays as it is; of what a role may not see nothing is overwritten.
    NewClient keeping(Client before, boolean desk) {
      return new NewClient(
          name,
          dateOfBirth,
          occupation.or(() -> Optional.of(before.occupation())),
          sun.or(() -> Optional.of(before.sun())),
          heightCm,
          weightKg,
          desk
              ? Optional.of(before.allergies())
              : allergies.or(() -> Optional.of(before.allergies())),
          comforts.or(() -> Optional.of(before.comforts())),
          comfort.or(() -> Optional.of(before.comfort())),
          guardian.or(() -> Optional.of(before.guardian())),
          language.or(() -> Optional.of(before.language())),
          telephone.or(before::telephone),
          mail.or(before::mail));
    }

    Client as(UUID id, Optional<LocalDate> archivedOn, int version) {
      return new Client(
          id,
          name.strip(),
          dateOfBirth,
          occupation.orElse(""),
          sun.orElse(""),
          heightCm,
          weightKg,
          allergies.orElse(""),
          comforts.orElse(Set.of()),
          comfort.orElse(""),
          guardian.orElse(""),
          language.orElse(Language.EN),
          // An empty field takes away what was there.
          Words.typed(telephone),
          Words.typed(mail),
          archivedOn,
          Optional.empty(),
          version);
    }
  }

  /// @param version of the client that was read
  record ClientChange(NewClient client, int version) {}

  record Archived(boolean archived) {}

  /// @param clients the first that were found, by name
  /// @param total how many there are in all
  record FoundClients(List<Client> clients, int total) {}

  /// Clients by any part of the name, whatever its case and accents.
  ///
  /// @param after of all clients, those that follow one by name
  @GetMapping
  FoundClients clients(
      @RequestParam(defaultValue = "") String find,
      @RequestParam(defaultValue = "false") boolean archived,
      @RequestParam Optional<UUID> after) {
    List<Client> found =
        after.isPresent()
            ? clients.page(archived, after, MOST_FOUND)
            : clients.find(find, archived, MOST_FOUND);
    return new FoundClients(
        found.stream().map(ClientController::seen).toList(), clients.count(archived));
  }

  @GetMapping("/{id}")
  Client client(@PathVariable UUID id, Principal who) {
    audit.noteOnce(who.getName(), "read client", id);
    return seen(clients.get(id));
  }

  private static Client seen(Client client) {
    return client.allergicOnlyTo(Viewer.allergies(client.allergies()));
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  @Transactional
  Client add(@RequestBody NewClient body, Principal who) {
    requireBorn(body.dateOfBirth());
    Client client = BadInput.in("client", () -> body.as(UUID.randomUUID(), Optional.empty(), 1));
    clients.add(client);
    audit.note(who.getName(), "add client", client.id());
    return client;
  }

  @PutMapping("/{id}")
  @Transactional
  Client change(@PathVariable UUID id, @RequestBody ClientChange body, Principal who) {
    requireBorn(body.client().dateOfBirth());
    Client before = clients.standing(id);
    NewClient asked = body.client().keeping(before, Viewer.isDesk());
    clients.change(BadInput.in("client", () -> asked.as(id, before.archivedOn(), body.version())));
    audit.note(who.getName(), "change client", id);
    return seen(clients.get(id));
  }

  /// Puts a client away, or brings one back; nothing of the chart is lost.
  @PutMapping("/{id}/archived")
  @Transactional
  Client archive(@PathVariable UUID id, @RequestBody Archived body, Principal who) {
    clients.standing(id);
    clients.archive(
        id, body.archived() ? Optional.of(LocalDate.now(clock)) : Optional.<LocalDate>empty());
    audit.note(who.getName(), body.archived() ? "archive client" : "bring client back", id);
    return seen(clients.get(id));
  }

  private void requireBorn(LocalDate dateOfBirth) {
    LocalDate today = LocalDate.now(clock);
    if (dateOfBirth.isAfter(today) || dateOfBirth.isBefore(today.minusYears(120))) {
      throw new BadInput(
          "dateOfBirth",
          "date of birth is "
              + dateOfBirth
              + "; it must lie within the last 120 years, up to "
              + today);
    }
  }
}
