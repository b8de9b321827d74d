package ivesk.server.app;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/// The audit trail: who read a person's data, who wrote what, who signed in or tried to, when and
/// from where. Entries are only added; a chain of hashes over them shows whether one was changed or
/// is missing.
@Component
public class Audit {
  /// A read, or one more tap on the same screen, is noted once in so long.
  private static final Duration ONCE = Duration.ofMinutes(10);

  private static final int REMEMBERED = 5_000;
  private static final int PAGE = 200;
  private static final int SEALED_AT_ONCE = 2_000;
  private static final String BEGINNING = "0".repeat(64);

  private final JdbcClient jdbc;
  private final TransactionTemplate transaction;
  private final ObjectProvider<Owners> owners;
  private final Clock clock;
  private final Map<String, Instant> noted = new AtHand<>(REMEMBERED);

  Audit(
      JdbcClient jdbc,
      TransactionTemplate transaction,
      ObjectProvider<Owners> owners,
      Clock clock) {
    this.jdbc = jdbc;
    this.transaction = transaction;
    this.owners = owners;
    this.clock = clock;
  }

  /// Knows whom something is about: a visit's client, a treatment's.
  public interface Owners {
    /// Ids that it also belongs to; none for what this room does not know.
    List<UUID> of(UUID id);
  }

  /// @param subject id of what it is about, or its code; several stand apart by spaces
  public void note(String who, String what, Object subject) {
    note(who, what, subject, "");
  }

  /// The entry and all that it is about are there at once: what is sealed is whole.
  ///
  /// @param subject ids of what it is about
  /// @param details what was said of it
  public void note(String who, String what, Object subject, String details) {
    transaction.executeWithoutResult(_ -> write(who, what, subject, details));
  }

