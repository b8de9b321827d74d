package ivesk.server.series;

import ivesk.core.series.Course.Why;
import ivesk.core.skin.Region;
import ivesk.server.app.Problems.NotFound;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class CourseStore {
  private final JdbcClient jdbc;

  CourseStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// @param formulas by code; two that alternate
  /// @param hour of each visit, by the practice's clock
  /// @param paused why it rests; empty while it runs
  record Kept(
      UUID id,
      UUID clientId,
      Region region,
      List<String> formulas,
      boolean maintenance,
      LocalTime hour,
      int minutes,
      String room,
      String therapist,
      Optional<String> paused) {}

  /// @param skipped why it does not take place
  record Peel(
      UUID courseId,
      int number,
      UUID visitId,
      String formula,
      int layers,
      List<Why> whys,
      Optional<String> skipped) {
    Peel skipping(String why) {
      return new Peel(courseId, number, visitId, formula, layers, whys, Optional.of(why));
    }
  }

  void add(Kept course, Instant at, String who) {
    jdbc.sql(
            """
            INSERT INTO course (id, client_id, region, formulas, maintenance, at_hour, minutes, room,
                                therapist, made_at, made_by)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            course.id(),
            course.clientId(),
            course.region().name(),
            String.join(" ", course.formulas()),
            course.maintenance(),
            course.hour(),
            course.minutes(),
            course.room(),
            course.therapist(),
            at.atOffset(ZoneOffset.UTC),
            who)
        .update();
  }

  void pause(UUID id, Optional<String> why) {
    jdbc.sql("UPDATE course SET paused = ? WHERE id = ?").params(why.orElse(null), id).update();
  }

  Kept get(UUID id) {
    return jdbc.sql("SELECT * FROM course WHERE id = ?")
        .param(id)
        .query(CourseStore::course)
        .optional()
        .orElseThrow(() -> new NotFound("course", id));
  }

  /// The oldest first.
  List<Kept> of(UUID clientId) {
    return jdbc.sql("SELECT * FROM course WHERE client_id = ? ORDER BY made_at, id")
        .param(clientId)
        .query(CourseStore::course)
        .list();
  }

  private static Kept course(ResultSet row, int n) throws SQLException {
    return new Kept(
        row.getObject("id", UUID.class),
        row.getObject("client_id", UUID.class),
        Region.valueOf(row.getString("region")),
        List.of(row.getString("formulas").split(" ")),
        row.getBoolean("maintenance"),
        row.getObject("at_hour", LocalTime.class),
        row.getInt("minutes"),
        row.getString("room"),
        row.getString("therapist"),
        Optional.ofNullable(row.getString("paused")));
  }

  void add(Peel peel) {
    jdbc.sql(
            "INSERT INTO course_peel (course_id, number, visit_id, formula, layers, whys)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            peel.courseId(),
            peel.number(),
            peel.visitId(),
            peel.formula(),
            peel.layers(),
            names(peel.whys()))
        .update();
  }

  void change(Peel peel) {
    jdbc.sql(
            "UPDATE course_peel SET formula = ?, layers = ?, whys = ?, skipped = ?"
                + " WHERE course_id = ? AND number = ?")
        .params(
            peel.formula(),
            peel.layers(),
            names(peel.whys()),
            peel.skipped().orElse(null),
            peel.courseId(),
            peel.number())
        .update();
  }

  private static String names(List<Why> whys) {
    return whys.stream().map(Why::name).collect(Collectors.joining(" "));
  }

  List<Peel> peels(UUID courseId) {
    return jdbc.sql("SELECT * FROM course_peel WHERE course_id = ? ORDER BY number")
        .param(courseId)
        .query((row, n) ->
            new Peel(
                row.getObject("course_id", UUID.class),
                row.getInt("number"),
                row.getObject("visit_id", UUID.class),
                row.getString("formula"),
                row.getInt("layers"),
                Arrays.stream(row.getString("whys").split(" "))
                    .filter(why -> !why.isEmpty())
                    .map(Why::valueOf)
                    .toList(),
                Optional.ofNullable(row.getString("skipped"))))
        .list();
  }

  void erase(UUID clientId) {
    jdbc.sql(
            "DELETE FROM course_peel WHERE course_id IN (SELECT id FROM course WHERE client_id = ?)")
        .param(clientId)
        .update();
    jdbc.sql("DELETE FROM course WHERE client_id = ?").param(clientId).update();
  }
}
