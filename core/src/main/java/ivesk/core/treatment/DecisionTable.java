package ivesk.core.treatment;

import static ivesk.core.treatment.AdviceDraft.capital;
import static ivesk.core.treatment.AdviceDraft.names;
import static ivesk.core.treatment.AdviceDraft.row;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.Advice.Action;
import ivesk.core.treatment.Advice.Kind;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentState.Layer;
import ivesk.core.treatment.TreatmentState.Told;
import ivesk.core.treatment.TreatmentState.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/// Rows 4 to 17 of the decision, one after the other: the first that matches holds. Common
/// practice.
final class DecisionTable {
  /// How long after the check-in a missing look becomes the advice.
  static final Duration GRACE = Duration.ofSeconds(15);

  private static final int HOT_SPOT_ENDS = 7;
  private static final int STEPPED_LAYERS_MOST = 3;

  private DecisionTable() {}

  /// Rows 4 to 17, while acid is on.
  static Advice advise(TreatmentPlan plan, TreatmentState state, Instant now) {
    List<Zone> treated = state.treated(plan);
    List<Zone> active = state.active(plan);
    Optional<Told> told = state.lastUnderAcid();
    int feels = told.map(Told::value).orElse(0);
    SensationLines lines =
        SensationLines.at(plan, state, told.map(Told::at).orElse(state.lastEventAt()));

    if (state.signs().contains(Sign.ASKS_TO_STOP)) {
      return row(4, Kind.END, "End").because("The client asks to stop.").key(Action.END).build();
    }
    Optional<Instant> limit = state.limitAt();
    if (limit.isPresent() && !now.isBefore(limit.get())) {
      return row(5, Kind.END_NOW, "End now")
          .because(
              "The limit of " + Words.clock(state.contactLimit().orElseThrow()) + " is reached.")
          .key(Action.END)
          .build();
    }
    if (told.isPresent() && feels >= lines.stop() && open(state, 6)) {
      return row(6, Kind.END, "End")
          .because("The answer " + feels + " is at the stop line, " + lines.stop() + ".")
          .key(Action.END)
          .build();
    }
    List<Zone> white =
        treated.stream().filter(z -> Endpoints.ends(plan, state.zones().get(z))).toList();
    if (!white.isEmpty() && Endpoints.halfOrMore(white, treated)) {
      return row(7, Kind.END, "End")
          .because("Ending whitening on half the treated area or more: " + names(white) + ".")
          .on(white)
          .key(Action.END)
          .build();
    }
    Optional<Advice> redness = redness(plan, state, active);
    if (redness.isPresent()) return redness.get();
    if (state.wipeOwed()) {
      return row(9, Kind.WIPE_TEST, "Wipe test: damp swab over the white")
          .because("Comes off: crystals, harmless. Stays: frost. No layer until it is done.")
          .on(zonesWhere(state, active, ZoneState::wipeOwed))
          .key(Action.WIPE)
          .build();
    }
    List<Zone> spent = spent(plan, state, active);
    if (!spent.isEmpty() && open(state, 10)) {
      return row(10, Kind.END_ZONE, "End the " + spent.getFirst().label())
          .because(whySpent(plan, state, spent.getFirst()) + " The rest goes on.")
          .on(spent.subList(0, 1))
          .key(Action.END_ZONE)
          .build();
    }
    if (active.isEmpty()) {
      return row(14, Kind.FINISH, "Finish: end it")
          .because("Every zone is ended.")
          .key(Action.END)
          .build();
    }
    Instant ask = Advisor.clocks(plan, state).askAt().orElseThrow();
    if (!now.isBefore(ask.plus(GRACE))) {
      return row(11, Kind.LOOK_NOW, "Look now, and ask")
          .because("No answer since " + (told.isPresent() ? "the last " + feels : "the acid") + ".")
          .key(Action.ASK)
          .build();
    }
    if (told.isPresent() && feels >= lines.hold() && open(state, 12)) {
      return hold(plan, state, feels, lines);
    }
    if (state.layerRunning()) {
      return row(13, Kind.WAIT, "Finish this layer")
          .because(stillToCover(plan, state))
          .on(treatable(plan, state))
          .key(Action.COVERED)
          .build();
    }
    Instant settled = Advisor.clocks(plan, state).settledAt().orElseThrow();
    if (now.isBefore(settled)) {
      return row(13, Kind.WAIT, "Wait")
          .because("The layer settles before the next decision.")
          .until(settled)
          .build();
    }
    return decide(plan, state, told, lines, active);
  }

