package ivesk.core.treatment;

import static ivesk.core.treatment.AdviceDraft.advice;
import static ivesk.core.treatment.AdviceDraft.names;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.plan.AddOn;
import ivesk.core.plan.CareStep;
import ivesk.core.plan.StepKind;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.product.Role;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.AcidState.Layer;
import ivesk.core.treatment.Advice.Action;
import ivesk.core.treatment.Advice.Kind;
import ivesk.core.treatment.ClientCue.Said;
import ivesk.core.treatment.Looks.Told;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.IntStream;

/// The decision after every look: the first row of the table that matches. Common practice; the
/// maker's label, the law, the licence and the supervising clinician come before it.
public final class Advisor {
  static final Duration CLOSE_CHECK_IN = Duration.ofSeconds(30);
  private static final Duration LONG_WEAR_CLOSE = Duration.ofMinutes(5);
  private static final Duration REST_ASK = Duration.ofSeconds(60);
  private static final Duration TOLD_BEFORE = Duration.ofMinutes(2);
  private static final Duration LONG_REST = Duration.ofMinutes(15);

  private Advisor() {}

  /// Where no row of the table holds.
  private static AdviceDraft outside(Kind kind, String line, String why) {
    return advice(kind, line).because(why);
  }

  public static Advice advise(TreatmentPlan plan, TreatmentState state, Instant now) {
    Look look = Look.of(plan, state, now);
    Optional<Advice> row = DecisionTable.first(look);
    if (row.isPresent()) return withBase(row.get(), plan, state);
    return switch (state.phase()) {
      case READY -> prepare(look);
      case ARMED -> withBase(start(look), plan, state);
      case ACID -> throw new IllegalStateException("with acid on the last row always answers");
      case ENDING -> longUnrest(plan, state, now).orElseGet(() -> takeOff(plan, state));
      case SETTLING -> risen(plan, state, now).orElseGet(() -> settle(plan, state, now));
      case AT_REST -> risen(plan, state, now).orElseGet(() -> rest(plan, state, now));
      case CHECKED ->
          risen(plan, state, now)
              .or(() -> besideFirst(state))
              .orElseGet(
                  () -> outside(Kind.DONE, "Done here", "Sheet, next date and signature.").build());
      case SIGNED -> outside(Kind.DONE, "Signed", "The record is closed.").key(Action.NONE).build();
      case STOPPED ->
          outside(Kind.DONE, "Stopped before any acid", "Bland care today.")
              .key(Action.NONE)
              .build();
    };
  }

  /// What one row was matched by.
  ///
  /// @param what it is, in words
  /// @param value with its unit
  public record Value(String what, String value) {}

  /// The row behind the advice of a moment, and the values that it was matched by.
  public record Why(DecisionTable.Line line, List<Value> values) {}

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

  static boolean outruns(TreatmentPlan plan, TreatmentState state, boolean nextRung) {
    return !state.acid().outrunPassed() && OnSkin.of(plan, state, nextRung).outruns();
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
      Look.tooLateForNextRungAt(plan, state).ifPresent(instants::add);
      clocks.settledAt().ifPresent(instants::add);
      clocks.limitAt().ifPresent(instants::add);
      state.spreadUntil(plan).ifPresent(instants::add);
      Look.lastStaysUntil(plan, state).ifPresent(instants::add);
      instants.addAll(Look.earlier(plan, state).values());
      instants.addAll(SensationLines.changes(plan, state));
      instants.addAll(DecisionTable.heldTwiceFrom(plan, state));
    }
    state.zones().values().forEach(zone -> zone.untestedFrom().ifPresent(instants::add));
    Alarm.of(Sign.Weight.EYE, plan, state).flatMap(Alarm::until).ifPresent(instants::add);
    if (state.phase() == Phase.SETTLING || state.phase() == Phase.ENDING) {
      state.endedAt().map(end -> end.plus(LONG_REST)).ifPresent(instants::add);
    }
    shortContact(plan, state).ifPresent(on -> instants.add(on.plus(AddOn.SHORT_LEAST)));
    CareState.runsUntil(plan, state).ifPresent(instants::add);
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

