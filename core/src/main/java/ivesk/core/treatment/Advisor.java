package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.Advice.Action;
import ivesk.core.treatment.Advice.Kind;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentState.Layer;
import ivesk.core.treatment.TreatmentState.Told;
import ivesk.core.treatment.TreatmentState.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.IntStream;

/// The decision after every look: the first row of the table that matches. Common practice; the
/// maker's label, the law, the licence and the supervising clinician come before it.
public final class Advisor {
  private static final Duration CLOSE = Duration.ofSeconds(30);
  private static final Duration GRACE = Duration.ofSeconds(15);
  private static final Duration REST_ASK = Duration.ofSeconds(60);
  private static final Duration LONG_REST = Duration.ofMinutes(15);
  private static final int HOT_SPOT_ENDS = 7;
  private static final int STEPPED_LAYERS_MOST = 3;

  /// Rows that a few words of reason may pass: END and HOLD by sensation and redness. Rows 1 to 5
  /// and 7 never.
  private static final Set<Integer> PASSABLE = Set.of(6, 8, 10, 12);

  private static final Set<Sign> SWELLING_SIGNS =
      EnumSet.of(Sign.BLISTER, Sign.SWELLING, Sign.WHEALS);

  private Advisor() {}

  public static Advice advise(TreatmentPlan plan, TreatmentState state, Instant now) {
    Optional<Advice> danger = danger(plan, state);
    if (danger.isPresent()) return danger.get();
    return switch (state.phase()) {
      case READY -> before(Kind.PREPARE, "Get ready", "Steps are open", Action.ARM);
      case ARMED -> start(plan, state);
      case ACID -> table(plan, state, now);
      case ENDING -> takeOff(plan, state);
      case SETTLING -> settle(plan, state, now);
      case AT_REST ->
          before(Kind.REST, "At rest", "Check before the client leaves.", Action.LEAVING_CHECK);
      case CHECKED ->
          before(Kind.DONE, "Done here", "Sheet, next date and signature.", Action.NONE);
      case SIGNED -> before(Kind.DONE, "Signed", "The record is closed.", Action.NONE);
      case STOPPED ->
          before(Kind.DONE, "Stopped before any acid", "Bland care today.", Action.NONE);
    };
  }

  /// Every coming instant at which the screen changes if nothing new is observed.
  public static List<Cue> cues(TreatmentPlan plan, TreatmentState state) {
    TreeSet<Instant> instants = new TreeSet<>();
    Clocks clocks = clocks(plan, state);
    clocks.askAt().ifPresent(instants::add);
    if (state.phase() == Phase.ACID) {
      clocks.askAt().map(at -> at.plus(GRACE)).ifPresent(instants::add);
      clocks.settledAt().ifPresent(instants::add);
      clocks.limitAt().ifPresent(instants::add);
      SensationLines.windowEnds(plan, state).ifPresent(instants::add);
    }
    if (state.phase() == Phase.SETTLING) {
      state.endingStartedAt().map(end -> end.plus(LONG_REST)).ifPresent(instants::add);
    }
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
        state
            .lastLayer()
            .flatMap(Layer::coveredAt)
            .map(covered -> covered.plus(plan.formula().dwell()));
    Optional<Instant> ask =
        switch (state.phase()) {
          case ACID ->
              state.firstTouch().map(start -> lastLook(state, start).plus(checkIn(plan, state)));
          case SETTLING ->
              state
                  .endingStartedAt()
                  .map(end -> state.lastAnswer().map(Told::at).filter(end::isBefore).orElse(end))
                  .map(last -> last.plus(REST_ASK));
          default -> Optional.empty();
        };
    return new Clocks(state.firstTouch(), state.limitAt(), settled, ask, state.endingStartedAt());
  }

  /// Every 30 s or 60 s by formula; every 30 s after an answer of 4 or more; twice as often when
  /// the client cannot answer.
  static Duration checkIn(TreatmentPlan plan, TreatmentState state) {
    Duration base = plan.formula().checkIn();
    if (state.lastUnderAcid().filter(answer -> answer.value() >= 4).isPresent()) base = CLOSE;
    return state.response() == Response.AWAKE ? base : base.dividedBy(2);
  }

  private static Instant lastLook(TreatmentState state, Instant firstTouch) {
    return state.lastLookAt().filter(firstTouch::isBefore).orElse(firstTouch);
  }

