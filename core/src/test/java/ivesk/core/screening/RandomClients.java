package ivesk.core.screening;

import static ivesk.core.screening.Clients.T;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PatchTest;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.question.Question.Needs;
import ivesk.core.screening.question.Question.Option;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/// Random clients for the property tests, from a seed.
public final class RandomClients {
  private RandomClients() {}

  /// The answers of a question from the harmless to the grave; of dates the far one first.
  static List<Answer> fromHarmlessToGrave(Question question) {
    List<Answer> graded = new ArrayList<>();
    for (Option option : question.options()) {
      if (option.dateLabel().isEmpty()) {
        graded.add(whole(option, Optional.empty()));
      } else if (question == Question.SUN_PLANNED) {
        for (int days : new int[] {60, 20, 5}) graded.add(whole(option, date(days)));
      } else if (question == Question.INHIBITOR) {
        for (int days : new int[] {90, 10, 1}) graded.add(whole(option, date(-days)));
      } else {
        for (int days : new int[] {400, 170, 50, 13, 6, 1}) {
          graded.add(whole(option, date(-days)));
        }
      }
    }
    return graded;
  }

  private static Optional<LocalDate> date(int fromPeel) {
    return Optional.of(T.plusDays(fromPeel));
  }

  private static Answer whole(Option option, Optional<LocalDate> on) {
    return new Answer(
        option.id(),
        on,
        option.untilLabel().isPresent() ? on.map(from -> from.plusDays(7)) : Optional.empty(),
        option.needs() == Needs.ZONES ? Set.of(Zone.CHIN) : Set.of(),
        option.needs() == Needs.FAMILIES ? Set.of(Family.GLYCOLIC) : Set.of());
  }

  public static Clients client(Random random) {
    Clients client =
        Clients.easy()
            .aged(8 + random.nextInt(80))
            .type(random.nextInt(20) == 0 ? null : pick(random, Phototype.values()))
            .sensitivity(
                random.nextInt(20) == 0
                    ? null
                    : Sensitivity.values()[Math.min(3, random.nextInt(9) / 2)])
            .at(pick(random, Region.values()))
            .shows(conditions(random))
            .under(policies(random));
    // A few grave answers each, or nearly every client would be stopped and prove nothing.
    for (int i = random.nextInt(4); i > 0; i--) {
      Question question = pick(random, Question.values());
      if (random.nextInt(4) == 0) client.notAsked(question);
      else client.answering(question, pick(random, fromHarmlessToGrave(question)));
    }
    if (random.nextBoolean()) client.after(peel(random), peel(random));
    if (random.nextInt(4) == 0) client.using(product(random));
    if (random.nextInt(4) == 0) {
      client.patched(
          Clients.patched(pick(random, Family.values()), pick(random, PatchTest.Result.values())));
    }
    if (random.nextInt(6) == 0) {
      client.consenting(
          new Consent(
              pick(random, Family.values()),
              T.minusDays(random.nextInt(500)),
              "Client",
              Optional.empty()));
    }
    return client;
  }

  private static Map<Condition, Integer> conditions(Random random) {
    Map<Condition, Integer> grades = new EnumMap<>(Condition.class);
    for (int i = random.nextInt(4); i > 0; i--) {
      grades.put(pick(random, Condition.values()), random.nextInt(4));
    }
    return grades;
  }

  private static Policies policies(Random random) {
    Policies policies = Policies.defaults();
    for (Choice choice : Choice.values()) {
      if (random.nextInt(3) == 0) policies = policies.with(choice);
    }
    return policies;
  }

  private static PastPeel peel(Random random) {
    return new PastPeel(
        pick(random, Library.FORMULAS.stream().filter(Formula::peels).toList()),
        pick(random, Region.values()),
        T.minusDays(1 + random.nextInt(120)),
        1 + random.nextInt(3),
        Duration.ofMinutes(3),
        pick(random, PeelOutcome.values()),
        Optional.of(random.nextInt(11)));
  }

  private static HomeProduct product(Random random) {
    return new HomeProduct(
        "Product",
        Set.of(pick(random, HomeProduct.Active.values())),
        random.nextBoolean() ? Optional.of(T.minusDays(40)) : Optional.empty(),
        random.nextBoolean() ? Optional.of(T.minusDays(random.nextInt(20))) : Optional.empty());
  }

  public static <E> E pick(Random random, E[] values) {
    return pick(random, Arrays.asList(values));
  }

  public static <E> E pick(Random random, List<E> values) {
    return values.get(random.nextInt(values.size()));
  }
}
