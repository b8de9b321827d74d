package ivesk.server.aftercare;

import ivesk.core.Words;
import ivesk.core.aftercare.ContactRules;
import ivesk.server.aftercare.ContactStore.Flag;
import ivesk.server.aftercare.ContactStore.Kept;
import ivesk.server.app.Role;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.visit.VisitStore;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// Opens a red flag, and tells the clinician.
@Component
class FlagOpening {
  private final ContactStore store;
  private final OutboxStore outbox;
  private final VisitStore visits;
  private final ClientStore clients;
  private final AccountStore accounts;

  FlagOpening(
      ContactStore store,
      OutboxStore outbox,
      VisitStore visits,
      ClientStore clients,
      AccountStore accounts) {
    this.store = store;
    this.outbox = outbox;
    this.visits = visits;
    this.clients = clients;
    this.accounts = accounts;
  }

  void open(Kept kept) {
    Flag flag =
        new Flag(
            UUID.randomUUID(),
            kept.visitId(),
            kept.id(),
            kept.toldOn(),
            kept.severity(),
            Optional.empty());
    store.open(flag);
    String first = firstName(kept.visitId());
    String why =
        String.join(
            "; ",
            ContactRules.of(Set.copyOf(kept.rules())).stream()
                .map(ContactRules.ContactRule::question)
                .toList());
    List<String> clinicians =
        accounts.accounts().stream()
            .filter(account -> account.role() == Role.SUPERVISOR && !account.locked())
            .map(AccountStore.Account::name)
            .toList();
    for (String name : clinicians.isEmpty() ? List.of(NO_CLINICIAN) : clinicians) {
      outbox.send(
          new Outbox.Message(
              UUID.randomUUID(),
              kept.toldAt(),
              kept.visitId(),
              name,
              Words.fill("Red flag: %s, %s", first, kept.severity().label()),
              Words.fill(
                  "%s told of it on %s: %s. The chart has the rest. The next plan is shut until"
                      + " the flag is closed with a note.",
                  first, Words.day(kept.toldOn()), why)));
    }
  }

  /// To whom it goes where no such account is open: the practice tells them itself.
  private static final String NO_CLINICIAN = "Supervising clinician (no account: tell them)";

  String firstName(UUID visitId) {
    return clients.get(visits.get(visitId).clientId()).firstName();
  }
}
