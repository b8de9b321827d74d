package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.formula.Substance;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Restriction.Exclude;
import java.util.EnumSet;
import java.util.List;

/// Allergies that are asked for.
final class AllergyRules {
  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-SALICYLATE",
              COMMON_PRACTICE,
              "Salicylate passes through skin.",
              when(
                  "ALLERGY",
                  is(SALICYLATE_ALLERGY, "yes"),
                  adapt(
                          "allergy to salicylates; cleansers and toners too",
                          new Exclude(EnumSet.of(Substance.SALICYLIC)))
                      .firmly())),
          rule(
              "SCR-RESORCINOL",
              COMMON_PRACTICE,
              "Resorcinol acts on thyroid, heart and blood.",
              when(
                  "RISK",
                  is(RESORCINOL_RISK, "yes"),
                  adapt(
                          "resorcinol allergy, thyroid, heart rhythm or G6PD",
                          new Exclude(EnumSet.of(Substance.RESORCINOL)))
                      .firmly())),
          rule(
              "SCR-FRUIT",
              COMMON_PRACTICE,
              "Fruit enzymes carry the fruit's allergens.",
              when(
                  "ALLERGY",
                  is(FRUIT_ALLERGY, "yes"),
                  adapt(
                          "allergy to papaya, pineapple, fig or pumpkin",
                          new Exclude(
                              EnumSet.of(
                                  Substance.PAPAYA,
                                  Substance.PINEAPPLE,
                                  Substance.FIG,
                                  Substance.PUMPKIN)))
                      .firmly())),
          rule(
              "SCR-LATEX",
              COMMON_PRACTICE,
              "The gloves touch the face.",
              when(
                  "ANSWER",
                  is(LATEX_ALLERGY, "yes"),
                  adapt("allergy to latex", new Care(Kind.GLOVES_WITHOUT_LATEX)).firmly()),
              when(
                  "CHART",
                  that(v -> v.allergies().latex()),
                  adapt("the chart tells of latex", new Care(Kind.GLOVES_WITHOUT_LATEX)).firmly())),
          rule(
              "SCR-LIDOCAINE",
              OWN_DEFAULT,
              "Numbing creams and some calming products hold it.",
              when(
                  "ALLERGY",
                  is(LIDOCAINE_ALLERGY, "yes"),
                  adapt("allergy to lidocaine", new Care(Kind.NO_LIDOCAINE)).firmly())));

  private AllergyRules() {}
}