  /// What is to be said aloud to the client, past and to come: each layer and the ending are cold,
  /// the limit is told two minutes before it comes.
  public static List<ClientCue> clientCues(TreatmentPlan plan, TreatmentState state) {
    List<ClientCue> cues = new ArrayList<>();
    for (Layer layer : state.layers()) cues.add(new ClientCue(layer.startedAt(), Said.COLD_NOW));
    if (state.phase() == Phase.ACID) {
      state
          .limitAt()
          .ifPresent(limit -> {
            Instant before = limit.minus(TOLD_BEFORE);
            if (state.firstTouch().filter(before::isAfter).isPresent()) {
              cues.add(new ClientCue(before, Said.TWO_MINUTES_LEFT));
            }
            cues.add(new ClientCue(limit, Said.COMES_OFF));
          });
    }
    if (!EndingSteps.of(plan, state).contains(EndingStep.LEAVE_AS_IT_IS)) {
      state.endedAt().ifPresent(end -> cues.add(new ClientCue(end, Said.COLD_NOW)));
    }
    return List.copyOf(cues);
  }

  /// The advice for each of the eleven answers that may come next.
  public static List<Advice> ifAnswered(TreatmentPlan plan, TreatmentState state, Instant now) {
    return IntStream.rangeClosed(0, 10)
        .mapToObj(value -> answer(value, state, now))
        .map(told -> advise(plan, state.after(plan, told), told.at()))
        .toList();
  }

  /// How long after each of the eleven answers the next is due: with it a screen without a server
  /// can tell when its own unsent answer has gone stale.
  public static List<Duration> checkIns(TreatmentPlan plan, TreatmentState state, Instant now) {
    return IntStream.rangeClosed(0, 10)
        .mapToObj(value -> checkIn(plan, state.after(plan, answer(value, state, now))))
        .toList();
  }

  /// An answer given from now on: never one that would replace the last.
  private static TreatmentEvent answer(int value, TreatmentState state, Instant now) {
    Instant at =
        state
            .lastAnswer()
            .map(last -> last.at().plus(Looks.ONE_ANSWER).plusMillis(1))
            .filter(now::isBefore)
            .orElse(now);
    return new TreatmentEvent(new UUID(0, value), at, "", new SensationAnswered(value));
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

  /// Every 30 s or 60 s by formula; every 30 s on the eye contour, and after an answer of 4 or more
  /// or at the hold line; long wear every minute for five, then every five; twice as often when the
  /// client cannot answer.
  static Duration checkIn(TreatmentPlan plan, TreatmentState state) {
    Duration base = awakeCheckIn(plan, state);
    return state.response() == Response.AWAKE ? base : base.dividedBy(2);
  }

  private static Duration awakeCheckIn(TreatmentPlan plan, TreatmentState state) {
    boolean close =
        plan.regions().contains(Region.EYE_CONTOUR)
            || state
                .lastUnderAcid()
                .filter(told ->
                    told.value() >= 4
                        || told.value() >= SensationLines.at(plan, state, told.at()).hold())
                .isPresent();
    if (close) return CLOSE_CHECK_IN;
    Duration own = plan.formula().checkIn();
    if (state.acid().onNextRung()) {
      Duration next = plan.nextRung().orElseThrow().checkIn();
      return next.compareTo(own) < 0 ? next : own;
    }
    boolean rare =
        plan.formula().family() == Family.LONG_WEAR
            && state.firstTouch().isPresent()
            && !lastLook(state, state.firstTouch().get())
                .isBefore(state.firstTouch().get().plus(LONG_WEAR_CLOSE));
    return rare ? LONG_WEAR_CLOSE : own;
  }

  private static Instant lastLook(TreatmentState state, Instant firstTouch) {
    return state.acid().lastLookAt().filter(firstTouch::isBefore).orElse(firstTouch);
  }

  private static Advice prepare(Look look) {
    TreatmentState state = look.state();
    if (look.noMoreAcid()) {
      return outside(
              Kind.PREPARE,
              "No acid today",
              "There was an alarm. Only the supervising clinician, by own sign-in, lets it go on.")
          .key(Action.END)
          .build();
    }
    if (state.ready().stepsDone().containsKey(ReadyStep.GATE_A)
        || Treatment.prepAnswer(state).isEmpty()) {
      return outside(Kind.PREPARE, "Get ready", "Steps are open").key(Action.ARM).build();
    }
    return outside(Kind.PREPARE, "Decide on the answer to the prep", "No acid before that.")
        .build();
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
    List<Zone> hot = look.where(look.plan().zones(), zone -> zone.hotSpot().isPresent());
    return advice(Kind.START, "Start the first layer")
        .because(
            hot.isEmpty()
                ? "The clock starts as the acid first touches."
                : Words.capital(names(hot)) + " under barrier, left out of this layer.")
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
                .because(whyTakenOff(plan))
                .steps(steps.stream().map(EndingStep::words).toList())
                .key(Action.ENDING_STEP)
                .build())
        .orElseGet(() -> outside(Kind.SETTLE, "Ask how it feels", "").key(Action.ASK).build());
  }

