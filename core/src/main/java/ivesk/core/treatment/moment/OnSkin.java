package ivesk.core.treatment.moment;

import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.Ledger;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.state.AcidState.Layer;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.util.Collection;
import java.util.List;

/// Acid on the skin against base laid out, as the layers went on. Stoichiometry.
///
/// @param acid titratable, of all layers of this stage
/// @param dose of all its layers over its area, mg/cm2
/// @param salicylate share of the yardstick over the whole visit, 0 and up
/// @param base laid out to end this stage
/// @param next one more layer as planned
/// @param measured every layer's volume was measured; otherwise some are as planned
/// @param neutralised a base ends it
public record OnSkin(
    Amount acid,
    double dose,
    double salicylate,
    Amount base,
    Amount next,
    boolean measured,
    boolean neutralised) {

  /// @param stages of the treatment up to now
  public static OnSkin of(List<Stage> stages) {
    Stage now = stages.getLast();
    double salicylate =
        stages.stream().mapToDouble(stage -> salicylate(stage.plan(), stage.state())).sum();
    return of(now.plan(), now.state(), salicylate, false);
  }

  /// Of one stage by itself.
  ///
  /// @param nextRung the next layer is of the next rung
  public static OnSkin of(TreatmentPlan plan, TreatmentState state, boolean nextRung) {
    return of(plan, state, salicylate(plan, state), nextRung);
  }

  private static Amount next(TreatmentPlan plan, boolean nextRung) {
    Formula formula = nextRung ? plan.nextRung().orElse(plan.formula()) : plan.formula();
    return Ledger.protons(formula, plan.layer());
  }

  private static OnSkin of(
      TreatmentPlan plan, TreatmentState state, double salicylate, boolean nextRung) {
    Amount acid = Amount.NONE;
    double dose = 0;
    for (Layer layer : state.layers()) {
      Volume volume = volume(plan, layer);
      acid = acid.plus(Ledger.protons(formula(plan, layer), volume));
      dose += Dose.of(formula(plan, layer).strength(), volume, plan.area()).mgPerCm2();
    }
    return new OnSkin(
        acid,
        dose,
        salicylate,
        plan.staging()
            .base()
            .map(Staging.Base::all)
            .orElse(Amount.NONE)
            .plus(state.acid().moreBase()),
        next(plan, nextRung),
        !state.layers().isEmpty()
            && state.layers().stream().allMatch(layer -> layer.delivered().isPresent()),
        plan.neutralised() && plan.staging().base().isPresent());
  }

  /// One more layer would need more base than is laid out, mole by mole.
  public boolean outruns() {
    return neutralised && acid.plus(next).mmol() > base.mmol() + 1e-9;
  }

  private static double salicylate(TreatmentPlan plan, TreatmentState state) {
    return state.layers().stream()
        .mapToDouble(layer ->
            Dose.salicylateShare(
                formula(plan, layer), volume(plan, layer), plan.staging().weightKg()))
        .sum();
  }

  /// As measured; else the planned layer, by the share of the area that it went on. What was gone
  /// over once more counts once more, by its share.
  public static Volume volume(TreatmentPlan plan, Layer layer) {
    Volume once =
        layer
            .delivered()
            .orElseGet(() -> plan.layer().times(share(layer.zones()) / share(plan.zones())));
    return layer.spots().isEmpty()
        ? once
        : once.times(1 + share(layer.spots()) / share(layer.zones()));
  }

  private static double share(Collection<Zone> zones) {
    return zones.stream().mapToDouble(Zone::share).sum();
  }

  /// Of the layer: the next rung's where the strength was stepped.
  public static Formula formula(TreatmentPlan plan, Layer layer) {
    return layer.nextRung() ? plan.nextRung().orElse(plan.formula()) : plan.formula();
  }
}
