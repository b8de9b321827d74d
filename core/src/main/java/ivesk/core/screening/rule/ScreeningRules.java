package ivesk.core.screening.rule;

import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.answer.ScreeningFacts;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.cause;
import static ivesk.core.screening.rule.Draft.proceed;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.stop;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Rule.all;
import static ivesk.core.screening.rule.Rule.rule;
import static ivesk.core.screening.rule.Rule.when;
import static ivesk.core.screening.rule.When.always;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.known;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.Source;
import ivesk.core.Words;
import ivesk.core.formula.Component;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.rule.Restriction.CapDepth;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.screening.rule.Restriction.Care.Kind;
import ivesk.core.screening.rule.Restriction.Exclude;
import ivesk.core.screening.rule.Restriction.ExcludeFamilies;
import ivesk.core.screening.rule.Restriction.ExcludeZones;
import ivesk.core.screening.rule.Restriction.OnlyFamilies;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import ivesk.core.screening.rule.Rule.Clause;
import ivesk.core.screening.rule.Rule.Lack;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;

/// The screening rules, one after the other as the table of the trade has them. T is the peel's
/// date.
public final class ScreeningRules {
  private ScreeningRules() {}

  private static final Source GRIMES =
      new Source(
          Source.Mark.COMMON_PRACTICE,
          "Grimes 1999 for salicylic 20-30 % in V-VI after two weeks of priming");
  private static final Source ISOTRETINOIN_SOURCE =
      new Source(Source.Mark.COMMON_PRACTICE, "ASDS consensus 2017 for peels with clearance");

  private static final Scope STRONGER_AND_DEEPER =
      Scope.of(
          "Jessner or TCA at superficial, any medium",
          (formula, depth) ->
              depth == MEDIUM
                  || depth == SUPERFICIAL
                      && (formula.families().contains(Family.JESSNER)
                          || formula.contains(Substance.TCA)));