  private static String whyTakenOff(TreatmentPlan plan) {
    boolean frosts = plan.formula().frost() != Family.Frost.INJURY;
    if (frosts || plan.formula().mayCrystallise()) {
      return "What has been absorbed runs its course. A neutraliser does not undo a frost.";
    }
    return EndingSteps.neutralised(plan)
        ? "Neutralise before anything else."
        : "Before anything else.";
  }

  /// Fifteen minutes after END and not at rest: said whatever step is open and whatever white is
  /// watched.
  private static Optional<Advice> longUnrest(
      TreatmentPlan plan, TreatmentState state, Instant now) {
    boolean comesOffFirst = state.care().addOnOn() || CareState.running(plan, state).isPresent();
    if (comesOffFirst || !longUnrest(state, now)) return Optional.empty();
    return Optional.of(
        advice(Kind.SETTLE, "Cool, check each zone, call the clinician")
            .because("Fifteen minutes since the end and not at rest.")
            .key(state.phase() == Phase.ENDING ? Action.ENDING_STEP : Action.ASK)
            .build());
  }

  private static boolean longUnrest(TreatmentState state, Instant now) {
    boolean unrest = state.phase() == Phase.SETTLING || state.phase() == Phase.ENDING;
    return unrest && state.endedAt().filter(end -> !now.isBefore(end.plus(LONG_REST))).isPresent();
  }

  /// What is to be done first, and the call where it is due.
  private static String andCall(String first, TreatmentState state, Instant now) {
    return longUnrest(state, now)
        ? first + " Fifteen minutes since the end and not at rest: call the clinician."
        : first;
  }

  /// A region that is settled beside comes to its own rest before the client leaves.
  private static Optional<Advice> besideFirst(TreatmentState state) {
    return state.beside().stream()
        .filter(one -> !one.settled())
        .findFirst()
        .map(one ->
            outside(
                    Kind.REST,
                    "Ask how " + one.plan().where() + " feels",
                    one.state()
                        .lastAnswer()
                        .map(told ->
                            Words.fill(
                                "%s was told there. Nobody leaves before it is at rest.",
                                told.value()))
                        .orElse("Nobody leaves before it is at rest."))
                .key(Action.ASK_BESIDE)
                .build());
  }

  /// A region that is settled beside, with its own advice.
  ///
  /// @param askAt when to ask it next; empty once it is at rest
  public record BesideAdvice(Beside region, Advice advice, Optional<Instant> askAt) {}

  /// The regions that are settled while this one is treated.
  public static List<BesideAdvice> beside(TreatmentState state, Instant now) {
    return state.beside().stream()
        .map(one ->
            new BesideAdvice(
                one, advise(one.plan(), one.state(), now), clocks(one.plan(), one.state()).askAt()))
        .toList();
  }

