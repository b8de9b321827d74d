package ivesk.server.aftercare;

import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.HowItIs;
import ivesk.core.aftercare.Severity;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.treatment.RedFlags;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// What was heard in the days after a peel.
@Component
class ContactStore implements RedFlags {
  private final JdbcClient jdbc;
  private final StorageMapper storage;

  ContactStore(JdbcClient jdbc, StorageMapper storage) {
    this.jdbc = jdbc;
    this.storage = storage;
  }

  /// As a check-in is kept.
  record KeptHowItIs(
      int sensation, int flaking, int redness, Set<Complaint> complaints, String words) {
    static final Shape<KeptHowItIs> SHAPE =
        Shape.of("HowItIs", KeptHowItIs.class, StorageMapper.Upcaster.SAME);

    static KeptHowItIs of(HowItIs told) {
      return new KeptHowItIs(
          told.sensation(), told.flaking(), told.redness(), told.complaints(), told.words());
    }

    HowItIs told() {
      return new HowItIs(sensation, flaking, redness, complaints, words);
    }
  }

  /// @param toldTo account that asked; "client" by the client alone
  record Kept(
      UUID id,
      UUID visitId,
      Instant toldAt,
      LocalDate toldOn,
      String toldTo,
      boolean byClient,
      HowItIs told,
      Severity severity,
      List<String> rules,
      boolean hasPhoto) {}

