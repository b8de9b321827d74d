package ivesk.core.treatment.advice;

import ivesk.core.Words;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// The advice of a moment: the first row of the decision table that matches, and outside the acid
/// the first line of its own table. The maker's label, the law, the licence and the supervising
/// clinician come before it.
public final class Advisor {
  private Advisor() {}

  public static Advice advise(TreatmentPlan plan, TreatmentState state, Instant now) {
    Look look = Look.of(plan, state, now);
    return DecisionTable.first(look)
        .or(() -> OutsideAcid.first(look))
        .map(advice -> withBase(advice, plan, state))
        .orElseThrow(() -> new IllegalStateException("no line answers in " + state.phase()));
  }

  /// The row behind the advice of a moment, and the values that it was matched by.
  public record Why(DecisionTable.Line line, List<DecisionTable.Value> values) {}

  /// Empty where no row of the table holds.
  ///
  /// @param advice of that moment
  public static Optional<Why> why(
      Advice advice, TreatmentPlan plan, TreatmentState state, Instant now) {
    return advice
        .row()
        .flatMap(row ->
            DecisionTable.LINES.stream()
                .filter(line -> line.row() == row)
                .findFirst()
                .map(line -> new Why(line, DecisionTable.values(Look.of(plan, state, now)))));
  }

  /// The layer that would outrun the base waits until more is laid out, or until somebody says why
  /// not.
  private static Advice withBase(Advice advice, TreatmentPlan plan, TreatmentState state) {
    if (!advice.kind().layer() || state.acid().outrunPassed()) return advice;
    OnSkin skin = OnSkin.of(plan, state, advice.kind() == Kind.NEXT_RUNG);
    if (!skin.outruns()) return advice;
    return new Advice(
        advice.row(),
        Kind.WAIT,
        "Lay out more base first",
        Words.fill(
            "With this layer %s mmol of acid stand against %s mmol of base.",
            Words.number(skin.acid().plus(skin.next()).mmol(), 2),
            Words.number(skin.base().mmol(), 2)),
        Action.BASE,
        Optional.empty(),
        false,
        advice.zones(),
        List.of(),
        advice.other());
  }

  public static boolean outruns(TreatmentPlan plan, TreatmentState state, boolean nextRung) {
    return !state.acid().outrunPassed() && OnSkin.of(plan, state, nextRung).outruns();
  }

  /// A region that is settled beside, with its own advice.
  ///
  /// @param askAt when to ask it next; empty once it is at rest
  public record BesideAdvice(
      TreatmentState.Beside region, Advice advice, Optional<Instant> askAt) {}

  /// The regions that are settled while this one is treated.
  public static List<BesideAdvice> beside(TreatmentState state, Instant now) {
    return state.beside().stream()
        .map(one ->
            new BesideAdvice(
                one,
                advise(one.plan(), one.state(), now),
                Clocks.of(one.plan(), one.state()).askAt()))
        .toList();
  }
}
