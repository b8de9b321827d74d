package ivesk.server.treatment;

import ivesk.core.formula.DepthClass;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.Handling;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.product.MaskMix;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.server.formula.StoredFormula;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// A plan as it is kept with the treatment that it opened.
record StoredPlan(
    StoredFormula formula,
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
    Optional<StoredFormula> nextRung,
    int restAtMost,
    StoredPreparation preparation,
    StoredHandling handling,
    Optional<Edge> edge,
    TakeOff takeOff,
    DepthClass depth,
    double areaCm2,
    double layerMl,
    Optional<String> lot,
    Optional<String> nextLot,
    Optional<StoredAddOn> addOn,
    StoredStaging staging) {

  record StoredPreparation(
      int cleanses,
      Preparation.Degrease degrease,
      Optional<Duration> acidPrep,
      Optional<Act> eyes,
      Preparation.Water water,
      int glovePairs,
      List<Care.Kind> care,
      List<Zone> cover,
      List<Comfort> comfort) {
    static StoredPreparation of(Preparation ready) {
      return new StoredPreparation(
          ready.cleanses(),
          ready.degrease(),
          ready.acidPrep(),
          ready.eyes(),
          ready.water(),
          ready.glovePairs(),
          ready.care().stream().sorted().toList(),
          ready.cover(),
          ready.comfort().stream().sorted().toList());
    }

    Preparation preparation() {
      return new Preparation(
          cleanses,
          degrease,
          acidPrep,
          eyes,
          water,
          glovePairs,
          new HashSet<>(care),
          cover,
          new HashSet<>(comfort));
    }
  }

  record StoredHandling(
      Duration jessnerGap,
      boolean crystalsWiped,
      boolean moreInTheClock,
      boolean workedIn,
      boolean lids,
      boolean handset) {
    static StoredHandling of(Handling handling) {
      return new StoredHandling(
          handling.jessnerGap(),
          handling.crystalsWiped(),
          handling.moreInTheClock(),
          handling.workedIn(),
          handling.lids(),
          handling.handset());
    }

    Handling handling() {
      return new Handling(jessnerGap, crystalsWiped, moreInTheClock, workedIn, lids, handset);
    }
  }

  record StoredAddOn(StoredFormula formula, boolean shortContact) {}

  record StoredStaging(
      int number,
      int of,
      Optional<StoredBase> base,
      Optional<Double> weightKg,
      List<StoredCare> after,
      Optional<StoredPlan> next) {
    static StoredStaging of(Staging staging) {
      return new StoredStaging(
          staging.number(),
          staging.of(),
          staging
              .base()
              .map(base -> new StoredBase(base.all().mmol(), base.unit(), base.one().mmol())),
          staging.weightKg(),
          staging.after().stream().map(StoredCare::of).toList(),
          staging.next().map(StoredPlan::of));
    }

    Staging staging() {
      return new Staging(
          number,
          of,
          base.map(base ->
              new Staging.Base(new Amount(base.mmol()), base.unit(), new Amount(base.mmolOfOne()))),
          weightKg,
          after.stream().map(StoredCare::care).toList(),
          next.map(StoredPlan::plan));
    }
  }

  record StoredBase(double mmol, UnitDose.Unit unit, double mmolOfOne) {}

  /// A step on calm skin.
  record StoredCare(
      String id,
      StepKind kind,
      Optional<Act> act,
      Optional<Role> role,
      Optional<String> name,
      Optional<StoredUnits> units,
      List<Zone> zones,
      Optional<Duration> least,
      Optional<Duration> planned,
      Optional<Duration> most,
      Optional<StoredMix> mix,
      boolean gateC,
      boolean alcoholWet,
      String said,
      String doneSign,
      List<CareStep.Mind> minds) {
    static StoredCare of(CareStep step) {
      return new StoredCare(
          step.id(),
          step.kind(),
          step.act(),
          step.role(),
          step.name(),
          step.units()
              .map(some ->
                  new StoredUnits(
                      some.dose().unit(), some.dose().each(), some.dose().measure(), some.count())),
          step.zones(),
          step.timing().least(),
          step.timing().planned(),
          step.timing().most(),
          step.mix().map(StoredMix::of),
          step.gateC(),
          step.alcoholWet(),
          step.said(),
          step.doneSign(),
          step.minds());
    }

    CareStep care() {
      return new CareStep(
          id,
          kind,
          act,
          role,
          name,
          units.map(StoredUnits::units),
          zones,
          new Timing(least, planned, most),
          mix.map(StoredMix::mix),
          gateC,
          alcoholWet,
          said,
          doneSign,
          minds);
    }
  }

  record StoredUnits(UnitDose.Unit unit, double each, UnitDose.Measure measure, double count) {
    CareStep.Units units() {
      return new CareStep.Units(new UnitDose(unit, each, measure), count);
    }
  }

  record StoredMix(double powderG, double waterG, double waterC, Duration sets, Duration lift) {
    static StoredMix of(MaskMix mix) {
      return new StoredMix(mix.powder().g(), mix.water().g(), mix.waterC(), mix.sets(), mix.lift());
    }

    MaskMix mix() {
      return new MaskMix(Mass.g(powderG), Mass.g(waterG), waterC, sets, lift);
    }
  }

  static StoredPlan of(TreatmentPlan plan) {
    return new StoredPlan(
        StoredFormula.of(plan.formula()),
        plan.zones(),
        plan.earlier(),
        plan.layersPlanned(),
        plan.layersAtMost(),
        plan.contactLimit(),
        plan.hold(),
        plan.stop(),
        plan.phototype(),
        plan.sensitivity(),
        plan.firstVisit(),
        plan.firstFrostEnds(),
        plan.nextRung().map(StoredFormula::of),
        plan.restAtMost(),
        StoredPreparation.of(plan.preparation()),
        StoredHandling.of(plan.handling()),
        plan.edge(),
        plan.takeOff(),
        plan.depth(),
        plan.area().cm2(),
        plan.layer().ml(),
        plan.lot(),
        plan.nextLot(),
        plan.addOn()
            .map(after -> new StoredAddOn(StoredFormula.of(after.formula()), after.shortContact())),
        StoredStaging.of(plan.staging()));
  }

  TreatmentPlan plan() {
    return new TreatmentPlan(
        formula.formula(),
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
        nextRung.map(StoredFormula::formula),
        restAtMost,
        preparation.preparation(),
        handling.handling(),
        edge,
        takeOff,
        depth,
        Area.cm2(areaCm2),
        Volume.ml(layerMl),
        lot,
        nextLot,
        addOn.map(after -> new AddOn(after.formula().formula(), after.shortContact())),
        staging.staging());
  }
}
