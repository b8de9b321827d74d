package ivesk.core.screening;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.screening.Question.Answer;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinProfile;
import java.time.LocalDate;
import java.time.Period;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// All that screening reads: who, which skin, the answers, the past, and the day of the peel.
public record ScreeningFacts(
    LocalDate dateOfBirth,
    SkinProfile skin,
    Map<Question, Answer> answers,
    List<PastPeel> pastPeels,
    List<Consent> consents,
    LocalDate peelDate,
    Policies policies) {

  public ScreeningFacts {
    answers = Map.copyOf(answers);
    pastPeels = List.copyOf(pastPeels);
    consents = List.copyOf(consents);
    if (dateOfBirth.isAfter(peelDate)) {
      throw new IllegalArgumentException(
          "date of birth is " + dateOfBirth + "; it must not lie after the peel, " + peelDate);
    }
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
    if (answer == null) return false;
    return question.options().stream()
        .filter(option -> option.id().equals(answer.choice()))
        .anyMatch(option -> option.dateLabel().isEmpty() || answer.on().isPresent());
  }

  public boolean is(Question question, String choice) {
    return answered(question) && answers.get(question).choice().equals(choice);
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

  public boolean pihEver() {
    return is(Question.PIH_EVER, "yes") || skin.has(ivesk.core.skin.Condition.PIH);
  }

  /// The inhibitor has run for 14 days by the day of the peel.
  public boolean primed() {
    return is(Question.INHIBITOR, "since") && daysSince(Question.INHIBITOR) >= 14;
  }

  public boolean sensitive() {
    return skin.sensitiveAtLeast(Sensitivity.SENSITIVE);
  }

  /// Where this client enters a family: sensitivity 2, rosacea and minors at the first rung.
  public int entryRung(Family family) {
    if (sensitive() || skin.rosacea() || minor()) return 1;
    return ivesk.core.formula.Library.of(family).stream()
        .filter(Formula::entry)
        .mapToInt(Formula::rung)
        .min()
        .orElse(1);
  }

  public Optional<PastPeel> lastPeel() {
    return pastPeels.stream()
        .filter(peel -> !peel.on().isAfter(peelDate))
        .max(java.util.Comparator.comparing(PastPeel::on));
  }
}
