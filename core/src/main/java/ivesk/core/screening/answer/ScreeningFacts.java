package ivesk.core.screening.answer;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Shelf;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinProfile;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.Period;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// All that screening reads: who, which skin, the answers, the past, and the day of the peel.
///
/// @param products used at home; what they contain answers the questions about it
/// @param region where the peel is planned
/// @param shelf the practice's formulas and bottles
/// @param allergies as the chart has them
public record ScreeningFacts(
    LocalDate dateOfBirth,
    SkinProfile skin,
    Map<Question, Answer> answers,
    List<PastPeel> pastPeels,
    List<Consent> consents,
    List<PatchTest> patchTests,
    List<HomeProduct> products,
    Region region,
    LocalDate peelDate,
    Policies policies,
    Shelf shelf,
    Allergies allergies) {

  /// Which products at home answer a question.
  private static final Map<Question, Set<Active>> HOME_USE =
      Map.of(
          Question.RETINOID, Set.of(Active.PRESCRIBED_RETINOID),
          Question.RETINOL, Set.of(Active.RETINOL),
          Question.HOME_ACID, Set.of(Active.ACID, Active.SCRUB, Active.BENZOYL_PEROXIDE),
          Question.TOPICAL_CYTOSTATIC, Set.of(Active.CYTOSTATIC),
          Question.TOPICAL_STEROID, Set.of(Active.STEROID),
          Question.INHIBITOR, Set.of(Active.INHIBITOR));

  public ScreeningFacts {
    answers = Map.copyOf(answers);
    pastPeels = List.copyOf(pastPeels);
    consents = List.copyOf(consents);
    patchTests = List.copyOf(patchTests);
    products = List.copyOf(products);
    if (dateOfBirth.isAfter(peelDate)) {
      throw new IllegalArgumentException(
          "date of birth is " + dateOfBirth + "; it must not lie after the peel, " + peelDate);
    }
  }

  /// The same client on another day.
  public ScreeningFacts on(LocalDate day) {
    return new ScreeningFacts(
        dateOfBirth,
        skin,
        answers,
        pastPeels,
        consents,
        patchTests,
        products,
        region,
        day,
        policies,
        shelf,
        allergies);
  }

  /// The same client, with other peels on record.
  public ScreeningFacts having(List<PastPeel> peels) {
    return new ScreeningFacts(
        dateOfBirth,
        skin,
        answers,
        peels,
        consents,
        patchTests,
        products,
        region,
        peelDate,
        policies,
        shelf,
        allergies);
  }

  /// The same client, for a peel elsewhere on the body.
  public ScreeningFacts in(Region other) {
    return new ScreeningFacts(
        dateOfBirth,
        skin,
        answers,
        pastPeels,
        consents,
        patchTests,
        products,
        other,
        peelDate,
        policies,
        shelf,
        allergies);
  }

  /// Full years on the day of the peel.
  public int age() {
    return Period.between(dateOfBirth, peelDate).getYears();
  }

  public boolean minor() {
    return age() < 18;
  }

  public boolean answered(Question question) {
    Answer answer = answers.get(question);
    boolean given =
        answer != null && question.option(answer.choice()).filter(answer::whole).isPresent();
    Set<Active> actives = HOME_USE.getOrDefault(question, Set.of());
    boolean datesMissing = products.stream().anyMatch(p -> of(p, actives) && undated(question, p));
    // A peel that was entered from elsewhere answers whether there was one.
    if (question == Question.PEELS_ELSEWHERE && pastPeels.stream().anyMatch(p -> !p.here())) {
      return true;
    }
    return given && (!datesMissing || !answer.choice().equals(question.harmless().choice()))
        || !datesMissing && products.stream().anyMatch(product -> of(product, actives));
  }

  private static boolean of(HomeProduct product, Set<Active> actives) {
    return actives.stream().anyMatch(product::has);
  }

  private static boolean undated(Question question, HomeProduct product) {
    return question == Question.INHIBITOR
        ? product.since().isEmpty()
        : question != Question.TOPICAL_STEROID && product.lastUse().isEmpty();
  }

  /// The products at home that answer a question, by name; empty when none does.
  public List<String> answeredBy(Question question) {
    Set<Active> actives = HOME_USE.getOrDefault(question, Set.of());
    return products.stream()
        .filter(product -> of(product, actives) && !undated(question, product))
        .map(HomeProduct::name)
        .toList();
  }

  /// When the products at home that answer a question were last used, or started.
  public List<LocalDate> atHome(Question question) {
    Set<Active> actives = HOME_USE.getOrDefault(question, Set.of());
    return products.stream()
        .filter(product -> of(product, actives))
        .flatMap(product -> Stream.of(product.since(), product.lastUse()).flatMap(Optional::stream))
        .toList();
  }

  /// @throws IllegalArgumentException for a choice that the question does not have
  public boolean is(Question question, String choice) {
    question.requireOption(choice);
    Answer answer = answers.get(question);
    return answer != null
        && answer.choice().equals(choice)
        && question.option(choice).filter(answer::whole).isPresent();
  }

  public Answer answer(Question question) {
    return answers.get(question);
  }

  public boolean uses(Active active) {
    return products.stream().anyMatch(product -> product.has(active));
  }

  /// The latest use of something, by an answer or by the products at home.
  public Optional<LocalDate> lastUse(Question question, String choice, Active... actives) {
    Stream<LocalDate> told =
        is(question, choice) ? Stream.of(dateOf(question)) : Stream.<LocalDate>empty();
    Stream<LocalDate> atHome =
        products.stream()
            .filter(product -> of(product, Set.of(actives)))
            .flatMap(product -> product.lastUse().stream());
    return Stream.concat(told, atHome).max(Comparator.naturalOrder());
  }

  public LocalDate dateOf(Question question) {
    return answers.get(question).on().orElseThrow();
  }

  /// Whole days from an answer's date to the peel; negative when it lies after it.
  public long daysSince(Question question) {
    return ChronoUnit.DAYS.between(dateOf(question), peelDate);
  }

  /// Phototype IV to VI.
  public boolean darkerType() {
    return skin.phototype().map(type -> type.atLeast(Phototype.IV)).orElse(false);
  }

  /// A skin that answers inflammation with pigment: IV to VI, PIH ever, or melasma.
  public boolean pigmentProne() {
    return darkerType() || pihEver() || skin.melasma();
  }

  /// Zones with open spots, as seen or told.
  public List<Zone> openSpots() {
    return Optional.ofNullable(answers.get(Question.OPEN_SPOTS)).stream()
        .flatMap(answer -> answer.zones().stream())
        .sorted()
        .toList();
  }

  public boolean pihEver() {
    return is(Question.PIH_EVER, "yes") || skin.has(ivesk.core.skin.Condition.PIH);
  }

  /// The inhibitor has run for 14 days by the day of the peel.
  public boolean primed() {
    return inhibitorSince().filter(start -> !start.plusDays(14).isAfter(peelDate)).isPresent();
  }

  /// When the inhibitor was started; of answer and home products the later, careful one.
  public Optional<LocalDate> inhibitorSince() {
    // Said to use none now: a product that stands in the list is no longer used.
    if (is(Question.INHIBITOR, "none")) return Optional.empty();
    return Stream.concat(
            is(Question.INHIBITOR, "since")
                ? Stream.of(dateOf(Question.INHIBITOR))
                : Stream.empty(),
            products.stream()
                .filter(product -> product.has(Active.INHIBITOR))
                .flatMap(product -> product.since().stream()))
        .max(Comparator.naturalOrder());
  }

  /// First peel by this practice.
  public boolean newHere() {
    return peelsHere().isEmpty();
  }

  public boolean sensitive() {
    return skin.sensitiveAtLeast(Sensitivity.SENSITIVE);
  }

  /// Where this client enters a family: sensitivity 2, rosacea and minors at the first rung.
  public int entryRung(Family family) {
    if (sensitive() || skin.rosacea() || minor()) return 1;
    boolean unknown = policies.chose(Choice.FIRST_RUNG_WITHOUT_RECORD) && pastPeels.isEmpty();
    if (unknown) return 1;
    return Library.entryRung(family);
  }

  /// A zone of the region where the peel is planned.
  public boolean inArea(Zone zone) {
    return zone.region() == region;
  }

  /// Layers that a formula would come to for this client: as many as last time, else its first
  /// number, Jessner's one in IV to VI; at most two where skin answers with pigment.
  public int layersToCome(Formula formula) {
    int first = formula.family() == Family.JESSNER && darkerType() ? 1 : formula.layersFirst();
    int wanted =
        peelsHere().stream()
            .filter(peel -> peel.region() == region)
            .filter(peel -> peel.formula().code().equals(formula.code()))
            .max(Comparator.comparing(PastPeel::on))
            .map(PastPeel::layers)
            .orElse(first);
    return pigmentProne() ? Math.min(wanted, 2) : wanted;
  }

  /// Half as much again at sensitivity 2 and more (Ivesk's own default); doubled at 10 to 12, at
  /// least 14 for other minors.
  ///
  /// @param days of the formulas
  public int intervalOfThisClient(int days) {
    int byPolicy = policies.intervalDays(days);
    int longer = sensitive() ? (int) Math.ceil(byPolicy * 1.5) : byPolicy;
    if (age() <= 12) return longer * 2;
    return minor() ? Math.max(longer, 14) : longer;
  }

  /// Without those that were done elsewhere.
  public List<PastPeel> peelsHere() {
    return pastPeels.stream().filter(PastPeel::here).toList();
  }

  /// Visits of this practice with a peel; two stages of one day are one.
  public int visitsHere() {
    return (int) peelsHere().stream().map(PastPeel::on).distinct().count();
  }

  public Optional<PastPeel> lastPeel() {
    return peelsHere().stream()
        .filter(peel -> !peel.on().isAfter(peelDate))
        .max(Comparator.comparing(PastPeel::on));
  }
}
