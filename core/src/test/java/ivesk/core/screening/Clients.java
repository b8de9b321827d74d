package ivesk.core.screening;

import ivesk.core.formula.Family;
import ivesk.core.formula.Library;
import ivesk.core.formula.Shelf;
import ivesk.core.practice.Policies;
import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinProfile;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Made-up clients for the tests: one with nothing in the way, changed in what a test is about.
public final class Clients {
  /// T, the peel's date in every test.
  public static final LocalDate T = LocalDate.of(2026, 11, 28);

  private LocalDate born = T.minusYears(35);
  private Phototype type = Phototype.II;
  private Oil oil = Oil.BALANCED;
  private Optional<Sensitivity> sensitivity = Optional.of(Sensitivity.NORMAL);
  private Map<Condition, Integer> conditions = Map.of(Condition.DULLNESS, 2);
  private List<Condition> goals = List.of();
  private final Map<Question, Answer> answers = new EnumMap<>(Question.class);
  private List<PastPeel> past = List.of();
  private List<Consent> consents =
      Arrays.stream(Family.values())
          .map(f -> new Consent(f, T.minusDays(1), "Client", Optional.of("Guardian")))
          .toList();
  private List<PatchTest> patchTests =
      Arrays.stream(Family.values()).map(f -> patched(f, PatchTest.Result.NOTHING)).toList();
  private List<HomeProduct> products = List.of();
  private Region region = Region.FACE;
  private Optional<String> dispute = Optional.empty();
  private String allergies = "";
  private LocalDate day = T;
  private Shelf shelf = Shelf.SHIPPED;
  private Policies policies =
      Policies.defaults()
          .opening(java.util.Set.of(Policies.Restricted.TCA, Policies.Restricted.RESORCINOL));

  private Clients() {
    for (Question question : Question.values()) {
      answers.put(question, question.harmless());
    }
  }

  /// 35, type II, nothing in the way, everything asked, all consents signed.
  public static Clients easy() {
    return new Clients();
  }

  public Clients aged(int years) {
    born = T.minusYears(years);
    return this;
  }

  public Clients born(LocalDate date) {
    born = date;
    return this;
  }

  public Clients type(Phototype value) {
    type = value;
    return this;
  }

  public Clients oil(Oil value) {
    oil = value;
    return this;
  }

  public Clients sensitivity(Sensitivity value) {
    sensitivity = Optional.ofNullable(value);
    return this;
  }

  public Clients shows(Map<Condition, Integer> grades, Condition... inOrder) {
    conditions = grades;
    goals = List.of(inOrder);
    return this;
  }

  public Clients answering(Question question, String choice) {
    answers.put(question, Answer.of(choice));
    return this;
  }

  public Clients answering(Question question, String choice, LocalDate on) {
    answers.put(question, Answer.on(choice, on));
    return this;
  }

  public Clients notAsked(Question question) {
    answers.remove(question);
    return this;
  }

  /// In the chart, as it was told.
  public Clients allergicTo(String told) {
    allergies = told;
    return this;
  }

  public Clients shelf(Shelf value) {
    shelf = value;
    return this;
  }

  public Clients primed(int days) {
    return answering(Question.INHIBITOR, "since", T.minusDays(days));
  }

  public Clients after(PastPeel... peels) {
    past = List.of(peels);
    return this;
  }

  public Clients consenting(Consent... signed) {
    consents = List.of(signed);
    return this;
  }

  public Clients patched(PatchTest... tests) {
    patchTests = List.of(tests);
    return this;
  }

  /// One layer for two minutes, so many days before T.
  static PastPeel peel(String code, int daysAgo, PeelOutcome outcome, Region region) {
    return new PastPeel(
        Library.get(code),
        region,
        T.minusDays(daysAgo),
        1,
        Duration.ofMinutes(2),
        outcome,
        Optional.of(4));
  }

  /// Placed ten days before T and read after a day.
  public static PatchTest patched(Family family, PatchTest.Result result) {
    LocalDate placed = T.minusDays(10);
    return new PatchTest(
        family,
        placed.atTime(10, 0).toInstant(ZoneOffset.UTC),
        placed,
        Map.of(PatchTest.Read.AT_24_H, result));
  }

  public Clients using(HomeProduct... atHome) {
    products = List.of(atHome);
    return this;
  }

  public Clients at(Region where) {
    region = where;
    return this;
  }

  public Clients disputed(String words) {
    dispute = Optional.of(words);
    return this;
  }

  public Clients answering(Question question, Answer answer) {
    answers.put(question, answer);
    return this;
  }

  public Clients on(LocalDate date) {
    day = date;
    return this;
  }

  public Clients under(Policies practice) {
    policies = practice;
    return this;
  }

  public ScreeningFacts facts() {
    return new ScreeningFacts(
        born,
        new SkinProfile(
            Optional.ofNullable(type), dispute, Optional.of(oil), sensitivity, conditions, goals),
        answers,
        past,
        consents,
        patchTests,
        products,
        region,
        day,
        policies,
        shelf,
        Allergies.of(allergies));
  }

  public Screening screened(Settlement... settlements) {
    return Screening.screen(facts(), List.of(settlements));
  }
}
