package ivesk.core.plan;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.screening.Question;
import ivesk.core.screening.ScreeningFacts;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/// The weeks before, counted back from the peel's date. Common practice. Moving the date moves the
/// calendar.
public final class PrepCalendar {
  private PrepCalendar() {}

  /// @param day the last day on which the step can be kept
  /// @param late in the past when the plan is made and not known to have been kept
  /// @param earliest the first date on which a peel could be if the step began today
  public record Step(
      LocalDate day, String what, boolean late, boolean kept, Optional<LocalDate> earliest) {}

  /// @param today the day on which the plan is made
  public static List<Step> of(ScreeningFacts client, DepthClass depth, LocalDate today) {
    LocalDate peel = client.peelDate();
    boolean superficial = depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
    List<Step> steps = new ArrayList<>();
    steps.add(step(peel.minusDays(14), "sunscreen SPF 30 or more, every day", today, peel, true));
    if (!client.sensitive() && superficial) {
      steps.add(
          step(
              peel.minusDays(7), "last of the low home acid, alternate nights", today, peel, true));
    }
    if (client.pigmentProne()) {
      steps.add(
          dated(
              client,
              Question.INHIBITOR,
              peel.minusDays(14),
              "tyrosinase inhibitor started, daily from here",
              today,
              client.is(Question.INHIBITOR, "since")
                  && client.daysSince(Question.INHIBITOR) >= 14));
    }
    steps.add(
        dated(
            client,
            Question.SUN,
            peel.minusDays(14),
            "last strong sun or sunbed",
            today,
            client.is(Question.SUN, "no") || clear(client, Question.SUN, "sun", 14)));
    steps.add(
        dated(
            client,
            Question.HAIR,
            peel.minusDays(7),
            "last wax, thread or depilatory",
            today,
            client.is(Question.HAIR, "none") || clear(client, Question.HAIR, "done", 7)));
    if (!client.is(Question.RETINOID, "none")) {
      boolean prescribed = client.is(Question.RETINOID, "prescribed");
      int days = prescribed || superficial && client.darkerType() ? 7 : 3;
      steps.add(
          dated(
              client,
              Question.RETINOID,
              peel.minusDays(days),
              prescribed ? "last prescribed retinoid" : "last retinol",
              today,
              clear(client, Question.RETINOID, prescribed ? "prescribed" : "retinol", days)));
    }
    steps.add(
        dated(
            client,
            Question.HOME_ACID,
            peel.minusDays(3),
            "last scrub, home acid, acid wash or peroxide",
            today,
            client.is(Question.HOME_ACID, "none") || clear(client, Question.HOME_ACID, "used", 3)));
    steps.add(step(peel.minusDays(1), "last razor shave", today, peel, true));
    steps.add(step(peel, "no make-up, no exercise before, lenses out", today, peel, true));
    steps.sort(Comparator.comparing(Step::day));
    return List.copyOf(steps);
  }

  private static boolean clear(ScreeningFacts client, Question question, String choice, int days) {
    return client.is(question, choice) && client.daysSince(question) >= days;
  }

  private static Step dated(
      ScreeningFacts client,
      Question question,
      LocalDate day,
      String what,
      LocalDate today,
      boolean kept) {
    String said =
        client.answered(question) && client.answers().get(question).on().isPresent()
            ? what + " (" + Words.day(client.dateOf(question)) + ")"
            : what;
    return step(day, said, today, client.peelDate(), kept);
  }

  private static Step step(
      LocalDate day, String what, LocalDate today, LocalDate peel, boolean kept) {
    boolean late = day.isBefore(today) && !kept;
    return new Step(
        day,
        what,
        late,
        kept,
        late
            ? Optional.of(today.plusDays(peel.toEpochDay() - day.toEpochDay()))
            : Optional.empty());
  }
}
