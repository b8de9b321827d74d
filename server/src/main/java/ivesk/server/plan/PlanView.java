package ivesk.server.plan;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/// A plan on the wire: times in seconds, the formula reduced to what a screen shows.
///
/// @param doneWhen the maker's sign that it is done; may be empty
/// @param earlierSeconds zones that come off before the others, from the first touch
/// @param unitMl what one measure of the maker's holds
/// @param bandSeconds how long the expected feel may last, from each layer's first touch
public record PlanView(
    String formulaCode,
    String formulaName,
    Formula.Use use,
    Formula.Ending ending,
    DepthClass depth,
    String depthLabel,
    List<Zone> zones,
    Map<Zone, Long> earlierSeconds,
    int layersPlanned,
    int layersAtMost,
    Optional<Long> contactSeconds,
    Optional<Long> mostContactSeconds,
    long dwellSeconds,
    int hold,
    int stop,
    int bandLow,
    int bandHigh,
    Optional<Long> bandSeconds,
    boolean bandFalling,
    String bandWords,
    String doneWhen,
    boolean mayCrystallise,
    boolean firstVisit,
    int restAtMost,
    Phototype phototype,
    Sensitivity sensitivity,
    double percentWv,
    Optional<Ph> ph,
    double areaCm2,
    double layerMl,
    String measure,
    Optional<Double> unitMl,
    double mgPerCm2PerLayer,
    Optional<Edge> edge,
    Optional<AddOnView> addOn) {

  /// What goes on calm skin after the acid.
  public record AddOnView(String code, String name, String how) {}

  public static PlanView of(TreatmentPlan plan) {
    Formula formula = plan.formula();
    return new PlanView(
        formula.code(),
        formula.name(),
        formula.use(),
        formula.ending(),
        plan.depth(),
        plan.depth().label(),
        plan.zones(),
        plan.earlier().entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, one -> one.getValue().toSeconds())),
        plan.layersPlanned(),
        plan.layersAtMost(),
        plan.contactLimit().map(Duration::toSeconds),
        formula.mostContact().map(Duration::toSeconds),
        plan.dwell().toSeconds(),
        plan.hold(),
        plan.stop(),
        formula.band().low(),
        formula.band().high(),
        formula.band().window().map(Duration::toSeconds),
        formula.band().thenFalling(),
        formula.band().words(),
        formula.label().doneWhen(),
        formula.mayCrystallise(),
        plan.firstVisit(),
        plan.restAtMost(),
        plan.phototype(),
        plan.sensitivity(),
        formula.strength().percent(),
        formula.ph(),
        plan.area().cm2(),
        plan.layer().ml(),
        formula.label().measure(),
        formula.label().unitMl(),
        plan.dosePerLayer().mgPerCm2(),
        plan.edge(),
        plan.addOn()
            .map(after ->
                new AddOnView(after.formula().code(), after.formula().name(), after.words())));
  }
}
