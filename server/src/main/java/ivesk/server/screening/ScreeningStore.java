package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.skin.Zone;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
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

  /// An answer with the visit, the time and the person it was given.
  record Given(UUID visitId, Answer answer, Instant at, String by) {}

  record GivenTo(Question question, Given answer) {}

  /// The answers of some visits, those of a later one after those of an earlier.
  List<GivenTo> answers(List<UUID> visitIds) {
    if (visitIds.isEmpty()) return List.of();
    return jdbc
        .sql("SELECT * FROM screening_answer WHERE visit_id IN (:visits)")
        .param("visits", visitIds)
        .query((row, n) ->
            new GivenTo(
                Question.valueOf(row.getString("question")),
                new Given(
                    row.getObject("visit_id", UUID.class),
                    new Answer(
                        row.getString("choice"),
                        Optional.ofNullable(row.getObject("on_date", LocalDate.class)),
                        Optional.ofNullable(row.getObject("until_date", LocalDate.class)),
                        names(Zone.class, row.getString("zones")),
                        names(Family.class, row.getString("families"))),
                    row.getObject("answered_at", OffsetDateTime.class).toInstant(),
                    row.getString("answered_by"))))
        .list()
        .stream()
        .sorted(Comparator.comparing(given -> visitIds.indexOf(given.answer().visitId())))
        .toList();
  }

  private static <E extends Enum<E>> Set<E> names(Class<E> kind, String words) {
    Set<E> names = EnumSet.noneOf(kind);
    for (String word : words.split(",")) {
      if (!word.isEmpty()) names.add(Enum.valueOf(kind, word));
    }
    return names;
  }

  private static String words(Set<? extends Enum<?>> names) {
    return names.stream().map(Enum::name).sorted().collect(Collectors.joining(","));
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
            MERGE INTO screening_answer (visit_id, question, choice, on_date, until_date, zones,
                                         families, answered_at, answered_by)
            KEY (visit_id, question) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            visitId,
            question.name(),
            answer.get().choice(),
            answer.get().on().orElse(null),
            answer.get().until().orElse(null),
            words(answer.get().zones()),
            words(answer.get().families()),
            OffsetDateTime.now(clock),
            who)
        .update();
  }

  /// What lifted findings of a visit. Those given before findings had ids lift nothing any more;
  /// they stay in the record as they were said.
  List<Settlement> settlements(UUID visitId) {
    return jdbc.sql("SELECT * FROM settlement WHERE visit_id = ? AND finding <> '' ORDER BY at")
        .param(visitId)
        .query((row, n) -> {
          String finding = FindingIds.today(row.getString("finding"));
          String by = row.getString("by_whom");
          Settlement settlement =
              switch (Kind.valueOf(row.getString("kind"))) {
                case OVERRIDE -> new Settlement.Override(finding, row.getString("words"), by);
                case CLEARANCE ->
                    new Settlement.Clearance(
                        finding, by, row.getObject("on_date", LocalDate.class));
              };
          return settlement;
        })
        .list();
  }

  private enum Kind {
    OVERRIDE,
    CLEARANCE
  }

  /// @param finding as it stands, whose words are kept beside its id for whoever reads the record
  void settle(UUID visitId, Finding finding, Settlement settlement, String who) {
    switch (settlement) {
      case Settlement.Override override ->
          settle(visitId, Kind.OVERRIDE, finding, override.reason(), override.by(), null, who);
      case Settlement.Clearance clearance ->
          settle(visitId, Kind.CLEARANCE, finding, "", clearance.clinician(), clearance.on(), who);
    }
  }

  private void settle(
      UUID visitId,
      Kind kind,
      Finding finding,
      String words,
      String by,
      @Nullable LocalDate on,
      String who) {
    jdbc.sql(
            """
            INSERT INTO settlement (visit_id, kind, rule_id, finding, said, words, by_whom, on_date,
                                    entered_by, at)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            visitId,
            kind.name(),
            finding.ruleId(),
            finding.id(),
            finding.said(),
            words,
            by,
            on,
            who,
            OffsetDateTime.now(clock))
        .update();
  }

  void erase(UUID visitId) {
    jdbc.sql("DELETE FROM screening_answer WHERE visit_id = ?").param(visitId).update();
    jdbc.sql("DELETE FROM settlement WHERE visit_id = ?").param(visitId).update();
  }
}