  void add(Kept kept, Optional<byte[]> photo) {
    jdbc.sql(
            """
            INSERT INTO check_in (id, visit_id, told_at, told_on, told_to, by_client, told,
                                  severity, rules, photo)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            kept.id(),
            kept.visitId(),
            utc(kept.toldAt()),
            kept.toldOn(),
            kept.toldTo(),
            kept.byClient(),
            storage.write(KeptHowItIs.SHAPE, KeptHowItIs.of(kept.told())),
            kept.severity().name(),
            String.join(" ", kept.rules()),
            photo.orElse(null))
        .update();
  }

  Optional<Kept> checkIn(UUID id) {
    return jdbc.sql("SELECT *, photo IS NOT NULL AS has_photo FROM check_in WHERE id = ?")
        .param(id)
        .query(this::kept)
        .optional();
  }

  /// The oldest first.
  List<Kept> checkIns(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql(
            """
            SELECT id, visit_id, told_at, told_on, told_to, by_client, told, severity, rules,
                   photo IS NOT NULL AS has_photo
            FROM check_in WHERE visit_id IN (:ids) ORDER BY told_at, id\
            """)
        .param("ids", visits)
        .query(this::kept)
        .list();
  }

  private Kept kept(ResultSet row, int n) throws SQLException {
    return new Kept(
        row.getObject("id", UUID.class),
        row.getObject("visit_id", UUID.class),
        row.getObject("told_at", OffsetDateTime.class).toInstant(),
        row.getObject("told_on", LocalDate.class),
        row.getString("told_to"),
        row.getBoolean("by_client"),
        storage.read(row.getBytes("told"), KeptHowItIs.SHAPE).told(),
        Severity.valueOf(row.getString("severity")),
        Arrays.stream(row.getString("rules").split(" ")).filter(id -> !id.isEmpty()).toList(),
        row.getBoolean("has_photo"));
  }

  /// A JPEG.
  byte[] photo(UUID checkInId) {
    return jdbc.sql("SELECT photo FROM check_in WHERE id = ? AND photo IS NOT NULL")
        .param(checkInId)
        .query(byte[].class)
        .optional()
        .orElseThrow(() -> new NotFound("photo of a check-in", checkInId));
  }

  record Try(UUID visitId, Instant at, LocalDate on, String who) {}

  void add(Try one) {
    jdbc.sql("INSERT INTO check_in_try (visit_id, at, on_day, who) VALUES (?, ?, ?, ?)")
        .params(one.visitId(), utc(one.at()), one.on(), one.who())
        .update();
  }

  List<Try> tries(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql("SELECT * FROM check_in_try WHERE visit_id IN (:ids) ORDER BY at")
        .param("ids", visits)
        .query((row, n) ->
            new Try(
                row.getObject("visit_id", UUID.class),
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getObject("on_day", LocalDate.class),
                row.getString("who")))
        .list();
  }

  /// @param closing empty while it stands open
  record Flag(
      UUID id,
      UUID visitId,
      UUID checkInId,
      LocalDate openedOn,
      Severity severity,
      Optional<Closing> closing) {}

  /// @param by name of who closed it
  /// @param harmless it was no injury and does not count against the peel
  record Closing(Instant at, String by, String note, boolean harmless) {}

  void open(Flag flag) {
    jdbc.sql(
            "INSERT INTO red_flag (id, visit_id, check_in_id, opened_on, severity)"
                + " VALUES (?, ?, ?, ?, ?)")
        .params(
            flag.id(), flag.visitId(), flag.checkInId(), flag.openedOn(), flag.severity().name())
        .update();
  }

  /// @return whether it stood open
  boolean close(UUID id, Closing closing) {
    return jdbc.sql(
                """
                UPDATE red_flag SET closed_at = ?, closed_by = ?, note = ?, harmless = ?
                WHERE id = ? AND closed_at IS NULL\
                """)
            .params(utc(closing.at()), closing.by(), closing.note(), closing.harmless(), id)
            .update()
        == 1;
  }

  Flag flag(UUID id) {
    return jdbc.sql("SELECT * FROM red_flag WHERE id = ?")
        .param(id)
        .query(ContactStore::flag)
        .optional()
        .orElseThrow(() -> new NotFound("red flag", id));
  }

  List<Flag> flags(List<UUID> visits) {
    if (visits.isEmpty()) return List.of();
    return jdbc.sql("SELECT * FROM red_flag WHERE visit_id IN (:ids) ORDER BY opened_on, id")
        .param("ids", visits)
        .query(ContactStore::flag)
        .list();
  }

  List<Flag> openFlags() {
    return jdbc.sql("SELECT * FROM red_flag WHERE closed_at IS NULL ORDER BY opened_on, id")
        .query(ContactStore::flag)
        .list();
  }

  private static Flag flag(ResultSet row, int n) throws SQLException {
    OffsetDateTime closedAt = row.getObject("closed_at", OffsetDateTime.class);
    return new Flag(
        row.getObject("id", UUID.class),
        row.getObject("visit_id", UUID.class),
        row.getObject("check_in_id", UUID.class),
        row.getObject("opened_on", LocalDate.class),
        Severity.valueOf(row.getString("severity")),
        closedAt == null
            ? Optional.empty()
            : Optional.of(
                new Closing(
                    closedAt.toInstant(),
                    row.getString("closed_by"),
                    row.getString("note"),
                    row.getBoolean("harmless"))));
  }

  @Override
  public Map<UUID, Flagged> ofVisits(List<UUID> visits) {
    Map<UUID, Flagged> flagged = new HashMap<>();
    List<Flag> counting =
        flags(visits).stream()
            .filter(flag -> flag.closing().filter(Closing::harmless).isEmpty())
            .toList();
    if (counting.isEmpty()) return flagged;
    Set<UUID> allergic =
        checkIns(visits).stream()
            .filter(kept -> kept.told().complaints().stream().anyMatch(Complaint::allergic))
            .map(Kept::id)
            .collect(Collectors.toSet());
    for (Flag flag : counting) {
      Optional<LocalDate> open =
          flag.closing().isPresent() ? Optional.empty() : Optional.of(flag.openedOn());
      flagged.merge(
          flag.visitId(),
          new Flagged(open, allergic.contains(flag.checkInId())),
          (one, other) ->
              new Flagged(
                  Stream.of(one, other)
                      .flatMap(each -> each.open().stream())
                      .min(Comparator.naturalOrder()),
                  one.allergic() || other.allergic()));
    }
    return flagged;
  }

  /// A peel whose check-ins are still asked for.
  record AfterPeel(UUID visitId, LocalDate peelOn, LocalDate lastOn) {}

  void follow(AfterPeel peel) {
    jdbc.sql("MERGE INTO after_peel (visit_id, peel_on, last_on) KEY (visit_id) VALUES (?, ?, ?)")
        .params(peel.visitId(), peel.peelOn(), peel.lastOn())
        .update();
  }

  /// Those whose last check-in was planned for a day or later.
  List<AfterPeel> followed(LocalDate lastSince) {
    return jdbc.sql("SELECT * FROM after_peel WHERE last_on >= ? ORDER BY last_on, visit_id")
        .param(lastSince)
        .query((row, n) ->
            new AfterPeel(
                row.getObject("visit_id", UUID.class),
                row.getObject("peel_on", LocalDate.class),
                row.getObject("last_on", LocalDate.class)))
        .list();
  }

  /// Takes photos out for good, but those of what raised a red flag.
  void dropPhotos(List<UUID> visits) {
    if (visits.isEmpty()) return;
    jdbc.sql(
            "UPDATE check_in SET photo = NULL WHERE visit_id IN (:ids) AND photo IS NOT NULL"
                + " AND NOT EXISTS (SELECT 1 FROM red_flag WHERE check_in_id = check_in.id)")
        .param("ids", visits)
        .update();
  }

  /// Takes everything of some visits out for good.
  void erase(List<UUID> visits) {
    if (visits.isEmpty()) return;
    for (String table : List.of("red_flag", "check_in", "check_in_try", "after_peel")) {
      jdbc.sql("DELETE FROM " + table + " WHERE visit_id IN (:ids)").param("ids", visits).update();
    }
  }

  private static OffsetDateTime utc(Instant instant) {
    return instant.atOffset(ZoneOffset.UTC);
  }
}
