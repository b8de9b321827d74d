package ivesk.core.plan.compose;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.practice.Policies;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// One stage as it will be done. The treatment carries its plan with it, so a record keeps the
/// formula and the lines that it was done by.
///
/// @param zones in the order in which they are covered
/// @param earlier zones that come off before the others, each by its time from the first touch
/// @param layersPlanned n: after these the app asks once for more
/// @param layersAtMost m: never passed
/// @param contactLimit hard limit from the first touch; empty for formulas without minutes
/// @param hold policy's hold line before the formula's band, 0 to 10
/// @param stop policy's stop line before the formula's band, 0 to 10
/// @param firstVisit first peel of this client with this family
/// @param firstFrostEnds Jessner: the first F1 is the planned endpoint
/// @param nextRung where the practice steps strengths and the ladder allows it
/// @param restAtMost highest sensation that counts as rest, 0 or 1
/// @param preparation how the skin is readied before it
/// @param handling of the acid, where the schools differ
/// @param edge how far a peel of the face goes below; empty elsewhere
/// @param takeOff how the acid comes off
/// @param area of all zones
/// @param layer volume of one
/// @param lot number of the bottle; empty where bottles are not counted
/// @param nextLot the same of the next rung
/// @param addOn what goes on calm skin after it
/// @param staging where it stands in its visit
public record TreatmentPlan(
    Formula formula,
    List<Zone> zones,
    Map<Zone, Duration> earlier,
    int layersPlanned,
    int layersAtMost,
    Optional<Duration> contactLimit,
    int hold,
    int stop,
    Phototype phototype,
    Sensitivity sensitivity,
    boolean firstVisit,
    boolean firstFrostEnds,
    Optional<Formula> nextRung,
    int restAtMost,
    Preparation preparation,
    Handling handling,
    Optional<Edge> edge,
    TakeOff takeOff,
    DepthClass depth,
    Area area,
    Volume layer,
    Optional<String> lot,
    Optional<String> nextLot,
    Optional<AddOn> addOn,
    Staging staging) {

  private static final Duration UNNAMED_WINDOW = Duration.ofMinutes(3);

  public TreatmentPlan {
    zones = List.copyOf(zones);
    if (zones.isEmpty()) throw new IllegalArgumentException("the plan has no zone; choose one");
    if (new HashSet<>(zones).size() != zones.size()) {
      throw new IllegalArgumentException("the plan names a zone twice: " + zones);
    }
    earlier = Map.copyOf(earlier);
    for (Map.Entry<Zone, Duration> one : earlier.entrySet()) {
      Zone zone = one.getKey();
      boolean sooner = contactLimit.filter(limit -> one.getValue().compareTo(limit) >= 0).isEmpty();
      if (!zones.contains(zone) || !sooner) {
        throw new IllegalArgumentException(
            zone.label() + " is to come off earlier; it is in the plan, and sooner than the rest");
      }
    }
    Require.range("layersAtMost", layersAtMost, 1, 9);
    Require.range("layersPlanned", layersPlanned, 1, layersAtMost);
    Require.range("stop", stop, 0, 10);
    Require.range("hold", hold, 0, stop);
    formula
        .mostContact()
        .ifPresent(most -> {
          Duration limit =
              contactLimit.orElseThrow(
                  () -> new IllegalArgumentException(formula.code() + " needs a contact limit"));
          if (limit.compareTo(most) > 0 || limit.toSeconds() < 30) {
            throw new IllegalArgumentException(
                "contact is "
                    + limit.toSeconds()
                    + " s; allowed is 30 to "
                    + most.toSeconds()
                    + " s");
          }
        });
  }

  /// The same stage, readied as some steps have it.
  public TreatmentPlan readied(Preparation steps) {
    return with(steps, addOn, staging);
  }

  /// The same stage with what goes on after it, in its place in a visit.
  public TreatmentPlan staged(Optional<AddOn> after, Staging place) {
    return with(preparation, after, place);
  }

  private TreatmentPlan with(Preparation steps, Optional<AddOn> after, Staging place) {
    return new TreatmentPlan(
        formula,
        zones,
        earlier,
        layersPlanned,
        layersAtMost,
        contactLimit,
        hold,
        stop,
        phototype,
        sensitivity,
        firstVisit,
        firstFrostEnds,
        nextRung,
        restAtMost,
        steps,
        handling,
        edge,
        takeOff,
        depth,
        area,
        layer,
        lot,
        nextLot,
        after,
        place);
  }

  /// Careful: a first peel with this family, or skin of sensitivity 2 and more.
  public boolean careful() {
    return firstVisit || sensitivity.atLeast(Sensitivity.SENSITIVE);
  }

  /// Where the peel is done; regions are treated one at a time. Of two that share a run, that of
  /// its first zone.
  public Region region() {
    return zones.getFirst().region();
  }

  /// Every region that has a zone in it, the first first.
  public List<Region> regions() {
    return zones.stream().map(Zone::region).distinct().toList();
  }

  /// Whether another stage goes on some of the same regions.
  public boolean sharesSkin(TreatmentPlan other) {
    return !Collections.disjoint(regions(), other.regions());
  }

  /// "the face and the eye contour".
  public String where() {
    return Words.list(regions().stream().map(Region::withArticle).toList());
  }

  /// The supervising clinician is in the room: more TCA coats than usual, or a medium depth.
  public boolean clinicianPresent() {
    return depth == DepthClass.MEDIUM
        || formula.family() == Family.TCA && layersAtMost > Policies.TCA_COATS;
  }

  /// A single pass of a formula that falls by itself.
  public boolean singlePassSelfLimiting() {
    return formula.use() == Formula.Use.SELF_LIMITING && layersAtMost == 1;
  }

  /// Least time from the end of one layer to the next decision. A second pass of what falls by
  /// itself waits until its feel should be falling; Ivesk's own default.
  public Duration dwell() {
    if (formula.family() == Family.JESSNER) {
      // A label's own time wins where it is the longer one.
      return formula.label().version() > 0 && formula.dwell().compareTo(handling.jessnerGap()) > 0
          ? formula.dwell()
          : handling.jessnerGap();
    }
    return formula.use() == Formula.Use.SELF_LIMITING
            && layersAtMost > 1
            && formula.dwell().isZero()
        ? formula.band().window().orElse(Duration.ZERO)
        : formula.dwell();
  }

  /// How long the expected feel may raise the lines. Where neither label nor library names the
  /// minutes: 3 min for layers, coats and warming masks, to the limit for azelaic-mandelic and
  /// spots. Empty where it raises nothing.
  public Optional<Duration> bandWindow() {
    Optional<Duration> named = formula.band().window();
    if (named.isPresent()) return named;
    boolean layered = formula.use() == Formula.Use.LAYERED || formula.use() == Formula.Use.COATS;
    if (layered || formula.label().warms()) return Optional.of(UNNAMED_WINDOW);
    return formula.family() == Family.AZELAIC_MANDELIC || formula.family() == Family.SPOT
        ? contactLimit
        : Optional.empty();
  }

  public Dose dosePerLayer() {
    return Dose.of(formula.strength(), layer, area);
  }

  /// A neutraliser is laid out to take it off.
  public boolean neutralised() {
    return takeOff() == TakeOff.BY_FORMULA
        && switch (formula.ending()) {
          case NEUTRALISE, LIFT_THEN_NEUTRALISE -> true;
          case RINSE,
              DAMP_PADS,
              COOL_RINSE,
              COOL_PADS,
              WIPE_THEN_COOL_RINSE,
              SELF_LIMITING,
              FROST_IS_THE_END,
              NONE ->
              false;
        };
  }

  /// Where a stage stands in its visit, and what comes after it. The stages of a visit hang one on
  /// the other, so that the couch can go on without a server.
  ///
  /// @param number 1 for the first
  /// @param of how many, this one counted
  /// @param base laid out to end it; empty where nothing is neutralised
  /// @param weightKg of the client, for the salicylate yardstick
  /// @param after what is done on calm skin before the next acid, or before the client leaves
  /// @param next the stage after it; empty at the last
  public record Staging(
      int number,
      int of,
      Optional<Base> base,
      Optional<Double> weightKg,
      List<CareStep> after,
      Optional<TreatmentPlan> next) {

    /// Neutraliser that is laid out.
    ///
    /// @param all of it
    /// @param unit how it is counted, and what one holds
    public record Base(Amount all, UnitDose.Unit unit, Amount one) {
      /// "2 pads, 4.6 mmol".
      public String words(int units) {
        return unit.words(units) + ", " + Words.number(one.times(units).mmol(), 1) + " mmol";
      }
    }

    /// The only stage of a visit, with nothing written after it.
    public static final Staging ALONE =
        new Staging(1, 1, Optional.empty(), Optional.empty(), List.of(), Optional.empty());

    public Staging {
      Require.range("stages", of, 1, 20);
      Require.range("number of the stage", number, 1, of);
      after = List.copyOf(after);
      if (next.isPresent() == (number == of)) {
        throw new IllegalArgumentException(
            "stage "
                + number
                + " of "
                + of
                + (next.isPresent() ? " has" : " has no")
                + " next one");
      }
    }
  }

  /// What may go on once the skin is at rest, in order: as the steps have it, else what every
  /// practice has.
  public List<CareStep> careSteps() {
    boolean written = !staging.after().isEmpty() || staging.next().isPresent();
    return written ? staging.after() : CareStep.usual(zones());
  }
}
