package ivesk.core.treatment;

import static ivesk.core.treatment.AdviceDraft.advice;
import static ivesk.core.treatment.AdviceDraft.capital;
import static ivesk.core.treatment.AdviceDraft.names;

import ivesk.core.plan.AddOn;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.AcidState.Layer;
import ivesk.core.treatment.Advice.Action;
import ivesk.core.treatment.Advice.Kind;
import ivesk.core.treatment.Looks.Told;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.IntStream;

/// The decision after every look: the first row of the table that matches. Common practice; the
/// maker's label, the law, the licence and the supervising clinician come before it.
public final class Advisor {
  static final Duration CLOSE_CHECK_IN = Duration.ofSeconds(30);
  private static final Duration REST_ASK = Duration.ofSeconds(60);
  private static final Duration LONG_REST = Duration.ofMinutes(15);

  private Advisor() {}

  /// Where no row of the table holds.
  private static AdviceDraft outside(Kind kind, String line, String why) {
    return advice(kind, line).because(why);
  }

  public static Advice advise(TreatmentPlan plan, TreatmentState state, Instant now) {
    Look look = Look.of(plan, state, now);
    Optional<Advice> row = DecisionTable.first(look);
    if (row.isPresent()) return row.get();
    return switch (state.phase()) {
      case READY -> outside(Kind.PREPARE, "Get ready", "Steps are open").key(Action.ARM).build();
      case ARMED -> start(look);
      case ACID -> throw new IllegalStateException("with acid on the last row always answers");
      case ENDING -> takeOff(plan, state);
      case SETTLING -> settle(plan, state, now);
      case AT_REST -> rest(plan, state, now);
      case CHECKED ->
          outside(Kind.DONE, "Done here", "Sheet, next date and signature.")
              .key(Action.NONE)
              .build();
      case SIGNED -> outside(Kind.DONE, "Signed", "The record is closed.").key(Action.NONE).build();
      case STOPPED ->
          outside(Kind.DONE, "Stopped before any acid", "Bland care today.")
              .key(Action.NONE)
              .build();
    };
  }

  /// Every coming instant at which the screen changes if nothing new is observed.
  public static List<Cue> cues(TreatmentPlan plan, TreatmentState state) {
    TreeSet<Instant> instants = new TreeSet<>();
    Clocks clocks = clocks(plan, state);
    clocks.askAt().ifPresent(instants::add);
    if (state.phase() == Phase.ACID) {
      clocks.askAt().map(at -> at.plus(DecisionTable.GRACE)).ifPresent(instants::add);
      if (DecisionTable.endsUnseen(plan, state)) {
        clocks.askAt().map(at -> at.plus(DecisionTable.NOBODY_LOOKS)).ifPresent(instants::add);
      }
      Look.tooLateAt(plan, state).ifPresent(instants::add);
      clocks.settledAt().ifPresent(instants::add);
      clocks.limitAt().ifPresent(instants::add);
      SensationLines.windowEnds(plan, state).ifPresent(instants::add);
    }
    if (state.phase() == Phase.SETTLING) {
      state.endedAt().map(end -> end.plus(LONG_REST)).ifPresent(instants::add);
    }
    shortContact(plan, state).ifPresent(on -> instants.add(on.plus(AddOn.SHORT_LEAST)));
    return instants.tailSet(state.lastEventAt(), false).stream()
        .map(at ->
            new Cue(
                at,
                clocks.limitAt().filter(at::equals).isPresent()
                    ? Cue.Kind.LIMIT
                    : clocks.askAt().filter(at::equals).isPresent()
                        ? Cue.Kind.ASK
                        : Cue.Kind.ADVICE,
                advise(plan, state, at),
                ifAnswered(plan, state, at)))
        .toList();
  }

  /// The advice for each of the eleven answers that may come next.
  public static List<Advice> ifAnswered(TreatmentPlan plan, TreatmentState state, Instant now) {
    return IntStream.rangeClosed(0, 10)
        .mapToObj(value -> {
          TreatmentEvent answer =
              new TreatmentEvent(new UUID(0, value), now, "", new SensationAnswered(value));
          return advise(plan, state.after(plan, answer), now);
        })
        .toList();
  }

  /// The instants that the clocks count from and to.
  ///
  /// @param settledAt when the dwell of the covered layer is over
  /// @param askAt when to ask next
  public record Clocks(
      Optional<Instant> firstTouch,
      Optional<Instant> limitAt,
      Optional<Instant> settledAt,
      Optional<Instant> askAt,
      Optional<Instant> endedAt) {}

  public static Clocks clocks(TreatmentPlan plan, TreatmentState state) {
    Optional<Instant> settled =
        state.lastLayer().flatMap(Layer::coveredAt).map(covered -> covered.plus(plan.dwell()));
    Optional<Instant> ask =
        switch (state.phase()) {
          case ACID ->
              state.firstTouch().map(start -> lastLook(state, start).plus(checkIn(plan, state)));
          case SETTLING ->
              state
                  .endedAt()
                  .map(end -> state.lastAnswer().map(Told::at).filter(end::isBefore).orElse(end))
                  .map(last -> last.plus(REST_ASK));
          case READY, ARMED, ENDING, AT_REST, CHECKED, SIGNED, STOPPED -> Optional.empty();
        };
    return new Clocks(state.firstTouch(), state.limitAt(), settled, ask, state.endedAt());
  }

