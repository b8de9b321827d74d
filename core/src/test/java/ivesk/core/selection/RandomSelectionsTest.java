package ivesk.core.selection;

import static ivesk.core.screening.Clients.T;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Seeds;
import ivesk.core.formula.Family;
import ivesk.core.screening.Clients;
import ivesk.core.screening.RandomClients;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.series.LadderRules;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/// The rack for random clients.
class RandomSelectionsTest {

  /// Answers that add a restriction and change nothing else.
  private static final Map<Question, Answer> RESTRICTING =
      Map.of(
          Question.SALICYLATE_ALLERGY, Answer.of("yes"),
          Question.RESORCINOL_RISK, Answer.of("yes"),
          Question.FRUIT_ALLERGY, Answer.of("yes"),
          Question.ASTHMA, Answer.of("yes"),
          Question.BREASTFEEDING, Answer.of("yes"),
          Question.KELOID, Answer.of("yes"),
          Question.SKIN_TEARS, Answer.of("yes"),
          Question.PICKING, Answer.of("yes"),
          Question.DIABETES, Answer.of("controlled"),
          Question.REACTION, Answer.to("reacted", Family.MANDELIC));

  private static Selection rack(Clients client) {
    ScreeningFacts facts = client.facts();
    return Selection.choose(
        SelectionFacts.of(
            facts, client.screened(), LadderRules.of(facts.pastPeels(), T, facts.region())));
  }

  private static Set<String> open(Selection rack) {
    return rack.tiles().stream()
        .filter(Tile::open)
        .map(tile -> tile.formula().code())
        .collect(Collectors.toSet());
  }

  @Test
  void aShutFormulaNeverRanksAndEachFamilyOnce() {
    Seeds.tried(
        2000,
        seed -> {
          Selection rack = rack(RandomClients.client(new Random(seed)));
          assertThat(open(rack)).containsAll(rack.ranked());
          assertThat(rack.ranked().stream().map(code -> rack.tile(code).formula().family()))
              .doesNotHaveDuplicates();
          rack.tiles().stream()
              .filter(tile -> !tile.open())
              .forEach(tile -> assertThat(tile.shut()).allMatch(shut -> !shut.words().isBlank()));
          if (rack.ranked().isEmpty()) assertThat(rack.advice()).isPresent();
        });
  }

  @Test
  void addingARestrictionNeverOpensAFormula() {
    Seeds.tried(
        2000,
        seed -> {
          Random random = new Random(seed);
          Clients client = RandomClients.client(random);
          Question question = RandomClients.pick(random, List.copyOf(RESTRICTING.keySet()));
          Set<String> before = open(rack(client.answering(question, question.harmless())));
          Set<String> after = open(rack(client.answering(question, RESTRICTING.get(question))));
          assertThat(before).as(question.name()).containsAll(after);
        });
  }

  /// What stands under "not stronger": the stronger rung is shut as said, or open and scores lower.
  @Test
  void whatIsSaidOfTheStrongerRungIsTrue() {
    Seeds.tried(
        2000,
        seed -> {
          Selection rack = rack(RandomClients.client(new Random(seed)));
          for (String code : rack.ranked()) {
            Tile tile = rack.tile(code);
            Optional<Tile> stronger =
                rack.tiles().stream()
                    .filter(other -> other.formula().family() == tile.formula().family())
                    .filter(other -> other.formula().rung() > tile.formula().rung())
                    .min((a, b) -> Integer.compare(a.formula().rung(), b.formula().rung()));
            String said = tile.reasons().notStronger();
            if (stronger.isEmpty()) {
              assertThat(said).contains("top of its family");
            } else if (stronger.get().open()) {
              assertThat(said).contains(stronger.get().formula().code() + " is open");
              if (said.contains("lowest strength that does the work")) {
                assertThat(stronger.get().score().total())
                    .isLessThanOrEqualTo(tile.score().total());
              }
            } else {
              assertThat(said)
                  .contains(stronger.get().formula().code() + " is shut")
                  .contains(stronger.get().shut().getFirst().words());
            }
          }
        });
  }
}
