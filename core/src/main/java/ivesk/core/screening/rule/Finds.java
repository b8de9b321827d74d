package ivesk.core.screening.rule;

import static ivesk.core.Words.day;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.proceed;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.formula.Substance;
import ivesk.core.rule.Rule.Clause;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.ExcludeFamilies;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// What rules of several chapters find.
final class Finds {
  private Finds() {}

  /// Every formula that contains an acid of these families, in whatever family it stands, and the
  /// families themselves.
  ///
  /// A mixture shuts itself, resorcinol where it is in it, and each of its other acids until a
  /// patch test of that acid alone has been read.
  static Restriction[] without(ScreeningFacts v, Set<Family> families) {
    Set<Substance> acids = EnumSet.noneOf(Substance.class);
    for (Family family : families) {
      switch (family) {
        case JESSNER -> {
          acids.add(Substance.RESORCINOL);
          addUntested(v, family, acids, Substance.SALICYLIC, Substance.LACTIC, Substance.CITRIC);
        }
        case AZELAIC_MANDELIC -> {
          acids.add(Substance.AZELAIC);
          addUntested(v, family, acids, Substance.MANDELIC);
        }
        default -> acids.addAll(family.acids());
      }
    }
    ExcludeFamilies shut = new ExcludeFamilies(families);
    return acids.isEmpty()
        ? new Restriction[] {shut}
        : new Restriction[] {shut, new Exclude(acids)};
  }

  /// A test is new when it was placed after the last peel with the mixture that is on record.
  static void addUntested(ScreeningFacts v, Family mixture, Set<Substance> to, Substance... acids) {
    Optional<LocalDate> reacted =
        v.pastPeels().stream()
            .filter(peel -> peel.formula().families().contains(mixture))
            .map(PastPeel::on)
            .max(Comparator.naturalOrder());
    for (Substance acid : acids) {
      if (reacted.filter(day -> testedSince(v, day, acid)).isEmpty()) to.add(acid);
    }
  }

  static boolean testedSince(ScreeningFacts v, LocalDate reacted, Substance acid) {
    return v.patchTests().stream()
        .filter(test -> test.placedOn().isAfter(reacted))
        .anyMatch(
            test -> test.family().acids().equals(Set.of(acid)) && test.read() && !test.reacted());
  }

  static long daysTo(ScreeningFacts v, LocalDate on) {
    return ChronoUnit.DAYS.between(on, v.peelDate());
  }

  static When monthsNotOver(Question question, int months) {
    return that(v -> v.dateOf(question).plusMonths(months).isAfter(v.peelDate()));
  }

  /// WAIT until so many days after an answer's date; PROCEED once they are over.
  static Clause<ScreeningFacts, When, Draft> waits(
      String id, Question question, String choice, int days, String what) {
    return when(id, is(question, choice), v -> within(v, v.dateOf(question), days, what));
  }

  static List<Draft> within(ScreeningFacts v, Optional<LocalDate> date, int days, String what) {
    return date.map(on -> List.of(within(v, on, days, what))).orElse(List.of());
  }

  static Draft within(ScreeningFacts v, LocalDate on, int days, String what) {
    String said = what + " " + day(on);
    return daysTo(v, on) < days
        ? until(on.plusDays(days), said)
        : proceed(
            Words.fill(
                "%s: %s by then, %s asked",
                said, Words.count(daysTo(v, on), "day"), Words.count(days, "day")));
  }
}
