package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/// The first pass: every reason that shuts a formula for one client and day, and what would open
/// it. A formula is open when there is none.
final class Gates {
  static final String NOT_HERE = "NOT-HERE";
  private static final double SALICYLATE_SHUTS = 0.40;
  private static final int MILDER_PEELS = 3;

  private Gates() {}

  /// @param contact planned; empty for formulas without minutes
  static List<Shut> of(
      Formula formula,
      DepthClass depth,
      Optional<Duration> contact,
      int layers,
      SelectionFacts facts) {
    Region region = facts.client().region();
    if (formula.use() == Formula.Use.OUT_OF_SCOPE) {
      return List.of(
          gate("SCOPE", "medium depth: outside a therapist's scope", Clearing.PHYSICIAN));
    }
    if (!formula.label().regions().contains(region)) {
      return List.of(
          gate(
              NOT_HERE,
              "made for " + regions(formula) + ", not for " + region.withArticle(),
              region == Region.EYE_CONTOUR ? Clearing.EYE_FORMULA : Clearing.NONE));
    }
    List<Shut> shut = new ArrayList<>();
    practice(formula, depth, facts).forEach(shut::add);
    if (facts.zones().isEmpty()) {
      shut.add(
          gate("ZONE", "every zone of " + region.withArticle() + " is left out", Clearing.SCREEN));
    }
    if (region == Region.NECK_DECOLLETAGE && formula.contains(Substance.RESORCINOL)) {
      shut.add(gate("ZONE", "no resorcinol on neck or decolletage", Clearing.OTHER_REGION));
    }
    shut.addAll(
        facts.screening().shuts(formula, depth, facts.client().entryRung(formula.family())));
    ladder(formula, facts).ifPresent(shut::add);
    milderFirst(formula, facts).ifPresent(shut::add);
    downtime(formula, depth, facts).forEach(shut::add);
    least(formula, contact).ifPresent(shut::add);
    time(formula, contact, layers, facts).ifPresent(shut::add);
    salicylate(formula, layers, facts).ifPresent(shut::add);
    return List.copyOf(shut);
  }

  /// Licence, clinician, policy and stock.
  private static List<Shut> practice(Formula formula, DepthClass depth, SelectionFacts facts) {
    List<Shut> shut = new ArrayList<>();
    Policies policies = facts.client().policies();
    if (!depth.within(policies.scope())) {
      shut.add(gate("SCOPE", depth.label() + ": deeper than the licence", Clearing.WIDER_LICENCE));
    }
    for (Policies.Restricted restricted : Policies.Restricted.values()) {
      if (formula.holds(restricted) && !policies.openedByClinician().contains(restricted)) {
        shut.add(
            gate("CLINICIAN", "not opened by the supervising clinician", Clearing.CLINICIAN_OPENS));
      }
    }
    if (formula.use() == Formula.Use.STAYS
        && !policies.chose(Policies.Choice.RETINOL_SHORT_CONTACT)
        && !policies.chose(Policies.Choice.RETINOL_LABEL_HOURS)) {
      shut.add(gate("POLICY", "no retinol after a peel in this practice", Clearing.POLICY));
    }
    facts
        .client()
        .shelf()
        .nothingLeft(formula.code(), facts.client().peelDate())
        .ifPresent(words -> shut.add(gate("STOCK", words, Clearing.BOTTLE)));
    return shut;
  }

  private static String regions(Formula formula) {
    return formula.label().regions().stream()
        .sorted()
        .map(Region::label)
        .collect(Collectors.joining(", "));
  }

  private static Optional<Shut> ladder(Formula formula, SelectionFacts facts) {
    int rung = rung(formula.family(), facts);
    if (formula.rung() <= rung) return Optional.empty();
    String why =
        facts
            .ladders()
            .reasons()
            .getOrDefault(
                formula.family(),
                "this client enters " + formula.family().label() + " at rung " + rung);
    return Optional.of(gate("LADDER", "rung " + formula.rung() + ": " + why, Clearing.FULL_SERIES));
  }

