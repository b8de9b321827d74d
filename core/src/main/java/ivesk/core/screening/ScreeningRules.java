package ivesk.core.screening;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Source.OWN_DEFAULT;
import static ivesk.core.Words.day;
import static ivesk.core.formula.DepthClass.MEDIUM;
import static ivesk.core.formula.DepthClass.SUPERFICIAL;
import static ivesk.core.formula.DepthClass.VERY_SUPERFICIAL;
import static ivesk.core.screening.Question.ASTHMA;
import static ivesk.core.screening.Question.BREASTFEEDING;
import static ivesk.core.screening.Question.COLD_SORES_EVER;
import static ivesk.core.screening.Question.COLD_SORE_NOW;
import static ivesk.core.screening.Question.FRUIT_ALLERGY;
import static ivesk.core.screening.Question.HAIR;
import static ivesk.core.screening.Question.HOME_ACID;
import static ivesk.core.screening.Question.INHIBITOR;
import static ivesk.core.screening.Question.ISOTRETINOIN;
import static ivesk.core.screening.Question.OPEN_SPOTS;
import static ivesk.core.screening.Question.PIH_EVER;
import static ivesk.core.screening.Question.PREGNANT;
import static ivesk.core.screening.Question.RESORCINOL_RISK;
import static ivesk.core.screening.Question.RETINOID;
import static ivesk.core.screening.Question.ROSACEA_FLARE;
import static ivesk.core.screening.Question.SALICYLATE_ALLERGY;
import static ivesk.core.screening.Question.SUN;
import static ivesk.core.screening.Question.SUN_PLANNED;
import static ivesk.core.screening.Question.UNWELL;
import static ivesk.core.screening.Rule.Draft.adapt;
import static ivesk.core.screening.Rule.Draft.ask;
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
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.screening.Restriction.Care.Kind;
import ivesk.core.screening.Rule.Draft;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

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

  public static final List<Rule> ALL =
      List.of(
          rule("SCR-CONSENT", COMMON_PRACTICE, "A peel needs a signed consent for its family.")
              .finds(ScreeningRules::consent),
          rule("SCR-AGE-CHILD", OWN_DEFAULT, "A child's skin is not peeled.")
              .finds(v -> v.age() < 10 ? List.of(stop(v.age() + " years old")) : List.<Draft>of()),
          rule("SCR-AGE-TWEEN", COMMON_PRACTICE, "At 10 to 12 a physician decides first.")
              .concerns(v -> v.age() >= 10 && v.age() <= 12)
              .finds(v ->
                  List.of(
                      refer(
                          v.age() + " years old",
                          new Restriction.CapDepth(VERY_SUPERFICIAL),
                          new Restriction.OnlyFamilies(EnumSet.of(Family.ENZYME, Family.MANDELIC)),
                          new Restriction.KeepToRung(true),
                          new Restriction.DoubleInterval(),
                          new Care(Kind.GUARDIAN_PRESENT)))),
          rule("SCR-AGE-TEEN", OWN_DEFAULT, "Young skin heals fast and is easily overdone.")
              .concerns(v -> v.age() >= 13 && v.age() <= 17)
              .finds(v ->
                  List.of(
                      adapt(
                          v.age() + " years old",
                          new Care(Kind.GUARDIAN),
                          new Restriction.CapDepth(VERY_SUPERFICIAL),
                          new Restriction.KeepToRung(false),
                          new Restriction.ExcludeFamilies(
                              EnumSet.of(Family.TCA, Family.JESSNER, Family.PYRUVIC)),
                          new Restriction.Exclude(EnumSet.of(Substance.RESORCINOL)),
                          new Restriction.IntervalAtLeast(14)))),
          rule("SCR-AGE-THIN", OWN_DEFAULT, "Thin skin takes up more and heals slower.")
              .concerns(v -> v.age() >= 70)
              .finds(v ->
                  List.of(
                      adapt(
                          v.age() + " years old",
                          new Restriction.CapDepth(VERY_SUPERFICIAL),
                          new Restriction.ShortenContact(0.75),
                          new Care(Kind.NO_SOLVENT)))),
          rule("SCR-PREG", COMMON_PRACTICE, "No acid is proven safe in pregnancy.")
              .asks(PREGNANT)
              .finds(v -> {
                if (!v.is(PREGNANT, "yes")) return List.of();
                return v.policies().chose(Choice.MILD_PEEL_IN_PREGNANCY)
                    ? List.of(
                        refer(
                            "pregnant or possibly",
                            new Restriction.OnlyFormulas(Set.of("LAC-10", "LAC-30", "MAN-20"))))
                    : List.of(stop("pregnant or possibly"));
              }),
          rule("SCR-LACT", COMMON_PRACTICE, "Some acids pass into the blood.")
              .asks(BREASTFEEDING)
              .finds(v ->
                  v.is(BREASTFEEDING, "yes")
                      ? List.of(
                          adapt(
                              "breastfeeding",
                              new Restriction.Exclude(
                                  EnumSet.of(
                                      Substance.SALICYLIC, Substance.RESORCINOL, Substance.TCA))))
                      : List.of()),
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
          rule("SCR-EXFOLIANT", COMMON_PRACTICE, "Home acids and scrubs leave the skin open.")
              .asks(HOME_ACID)
              .finds(v -> within(v, HOME_ACID, "used", 3, "home acid, scrub or peroxide")),
          rule("SCR-HAIR", COMMON_PRACTICE, "Hair removal opens follicles for about a week.")
              .asks(HAIR)
              .finds(v -> within(v, HAIR, "done", 7, "hair removed")),
          rule("SCR-SUNBURN", COMMON_PRACTICE, "Burnt skin is wounded skin.")
              .asks(SUN)
              .finds(v ->
                  v.is(SUN, "burnt")
                      ? List.of(
                          cause("sunburn now, burnt " + day(v.dateOf(SUN)), "healed skin")
                              .earliest(v.dateOf(SUN).plusDays(14)))
                      : List.of()),
          rule("SCR-SUN", COMMON_PRACTICE, "Sun before or after a peel brings dark marks.")
              .asks(SUN, SUN_PLANNED)
              .finds(ScreeningRules::sun),
          rule("SCR-HSV-NOW", COMMON_PRACTICE, "A peel spreads an active cold sore.")
              .asks(COLD_SORE_NOW)
              .finds(v -> {
                if (v.is(COLD_SORE_NOW, "now")) {
                  return List.of(cause("cold sore now", "healed, and 7 days more"));
                }
                return within(v, COLD_SORE_NOW, "healed", 7, "cold sore healed").stream()
                    .map(Draft::notOverridable)
                    .toList();
              }),
          rule("SCR-HSV-PAST", COMMON_PRACTICE, "A peel can wake the virus.")
              .asks(COLD_SORES_EVER)
              .finds(ScreeningRules::coldSoresBefore),
          rule("SCR-WOUND", COMMON_PRACTICE, "Acid in a cut burns deep.")
              .asks(OPEN_SPOTS)
              .finds(v ->
                  v.is(OPEN_SPOTS, "few")
                      ? List.of(adapt("open spots, a few", new Care(Kind.COVER_OPEN_SPOTS)))
                      : v.is(OPEN_SPOTS, "many")
                          ? List.of(cause("open spots, many", "closed skin"))
                          : List.of()),
          rule("SCR-ROSACEA", COMMON_PRACTICE, "Rosacea flares with heat and strong acids.")
              .concerns(v -> v.skin().rosacea())
              .asks(ROSACEA_FLARE)
              .finds(v ->
                  v.is(ROSACEA_FLARE, "yes")
                      ? List.of(cause("rosacea in a flare", "calm skin"))
                      : List.of(
                          adapt(
                              "rosacea",
                              new Restriction.OnlyFamilies(
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
                  List.of(
                      adapt(
                          "melasma",
                          new Care(Kind.NO_HEAT),
                          new Restriction.ExcludeFormulas(Set.of("ENZ-A"), "no ENZ-A")))),
          rule("SCR-BARRIER", COMMON_PRACTICE, "Skin that stings with water is not ready.")
              .concerns(v -> v.skin().sensitiveAtLeast(Sensitivity.COMPROMISED))
              .finds(v ->
                  v.policies().chose(Choice.MILD_LACTIC_AT_BARRIER)
                      ? List.of(
                          adapt(
                              "compromised barrier",
                              new Restriction.OnlyFormulas(Set.of("LAC-10")),
                              new Restriction.ShortenContact(0.5),
                              new Care(Kind.NO_SOLVENT),
                              new Care(Kind.COMPRESS_LIFT)))
                      : List.of(
                          cause(
                              "compromised barrier",
                              "14 days of bland care, then looked at again"))),
          rule("SCR-SENSITIVE", COMMON_PRACTICE, "Sensitive skin answers sooner and stronger.")
              .finds(v ->
                  v.skin().sensitivity().isEmpty()
                      ? List.of(ask("sensitivity: not asked"))
                      : v.skin().sensitivity().get() == Sensitivity.SENSITIVE
                          ? List.of(
                              adapt(
                                  "sensitive skin",
                                  new Restriction.KeepToRung(true),
                                  new Restriction.ShortenContact(0.75)))
                          : List.of()),
          rule("SCR-SALICYLATE", COMMON_PRACTICE, "Salicylate passes through skin.")
              .asks(SALICYLATE_ALLERGY)
              .finds(v ->
                  excludes(v, SALICYLATE_ALLERGY, "allergy to salicylates", Substance.SALICYLIC)),
          rule("SCR-RESORCINOL", COMMON_PRACTICE, "Resorcinol acts on thyroid, heart and blood.")
              .asks(RESORCINOL_RISK)
              .finds(v ->
                  excludes(
                      v,
                      RESORCINOL_RISK,
                      "resorcinol allergy, thyroid, heart rhythm or G6PD",
                      Substance.RESORCINOL)),
          rule("SCR-FRUIT", COMMON_PRACTICE, "Fruit enzymes carry the fruit's allergens.")
              .asks(FRUIT_ALLERGY)
              .finds(v ->
                  excludes(
                      v,
                      FRUIT_ALLERGY,
                      "allergy to papaya, pineapple or pumpkin",
                      Substance.PAPAYA,
                      Substance.PINEAPPLE,
                      Substance.PUMPKIN)),
          rule("SCR-PHOTOTYPE", GRIMES, "Skin that tans well answers a peel with dark marks.")
              .asks(PIH_EVER)
              .finds(ScreeningRules::phototype),
          rule("SCR-ASTHMA", COMMON_PRACTICE, "Fumes can bring on an attack.")
              .asks(ASTHMA)
              .finds(v ->
                  v.is(ASTHMA, "yes")
                      ? List.of(
                          adapt(
                              "asthma, or strong reaction to fumes",
                              new Restriction.Exclude(EnumSet.of(Substance.PYRUVIC)),
                              new Care(Kind.VENTILATE)))
                      : List.of()),
          rule("SCR-UNWELL", COMMON_PRACTICE, "A body with fever heals badly.")
              .asks(UNWELL)
              .finds(v ->
                  v.is(UNWELL, "yes")
                      ? List.of(cause("unwell today", "being well again"))
                      : List.of()),
          rule("SCR-FLAKING", COMMON_PRACTICE, "New skin must be closed before the next acid.")
              .concerns(v -> !v.pastPeels().isEmpty())
              .asks(Question.FLAKING)
              .finds(v ->
                  v.is(Question.FLAKING, "yes")
                      ? List.of(cause("still flaking from the last peel", "clear skin"))
                      : List.of()),
          rule("SCR-INTERVAL", COMMON_PRACTICE, "Skin renews between peels.")
              .finds(ScreeningRules::interval));

  private static List<Draft> consent(ScreeningFacts v) {
    Set<Family> missing = EnumSet.noneOf(Family.class);
    for (Family family : Family.values()) {
      if (v.consents().stream().noneMatch(c -> c.covers(family, v.peelDate(), v.minor()))) {
        missing.add(family);
      }
    }
    String signing = v.minor() ? "a signature, the guardian's too" : "a signature";
    if (missing.size() == Family.values().length) {
      return List.of(cause("no signed consent", signing));
    }
    return missing.stream()
        .map(family ->
            cause("no signed consent for " + family.label(), signing).only(Scope.family(family)))
        .toList();
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
    if (v.is(RETINOID, "prescribed")) {
      return within(v, RETINOID, "prescribed", 7, "prescribed retinoid");
    }
    List<Draft> found = new ArrayList<>(within(v, RETINOID, "retinol", 3, "retinol"));
    if (v.is(RETINOID, "retinol") && v.darkerType() && v.daysSince(RETINOID) < 7) {
      found.add(
          until(
                  v.dateOf(RETINOID).plusDays(7),
                  "retinol " + day(v.dateOf(RETINOID)) + ", type IV to VI")
              .only(Scope.depthFrom(SUPERFICIAL)));
    }
    return found;
  }

  private static List<Draft> sun(ScreeningFacts v) {
    List<Draft> found = new ArrayList<>(within(v, SUN, "sun", 14, "strong sun or sunbed"));
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
    if (v.skin().phototype().isEmpty()) return List.of(ask("phototype: not complete"));
    if (!v.pigmentProne()) return List.of();
    if (!v.answered(INHIBITOR)) return List.of(ask(INHIBITOR.text() + ": not asked"));
    Phototype type = v.skin().phototype().get();
    List<Restriction> limits = new ArrayList<>();
    limits.add(new Restriction.CapLayers(2));
    limits.add(new Care(Kind.MINERAL_SUNSCREEN));
    if (type == Phototype.IV) limits.add(new Restriction.TcaAtMost(15));
    if (type.atLeast(Phototype.V)) {
      limits.add(new Restriction.Exclude(EnumSet.of(Substance.TCA, Substance.RESORCINOL)));
    }
    String said =
        type.atLeast(Phototype.IV)
            ? "type " + type + (v.pihEver() ? " with marks after spots" : "")
            : v.skin().melasma() ? "melasma" : "marks after spots before";
    List<Draft> found = new ArrayList<>();
    found.add(adapt(said, limits.toArray(Restriction[]::new)));
    if (!v.primed()) {
      boolean started = v.is(INHIBITOR, "since");
      String days =
          started
              ? "inhibitor day "
                  + Math.max(0, v.daysSince(INHIBITOR))
                  + " of 14 on "
                  + day(v.peelDate())
              : "no inhibitor yet";
      Draft wait =
          started
              ? until(v.dateOf(INHIBITOR).plusDays(14), days)
              : cause(days, "14 days of an inhibitor");
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
    for (Formula formula : Library.FORMULAS) {
      if (formula.use() == Formula.Use.OUT_OF_SCOPE) continue;
      LocalDate free = last.on().plusDays(intervalDays(v, last, formula));
      if (free.isAfter(v.peelDate())) {
        shutUntil.computeIfAbsent(free, day -> new ArrayList<>()).add(formula.code());
      }
    }
    return shutUntil.entrySet().stream()
        .map(entry -> {
          Set<String> codes = Set.copyOf(entry.getValue());
          return until(entry.getKey(), "last peel " + day(last.on()))
              .only(Scope.of(Words.list(entry.getValue()), (f, d) -> codes.contains(f.code())));
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

  private static List<Draft> within(
      ScreeningFacts v, Question question, String choice, int days, String what) {
    if (!v.is(question, choice)) return List.of();
    LocalDate on = v.dateOf(question);
    String said = what + " " + day(on);
    return v.daysSince(question) < days
        ? List.of(until(on.plusDays(days), said))
        : List.of(
            proceed(
                said
                    + ": "
                    + Words.count(v.daysSince(question), "day")
                    + " by then, "
                    + days
                    + " are asked"));
  }

  private static List<Draft> excludes(
      ScreeningFacts v, Question question, String said, Substance first, Substance... more) {
    return v.is(question, "yes")
        ? List.of(adapt(said, new Restriction.Exclude(EnumSet.of(first, more))))
        : List.of();
  }
}
