package ivesk.core.screening;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.Question.*;
import static ivesk.core.screening.Rule.Draft.adapt;
import static ivesk.core.screening.Rule.Draft.cause;
import static ivesk.core.screening.Rule.Draft.proceed;
import static ivesk.core.screening.Rule.Draft.refer;
import static ivesk.core.screening.Rule.Draft.stop;
import static ivesk.core.screening.Rule.Draft.until;
import static ivesk.core.screening.Rule.rule;

import ivesk.core.Source;
import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.Restriction.CapDepth;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.screening.Restriction.Care.Kind;
import ivesk.core.screening.Restriction.Exclude;
import ivesk.core.screening.Restriction.ExcludeFamilies;
import ivesk.core.screening.Restriction.ExcludeZones;
import ivesk.core.screening.Restriction.OnlyFamilies;
import ivesk.core.screening.Restriction.ShortenContact;
import ivesk.core.screening.Rule.Draft;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;

/// The 57 screening rules, one after the other as the table of the trade has them. T is the peel's
/// date.
public final class ScreeningRules {
  private ScreeningRules() {}

  private static final Source GRIMES =
      new Source(
          Source.Mark.COMMON_PRACTICE,
          "Grimes 1999 for salicylic 20-30 % in V-VI after two weeks of priming");
  private static final Source ISOTRETINOIN_SOURCE =
      new Source(Source.Mark.COMMON_PRACTICE, "ASDS consensus 2017 for peels with clearance");

