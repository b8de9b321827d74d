package ivesk.server.skin;

import ivesk.core.Require;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.Region;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.SkinColour.ItaClass;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.visit.VisitStore;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Answers of the skin's arithmetic without saving anything, and the colorimeter.
@May(Right.KNOW)
@RestController
@StatelessQuestion
@RequestMapping("/api/skin")
class SkinController {
  private final Colorimeter colorimeter;
  private final VisitStore visits;

  SkinController(Colorimeter colorimeter, VisitStore visits) {
    this.colorimeter = colorimeter;
    this.visits = visits;
  }

  /// @param scores by item, each 0 to 4
  /// @param total in place of the scores, 0 to 40
  record PhototypeFacts(Optional<Map<String, Integer>> scores, Optional<Integer> total) {}

  /// @param type empty until all ten are answered
  record PhototypeAnswer(int total, Optional<Phototype> type) {}

  @PostMapping("/phototype")
  PhototypeAnswer phototype(@RequestBody PhototypeFacts facts) {
    Map<String, Integer> scores = facts.scores().orElse(Map.of());
    int total = facts.total().orElseGet(() -> PhototypeQuestionnaire.total(scores));
    Require.range("total", total, 0, 40);
    boolean whole = facts.total().isPresent() || PhototypeQuestionnaire.complete(scores);
    return new PhototypeAnswer(
        total, whole ? Optional.of(PhototypeQuestionnaire.type(total)) : Optional.empty());
  }

  /// @param ita degrees
  /// @param type the phototype that the class stands beside
  record ColourView(
      double l, double a, double b, double ita, ItaClass itaClass, String label, Phototype type) {
    static ColourView of(SkinColour colour) {
      ItaClass itaClass = colour.itaClass();
      return new ColourView(
          colour.l(),
          colour.a(),
          colour.b(),
          colour.ita(),
          itaClass,
          itaClass.label(),
          itaClass.phototype());
    }
  }

  @PostMapping("/ita")
  ColourView ita(@RequestBody SkinColour colour) {
    return ColourView.of(colour);
  }

  record BodyFacts(
      Optional<Double> heightCm,
      Optional<Double> weightKg,
      int ageYears,
      Optional<Map<Region, Double>> entered) {}

  record RegionArea(Region region, double cm2) {}

  /// @param bodySurfaceM2 1.75 where height or weight is unknown
  record AreaAnswer(double bodySurfaceM2, boolean known, List<RegionArea> regions) {}

  @PostMapping("/area")
  AreaAnswer area(@RequestBody BodyFacts body) {
    Require.range("age, years", body.ageYears(), 0, 120);
    double surface = BodySurface.of(body.heightCm(), body.weightKg());
    Areas areas = new Areas(surface, body.ageYears(), body.entered().orElse(Map.of()));
    return new AreaAnswer(
        surface,
        body.heightCm().isPresent() && body.weightKg().isPresent(),
        Arrays.stream(Region.values())
            .map(region -> new RegionArea(region, areas.of(region).cm2()))
            .toList());
  }

  /// Reads the colorimeter; nothing is saved.
  @PostMapping("/colorimeter/{visitId}/{site}")
  ColourView read(@PathVariable UUID visitId, @PathVariable Colorimeter.Site site) {
    return ColourView.of(colorimeter.read(visits.get(visitId).clientId(), site));
  }
}