  public static final List<Rule> ALL =
      List.of(
          rule(
              "SCR-CONSENT",
              COMMON_PRACTICE,
              "A peel needs a signed consent for its family.",
              all(always(), ScreeningRules::consent)),
          rule(
              "SCR-AGE-CHILD",
              OWN_DEFAULT,
              "A child's skin is not peeled.",
              when(that(v -> v.age() < 10), v -> stop(years(v)))),
          rule(
              "SCR-AGE-TWEEN",
              COMMON_PRACTICE,
              "At 10 to 12 a physician decides first.",
              when(
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
                  that(ScreeningFacts::minor).and(is(FEVER_LATELY, "had")),
                  v ->
                      within(v, v.dateOf(FEVER_LATELY), 14, "fever or flu")
                          .only(Scope.substance(Substance.SALICYLIC)))),
          rule(
              "SCR-AGE-THIN",
              OWN_DEFAULT,
              "Thin skin takes up more and heals slower.",
              when(
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
                  is(BREASTFEEDING, "yes"),
                  adapt(
                      "breastfeeding",
                      new Exclude(
                          EnumSet.of(
                              Substance.SALICYLIC,
                              Substance.RESORCINOL,
                              Substance.TCA,
                              Substance.RETINOL))))),
          rule(
              "SCR-ISO",
              ISOTRETINOIN_SOURCE,
              "Isotretinoin slows healing for months after the last capsule.",
              all(is(ISOTRETINOIN, "taking"), ScreeningRules::isotretinoinNow),
              all(is(ISOTRETINOIN, "stopped"), ScreeningRules::isotretinoinBefore)),
          rule(
              "SCR-RETINOID",
              COMMON_PRACTICE,
              "A retinoid thins the horny layer: acid goes deeper.",
              all(known(RETINOID), ScreeningRules::prescribedRetinoid),
              all(known(RETINOL), ScreeningRules::retinol)),
          rule(
              "SCR-EXFOLIANT",
              COMMON_PRACTICE,
              "Skin that was just exfoliated takes up more.",
              all(
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
              all(known(TOPICAL_CYTOSTATIC), ScreeningRules::cytostatic),
              when(
                  is(TOPICAL_STEROID, "yes").or(that(v -> v.uses(Active.STEROID))),
                  adapt("steroid cream for long", new CapDepth(VERY_SUPERFICIAL)))),
          rule(
              "SCR-HAIR",
              COMMON_PRACTICE,
              "Hair removal opens the surface for days.",
              waits(HAIR, "done", 7, "hair removed")),
          rule(
              "SCR-SHAVE",
              COMMON_PRACTICE,
              "A blade takes horny layer with the hair.",
              waits(SHAVE, "done", 1, "shaved")),
          rule(
              "SCR-DERMAPLANE",
              COMMON_PRACTICE,
              "Planed skin takes acid up fast and unevenly.",
              when(is(DERMAPLANING, "done"), ScreeningRules::dermaplaning)),
          rule(
              "SCR-ABRASION",
              COMMON_PRACTICE,
              "Abraded skin takes up more.",
              waits(ABRASION, "done", 7, "abrasion")),
          rule(
              "SCR-ENERGY",
              COMMON_PRACTICE,
              "Skin must have healed from one injury.",
              waits(ENERGY, "done", 28, "laser, needling or the like"),
              when(is(ABLATIVE_LASER, "done"), ScreeningRules::ablative)),
          rule(
              "SCR-INJECT",
              COMMON_PRACTICE,
              "Pressing and wiping can move what was injected.",
              waits(TOXIN, "done", 7, "botulinum toxin"),
              waits(FILLER, "done", 14, "filler")),
          rule(
              "SCR-SURGERY",
              COMMON_PRACTICE,
              "Scars and flaps heal for months.",
              when(
                  is(FACE_SURGERY, "done").and(monthsNotOver(FACE_SURGERY, 6)),
                  v -> refer("surgery of the face " + day(v.dateOf(FACE_SURGERY)))),
              when(
                  is(EYE_SURGERY, "done").and(monthsNotOver(EYE_SURGERY, 3)),
                  ScreeningRules::eyeSurgery)),
          rule(
              "SCR-TATTOO",
              COMMON_PRACTICE,
              "Fresh pigment is shed with the skin.",
              when(
                  is(PERMANENT_MAKE_UP, "done").and(that(v -> v.daysSince(PERMANENT_MAKE_UP) < 28)),
                  v ->
                      adapt(
                              "permanent make-up " + day(v.dateOf(PERMANENT_MAKE_UP)),
                              new ExcludeZones(v.answer(PERMANENT_MAKE_UP).zones(), false))
                          .earliest(v.dateOf(PERMANENT_MAKE_UP).plusDays(28)))),
          rule(
              "SCR-RADIO",
              COMMON_PRACTICE,
              "Irradiated skin heals badly for life.",
              when(is(RADIOTHERAPY, "yes"), refer("radiotherapy to the area"))),
          rule(
              "SCR-SUNBURN",
              COMMON_PRACTICE,
              "Burnt skin has no barrier.",
              when(is(SUN, "burnt"), ScreeningRules::sunburn)),
          rule(
              "SCR-SUN",
              COMMON_PRACTICE,
              "Tanned skin answers acid with dark marks.",
              waits(SUN, "sun", 14, "strong sun or sunbed"),
              when(is(SUN_PLANNED, "planned"), ScreeningRules::sunPlanned)),
          rule(
              "SCR-HSV-NOW",
              COMMON_PRACTICE,
              "Acid spreads the virus over open skin.",
              when(is(COLD_SORE_NOW, "now"), cause("cold sore now", Clearing.HEALED_AND_7_DAYS)),
              waits(COLD_SORE_NOW, "healed", 7, "cold sore healed")),
          rule(
              "SCR-HSV-PAST",
              COMMON_PRACTICE,
              "A peel can wake the virus.",
              when(
                  is(COLD_SORES_EVER, "often"),
                  refer("cold sores, three or more a year", new Care(Kind.TELL_TINGLING))),
              when(
                  is(COLD_SORES_EVER, "some"),
                  adapt("cold sores before", new Care(Kind.TELL_TINGLING)),
                  refer("cold sores before").only(STRONGER_AND_DEEPER))),
          rule(
              "SCR-WOUND",
              COMMON_PRACTICE,
              "Acid in a cut burns deep.",
              when(
                  is(OPEN_SPOTS, "few"),
                  adapt("open spots, a few", new Care(Kind.COVER_OPEN_SPOTS))),
              when(is(OPEN_SPOTS, "many"), cause("open spots, many", Clearing.CLOSED_SKIN))),
          rule(
              "SCR-INFECTION",
              COMMON_PRACTICE,
              "A peel spreads an infection.",
              when(
                  is(INFECTION, "yes"),
                  refer("infection of the skin"),
                  cause("infection of the skin, not yet clear", Clearing.CLEAR_SKIN))),
          rule(
              "SCR-LESION",
              COMMON_PRACTICE,
              "A mark must be known before it is peeled away.",
              when(
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
              when(is(NODULES, "yes"), refer("nodules or cysts")),
              when(
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
                  is(DERMATITIS, "before"),
                  adapt("dermatitis before", new CapDepth(VERY_SUPERFICIAL))),
              when(is(DERMATITIS, "now"), cause("dermatitis now", Clearing.CLEAR_SKIN))),
          rule(
                  "SCR-ROSACEA",
                  COMMON_PRACTICE,
                  "Rosacea flares with heat and strong acids.",
                  when(is(ROSACEA_FLARE, "yes"), cause("rosacea in a flare", Clearing.CALM_SKIN)),
                  when(
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
                  that(v -> v.skin().melasma()),
                  adapt("melasma", new Care(Kind.NO_HEAT), new Restriction.NoWarming()))),
          rule(
              "SCR-BARRIER",
              COMMON_PRACTICE,
              "Skin that stings with water is not ready.",
              when(
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
                              : Optional.empty())),
          rule(
              "SCR-SALICYLATE",
              COMMON_PRACTICE,
              "Salicylate passes through skin.",
              when(
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
                  is(LATEX_ALLERGY, "yes"),
                  adapt("allergy to latex", new Care(Kind.GLOVES_WITHOUT_LATEX)).firmly()),
              when(
                  that(v -> v.allergies().latex()),
                  adapt("the chart tells of latex", new Care(Kind.GLOVES_WITHOUT_LATEX)).firmly())),
          rule(
              "SCR-LIDOCAINE",
              OWN_DEFAULT,
              "Numbing creams and some calming products hold it.",
              when(
                  is(LIDOCAINE_ALLERGY, "yes"),
                  adapt("allergy to lidocaine", new Care(Kind.NO_LIDOCAINE)).firmly())),
          rule(
              "SCR-KELOID",
              COMMON_PRACTICE,
              "Raised scars come back with any deep injury.",
              when(
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
                  all(that(ScreeningFacts::pigmentProne), ScreeningRules::phototype),
                  all(
                      that(ScreeningFacts::pigmentProne).and(known(INHIBITOR)),
                      ScreeningRules::priming),
                  all(known(PIH_EVER), v -> List.of()))
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
                  is(DIABETES, "controlled"),
                  adapt(
                      "diabetes, controlled",
                      new CapDepth(VERY_SUPERFICIAL),
                      new OnlyFamilies(
                          EnumSet.of(Family.ENZYME, Family.PHA, Family.LACTIC, Family.MANDELIC)))),
              when(is(DIABETES, "unknown"), refer("diabetes, control unknown")),
              when(is(DIABETES, "uncontrolled"), refer("diabetes, uncontrolled"))),
          rule(
              "SCR-IMMUNE",
              COMMON_PRACTICE,
              "A weak defence lets infection in.",
              when(is(IMMUNE, "now"), refer("immune suppression or chemotherapy now")),
              when(
                  is(IMMUNE, "chemo").and(monthsNotOver(IMMUNE, 6)),
                  v -> refer("chemotherapy ended " + day(v.dateOf(IMMUNE))))),
          rule(
              "SCR-AUTOIMMUNE",
              COMMON_PRACTICE,
              "Injury can bring the disease out in the area.",
              when(is(AUTOIMMUNE, "yes"), refer("lupus, scleroderma or vitiligo on the area"))),
          rule(
              "SCR-BLOOD",
              COMMON_PRACTICE,
              "Small wounds bleed long.",
              when(
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
              all(is(ORGAN, "heart"), v -> organ("heart disease", Substance.RESORCINOL)),
              all(
                  is(ORGAN, "kidney").and(that(v -> v.region() == Region.FACE)),
                  v -> organ("kidney or liver disease", Substance.RESORCINOL)),
              all(
                  is(ORGAN, "kidney").and(that(v -> v.region() != Region.FACE)),
                  v ->
                      organ("kidney or liver disease", Substance.RESORCINOL, Substance.SALICYLIC))),
          rule(
              "SCR-HF",
              COMMON_PRACTICE,
              "High frequency sends current through the body.",
              when(
                  is(IMPLANT, "yes").or(is(PREGNANT, "yes")),
                  v ->
                      adapt(
                          v.is(IMPLANT, "yes") ? "implant, epilepsy or metal" : "pregnant",
                          new Care(Kind.NO_HIGH_FREQUENCY)))),
          rule(
              "SCR-SMOKER",
              COMMON_PRACTICE,
              "Smokers heal slower after a deeper peel; say so.",
              when(is(SMOKER, "yes"), adapt("smokes").only(Scope.depthFrom(MEDIUM)))),
          rule(
              "SCR-PICKING",
              COMMON_PRACTICE,
              "Picked skin scars; hope beyond a peel ends badly.",
              when(
                  is(PICKING, "yes"),
                  adapt(
                      "picks at the skin, or hopes for too much",
                      new CapDepth(VERY_SUPERFICIAL),
                      new Care(Kind.TALK_FIRST)))),
          rule(
              "SCR-PATCH",
              COMMON_PRACTICE,
              "An allergy shows on a small place first.",
              all(always(), ScreeningRules::patch)),
          rule(
              "SCR-UNWELL",
              COMMON_PRACTICE,
              "A body with fever heals badly.",
              when(is(UNWELL, "yes"), cause("unwell today", Clearing.WELL_AGAIN))),
          rule(
              "SCR-FLAKING",
              COMMON_PRACTICE,
              "New skin must be closed before the next acid.",
              when(
                  is(FLAKING, "yes"),
                  cause("still flaking from the last peel", Clearing.CLEAR_SKIN))),
          rule(
                  "SCR-INTERVAL",
                  COMMON_PRACTICE,
                  "Skin renews between peels.",
                  all(always(), ScreeningRules::interval),
                  all(known(PEELS_ELSEWHERE), v -> List.of()))
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
              all(always(), ScreeningRules::redFlags)),
          rule(
              "SCR-REACTION",
              COMMON_PRACTICE,
              "What went wrong once goes wrong again.",
              when(
                  is(REACTION, "scarred"),
                  v ->
                      refer(
                          "scars after an earlier peel",
                          without(v, v.answer(REACTION).families()))),
              when(
                  is(REACTION, "reacted"),
                  v ->
                      adapt(
                              "earlier reaction to " + Family.labels(v.answer(REACTION).families()),
                              without(v, v.answer(REACTION).families()))
                          .firmly()),
              all(always(), ScreeningRules::reactions),
              all(always(), ScreeningRules::toldInTheChart),
              all(always(), ScreeningRules::contradictions)),
          rule(
              "SCR-ADVERSE",
              COMMON_PRACTICE,
              "What went badly once is not repeated.",
              all(always(), ScreeningRules::adverse)),
          rule(
              "SCR-ASTHMA",
              COMMON_PRACTICE,
              "Fumes can bring on an attack.",
              when(
                  is(ASTHMA, "yes"),
                  adapt(
                      "asthma, or strong reaction to fumes",
                      new Exclude(EnumSet.of(Substance.PYRUVIC)),
                      new Care(Kind.VENTILATE)))),
          rule(
              "SCR-CONTACTS",
              COMMON_PRACTICE,
              "Acid under a lens stays on the eye.",
              when(is(CONTACT_LENSES, "yes"), adapt("contact lenses", new Care(Kind.LENSES_OUT)))),
          rule(
              "SCR-THINZONE",
              COMMON_PRACTICE,
              "Thin skin away from the face heals slower.",
              when(
                  that(v -> v.region() == Region.NECK_DECOLLETAGE || v.region() == Region.HANDS),
                  ScreeningRules::thinZone)));

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

  /// Every formula that contains an acid of these families, in whatever family it stands, and the
  /// families themselves.
  ///
  /// A mixture shuts itself, resorcinol where it is in it, and each of its other acids until a
  /// patch test of that acid alone has been read.
  private static Restriction[] without(ScreeningFacts v, Set<Family> families) {
    Set<Substance> acids = EnumSet.noneOf(Substance.class);
    for (Family family : families) {
      switch (family) {
        case JESSNER -> {
          acids.add(Substance.RESORCINOL);
          addUntested(v, family, acids, Substance.SALICYLIC, Substance.LACTIC, Substance.CITRIC);
        }
        case AZELAIC_MANDELIC -> {
          acids.add(Substance.AZELAIC);
          addUntested(v, family, acids, Substance.MANDELIC);
        }
        default -> acids.addAll(family.acids());
      }
    }
    ExcludeFamilies shut = new ExcludeFamilies(families);
    return acids.isEmpty()
        ? new Restriction[] {shut}
        : new Restriction[] {shut, new Exclude(acids)};
  }

  /// A test is new when it was placed after the last peel with the mixture that is on record.
  private static void addUntested(
      ScreeningFacts v, Family mixture, Set<Substance> to, Substance... acids) {
    Optional<LocalDate> reacted =
        v.pastPeels().stream()
            .filter(peel -> peel.formula().families().contains(mixture))
            .map(PastPeel::on)
            .max(Comparator.naturalOrder());
    for (Substance acid : acids) {
      if (reacted.filter(day -> testedSince(v, day, acid)).isEmpty()) to.add(acid);
    }
  }

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
    return adapt(said, limits.toArray(Restriction[]::new)).firmly();
  }

