package ivesk.server.plan;

import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.stage.PrepCalendar;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Zone;
import ivesk.server.app.StorageMapper;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class PlanStore {
  private final JdbcClient jdbc;
  private final StorageMapper storage;
  private final Clock clock;

  PlanStore(JdbcClient jdbc, StorageMapper storage, Clock clock) {
    this.jdbc = jdbc;
    this.storage = storage;
    this.clock = clock;
  }

  /// @param reason why this and not the first choice; empty when it is the first
  /// @param then stages after the first, in their order
  record Chosen(
      String formulaCode, String reason, Wishes wishes, boolean kept, List<NextStage> then) {}

  /// @param zones empty takes all that are planned
  public record NextStage(String formula, List<Zone> zones) {}

  Optional<PlanProgress> progress(UUID visitId) {
    return jdbc.sql("SELECT formula_code, layers_planned, kept FROM visit_plan WHERE visit_id = ?")
        .param(visitId)
        .query((row, n) ->
            new PlanProgress(
                row.getString("formula_code"),
                Optional.ofNullable(row.getObject("layers_planned", Integer.class)),
                row.getBoolean("kept")))
        .optional();
  }

  Optional<Chosen> of(UUID visitId) {
    List<Zone> zones =
        jdbc.sql("SELECT zone FROM plan_zone WHERE visit_id = ? ORDER BY position")
            .param(visitId)
            .query((row, n) -> Zone.valueOf(row.getString("zone")))
            .list();
    Map<Zone, Duration> sooner =
        jdbc
            .sql("SELECT zone, seconds FROM plan_sooner WHERE visit_id = ?")
            .param(visitId)
            .query((row, n) ->
                Map.entry(
                    Zone.valueOf(row.getString("zone")), Duration.ofSeconds(row.getInt("seconds"))))
            .list()
            .stream()
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    List<NextStage> then =
        jdbc.sql("SELECT * FROM plan_stage WHERE visit_id = ? ORDER BY position")
            .param(visitId)
            .query((row, n) ->
                new NextStage(
                    row.getString("formula_code"),
                    Arrays.stream(row.getString("zones").split(","))
                        .filter(zone -> !zone.isEmpty())
                        .map(Zone::valueOf)
                        .toList()))
            .list();
    return jdbc.sql("SELECT * FROM visit_plan WHERE visit_id = ?")
        .param(visitId)
        .query((row, n) ->
            new Chosen(
                row.getString("formula_code"),
                row.getString("reason"),
                new Wishes(
                    Optional.ofNullable(row.getObject("layers_planned", Integer.class)),
                    Optional.ofNullable(row.getObject("layers_at_most", Integer.class)),
                    Optional.ofNullable(row.getObject("contact_seconds", Integer.class))
                        .map(Duration::ofSeconds),
                    zones.isEmpty() ? Optional.empty() : Optional.of(zones),
                    sooner,
                    Optional.ofNullable(row.getObject("layer_ml", Double.class)).map(Volume::ml),
                    Optional.ofNullable(row.getString("edge")).map(Edge::valueOf)),
                row.getBoolean("kept"),
                then))
        .optional();
  }

  /// How far the peel went, at those of some visits where it was chosen by hand.
  Map<UUID, Edge> edges(List<UUID> visits) {
    if (visits.isEmpty()) return Map.of();
    return jdbc
        .sql("SELECT visit_id, edge FROM visit_plan WHERE visit_id IN (:ids) AND edge IS NOT NULL")
        .param("ids", visits)
        .query((row, n) ->
            Map.entry(row.getObject("visit_id", UUID.class), Edge.valueOf(row.getString("edge"))))
        .list()
        .stream()
        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
  }

  void save(UUID visitId, Chosen chosen, String who) {
    jdbc.sql(
            """
            MERGE INTO visit_plan (visit_id, formula_code, reason, layers_planned, layers_at_most,
                                   contact_seconds, layer_ml, edge, kept, chosen_at, chosen_by)
            KEY (visit_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            visitId,
            chosen.formulaCode(),
            chosen.reason(),
            chosen.wishes().layersPlanned().orElse(null),
            chosen.wishes().layersAtMost().orElse(null),
            chosen.wishes().contact().map(d -> (int) d.toSeconds()).orElse(null),
            chosen.wishes().layer().map(Volume::ml).orElse(null),
            chosen.wishes().edge().map(Edge::name).orElse(null),
            chosen.kept(),
            OffsetDateTime.now(clock),
            who)
        .update();
    jdbc.sql("DELETE FROM plan_stage WHERE visit_id = ?").param(visitId).update();
    for (int i = 0; i < chosen.then().size(); i++) {
      NextStage next = chosen.then().get(i);
      jdbc.sql(
              "INSERT INTO plan_stage (visit_id, position, formula_code, zones) VALUES (?, ?, ?, ?)")
          .params(
              visitId,
              i,
              next.formula(),
              next.zones().stream().map(Zone::name).collect(Collectors.joining(",")))
          .update();
    }
    jdbc.sql("DELETE FROM plan_zone WHERE visit_id = ?").param(visitId).update();
    List<Zone> zones = chosen.wishes().zones().orElse(List.of());
    for (int i = 0; i < zones.size(); i++) {
      jdbc.sql("INSERT INTO plan_zone (visit_id, position, zone) VALUES (?, ?, ?)")
          .params(visitId, i, zones.get(i).name())
          .update();
    }
    jdbc.sql("DELETE FROM plan_sooner WHERE visit_id = ?").param(visitId).update();
    chosen
        .wishes()
        .earlier()
        .forEach((zone, time) ->
            jdbc.sql("INSERT INTO plan_sooner (visit_id, zone, seconds) VALUES (?, ?, ?)")
                .params(visitId, zone.name(), (int) time.toSeconds())
                .update());
  }

  /// @param version counts up with every change
  record KeptScript(int version, StoredScript script) {}

  /// The steps as they were written; empty where Ivesk composes them.
  Optional<KeptScript> script(UUID visitId) {
    return jdbc.sql("SELECT version, script FROM visit_script WHERE visit_id = ?")
        .param(visitId)
        .query((row, n) ->
            new KeptScript(
                row.getInt("version"), storage.read(row.getBytes("script"), StoredScript.SHAPE)))
        .optional();
  }

  /// @param version of what is written now, from 1
  void saveScript(UUID visitId, int version, StoredScript script, String who) {
    jdbc.sql(
            """
            MERGE INTO visit_script (visit_id, script, version, saved_at, saved_by)
            KEY (visit_id) VALUES (?, ? FORMAT JSON, ?, ?, ?)\
            """)
        .params(
            visitId,
            storage.write(StoredScript.SHAPE, script),
            version,
            OffsetDateTime.now(clock),
            who)
        .update();
  }

  void dropScript(UUID visitId) {
    jdbc.sql("DELETE FROM visit_script WHERE visit_id = ?").param(visitId).update();
  }

  /// What is laid out already, by the id of the thing.
  List<String> laidOut(UUID visitId) {
    return jdbc.sql("SELECT item FROM trolley_tick WHERE visit_id = ?")
        .param(visitId)
        .query((row, n) -> row.getString("item"))
        .list();
  }

  void layOut(UUID visitId, String item, boolean out) {
    jdbc.sql(
            out
                ? "MERGE INTO trolley_tick (visit_id, item) KEY (visit_id, item) VALUES (?, ?)"
                : "DELETE FROM trolley_tick WHERE visit_id = ? AND item = ?")
        .params(visitId, item)
        .update();
  }

  /// What was told of the weeks before.
  Map<PrepCalendar.Item, Boolean> prepTold(UUID visitId) {
    Map<PrepCalendar.Item, Boolean> told = new EnumMap<>(PrepCalendar.Item.class);
    jdbc.sql("SELECT item, kept FROM prep_told WHERE visit_id = ?")
        .param(visitId)
        .query(
            (RowCallbackHandler)
                row ->
                    told.put(
                        PrepCalendar.Item.valueOf(row.getString("item")), row.getBoolean("kept")));
    return told;
  }

  /// @param kept empty takes back what was told
  void tellPrep(UUID visitId, PrepCalendar.Item item, Optional<Boolean> kept) {
    if (kept.isEmpty()) {
      jdbc.sql("DELETE FROM prep_told WHERE visit_id = ? AND item = ?")
          .params(visitId, item.name())
          .update();
      return;
    }
    jdbc.sql("MERGE INTO prep_told (visit_id, item, kept) KEY (visit_id, item) VALUES (?, ?, ?)")
        .params(visitId, item.name(), kept.get())
        .update();
  }

  void erase(UUID visitId) {
    jdbc.sql("DELETE FROM visit_plan WHERE visit_id = ?").param(visitId).update();
    jdbc.sql("DELETE FROM trolley_tick WHERE visit_id = ?").param(visitId).update();
    jdbc.sql("DELETE FROM prep_told WHERE visit_id = ?").param(visitId).update();
    dropScript(visitId);
  }
}
