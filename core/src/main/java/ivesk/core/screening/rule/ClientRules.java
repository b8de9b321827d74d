package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.stop;
import static ivesk.core.screening.rule.Finds.within;
import static ivesk.core.screening.rule.ScreeningRule.all;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.always;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.formula.Family;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.ExcludeFamilies;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/// Who the client is.
final class ClientRules {
  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-CONSENT",
              COMMON_PRACTICE,
              "A peel needs a signed consent for its family.",
              all("MISSING", always(), ClientRules::consent)),
          rule(
              "SCR-AGE-CHILD",
              OWN_DEFAULT,
              "A child's skin is not peeled.",
              when("UNDER-10", that(v -> v.age() < 10), v -> stop(years(v)))),
          rule(
              "SCR-AGE-TWEEN",
              COMMON_PRACTICE,
              "At 10 to 12 a physician decides first.",
              when(
                  "10-TO-12",
                  that(v -> v.age() >= 10 && v.age() <= 12),
                  v ->
                      refer(
                          years(v),
                          new CapDepth(VERY_SUPERFICIAL),
                          new OnlyFamilies(EnumSet.of(Family.ENZYME, Family.MANDELIC)),
                          new Restriction.KeepToRung(true),
                          new Restriction.DoubleInterval(),
                          new Care(Kind.GUARDIAN_PRESENT)))),
          rule(
              "SCR-AGE-TEEN",
              OWN_DEFAULT,
              "Young skin heals fast and is easily overdone.",
              when(
                  "13-TO-17",
                  that(v -> v.age() >= 13 && v.age() <= 17),
                  v ->
                      adapt(
                              years(v),
                              new Care(Kind.GUARDIAN),
                              new CapDepth(VERY_SUPERFICIAL),
                              new Restriction.KeepToRung(false),
                              new ExcludeFamilies(
                                  EnumSet.of(Family.TCA, Family.JESSNER, Family.PYRUVIC)),
                              new Exclude(EnumSet.of(Substance.RESORCINOL, Substance.RETINOL)),
                              new Restriction.IntervalAtLeast(14))
                          .firmly())),
          rule(
              "SCR-REYE",
              COMMON_PRACTICE,
              "Salicylate after a fever can harm a child's liver.",
              when(
                  "FEVER",
                  that(ScreeningFacts::minor).and(is(FEVER_LATELY, "had")),
                  v ->
                      within(v, v.dateOf(FEVER_LATELY), 14, "fever or flu")
                          .only(Scope.substance(Substance.SALICYLIC)))),
          rule(
              "SCR-AGE-THIN",
              OWN_DEFAULT,
              "Thin skin takes up more and heals slower.",
              when(
                  "THIN",
                  that(v -> v.age() >= 70).or(is(SKIN_TEARS, "yes")),
                  v ->
                      adapt(
                              v.age() >= 70 ? years(v) : "skin that tears",
                              new CapDepth(VERY_SUPERFICIAL),
                              new ShortenContact(0.75),
                              new Care(Kind.NO_SOLVENT))
                          .firmly())),
          rule(
              "SCR-PREG",
              COMMON_PRACTICE,
              "No acid is proven safe in pregnancy.",
              when(
                  "PREGNANT",
                  is(PREGNANT, "yes"),
                  v ->
                      v.policies().chose(Choice.MILD_PEEL_IN_PREGNANCY)
                          ? refer(
                              "pregnant or possibly",
                              new Restriction.OnlyFormulas(Set.of("LAC-10", "LAC-30", "MAN-20")))
                          : stop("pregnant or possibly"))),
          rule(
              "SCR-LACT",
              COMMON_PRACTICE,
              "Some acids pass into the blood.",
              when(
                  "BREASTFEEDING",
                  is(BREASTFEEDING, "yes"),
                  adapt(
                      "breastfeeding",
                      new Exclude(
                          EnumSet.of(
                              Substance.SALICYLIC,
                              Substance.RESORCINOL,
                              Substance.TCA,
                              Substance.RETINOL))))));

  private ClientRules() {}

  private static List<Draft> consent(ScreeningFacts v) {
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.covering()) {
      if (v.consents().stream().noneMatch(c -> c.covers(family, v.peelDate(), v.minor()))) {
        missing.add(family);
      }
    }
    if (missing.isEmpty()) return List.of();
    Clearing signing = v.minor() ? Clearing.GUARDIANS_SIGNATURE : Clearing.SIGNATURE;
    boolean withdrawn =
        v.consents().stream()
            .anyMatch(c -> missing.contains(c.family()) && c.withdrawnOn().isPresent());
    String said = withdrawn ? "consent withdrawn" : "no signed consent";
    return List.of(
        missing.size() == Family.covering().size()
            ? cause(said, signing)
            : cause(said + " for ", signing).naming(missing, Scope.families(missing)));
  }

  private static String years(ScreeningFacts v) {
    return v.age() + " years old";
  }
}
