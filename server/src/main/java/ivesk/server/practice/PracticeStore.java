package ivesk.server.practice;

import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.practice.PolicyQuestion;
import java.math.BigInteger;
import java.security.SecureRandom;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.stereotype.Component;

@Component
public class PracticeStore implements UserDetailsService {
  private final JdbcClient jdbc;

  PracticeStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public enum Role {
    OWNER,
    SUPERVISOR,
    THERAPIST,
    DESK
  }

  public record Account(String username, String name, Role role) {}

  public Optional<Account> account(String username) {
    return accounts().stream().filter(a -> a.username().equals(username)).findFirst();
  }

  public List<Account> accounts() {
    return jdbc.sql("SELECT username, name, role FROM account ORDER BY name")
        .query((row, n) ->
            new Account(
                row.getString("username"),
                row.getString("name"),
                Role.valueOf(row.getString("role"))))
        .list();
  }

  public void addAccount(Account account, String passwordHash) {
    jdbc.sql("INSERT INTO account (username, name, password_hash, role) VALUES (?, ?, ?, ?)")
        .params(account.username(), account.name(), passwordHash, account.role().name())
        .update();
  }

  /// Whom an alarm calls.
  public enum NumberKind {
    EMERGENCY,
    POISON_CENTRE
  }

  /// Those that were set.
  Map<NumberKind, String> numbers() {
    Map<NumberKind, String> numbers = new EnumMap<>(NumberKind.class);
    jdbc.sql("SELECT kind, number FROM practice_number")
        .query(row -> {
          numbers.put(NumberKind.valueOf(row.getString("kind")), row.getString("number"));
        });
    return numbers;
  }

  public void setNumber(NumberKind kind, String number, String who, Instant at) {
    jdbc.sql(
            "MERGE INTO practice_number (kind, number, set_by, set_at) KEY (kind)"
                + " VALUES (?, ?, ?, ?)")
        .params(kind.name(), number, who, at.atOffset(ZoneOffset.UTC))
        .update();
  }

  /// Owner and supervising clinician set what holds for the whole practice.
  boolean maySet(String username) {
    return account(username)
        .filter(account -> account.role() == Role.OWNER || account.role() == Role.SUPERVISOR)
        .isPresent();
  }

  /// The practice's policies, with what the supervising clinician has opened.
  public Policies policies() {
    List<Restricted> opened =
        jdbc.sql("SELECT substance FROM clinician_opening")
            .query((row, n) -> Restricted.valueOf(row.getString("substance")))
            .list();
    Set<Restricted> substances = EnumSet.noneOf(Restricted.class);
    substances.addAll(opened);
    return PolicyQuestion.policies(answers()).opening(substances);
  }

  /// What the practice answered otherwise than usual, or again.
  Map<PolicyQuestion, String> answers() {
    Map<PolicyQuestion, String> answers = new EnumMap<>(PolicyQuestion.class);
    jdbc.sql("SELECT question, answer FROM policy")
        .query(row -> {
          answers.put(PolicyQuestion.valueOf(row.getString("question")), row.getString("answer"));
        });
    return answers;
  }

  public void answer(PolicyQuestion question, String answer, String who, Instant at) {
    jdbc.sql(
            "MERGE INTO policy (question, answer, set_by, set_at) KEY (question) VALUES (?, ?, ?, ?)")
        .params(question.name(), answer, who, at.atOffset(ZoneOffset.UTC))
        .update();
  }

  /// By whom and when the supervising clinician opened something.
  public record ClinicianOpening(Restricted substance, String by, Instant at) {}

  public List<ClinicianOpening> openings() {
    return jdbc.sql(
            """
            SELECT substance, name, opened_at FROM clinician_opening
            JOIN account ON account.username = opened_by\
            """)
        .query((row, n) ->
            new ClinicianOpening(
                Restricted.valueOf(row.getString("substance")),
                row.getString("name"),
                row.getObject("opened_at", OffsetDateTime.class).toInstant()))
        .list();
  }

  public void close(Restricted substance) {
    jdbc.sql("DELETE FROM clinician_opening WHERE substance = ?").param(substance.name()).update();
  }

  public void open(Restricted substance, String clinician, Instant at) {
    jdbc.sql("INSERT INTO clinician_opening (substance, opened_by, opened_at) VALUES (?, ?, ?)")
        .params(substance.name(), clinician, at.atOffset(ZoneOffset.UTC))
        .update();
  }

  /// The key that signs the cookie by which somebody stays signed in over a restart.
  public String staySignedInKey() {
    return jdbc.sql("SELECT word FROM secret WHERE name = 'stay-signed-in'")
        .query(String.class)
        .optional()
        .orElseGet(() -> {
          String fresh = new BigInteger(256, new SecureRandom()).toString(36);
          jdbc.sql("INSERT INTO secret (name, word) VALUES ('stay-signed-in', ?)")
              .param(fresh)
              .update();
          return fresh;
        });
  }

  @Override
  public UserDetails loadUserByUsername(String username) {
    return jdbc.sql("SELECT username, password_hash, role FROM account WHERE username = ?")
        .param(username)
        .query((row, n) ->
            User.withUsername(row.getString("username"))
                .password(row.getString("password_hash"))
                .roles(row.getString("role"))
                .build())
        .optional()
        .orElseThrow(() -> new UsernameNotFoundException(username));
  }
}
