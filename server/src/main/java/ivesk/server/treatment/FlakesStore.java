package ivesk.server.treatment;

import ivesk.core.formula.Flaking;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// From which day to which clients flaked after their peels, as they told it.
@Component
class FlakesStore {
  private final JdbcClient jdbc;

  FlakesStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  Optional<Flaking> of(UUID visitId) {
    return Optional.ofNullable(ofVisits(List.of(visitId)).get(visitId));
  }

  Map<UUID, Flaking> ofVisits(List<UUID> visits) {
    if (visits.isEmpty()) return Map.of();
    return jdbc
        .sql("SELECT visit_id, first_day, last_day FROM flakes_told WHERE visit_id IN (:ids)")
        .param("ids", visits)
        .query((row, n) ->
            Map.entry(
                row.getObject("visit_id", UUID.class),
                new Flaking(row.getInt("first_day"), row.getInt("last_day"))))
        .list()
        .stream()
        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
  }

  /// What was told before is told anew.
  void save(UUID visitId, Flaking told, OffsetDateTime at, String who) {
    jdbc.sql("MERGE INTO flakes_told KEY (visit_id) VALUES (?, ?, ?, ?, ?)")
        .params(visitId, told.first(), told.last(), at, who)
        .update();
  }
}
