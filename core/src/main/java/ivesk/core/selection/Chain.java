package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.screening.verdict.Screening.Shut;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// Several stages in one visit, in their order: enzyme before acid, retinoid after it, two formulas
/// on two zones. Gate B stands between them.
///
/// @param peelingFirst day on which flaking may start
/// @param peelingLast with what a retinoid adds
/// @param intervalDays the longest of its acids
/// @param minutes in the room
/// @param objections empty where the chain may be planned
public record Chain(
    DepthClass depth,
    List<String> depthReasons,
    int peelingFirst,
    int peelingLast,
    int intervalDays,
    long minutes,
    List<Shut> objections) {

  /// @param zones empty takes all that are planned
  public record Stage(Formula formula, List<Zone> zones) {
    public Stage {
      zones = List.copyOf(zones);
    }
  }

  /// @param stages two or three
  /// @throws IllegalArgumentException when there are fewer or more
  public static Chain of(List<Stage> stages, SelectionFacts facts) {
    if (stages.size() < 2 || stages.size() > 3) {
      throw new IllegalArgumentException(
          "the chain has " + Words.count(stages.size(), "stage") + "; allowed are 2 to 3");
    }
    List<Depth.Stage> deep =
        stages.stream()
            .map(stage -> new Depth.Stage(stage.formula(), depth(stage, facts)))
            .toList();
    Depth.Reading reading = Depth.chain(deep);
    List<Shut> objections = new ArrayList<>();
    for (int i = 0; i < stages.size(); i++) {
      Formula formula = stages.get(i).formula();
      Gates.of(
              formula,
              deep.get(i).depth(),
              Amounts.plannedContact(formula, facts),
              Amounts.plannedLayers(formula, facts),
              facts)
          .stream()
          .map(shut ->
              new Shut(
                  shut.ruleId(), formula.code() + ": " + shut.words(), shut.until(), shut.opens()))
          .forEach(objections::add);
    }
    together(stages, reading, facts).forEach(objections::add);
    long minutes = minutes(stages, facts);
    facts
        .bookedMinutes()
        .filter(booked -> booked < minutes)
        .ifPresent(booked ->
            objections.add(
                Gates.gate(
                    "TIME",
                    Words.fill(
                        "the chain takes %d min in the room; %d are booked", minutes, booked),
                    Clearing.LONGER_APPOINTMENT)));
    Flaking flaking = Flaking.of(stages.stream().map(Stage::formula).toList());
    return new Chain(
        reading.depth(),
        reading.reasons(),
        flaking.first(),
        flaking.last(),
        acids(stages)
            .mapToInt(formula -> formula.intervalDays(Amounts.plannedLayers(formula, facts)))
            .max()
            .orElse(0),
        minutes,
        List.copyOf(objections));
  }

  private static Stream<Formula> acids(List<Stage> stages) {
    return stages.stream().map(Stage::formula).filter(Formula::peels);
  }

  private static DepthClass depth(Stage stage, SelectionFacts facts) {
    Formula formula = stage.formula();
    return facts
        .screening()
        .limits()
        .depth(
            formula,
            Amounts.plannedContact(formula, facts),
            Amounts.plannedLayers(formula, facts),
            facts.client().region());
  }

  /// What no stage alone would object to.
  private static List<Shut> together(
      List<Stage> stages, Depth.Reading reading, SelectionFacts facts) {
    List<Shut> objections = new ArrayList<>();
    Policies policies = facts.client().policies();
    boolean deeperThanLicence = !reading.depth().within(policies.scope());
    Optional<DepthClass> cap =
        facts.screening().limits().depthCap().filter(reading.depth()::deeperThan);
    if (deeperThanLicence || cap.isPresent()) {
      objections.add(
          Gates.gate(
              "CHAIN",
              Words.fill(
                  "together %s: deeper than %s",
                  reading.depth().label(),
                  deeperThanLicence ? "the licence" : "today's cap, " + cap.get().label()),
              Clearing.ONE_STAGE));
    }
    for (int i = 0; i < stages.size(); i++) {
      Formula formula = stages.get(i).formula();
      if (formula.use() == Formula.Use.STAYS && i < stages.size() - 1) {
        objections.add(
            Gates.gate("ORDER", formula.code() + " stays on: it goes last", Clearing.OTHER_ORDER));
      }
      if (i == 0 && !formula.peels()) {
        objections.add(
            Gates.gate("ORDER", formula.code() + " is no first stage", Clearing.ACID_BEFORE_IT));
      }
      for (int j = 0; j < i; j++)
        overlap(stages.get(j), stages.get(i), policies).ifPresent(objections::add);
    }
    return objections;
  }

  /// Two acids on the same zone are layers, which is a policy of its own.
  private static Optional<Shut> overlap(Stage one, Stage other, Policies policies) {
    if (!hydroxy(one.formula()) || !hydroxy(other.formula())) return Optional.empty();
    Set<Zone> both = new HashSet<>(one.zones());
    both.retainAll(other.zones());
    boolean share = one.zones().isEmpty() || other.zones().isEmpty() || !both.isEmpty();
    return share && !policies.chose(Policies.Choice.STRENGTH_STEPS)
        ? Optional.of(
            Gates.gate(
                "POLICY",
                Words.fill(
                    "%s and %s on the same skin: one application of acid in one visit",
                    one.formula().code(), other.formula().code()),
                Clearing.ZONES_OF_THEIR_OWN))
        : Optional.empty();
  }

  private static boolean hydroxy(Formula formula) {
    return formula.components().stream().map(Component::substance).anyMatch(Substance::acid);
  }

  private static long minutes(List<Stage> stages, SelectionFacts facts) {
    Duration time = Duration.ZERO;
    for (int i = 0; i < stages.size(); i++) {
      Formula formula = stages.get(i).formula();
      Optional<Duration> contact = Amounts.plannedContact(formula, facts);
      int layers = Amounts.plannedLayers(formula, facts);
      if (i == 0) {
        time = Appointment.length(formula, contact, layers);
      } else if (formula.peels()) {
        time = time.plus(Appointment.acid(formula, contact, layers)).plus(Appointment.ENDING);
      }
    }
    return (time.toSeconds() + 59) / 60;
  }
}