  /// Rows 14 to 17: another layer or the finish.
  private static Advice decide(
      TreatmentPlan plan,
      TreatmentState state,
      Optional<Told> told,
      SensationLines lines,
      List<Zone> active) {
    int feels = told.map(Told::value).orElse(0);
    int done = state.layers().size();
    int planned = state.extended() ? plan.layersAtMost() : state.layersPlanned();
    List<Zone> next = startable(plan, state);
    boolean redCalm = active.stream().allMatch(zone -> state.zones().get(zone).redness() <= 1);
    if (Endpoints.reachedPlanned(plan, state)) {
      return finish(state, 14, "The planned endpoint is reached.", Action.NONE);
    }
    if (next.isEmpty()) {
      return finish(state, 14, "No zone is left for another layer.", Action.NONE);
    }
    if (done >= planned) {
      boolean more = planned < plan.layersAtMost() && !numbed(state) && answeredSince(state);
      return finish(
          state,
          14,
          Words.count(done, "planned layer") + (done == 1 ? " is done." : " are done."),
          more ? Action.MORE_LAYERS : Action.NONE);
    }
    if (!answeredSince(state)) {
      return row(11, Kind.LOOK_NOW, "Ask before another layer")
          .because("No answer since this layer.")
          .key(Action.ASK)
          .build();
    }
    if (numbed(state)) {
      return finish(state, 17, "A low number on numbed skin adds no layer.", Action.NONE);
    }
    if (plan.nextRung().isPresent()
        && !state.onNextRung()
        && feels <= 1
        && redCalm
        && done < STEPPED_LAYERS_MOST) {
      return row(15, Kind.NEXT_RUNG, "Next rung: " + plan.nextRung().get().code())
          .because("Barely felt, no more than pink. The clock runs on.")
          .on(next)
          .key(Action.START_LAYER)
          .build();
    }
    if (feels >= 4) {
      return plan.firstVisit() || plan.sensitivity().atLeast(Sensitivity.SENSITIVE)
          ? finish(
              state,
              16,
              feels + " on " + (plan.firstVisit() ? "a first visit." : "sensitive skin."),
              Action.NONE)
          : row(16, Kind.SAME_AGAIN, "Same again, fan on")
              .because(feels + ", below the hold line, " + lines.hold() + ". Ending here is fine.")
              .on(next)
              .key(Action.START_LAYER)
              .other(Action.END)
              .build();
    }
    return row(17, Kind.SAME_AGAIN, "Same again")
        .because(
            "Layer "
                + (done + 1)
                + " of "
                + planned
                + "."
                + (feels <= 1 ? " Stopping is equally fine." : ""))
        .on(next)
        .key(Action.START_LAYER)
        .other(feels <= 1 ? Action.END : Action.NONE)
        .build();
  }

  private static Optional<Advice> redness(
      TreatmentPlan plan, TreatmentState state, List<Zone> active) {
    if (!open(state, 8)) return Optional.empty();
    List<Zone> deep = zonesWhere(state, active, zone -> zone.redness() == 3);
    if (!deep.isEmpty() && deep.size() * 2 > active.size()) {
      return Optional.of(
          row(8, Kind.END, "End")
              .because("Deep or patchy redness on most zones.")
              .on(deep)
              .key(Action.END)
              .build());
    }
    Family family = plan.formula().family();
    boolean frostFormula = family == Family.TCA || family == Family.JESSNER;
    List<Zone> jumped = zonesWhere(state, active, zone -> zone.rise() >= 2);
    return jumped.isEmpty() || frostFormula
        ? Optional.empty()
        : Optional.of(
            row(8, Kind.END, "End")
                .because("Redness rose two grades between looks: " + names(jumped) + ".")
                .on(jumped)
                .key(Action.END)
                .build());
  }