  public static final List<Rule> ALL =
      List.of(
          rule("SCR-CONSENT", COMMON_PRACTICE, "A peel needs a signed consent for its family.")
              .finds(ScreeningRules::consent),
          rule("SCR-AGE-CHILD", OWN_DEFAULT, "A child's skin is not peeled.")
              .finds(v -> v.age() < 10 ? List.of(stop(years(v))) : List.of()),
          rule("SCR-AGE-TWEEN", COMMON_PRACTICE, "At 10 to 12 a physician decides first.")
              .concerns(v -> v.age() >= 10 && v.age() <= 12)
              .finds(v ->
                  List.of(
                      refer(
                          years(v),
                          new CapDepth(VERY_SUPERFICIAL),
                          new OnlyFamilies(EnumSet.of(Family.ENZYME, Family.MANDELIC)),
                          new Restriction.KeepToRung(true),
                          new Restriction.DoubleInterval(),
                          new Care(Kind.GUARDIAN_PRESENT)))),
          rule("SCR-AGE-TEEN", OWN_DEFAULT, "Young skin heals fast and is easily overdone.")
              .concerns(v -> v.age() >= 13 && v.age() <= 17)
              .finds(v ->
                  List.of(
                      adapt(
                          years(v),
                          new Care(Kind.GUARDIAN),
                          new CapDepth(VERY_SUPERFICIAL),
                          new Restriction.KeepToRung(false),
                          new ExcludeFamilies(
                              EnumSet.of(Family.TCA, Family.JESSNER, Family.PYRUVIC)),
                          new Exclude(EnumSet.of(Substance.RESORCINOL, Substance.RETINOL)),
                          new Restriction.IntervalAtLeast(14)))),
          rule("SCR-REYE", COMMON_PRACTICE, "Salicylate after a fever can harm a child's liver.")
              .concerns(ScreeningFacts::minor)
              .asks(FEVER_LATELY)
              .finds(v ->
                  only(
                      Scope.substance(Substance.SALICYLIC),
                      waits(v, FEVER_LATELY, "had", 14, "fever or flu"))),
          rule("SCR-AGE-THIN", OWN_DEFAULT, "Thin skin takes up more and heals slower.")
              .asksOf(v -> v.age() >= 70 ? List.of() : List.of(SKIN_TEARS))
              .finds(v ->
                  v.age() >= 70 || v.is(SKIN_TEARS, "yes")
                      ? List.of(
                          adapt(
                              v.age() >= 70 ? years(v) : "skin that tears",
                              new CapDepth(VERY_SUPERFICIAL),
                              new ShortenContact(0.75),
                              new Care(Kind.NO_SOLVENT)))
                      : List.of()),
          rule("SCR-PREG", COMMON_PRACTICE, "No acid is proven safe in pregnancy.")
              .asks(PREGNANT)
              .finds(v ->
                  v.policies().chose(Choice.MILD_PEEL_IN_PREGNANCY)
                      ? ifYes(
                          v,
                          PREGNANT,
                          refer(
                              "pregnant or possibly",
                              new Restriction.OnlyFormulas(Set.of("LAC-10", "LAC-30", "MAN-20"))))
                      : ifYes(v, PREGNANT, stop("pregnant or possibly"))),
          rule("SCR-LACT", COMMON_PRACTICE, "Some acids pass into the blood.")
              .asks(BREASTFEEDING)
              .finds(
                  yes(
                      BREASTFEEDING,
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
                  "Isotretinoin slows healing for months after the last capsule.")
              .asks(ISOTRETINOIN)
              .finds(ScreeningRules::isotretinoin),
          rule(
                  "SCR-RETINOID",
                  COMMON_PRACTICE,
                  "A retinoid thins the horny layer: acid goes deeper.")
              .asks(RETINOID)
              .finds(ScreeningRules::retinoid),
          rule("SCR-EXFOLIANT", COMMON_PRACTICE, "Skin that was just exfoliated takes up more.")
              .asks(HOME_ACID)
              .finds(v ->
                  within(
                      v,
                      v.lastUse(
                          HOME_ACID, "used", Active.ACID, Active.SCRUB, Active.BENZOYL_PEROXIDE),
                      3,
                      "home acid or scrub")),
          rule("SCR-TOPICAL", COMMON_PRACTICE, "These creams change how skin reacts and heals.")
              .asks(TOPICAL_CYTOSTATIC, TOPICAL_STEROID)
              .finds(ScreeningRules::topicals),
          rule("SCR-HAIR", COMMON_PRACTICE, "Hair removal opens the surface for days.")
              .asks(HAIR)
              .finds(v -> waits(v, HAIR, "done", 7, "hair removed")),
          rule("SCR-SHAVE", COMMON_PRACTICE, "A blade takes horny layer with the hair.")
              .asks(SHAVE)
              .finds(v -> waits(v, SHAVE, "done", 1, "shaved")),
          rule("SCR-DERMAPLANE", COMMON_PRACTICE, "Planed skin takes acid up fast and unevenly.")
              .asks(DERMAPLANING)
              .finds(ScreeningRules::dermaplaning),
          rule("SCR-ABRASION", COMMON_PRACTICE, "Abraded skin takes up more.")
              .asks(ABRASION)
              .finds(v -> waits(v, ABRASION, "done", 7, "abrasion")),
          rule("SCR-ENERGY", COMMON_PRACTICE, "Skin must have healed from one injury.")
              .asks(ENERGY)
              .finds(ScreeningRules::energy),
          rule("SCR-INJECT", COMMON_PRACTICE, "Pressing and wiping can move what was injected.")
              .asks(TOXIN, FILLER)
              .finds(v ->
                  both(
                      waits(v, TOXIN, "done", 7, "botulinum toxin"),
                      waits(v, FILLER, "done", 14, "filler"))),
          rule("SCR-SURGERY", COMMON_PRACTICE, "Scars and flaps heal for months.")
              .asks(FACE_SURGERY, EYE_SURGERY)
              .finds(ScreeningRules::surgery),
          rule("SCR-TATTOO", COMMON_PRACTICE, "Fresh pigment is shed with the skin.")
              .asks(PERMANENT_MAKE_UP)
              .finds(ScreeningRules::permanentMakeUp),
          rule("SCR-RADIO", COMMON_PRACTICE, "Irradiated skin heals badly for life.")
              .asks(RADIOTHERAPY)
              .finds(yes(RADIOTHERAPY, refer("radiotherapy to the area"))),
          rule("SCR-SUNBURN", COMMON_PRACTICE, "Burnt skin has no barrier.")
              .asks(SUN)
              .finds(v ->
                  v.is(SUN, "burnt")
                      ? List.of(
                          cause("sunburnt " + day(v.dateOf(SUN)), "healed skin, and 14 days")
                              .earliest(v.dateOf(SUN).plusDays(14)))
                      : List.of()),
          rule("SCR-SUN", COMMON_PRACTICE, "Tanned skin answers acid with dark marks.")
              .asks(SUN, SUN_PLANNED)
              .finds(ScreeningRules::sun),
          rule("SCR-HSV-NOW", COMMON_PRACTICE, "Acid spreads the virus over open skin.")
              .asks(COLD_SORE_NOW)
              .finds(v ->
                  v.is(COLD_SORE_NOW, "now")
                      ? List.of(cause("cold sore now", "healed, and 7 days"))
                      : waits(v, COLD_SORE_NOW, "healed", 7, "cold sore healed")),
          rule("SCR-HSV-PAST", COMMON_PRACTICE, "A peel can wake the virus.")
              .asks(COLD_SORES_EVER)
              .finds(ScreeningRules::coldSoresBefore),
          rule("SCR-WOUND", COMMON_PRACTICE, "Acid in a cut burns deep.")
              .asks(OPEN_SPOTS)
              .finds(v ->
                  both(
                      when(
                          v,
                          OPEN_SPOTS,
                          "few",
                          adapt("open spots, a few", new Care(Kind.COVER_OPEN_SPOTS))),
                      when(v, OPEN_SPOTS, "many", cause("open spots, many", "closed skin")))),
          rule("SCR-INFECTION", COMMON_PRACTICE, "A peel spreads an infection.")
              .asks(INFECTION)
              .finds(
                  yes(
                      INFECTION,
                      refer("infection of the skin"),
                      cause("infection of the skin, not yet clear", "clear skin"))),
          rule("SCR-LESION", COMMON_PRACTICE, "A mark must be known before it is peeled away.")
              .asks(MARK)
              .finds(v ->
                  v.is(MARK, "seen")
                      ? List.of(
                          refer(
                              "a mark to be seen by a physician",
                              new ExcludeZones(v.answer(MARK).zones(), true)))
                      : List.of()),
          rule("SCR-ACNE-SEVERE", COMMON_PRACTICE, "Deep acne scars; it needs a physician.")
              .asks(NODULES)
              .finds(v ->
                  v.is(NODULES, "yes")
                      ? List.of(refer("nodules or cysts"))
                      : v.skin().severity(Condition.INFLAMED_SPOTS) == 3 && v.skin().scars()
                          ? List.of(refer("severe inflamed spots with scars"))
                          : List.of()),
          rule("SCR-DERMATITIS", COMMON_PRACTICE, "Inflamed skin takes up more and flares.")
              .asks(DERMATITIS)
              .finds(v ->
                  both(
                      when(
                          v,
                          DERMATITIS,
                          "before",
                          adapt("dermatitis before", new CapDepth(VERY_SUPERFICIAL))),
                      when(v, DERMATITIS, "now", cause("dermatitis now", "clear skin")))),
          rule("SCR-ROSACEA", COMMON_PRACTICE, "Rosacea flares with heat and strong acids.")
              .concerns(v -> v.skin().rosacea())
              .asks(ROSACEA_FLARE)
              .finds(v ->
                  v.is(ROSACEA_FLARE, "yes")
                      ? List.of(cause("rosacea in a flare", "calm skin"))
                      : List.of(
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
                              new Care(Kind.NO_SCRUB)))),
          rule("SCR-MELASMA", COMMON_PRACTICE, "Heat feeds melasma.")
              .concerns(v -> v.skin().melasma())
              .finds(v ->
                  List.of(adapt("melasma", new Care(Kind.NO_HEAT), new Restriction.NoWarming()))),
          rule("SCR-BARRIER", COMMON_PRACTICE, "Skin that stings with water is not ready.")
              .concerns(v -> v.skin().sensitiveAtLeast(Sensitivity.COMPROMISED))
              .finds(v ->
                  v.policies().chose(Choice.MILD_LACTIC_AT_BARRIER)
                      ? List.of(
                          adapt(
                              "compromised barrier",
                              new Restriction.OnlyFormulas(Set.of("LAC-10")),
                              new ShortenContact(0.5),
                              new Care(Kind.NO_SOLVENT),
                              new Care(Kind.COMPRESS_LIFT)))
                      : List.of(
                          cause(
                              "compromised barrier",
                              "14 days of bland care, then looked at again"))),
          rule("SCR-SENSITIVE", COMMON_PRACTICE, "Sensitive skin answers sooner and stronger.")
              .needs(v ->
                  v.skin().sensitivity().isEmpty() ? List.of("sensitivity: not asked") : List.of())
              .finds(v ->
                  v.skin().sensitivity().get() == Sensitivity.SENSITIVE
                      ? List.of(
                          adapt(
                              "sensitive skin",
                              new Restriction.KeepToRung(true),
                              new ShortenContact(0.75)))
                      : List.of()),
          rule("SCR-SALICYLATE", COMMON_PRACTICE, "Salicylate passes through skin.")
              .asks(SALICYLATE_ALLERGY)
              .finds(
                  yes(
                      SALICYLATE_ALLERGY,
                      adapt(
                          "allergy to salicylates; cleansers and toners too",
                          new Exclude(EnumSet.of(Substance.SALICYLIC))))),
          rule("SCR-RESORCINOL", COMMON_PRACTICE, "Resorcinol acts on thyroid, heart and blood.")
              .asks(RESORCINOL_RISK)
              .finds(
                  yes(
                      RESORCINOL_RISK,
                      adapt(
                          "resorcinol allergy, thyroid, heart rhythm or G6PD",
                          new Exclude(EnumSet.of(Substance.RESORCINOL))))),
          rule("SCR-FRUIT", COMMON_PRACTICE, "Fruit enzymes carry the fruit's allergens.")
              .asks(FRUIT_ALLERGY)
              .finds(
                  yes(
                      FRUIT_ALLERGY,
                      adapt(
                          "allergy to papaya, pineapple or pumpkin",
                          new Exclude(
                              EnumSet.of(
                                  Substance.PAPAYA, Substance.PINEAPPLE, Substance.PUMPKIN))))),
          rule("SCR-LATEX", COMMON_PRACTICE, "The gloves touch the face.")
              .asks(LATEX_ALLERGY)
              .finds(
                  yes(
                      LATEX_ALLERGY,
                      adapt("allergy to latex", new Care(Kind.GLOVES_WITHOUT_LATEX)))),
          rule("SCR-KELOID", COMMON_PRACTICE, "Raised scars come back with any deep injury.")
              .asks(KELOID)
              .finds(
                  yes(
                      KELOID,
                      adapt(
                          "keloid or raised scars before",
                          new Care(Kind.NO_LANCET),
                          new CapDepth(SUPERFICIAL)),
                      stop("keloid or raised scars before").only(Scope.depthFrom(MEDIUM)))),
          rule("SCR-PHOTOTYPE", GRIMES, "Skin that tans well answers a peel with dark marks.")
              .asksOf(v -> v.pigmentProne() ? List.of(PIH_EVER, INHIBITOR) : List.of(PIH_EVER))
              .needs(v ->
                  v.skin().phototype().isEmpty()
                      ? List.of("phototype: not complete")
                      : v.skin().phototypeDispute().stream().toList())
              .finds(ScreeningRules::phototype),
          rule("SCR-DIABETES", COMMON_PRACTICE, "Uncontrolled diabetes heals slowly and infects.")
              .asks(DIABETES)
              .finds(v ->
                  v.is(DIABETES, "no")
                      ? List.of()
                      : v.is(DIABETES, "controlled")
                          ? List.of(
                              adapt(
                                  "diabetes, controlled",
                                  new CapDepth(VERY_SUPERFICIAL),
                                  new OnlyFamilies(
                                      EnumSet.of(
                                          Family.ENZYME,
                                          Family.PHA,
                                          Family.LACTIC,
                                          Family.MANDELIC))))
                          : List.of(
                              refer(
                                  v.is(DIABETES, "unknown")
                                      ? "diabetes, control unknown"
                                      : "diabetes, uncontrolled"))),
          rule("SCR-IMMUNE", COMMON_PRACTICE, "A weak defence lets infection in.")
              .asks(IMMUNE)
              .finds(ScreeningRules::immune),
          rule("SCR-AUTOIMMUNE", COMMON_PRACTICE, "Injury can bring the disease out in the area.")
              .asks(AUTOIMMUNE)
              .finds(yes(AUTOIMMUNE, refer("lupus, scleroderma or vitiligo on the area"))),
          rule("SCR-BLOOD", COMMON_PRACTICE, "Small wounds bleed long.")
              .asks(BLOOD_THINNER)
              .finds(
                  yes(
                      BLOOD_THINNER,
                      adapt(
                          "blood thinner or bleeding disorder",
                          new Care(Kind.NO_LANCET),
                          new Care(Kind.NO_EXTRACTION)))),
          rule("SCR-PHOTOSENS", COMMON_PRACTICE, "These medicines make skin burn in little sun.")
              .asks(PHOTOSENSITISING)
              .finds(
                  yes(
                      PHOTOSENSITISING,
                      adapt(
                          "photosensitising medicine",
                          new Care(Kind.MINERAL_SUNSCREEN),
                          new Care(Kind.NO_SUN_14_DAYS)),
                      refer("photosensitising medicine").only(Scope.depthFrom(MEDIUM)))),
          rule("SCR-ORGAN", COMMON_PRACTICE, "What passes into the blood must be cleared.")
              .asks(ORGAN)
              .finds(ScreeningRules::organ),
          rule("SCR-HF", COMMON_PRACTICE, "High frequency sends current through the body.")
              .asks(IMPLANT, PREGNANT)
              .finds(v ->
                  v.is(IMPLANT, "yes") || v.is(PREGNANT, "yes")
                      ? List.of(
                          adapt(
                              v.is(IMPLANT, "yes") ? "implant, epilepsy or metal" : "pregnant",
                              new Care(Kind.NO_HIGH_FREQUENCY)))
                      : List.of()),
          rule("SCR-SMOKER", COMMON_PRACTICE, "Smokers heal slower after a deeper peel; say so.")
              .asks(SMOKER)
              .finds(yes(SMOKER, adapt("smokes").only(Scope.depthFrom(MEDIUM)))),
          rule("SCR-PICKING", COMMON_PRACTICE, "Picked skin scars; hope beyond a peel ends badly.")
              .asks(PICKING)
              .finds(
                  yes(
                      PICKING,
                      adapt(
                          "picks at the skin, or hopes for too much",
                          new CapDepth(VERY_SUPERFICIAL),
                          new Care(Kind.TALK_FIRST)))),
          rule("SCR-PATCH", COMMON_PRACTICE, "An allergy shows on a small place first.")
              .finds(ScreeningRules::patch),
          rule("SCR-UNWELL", COMMON_PRACTICE, "A body with fever heals badly.")
              .asks(UNWELL)
              .finds(yes(UNWELL, cause("unwell today", "being well again"))),
          rule("SCR-FLAKING", COMMON_PRACTICE, "New skin must be closed before the next acid.")
              .concerns(v -> !v.newHere())
              .asks(FLAKING)
              .finds(yes(FLAKING, cause("still flaking from the last peel", "clear skin"))),
          rule("SCR-INTERVAL", COMMON_PRACTICE, "Skin renews between peels.")
              .finds(ScreeningRules::interval),
          rule("SCR-REACTION", COMMON_PRACTICE, "What went wrong once goes wrong again.")
              .asks(REACTION)
              .finds(ScreeningRules::reaction),
          rule("SCR-ASTHMA", COMMON_PRACTICE, "Fumes can bring on an attack.")
              .asks(ASTHMA)
              .finds(
                  yes(
                      ASTHMA,
                      adapt(
                          "asthma, or strong reaction to fumes",
                          new Exclude(EnumSet.of(Substance.PYRUVIC)),
                          new Care(Kind.VENTILATE)))),
          rule("SCR-CONTACTS", COMMON_PRACTICE, "Acid under a lens stays on the eye.")
              .asks(CONTACT_LENSES)
              .finds(yes(CONTACT_LENSES, adapt("contact lenses", new Care(Kind.LENSES_OUT)))),
          rule("SCR-THINZONE", COMMON_PRACTICE, "Thin skin away from the face heals slower.")
              .concerns(v -> v.region() == Region.NECK_DECOLLETAGE || v.region() == Region.HANDS)
              .finds(ScreeningRules::thinZone));

