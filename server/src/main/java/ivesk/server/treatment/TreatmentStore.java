package ivesk.server.treatment;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Phototype;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.server.app.Audit;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.visit.VisitStore;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class TreatmentStore implements Audit.Owners {
  private final JdbcClient jdbc;
  private final StoredFacts facts;
  private final VisitStore visits;

  TreatmentStore(JdbcClient jdbc, StoredFacts facts, VisitStore visits) {
    this.jdbc = jdbc;
    this.visits = visits;
    this.facts = facts;
  }

  /// A treatment's visit and client.
  @Override
  public List<UUID> of(UUID id) {
    return jdbc.sql("SELECT visit_id FROM treatment WHERE id = ?")
        .param(id)
        .query(UUID.class)
        .optional()
        .map(visit -> Stream.concat(Stream.of(visit), visits.of(visit).stream()).toList())
        .orElse(List.of());
  }

  record Row(UUID id, UUID visitId, Instant openedAt, Optional<Instant> closedAt) {}

  void add(UUID id, UUID visitId, Instant openedAt) {
    jdbc.sql("INSERT INTO treatment (id, visit_id, opened_at) VALUES (?, ?, ?)")
        .params(id, visitId, utc(openedAt))
        .update();
  }

  Row get(UUID id) {
    return jdbc.sql("SELECT * FROM treatment WHERE id = ?")
        .param(id)
        .query(TreatmentStore::row)
        .optional()
        .orElseThrow(() -> new NotFound("treatment", id));
  }

  Optional<Row> ofVisit(UUID visitId) {
    return jdbc.sql("SELECT * FROM treatment WHERE visit_id = ?")
        .param(visitId)
        .query(TreatmentStore::row)
        .optional();
  }

  /// The treatments of some visits.
  List<Row> ofVisits(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql("SELECT * FROM treatment WHERE visit_id IN (:visits)")
        .param("visits", visits)
        .query(TreatmentStore::row)
        .list();
  }

  /// Visits whose treatment is neither signed nor stopped.
  List<UUID> openVisits() {
    return jdbc.sql("SELECT visit_id FROM treatment WHERE closed_at IS NULL ORDER BY opened_at")
        .query(UUID.class)
        .list();
  }

  /// When the newest entry of the treatments that are neither signed nor stopped happened.
  Optional<Instant> newestOpen() {
    return jdbc.sql(
            """
            SELECT MAX(happened_at) AS newest FROM treatment_event WHERE treatment_id IN
              (SELECT id FROM treatment WHERE closed_at IS NULL)\
            """)
        .query((row, n) -> Optional.ofNullable(row.getObject("newest", OffsetDateTime.class)))
        .single()
        .map(OffsetDateTime::toInstant);
  }

  void close(UUID id, Instant at) {
    jdbc.sql("UPDATE treatment SET closed_at = ? WHERE id = ?").params(utc(at), id).update();
  }

  void sign(UUID id, Instant at, TreatmentPlan plan) {
    jdbc.sql("UPDATE treatment SET signed_at = ?, formula = ?, phototype = ? WHERE id = ?")
        .params(utc(at), plan.formula().code(), plan.phototype().name(), id)
        .update();
  }

  /// The signed ones among some visits.
  List<SignedRecord> signed(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql("SELECT * FROM treatment WHERE signed_at IS NOT NULL AND visit_id IN (:visits)")
        .param("visits", visits)
        .query((row, n) ->
            new SignedRecord(
                row.getObject("id", UUID.class),
                row.getObject("visit_id", UUID.class),
                row.getObject("signed_at", OffsetDateTime.class).toInstant(),
                row.getString("formula"),
                Phototype.valueOf(row.getString("phototype"))))
        .list();
  }

  List<TreatmentEvent> events(UUID id) {
    return jdbc.sql(
            "SELECT * FROM treatment_event WHERE treatment_id = ? ORDER BY happened_at, seq")
        .param(id)
        .query((row, n) ->
            new TreatmentEvent(
                row.getObject("event_id", UUID.class),
                row.getObject("happened_at", OffsetDateTime.class).toInstant(),
                row.getString("who"),
                facts.read(row.getBytes("fact"))))
        .list();
  }

  /// Whether an event with this id was ever taken, whatever its treatment.
  boolean holds(UUID eventId) {
    return jdbc.sql("SELECT COUNT(*) FROM treatment_event WHERE event_id = ?")
            .param(eventId)
            .query(Integer.class)
            .single()
        > 0;
  }

  void append(UUID id, int seq, TreatmentEvent event, Instant recordedAt) {
    jdbc.sql(
            """
            INSERT INTO treatment_event (treatment_id, seq, event_id, happened_at, recorded_at,
                                         who, fact)
            VALUES (?, ?, ?, ?, ?, ?, ? FORMAT JSON)\
            """)
        .params(
            id,
            seq,
            event.id(),
            utc(event.at()),
            utc(recordedAt),
            event.who(),
            facts.write(event.fact()))
        .update();
  }

  /// Forces everything committed so far to the disk, so that it survives a power cut.
  void force() {
    jdbc.sql("CHECKPOINT SYNC").update();
  }

  private static OffsetDateTime utc(Instant at) {
    return at.atOffset(ZoneOffset.UTC);
  }

  private static Row row(ResultSet row, int n) throws SQLException {
    return new Row(
        row.getObject("id", UUID.class),
        row.getObject("visit_id", UUID.class),
        row.getObject("opened_at", OffsetDateTime.class).toInstant(),
        Optional.ofNullable(row.getObject("closed_at", OffsetDateTime.class))
            .map(OffsetDateTime::toInstant));
  }

  void erase(UUID visitId) {
    jdbc.sql(
            "DELETE FROM treatment_event"
                + " WHERE treatment_id IN (SELECT id FROM treatment WHERE visit_id = ?)")
        .param(visitId)
        .update();
    jdbc.sql(
            "DELETE FROM handset WHERE treatment_id IN (SELECT id FROM treatment WHERE visit_id = ?)")
        .param(visitId)
        .update();
    jdbc.sql("DELETE FROM treatment WHERE visit_id = ?").param(visitId).update();
    jdbc.sql("DELETE FROM flakes_told WHERE visit_id = ?").param(visitId).update();
  }
}