  private void write(String who, String what, Object subject, String details) {
    long id =
        jdbc.sql(
                "SELECT id FROM FINAL TABLE (INSERT INTO audit_entry (at, who, what, details,"
                    + " address) VALUES (?, ?, ?, ?, ?))")
            .params(
                OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC),
                who,
                cut(what, 60),
                cut(details, 1000),
                address())
            .query(Long.class)
            .single();
    for (String one : subjects(String.valueOf(subject))) {
      jdbc.sql("INSERT INTO audit_subject (subject, entry) VALUES (?, ?)").params(one, id).update();
    }
  }

  /// A look at something, or a tap like the one before: once in ten minutes.
  public void noteOnce(String who, String what, Object subject) {
    Instant now = clock.instant();
    synchronized (noted) {
      String key = who + " " + what + " " + subject;
      Instant before = noted.get(key);
      if (before != null && now.isBefore(before.plus(ONCE)) && !now.isBefore(before)) return;
      noted.put(key, now);
    }
    note(who, what, subject);
  }

  private Set<String> subjects(String words) {
    Set<String> all = new LinkedHashSet<>();
    for (String word : words.split(" ")) {
      if (word.isEmpty()) continue;
      all.add(cut(word, 60));
      id(word)
          .ifPresent(id ->
              owners.forEach(room -> room.of(id).forEach(owner -> all.add(owner.toString()))));
    }
    return all;
  }

  private static Optional<UUID> id(String word) {
    try {
      return word.length() == 36 ? Optional.of(UUID.fromString(word)) : Optional.empty();
    } catch (IllegalArgumentException aCode) {
      return Optional.empty();
    }
  }

  private static String address() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes asked
        ? cut(asked.getRequest().getRemoteAddr(), 60)
        : "";
  }

  private static String cut(String words, int most) {
    return words.length() > most ? words.substring(0, most) : words;
  }

  /// @param details what was said of it; may be empty
  /// @param address from where; empty for the server itself
  public record Entry(
      long id, Instant at, String who, String what, String details, String address) {}

  /// The newest 200 entries about something, by its id.
  ///
  /// @param before only those older than an entry
  List<Entry> about(UUID id, Optional<Long> before) {
    return jdbc.sql(
            """
            SELECT audit_entry.* FROM audit_subject JOIN audit_entry ON audit_entry.id = entry
            WHERE subject = ? AND entry < ? ORDER BY entry DESC LIMIT ?\
            """)
        .params(id.toString(), before.orElse(Long.MAX_VALUE), PAGE)
        .query((row, n) ->
            new Entry(
                row.getLong("id"),
                row.getObject("at", OffsetDateTime.class).toInstant(),
                row.getString("who"),
                row.getString("what"),
                row.getString("details"),
                row.getString("address")))
        .list();
  }

  /// Seals what was written since: each hash holds the one before it, so that none can be changed
  /// or taken out unseen. An entry is sealed once it is committed, with all that it is about.
  @Scheduled(fixedDelay = 1000, initialDelay = 1000)
  public synchronized void seal() {
    record Last(long no, String hash) {}
    Last last =
        jdbc.sql("SELECT no, hash FROM audit_seal ORDER BY no DESC LIMIT 1")
            .query((row, n) -> new Last(row.getLong("no"), row.getString("hash")))
            .optional()
            .orElse(new Last(0, BEGINNING));
    long sealed =
        jdbc.sql("SELECT COALESCE(MAX(entry), 0) FROM audit_seal").query(Long.class).single();
    // What was written side by side may be committed out of order: a thousand back is looked at
    // too.
    List<Long> open =
        jdbc.sql(
                """
                SELECT id FROM audit_entry WHERE id > ?
                AND NOT EXISTS (SELECT 1 FROM audit_seal WHERE entry = audit_entry.id)
                ORDER BY id LIMIT ?\
                """)
            .params(sealed - 1000, SEALED_AT_ONCE)
            .query(Long.class)
            .list();
    long no = last.no();
    String hash = last.hash();
    for (long id : open) {
      hash = hash(hash, ++no, content(id));
      jdbc.sql("INSERT INTO audit_seal (no, entry, hash) VALUES (?, ?, ?)")
          .params(no, id, hash)
          .update();
    }
  }

  private String content(long id) {
    String entry =
        jdbc.sql("SELECT * FROM audit_entry WHERE id = ?")
            .param(id)
            .query((row, n) -> words(row))
            .single();
    List<String> about =
        jdbc.sql("SELECT subject FROM audit_subject WHERE entry = ? ORDER BY subject")
            .param(id)
            .query(String.class)
            .list();
    return entry + about;
  }

  private static String words(ResultSet row) throws SQLException {
    return row.getLong("id")
        + "|"
        + row.getObject("at", OffsetDateTime.class).toInstant()
        + "|"
        + row.getString("who")
        + "|"
        + row.getString("what")
        + "|"
        + row.getString("details")
        + "|"
        + row.getString("address")
        + "|";
  }

  private static String hash(String before, long no, String content) {
    return Sha256.of(before + "|" + no + "|" + content);
  }

  /// Follows the chain from its beginning.
  ///
  /// @return what was found, as a command says it
  /// @throws SQLException where the chain is broken, with the entry
  public static String verify(Connection database) throws SQLException {
    Map<Long, List<String>> subjects = new LinkedHashMap<>();
    try (Statement asked = database.createStatement();
        ResultSet rows =
            asked.executeQuery(
                "SELECT entry, subject FROM audit_subject ORDER BY entry, subject")) {
      while (rows.next()) {
        subjects.computeIfAbsent(rows.getLong(1), id -> new ArrayList<>()).add(rows.getString(2));
      }
    }
    String hash = BEGINNING;
    long no = 0;
    try (Statement asked = database.createStatement();
        ResultSet rows =
            asked.executeQuery(
                """
                SELECT no, hash, entry, audit_entry.* FROM audit_seal
                LEFT JOIN audit_entry ON audit_entry.id = entry ORDER BY no\
                """)) {
      while (rows.next()) {
        no++;
        long entry = rows.getLong("entry");
        hash = hash(hash, no, words(rows) + subjects.getOrDefault(entry, List.of()));
        if (rows.getLong("no") != no || !hash.equals(rows.getString("hash"))) {
          throw new SQLException(
              "the audit trail is broken at entry "
                  + entry
                  + ": it, or one before it, was changed or taken out");
        }
      }
    }
    return "The audit trail: " + no + " entries sealed, the chain is whole, head " + hash + ".";
  }
}