  /// Rows 1 to 3, which hold before, during and after the acid.
  private static Optional<Advice> danger(TreatmentPlan plan, TreatmentState state) {
    Optional<Sign> emergency = sign(state, Sign.Weight.EMERGENCY);
    if (emergency.isPresent()) {
      return Optional.of(
          plain(1, Kind.EMERGENCY, "Emergency: call now")
              .because(emergency.get().label() + " was seen.")
              .steps(
                  "Call the emergency number",
                  "Lie flat, legs up; sit if breathless",
                  "The client's own adrenaline, if there is one",
                  "Wash the product off",
                  "Do not leave",
                  "Ringing ears, nausea or fast breathing after salicylic: poison centre too")
              .key(acidOn(state) ? Action.END : Action.NONE)
              .build());
    }
    if (state.signs().contains(Sign.EYE)) {
      return Optional.of(
          plain(2, Kind.EYE, "Rinse the eye now, 15 minutes")
              .because("Product is in the eye.")
              .steps(
                  "Lids held open, nose outward, water or saline",
                  "Lenses out",
                  "No neutraliser in the eye",
                  "Someone takes the acid off the skin",
                  "Go on to emergency care")
              .key(acidOn(state) ? Action.END : Action.NONE)
              .build());
    }
    List<Zone> injured =
        plan.zones().stream()
            .filter(zone -> state.zones().get(zone).whitening().atLeast(Whitening.F3))
            .toList();
    Optional<Sign> injury =
        state.signs().stream().filter(SWELLING_SIGNS::contains).sorted().findFirst();
    if (state.phase().closed() || injured.isEmpty() && injury.isEmpty()) return Optional.empty();
    String seen = injury.map(Sign::label).orElse("frost beyond any endpoint, " + names(injured));
    return Optional.of(
        plain(3, Kind.END_NOW, acidOn(state) ? "End now, cool" : "Incident: cool, call")
            .because(capital(seen) + ".")
            .on(injured)
            .steps(
                "Cool with wet compresses, no ice",
                "Write the incident down",
                "Call the supervising clinician")
            .key(acidOn(state) ? Action.END : followUp(plan, state))
            .build());
  }

  private static Action followUp(TreatmentPlan plan, TreatmentState state) {
    return switch (state.phase()) {
      case ENDING -> takeOff(plan, state).action();
      case SETTLING -> Action.ASK;
      case AT_REST -> Action.LEAVING_CHECK;
      case READY, ARMED, ACID, CHECKED, SIGNED, STOPPED -> Action.NONE;
    };
  }

  private static boolean acidOn(TreatmentState state) {
    return state.phase() == Phase.ACID;
  }

  /// Armed, no acid yet: the first layer, unless there is a reason not to begin.
  private static Advice start(TreatmentPlan plan, TreatmentState state) {
    List<Zone> zones = startable(plan, state);
    if (state.signs().contains(Sign.ASKS_TO_STOP)) {
      return before(Kind.PREPARE, "Do not start", "The client asks to stop.", Action.END);
    }
    if (zones.isEmpty()) {
      return before(
          Kind.PREPARE, "Do not start", "No zone is fit for acid: red, white or hot.", Action.END);
    }
    return plain(0, Kind.START, "Start the first layer")
        .because("The clock starts as the acid first touches.")
        .on(zones)
        .key(Action.START_LAYER)
        .build();
  }

