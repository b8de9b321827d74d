package ivesk.server.path;

import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.data.BackupService;
import java.io.IOException;
import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// How it is, and a backup at once.
@May(Right.WATCH)
@RestController
@RequestMapping("/api/health")
class HealthController {
  private final Health health;
  private final BackupService backups;

  HealthController(Health health, BackupService backups) {
    this.health = health;
    this.backups = backups;
  }

  @GetMapping
  Health.HealthView health() throws IOException {
    return health.view();
  }

  @PostMapping("/backup")
  Health.HealthView backUp(Principal who) throws IOException {
    try {
      backups.backUp(who.getName());
    } catch (IOException e) {
      throw new Refused("The backup failed: " + e.getMessage() + ". The data are as they were.");
    }
    return health.view();
  }
}
