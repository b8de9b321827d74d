package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Words.day;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.rule.Finds.testedSince;
import static ivesk.core.screening.rule.Finds.without;
import static ivesk.core.screening.rule.ScreeningRule.all;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.always;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.known;

import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.ScreeningRule.Lack;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/// What earlier peels tell, and whether the skin is ready for the next.
final class EarlierPeelRules {
  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-UNWELL",
              COMMON_PRACTICE,
              "A body with fever heals badly.",
              when("TODAY", is(UNWELL, "yes"), cause("unwell today", Clearing.WELL_AGAIN))),
          rule(
              "SCR-FLAKING",
              COMMON_PRACTICE,
              "New skin must be closed before the next acid.",
              when(
                  "FLAKING",
                  is(FLAKING, "yes"),
                  cause("still flaking from the last peel", Clearing.CLEAR_SKIN))),
          rule(
                  "SCR-INTERVAL",
                  COMMON_PRACTICE,
                  "Skin renews between peels.",
                  all("RUNNING", always(), EarlierPeelRules::interval),
                  all("ELSEWHERE", known(PEELS_ELSEWHERE), v -> List.of()))
              .needing(
                  new Lack(
                      "OUTSIDE_PEELS",
                      v ->
                          v.is(PEELS_ELSEWHERE, "had")
                                  && v.pastPeels().stream().allMatch(PastPeel::here)
                              ? Optional.of("peels done elsewhere: none is entered yet")
                              : Optional.empty())),
          rule(
              "SCR-FLAG",
              COMMON_PRACTICE,
              "What was told after the last peel is not settled.",
              all("OPEN", always(), EarlierPeelRules::redFlags)),
          rule(
              "SCR-REACTION",
              COMMON_PRACTICE,
              "What went wrong once goes wrong again.",
              when(
                  "SCARRED",
                  is(REACTION, "scarred"),
                  v ->
                      refer(
                          "scars after an earlier peel",
                          without(v, v.answer(REACTION).families()))),
              when(
                  "TOLD",
                  is(REACTION, "reacted"),
                  v ->
                      adapt(
                              "earlier reaction to " + Family.labels(v.answer(REACTION).families()),
                              without(v, v.answer(REACTION).families()))
                          .firmly()),
              all("ON-RECORD", always(), EarlierPeelRules::reactions),
              all("CHART", always(), EarlierPeelRules::toldInTheChart),
              all("CONTRADICTION", always(), EarlierPeelRules::contradictions)),
          rule(
              "SCR-ADVERSE",
              COMMON_PRACTICE,
              "What went badly once is not repeated.",
              all("ON-RECORD", always(), EarlierPeelRules::adverse)));

  private EarlierPeelRules() {}

  /// Substances of which the chart tells: each shuts what it is in.
  private static List<Draft> toldInTheChart(ScreeningFacts v) {
    return v.allergies().standing(entry -> !entry.substances().isEmpty()).stream()
        .map(entry ->
            adapt("the chart tells of “" + entry.words() + "”", new Exclude(entry.substances()))
                .firmly()
                .keyed(entry.substances().toString()))
        .toList();
  }

  /// What the chart tells against an answer that there is none, or against itself: it is settled
  /// before anything is open.
  private static List<Draft> contradictions(ScreeningFacts v) {
    List<Draft> found = new ArrayList<>();
    for (Allergies.Entry entry : v.allergies().standing(one -> true)) {
      asksFor(entry).stream()
          .filter(question -> v.is(question, question.harmless().choice()))
          .findFirst()
          .ifPresent(question ->
              found.add(
                  cause(
                          "the chart tells of “"
                              + entry.words()
                              + "”, the answer says there is none",
                          Clearing.SETTLING)
                      .keyed(question.name() + entry.substances())));
    }
    if (!v.allergies().disputed().isEmpty()) {
      found.add(
          cause("the chart tells of an allergy, and that there is none", Clearing.SETTLING)
              .keyed(v.allergies().disputed().toString()));
    }
    return found;
  }

  /// The questions that ask for what an entry tells, or could mean.
  private static Set<Question> asksFor(Allergies.Entry entry) {
    Set<Question> questions = EnumSet.noneOf(Question.class);
    if (entry.latex()) questions.add(LATEX_ALLERGY);
    if (entry.vague()) questions.addAll(EnumSet.of(REACTION, FRUIT_ALLERGY));
    for (Substance substance : entry.substances()) {
      questions.add(
          switch (substance) {
            case SALICYLIC -> SALICYLATE_ALLERGY;
            case RESORCINOL -> RESORCINOL_RISK;
            case FIG, PAPAYA, PINEAPPLE, PUMPKIN -> FRUIT_ALLERGY;
            case GLYCOLIC,
                LACTIC,
                MANDELIC,
                TCA,
                PYRUVIC,
                CITRIC,
                MALIC,
                TARTARIC,
                AZELAIC,
                GLUCONOLACTONE,
                RETINOL ->
                REACTION;
          });
    }
    return questions;
  }

  /// Peels on the record under which or after which an allergic sign was seen.
  private static List<Draft> reactions(ScreeningFacts v) {
    return adversePeels(v).filter(PastPeel::allergic).map(peel -> reaction(v, peel)).toList();
  }

  /// An acid by itself stays shut. A mixture stays shut as well, and so does each acid in it until
  /// a new patch test of that acid alone was read.
  private static Draft reaction(ScreeningFacts v, PastPeel peel) {
    Set<Substance> acids = EnumSet.noneOf(Substance.class);
    List<Component> parts = peel.formula().components();
    for (Component part : parts) {
      boolean mayReturn = parts.size() > 1 && part.substance() != Substance.RESORCINOL;
      if (!mayReturn || !testedSince(v, peel.on(), part.substance())) acids.add(part.substance());
    }
    List<Restriction> limits = new ArrayList<>();
    limits.add(new Restriction.ExcludeFormulas(Set.of(peel.formula().code())));
    if (!acids.isEmpty()) limits.add(new Exclude(acids));
    String said =
        "allergic reaction to "
            + peel.formula().code()
            + " on "
            + day(peel.on())
            + (peel.here() ? "" : ", elsewhere");
    return adapt(said, limits.toArray(Restriction[]::new)).firmly().keyed(keyOf(peel));
  }

  /// A peel that was adverse, on every region, until one that was well taken has followed.
  private static List<Draft> adverse(ScreeningFacts v) {
    return adversePeels(v)
        .filter(peel -> !peel.allergic())
        .map(peel -> adverse(v, peel))
        .flatMap(Optional::stream)
        .toList();
  }

  private static Optional<Draft> adverse(ScreeningFacts v, PastPeel peel) {
    List<Restriction> limits = new ArrayList<>();
    for (Component part : peel.formula().components()) {
      boolean followed =
          v.pastPeels().stream()
              .anyMatch(later ->
                  later.on().isAfter(peel.on())
                      && later.wellTaken()
                      && later.formula().contains(part.substance()));
      if (!followed) {
        limits.add(
            new Restriction.AtMostOf(
                part.substance(), Library.rungsBelow(part.substance(), part.strength(), 2)));
      }
    }
    boolean anyFollowed =
        v.pastPeels().stream()
            .anyMatch(later -> later.on().isAfter(peel.on()) && later.wellTaken());
    if (!anyFollowed) limits.add(new Restriction.BelowLevel(peel.formula().level()));
    if (limits.isEmpty()) return Optional.empty();
    String said =
        peel.formula().code()
            + " on "
            + day(peel.on())
            + " was adverse"
            + (peel.here() ? "" : ", elsewhere");
    return Optional.of(adapt(said, limits.toArray(Restriction[]::new)).firmly().keyed(keyOf(peel)));
  }

  /// Tells a peel from the others on record.
  private static String keyOf(PastPeel peel) {
    return peel.formula().code() + "@" + peel.on() + "@" + peel.region().name();
  }

  private static Stream<PastPeel> adversePeels(ScreeningFacts v) {
    return v.pastPeels().stream()
        .filter(peel -> peel.outcome() == PeelOutcome.ADVERSE && !peel.on().isAfter(v.peelDate()))
        .sorted(Comparator.comparing(PastPeel::on));
  }

  /// Every peel of this region whose interval is still running, those done elsewhere too.
  private static List<Draft> interval(ScreeningFacts v) {
    Map<LocalDate, List<String>> shutUntil = new TreeMap<>();
    Map<LocalDate, PastPeel> by = new TreeMap<>();
    for (Formula formula : v.shelf().formulas()) {
      if (!formula.peels()) continue;
      v.pastPeels().stream()
          .filter(peel -> peel.region() == v.region() && !peel.on().isAfter(v.peelDate()))
          .max(Comparator.comparing(peel -> free(v, peel, formula)))
          .ifPresent(last -> {
            LocalDate free = free(v, last, formula);
            if (!free.isAfter(v.peelDate())) return;
            shutUntil.computeIfAbsent(free, day -> new ArrayList<>()).add(formula.code());
            by.put(free, last);
          });
    }
    return shutUntil.entrySet().stream()
        .map(entry -> {
          Set<String> codes = Set.copyOf(entry.getValue());
          return until(entry.getKey(), lastPeel(by.get(entry.getKey())))
              .only(Scope.of(listed(entry.getValue()), (f, d) -> codes.contains(f.code())));
        })
        .toList();
  }

  /// Whatever the region: it is the same client's skin.
  private static List<Draft> redFlags(ScreeningFacts v) {
    return v.pastPeels().stream()
        .flatMap(peel -> peel.redFlag().stream())
        .distinct()
        .sorted()
        .map(on ->
            cause("red flag open since " + day(on), Clearing.FLAG_CLOSED).keyed(on.toString()))
        .toList();
  }

  private static String lastPeel(PastPeel peel) {
    return "last peel " + day(peel.on()) + (peel.here() ? "" : ", elsewhere");
  }

  private static LocalDate free(ScreeningFacts v, PastPeel last, Formula planned) {
    return last.on().plusDays(intervalDays(v, last, planned));
  }

  /// The larger of the interval of the peel done and of the one planned, by the layers that this
  /// client may have of it; half as much again at sensitivity 2 and more (Ivesk's own default); at
  /// least 14 for teenagers, doubled at 10 to 12.
  static int intervalDays(ScreeningFacts v, PastPeel last, Formula planned) {
    int days =
        Math.max(
            last.formula().intervalDays(last.layers()),
            planned.intervalDays(v.layersToCome(planned)));
    return v.intervalOfThisClient(days);
  }

  private static String listed(List<String> codes) {
    return codes.size() > Library.FORMULAS.size() ? codes.size() + " formulas" : Words.list(codes);
  }
}
