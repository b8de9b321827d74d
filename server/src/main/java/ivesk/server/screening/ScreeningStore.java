package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.Consent;
import ivesk.core.screening.Question;
import ivesk.core.screening.Question.Answer;
import ivesk.core.screening.Settlement;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class ScreeningStore {
  private final JdbcClient jdbc;
  private final Clock clock;

  ScreeningStore(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  Map<Question, Answer> answers(UUID visitId) {
    Map<Question, Answer> answers = new EnumMap<>(Question.class);
    jdbc.sql("SELECT question, choice, on_date FROM screening_answer WHERE visit_id = ?")
        .param(visitId)
        .query(row -> {
          answers.put(
              Question.valueOf(row.getString("question")),
              new Answer(
                  row.getString("choice"),
                  Optional.ofNullable(row.getObject("on_date", LocalDate.class))));
        });
    return answers;
  }

  void answer(UUID visitId, Question question, Optional<Answer> answer, String who) {
    if (answer.isEmpty()) {
      jdbc.sql("DELETE FROM screening_answer WHERE visit_id = ? AND question = ?")
          .params(visitId, question.name())
          .update();
      return;
    }
    jdbc.sql(
            """
            MERGE INTO screening_answer (visit_id, question, choice, on_date, answered_at,
                                         answered_by)
            KEY (visit_id, question) VALUES (?, ?, ?, ?, ?, ?)\
            """)
        .params(
            visitId,
            question.name(),
            answer.get().choice(),
            answer.get().on().orElse(null),
            OffsetDateTime.now(clock),
            who)
        .update();
  }

  List<Consent> consents(UUID clientId) {
    return jdbc.sql("SELECT * FROM consent WHERE client_id = ?")
        .param(clientId)
        .query((row, n) ->
            new Consent(
                Family.valueOf(row.getString("family")),
                row.getObject("signed_on", LocalDate.class),
                row.getString("signed_by"),
                Optional.ofNullable(row.getString("guardian"))))
        .list();
  }

  void sign(UUID clientId, Consent consent, String witness) {
    jdbc.sql(
            "INSERT INTO consent (client_id, family, signed_on, signed_by, guardian, witness)"
                + " VALUES (?, ?, ?, ?, ?, ?)")
        .params(
            clientId,
            consent.family().name(),
            consent.signedOn(),
            consent.signedBy(),
            consent.guardian().orElse(null),
            witness)
        .update();
  }

  List<Settlement> settlements(UUID visitId) {
    return jdbc.sql("SELECT * FROM settlement WHERE visit_id = ? ORDER BY at")
        .param(visitId)
        .query((row, n) -> {
          String rule = row.getString("rule_id");
          String said = row.getString("said");
          String words = row.getString("words");
          String by = row.getString("by_whom");
          return row.getString("kind").equals("OVERRIDE")
              ? (Settlement) new Settlement.Override(rule, said, words, by)
              : new Settlement.Clearance(rule, said, by, words);
        })
        .list();
  }

  void settle(UUID visitId, Settlement settlement) {
    String kind =
        switch (settlement) {
          case Settlement.Override o -> "OVERRIDE";
          case Settlement.Clearance c -> "CLEARANCE";
        };
    String words =
        switch (settlement) {
          case Settlement.Override o -> o.reason();
          case Settlement.Clearance c -> c.on();
        };
    String by =
        switch (settlement) {
          case Settlement.Override o -> o.by();
          case Settlement.Clearance c -> c.clinician();
        };
    jdbc.sql(
            "INSERT INTO settlement (visit_id, kind, rule_id, said, words, by_whom, at)"
                + " VALUES (?, ?, ?, ?, ?, ?, ?)")
        .params(
            visitId,
            kind,
            settlement.ruleId(),
            settlement.said(),
            words,
            by,
            OffsetDateTime.now(clock))
        .update();
  }
}
