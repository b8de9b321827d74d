package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Draft.proceed;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.rule.Finds.daysTo;
import static ivesk.core.screening.rule.Finds.within;
import static ivesk.core.screening.rule.ScreeningRule.all;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.known;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.Source;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.skin.HomeProduct.Active;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What the client takes and puts on.
final class MedicineRules {
  private static final Source ISOTRETINOIN_SOURCE =
      new Source(Source.Mark.COMMON_PRACTICE, "ASDS consensus 2017 for peels with clearance");

  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-ISO",
              ISOTRETINOIN_SOURCE,
              "Isotretinoin slows healing for months after the last capsule.",
              all("TAKING", is(ISOTRETINOIN, "taking"), MedicineRules::isotretinoinNow),
              all("STOPPED", is(ISOTRETINOIN, "stopped"), MedicineRules::isotretinoinBefore)),
          rule(
              "SCR-RETINOID",
              COMMON_PRACTICE,
              "A retinoid thins the horny layer: acid goes deeper.",
              all("PRESCRIBED", known(RETINOID), MedicineRules::prescribedRetinoid),
              all("RETINOL", known(RETINOL), MedicineRules::retinol)),
          rule(
              "SCR-EXFOLIANT",
              COMMON_PRACTICE,
              "Skin that was just exfoliated takes up more.",
              all(
                  "USED",
                  known(HOME_ACID),
                  v ->
                      within(
                          v,
                          v.lastUse(
                              HOME_ACID,
                              "used",
                              Active.ACID,
                              Active.SCRUB,
                              Active.BENZOYL_PEROXIDE),
                          3,
                          "home acid or scrub"))),
          rule(
              "SCR-TOPICAL",
              COMMON_PRACTICE,
              "These creams change how skin reacts and heals.",
              all("CYTOSTATIC", known(TOPICAL_CYTOSTATIC), MedicineRules::cytostatic),
              when(
                  "STEROID",
                  is(TOPICAL_STEROID, "yes").or(that(v -> v.uses(Active.STEROID))),
                  adapt("steroid cream for long", new CapDepth(VERY_SUPERFICIAL)))));

  private MedicineRules() {}

  private static List<Draft> prescribedRetinoid(ScreeningFacts v) {
    return within(
        v, v.lastUse(RETINOID, "used", Active.PRESCRIBED_RETINOID), 7, "prescribed retinoid");
  }

  private static List<Draft> retinol(ScreeningFacts v) {
    Optional<LocalDate> retinol = v.lastUse(RETINOL, "used", Active.RETINOL);
    List<Draft> found = new ArrayList<>(within(v, retinol, 3, "retinol"));
    if (v.darkerType() && retinol.filter(on -> daysTo(v, on) < 7).isPresent()) {
      found.add(
          until(retinol.get().plusDays(7), "retinol " + day(retinol.get()) + ", type IV to VI")
              .only(Scope.depthFrom(SUPERFICIAL)));
    }
    return found;
  }

  private static List<Draft> isotretinoinNow(ScreeningFacts v) {
    Draft wait = cause("isotretinoin now", Clearing.STOPPED_AND_SIX_MONTHS);
    return v.policies().chose(Choice.ISOTRETINOIN_BY_CONSENSUS)
        ? List.of(refer("isotretinoin now"), wait.only(Scope.depthFrom(MEDIUM)))
        : List.of(wait);
  }

  private static List<Draft> isotretinoinBefore(ScreeningFacts v) {
    String said = "isotretinoin stopped " + day(v.dateOf(ISOTRETINOIN));
    LocalDate clear = v.dateOf(ISOTRETINOIN).plusMonths(6);
    if (!clear.isAfter(v.peelDate())) return List.of(proceed(said + ", over six months"));
    Draft wait = cause(said, Clearing.SIX_MONTHS).earliest(clear);
    return v.policies().chose(Choice.ISOTRETINOIN_BY_CONSENSUS)
        ? List.of(refer(said), wait.only(Scope.depthFrom(MEDIUM)))
        : List.of(wait);
  }

  private static List<Draft> cytostatic(ScreeningFacts v) {
    return v.lastUse(TOPICAL_CYTOSTATIC, "used", Active.CYTOSTATIC)
        .filter(on -> daysTo(v, on) < 56)
        .map(on -> List.of(refer("fluorouracil or imiquimod " + day(on))))
        .orElse(List.of());
  }
}