  private static List<Draft> consent(ScreeningFacts v) {
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.covering()) {
      if (v.consents().stream().noneMatch(c -> c.covers(family, v.peelDate(), v.minor()))) {
        missing.add(family);
      }
    }
    if (missing.isEmpty()) return List.of();
    String signing = v.minor() ? "a signature, the guardian's too" : "a signature";
    boolean withdrawn =
        v.consents().stream()
            .anyMatch(c -> missing.contains(c.family()) && c.withdrawnOn().isPresent());
    String said = withdrawn ? "consent withdrawn" : "no signed consent";
    return List.of(
        missing.size() == Family.covering().size()
            ? cause(said, signing)
            : cause(said + " for " + Family.labels(missing), signing)
                .only(Scope.families(missing)));
  }

  private static List<Draft> isotretinoin(ScreeningFacts v) {
    if (v.is(ISOTRETINOIN, "never")) return List.of();
    boolean taking = v.is(ISOTRETINOIN, "taking");
    String said =
        taking ? "isotretinoin now" : "isotretinoin stopped " + day(v.dateOf(ISOTRETINOIN));
    if (!taking) {
      LocalDate clear = v.dateOf(ISOTRETINOIN).plusMonths(6);
      if (!clear.isAfter(v.peelDate())) return List.of(proceed(said + ", over six months"));
      Draft wait = cause(said, "six months").earliest(clear);
      return v.policies().chose(Choice.ISOTRETINOIN_BY_CONSENSUS)
          ? List.of(refer(said), wait.only(Scope.depthFrom(MEDIUM)))
          : List.of(wait);
    }
    return v.policies().chose(Choice.ISOTRETINOIN_BY_CONSENSUS)
        ? List.of(refer(said), cause(said, "stopped, and six months").only(Scope.depthFrom(MEDIUM)))
        : List.of(cause(said, "stopped, and six months"));
  }

  private static List<Draft> retinoid(ScreeningFacts v) {
    Optional<LocalDate> retinol = v.lastUse(RETINOID, "retinol", Active.RETINOL);
    List<Draft> found =
        both(
            within(
                v,
                v.lastUse(RETINOID, "prescribed", Active.PRESCRIBED_RETINOID),
                7,
                "prescribed retinoid"),
            within(v, retinol, 3, "retinol"));
    if (v.darkerType() && retinol.filter(on -> daysTo(v, on) < 7).isPresent()) {
      found.add(
          until(retinol.get().plusDays(7), "retinol " + day(retinol.get()) + ", type IV to VI")
              .only(Scope.depthFrom(SUPERFICIAL)));
    }
    return found;
  }

  private static List<Draft> topicals(ScreeningFacts v) {
    List<Draft> found = new ArrayList<>();
    v.lastUse(TOPICAL_CYTOSTATIC, "used", Active.CYTOSTATIC)
        .filter(on -> daysTo(v, on) < 56)
        .ifPresent(on -> found.add(refer("fluorouracil or imiquimod " + day(on))));
    if (v.is(TOPICAL_STEROID, "yes") || v.uses(Active.STEROID)) {
      found.add(adapt("steroid cream for long", new CapDepth(VERY_SUPERFICIAL)));
    }
    return found;
  }

  private static List<Draft> dermaplaning(ScreeningFacts v) {
    boolean paired =
        v.policies().chose(Choice.PEEL_AFTER_DERMAPLANING)
            && v.is(DERMAPLANING, "done")
            && v.daysSince(DERMAPLANING) < 2
            && !v.sensitive();
    return paired
        ? List.of(
            adapt(
                "dermaplaning " + day(v.dateOf(DERMAPLANING)) + ", paired",
                new Restriction.OneRungDown(),
                new Restriction.OneLayerOff(),
                new ShortenContact(0.75),
                new Restriction.CountDeeper()))
        : waits(v, DERMAPLANING, "done", 7, "dermaplaning");
  }

  private static List<Draft> energy(ScreeningFacts v) {
    if (!v.is(ENERGY, "ablative"))
      return waits(v, ENERGY, "done", 28, "laser, needling or the like");
    LocalDate on = v.dateOf(ENERGY);
    String said = "ablative laser " + day(on);
    return on.plusMonths(6).isAfter(v.peelDate())
        ? List.of(until(on.plusMonths(6), said))
        : List.of(proceed(said + ", over six months"));
  }

  private static List<Draft> surgery(ScreeningFacts v) {
    List<Draft> found = new ArrayList<>();
    if (v.is(FACE_SURGERY, "done") && monthsBefore(v, FACE_SURGERY, 6)) {
      found.add(refer("surgery of the face " + day(v.dateOf(FACE_SURGERY))));
    }
    if (v.is(EYE_SURGERY, "done") && monthsBefore(v, EYE_SURGERY, 3)) {
      found.add(
          adapt(
                  "surgery of an eye " + day(v.dateOf(EYE_SURGERY)),
                  new ExcludeZones(EnumSet.of(Zone.EYE_LEFT, Zone.EYE_RIGHT), false))
              .earliest(v.dateOf(EYE_SURGERY).plusMonths(3)));
    }
    return found;
  }

  private static boolean monthsBefore(ScreeningFacts v, Question question, int months) {
    return v.dateOf(question).plusMonths(months).isAfter(v.peelDate());
  }

  private static List<Draft> permanentMakeUp(ScreeningFacts v) {
    if (!v.is(PERMANENT_MAKE_UP, "done") || v.daysSince(PERMANENT_MAKE_UP) >= 28) return List.of();
    return List.of(
        adapt(
                "permanent make-up " + day(v.dateOf(PERMANENT_MAKE_UP)),
                new ExcludeZones(v.answer(PERMANENT_MAKE_UP).zones(), false))
            .earliest(v.dateOf(PERMANENT_MAKE_UP).plusDays(28)));
  }

  private static List<Draft> immune(ScreeningFacts v) {
    if (v.is(IMMUNE, "now")) return List.of(refer("immune suppression or chemotherapy now"));
    return v.is(IMMUNE, "chemo") && monthsBefore(v, IMMUNE, 6)
        ? List.of(refer("chemotherapy ended " + day(v.dateOf(IMMUNE))))
        : List.of();
  }

  private static List<Draft> organ(ScreeningFacts v) {
    if (v.is(ORGAN, "no")) return List.of();
    boolean kidney = v.is(ORGAN, "kidney");
    String said = kidney ? "kidney or liver disease" : "heart disease";
    EnumSet<Substance> out = EnumSet.of(Substance.RESORCINOL);
    if (kidney && v.region() != Region.FACE) out.add(Substance.SALICYLIC);
    return List.of(adapt(said, new Exclude(out)), refer(said).only(Scope.depthFrom(SUPERFICIAL)));
  }

  /// New to the practice, a new family, or sensitivity 2 and more.
  private static List<Draft> patch(ScreeningFacts v) {
    Set<Family> reacted = EnumSet.noneOf(Family.class);
    Map<LocalDate, Set<Family>> placed = new TreeMap<>();
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.covering()) {
      List<PatchTest> tests =
          v.patchTests().stream().filter(test -> test.family() == family).toList();
      if (tests.stream().anyMatch(PatchTest::reacted)) {
        reacted.add(family);
      } else if (needsPatch(v, family) && tests.stream().noneMatch(PatchTest::read)) {
        tests.stream()
            .map(PatchTest::placedOn)
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
            superficialOnly ? Scope.families(families).from(SUPERFICIAL) : Scope.families(families);
    List<Draft> found = new ArrayList<>();
    if (!reacted.isEmpty()) {
      found.add(adapt("reaction to the patch test", new ExcludeFamilies(reacted)).firm());
    }
    placed.forEach((day, families) ->
        found.add(
            cause(
                    "patch test placed, not yet read: " + Family.labels(families),
                    "a read after 24 hours")
                .earliest(day)
                .only(scope.apply(families))));
    if (!missing.isEmpty()) {
      String which =
          missing.size() == Family.covering().size() ? "" : " for " + Family.labels(missing);
      found.add(
          cause("no patch test" + which, "a patch test, read after 24 to 48 hours")
              .only(scope.apply(missing)));
    }
    return found;
  }

  private static boolean needsPatch(ScreeningFacts v, Family family) {
    return v.sensitive()
        || v.pastPeels().stream().noneMatch(peel -> peel.formula().family().coveredBy() == family);
  }

  private static List<Draft> reaction(ScreeningFacts v) {
    if (v.is(REACTION, "none")) return List.of();
    Set<Family> families = v.answer(REACTION).families();
    ExcludeFamilies out = new ExcludeFamilies(families);
    return v.is(REACTION, "scarred")
        ? List.of(refer("scars after an earlier peel", out))
        : List.of(adapt("earlier reaction to " + Family.labels(families), out));
  }

  private static List<Draft> thinZone(ScreeningFacts v) {
    List<Restriction> limits = new ArrayList<>();
    limits.add(new CapDepth(VERY_SUPERFICIAL));
    limits.add(new ShortenContact(0.75));
    limits.add(new ExcludeFamilies(EnumSet.of(Family.TCA, Family.JESSNER)));
    limits.add(new Care(Kind.NO_SOLVENT));
    if (v.pastPeels().stream().noneMatch(peel -> peel.region() == v.region())) {
      limits.add(new OnlyFamilies(EnumSet.of(Family.LACTIC)));
    }
    return List.of(
        adapt(v.region().label() + " planned", limits.toArray(Restriction[]::new))
            .only(Scope.zone(v.region().label())));
  }

  private static List<Draft> sun(ScreeningFacts v) {
    List<Draft> found = new ArrayList<>(waits(v, SUN, "sun", 14, "strong sun or sunbed"));
    if (v.is(SUN_PLANNED, "planned")) {
      LocalDate starts = v.dateOf(SUN_PLANNED);
      String said = "strong sun planned from " + day(starts);
      if (starts.isBefore(v.peelDate().plusDays(14))) {
        found.add(until(starts.plusDays(14), said));
      } else if (starts.isBefore(v.peelDate().plusDays(28))) {
        found.add(until(starts.plusDays(14), said).only(Scope.depthFrom(SUPERFICIAL)));
      } else {
        found.add(proceed(said + ", after the strict days"));
      }
    }
    return found;
  }

  private static List<Draft> coldSoresBefore(ScreeningFacts v) {
    if (v.is(COLD_SORES_EVER, "often")) {
      return List.of(refer("cold sores, three or more a year", new Care(Kind.TELL_TINGLING)));
    }
    if (!v.is(COLD_SORES_EVER, "some")) return List.of();
    return List.of(
        adapt("cold sores before", new Care(Kind.TELL_TINGLING)),
        refer("cold sores before")
            .only(
                Scope.of(
                    "Jessner or TCA at superficial, any medium",
                    (formula, depth) ->
                        depth == MEDIUM
                            || depth == SUPERFICIAL
                                && (formula.family() == Family.JESSNER
                                    || formula.family() == Family.TCA))));
  }

  private static List<Draft> phototype(ScreeningFacts v) {
    if (!v.pigmentProne()) return List.of();
    Phototype type = v.skin().phototype().get();
    List<Restriction> limits = new ArrayList<>();
    limits.add(new Restriction.CapLayers(2));
    limits.add(new Care(Kind.MINERAL_SUNSCREEN));
    if (type == Phototype.IV) limits.add(new Restriction.TcaAtMost(Strength.wv(15)));
    if (type.atLeast(Phototype.V)) {
      limits.add(new Exclude(EnumSet.of(Substance.TCA, Substance.RESORCINOL)));
    }
    String said =
        type.atLeast(Phototype.IV)
            ? "type " + type + (v.pihEver() ? " with marks after spots" : "")
            : v.skin().melasma() ? "melasma" : "marks after spots before";
    List<Draft> found = new ArrayList<>();
    found.add(adapt(said, limits.toArray(Restriction[]::new)));
    if (!v.primed()) {
      Draft wait =
          v.inhibitorSince()
              .map(since ->
                  until(
                      since.plusDays(14),
                      "inhibitor day "
                          + Math.max(0, daysTo(v, since))
                          + " of 14 on "
                          + day(v.peelDate())))
              .orElseGet(() -> cause("no inhibitor yet", "14 days of an inhibitor"));
      found.add(
          wait.only(
              Scope.of(
                  "superficial, above entry, pyruvic or TCA", (f, d) -> needsPriming(v, f, d))));
    }
    return found;
  }

  private static boolean needsPriming(ScreeningFacts v, Formula formula, DepthClass depth) {
    return depth.deeperThan(VERY_SUPERFICIAL)
        || formula.rung() > v.entryRung(formula.family())
        || formula.contains(Substance.PYRUVIC)
        || formula.contains(Substance.TCA);
  }

  private static List<Draft> interval(ScreeningFacts v) {
    if (v.lastPeel().isEmpty()) return List.of();
    PastPeel last = v.lastPeel().get();
    Map<LocalDate, List<String>> shutUntil = new TreeMap<>();
    for (Formula formula : v.shelf().formulas()) {
      if (!formula.peels()) continue;
      LocalDate free = last.on().plusDays(intervalDays(v, last, formula));
      if (free.isAfter(v.peelDate())) {
        shutUntil.computeIfAbsent(free, day -> new ArrayList<>()).add(formula.code());
      }
    }
    return shutUntil.entrySet().stream()
        .map(entry -> {
          Set<String> codes = Set.copyOf(entry.getValue());
          return until(entry.getKey(), "last peel " + day(last.on()))
              .only(Scope.of(listed(entry.getValue()), (f, d) -> codes.contains(f.code())));
        })
        .toList();
  }

  /// The larger of the interval of the peel done and of the one planned; half as much again at
  /// sensitivity 2 and more (Ivesk's own default); at least 14 for teenagers, doubled at 10 to 12.
  static int intervalDays(ScreeningFacts v, PastPeel last, Formula planned) {
    int days =
        Math.max(
            last.formula().intervalDays(last.layers()),
            planned.intervalDays(planned.layersFirst()));
    if (v.sensitive()) days = (int) Math.ceil(days * 1.5);
    if (v.minor()) days = Math.max(days, 14);
    return v.age() <= 12 ? days * 2 : days;
  }

  private static String years(ScreeningFacts v) {
    return v.age() + " years old";
  }

  private static String listed(List<String> codes) {
    return codes.size() > Library.FORMULAS.size() ? codes.size() + " formulas" : Words.list(codes);
  }

  private static Function<ScreeningFacts, List<Draft>> yes(Question question, Draft... drafts) {
    return v -> ifYes(v, question, drafts);
  }

  private static List<Draft> ifYes(ScreeningFacts v, Question question, Draft... drafts) {
    return when(v, question, "yes", drafts);
  }

  private static List<Draft> when(
      ScreeningFacts v, Question question, String choice, Draft... drafts) {
    return v.is(question, choice) ? List.of(drafts) : List.of();
  }

  private static List<Draft> both(List<Draft> some, List<Draft> others) {
    List<Draft> all = new ArrayList<>(some);
    all.addAll(others);
    return all;
  }

  private static List<Draft> only(Scope scope, List<Draft> drafts) {
    return drafts.stream().map(draft -> draft.only(scope)).toList();
  }

  private static long daysTo(ScreeningFacts v, LocalDate on) {
    return ChronoUnit.DAYS.between(on, v.peelDate());
  }

  /// WAIT until so many days after an answer's date; PROCEED once they are over.
  private static List<Draft> waits(
      ScreeningFacts v, Question question, String choice, int days, String what) {
    return within(
        v, v.is(question, choice) ? Optional.of(v.dateOf(question)) : Optional.empty(), days, what);
  }

  private static List<Draft> within(
      ScreeningFacts v, Optional<LocalDate> date, int days, String what) {
    if (date.isEmpty()) return List.of();
    LocalDate on = date.get();
    String said = what + " " + day(on);
    return daysTo(v, on) < days
        ? List.of(until(on.plusDays(days), said))
        : List.of(
            proceed(
                said
                    + ": "
                    + Words.count(daysTo(v, on), "day")
                    + " by then, "
                    + Words.count(days, "day")
                    + " asked"));
  }
}
