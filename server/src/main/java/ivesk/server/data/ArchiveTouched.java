package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Place;
import ivesk.server.data.ArchiveSchema.Column;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/// Whose records a file brings something to, each with the place where it first does.
final class ArchiveTouched {
  private final Map<UUID, Place> treatments = new LinkedHashMap<>();
  private final Map<UUID, Place> visits = new LinkedHashMap<>();
  private final Map<UUID, Place> clients = new LinkedHashMap<>();
  private @Nullable Place practice;

  void add(String table, List<Column> columns, @Nullable Object[] values, Place place) {
    boolean somebodys = false;
    for (int i = 0; i < values.length; i++) {
      if (!(values[i] instanceof UUID id)) continue;
      String column = columns.get(i).name();
      Map<UUID, Place> whose =
          switch (column.equals("id") ? table + "_id" : column) {
            case "treatment_id" -> treatments;
            case "visit_id" -> visits;
            case "client_id" -> clients;
            default -> null;
          };
      if (whose == null) continue;
      whose.putIfAbsent(id, place);
      somebodys = true;
    }
    if (!somebodys && practice == null) practice = place;
  }

  /// @throws BadLine at the first that cannot be read
  void check(List<ArchiveCheck> checks) throws BadLine {
    for (ArchiveCheck check : checks) {
      if (practice != null) read(practice, check::practice);
    }
    for (ArchiveCheck check : checks) {
      each(treatments, check::treatment);
      each(visits, check::visit);
      each(clients, check::client);
    }
  }

  private interface Reading {
    void of(UUID id);
  }

  private static void each(Map<UUID, Place> whose, Reading reading) throws BadLine {
    for (Map.Entry<UUID, Place> one : whose.entrySet()) {
      read(one.getValue(), () -> reading.of(one.getKey()));
    }
  }

  private static void read(Place place, Runnable reading) throws BadLine {
    try {
      reading.run();
    } catch (RuntimeException e) {
      throw place.bad("what begins here cannot be read: " + e.getMessage());
    }
  }
}
