package ivesk.server.records;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/// What the room keeps beside the records themselves.
@Service
public class Records {
  private final AddendumStore addenda;

  Records(AddendumStore addenda) {
    this.addenda = addenda;
  }

  /// Takes everything of some visits out for good.
  public void erase(List<UUID> visits) {
    addenda.erase(visits);
  }
}
