package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.formula.Family;
import ivesk.core.formula.Substance;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.ExcludeFamilies;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import ivesk.core.skin.Region;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;

/// What the day itself asks for.
final class DayRules {
  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-ASTHMA",
              COMMON_PRACTICE,
              "Fumes can bring on an attack.",
              when(
                  "ASTHMA",
                  is(ASTHMA, "yes"),
                  adapt(
                      "asthma, or strong reaction to fumes",
                      new Exclude(EnumSet.of(Substance.PYRUVIC)),
                      new Care(Kind.VENTILATE)))),
          rule(
              "SCR-CONTACTS",
              COMMON_PRACTICE,
              "Acid under a lens stays on the eye.",
              when(
                  "WORN",
                  is(CONTACT_LENSES, "yes"),
                  adapt("contact lenses", new Care(Kind.LENSES_OUT)))),
          rule(
              "SCR-THINZONE",
              COMMON_PRACTICE,
              "Thin skin away from the face heals slower.",
              when(
                  "PLANNED",
                  that(v -> v.region() == Region.NECK_DECOLLETAGE || v.region() == Region.HANDS),
                  DayRules::thinZone)));

  private DayRules() {}

  private static Draft thinZone(ScreeningFacts v) {
    List<Restriction> limits = new ArrayList<>();
    limits.add(new CapDepth(VERY_SUPERFICIAL));
    limits.add(new ShortenContact(0.75));
    limits.add(new ExcludeFamilies(EnumSet.of(Family.TCA, Family.JESSNER)));
    limits.add(new Care(Kind.NO_SOLVENT));
    if (v.peelsHere().stream().noneMatch(peel -> peel.region() == v.region())) {
      limits.add(new OnlyFamilies(EnumSet.of(Family.LACTIC)));
    }
    return adapt(v.region().label() + " planned", limits.toArray(Restriction[]::new))
        .firmly()
        .only(Scope.zone(v.region().label()));
  }
}
