package ivesk.server.practice;

import ivesk.core.aftercare.Reach;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.practice.PolicyQuestion;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Remembered;
import ivesk.server.data.ArchiveCheck;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
public class PracticeStore implements ArchiveCheck {
  private final JdbcClient jdbc;
  private final AccountStore accounts;
  private final Remembered<Optional<Details>> details = new Remembered<>(this::readDetails);
  private final Remembered<List<ClosedDay>> closedDays = new Remembered<>(this::readClosedDays);
  private final Remembered<Policies> policies = new Remembered<>(this::readPolicies);

  PracticeStore(JdbcClient jdbc, AccountStore accounts) {
    this.jdbc = jdbc;
    this.accounts = accounts;
  }

  @Override
  public void practice() {
    details.changed();
    closedDays.changed();
    policies.changed();
    details();
    closedDays();
    policies();
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    details.forget();
    closedDays.forget();
    policies.forget();
  }

  /// @param zone in which every hour and day is said
  /// @param rooms by name, in their order
  /// @param opening days on which the practice is open
  /// @param keepYears how long charts are kept after the last visit, 1 to 60
  /// @param reached how clients reach the practice
  public record Details(
      String name,
      String town,
      ZoneId zone,
      List<String> rooms,
      Set<DayOfWeek> opening,
      int keepYears,
      Reached reached) {

    /// What many laws ask for at most; the local one decides. Common practice, no source.
    public static final int KEEP_YEARS = 10;

    /// What holds where nothing was said: two rooms, open every day.
    public static final Details UNSAID =
        new Details(
            "",
            "",
            ZoneOffset.UTC,
            List.of("room 1", "room 2"),
            EnumSet.allOf(DayOfWeek.class),
            KEEP_YEARS,
            new Reached(Optional.empty(), Optional.empty()));
  }

  /// How clients reach the practice.
  ///
  /// @param telephone empty until somebody has set it
  /// @param hours in which somebody answers, as the practice says it
  public record Reached(Optional<String> telephone, Optional<String> hours) {}

  /// Empty until the first start.
  public Optional<Details> details() {
    return details.get();
  }

  private Optional<Details> readDetails() {
    return jdbc.sql("SELECT * FROM practice")
        .query((row, n) ->
            new Details(
                row.getString("name"),
                row.getString("town"),
                ZoneId.of(row.getString("zone")),
                List.of(row.getString("rooms").split("\n")),
                Arrays.stream(row.getString("opening").split(" "))
                    .map(DayOfWeek::valueOf)
                    .collect(Collectors.toCollection(() -> EnumSet.noneOf(DayOfWeek.class))),
                row.getInt("keep_years"),
                new Reached(
                    Optional.ofNullable(row.getString("telephone")),
                    Optional.ofNullable(row.getString("hours")))))
        .optional();
  }

  public void setDetails(Details details) {
    jdbc.sql(
            "MERGE INTO practice (one, name, town, zone, rooms, opening, keep_years, telephone,"
                + " hours) KEY (one) VALUES (TRUE, ?, ?, ?, ?, ?, ?, ?, ?)")
        .params(
            details.name(),
            details.town(),
            details.zone().getId(),
            String.join("\n", details.rooms()),
            details.opening().stream().map(DayOfWeek::name).collect(Collectors.joining(" ")),
            details.keepYears(),
            details.reached().telephone().orElse(null),
            details.reached().hours().orElse(null))
        .update();
    this.details.changed();
  }

  /// @param why "public holiday", "stocktaking"
  public record ClosedDay(LocalDate day, String why) {}

  public List<ClosedDay> closedDays() {
    return closedDays.get();
  }

  private List<ClosedDay> readClosedDays() {
    return jdbc.sql("SELECT on_date, why FROM closed_day ORDER BY on_date")
        .query((row, n) ->
            new ClosedDay(row.getObject("on_date", LocalDate.class), row.getString("why")))
        .list();
  }

  /// Why the practice is shut on a day; empty where it is open.
  public Optional<String> shutOn(LocalDate day) {
    Optional<String> closed =
        closedDays().stream()
            .filter(one -> one.day().equals(day))
            .map(one -> "the practice is closed this day: " + one.why())
            .findFirst();
    boolean open =
        details().map(details -> details.opening().contains(day.getDayOfWeek())).orElse(true);
    return closed.or(() ->
        open ? Optional.empty() : Optional.of("the practice is not open on this day of the week"));
  }

  void setClosedDays(List<ClosedDay> days) {
    jdbc.sql("DELETE FROM closed_day").update();
    closeAlsoOn(days);
  }

  /// @param days none of which is closed yet
  public void closeAlsoOn(List<ClosedDay> days) {
    for (ClosedDay closed : days) {
      jdbc.sql("INSERT INTO closed_day (on_date, why) VALUES (?, ?)")
          .params(closed.day(), closed.why())
          .update();
    }
    closedDays.changed();
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

  public boolean hasNumber(NumberKind kind) {
    return number(kind).isPresent();
  }

  /// How clients reach the practice, and help.
  public Reach reach() {
    Reached reached = details().orElse(Details.UNSAID).reached();
    return new Reach(reached.telephone(), reached.hours(), number(NumberKind.EMERGENCY));
  }

  /// Empty until somebody has set it.
  public Optional<String> number(NumberKind kind) {
    return Optional.ofNullable(numbers().get(kind));
  }

  public void setNumber(NumberKind kind, String number, String who, Instant at) {
    jdbc.sql(
            "MERGE INTO practice_number (kind, number, set_by, set_at) KEY (kind)"
                + " VALUES (?, ?, ?, ?)")
        .params(kind.name(), number, who, at.atOffset(ZoneOffset.UTC))
        .update();
  }

  /// The practice's policies, with what the supervising clinician has opened.
  public Policies policies() {
    return policies.get();
  }

  private Policies readPolicies() {
    List<Restricted> opened =
        jdbc.sql("SELECT substance FROM clinician_opening")
            .query((row, n) -> Restricted.valueOf(row.getString("substance")))
            .list();
    Set<Restricted> substances = EnumSet.noneOf(Restricted.class);
    substances.addAll(opened);
    return PolicyQuestion.policies(answers()).opening(substances);
  }

  /// The same, no deeper than the licence of who treats.
  public Policies policies(String username) {
    Policies all = policies();
    return accounts
        .account(username)
        .flatMap(AccountStore.Account::scope)
        .filter(own -> own.compareTo(all.scope()) < 0)
        .map(all::with)
        .orElse(all);
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
    policies.changed();
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
    policies.changed();
  }

  public void open(Restricted substance, String clinician, Instant at) {
    jdbc.sql("INSERT INTO clinician_opening (substance, opened_by, opened_at) VALUES (?, ?, ?)")
        .params(substance.name(), clinician, at.atOffset(ZoneOffset.UTC))
        .update();
    policies.changed();
  }
}
