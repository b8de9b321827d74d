package ivesk.server.app;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The audit trail of one visit or client; whoever treats may read it.
@May(Right.RECORD)
@RestController
@RequestMapping("/api/audit")
class AuditController {
  private final Audit audit;

  AuditController(Audit audit) {
    this.audit = audit;
  }

  /// The newest 200 entries about a visit, a client or another thing with an id.
  ///
  /// @param before only those older than an entry
  @GetMapping("/{id}")
  List<Audit.Entry> about(@PathVariable UUID id, @RequestParam Optional<Long> before) {
    return audit.about(id, before);
  }
}