  /// White, deep redness or an untested white after END: said in whatever phase it shows.
  private static Optional<Advice> risen(TreatmentPlan plan, TreatmentState state, Instant now) {
    Action ask = state.phase() == Phase.SETTLING ? Action.ASK : Action.LEAVING_CHECK;
    if (state.phase() == Phase.CHECKED) ask = Action.NONE;
    List<Zone> owed = zones(plan, state, ZoneState::wipeOwed);
    if (!owed.isEmpty()) {
      return Optional.of(
          advice(Kind.WIPE_TEST, "Wipe test: damp swab over the white")
              .because(andCall("Comes off: crystals, harmless. Stays: frost.", state, now))
              .on(owed)
              .key(Action.WIPE)
              .build());
    }
    List<Zone> white = Risen.white(plan, state.zones());
    if (!white.isEmpty()) {
      return Optional.of(
          advice(Kind.SETTLE, "Incident: cool, look again in 60 s")
              .because("White after the end: " + names(white) + ". Call the clinician.")
              .on(white)
              .key(ask)
              .build());
    }
    List<Zone> deep = zones(plan, state, zone -> zone.redness() == 3);
    if (!deep.isEmpty()) {
      return Optional.of(
          advice(Kind.SETTLE, "Incident: cool, write it down")
              .because(
                  andCall(
                      "Deep or patchy redness: "
                          + names(deep)
                          + ". The clinician hears of it before the client leaves.",
                      state,
                      now))
              .on(deep)
              .key(ask)
              .build());
    }
    Optional<Advice> called = longUnrest(plan, state, now);
    if (called.isPresent()) return called;
    List<Zone> pinpoint = Risen.pinpoint(plan, state.zones());
    if (pinpoint.isEmpty() || state.phase() != Phase.SETTLING) return Optional.empty();
    return Optional.of(
        advice(
                Kind.SETTLE,
                EndingSteps.neutralised(plan)
                    ? "Press neutraliser on it, look again in 60 s"
                    : "Press a cool cloth on it, look again in 60 s")
            .because(
                andCall(
                    "Pinpoint white on " + names(pinpoint) + ". More than that is an incident.",
                    state,
                    now))
            .on(pinpoint)
            .until(clocks(plan, state).askAt().orElseThrow())
            .key(Action.ASK)
            .build());
  }