  /// The client's ladder rung within the limits of the day.
  static int rung(Family family, SelectionFacts facts) {
    return facts
        .screening()
        .limits()
        .rung(facts.ladders().rung(family, facts.client().entryRung(family)));
  }

  /// Jessner, pyruvic and TCA after three well-taken peels of a milder family within twelve months;
  /// for pyruvic and TCA one of them superficial.
  private static Optional<Shut> milderFirst(Formula formula, SelectionFacts facts) {
    if (!formula.strong()) return Optional.empty();
    Ladders.Milder milder = facts.ladders().milder();
    if (milder.peels() < MILDER_PEELS) {
      return Optional.of(
          gate(
              "MILDER-FIRST",
              "three well-taken peels of a milder family within twelve months come first; so far "
                  + milder.peels(),
              Clearing.MILDER_PEELS));
    }
    boolean superficialFirst =
        formula.contains(Substance.TCA) || formula.contains(Substance.PYRUVIC);
    return !superficialFirst || milder.superficial() > 0
        ? Optional.empty()
        : Optional.of(
            gate(
                "MILDER-FIRST",
                "one of the milder peels before it must have been superficial",
                Clearing.MILDER_PEELS));
  }

  private static List<Shut> downtime(Formula formula, DepthClass depth, SelectionFacts facts) {
    List<Shut> shut = new ArrayList<>();
    int last = facts.flaking(formula).last();
    facts
        .flakingDaysThatFit()
        .filter(days -> last > days && days < 10)
        .ifPresent(days ->
            shut.add(
                gate(
                    "DOWNTIME",
                    "may flake to day " + last + "; " + days + " fit the client's life",
                    Clearing.FREE_DAYS)));
    if (facts.event().isEmpty()) return shut;
    LocalDate event = facts.event().get();
    long days = ChronoUnit.DAYS.between(facts.client().peelDate(), event);
    if (days < 0) return shut;
    int needed = BeforeEvent.days(depth, last, facts.ladders().firstWith(formula.family()));
    if (days < needed) {
      shut.add(
          new Shut(
              "EVENT",
              Words.count(days, "day") + " before the event; " + needed + " are needed",
              Optional.of(event.plusDays(1)),
              Clearing.AFTER_THE_EVENT));
    }
    return shut;
  }

  /// Less is left today than the label wants: after one that was taken off too soon, say.
  private static Optional<Shut> least(Formula formula, Optional<Duration> contact) {
    return formula
        .label()
        .leastContact()
        .filter(least -> contact.filter(time -> time.compareTo(least) < 0).isPresent())
        .map(least ->
            gate(
                "LEAST",
                Words.fill(
                    "%s is left for it today; its label wants %s at least",
                    Words.clock(contact.orElseThrow()), Words.clock(least)),
                Clearing.NONE));
  }

  private static Optional<Shut> time(
      Formula formula, Optional<Duration> contact, int layers, SelectionFacts facts) {
    long needed = (Appointment.length(formula, contact, layers).toSeconds() + 59) / 60;
    return facts
        .bookedMinutes()
        .filter(booked -> booked < needed)
        .map(booked ->
            gate(
                "TIME",
                Words.fill("takes %d min in the room; %d are booked", needed, booked),
                Clearing.LONGER_APPOINTMENT));
  }

  private static Optional<Shut> salicylate(Formula formula, int layers, SelectionFacts facts) {
    if (!formula.contains(Substance.SALICYLIC)) return Optional.empty();
    double share =
        Dose.salicylateShare(formula, Dose.layer(facts.area()).times(layers), facts.weightKg());
    return share <= SALICYLATE_SHUTS
        ? Optional.empty()
        : Optional.of(
            gate(
                "SALICYLATE",
                Words.fill(
                    "carries %.0f %% of the salicylate yardstick; above 40 %% is shut",
                    share * 100),
                Clearing.LESS_OF_IT));
  }

  static Shut gate(String id, String words, Clearing opens) {
    return new Shut(id, words, Optional.empty(), opens);
  }
}
