package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Finds.without;
import static ivesk.core.screening.rule.ScreeningRule.all;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.When.always;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.ScreeningFacts;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/// Whether an acid was tried on a small place first.
public final class PatchRules {
  /// The second read of a test is due after two days; a day more is left for it.
  private static final int READ_BY_DAYS = 3;

  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-PATCH",
              COMMON_PRACTICE,
              "An allergy shows on a small place first.",
              all("TEST", always(), PatchRules::patch)));

  private PatchRules() {}

  /// New to the practice, a new family, or sensitivity 2 and more.
  private static List<Draft> patch(ScreeningFacts v) {
    Set<Family> reacted = EnumSet.noneOf(Family.class);
    Map<LocalDate, Set<Family>> placed = new TreeMap<>();
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.covering()) {
      List<PatchTest> tests = testsOf(v, family);
      if (tests.stream().anyMatch(PatchTest::reacted)) {
        reacted.add(family);
      } else if (owesPatch(v, family)) {
        // One that should have been read by now is placed anew: nobody knows what it showed.
        tests.stream()
            .filter(test -> !test.read())
            .map(PatchTest::placedOn)
            .filter(on -> !on.plusDays(READ_BY_DAYS).isBefore(v.peelDate()))
            .min(LocalDate::compareTo)
            .ifPresentOrElse(
                on ->
                    placed
                        .computeIfAbsent(on.plusDays(1), day -> EnumSet.noneOf(Family.class))
                        .add(family),
                () -> missing.add(family));
      }
    }
    boolean superficialOnly = v.policies().chose(Choice.PATCH_TEST_SUPERFICIAL_ONLY);
    Function<Set<Family>, Scope> scope =
        families ->
            superficialOnly
                ? Scope.containing(families).from(SUPERFICIAL)
                : Scope.containing(families);
    List<Draft> found = new ArrayList<>();
    if (!reacted.isEmpty()) {
      found.add(adapt("reaction to the patch test", without(v, reacted)).firmly());
    }
    placed.forEach((day, families) -> {
      Draft unread = cause("patch test placed, not yet read: ", Clearing.PATCH_READ);
      found.add(
          (day.isAfter(v.peelDate()) ? unread.earliest(day) : unread)
              .naming(families, scope.apply(families)));
    });
    if (missing.size() == Family.covering().size()) {
      found.add(cause("no patch test", Clearing.PATCH_TEST).only(scope.apply(missing)));
    } else if (!missing.isEmpty()) {
      found.add(
          cause("no patch test for ", Clearing.PATCH_TEST).naming(missing, scope.apply(missing)));
    }
    return found;
  }

  /// A test counts for twelve months, for six at sensitivity 2 and more.
  private static boolean counts(ScreeningFacts v, PatchTest test) {
    int months = v.sensitive() ? 6 : 12;
    return test.read() && !test.placedOn().plusMonths(months).isBefore(v.peelDate());
  }

  /// Whether a formula is tested on a patch first.
  public static boolean patchTested(ScreeningFacts v, Formula formula, DepthClass depth) {
    boolean spared =
        v.policies().chose(Choice.PATCH_TEST_SUPERFICIAL_ONLY)
            && !depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
    return !spared && formula.families().stream().anyMatch(family -> needsPatch(v, family));
  }

  /// Whether a test of a formula is still to be made or read.
  public static boolean patchTestOwed(ScreeningFacts v, Formula formula) {
    return formula.families().stream().anyMatch(family -> owesPatch(v, family));
  }

  private static boolean owesPatch(ScreeningFacts v, Family family) {
    return needsPatch(v, family) && testsOf(v, family).stream().noneMatch(test -> counts(v, test));
  }

  private static List<PatchTest> testsOf(ScreeningFacts v, Family family) {
    return v.patchTests().stream().filter(test -> test.family() == family).toList();
  }

  private static boolean needsPatch(ScreeningFacts v, Family family) {
    return v.sensitive()
        || v.peelsHere().stream().noneMatch(peel -> peel.formula().family().coveredBy() == family);
  }
}
