package ivesk.server.records;

import ivesk.core.screening.answer.PastPeel.Outside;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.data.Archive;
import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Bearer;
import ivesk.server.data.ArchiveFormat.Effect;
import ivesk.server.formula.ShelfService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.practice.PracticeStore.ClosedDay;
import ivesk.server.records.FhirReader.Peel;
import ivesk.server.records.FhirReader.Person;
import ivesk.server.screening.OutsidePeelStore;
import ivesk.server.screening.OutsidePeelStore.Kept;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RecordedPeels.Recorded;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/// The one door for files from outside: what Ivesk wrote itself (JSON, or a ZIP of tables), one
/// client as HL7 FHIR R4, closed days as a calendar. Which of them it is, is told by its beginning.
@Service
class Intake {
  private static final int BEGINNING = 4096;

  private final Archive archive;
  private final ClientStore clients;
  private final OutsidePeelStore outside;
  private final RecordedPeels recorded;
  private final ShelfService shelf;
  private final PracticeStore practice;
  private final TransactionTemplate transaction;
  private final Clock clock;

  Intake(
      Archive archive,
      ClientStore clients,
      OutsidePeelStore outside,
      RecordedPeels recorded,
      ShelfService shelf,
      PracticeStore practice,
      TransactionTemplate transaction,
      Clock clock) {
    this.archive = archive;
    this.clients = clients;
    this.outside = outside;
    this.recorded = recorded;
    this.shelf = shelf;
    this.practice = practice;
    this.transaction = transaction;
    this.clock = clock;
  }

  /// @param notes what of the file is not read, and what else is to be known
  record Outcome(List<Effect> effects, List<String> notes) {}

  /// What a file would do, or does.
  ///
  /// @param keep writes it, all or nothing
  /// @param bearer what `who` may do besides
  /// @throws BadLine with the line and the reason; nothing was written then
  /// @throws IOException where the file does not come whole; nothing was written then
  Outcome read(InputStream file, boolean keep, String who, Bearer bearer)
      throws BadLine, IOException {
    BufferedInputStream bytes = new BufferedInputStream(file, BEGINNING);
    bytes.mark(BEGINNING);
    String beginning = new String(bytes.readNBytes(BEGINNING), StandardCharsets.ISO_8859_1);
    bytes.reset();
    if (beginning.stripLeading().regionMatches(true, 0, "BEGIN:", 0, 6)) {
      return closedDays(bytes, keep);
    }
    if (beginning.contains("\"resourceType\"") && !beginning.startsWith("{\"format\"")) {
      return fhir(bytes, keep, who);
    }
    List<Effect> effects = keep ? archive.take(bytes, bearer) : archive.preview(bytes, bearer);
    return new Outcome(effects, withheld(effects));
  }

  private static List<String> withheld(List<Effect> effects) {
    List<String> notes = new ArrayList<>();
    for (Effect effect : effects) {
      if (effect.withheld() == 0) continue;
      notes.add(
          switch (effect.table()) {
            case "account" ->
                "Only an owner adds people: "
                    + effect.withheld()
                    + " come in by name alone, locked, without a licence.";
            case "clinician_opening" ->
                "Only the supervising clinician opens what is restricted: "
                    + effect.withheld()
                    + " openings are left out.";
            default -> throw new IllegalStateException(effect.table());
          });
    }
    return notes;
  }

  private Outcome closedDays(InputStream file, boolean keep) throws BadLine, IOException {
    ClosedDaysReader.Read read = ClosedDaysReader.read(file, LocalDate.now(clock));
    Set<LocalDate> shut =
        practice.closedDays().stream().map(ClosedDay::day).collect(Collectors.toSet());
    List<ClosedDay> fresh =
        read.days().stream().filter(closed -> !shut.contains(closed.day())).toList();
    if (keep) transaction.executeWithoutResult(_ -> practice.closeAlsoOn(fresh));
    return new Outcome(
        List.of(new Effect("closed_day", fresh.size(), read.days().size() - fresh.size(), 0)),
        read.left());
  }

  private Outcome fhir(InputStream file, boolean keep, String who) throws BadLine, IOException {
    FhirReader.Read read = FhirReader.read(file);
    Optional<Client> known = known(read.person());
    Client client = known.isPresent() ? known.get() : fresh(read.person());
    Client told =
        withAllergies(client, read).reachedAlso(read.person().telephone(), read.person().mail());
    List<Kept> fresh = new ArrayList<>();
    for (Peel peel : read.peels()) {
      Kept kept = kept(peel);
      if (!onRecord(client.id(), kept)) fresh.add(kept);
    }
    boolean more = !told.equals(client);
    if (keep) {
      transaction.executeWithoutResult(_ -> {
        if (known.isEmpty()) clients.add(told);
        else if (more) clients.change(told);
        fresh.forEach(peel -> outside.add(told.id(), peel, OffsetDateTime.now(clock), who));
      });
    }
    return new Outcome(
        List.of(
            new Effect("client", known.isPresent() ? 0 : 1, known.isPresent() ? 1 : 0, 0),
            new Effect("allergies", more ? 1 : 0, 0, 0),
            new Effect("outside_peel", fresh.size(), read.peels().size() - fresh.size(), 0)),
        read.left());
  }

  /// By the id where it is one of here, else by name and day of birth.
  private Optional<Client> known(Person person) {
    return person
        .id()
        .flatMap(clients::find)
        .or(() -> clients.called(person.name(), person.born()))
        .map(client -> client.joinedInto().map(clients::get).orElse(client));
  }

  private Client fresh(Person person) throws BadLine {
    LocalDate today = LocalDate.now(clock);
    if (person.born().isAfter(today) || person.born().isBefore(today.minusYears(120))) {
      throw BadLine.at(
          person.line(),
          "Patient.birthDate is " + person.born() + "; nobody here is so old or young");
    }
    try {
      return Client.named(
          person.id().orElseGet(UUID::randomUUID),
          person.name(),
          person.born(),
          "",
          person.guardian(),
          person.language());
    } catch (IllegalArgumentException e) {
      throw BadLine.at(person.line(), String.valueOf(e.getMessage()));
    }
  }

  private static Client withAllergies(Client client, FhirReader.Read read) throws BadLine {
    try {
      Client told = client;
      for (String allergy : read.allergies()) told = told.allergicTo(allergy);
      return told;
    } catch (IllegalArgumentException e) {
      throw BadLine.at(read.person().line(), String.valueOf(e.getMessage()));
    }
  }

  private Kept kept(Peel peel) throws BadLine {
    try {
      shelf.shelf().named(peel.formula());
    } catch (IllegalArgumentException e) {
      throw BadLine.at(peel.line(), String.valueOf(e.getMessage()));
    }
    if (peel.on().isAfter(LocalDate.now(clock))) {
      throw BadLine.at(peel.line(), "a peel that was done lies in the past, not on " + peel.on());
    }
    return new Kept(
        UUID.randomUUID(),
        peel.formula(),
        peel.region(),
        peel.on(),
        peel.outcome(),
        new Outside(true, Optional.empty()));
  }

  private boolean onRecord(UUID client, Kept peel) {
    return outside.ofClient(client).stream().anyMatch(peel::samePeel)
        || recorded.ofClient(client).stream()
            .map(Recorded::peel)
            .anyMatch(one ->
                one.formula().code().equals(peel.formula())
                    && one.region() == peel.region()
                    && one.on().equals(peel.on()));
  }
}
