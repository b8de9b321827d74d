package ivesk.core.selection;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Strength;
import ivesk.core.screening.verdict.Screening.Shut;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/// One formula on the rack.
///
/// @param shut every reason it is shut; empty when open
/// @param depthReasons the sentences that lead to its depth
/// @param layers that would be planned today
/// @param contact that would be planned today; empty for formulas without minutes
/// @param dose over all layers
/// @param competes this rung is its family's candidate for first place
public record Tile(
    Formula formula,
    DepthClass depth,
    List<String> depthReasons,
    List<Shut> shut,
    Score score,
    int layers,
    Optional<Duration> contact,
    Strength freeAcid,
    Dose dose,
    boolean competes,
    Reasons reasons) {

  public boolean open() {
    return shut.isEmpty();
  }

  /// Made for where the peel is planned.
  public boolean here() {
    return shut.stream().noneMatch(reason -> reason.ruleId().equals(Gates.NOT_HERE));
  }

  Tile explained(boolean best, Reasons why) {
    return new Tile(
        formula, depth, depthReasons, shut, score, layers, contact, freeAcid, dose, best, why);
  }

  /// The why in its reading order.
  ///
  /// @param standing its place, or why it does not compete for the first; empty where nothing ranks
  public record Reasons(
      String fits, String standing, String notWeaker, String notStronger, String watch) {}
}
