package ivesk.server.path;

import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Two charts of one person.
@RestController
@RequestMapping("/api")
class MergeController {
  private final Merge merge;
  private final ApplicationEventPublisher events;

  MergeController(Merge merge, ApplicationEventPublisher events) {
    this.merge = merge;
    this.events = events;
  }

  /// Charts that are joined with this one.
  @May(Right.BOOK)
  @GetMapping("/clients/{id}/joined")
  List<Merge.JoinedCharts> joined(@PathVariable UUID id) {
    return merge.of(id);
  }

  /// What joining another chart into this one would do; nothing is written.
  @May(Right.RECORD)
  @GetMapping("/clients/{id}/joined/{other}")
  Merge.JoinPreview preview(@PathVariable UUID id, @PathVariable UUID other) {
    return merge.preview(id, other);
  }

  /// Joins another chart into this one.
  @May(Right.TREAT)
  @PostMapping("/clients/{id}/joined/{other}")
  Client join(@PathVariable UUID id, @PathVariable UUID other, Principal who) {
    return readAnew(merge.join(id, other, who.getName()));
  }

  /// Takes them apart again.
  @May(Right.TREAT)
  @DeleteMapping("/joined/{id}")
  Client apart(@PathVariable UUID id, Principal who) {
    return readAnew(merge.undo(id, who.getName()));
  }

  /// What somebody keeps at hand may be another's now.
  private Client readAnew(Client client) {
    events.publishEvent(new DatabaseReopened());
    return client;
  }
}