  /// Every 30 s or 60 s by formula; every 30 s after an answer of 4 or more; twice as often when
  /// the client cannot answer.
  static Duration checkIn(TreatmentPlan plan, TreatmentState state) {
    Duration base = plan.formula().checkIn();
    if (state.lastUnderAcid().filter(answer -> answer.value() >= 4).isPresent())
      base = CLOSE_CHECK_IN;
    return state.response() == Response.AWAKE ? base : base.dividedBy(2);
  }

  private static Instant lastLook(TreatmentState state, Instant firstTouch) {
    return state.acid().lastLookAt().filter(firstTouch::isBefore).orElse(firstTouch);
  }

  /// Armed, no acid yet: the first layer, unless there is a reason not to begin.
  private static Advice start(Look look) {
    List<Zone> zones = look.startable();
    if (look.state().signs().contains(Sign.ASKS_TO_STOP)) {
      return outside(Kind.PREPARE, "Do not start", "The client asks to stop.")
          .key(Action.END)
          .build();
    }
    if (zones.isEmpty()) {
      return outside(Kind.PREPARE, "Do not start", "No zone is fit for acid: red, white or hot.")
          .key(Action.END)
          .build();
    }
    return advice(Kind.START, "Start the first layer")
        .because("The clock starts as the acid first touches.")
        .on(zones)
        .key(Action.START_LAYER)
        .build();
  }

  static Advice takeOff(TreatmentPlan plan, TreatmentState state) {
    List<EndingStep> steps = EndingSteps.of(plan, state);
    return steps.stream()
        .filter(step -> !state.ending().steps().contains(step))
        .findFirst()
        .map(step ->
            advice(Kind.TAKE_OFF, step.words())
                .because(
                    plan.formula().mayCrystallise() || plan.formula().family().strong()
                        ? "What has been absorbed runs its course. A neutraliser does not undo"
                            + " a frost."
                        : "Neutralise or rinse before anything else.")
                .steps(steps.stream().map(EndingStep::words).toList())
                .key(Action.ENDING_STEP)
                .build())
        .orElseGet(() -> outside(Kind.SETTLE, "Ask how it feels", "").key(Action.ASK).build());
  }

  /// When an add-on that is to come off in the room was put on; empty where none is on.
  static Optional<Instant> shortContact(TreatmentPlan plan, TreatmentState state) {
    return plan.addOn()
        .filter(after -> after.shortContact() && state.care().addOnOn())
        .flatMap(after -> state.care().addOnAt());
  }

  private static Advice rest(TreatmentPlan plan, TreatmentState state, Instant now) {
    String code = plan.addOn().map(after -> after.formula().code()).orElse("");
    if (Treatment.addOn(plan, state).isEmpty()) {
      return outside(
              Kind.REST,
              "At rest: " + code + " may go on",
              capital(plan.addOn().orElseThrow().words()))
          .key(Action.ADD_ON)
          .other(Action.LEAVING_CHECK)
          .build();
    }
    Optional<Instant> on = shortContact(plan, state);
    if (on.isPresent()) {
      Instant least = on.get().plus(AddOn.SHORT_LEAST);
      return now.isBefore(least)
          ? outside(Kind.REST, "Leave the " + code + " on", "Wiped off after 5 to 10 minutes.")
              .until(least)
              .key(Action.WIPE_ADD_ON)
              .build()
          : outside(Kind.REST, "Wipe the " + code + " off", "It stays for 10 minutes at most.")
              .until(on.get().plus(AddOn.SHORT_MOST))
              .key(Action.WIPE_ADD_ON)
              .build();
    }
    return outside(Kind.REST, "At rest", "Check before the client leaves.")
        .key(Action.LEAVING_CHECK)
        .build();
  }

  private static Advice settle(TreatmentPlan plan, TreatmentState state, Instant now) {
    if (state.care().addOnOn()) {
      String code = plan.addOn().orElseThrow().formula().code();
      return advice(Kind.SETTLE, "Wipe the " + code + " off, then cool")
          .because(
              state
                  .lastAnswer()
                  .map(Told::value)
                  .map(value -> value + " is above rest.")
                  .orElse(""))
          .key(Action.WIPE_ADD_ON)
          .build();
    }
    Instant ended = state.endedAt().orElseThrow();
    List<Zone> rising =
        plan.zones().stream()
            .filter(zone -> state.zones().get(zone).whitening().atLeast(Whitening.F2))
            .toList();
    boolean frostIsPlanned = Endpoints.planned(plan).isPresent();
    if (!rising.isEmpty() && !frostIsPlanned) {
      return advice(Kind.SETTLE, "Incident: cool, look again in 60 s")
          .because("Even white after the end: " + names(rising) + ". Call the clinician.")
          .on(rising)
          .key(Action.ASK)
          .build();
    }
    if (!now.isBefore(ended.plus(LONG_REST))) {
      return advice(Kind.SETTLE, "Cool, check each zone, call the clinician")
          .because("Fifteen minutes since the end and not at rest.")
          .key(Action.ASK)
          .build();
    }
    Optional<Told> told = state.lastAnswer().filter(answer -> answer.at().isAfter(ended));
    return advice(Kind.SETTLE, told.isPresent() ? "Cool, then ask again" : "Ask how it feels")
        .because(
            told.map(answer -> answer.value() + " is above rest. Minutes are normal.")
                .orElse("Rest is " + plan.restAtMost() + " or less. No fixed time."))
        .until(clocks(plan, state).askAt().orElseThrow())
        .key(Action.ASK)
        .build();
  }
}
