package ivesk.server.treatment;

import ivesk.core.formula.DepthClass;
import ivesk.core.plan.Act;
import ivesk.core.plan.AddOn;
import ivesk.core.plan.Comfort;
import ivesk.core.plan.Edge;
import ivesk.core.plan.Handling;
import ivesk.core.plan.Preparation;
import ivesk.core.plan.TakeOff;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.server.formula.StoredFormula;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;

/// A plan as it is kept with the treatment that it opened.
record StoredPlan(
    StoredFormula formula,
    List<Zone> zones,
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
    Optional<StoredAddOn> addOn) {

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
      boolean lids) {
    static StoredHandling of(Handling handling) {
      return new StoredHandling(
          handling.jessnerGap(),
          handling.crystalsWiped(),
          handling.moreInTheClock(),
          handling.workedIn(),
          handling.lids());
    }

    Handling handling() {
      return new Handling(jessnerGap, crystalsWiped, moreInTheClock, workedIn, lids);
    }
  }

  record StoredAddOn(StoredFormula formula, boolean shortContact) {}

  static StoredPlan of(TreatmentPlan plan) {
    return new StoredPlan(
        StoredFormula.of(plan.formula()),
        plan.zones(),
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
        plan.addOn()
            .map(
                after -> new StoredAddOn(StoredFormula.of(after.formula()), after.shortContact())));
  }

  TreatmentPlan plan() {
    return new TreatmentPlan(
        formula.formula(),
        zones,
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
        addOn.map(after -> new AddOn(after.formula().formula(), after.shortContact())));
  }
}
