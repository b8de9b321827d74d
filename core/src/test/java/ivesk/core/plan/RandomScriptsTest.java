package ivesk.core.plan;

import static ivesk.core.screening.Clients.T;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Seeds;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.practice.Policies;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.GenericProducts;
import ivesk.core.product.Timing;
import ivesk.core.screening.Clients;
import ivesk.core.screening.RandomClients;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.selection.Tile;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/// Random protocols, and what is composed for random clients.
class RandomScriptsTest {
  private static final Setting BY_ITSELF = Scripts.practice(Policies.defaults(), Catalogue.SHIPPED);

  private static List<Step> random(Random random) {
    List<Step> steps = new ArrayList<>();
    int lines = random.nextInt(1, 26);
    for (int i = 0; i < lines; i++) steps.add(step("s" + i, random));
    return steps;
  }

  private static Step step(String id, Random random) {
    Step step =
        switch (random.nextInt(4)) {
          case 0 -> {
            List<Formula> peels =
                Library.FORMULAS.stream().filter(f -> f.use() != Formula.Use.OUT_OF_SCOPE).toList();
            Formula formula = peels.get(random.nextInt(peels.size()));
            Step acid = Step.of(id, StepKind.ACID, new What.Peel(formula.code()));
            yield random.nextInt(3) == 0
                ? acid
                : acid.with(Timing.seconds(random.nextLong(30, 600)));
          }
          case 1 -> {
            Act act = Act.values()[random.nextInt(Act.values().length)];
            yield Step.of(id, act);
          }
          default -> {
            CareProduct product =
                GenericProducts.ALL.get(random.nextInt(GenericProducts.ALL.size()));
            yield Step.of(id, StepKind.of(product.role()), new What.Use(product.code()));
          }
        };
    if (random.nextInt(4) == 0) {
      List<Zone> zones = new ArrayList<>(Zone.FACE_IN_ORDER);
      Collections.shuffle(zones, random);
      step = step.on(zones.subList(0, random.nextInt(1, 4)));
    }
    if (random.nextInt(4) == 0) step = step.with(StepGate.values()[random.nextInt(3)]);
    return step;
  }

  private static Set<List<String>> said(List<Step> steps) {
    return Objections.of(
            List.of(new Run(BY_ITSELF.script(Region.FACE, steps), BY_ITSELF)),
            Optional.of(Duration.ofHours(9)))
        .stream()
        .map(o -> List.of(o.rule(), o.step(), o.words()))
        .collect(Collectors.toSet());
  }

  /// What is said to the client, and in which order two looks stand, changes no objection.
  @Test
  void objectionsAreStableUnderWhatDoesNotMatter() {
    Seeds.tried(
        2000,
        seed -> {
          List<Step> steps = random(new Random(seed));
          Set<List<String>> before = said(steps);
          List<Step> talked = steps.stream().map(step -> step.saying("cold now")).toList();
          assertThat(said(talked)).isEqualTo(before);
          List<Step> turned =
              steps.stream()
                  .map(step -> {
                    List<Zone> zones = new ArrayList<>(step.zones());
                    Collections.reverse(zones);
                    return step.on(zones);
                  })
                  .toList();
          assertThat(said(turned).stream().map(o -> o.subList(0, 2)).collect(Collectors.toSet()))
              .isEqualTo(before.stream().map(o -> o.subList(0, 2)).collect(Collectors.toSet()));
          List<Step> swapped = new ArrayList<>(steps);
          for (int i = 1; i < swapped.size(); i++) {
            if (calm(swapped.get(i)) && calm(swapped.get(i - 1)))
              Collections.swap(swapped, i, i - 1);
          }
          // Which of the two goes on top is named, where it matters that one does.
          assertThat(said(swapped).stream().map(o -> o.subList(0, 2)).collect(Collectors.toSet()))
              .isEqualTo(before.stream().map(o -> o.subList(0, 2)).collect(Collectors.toSet()));
        });
  }

  /// A cream or an eye care without anything written to it: their order is a matter of taste.
  private static boolean calm(Step step) {
    return step.gate().isEmpty()
        && (step.what().equals(new What.Use("CREAM")) || step.what().equals(new What.Use("SERUM")));
  }

  /// Swaps never throw and never lose a line that they do not name.
  @Test
  void everySwapLeavesAScript() {
    Seeds.tried(
        500,
        seed -> {
          List<Step> steps = random(new Random(seed));
          for (Objection objection :
              Objections.of(
                  List.of(new Run(BY_ITSELF.script(Region.FACE, steps), BY_ITSELF)),
                  Optional.empty())) {
            if (objection.swap().isEmpty()) continue;
            List<Step> after = Objection.Edit.apply(objection.swap().get().edits(), steps);
            assertThat(after.stream().map(Step::id)).doesNotHaveDuplicates();
            Set<String> named =
                objection.swap().get().edits().stream()
                    .map(Objection.Edit::step)
                    .collect(Collectors.toSet());
            assertThat(after)
                .containsAll(steps.stream().filter(step -> !named.contains(step.id())).toList());
          }
        });
  }

  /// What Ivesk composes for a client from an open formula has nothing against it that shuts, and
  /// the only thing to mind is what the practice chose itself.
  @Test
  void whatIsComposedMayBeKept() {
    Seeds.tried(
        300,
        seed -> {
          Clients client = RandomClients.client(new Random(seed));
          ScreeningFacts facts = client.facts();
          SelectionFacts all =
              SelectionFacts.of(
                  facts, client.screened(), LadderRules.of(facts.pastPeels(), T, facts.region()));
          Setting setting = Setting.of(all, Catalogue.SHIPPED, "", Set.of());
          for (Tile tile : Selection.choose(all).tiles()) {
            if (!tile.open() || !tile.formula().peels()) continue;
            TreatmentPlan plan = Planning.plan(tile.formula(), Optional.empty(), all, Wishes.NONE);
            List<Objection> said =
                Objections.of(
                    List.of(
                        new Run(
                            setting.script(
                                facts.region(), Composer.steps(plan, List.of(), setting)),
                            setting)),
                    Optional.empty());
            assertThat(said)
                .as(tile.formula().code() + " of " + seed)
                .filteredOn(o -> o.severity() != Severity.NOTE)
                .isEmpty();
          }
        });
  }
}