  private static Advice hold(
      TreatmentPlan plan, TreatmentState state, int feels, SensationLines lines) {
    List<Told> told = state.underAcid();
    boolean twice =
        told.size() >= 2
            && told.getLast().value() >= told.get(told.size() - 2).value()
            && told.get(told.size() - 2).value()
                >= SensationLines.at(plan, state, told.get(told.size() - 2).at()).hold();
    if (twice && !plan.singlePassSelfLimiting()) {
      return row(12, Kind.END, "End")
          .because(feels + ", twice running at the hold line without falling.")
          .key(Action.END)
          .build();
    }
    return row(12, Kind.HOLD, "Hold: fan, no layer")
        .because(
            feels
                + " is at the hold line, "
                + lines.hold()
                + (plan.singlePassSelfLimiting()
                    ? ". Fan until it falls."
                    : ". Ask again in 30 seconds."))
        .key(Action.FAN)
        .build();
  }

  private static Advice finish(TreatmentState state, int row, String why, Action other) {
    Optional<Instant> limit = state.limitAt();
    return limit.isPresent()
        ? AdviceDraft.row(
                row, Kind.FINISH, "Leave it to " + Words.clock(state.contactLimit().orElseThrow()))
            .because(why + " Then end it.")
            .until(limit.get())
            .other(other)
            .build()
        : AdviceDraft.row(row, Kind.FINISH, "Finish: end it")
            .because(why)
            .key(Action.END)
            .other(other)
            .build();
  }

  /// Zones that have had enough: ending whitening, redness 3, or a hot spot of 7 and more.
  private static List<Zone> spent(TreatmentPlan plan, TreatmentState state, List<Zone> active) {
    return zonesWhere(state, active, zone -> isSpent(plan, zone));
  }

  private static boolean isSpent(TreatmentPlan plan, ZoneState zone) {
    return Endpoints.ends(plan, zone)
        || zone.redness() == 3
        || zone.hotSpot().filter(value -> value >= HOT_SPOT_ENDS).isPresent();
  }

  private static String whySpent(TreatmentPlan plan, TreatmentState state, Zone zone) {
    ZoneState seen = state.zones().get(zone);
    if (Endpoints.ends(plan, seen)) return "It is at its end: " + seen.whitening().label() + ".";
    return seen.redness() == 3
        ? "Deep or patchy redness there."
        : "A hot spot of " + seen.hotSpot().orElse(0) + ".";
  }

  /// Zones on which another layer may go: never over frost, never on what is ended or spent.
  static List<Zone> startable(TreatmentPlan plan, TreatmentState state) {
    return plan.zones().stream()
        .filter(zone -> {
          ZoneState seen = state.zones().get(zone);
          return !seen.ended()
              && !seen.wipeOwed()
              && !seen.whitening().frost()
              && !isSpent(plan, seen);
        })
        .toList();
  }

  private static List<Zone> treatable(TreatmentPlan plan, TreatmentState state) {
    List<Zone> layer = state.lastLayer().map(Layer::zones).orElse(plan.zones());
    return layer.stream().filter(zone -> !state.zones().get(zone).reached()).toList();
  }

  private static String stillToCover(TreatmentPlan plan, TreatmentState state) {
    List<Zone> left = treatable(plan, state);
    return left.isEmpty() || left.size() == state.lastLayer().orElseThrow().zones().size()
        ? "Spread within a minute, thin and even."
        : capital(names(left)) + " still to cover.";
  }

  private static boolean numbed(TreatmentState state) {
    return state.response() != Response.AWAKE;
  }

  private static boolean answeredSince(TreatmentState state) {
    Instant covered = state.lastLayer().flatMap(Layer::coveredAt).orElse(Instant.MAX);
    return state.lastUnderAcid().filter(answer -> !answer.at().isBefore(covered)).isPresent()
        || numbed(state) && state.lastLookAt().filter(at -> !at.isBefore(covered)).isPresent();
  }

  private static boolean open(TreatmentState state, int row) {
    return !state.declined().contains(row);
  }

  private static List<Zone> zonesWhere(
      TreatmentState state, List<Zone> among, Predicate<ZoneState> test) {
    return among.stream().filter(zone -> test.test(state.zones().get(zone))).toList();
  }
}
