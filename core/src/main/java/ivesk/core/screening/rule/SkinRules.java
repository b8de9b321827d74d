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
import static ivesk.core.screening.rule.Finds.waits;
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
import ivesk.core.screening.rule.Restriction.ExcludeZones;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import ivesk.core.screening.rule.ScreeningRule.Lack;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Sensitivity;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// How the skin is.
final class SkinRules {
  private static final Scope STRONGER_AND_DEEPER =
      Scope.of(
          "Jessner or TCA at superficial, any medium",
          (formula, depth) ->
              depth == MEDIUM
                  || depth == SUPERFICIAL
                      && (formula.families().contains(Family.JESSNER)
                          || formula.contains(Substance.TCA)));

  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-SUNBURN",
              COMMON_PRACTICE,
              "Burnt skin has no barrier.",
              when("BURNT", is(SUN, "burnt"), SkinRules::sunburn)),
          rule(
              "SCR-SUN",
              COMMON_PRACTICE,
              "Tanned skin answers acid with dark marks.",
              waits("TANNED", SUN, "sun", 14, "strong sun or sunbed"),
              when("PLANNED", is(SUN_PLANNED, "planned"), SkinRules::sunPlanned)),
          rule(
              "SCR-HSV-NOW",
              COMMON_PRACTICE,
              "Acid spreads the virus over open skin.",
              when(
                  "NOW",
                  is(COLD_SORE_NOW, "now"),
                  cause("cold sore now", Clearing.HEALED_AND_7_DAYS)),
              waits("HEALED", COLD_SORE_NOW, "healed", 7, "cold sore healed")),
          rule(
              "SCR-HSV-PAST",
              COMMON_PRACTICE,
              "A peel can wake the virus.",
              when(
                  "OFTEN",
                  is(COLD_SORES_EVER, "often"),
                  refer("cold sores, three or more a year", new Care(Kind.TELL_TINGLING))),
              when(
                  "SOME",
                  is(COLD_SORES_EVER, "some"),
                  adapt("cold sores before", new Care(Kind.TELL_TINGLING)),
                  refer("cold sores before").only(STRONGER_AND_DEEPER))),
          rule(
              "SCR-WOUND",
              COMMON_PRACTICE,
              "Acid in a cut burns deep.",
              when(
                  "FEW",
                  is(OPEN_SPOTS, "few"),
                  adapt("open spots, a few", new Care(Kind.COVER_OPEN_SPOTS))),
              when(
                  "MANY", is(OPEN_SPOTS, "many"), cause("open spots, many", Clearing.CLOSED_SKIN))),
          rule(
              "SCR-INFECTION",
              COMMON_PRACTICE,
              "A peel spreads an infection.",
              when(
                  "INFECTED",
                  is(INFECTION, "yes"),
                  refer("infection of the skin"),
                  cause("infection of the skin, not yet clear", Clearing.CLEAR_SKIN))),
          rule(
              "SCR-LESION",
              COMMON_PRACTICE,
              "A mark must be known before it is peeled away.",
              when(
                  "MARK",
                  is(MARK, "seen"),
                  v ->
                      v.answer(MARK).zones().stream().anyMatch(v::inArea)
                          ? refer(
                              "a mark to be seen by a physician",
                              new ExcludeZones(v.answer(MARK).zones(), true))
                          : proceed("a mark outside the area: tell a physician of it"))),
          rule(
              "SCR-ACNE-SEVERE",
              COMMON_PRACTICE,
              "Deep acne scars; it needs a physician.",
              when("NODULES", is(NODULES, "yes"), refer("nodules or cysts")),
              when(
                  "SCARS",
                  is(NODULES, "no")
                      .and(
                          that(v ->
                              v.skin().severity(Condition.INFLAMED_SPOTS) == 3
                                  && v.skin().scars())),
                  refer("severe inflamed spots with scars"))),
          rule(
              "SCR-DERMATITIS",
              COMMON_PRACTICE,
              "Inflamed skin takes up more and flares.",
              when(
                  "BEFORE",
                  is(DERMATITIS, "before"),
                  adapt("dermatitis before", new CapDepth(VERY_SUPERFICIAL))),
              when("NOW", is(DERMATITIS, "now"), cause("dermatitis now", Clearing.CLEAR_SKIN))),
          rule(
                  "SCR-ROSACEA",
                  COMMON_PRACTICE,
                  "Rosacea flares with heat and strong acids.",
                  when(
                      "FLARE",
                      is(ROSACEA_FLARE, "yes"),
                      cause("rosacea in a flare", Clearing.CALM_SKIN)),
                  when(
                      "ROSACEA",
                      always(),
                      adapt(
                          "rosacea",
                          new OnlyFamilies(
                              EnumSet.of(
                                  Family.LACTIC,
                                  Family.MANDELIC,
                                  Family.AZELAIC_MANDELIC,
                                  Family.PHA)),
                          new Restriction.KeepToRung(true),
                          new Care(Kind.NO_HEAT),
                          new Care(Kind.NO_SCRUB))))
              .concerning(v -> v.skin().rosacea()),
          rule(
              "SCR-MELASMA",
              COMMON_PRACTICE,
              "Heat feeds melasma.",
              when(
                  "MELASMA",
                  that(v -> v.skin().melasma()),
                  adapt("melasma", new Care(Kind.NO_HEAT), new Restriction.NoWarming()))),
          rule(
              "SCR-BARRIER",
              COMMON_PRACTICE,
              "Skin that stings with water is not ready.",
              when(
                  "COMPROMISED",
                  that(v -> v.skin().sensitiveAtLeast(Sensitivity.COMPROMISED)),
                  v ->
                      v.policies().chose(Choice.MILD_LACTIC_AT_BARRIER)
                          ? adapt(
                              "compromised barrier",
                              new Restriction.OnlyFormulas(Set.of("LAC-10")),
                              new ShortenContact(0.5),
                              new Care(Kind.NO_SOLVENT),
                              new Care(Kind.COMPRESS_LIFT))
                          : cause("compromised barrier", Clearing.BLAND_CARE))),
          rule(
                  "SCR-SENSITIVE",
                  COMMON_PRACTICE,
                  "Sensitive skin answers sooner and stronger.",
                  when(
                      "SENSITIVE",
                      that(v ->
                          v.skin().sensitivity().filter(Sensitivity.SENSITIVE::equals).isPresent()),
                      adapt(
                          "sensitive skin",
                          new Restriction.KeepToRung(true),
                          new ShortenContact(0.75))))
              .needing(
                  new Lack(
                      "sensitivity",
                      v ->
                          v.skin().sensitivity().isEmpty()
                              ? Optional.of("sensitivity: not asked")
                              : Optional.empty())));

  private SkinRules() {}

  /// A burn that should have healed by the peel is asked again.
  private static Draft sunburn(ScreeningFacts v) {
    String said = "sunburnt " + day(v.dateOf(SUN));
    LocalDate clear = v.dateOf(SUN).plusDays(14);
    return clear.isAfter(v.peelDate())
        ? cause(said, Clearing.HEALED_AND_14_DAYS).earliest(clear)
        : Draft.ask(said + ": ask again whether it has healed");
  }

  private static Draft sunPlanned(ScreeningFacts v) {
    LocalDate from = v.dateOf(SUN_PLANNED);
    LocalDate to = v.answer(SUN_PLANNED).until().orElse(from);
    String said = "strong sun planned from " + day(from) + " to " + day(to);
    // Tanned skin waits for 14 days after the last day of it.
    LocalDate clear = to.plusDays(14);
    if (!clear.isAfter(v.peelDate())) return proceed(said + ", over by then");
    if (from.isBefore(v.peelDate().plusDays(14))) return until(clear, said);
    return from.isBefore(v.peelDate().plusDays(28))
        ? until(clear, said).only(Scope.depthFrom(SUPERFICIAL))
        : proceed(said + ", after the strict days");
  }
}
