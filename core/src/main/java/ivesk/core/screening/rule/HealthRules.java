package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.stop;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.rule.Finds.daysTo;
import static ivesk.core.screening.rule.Finds.monthsNotOver;
import static ivesk.core.screening.rule.ScreeningRule.all;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.known;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.Source;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.ScreeningRule.Lack;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;

/// How the client heals.
final class HealthRules {
  private static final Source GRIMES =
      new Source(
          Source.Mark.COMMON_PRACTICE,
          "Grimes 1999 for salicylic 20-30 % in V-VI after two weeks of priming");

  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-KELOID",
              COMMON_PRACTICE,
              "Raised scars come back with any deep injury.",
              when(
                  "KELOID",
                  is(KELOID, "yes"),
                  adapt(
                          "keloid or raised scars before",
                          new Care(Kind.NO_LANCET),
                          new CapDepth(SUPERFICIAL))
                      .firmly(),
                  stop("keloid or raised scars before").only(Scope.depthFrom(MEDIUM)))),
          rule(
                  "SCR-PHOTOTYPE",
                  GRIMES,
                  "Skin that tans well answers a peel with dark marks.",
                  all("TYPE", that(ScreeningFacts::pigmentProne), HealthRules::phototype),
                  all(
                      "PRIMING",
                      that(ScreeningFacts::pigmentProne).and(known(INHIBITOR)),
                      HealthRules::priming),
                  all("PIH", known(PIH_EVER), v -> List.of()))
              .needing(
                  new Lack(
                      "phototype",
                      v ->
                          v.skin().phototype().isEmpty()
                              ? Optional.of("phototype: not complete")
                              : v.skin().phototypeDispute())),
          rule(
              "SCR-DIABETES",
              COMMON_PRACTICE,
              "Uncontrolled diabetes heals slowly and infects.",
              when(
                  "CONTROLLED",
                  is(DIABETES, "controlled"),
                  adapt(
                      "diabetes, controlled",
                      new CapDepth(VERY_SUPERFICIAL),
                      new OnlyFamilies(
                          EnumSet.of(Family.ENZYME, Family.PHA, Family.LACTIC, Family.MANDELIC)))),
              when("UNKNOWN", is(DIABETES, "unknown"), refer("diabetes, control unknown")),
              when("UNCONTROLLED", is(DIABETES, "uncontrolled"), refer("diabetes, uncontrolled"))),
          rule(
              "SCR-IMMUNE",
              COMMON_PRACTICE,
              "A weak defence lets infection in.",
              when("NOW", is(IMMUNE, "now"), refer("immune suppression or chemotherapy now")),
              when(
                  "CHEMO",
                  is(IMMUNE, "chemo").and(monthsNotOver(IMMUNE, 6)),
                  v -> refer("chemotherapy ended " + day(v.dateOf(IMMUNE))))),
          rule(
              "SCR-AUTOIMMUNE",
              COMMON_PRACTICE,
              "Injury can bring the disease out in the area.",
              when(
                  "ON-AREA",
                  is(AUTOIMMUNE, "yes"),
                  refer("lupus, scleroderma or vitiligo on the area"))),
          rule(
              "SCR-BLOOD",
              COMMON_PRACTICE,
              "Small wounds bleed long.",
              when(
                  "THIN",
                  is(BLOOD_THINNER, "yes"),
                  adapt(
                      "blood thinner or bleeding disorder",
                      new Care(Kind.NO_LANCET),
                      new Care(Kind.NO_EXTRACTION)))),
          rule(
              "SCR-PHOTOSENS",
              COMMON_PRACTICE,
              "These medicines make skin burn in little sun.",
              when(
                  "TAKING",
                  is(PHOTOSENSITISING, "yes"),
                  adapt(
                      "photosensitising medicine",
                      new Care(Kind.MINERAL_SUNSCREEN),
                      new Care(Kind.NO_SUN_14_DAYS)),
                  refer("photosensitising medicine").only(Scope.depthFrom(MEDIUM)))),
          rule(
              "SCR-ORGAN",
              COMMON_PRACTICE,
              "What passes into the blood must be cleared.",
              all("HEART", is(ORGAN, "heart"), v -> organ("heart disease", Substance.RESORCINOL)),
              all(
                  "KIDNEY-FACE",
                  is(ORGAN, "kidney").and(that(v -> v.region() == Region.FACE)),
                  v -> organ("kidney or liver disease", Substance.RESORCINOL)),
              all(
                  "KIDNEY-BODY",
                  is(ORGAN, "kidney").and(that(v -> v.region() != Region.FACE)),
                  v ->
                      organ("kidney or liver disease", Substance.RESORCINOL, Substance.SALICYLIC))),
          rule(
              "SCR-HF",
              COMMON_PRACTICE,
              "High frequency sends current through the body.",
              when(
                  "CURRENT",
                  is(IMPLANT, "yes").or(is(PREGNANT, "yes")),
                  v ->
                      adapt(
                          v.is(IMPLANT, "yes") ? "implant, epilepsy or metal" : "pregnant",
                          new Care(Kind.NO_HIGH_FREQUENCY)))),
          rule(
              "SCR-SMOKER",
              COMMON_PRACTICE,
              "Smokers heal slower after a deeper peel; say so.",
              when("SMOKES", is(SMOKER, "yes"), adapt("smokes").only(Scope.depthFrom(MEDIUM)))),
          rule(
              "SCR-PICKING",
              COMMON_PRACTICE,
              "Picked skin scars; hope beyond a peel ends badly.",
              when(
                  "PICKS",
                  is(PICKING, "yes"),
                  adapt(
                      "picks at the skin, or hopes for too much",
                      new CapDepth(VERY_SUPERFICIAL),
                      new Care(Kind.TALK_FIRST)))));

  private HealthRules() {}

  private static List<Draft> organ(String said, Substance first, Substance... more) {
    return List.of(
        adapt(said, new Exclude(EnumSet.of(first, more))),
        refer(said).only(Scope.depthFrom(SUPERFICIAL)));
  }

  private static List<Draft> phototype(ScreeningFacts v) {
    Optional<Phototype> type = v.skin().phototype();
    List<Restriction> limits = new ArrayList<>();
    limits.add(new Restriction.CapLayers(2));
    limits.add(new Care(Kind.MINERAL_SUNSCREEN));
    if (type.filter(Phototype.IV::equals).isPresent()) {
      limits.add(new Restriction.TcaAtMost(Strength.wv(15)));
    }
    String said =
        v.darkerType()
            ? "type " + type.orElseThrow() + (v.pihEver() ? " with marks after spots" : "")
            : v.skin().melasma() ? "melasma" : "marks after spots before";
    List<Draft> found = new ArrayList<>();
    found.add(adapt(said, limits.toArray(Restriction[]::new)));
    if (type.filter(one -> one.atLeast(Phototype.V)).isPresent()) {
      found.add(
          adapt(
                  "type " + type.orElseThrow(),
                  new Exclude(EnumSet.of(Substance.TCA, Substance.RESORCINOL)))
              .firmly()
              .keyed("DARKEST"));
    }
    return found;
  }

  private static List<Draft> priming(ScreeningFacts v) {
    if (v.primed()) return List.of();
    Draft wait =
        v.inhibitorSince()
            .map(since ->
                until(
                    since.plusDays(14),
                    "inhibitor day "
                        + Math.max(0, daysTo(v, since))
                        + " of 14 on "
                        + day(v.peelDate())))
            .orElseGet(() -> cause("no inhibitor yet", Clearing.INHIBITOR));
    return List.of(
        wait.only(
            Scope.of("superficial, above entry, pyruvic or TCA", (f, d) -> needsPriming(v, f, d))));
  }

  private static boolean needsPriming(ScreeningFacts v, Formula formula, DepthClass depth) {
    return depth.deeperThan(VERY_SUPERFICIAL)
        || formula.rung() > v.entryRung(formula.family())
        || Library.asStrongAsAbove(formula, v::entryRung)
        || formula.contains(Substance.PYRUVIC)
        || formula.contains(Substance.TCA);
  }
}