  private static boolean testedSince(ScreeningFacts v, LocalDate reacted, Substance acid) {
    return v.patchTests().stream()
        .filter(test -> test.placedOn().isAfter(reacted))
        .anyMatch(
            test -> test.family().acids().equals(Set.of(acid)) && test.read() && !test.reacted());
  }

  /// A peel that was adverse, on every region, until one that was well taken has followed.
  private static List<Draft> adverse(ScreeningFacts v) {
    return adversePeels(v)
        .filter(peel -> !peel.allergic())
        .map(peel -> adverse(v, peel))
        .flatMap(Optional::stream)
        .toList();
  }

  private static Stream<PastPeel> adversePeels(ScreeningFacts v) {
    return v.pastPeels().stream()
        .filter(peel -> peel.outcome() == PeelOutcome.ADVERSE && !peel.on().isAfter(v.peelDate()))
        .sorted(Comparator.comparing(PastPeel::on));
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
    return Optional.of(adapt(said, limits.toArray(Restriction[]::new)).firmly());
  }

  /// A burn that should have healed by the peel is asked again.
  private static Draft sunburn(ScreeningFacts v) {
    String said = "sunburnt " + day(v.dateOf(SUN));
    LocalDate clear = v.dateOf(SUN).plusDays(14);
    return clear.isAfter(v.peelDate())
        ? cause(said, Clearing.HEALED_AND_14_DAYS).earliest(clear)
        : Draft.ask(said + ": ask again whether it has healed");
  }