  private static List<Zone> zones(
      TreatmentPlan plan, TreatmentState state, Predicate<ZoneState> test) {
    return plan.zones().stream().filter(zone -> test.test(state.zones().get(zone))).toList();
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
              Words.capital(plan.addOn().orElseThrow().words()))
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
    return care(plan, state, now)
        .or(() -> nextStage(plan, state))
        .or(() -> besideFirst(state))
        .orElseGet(() ->
            outside(Kind.REST, "At rest", "Check before the client leaves.")
                .key(Action.LEAVING_CHECK)
                .build());
  }

  /// What is on for a time, then the next step as it was written.
  private static Optional<Advice> care(TreatmentPlan plan, TreatmentState state, Instant now) {
    Optional<CareStep> running = CareState.running(plan, state);
    if (running.isPresent()) {
      Instant until = CareState.runsUntil(plan, state).orElse(now);
      String what = running.get().label();
      return Optional.of(
          now.isBefore(until)
              ? outside(Kind.REST, "Leave it on: " + what, running.get().doneSign())
                  .until(until)
                  .key(Action.CARE_OFF)
                  .build()
              : outside(Kind.REST, "Time is over: " + what, whenOver(running.get()))
                  .key(Action.CARE_OFF)
                  .build());
    }
    List<CareStep> open = CareState.open(plan, state);
    if (!open.isEmpty()
        && state.barrierOn()
        && state.phase() == Phase.AT_REST
        && (Gate.before(open.getFirst(), plan, state).isEmpty() || opens(state).isEmpty())) {
      return Optional.of(
          outside(
                  Kind.REST,
                  "At rest. Wipe the barrier off",
                  "It comes off before " + open.getFirst().label() + " and what follows.")
              .key(Action.BARRIER)
              .other(Action.LEAVING_CHECK)
              .build());
    }
    return open.stream()
        .findFirst()
        .map(step -> {
          Optional<String> shut = Gate.before(step, plan, state);
          return outside(
                  Kind.REST,
                  "At rest. Next: " + step.label(),
                  shut.map(why -> Words.capital(why) + ".")
                      .orElseGet(() -> howTo(step, plan, state)))
              .on(step.zones())
              .key(shut.isEmpty() ? Action.CARE : opens(state).orElse(Action.NONE))
              .other(Action.LEAVING_CHECK)
              .build();
        });
  }

  /// What would open a shut gate: a look.
  private static Optional<Action> opens(TreatmentState state) {
    return state.ending().lookedAt().isEmpty() ? Optional.of(Action.REDNESS) : Optional.empty();
  }

  private static String whenOver(CareStep step) {
    return step.kind() == StepKind.MASK
        ? "Lift it gently, from the neck up; no residue."
        : "Take it off, or go on.";
  }

  private static String howTo(CareStep step, TreatmentPlan plan, TreatmentState state) {
    if (step.role().filter(Role.SERUM::equals).isPresent() && soothe(plan, state)) {
      return "A barrier product instead of an active serum: "
          + (plan.firstVisit()
              ? "first visit."
              : plan.careful() ? "sensitive skin." : "the skin is red.");
    }
    String said = step.said().isEmpty() ? "" : "Say first: " + step.said() + " ";
    if (step.kind() == StepKind.MASK) {
      return said + "Mouth and nose free. " + step.how();
    }
    if (step.extracts()) {
      return said + "Few, fresh lancet held shallow, skin taut; the smallest tool on the nose.";
    }
    String how = step.how();
    return said + (how.isEmpty() ? "Pressed in, no massage." : how + "; pressed in, no massage.");
  }

  /// First visit, sensitive or red skin: nothing active goes on it.
  private static boolean soothe(TreatmentPlan plan, TreatmentState state) {
    return plan.careful() || state.zones().values().stream().anyMatch(zone -> zone.redness() >= 2);
  }

  /// The stage after this one, where one is planned; gate B stands before it.
  private static Optional<Advice> nextStage(TreatmentPlan plan, TreatmentState state) {
    return plan.staging()
        .next()
        .map(next -> {
          String what =
              Words.fill(
                  "Stage %d of %d: %s on %s",
                  next.staging().number(),
                  next.staging().of(),
                  next.formula().code(),
                  next.where());
          Optional<String> shut = Gate.next(plan, state);
          if (shut.isPresent()) {
            return outside(Kind.REST, "Not yet: " + what, Words.capital(shut.get()) + ".")
                .key(
                    state.ending().lookedAt().isEmpty() && next.sharesSkin(plan)
                        ? Action.REDNESS
                        : Action.ASK)
                .other(Action.LEAVING_CHECK)
                .build();
          }
          return plan.careful()
              ? outside(
                      Kind.REST,
                      "Stop here, or go on by choice",
                      what
                          + ". "
                          + (plan.firstVisit() ? "First visit" : "Sensitive skin")
                          + ": off unless chosen.")
                  .key(Action.LEAVING_CHECK)
                  .other(Action.NEXT_STAGE)
                  .build()
              : outside(Kind.REST, what, "Gate B is passed: 3 at most, pink at most, no frost.")
                  .key(Action.NEXT_STAGE)
                  .other(Action.LEAVING_CHECK)
                  .build();
        });
  }

  private static String aboveRest(TreatmentState state) {
    return state.lastAnswer().map(told -> told.value() + " is above rest.").orElse("");
  }

  private static Advice settle(TreatmentPlan plan, TreatmentState state, Instant now) {
    if (state.care().addOnOn()) {
      String code = plan.addOn().orElseThrow().formula().code();
      return advice(Kind.SETTLE, "Wipe the " + code + " off, then cool")
          .because(andCall(aboveRest(state), state, now))
          .key(Action.WIPE_ADD_ON)
          .build();
    }
    Optional<CareStep> on = CareState.running(plan, state);
    if (on.isPresent()) {
      return advice(Kind.SETTLE, "Take it off, then cool: " + on.get().label())
          .because(andCall(aboveRest(state), state, now))
          .key(Action.CARE_OFF)
          .build();
    }
    Instant ended = state.endedAt().orElseThrow();
    Optional<Told> told =
        state
            .lastAnswer()
            .filter(answer -> answer.at().isAfter(ended))
            .filter(answer -> answer.value() > plan.restAtMost());
    List<Zone> hot = zones(plan, state, zone -> zone.spotAbove(plan.restAtMost()));
    return advice(Kind.SETTLE, told.isPresent() ? "Cool, then ask again" : "Ask how it feels")
        .on(hot)
        .because(
            told.map(answer -> answer.value() + " is above rest. Minutes are normal.")
                .or(() ->
                    hot.isEmpty()
                        ? Optional.empty()
                        : Optional.of("A hot spot is above rest: " + names(hot) + "."))
                .orElse("Rest is " + plan.restAtMost() + " or less. No fixed time."))
        .until(clocks(plan, state).askAt().orElseThrow())
        .key(Action.ASK)
        .other(Gate.next(plan, state).isEmpty() ? Action.NEXT_STAGE : Action.NONE)
        .build();
  }
}
