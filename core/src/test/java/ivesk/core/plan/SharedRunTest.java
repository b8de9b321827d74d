package ivesk.core.plan;

import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Catalogue;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/// Zones of two regions in one run: only where the formula is made for both, and each region asks
/// for itself. domain/13.
class SharedRunTest {
  private static final String EYES = "LIP-EYE";
  private static final Shelf SHELF = Shelf.with(List.of(madeForBoth()), List.of());

  /// The eye gel as a practice's own product, which its label allows on the upper lip too.
  private static Formula madeForBoth() {
    Formula eye = Library.get("EYE-L");
    return new Formula(
        EYES,
        "Own gel for eye contour and lip",
        eye.family(),
        1,
        true,
        eye.components(),
        eye.ph(),
        eye.vehicle(),
        eye.use(),
        eye.firstContact(),
        eye.mostContact(),
        1,
        2,
        eye.dwell(),
        eye.libraryDepth(),
        eye.band(),
        eye.ending(),
        14,
        6,
        6,
        0,
        2,
        Formula.Label.madeFor(Set.of(Region.EYE_CONTOUR, Region.FACE)));
  }

  private static Setting setting(Region region, PastPeel... past) {
    return Setting.of(
        Scripts.facts(easy().shelf(SHELF).after(past).at(region)), Catalogue.SHIPPED, "", Set.of());
  }

  private static List<Step> steps(String code, Zone... zones) {
    List<Step> steps = new ArrayList<>(Scripts.steps(List.of("LOOK_1", "CLEANSER", "LOOK_2")));
    steps.add(
        Step.of("acid", StepKind.ACID, new What.Peel(code))
            .with(ivesk.core.product.Timing.seconds(120))
            .with(StepGate.A)
            .on(List.of(zones)));
    return steps;
  }

  private static List<Objection> objections(Setting eyes, Setting face, String code, Zone... on) {
    return Objections.of(
        List.of(
            new Run(
                eyes.script(Region.EYE_CONTOUR, steps(code, on)), eyes, Map.of(Region.FACE, face))),
        Optional.empty());
  }

  private static List<String> said(List<Objection> objections) {
    return objections.stream()
        .filter(objection -> objection.step().equals("acid"))
        .filter(objection -> objection.severity() == Objection.Severity.SHUT)
        .map(objection -> objection.rule() + " " + objection.words())
        .filter(words -> words.startsWith("PRO-WHERE") || words.startsWith("PRO-RACK"))
        .toList();
  }

  @Test
  void whatIsMadeForBothGoesOnBoth() {
    assertThat(
            said(
                objections(
                    setting(Region.EYE_CONTOUR),
                    setting(Region.FACE),
                    EYES,
                    Zone.EYE_RIGHT,
                    Zone.UPPER_LIP)))
        .isEmpty();
  }

  @Test
  void whatIsMadeForOneDoesNot() {
    assertThat(
            said(
                objections(
                    setting(Region.EYE_CONTOUR),
                    setting(Region.FACE),
                    "EYE-L",
                    Zone.EYE_RIGHT,
                    Zone.UPPER_LIP)))
        .contains("PRO-WHERE EYE-L is not made for the face");
  }

  /// The interval counts by region: what is too early on the face is too early in this run.
  @Test
  void eachRegionAsksForItself() {
    PastPeel lately =
        new PastPeel(
            Library.get("GLY-35"),
            Region.FACE,
            T.minusDays(3),
            1,
            Duration.ofMinutes(2),
            PeelOutcome.WELL_TAKEN,
            Optional.of(2));
    assertThat(
            said(
                objections(
                    setting(Region.EYE_CONTOUR, lately),
                    setting(Region.FACE, lately),
                    EYES,
                    Zone.EYE_RIGHT,
                    Zone.UPPER_LIP)))
        .singleElement()
        .asString()
        .startsWith("PRO-RACK LIP-EYE is shut today on the face: ");
  }

  @Test
  void itsOwnRegionComesFirstAndOthersThanTheFaceNever() {
    TreatmentPlan plan =
        Planning.plan(
            madeForBoth(),
            Optional.empty(),
            Scripts.facts(easy().shelf(SHELF).at(Region.EYE_CONTOUR)),
            Wishes.on(List.of(Zone.UPPER_LIP, Zone.EYE_LEFT)));
    assertThat(plan.zones()).containsExactly(Zone.EYE_LEFT, Zone.UPPER_LIP);
    assertThat(plan.regions()).containsExactly(Region.EYE_CONTOUR, Region.FACE);
    assertThat(plan.where()).isEqualTo("the eye contour and the face");
    assertThatThrownBy(() ->
            Planning.plan(
                madeForBoth(),
                Optional.empty(),
                Scripts.facts(easy().shelf(SHELF).at(Region.EYE_CONTOUR)),
                Wishes.on(List.of(Zone.EYE_LEFT, Zone.HAND_LEFT))))
        .hasMessageContaining("another region");
  }
}
