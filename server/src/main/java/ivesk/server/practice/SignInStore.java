package ivesk.server.practice;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class SignInStore {
  private final JdbcClient jdbc;

  SignInStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /// @param tokenHash SHA-256 of what the browser holds
  /// @param device SHA-256 of the device's own mark
  /// @param browser as it names itself
  /// @param seen to the minute
  record SignIn(
      UUID id,
      String username,
      String tokenHash,
      String device,
      String browser,
      String address,
      Instant since,
      Instant seen) {}

  void add(SignIn one) {
    jdbc.sql(
            "INSERT INTO sign_in (id, username, token_hash, device, browser, address, since, seen)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            one.id(),
            one.username(),
            one.tokenHash(),
            one.device(),
            one.browser(),
            one.address(),
            utc(one.since()),
            utc(one.seen()))
        .update();
  }

  /// One that was not ended.
  Optional<SignIn> held(UUID id) {
    return jdbc.sql("SELECT * FROM sign_in WHERE id = ? AND ended IS NULL")
        .param(id)
        .query(SignInStore::signIn)
        .optional();
  }

  /// Those of somebody that were not ended, the newest first.
  List<SignIn> of(String username) {
    return jdbc.sql("SELECT * FROM sign_in WHERE username = ? AND ended IS NULL ORDER BY seen DESC")
        .param(username)
        .query(SignInStore::signIn)
        .list();
  }

  void seen(UUID id, Instant at) {
    jdbc.sql("UPDATE sign_in SET seen = ? WHERE id = ?").params(utc(at), id).update();
  }

  void end(UUID id, Instant at) {
    jdbc.sql("UPDATE sign_in SET ended = ? WHERE id = ? AND ended IS NULL")
        .params(utc(at), id)
        .update();
  }

  /// Whether somebody was signed in on a device at a time.
  boolean wasHere(String device, String username, Instant at) {
    return jdbc.sql(
                """
                SELECT COUNT(*) FROM sign_in
                WHERE device = ? AND username = ? AND since <= ? AND (ended IS NULL OR ended >= ?)\
                """)
            .params(device, username, utc(at), utc(at))
            .query(Integer.class)
            .single()
        > 0;
  }

  void prove(String device, String username, Instant at) {
    jdbc.sql(
            "MERGE INTO known_device (device, username, proven) KEY (device, username) VALUES (?, ?, ?)")
        .params(device, username, utc(at))
        .update();
  }

  Optional<Instant> proven(String device, String username) {
    return jdbc.sql("SELECT proven FROM known_device WHERE device = ? AND username = ?")
        .params(device, username)
        .query((row, n) -> row.getObject("proven", OffsetDateTime.class).toInstant())
        .optional();
  }

  /// Who has given the whole password on this device since a time.
  List<String> knownOn(String device, Instant since) {
    return jdbc.sql("SELECT username FROM known_device WHERE device = ? AND proven >= ?")
        .params(device, utc(since))
        .query(String.class)
        .list();
  }

  void forget(String device, String username) {
    jdbc.sql("DELETE FROM known_device WHERE device = ? AND username = ?")
        .params(device, username)
        .update();
  }

  /// On every device the whole password is asked for again.
  void forgetAll(String username) {
    jdbc.sql("DELETE FROM known_device WHERE username = ?").param(username).update();
  }

  private static OffsetDateTime utc(Instant at) {
    return at.atOffset(ZoneOffset.UTC);
  }

  private static SignIn signIn(ResultSet row, int n) throws SQLException {
    return new SignIn(
        row.getObject("id", UUID.class),
        row.getString("username"),
        row.getString("token_hash"),
        row.getString("device"),
        row.getString("browser"),
        row.getString("address"),
        row.getObject("since", OffsetDateTime.class).toInstant(),
        row.getObject("seen", OffsetDateTime.class).toInstant());
  }
}
