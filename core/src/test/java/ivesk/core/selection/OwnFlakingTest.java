package ivesk.core.selection;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/// The client's own days of flaking, from three peels told of. domain/13, own curve.
class OwnFlakingTest {

  private static PastPeel peel(String code, int daysAgo, int first, int last) {
    return new PastPeel(
            Library.get(code),
            Region.FACE,
            T.minusDays(daysAgo),
            1,
            Duration.ofMinutes(2),
            PeelOutcome.WELL_TAKEN,
            Optional.of(2))
        .flaking(Optional.of(new Flaking(first, last)));
  }

  private static final Formula GLY = Library.get("GLY-35");

  @Test
  void twoPeelsAreTheFormulas() {
    List<PastPeel> two = List.of(peel("GLY-35", 60, 2, 4), peel("GLY-35", 30, 3, 6));
    assertThat(OwnFlaking.of(GLY, Region.FACE, two)).isEmpty();
  }

  @Test
  void threeAreTheSoonestFirstAndTheLatestLastDay() {
    List<PastPeel> three =
        List.of(peel("GLY-35", 90, 2, 4), peel("GLY-35", 60, 0, 0), peel("GLY-50", 30, 3, 6));
    assertThat(OwnFlaking.of(GLY, Region.FACE, three)).contains(new Flaking(2, 6));
    assertThat(OwnFlaking.of(GLY, Region.HANDS, three)).as("another region").isEmpty();
    assertThat(OwnFlaking.of(Library.get("GLY-50"), Region.FACE, three))
        .as("of milder rungs")
        .isEmpty();
    assertThat(OwnFlaking.of(Library.get("MAN-40"), Region.FACE, three))
        .as("of another family")
        .isEmpty();
  }

  @Test
  void noFlakesThreeTimesAreNoFlakes() {
    List<PastPeel> three =
        List.of(peel("GLY-35", 90, 0, 0), peel("GLY-35", 60, 0, 0), peel("GLY-35", 30, 0, 0));
    assertThat(OwnFlaking.of(GLY, Region.FACE, three)).contains(new Flaking(0, 0));
  }

  /// An event in five days: GLY-20 flakes not at all by the library, and waits two days; hers have
  /// flaked to day 5, and wait seven.
  @Test
  void theDowntimeBeforeAnEventGoesByThem() {
    List<PastPeel> peels = new ArrayList<>();
    for (int i = 3; i >= 1; i--) peels.add(peel("GLY-20", 20 * i, 2, 5));
    assertThat(shut(peels)).contains("5 days before the event; 7 are needed");
    assertThat(shut(peels.stream().map(one -> one.flaking(Optional.empty())).toList()))
        .noneMatch(words -> words.contains("before the event"));
  }

  private static List<String> shut(List<PastPeel> past) {
    var client = easy().after(past.toArray(PastPeel[]::new));
    SelectionFacts facts =
        new SelectionFacts(
            client.facts(),
            client.screened(),
            LadderRules.of(past, T, Region.FACE),
            Optional.empty(),
            Optional.of(T.plusDays(5)),
            new Areas(600 / 350.0, 35, Map.of()),
            Optional.empty(),
            Optional.empty());
    return Selection.choose(facts).tile("GLY-20").shut().stream().map(one -> one.words()).toList();
  }
}