  /// Rows 4 to 17, while acid is on.
  private static Advice table(TreatmentPlan plan, TreatmentState state, Instant now) {
    List<Zone> treated = state.treated(plan);
    List<Zone> active = state.active(plan);
    Optional<Told> told = state.lastUnderAcid();
    int feels = told.map(Told::value).orElse(0);
    SensationLines lines =
        SensationLines.at(plan, state, told.map(Told::at).orElse(state.lastEventAt()));

    if (state.signs().contains(Sign.ASKS_TO_STOP)) {
      return plain(4, Kind.END, "End").because("The client asks to stop.").key(Action.END).build();
    }
    Optional<Instant> limit = state.limitAt();
    if (limit.isPresent() && !now.isBefore(limit.get())) {
      return plain(5, Kind.END_NOW, "End now")
          .because(
              "The limit of " + Words.clock(state.contactLimit().orElseThrow()) + " is reached.")
          .key(Action.END)
          .build();
    }
    if (told.isPresent() && feels >= lines.stop() && open(state, 6)) {
      return plain(6, Kind.END, "End")
          .because("The answer " + feels + " is at the stop line, " + lines.stop() + ".")
          .key(Action.END)
          .build();
    }
    List<Zone> white =
        treated.stream().filter(z -> Endpoints.ends(plan, state.zones().get(z))).toList();
    if (!white.isEmpty() && Endpoints.halfOrMore(white, treated)) {
      return plain(7, Kind.END, "End")
          .because("Ending whitening on half the treated area or more: " + names(white) + ".")
          .on(white)
          .key(Action.END)
          .build();
    }
    Optional<Advice> redness = redness(plan, state, active);
    if (redness.isPresent()) return redness.get();
    if (state.wipeOwed()) {
      return plain(9, Kind.WIPE_TEST, "Wipe test: damp swab over the white")
          .because("Comes off: crystals, harmless. Stays: frost. No layer until it is done.")
          .on(zonesWhere(state, active, ZoneState::wipeOwed))
          .key(Action.WIPE)
          .build();
    }
    List<Zone> spent = spent(plan, state, active);
    if (!spent.isEmpty() && open(state, 10)) {
      return plain(10, Kind.END_ZONE, "End the " + spent.getFirst().label())
          .because(whySpent(plan, state, spent.getFirst()) + " The rest goes on.")
          .on(spent.subList(0, 1))
          .key(Action.END_ZONE)
          .build();
    }
    Instant ask = clocks(plan, state).askAt().orElseThrow();
    if (!now.isBefore(ask.plus(GRACE))) {
      return plain(11, Kind.LOOK_NOW, "Look now, and ask")
          .because("No answer since " + (told.isPresent() ? "the last " + feels : "the acid") + ".")
          .key(Action.ASK)
          .build();
    }
    if (told.isPresent() && feels >= lines.hold() && open(state, 12)) {
      return hold(plan, state, feels, lines);
    }
    if (state.layerRunning()) {
      return plain(13, Kind.WAIT, "Finish this layer")
          .because(stillToCover(plan, state))
          .on(treatable(plan, state))
          .key(Action.COVERED)
          .build();
    }
    Instant settled = clocks(plan, state).settledAt().orElseThrow();
    if (now.isBefore(settled)) {
      return plain(13, Kind.WAIT, "Wait")
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
      return finish(plan, state, 14, "The planned endpoint is reached.", Action.NONE);
    }
    if (next.isEmpty()) {
      return finish(plan, state, 14, "No zone is left for another layer.", Action.NONE);
    }
    if (done >= planned) {
      boolean more = planned < plan.layersAtMost() && !numbed(state) && answeredSince(state);
      return finish(
          plan,
          state,
          14,
          Words.count(done, "planned layer") + (done == 1 ? " is done." : " are done."),
          more ? Action.MORE_LAYERS : Action.NONE);
    }
    if (!answeredSince(state)) {
      return plain(11, Kind.LOOK_NOW, "Ask before another layer")
          .because("No answer since this layer.")
          .key(Action.ASK)
          .build();
    }
    if (numbed(state)) {
      return finish(plan, state, 17, "A low number on numbed skin adds no layer.", Action.NONE);
    }
    if (plan.nextRung().isPresent()
        && !state.onNextRung()
        && feels <= 1
        && redCalm
        && done < STEPPED_LAYERS_MOST) {
      return plain(15, Kind.NEXT_RUNG, "Next rung: " + plan.nextRung().get().code())
          .because("Barely felt, no more than pink. The clock runs on.")
          .on(next)
          .key(Action.START_LAYER)
          .build();
    }
    if (feels >= 4) {
      return plan.firstVisit() || plan.sensitivity().atLeast(Sensitivity.SENSITIVE)
          ? finish(
              plan,
              state,
              16,
              feels + " on " + (plan.firstVisit() ? "a first visit." : "sensitive skin."),
              Action.NONE)
          : plain(16, Kind.SAME_AGAIN, "Same again, fan on")
              .because(feels + ", below the hold line, " + lines.hold() + ". Ending here is fine.")
              .on(next)
              .key(Action.START_LAYER)
              .other(Action.END)
              .build();
    }
    return plain(17, Kind.SAME_AGAIN, "Same again")
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
          plain(8, Kind.END, "End")
              .because("Deep or patchy redness on most zones.")
              .on(deep)
              .key(Action.END)
              .build());
    }
    boolean frostFormula =
        switch (plan.formula().family()) {
          case TCA, JESSNER -> true;
          case PHA, ENZYME, LACTIC, MANDELIC, AZELAIC_MANDELIC, GLYCOLIC, SALICYLIC, PYRUVIC ->
              false;
        };
    List<Zone> jumped = zonesWhere(state, active, zone -> zone.rise() >= 2);
    return jumped.isEmpty() || frostFormula
        ? Optional.empty()
        : Optional.of(
            plain(8, Kind.END, "End")
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
      return plain(12, Kind.END, "End")
          .because(feels + ", twice running at the hold line without falling.")
          .key(Action.END)
          .build();
    }
    return plain(12, Kind.HOLD, "Hold: fan, no layer")
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

  private static Advice finish(
      TreatmentPlan plan, TreatmentState state, int row, String why, Action other) {
    Optional<Instant> limit = state.limitAt();
    return limit.isPresent()
        ? plain(row, Kind.FINISH, "Leave it to " + Words.clock(state.contactLimit().orElseThrow()))
            .because(why + " Then end it.")
            .until(limit.get())
            .other(other)
            .build()
        : plain(row, Kind.FINISH, "Finish: end it")
            .because(why)
            .key(Action.END)
            .other(other)
            .build();
  }

  private static Advice takeOff(TreatmentPlan plan, TreatmentState state) {
    return EndingSteps.of(plan, state).stream()
        .filter(step -> !state.endingSteps().contains(step))
        .findFirst()
        .map(step ->
            plain(0, Kind.TAKE_OFF, step)
                .because(
                    plan.formula().mayCrystallise() || plan.formula().family().strong()
                        ? "What has been absorbed runs its course. A neutraliser does not undo"
                            + " a frost."
                        : "Neutralise or rinse before anything else.")
                .steps(EndingSteps.of(plan, state).toArray(String[]::new))
                .key(Action.ENDING_STEP)
                .build())
        .orElseGet(() -> before(Kind.SETTLE, "Ask how it feels", "", Action.ASK));
  }

  private static Advice settle(TreatmentPlan plan, TreatmentState state, Instant now) {
    Instant ended = state.endingStartedAt().orElseThrow();
    List<Zone> rising =
        plan.zones().stream()
            .filter(zone -> state.zones().get(zone).whitening().atLeast(Whitening.F2))
            .toList();
    boolean frostIsPlanned = Endpoints.planned(plan).isPresent();
    if (!rising.isEmpty() && !frostIsPlanned) {
      return plain(0, Kind.SETTLE, "Incident: cool, look again in 60 s")
          .because("Even white after the end: " + names(rising) + ". Call the clinician.")
          .on(rising)
          .key(Action.ASK)
          .build();
    }
    if (!now.isBefore(ended.plus(LONG_REST))) {
      return plain(0, Kind.SETTLE, "Cool, check each zone, call the clinician")
          .because("Fifteen minutes since the end and not at rest.")
          .key(Action.ASK)
          .build();
    }
    Optional<Told> told = state.lastAnswer().filter(answer -> answer.at().isAfter(ended));
    return plain(0, Kind.SETTLE, told.isPresent() ? "Cool, then ask again" : "Ask how it feels")
        .because(
            told.map(answer -> answer.value() + " is above rest. Minutes are normal.")
                .orElse("Rest is " + plan.restAtMost() + " or less. No fixed time."))
        .until(clocks(plan, state).askAt())
        .key(Action.ASK)
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

  private static Optional<Sign> sign(TreatmentState state, Sign.Weight weight) {
    return state.signs().stream().filter(s -> s.weight() == weight).sorted().findFirst();
  }

  private static List<Zone> zonesWhere(
      TreatmentState state, List<Zone> among, java.util.function.Predicate<ZoneState> test) {
    return among.stream().filter(zone -> test.test(state.zones().get(zone))).toList();
  }

  private static String names(List<Zone> zones) {
    return Words.list(zones.stream().map(Zone::label).toList());
  }

  private static String capital(String words) {
    return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }

  private static Advice before(Kind kind, String line, String why, Action key) {
    return plain(0, kind, line).because(why).key(key).build();
  }

  private static Draft plain(int row, Kind kind, String line) {
    return new Draft(row, kind, line);
  }

  /// An advice being put into words.
  private static final class Draft {
    private final int row;
    private final Kind kind;
    private final String line;
    private String reason = "";
    private Action action = Action.NONE;
    private Action other = Action.NONE;
    private Optional<Instant> until = Optional.empty();
    private List<Zone> zones = List.of();
    private List<String> steps = List.of();

    Draft(int row, Kind kind, String line) {
      this.row = row;
      this.kind = kind;
      this.line = line;
    }

    Draft because(String why) {
      reason = why;
      return this;
    }

    Draft key(Action key) {
      action = key;
      return this;
    }

    Draft other(Action key) {
      other = key;
      return this;
    }

    Draft until(Instant at) {
      until = Optional.of(at);
      return this;
    }

    Draft until(Optional<Instant> at) {
      until = at;
      return this;
    }

    Draft on(List<Zone> which) {
      zones = which;
      return this;
    }

    Draft steps(String... what) {
      steps = new ArrayList<>(List.of(what));
      return this;
    }

    Advice build() {
      return new Advice(
          row, kind, line, reason, action, until, PASSABLE.contains(row), zones, steps, other);
    }
  }
}
