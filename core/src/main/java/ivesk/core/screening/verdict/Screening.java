package ivesk.core.screening.verdict;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.ScreeningRules;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// The outcome of screening one client for one day.
///
/// @param verdict the most severe client-scope finding
/// @param until the latest date of the client-scope waits; kept even when the verdict is REFER
/// @param findings most severe first
/// @param limits of the findings that stand, combined
/// @param unasked how many findings wait for an answer
/// @param open how many formulas screening leaves open; gates of licence and ladder come in Choose
/// @param opensMost where nothing is open, the single finding that, cleared, opens the most
public record Screening(
    Verdict verdict,
    Optional<LocalDate> until,
    List<Finding> findings,
    Limits limits,
    int unasked,
    int open,
    Optional<Opening> opensMost) {

  /// @param open how many formulas would be open without it
  public record Opening(Finding finding, int open) {}

  public static Screening screen(ScreeningFacts facts, List<Settlement> settlements) {
    Set<String> unaskedOnce = new HashSet<>();
    List<Finding> findings =
        ScreeningRules.ALL.stream()
            .flatMap(rule -> rule.apply(facts).stream())
            // Two rules may wait for the same answer; it is asked once.
            .filter(finding -> !finding.unasked() || unaskedOnce.add(finding.basis()))
            .map(finding -> settle(finding, settlements))
            .sorted(Comparator.comparing(Finding::verdict).reversed())
            .toList();
    Screening bare = of(findings);
    int open = bare.countOpen(facts);
    return new Screening(
        open > 0 || bare.verdict.compareTo(Verdict.WAIT) >= 0
            ? bare.verdict
            : bare.keptShutBy(facts),
        bare.until.or(() -> bare.firstZoneOpens(facts)),
        findings,
        bare.limits,
        bare.unasked,
        open,
        open == 0 ? bare.opensMost(facts) : Optional.empty());
  }

  private static Screening of(List<Finding> findings) {
    List<Finding> standing = findings.stream().filter(Finding::stands).toList();
    Verdict verdict =
        standing.stream()
            .filter(finding -> finding.scope().client())
            .map(Finding::verdict)
            .reduce(leftByClearances(findings), Verdict::moreSevere);
    Optional<LocalDate> until =
        standing.stream()
            .filter(finding -> finding.scope().client() && finding.shuts())
            .flatMap(finding -> finding.until().stream())
            .max(Comparator.naturalOrder());
    List<Restriction> restrictions =
        findings.stream().flatMap(finding -> finding.restrictionsLeft().stream()).toList();
    return new Screening(
        verdict,
        until,
        findings,
        Limits.combine(restrictions),
        (int) standing.stream().filter(Finding::unasked).count(),
        0,
        Optional.empty());
  }

  /// Who was cleared within limits goes on within them.
  private static Verdict leftByClearances(List<Finding> findings) {
    return findings.stream()
            .filter(finding -> !finding.stands() && finding.scope().client())
            .anyMatch(finding -> !finding.restrictionsLeft().isEmpty())
        ? Verdict.ADAPT
        : Verdict.PROCEED;
  }

  private static Finding settle(Finding finding, List<Settlement> settlements) {
    return settlements.stream()
        .filter(settlement -> settlement.findingId().equals(finding.id()))
        .filter(finding::mayBe)
        .findFirst()
        .map(finding::settledBy)
        .orElse(finding);
  }

  /// The questions that are put to this client.
  public static List<Question> questions(ScreeningFacts facts) {
    return ScreeningRules.ALL.stream()
        .flatMap(rule -> rule.asks(facts).stream())
        .distinct()
        .sorted()
        .toList();
  }

  /// Everything by which screening shuts a formula; empty when it is open.
  ///
  /// @param depth that it reaches today, as [Limits#depth] has it
  public List<Shut> shuts(Formula formula, DepthClass depth, int entryRung) {
    List<Shut> why = new ArrayList<>();
    for (Finding finding : findings) {
      if (finding.shuts() && finding.scope().covers().test(formula, depth)) {
        why.add(
            new Shut(
                finding.ruleId(),
                finding.verdict() + ": " + finding.saidOf(formula),
                finding.until(),
                finding.clearedBy()));
      }
    }
    limits
        .objections(formula, depth, limits.rung(entryRung))
        .forEach(words -> why.add(new Shut("SCREEN", words, Optional.empty(), Clearing.NONE)));
    return List.copyOf(why);
  }

  /// One reason by which a formula is shut.
  ///
  /// @param opens what would open it
  public record Shut(String ruleId, String words, Optional<LocalDate> until, Clearing opens) {}

  private Optional<Opening> opensMost(ScreeningFacts facts) {
    // What shuts the whole client keeps everything shut, whichever other finding goes.
    List<Finding> shutAll =
        findings.stream().filter(finding -> finding.shuts() && finding.scope().client()).toList();
    if (shutAll.size() > 1) return Optional.empty();
    return (shutAll.isEmpty() ? findings : shutAll)
        .stream()
            .filter(finding -> finding.stands() && finding.clears())
            // Nobody clears a date: time does.
            .filter(finding -> finding.clearedBy() != Clearing.WAITING)
            .map(finding -> new Opening(finding, without(finding).countOpen(facts)))
            .filter(opening -> opening.open() > 0)
            .max(Comparator.comparingInt(Opening::open));
  }

  private Screening without(Finding finding) {
    List<Finding> others = new ArrayList<>(findings);
    others.remove(finding);
    return of(others);
  }

  /// Where all zones are left out for some days: the first day on which one is open again.
  private Optional<LocalDate> firstZoneOpens(ScreeningFacts facts) {
    if (!everyZoneOut(facts)) return Optional.empty();
    return Zone.inOrder(facts.region()).stream()
        .map(this::opens)
        .flatMap(Optional::stream)
        .min(Comparator.naturalOrder());
  }

  /// The day on which the last of what leaves a zone out is over; empty where one has no day.
  private Optional<LocalDate> opens(Zone zone) {
    List<Optional<LocalDate>> days =
        findings.stream()
            .filter(finding -> finding.restrictionsLeft().stream().anyMatch(one -> out(one, zone)))
            .map(Finding::until)
            .toList();
    return days.stream().allMatch(Optional::isPresent)
        ? days.stream().flatMap(Optional::stream).max(Comparator.naturalOrder())
        : Optional.empty();
  }

  private static boolean out(Restriction restriction, Zone zone) {
    return restriction instanceof Restriction.ExcludeZones(var zones, _) && zones.contains(zone);
  }

  /// Where nothing is open the large word is WAIT or REFER, by what keeps the last ones shut.
  private Verdict keptShutBy(ScreeningFacts facts) {
    if (everyZoneOut(facts)) {
      boolean forAPhysician =
          findings.stream()
              .filter(finding -> finding.verdict() == Verdict.REFER && finding.stands())
              .flatMap(finding -> finding.restrictions().stream())
              .anyMatch(Restriction.ExcludeZones.class::isInstance);
      return forAPhysician ? Verdict.REFER : Verdict.WAIT;
    }
    Verdict mildest =
        here(facts)
            .map(formula ->
                findings.stream()
                    .filter(Finding::shuts)
                    .filter(f -> f.scope().covers().test(formula, depth(formula, facts)))
                    .map(Finding::verdict)
                    .reduce(Verdict.WAIT, Verdict::moreSevere))
            .min(Comparator.naturalOrder())
            .orElse(Verdict.WAIT);
    return mildest == Verdict.STOP ? Verdict.REFER : mildest;
  }

  private boolean everyZoneOut(ScreeningFacts facts) {
    return limits.excludedZones().containsAll(Zone.inOrder(facts.region()));
  }

  private static Stream<Formula> here(ScreeningFacts facts) {
    return facts.shelf().formulas().stream()
        .filter(Formula::peels)
        .filter(formula -> formula.label().regions().contains(facts.region()));
  }

  private DepthClass depth(Formula formula, ScreeningFacts facts) {
    return limits.depth(formula, formula.firstContact(), formula.layersFirst(), facts.region());
  }

  private int countOpen(ScreeningFacts facts) {
    if (everyZoneOut(facts)) return 0;
    return (int)
        here(facts)
            .filter(formula -> {
              DepthClass depth = depth(formula, facts);
              int entry = limits.rung(facts.entryRung(formula.family()));
              return findings.stream()
                      .noneMatch(f -> f.shuts() && f.scope().covers().test(formula, depth))
                  && limits.objections(formula, depth, entry).isEmpty();
            })
            .count();
  }
}
