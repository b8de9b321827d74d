package ivesk.server.records;

import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.ClientStore;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.BadLine;
import ivesk.server.data.Archive.Effect;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
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

/// Records leave and enter as JSON: everything, or all of one client, who has a right to it.
@RestController
@RequestMapping("/api")
class ArchiveController {
  private final Archive archive;
  private final ClientStore clients;
  private final ApplicationEventPublisher events;
  private final Audit audit;
  private final Clock clock;

  ArchiveController(
      Archive archive,
      ClientStore clients,
      ApplicationEventPublisher events,
      Audit audit,
      Clock clock) {
    this.archive = archive;
    this.clients = clients;
    this.events = events;
    this.audit = audit;
    this.clock = clock;
  }

  @May(Right.ARCHIVE)
  @GetMapping(path = "/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<StreamingResponseBody> everything(Principal who) {
    audit.note(who.getName(), "export everything", "practice");
    return file("ivesk-" + LocalDate.now(clock), Optional.empty());
  }

  /// All that is kept of one client.
  @May(Right.RECORD)
  @GetMapping(path = "/clients/{id}/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
  ResponseEntity<StreamingResponseBody> ofClient(@PathVariable UUID id, Principal who) {
    clients.get(id);
    audit.note(who.getName(), "export client", id);
    return file("client-" + LocalDate.now(clock), Optional.of(id));
  }

  private ResponseEntity<StreamingResponseBody> file(String name, Optional<UUID> client) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(name + ".json").build().toString())
        .contentType(MediaType.APPLICATION_OCTET_STREAM)
        .body(out -> archive.write(out, client));
  }

  /// What came of it, or would.
  record ArchiveEffect(String table, int fresh, int same, int differing) {
    static List<ArchiveEffect> of(List<Effect> effects) {
      return effects.stream()
          .map(one -> new ArchiveEffect(one.table(), one.fresh(), one.same(), one.differing()))
          .toList();
    }
  }

  private interface Reading {
    List<Effect> of(InputStream file) throws BadLine;
  }

  private static List<ArchiveEffect> read(HttpServletRequest request, Reading reading) {
    try {
      return ArchiveEffect.of(reading.of(request.getInputStream()));
    } catch (BadLine e) {
      throw new BadInput("file", e.getMessage() + ". Nothing was written");
    } catch (IOException e) {
      throw new BadInput("file", "the file did not come whole. Nothing was written");
    }
  }

  /// Reads a file through and says what it would do, table by table; nothing is written.
  @May(Right.ARCHIVE)
  @PostMapping("/archive/preview")
  List<ArchiveEffect> preview(HttpServletRequest request) {
    return read(request, archive::preview);
  }

  /// Takes a file in, all of it or nothing.
  @May(Right.ARCHIVE)
  @PostMapping("/archive")
  List<ArchiveEffect> take(HttpServletRequest request, Principal who) {
    List<ArchiveEffect> effects = read(request, archive::take);
    // What somebody keeps at hand is read again.
    events.publishEvent(new DatabaseReopened());
    audit.note(who.getName(), "import file", "practice");
    return effects;
  }
}
