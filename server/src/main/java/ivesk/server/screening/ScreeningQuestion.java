package ivesk.server.screening;

import ivesk.core.formula.Family;
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
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Region;
import ivesk.core.skin.SkinProfile;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// All that screening reads of a client, and the day of the peel, as a caller gives it. What is
/// left out is not asked.
public record ScreeningQuestion(
    LocalDate dateOfBirth,
    LocalDate peelDate,
    SkinProfile skin,
    Map<Question, AnswerChange> answers,
    Optional<List<PeelFact>> pastPeels,
    Optional<List<Consent>> consents,
    Optional<List<PatchTest>> patchTests,
    Optional<List<HomeProduct>> products,
    Optional<Region> region,
    Optional<String> allergies) {

  /// @param choice empty takes the answer back
  record AnswerChange(
      Optional<String> choice,
      Optional<LocalDate> on,
      Optional<LocalDate> until,
      Optional<Set<Zone>> zones,
      Optional<Set<Family>> families) {
    Answer answer(String chosen) {
      return new Answer(chosen, on, until, zones.orElse(Set.of()), families.orElse(Set.of()));
    }
  }

  /// A peel that was done, by its formula's code.
  ///
  /// @param outside when it was done elsewhere
  record PeelFact(
      String formula,
      Optional<Region> region,
      LocalDate on,
      int layers,
      int contactSeconds,
      PeelOutcome outcome,
      Optional<Integer> worstSensation,
      Optional<PastPeel.Outside> outside) {
    PastPeel peel(Shelf shelf) {
      return new PastPeel(
          shelf.get(formula),
          region.orElse(Region.FACE),
          on,
          layers,
          Duration.ofSeconds(contactSeconds),
          outcome,
          worstSensation,
          Optional.empty(),
          outside,
          Optional.empty(),
          Optional.empty(),
          false);
    }
  }

  /// @throws IllegalArgumentException when an answer or a formula is none that there is
  public ScreeningFacts facts(Policies policies, Shelf shelf) {
    Map<Question, Answer> given =
        answers.entrySet().stream()
            .filter(entry -> entry.getValue().choice().isPresent())
            .collect(
                Collectors.toMap(
                    Map.Entry::getKey,
                    entry -> entry.getValue().answer(entry.getValue().choice().get())));
    given.forEach((question, answer) -> question.check(answer, peelDate));
    return new ScreeningFacts(
        dateOfBirth,
        skin,
        given,
        pastPeels.orElse(List.of()).stream().map(peel -> peel.peel(shelf)).toList(),
        consents.orElse(List.of()),
        patchTests.orElse(List.of()),
        products.orElse(List.of()),
        region.orElse(Region.FACE),
        peelDate,
        policies,
        shelf,
        Allergies.of(allergies.orElse("")));
  }
}
