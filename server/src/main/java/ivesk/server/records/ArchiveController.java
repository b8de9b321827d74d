package ivesk.server.records;

import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Bearer;
import ivesk.server.records.Intake.Outcome;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/// Records leave as JSON or as tables: everything, or all of one client, who has a right to it.
/// They enter by one door, [Intake].
@RestController
@RequestMapping("/api")
class ArchiveController {
  private final Archive archive;
  private final Intake intake;
  private final ClientStore clients;
  private final ApplicationEventPublisher events;
  private final Audit audit;
  private final Clock clock;

  ArchiveController(
      Archive archive,
      Intake intake,
      ClientStore clients,
      ApplicationEventPublisher events,
      Audit audit,
      Clock clock) {
    this.archive = archive;
    this.intake = intake;
    this.clients = clients;
    this.events = events;
    this.audit = audit;
    this.clock = clock;
  }

  @May(Right.ARCHIVE)
  @GetMapping(path = "/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<StreamingResponseBody> everything(Principal who) {
    audit.note(who.getName(), "export everything", "practice");
    return file("ivesk-" + LocalDate.now(clock) + ".json", Form.JSON, Optional.empty());
  }

  /// The same as tables: a ZIP with a CSV each.
  @May(Right.ARCHIVE)
  @GetMapping(path = "/archive/tables", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<StreamingResponseBody> tables(Principal who) {
    audit.note(who.getName(), "export everything", "practice");
    return file("ivesk-" + LocalDate.now(clock) + ".zip", Form.CSV, Optional.empty());
  }

  /// What the JSON file looks like, as a JSON Schema.
  @May(Right.KNOW)
  @GetMapping(path = "/archive/schema", produces = "application/schema+json")
  String schema() {
    return archive.schema();
  }

  /// All that is kept of one client.
  @May(Right.RECORD)
  @GetMapping(path = "/clients/{id}/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<StreamingResponseBody> ofClient(@PathVariable UUID id, Principal who) {
    clients.get(id);
    audit.note(who.getName(), "export client", id);
    return file("client-" + LocalDate.now(clock) + ".json", Form.JSON, Optional.of(id));
  }

  private ResponseEntity<StreamingResponseBody> file(
      String name, Form form, Optional<UUID> client) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name).build().toString())
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .body(out -> archive.write(out, form, client));
  }

  /// What came of it, or would.
  ///
  /// @param notes what of the file is not read, and what else is to be known
  record TakenIn(List<ArchiveEffect> effects, List<String> notes) {}

  record ArchiveEffect(String table, int fresh, int same, int differing) {}

  private TakenIn read(HttpServletRequest request, boolean keep, String who) {
    try {
      Bearer bearer =
          new Bearer(
              Right.PEOPLE.heldBy(request::isUserInRole),
              Right.CLINICIAN.heldBy(request::isUserInRole));
      Outcome outcome = intake.read(request.getInputStream(), keep, who, bearer);
      return new TakenIn(
          outcome.effects().stream()
              .map(one -> new ArchiveEffect(one.table(), one.fresh(), one.same(), one.differing()))
              .toList(),
          outcome.notes());
    } catch (BadLine e) {
      throw new BadInput("file", e.getMessage());
    } catch (IOException e) {
      throw new BadInput("file", "the file did not come whole");
    } finally {
      // What somebody keeps at hand is read again; a file that was only looked at was read too.
      events.publishEvent(new DatabaseReopened());
    }
  }

  /// Tables by which somebody may do more than before, in the audit's words.
  private static final Map<String, String> GIVES_POWER =
      Map.of("account", "import people", "clinician_opening", "import openings");

  /// Reads a file through and says what it would do; nothing is written.
  @May(Right.ARCHIVE)
  @PostMapping("/archive/preview")
  TakenIn preview(HttpServletRequest request, Principal who) {
    return read(request, false, who.getName());
  }

  /// Takes a file in, all of it or nothing.
  @May(Right.ARCHIVE)
  @PostMapping("/archive")
  TakenIn take(HttpServletRequest request, Principal who) {
    TakenIn taken = read(request, true, who.getName());
    audit.note(who.getName(), "import file", "practice");
    for (ArchiveEffect effect : taken.effects()) {
      String what = GIVES_POWER.get(effect.table());
      if (what != null && effect.fresh() > 0) {
        audit.note(who.getName(), what, "practice", String.valueOf(effect.fresh()));
      }
    }
    return taken;
  }
}
