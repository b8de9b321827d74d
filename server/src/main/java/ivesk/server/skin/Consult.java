package ivesk.server.skin;

import ivesk.core.Require;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Seen;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Hydration;
import ivesk.core.skin.Lamp;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.PhototypeReading;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.SkinProfile;
import ivesk.core.skin.StingTest;
import ivesk.core.skin.Zone;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The answers of one consult. Looks hold grades 0 to 3 by zone.
///
/// @param phototypeTotal of a questionnaire on paper, 0 to 40; the ten answers come before it
/// @param phototypeSet the therapist's own type, with a reason; the darkest reading rules
/// @param armColour inner upper arm, which gives the class
/// @param faceColour for follow-up
/// @param flakingDaysThatFit 0, 3, 7 or 10
/// @param region where the peel is planned
/// @param areas cm2 by region, entered by hand
/// @param plateau the scores were the same over the last three peels: no more is gained with the
///   running series; asked anew at each visit; empty until it is said, and then the scores on
///   record say it
/// @param notes at most 2,000 letters
public record Consult(
    Map<String, Integer> phototypeScores,
    Optional<Integer> phototypeTotal,
    Optional<Phototype> phototypeSet,
    Optional<String> phototypeReason,
    Optional<ColourReading> armColour,
    Optional<ColourReading> faceColour,
    Optional<Oil> oil,
    Optional<Hydration> hydration,
    Optional<Sensitivity> sensitivity,
    Optional<StingTest> sting,
    Map<Condition, Integer> conditions,
    Optional<Glogau> glogau,
    List<Condition> goals,
    Map<Zone, Map<LookFinding, Integer>> looks,
    Map<Zone, Lamp> lamp,
    Optional<Integer> flakingDaysThatFit,
    List<Event> events,
    List<HomeProduct> products,
    Region region,
    Map<Region, Double> areas,
    Optional<Boolean> plateau,
    String notes) {

  /// @param by "colorimeter" or "entered"
  public record ColourReading(SkinColour colour, Instant at, String by) {}

  /// A day that wants clear skin.
  public record Event(String name, LocalDate on) {
    public Event {
      Require.text("event", name, 60);
    }
  }

  public static final Consult EMPTY =
      new Consult(
          Map.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Map.of(),
          Optional.empty(),
          List.of(),
          Map.of(),
          Map.of(),
          Optional.empty(),
          List.of(),
          List.of(),
          Region.FACE,
          Map.of(),
          Optional.empty(),
          "");

  public Consult {
    PhototypeQuestionnaire.total(phototypeScores);
    phototypeTotal.ifPresent(PhototypeQuestionnaire::type);
    flakingDaysThatFit.ifPresent(days -> Require.range("days of flaking", days, 0, 30));
    looks.forEach((zone, findings) ->
        findings.forEach(
            (finding, grade) -> Require.range(zone.label() + ", " + finding.label(), grade, 0, 3)));
    if (phototypeSet.isPresent() && phototypeReason.filter(r -> !r.isBlank()).isEmpty()) {
      throw new IllegalArgumentException("a phototype set by hand needs a reason");
    }
    phototypeReason.ifPresent(reason -> Require.atMost("reason", reason, 400));
    Require.range("number of events", events.size(), 0, 12);
    Require.range("number of products", products.size(), 0, 40);
    Require.atMost("notes", notes, 2000);
    new Areas(BodySurface.UNKNOWN_M2, 30, areas);
    new SkinProfile(Optional.empty(), Optional.empty(), oil, sensitivity, conditions, goals);
  }

  /// The three readings of the phototype.
  public PhototypeReading reading() {
    Optional<Phototype> asked =
        PhototypeQuestionnaire.complete(phototypeScores)
            ? Optional.of(
                PhototypeQuestionnaire.type(PhototypeQuestionnaire.total(phototypeScores)))
            : phototypeTotal.map(PhototypeQuestionnaire::type);
    return new PhototypeReading(
        asked, armColour.map(arm -> arm.colour().itaClass().phototype()), phototypeSet);
  }

  public SkinProfile profile() {
    PhototypeReading reading = reading();
    Map<Condition, Integer> grades = new HashMap<>(conditions);
    glogau
        .map(Glogau::deepWrinkles)
        .filter(grade -> grade > 0)
        .ifPresent(grade -> grades.merge(Condition.WRINKLES_DEEP, grade, Math::max));
    return new SkinProfile(reading.rules(), reading.dispute(), oil, raised(), grades, goals);
  }

  /// A positive sting test raises sensitivity to 2 at least.
  private Optional<Sensitivity> raised() {
    return sting.filter(StingTest::positive).isPresent()
            && sensitivity.filter(level -> level.atLeast(Sensitivity.SENSITIVE)).isEmpty()
        ? Optional.of(Sensitivity.SENSITIVE)
        : sensitivity;
  }

  /// The first event on a day or after it.
  public Optional<Event> nextEvent(LocalDate day) {
    return events.stream()
        .filter(event -> !event.on().isBefore(day))
        .min(Comparator.comparing(Event::on));
  }

  /// As a returning client's next consult begins: what lasts stays; looks, the reading of the face
  /// and last uses are of their day, and are taken again.
  Consult carriedOver(LocalDate to) {
    return new Consult(
        phototypeScores,
        phototypeTotal,
        phototypeSet,
        phototypeReason,
        armColour,
        Optional.empty(),
        oil,
        hydration,
        sensitivity,
        sting,
        conditions,
        glogau,
        goals,
        Map.of(),
        Map.of(),
        flakingDaysThatFit,
        events.stream().filter(event -> !event.on().isBefore(to)).toList(),
        products.stream()
            .map(product ->
                new HomeProduct(
                    product.name(), product.actives(), product.since(), Optional.empty()))
            .toList(),
        region,
        areas,
        Optional.empty(),
        notes);
  }

  /// What the looks answer by themselves.
  public Map<Question, Seen> seen() {
    return Seen.of(looks, region);
  }

  /// Zones looked at, by look, 1 bare or 2 cleansed.
  Map<Zone, Map<LookFinding, Integer>> look(int look) {
    Map<Zone, Map<LookFinding, Integer>> seen = new EnumMap<>(Zone.class);
    looks.forEach((zone, findings) -> {
      Map<LookFinding, Integer> own = new EnumMap<>(LookFinding.class);
      findings.forEach((finding, grade) -> {
        if (finding.look() == look) own.put(finding, grade);
      });
      if (!own.isEmpty()) seen.put(zone, own);
    });
    return seen;
  }

  /// Whether a look was taken, 1 bare or 2 cleansed.
  boolean looked(int look) {
    return !look(look).isEmpty();
  }
}
