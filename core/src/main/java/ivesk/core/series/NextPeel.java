package ivesk.core.series;

import ivesk.core.Words;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.AddOn;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.Selection;
import ivesk.core.treatment.Outcome;
import ivesk.core.treatment.Treatment;
import ivesk.core.treatment.TreatmentState;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// The next peel: its earliest date with the reasons for it, and what it would be.
///
/// @param earliest the latest of all the dates that count
/// @param reasons one for each date that counted
/// @param formula proposed; empty when the clinician decides first
/// @param why the step in words
public record NextPeel(
    LocalDate earliest, List<String> reasons, Step step, Optional<Formula> formula, String why) {

  public enum Step {
    SAME("Same again"),
    ONE_LAYER_MORE("One layer more"),
    ONE_RUNG_UP("One rung up"),
    SHORTER("Same again, shorter"),
    LOWER("Lower"),
    WAIT("Wait for the clinician");

    private final String label;

    Step(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// After all stages of a visit: what the first proposes, unless one of them went badly, and not
  /// before the day that every other allows.
  ///
  /// @param stages in which acid went on; at least one
  /// @param past peels before this visit
  public static NextPeel after(
      List<Treatment.Stage> stages, ScreeningFacts client, List<PastPeel> past, LocalDate on) {
    Treatment.Stage decides = decisive(stages);
    NextPeel next = after(decides.plan(), decides.state(), client, past, on);
    for (Treatment.Stage stage : stages) {
      if (stage == decides || stage.plan().region() != decides.plan().region()) continue;
      NextPeel other = after(stage.plan(), stage.state(), client, past, on);
      if (!other.earliest.isAfter(next.earliest)) continue;
      List<String> reasons = new ArrayList<>(next.reasons);
      reasons.addAll(other.reasons);
      next = new NextPeel(other.earliest, reasons, next.step, next.formula, next.why);
    }
    return next;
  }

  /// The stage for which the visit was planned; one with an adverse outcome comes before it.
  public static Treatment.Stage decisive(List<Treatment.Stage> stages) {
    return stages.stream()
        .filter(stage -> Outcome.of(stage.state()) == PeelOutcome.ADVERSE)
        .findFirst()
        .orElse(stages.getFirst());
  }

  /// @param past peels before this one
  public static NextPeel after(
      TreatmentPlan plan,
      TreatmentState state,
      ScreeningFacts client,
      List<PastPeel> past,
      LocalDate on) {
    Formula done = plan.formula();
    int layers = Math.max(1, state.layers().size());
    List<String> reasons = new ArrayList<>();
    int interval = done.intervalDays(layers);
    String why = "interval " + Words.count(interval, "day") + " after " + done.code();
    int own = client.intervalOfThisClient(interval);
    if (own != interval) why += ", for this client " + own;
    interval = own;
    LocalDate byInterval = on.plusDays(interval);
    reasons.add(why + ": " + Words.day(byInterval));
    Flaking flaking = Flaking.of(wentOn(plan, state));
    LocalDate clear = on.plusDays(flaking.last() + 1L);
    if (flaking.expected()) reasons.add("flakes gone, as expected: " + Words.day(clear));
    LocalDate earliest = byInterval.isAfter(clear) ? byInterval : clear;

    if (Outcome.injured(state)) {
      return new NextPeel(
          earliest,
          reasons,
          Step.WAIT,
          Optional.empty(),
          "An injury or alarm was seen. The supervising clinician decides what comes next.");
    }
    PastPeel peel = Outcome.peel(plan, state, on);
    List<PastPeel> all = new ArrayList<>(past);
    all.add(peel);
    Ladders ladders = LadderRules.of(all, earliest, plan.region());
    int rung = ladders.rungs().getOrDefault(done.family(), done.rung());
    String reason = ladders.reasons().getOrDefault(done.family(), "");
    if (!peel.wellTaken()) return notWellTaken(peel, rung, reason, earliest, reasons, client);
    if (rung > done.rung() && atRung(client.shelf(), done, rung).isPresent()) {
      return new NextPeel(
          earliest,
          reasons,
          Step.ONE_RUNG_UP,
          atRung(client.shelf(), done, rung),
          reason + ". Staying is as good when the goals are met.");
    }
    if (done.takesLayers() && layers < done.layersMost() && layers >= plan.layersPlanned()) {
      return new NextPeel(
          earliest,
          reasons,
          Step.ONE_LAYER_MORE,
          Optional.of(done),
          "Well taken. At most " + (layers + 1) + " layers within the client's limits.");
    }
    return new NextPeel(earliest, reasons, Step.SAME, Optional.of(done), "Well taken. " + reason);
  }

  private static NextPeel notWellTaken(
      PastPeel peel,
      int rung,
      String reason,
      LocalDate earliest,
      List<String> reasons,
      ScreeningFacts client) {
    Formula done = peel.formula();
    return switch (peel.outcome()) {
      case CUT_SHORT ->
          new NextPeel(
              earliest,
              reasons,
              Step.SAME,
              Optional.of(done),
              "Cut short, calmly: the same again. It does not count toward the series.");
      case TOO_STRONG ->
          new NextPeel(
              earliest,
              reasons,
              rung < done.rung() ? Step.LOWER : Step.SHORTER,
              atRung(client.shelf(), done, rung),
              Words.capital(reason) + ".");
      case ADVERSE, WELL_TAKEN ->
          new NextPeel(
              earliest,
              reasons,
              Step.LOWER,
              atRung(client.shelf(), done, rung),
              Words.capital(reason) + ".");
    };
  }

  /// What the next visit would propose, for the therapist to change before signing.
  public Optional<PastPeel.NextTime> proposal(TreatmentPlan plan, TreatmentState state) {
    PastPeel peel = Outcome.peel(plan, state, earliest);
    int done = Math.max(1, state.layers().size());
    return formula.map(next -> {
      boolean same = next.code().equals(plan.formula().code());
      Optional<Duration> contact =
          same && next.mostContact().isPresent()
              ? Optional.of(Selection.timeAfter(peel, peel.outcome().harsh()))
              : next.firstContact();
      Optional<Duration> within =
          contact.map(
              time -> next.mostContact().filter(most -> most.compareTo(time) < 0).orElse(time));
      int layers = !same ? next.layersFirst() : step == Step.ONE_LAYER_MORE ? done + 1 : done;
      return new PastPeel.NextTime(next.code(), within, layers);
    });
  }

  /// The acid, and the retinoid if it was put on.
  private static List<Formula> wentOn(TreatmentPlan plan, TreatmentState state) {
    return Stream.concat(
            Stream.of(plan.formula()),
            plan.addOn().filter(planned -> state.care().addOnAt().isPresent()).stream()
                .map(AddOn::formula))
        .toList();
  }

  private static Optional<Formula> atRung(Shelf shelf, Formula done, int rung) {
    return shelf.formulas().stream()
        .filter(formula -> formula.family() == done.family() && formula.peels())
        .filter(formula -> formula.rung() == rung)
        .findFirst();
  }
}
