package ivesk.core.series;

import ivesk.core.aftercare.Outlook.Step;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import java.util.ArrayList;
import java.util.List;

/// "When can I go stronger?", answered by the ladder.
public final class Onward {
  private Onward() {}

  /// After a peel.
  ///
  /// @param peel as it was taken
  /// @param past before it
  public static Stronger after(
      NextPeel next, PastPeel peel, List<PastPeel> past, ScreeningFacts client) {
    return switch (next.step()) {
      case WAIT -> new Stronger(Step.CLINICIAN, 0);
      case SHORTER, LOWER, OTHER_FAMILY -> new Stronger(Step.LESS, 0);
      case ONE_RUNG_UP -> new Stronger(Step.NEXT_TIME, 0);
      case ONE_LAYER_MORE -> new Stronger(Step.ONE_LAYER, 0);
      case SAME ->
          peel.outcome() == PeelOutcome.CUT_SHORT
              ? new Stronger(Step.NOT_YET, 0)
              : atThisStrength(peel, past, client);
    };
  }

  /// While it runs, as if it were well taken.
  public static Stronger whenWellTaken(PastPeel peel, List<PastPeel> past, ScreeningFacts client) {
    Formula formula = peel.formula();
    if (formula.takesLayers() && peel.layers() < NextPeel.mostLayers(client, formula)) {
      return new Stronger(Step.ONE_LAYER, 0);
    }
    return atThisStrength(peel, past, client);
  }

  private static Stronger atThisStrength(
      PastPeel peel, List<PastPeel> past, ScreeningFacts client) {
    Formula done = peel.formula();
    int above = done.rung() + 1;
    boolean neverAtTheCap =
        done.takesLayers() && NextPeel.mostLayers(client, done) < done.layersMost();
    if (neverAtTheCap || NextPeel.higher(client, done, above).isEmpty()) {
      return new Stronger(Step.TOP, 0);
    }
    List<PastPeel> all = new ArrayList<>(past);
    all.add(peel);
    return new Stronger(Step.AFTER_MORE, LadderRules.toGo(all, peel.region(), done.family()));
  }
}
