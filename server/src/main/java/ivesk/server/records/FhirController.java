package ivesk.server.records;

import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.server.app.Audit;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseService;
import ivesk.server.series.ProgressService;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// One client for another program, as HL7 FHIR R4.
@RestController
@RequestMapping("/api/clients/{id}/fhir")
class FhirController {
  private final ClientStore clients;
  private final VisitStore visits;
  private final ScreeningService screening;
  private final RecordedPeels peels;
  private final ProgressService progress;
  private final CourseService courses;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  FhirController(
      ClientStore clients,
      VisitStore visits,
      ScreeningService screening,
      RecordedPeels peels,
      ProgressService progress,
      CourseService courses,
      AccountStore accounts,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.visits = visits;
    this.screening = screening;
    this.peels = peels;
    this.progress = progress;
    this.courses = courses;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /// A bundle: Patient, AllergyIntolerance, Condition, MedicationStatement, Consent, Procedure,
  /// Observation, CarePlan.
  @May(Right.RECORD)
  @GetMapping(produces = "application/fhir+json")
  ResponseEntity<byte[]> bundle(@PathVariable UUID id, Principal who) {
    Client client = clients.get(id);
    ScreeningFacts facts =
        visits.ofClient(id).stream()
            .max(Comparator.comparing(Visit::startsAt))
            .map(visit -> screening.facts(visit.id()))
            .orElseThrow(
                () -> new Refused("There is no visit yet, and nothing to send of this client."));
    Map<ivesk.core.skin.Condition, Integer> found =
        facts.skin().severities().entrySet().stream()
            .filter(entry -> entry.getValue() > 0)
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    byte[] bundle =
        FhirBundle.of(
            new FhirBundle.Facts(
                client,
                facts.skin().phototype(),
                found,
                facts.skin().goals(),
                facts.products(),
                facts.consents(),
                List.copyOf(peels.ofClient(id)),
                by(id),
                progress.scored(id),
                courses.planned(id),
                LocalDate.now(clock)),
            clock.instant());
    audit.note(who.getName(), "export client as FHIR", id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename("client-" + LocalDate.now(clock) + ".fhir.json")
                .build()
                .toString())
        .contentType(MediaType.parseMediaType("application/fhir+json"))
        .body(bundle);
  }

  private Map<UUID, String> by(UUID clientId) {
    return visits.ofClient(clientId).stream()
        .collect(Collectors.toMap(Visit::id, visit -> accounts.named(visit.therapist())));
  }
}
