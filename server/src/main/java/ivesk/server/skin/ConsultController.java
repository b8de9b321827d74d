package ivesk.server.skin;

import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Lamp;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.PhototypeReading;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinColour.ItaClass;
import ivesk.core.skin.StingTest;
import ivesk.core.skin.Zone;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.skin.SkinController.ColourView;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ConsultController {
  private final ConsultService consults;
  private final VisitStore visits;
  private final ClientStore clients;
  private final Clock clock;
  private final SameScores sameScores;

  ConsultController(
      ConsultService consults,
      VisitStore visits,
      ClientStore clients,
      SameScores sameScores,
      Clock clock) {
    this.consults = consults;
    this.visits = visits;
    this.clients = clients;
    this.sameScores = sameScores;
    this.clock = clock;
  }

  /// @param cm2 as it counts, entered or computed
  /// @param computedCm2 from body surface and age
  record AreaView(Region region, double cm2, double computedCm2) {}

  /// @param score empty until both reads are there
  /// @param tooSoon the peel lies within seven days of the test
  record StingView(Optional<Double> score, boolean positive, boolean tooSoon) {}

  /// @param total of the questionnaire so far, 0 to 40
  /// @param typeByTotal what the answers mean once all ten are there, or the total from paper
  /// @param phototype the darkest reading, which rules
  /// @param dispute two readings too far apart, in words
  /// @param sensitivity as it rules, with the sting test
  /// @param carriedFrom the day of the visit whose consult this still is
  /// @param measured height and weight are known
  /// @param sameScores no score on record moved over the last three peels
  record ConsultView(
      Consult consult,
      int version,
      Optional<LocalDate> carriedFrom,
      int total,
      boolean complete,
      Optional<Phototype> typeByTotal,
      Optional<Phototype> phototype,
      Optional<String> dispute,
      Optional<ColourView> arm,
      Optional<ColourView> face,
      Optional<Sensitivity> sensitivity,
      Optional<StingView> sting,
      boolean look1,
      boolean look2,
      List<Zone> lookedAt1,
      List<Zone> lookedAt2,
      List<AreaView> areas,
      double palmCm2,
      boolean measured,
      boolean sameScores) {}

  record ConsultChange(Consult consult, int version) {}

  record ConditionWords(
      Condition id,
      String label,
      Optional<Condition.Group> group,
      String groupLabel,
      String kind) {}

  record ZoneWords(Zone id, String label, Region region, boolean onFace) {}

  record RegionWords(Region id, String label) {}

  record LookWords(LookFinding id, int look, String label) {}

  record LampWords(Lamp.Colour id, String label, String reading) {}

  record PigmentWords(Lamp.Pigment id, String seen, String label, String meaning) {}

  record GlogauWords(Glogau id, String label) {}

  record ActiveWords(HomeProduct.Active id, String label) {}

  record ItaWords(ItaClass id, String label) {}

  /// The words of the consult, which never change between releases.
  ///
  /// @param stingReads seconds after the touch
  record ConsultWords(
      List<PhototypeQuestionnaire.Item> phototypeItems,
      List<ConditionWords> conditions,
      List<ZoneWords> zones,
      List<RegionWords> regions,
      List<LookWords> findings,
      List<LampWords> lampColours,
      List<PigmentWords> pigments,
      List<GlogauWords> glogau,
      List<ActiveWords> actives,
      List<ItaWords> itaClasses,
      List<Long> stingReads) {}

  @May(Right.KNOW)
  @GetMapping("/words/consult")
  ConsultWords words() {
    return new ConsultWords(
        PhototypeQuestionnaire.ITEMS,
        Arrays.stream(Condition.values())
            .map(c ->
                new ConditionWords(
                    c,
                    c.label(),
                    c.group(),
                    c.group().map(Condition.Group::label).orElse(""),
                    c.kind()))
            .toList(),
        Arrays.stream(Zone.values())
            .map(z -> new ZoneWords(z, z.label(), z.region(), z.onFace()))
            .toList(),
        Arrays.stream(Region.values()).map(r -> new RegionWords(r, r.label())).toList(),
        Arrays.stream(LookFinding.values())
            .map(f -> new LookWords(f, f.look(), f.label()))
            .toList(),
        Arrays.stream(Lamp.Colour.values())
            .map(c -> new LampWords(c, c.label(), c.reading()))
            .toList(),
        Arrays.stream(Lamp.Pigment.values())
            .map(p -> new PigmentWords(p, p.seen(), p.label(), p.meaning()))
            .toList(),
        Arrays.stream(Glogau.values()).map(g -> new GlogauWords(g, g.label())).toList(),
        Arrays.stream(HomeProduct.Active.values()).map(a -> new ActiveWords(a, a.label())).toList(),
        Arrays.stream(ItaClass.values()).map(c -> new ItaWords(c, c.label())).toList(),
        List.of(StingTest.FIRST_READ, StingTest.SECOND_READ).stream()
            .map(Duration::toSeconds)
            .toList());
  }

  @May(Right.RECORD)
  @GetMapping("/visits/{id}/consult")
  ConsultView consult(@PathVariable UUID id) {
    Visit visit = visits.get(id);
    return view(consults.of(id), clients.get(visit.clientId()), day(visit));
  }

  @May(Right.TREAT)
  @PutMapping("/visits/{id}/consult")
  ConsultView save(@PathVariable UUID id, @RequestBody ConsultChange change, Principal who) {
    consults.save(id, change.consult(), change.version(), who.getName());
    return consult(id);
  }

  private LocalDate day(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
  }

  private ConsultView view(ConsultService.Current current, Client client, LocalDate day) {
    Consult consult = current.consult();
    PhototypeReading reading = consult.reading();
    double surface = BodySurface.of(client.heightCm(), client.weightKg());
    Areas areas = new Areas(surface, client.ageOn(day), consult.areas());
    return new ConsultView(
        consult,
        current.version(),
        current.carriedFrom(),
        PhototypeQuestionnaire.total(consult.phototypeScores()),
        PhototypeQuestionnaire.complete(consult.phototypeScores()),
        reading.asked(),
        reading.rules(),
        reading.dispute(),
        consult.armColour().map(colour -> ColourView.of(colour.colour())),
        consult.faceColour().map(colour -> ColourView.of(colour.colour())),
        consult.profile().sensitivity(),
        consult
            .sting()
            .map(test ->
                new StingView(
                    test.score(),
                    test.positive(),
                    LocalDate.ofInstant(test.startedAt(), clock.getZone())
                        .plusDays(StingTest.DAYS_BEFORE_PEEL)
                        .isAfter(day))),
        consult.looked(1),
        consult.looked(2),
        List.copyOf(consult.look(1).keySet()),
        List.copyOf(consult.look(2).keySet()),
        Arrays.stream(Region.values())
            .map(region ->
                new AreaView(region, areas.of(region).cm2(), areas.computed(region).cm2()))
            .toList(),
        BodySurface.palm(surface).cm2(),
        client.heightCm().isPresent() && client.weightKg().isPresent(),
        sameScores.overThreePeels(client.id()));
  }
}
