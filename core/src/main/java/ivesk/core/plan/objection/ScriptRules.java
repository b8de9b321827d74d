package ivesk.core.plan.objection;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.plan.objection.Objection.Severity.MIND;
import static ivesk.core.plan.objection.Objection.Severity.NOTE;
import static ivesk.core.plan.objection.Objection.Severity.SHUT;

import ivesk.core.Source;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.rule.Rule;
import ivesk.core.rule.Rule.Clause;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/// What is objected to a line, one rule after the other as the table of the trade has them.
public final class ScriptRules {
  /// A rule of objections and how severe it is; its words tell when a line is objected to.
  public record ScriptRule(Severity severity, Rule<Sight, Predicate<Sight>, Found> rule) {
    public String id() {
      return rule.id();
    }

    /// The ids of its clauses, in their order.
    public List<String> clauseIds() {
      return rule.clauseIds();
    }
  }

  public static final List<ScriptRule> ALL =
      List.of(
          rule(
              "PRO-GONE",
              SHUT,
              OWN_DEFAULT,
              "what it names is neither on the shelf nor in the catalogue any more",
              says("GONE", AcidRules::gone)),
          rule(
              "PRO-RACK",
              SHUT,
              OWN_DEFAULT,
              "its formula is shut for this client today",
              says("SHUT", AcidRules::rack)),
          rule(
              "PRO-ACID",
              NOTE,
              OWN_DEFAULT,
              "a product with acid counts as an acid step",
              says("ACID", AcidRules::acid)),
          rule(
              "PRO-TIME",
              SHUT,
              COMMON_PRACTICE,
              "an acid step is longer than the formula's most, has no time although it needs one,"
                  + " has a zone off later than the rest, or spreads over more than 60 s",
              says("TIME", AcidRules::contact),
              says("LAYERS", AcidRules::layers),
              says("SOONER", AcidRules::sooner),
              says("SPREAD", AcidRules::spread),
              says("PRODUCT", AcidRules::productTime)),
          rule(
              "PRO-GATE-A",
              MIND,
              COMMON_PRACTICE,
              "acid with no prep answer asked before it",
              once("UNASKED", GateRules::gateA)),
          rule(
              "PRO-GATE-B",
              SHUT,
              COMMON_PRACTICE,
              "two acid stages on the same zones with no gate B between",
              says("UNASKED", GateRules::gateB)),
          rule(
              "PRO-GATE-C",
              SHUT,
              COMMON_PRACTICE,
              "extraction, high frequency or mask after acid with no gate C",
              says("UNASKED", GateRules::gateC)),
          rule(
              "PRO-DEPTH",
              SHUT,
              COMMON_PRACTICE,
              "the stages of the visit together come to medium, or pass the client's cap",
              says("TOGETHER", AcidRules::depth)),
          rule(
              "PRO-ORDER",
              MIND,
              COMMON_PRACTICE,
              "no look before the first cleanse; no barrier or eye guard before acid; anything but"
                  + " water, base or cold between end and rest; sunscreen missing or not last",
              once("LOOK", OrderRules::look),
              once("BARRIER", OrderRules::barrier),
              once("EYES", OrderRules::eyes),
              says("ENDING", OrderRules::ending),
              once("SUNSCREEN", OrderRules::sunscreen)),
          rule(
              "PRO-BASE",
              SHUT,
              COMMON_PRACTICE,
              "an acid that must be neutralised has no base laid out, or less than 1 : 1 by mole"
                  + " for the planned layers",
              says("LESS", EndingRules::base)),
          rule(
              "PRO-UNDO",
              MIND,
              COMMON_PRACTICE,
              "a base is written as the way to stop TCA, Jessner or salicylic acid",
              says("BASE", EndingRules::undo)),
          rule(
              "PRO-HEAT",
              MIND,
              COMMON_PRACTICE,
              "warmth before, during or after acid the same day",
              says("ACT", SkinRules::warmAct),
              says("PRODUCT", SkinRules::warmProduct)),
          rule(
              "PRO-SCRUB",
              SHUT,
              COMMON_PRACTICE,
              "scrub, brush, shaving or blade on skin that had acid this visit, or a scrub before"
                  + " it",
              says("OPENS", SkinRules::scrub)),
          rule(
              "PRO-MASSAGE",
              MIND,
              COMMON_PRACTICE,
              "facial massage on acid-treated skin",
              says("SOFT", SkinRules::massage)),
          rule(
              "PRO-SPARK",
              SHUT,
              COMMON_PRACTICE,
              "current while an alcohol-wet product has not dried",
              says("WET", SkinRules::spark)),
          rule(
              "PRO-SECOND",
              SHUT,
              COMMON_PRACTICE,
              "the same family of acid twice on the same zones, or an acid prep of an excluded"
                  + " substance",
              says("FAMILY", AcidRules::familyTwice),
              says("EXCLUDED", AcidRules::excluded)),
          rule(
              "PRO-POLICY",
              SHUT,
              COMMON_PRACTICE,
              "two acids on the same skin where the practice does one application in a visit",
              says("TWO", AcidRules::oneApplication)),
          rule(
              "PRO-RETINOID",
              SHUT,
              COMMON_PRACTICE,
              "a retinoid on zones with frost, lips, lids or eye contour",
              says("PLACE", SkinRules::retinoid)),
          rule(
              "PRO-PAIR",
              MIND,
              COMMON_PRACTICE,
              "two products whose actives conflict on the same zones the same day",
              says("PEEL", ProductRules::afterPeel),
              says("PRODUCTS", ProductRules::pair)),
          rule(
              "PRO-WHERE",
              SHUT,
              COMMON_PRACTICE,
              "on a region or zone that it is not made for, or that is left out today",
              says("PLACE", ProductRules::where)),
          rule(
              "PRO-CARE",
              SHUT,
              COMMON_PRACTICE,
              "it goes against one of the day's limits",
              says("LIMIT", ProductRules::limit),
              says("EXTRACTION", ProductRules::extraction),
              says("LIFT", ProductRules::lift)),
          rule(
              "PRO-COMFORT",
              MIND,
              OWN_DEFAULT,
              "a line goes against what the client asked the couch to respect",
              says("CLOSED-IN", ProductRules::comfort)),
          rule(
              "PRO-ALLERGY",
              SHUT,
              COMMON_PRACTICE,
              "an allergen of the product is in the client's words",
              says("ALLERGEN", ProductRules::allergy)),
          rule(
              "PRO-STOCK",
              MIND,
              COMMON_PRACTICE,
              "not in stock, out of date, open too long",
              says("PRODUCT", ProductRules::productStock),
              says("FORMULA", ProductRules::formulaStock)),
          rule(
              "PRO-SLOT",
              NOTE,
              OWN_DEFAULT,
              "the steps are longer than the slot",
              once("LONGER", OrderRules::slot)));

  private ScriptRules() {}

  /// What a rule objects to, in words; empty for one that is there no more.
  public static Optional<String> says(String id) {
    return ALL.stream()
        .filter(one -> one.id().equals(id))
        .map(one -> one.rule().words())
        .findFirst();
  }

  @SafeVarargs
  @SuppressWarnings("varargs")
  private static ScriptRule rule(
      String id,
      Severity severity,
      Source source,
      String when,
      Clause<Sight, Predicate<Sight>, Found>... clauses) {
    return new ScriptRule(severity, new Rule<>(id, when, source, List.of(clauses)));
  }

  /// Finds one line at most.
  private static Clause<Sight, Predicate<Sight>, Found> once(
      String id, Function<Sight, Optional<Found>> finds) {
    return says(id, sight -> finds.apply(sight).stream().toList());
  }

  /// What it finds is its condition.
  private static Clause<Sight, Predicate<Sight>, Found> says(
      String id, Function<Sight, List<Found>> finds) {
    return new Clause<>(id, sight -> true, finds);
  }
}