  private static Draft eyeSurgery(ScreeningFacts v) {
    String said = "surgery of an eye " + day(v.dateOf(EYE_SURGERY));
    ExcludeZones eyes = new ExcludeZones(EnumSet.of(Zone.EYE_LEFT, Zone.EYE_RIGHT), false);
    boolean face = v.region() == Region.FACE || v.region() == Region.EYE_CONTOUR;
    return (face ? refer(said, eyes) : adapt(said, eyes))
        .earliest(v.dateOf(EYE_SURGERY).plusMonths(3));
  }

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

  private static Draft dermaplaning(ScreeningFacts v) {
    boolean paired =
        v.policies().chose(Choice.PEEL_AFTER_DERMAPLANING)
            && v.daysSince(DERMAPLANING) < 2
            && !v.sensitive();
    return paired
        ? adapt(
            "dermaplaning " + day(v.dateOf(DERMAPLANING)) + ", paired",
            new Restriction.OneRungDown(),
            new Restriction.OneLayerOff(),
            new ShortenContact(0.75),
            new Restriction.CountDeeper())
        : within(v, v.dateOf(DERMAPLANING), 7, "dermaplaning");
  }

  private static Draft ablative(ScreeningFacts v) {
    LocalDate clear = v.dateOf(ABLATIVE_LASER).plusMonths(6);
    String said = "ablative laser " + day(v.dateOf(ABLATIVE_LASER));
    return clear.isAfter(v.peelDate()) ? until(clear, said) : proceed(said + ", over six months");
  }

