package ivesk.core.aftercare;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare.Client;
import ivesk.core.aftercare.Aftercare.Peeled;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.aftercare.Outlook.Feel;
import ivesk.core.aftercare.Outlook.Step;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// Sheets of made-up peels.
public final class Sheets {
  public static final ZonedDateTime ENDED =
      ZonedDateTime.of(2026, 11, 25, 14, 30, 0, 0, ZoneId.of("Europe/Lisbon"));

  private Sheets() {}

  public static Client client(boolean first, boolean pigmentProne) {
    return new Client(first, pigmentProne, Set.of());
  }

  public static Aftercare of(Formula formula, DepthClass depth, Client client, Policies policies) {
    return of(formula, depth, client, policies, ENDED, List.of(), Optional.empty());
  }

  public static Aftercare of(
      Formula formula,
      DepthClass depth,
      Client client,
      Policies policies,
      ZonedDateTime ended,
      List<Zone> frosted,
      Optional<Worn> worn) {
    return Sheet.of(
        List.of(new Peeled(formula, depth, ended, frosted)),
        client,
        worn,
        outlook(formula, ended.toLocalDate()),
        policies);
  }

  /// Every question has something to answer.
  static Outlook outlook(Formula formula, LocalDate on) {
    return new Outlook(
        Optional.of(new Feel.Expected(formula.band())),
        2,
        formula.seriesLeast(),
        formula.seriesMost(),
        formula.intervalDays(),
        Optional.of(new Stronger(Step.AFTER_MORE, 3)),
        List.of(new Outlook.Event("a wedding", on.plusDays(20))));
  }

  /// All of it as a client reads it.
  public static String words(Aftercare sheet, Language language) {
    Stream<String> days =
        sheet.days().stream()
            .map(day -> language.day(day.date()) + ": " + Told.all(day.lines(), language));
    Stream<String> rules =
        sheet.rules().stream()
            .map(rule ->
                rule.what().in(language)
                    + ": "
                    + Told.of(Sentence.ACIDS_FROM, rule.when()).in(language));
    Stream<String> answers =
        sheet.answers().stream()
            .map(reply -> reply.question().in(language) + " " + Told.all(reply.answer(), language));
    return Stream.of(days, rules, answers).flatMap(one -> one).collect(Collectors.joining("\n"));
  }
}