  private static List<Draft> organ(String said, Substance first, Substance... more) {
    return List.of(
        adapt(said, new Exclude(EnumSet.of(first, more))),
        refer(said).only(Scope.depthFrom(SUPERFICIAL)));
  }

  /// New to the practice, a new family, or sensitivity 2 and more.
  private static List<Draft> patch(ScreeningFacts v) {
    Set<Family> reacted = EnumSet.noneOf(Family.class);
    Map<LocalDate, Set<Family>> placed = new TreeMap<>();
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.covering()) {
      List<PatchTest> tests = testsOf(v, family);
      if (tests.stream().anyMatch(PatchTest::reacted)) {
        reacted.add(family);
      } else if (owesPatch(v, family)) {
        // One that should have been read by now is placed anew: nobody knows what it showed.
        tests.stream()
            .filter(test -> !test.read())
            .map(PatchTest::placedOn)
            .filter(on -> !on.plusDays(READ_BY_DAYS).isBefore(v.peelDate()))
            .min(LocalDate::compareTo)
            .ifPresentOrElse(
                on ->
                    placed
                        .computeIfAbsent(on.plusDays(1), day -> EnumSet.noneOf(Family.class))
                        .add(family),
                () -> missing.add(family));
      }
    }
    boolean superficialOnly = v.policies().chose(Choice.PATCH_TEST_SUPERFICIAL_ONLY);
    Function<Set<Family>, Scope> scope =
        families ->
            superficialOnly
                ? Scope.containing(families).from(SUPERFICIAL)
                : Scope.containing(families);
    List<Draft> found = new ArrayList<>();
    if (!reacted.isEmpty()) {
      found.add(adapt("reaction to the patch test", without(v, reacted)).firmly());
    }
    placed.forEach((day, families) -> {
      Draft unread = cause("patch test placed, not yet read: ", Clearing.PATCH_READ);
      found.add(
          (day.isAfter(v.peelDate()) ? unread.earliest(day) : unread)
              .naming(families, scope.apply(families)));
    });
    if (missing.size() == Family.covering().size()) {
      found.add(cause("no patch test", Clearing.PATCH_TEST).only(scope.apply(missing)));
    } else if (!missing.isEmpty()) {
      found.add(
          cause("no patch test for ", Clearing.PATCH_TEST).naming(missing, scope.apply(missing)));
    }
    return found;
  }

  /// The second read of a test is due after two days; a day more is left for it.
  private static final int READ_BY_DAYS = 3;

  /// A test counts for twelve months, for six at sensitivity 2 and more.
  private static boolean counts(ScreeningFacts v, PatchTest test) {
    int months = v.sensitive() ? 6 : 12;
    return test.read() && !test.placedOn().plusMonths(months).isBefore(v.peelDate());
  }

  /// Whether a formula is tested on a patch first.
  public static boolean patchTested(ScreeningFacts v, Formula formula, DepthClass depth) {
    boolean spared =
        v.policies().chose(Choice.PATCH_TEST_SUPERFICIAL_ONLY)
            && !depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
    return !spared && formula.families().stream().anyMatch(family -> needsPatch(v, family));
  }

  /// Whether a test of a formula is still to be made or read.
  public static boolean patchTestOwed(ScreeningFacts v, Formula formula) {
    return formula.families().stream().anyMatch(family -> owesPatch(v, family));
  }

  private static boolean owesPatch(ScreeningFacts v, Family family) {
    return needsPatch(v, family) && testsOf(v, family).stream().noneMatch(test -> counts(v, test));
  }

  private static List<PatchTest> testsOf(ScreeningFacts v, Family family) {
    return v.patchTests().stream().filter(test -> test.family() == family).toList();
  }

  private static boolean needsPatch(ScreeningFacts v, Family family) {
    return v.sensitive()
        || v.peelsHere().stream().noneMatch(peel -> peel.formula().family().coveredBy() == family);
  }

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
              .firmly());
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
        .map(on -> cause("red flag open since " + day(on), Clearing.FLAG_CLOSED))
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

  private static String years(ScreeningFacts v) {
    return v.age() + " years old";
  }

  private static String listed(List<String> codes) {
    return codes.size() > Library.FORMULAS.size() ? codes.size() + " formulas" : Words.list(codes);
  }

  private static long daysTo(ScreeningFacts v, LocalDate on) {
    return ChronoUnit.DAYS.between(on, v.peelDate());
  }

  private static When monthsNotOver(Question question, int months) {
    return that(v -> v.dateOf(question).plusMonths(months).isAfter(v.peelDate()));
  }

  /// WAIT until so many days after an answer's date; PROCEED once they are over.
  private static Clause waits(Question question, String choice, int days, String what) {
    return when(is(question, choice), v -> within(v, v.dateOf(question), days, what));
  }

  private static List<Draft> within(
      ScreeningFacts v, Optional<LocalDate> date, int days, String what) {
    return date.map(on -> List.of(within(v, on, days, what))).orElse(List.of());
  }

  private static Draft within(ScreeningFacts v, LocalDate on, int days, String what) {
    String said = what + " " + day(on);
    return daysTo(v, on) < days
        ? until(on.plusDays(days), said)
        : proceed(
            Words.fill(
                "%s: %s by then, %s asked",
                said, Words.count(daysTo(v, on), "day"), Words.count(days, "day")));
  }
}
