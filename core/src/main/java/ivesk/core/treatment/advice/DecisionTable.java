package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.AdviceDraft.advice;
import static ivesk.core.treatment.advice.AdviceDraft.names;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.Alarm;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.moment.SensationLines;
import ivesk.core.treatment.state.Endpoints;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// The decision after every look, one line after the other: the first that matches answers. Common
/// practice; the maker's label, the law, the licence and the supervising clinician come before it.
public final class DecisionTable {
  /// How long after the check-in a missing look becomes the advice.
  static final Duration GRACE = Duration.ofSeconds(15);

  /// How long after a check-in of 30 s a missing look ends the peel.
  static final Duration NOBODY_LOOKS = Duration.ofSeconds(60);

  private static final Duration APART = Duration.ofSeconds(20);
  private static final int STEPPED_LAYERS_MOST = 3;

  /// What one row was matched by.
  ///
  /// @param what it is, in words
  /// @param value with its unit
  public record Value(String what, String value) {}

  /// @param when it matches, as a clinician reads it
  /// @param then what it advises
  /// @param changes every instant at which the line may come, go or say something else
  public record Line(
      Row row,
      String when,
      String then,
      Predicate<Look> matches,
      Function<Look, AdviceDraft> advises,
      Function<Look, Stream<Instant>> changes) {

    private Line changingAt(Function<Look, Stream<Instant>> instants) {
      return new Line(row, when, then, matches, advises, instants);
    }

    /// Rows 1 to 3 hold before, during and after the acid; the others while it is on.
    boolean always() {
      return row.compareTo(Row.INJURY) <= 0;
    }
  }

  public static final List<Line> LINES =
      List.of(
          line(
              Row.EMERGENCY,
              "faint, breathless, palpitation, ringing ears, wheals beyond the area, lip, tongue or"
                  + " throat swelling",
              "EMERGENCY",
              look -> look.alarm(Sign.Weight.EMERGENCY).isPresent(),
              look -> alarm(look, Sign.Weight.EMERGENCY, Kind.EMERGENCY)),
          line(
                  Row.EYE,
                  "eye exposure",
                  "EYE",
                  look -> look.alarm(Sign.Weight.EYE).isPresent(),
                  DecisionTable::eye)
              .changingAt(look -> look.alarm(Sign.Weight.EYE).flatMap(Alarm::until).stream()),
          line(
                  Row.INJURY,
                  "F3, F4, blister, local swelling or wheals (salicylic F3 once the wipe test shows"
                      + " frost, or after 15 s without one); with acid on also after an alarm of rows 1"
                      + " to 3 that was closed",
                  "END NOW, cool, incident, clinician; END, no more acid in this visit",
                  look ->
                      !look.state().phase().closed()
                          && (look.alarm(Sign.Weight.INJURY).isPresent()
                              || look.acidOn() && look.state().noMoreAcid()
                              || !look.state().phase().beforeAcid()
                                  && !look.injured().isEmpty()
                                  && (look.acidOn() || untested(look))),
                  DecisionTable::injury)
              .changingAt(look ->
                  look.state().zones().values().stream()
                      .flatMap(zone -> zone.untestedFrom().stream())),
          line(
              Row.WISH,
              "client asks to stop",
              "END",
              look -> look.state().signs().contains(Sign.ASKS_TO_STOP),
              look -> end("The client asks to stop.")),
          line(
                  Row.LIMIT,
                  "contact limit reached",
                  "END NOW",
                  look -> look.over(look.state().limitAt()),
                  look ->
                      advice(Kind.END_NOW, "End now")
                          .because("The limit of " + limit(look) + " is reached.")
                          .key(Action.END))
              .changingAt(look -> look.state().limitAt().stream()),
          line(
                  Row.STOP_LINE,
                  "sensation at or above the stop line",
                  "END",
                  look -> look.atStopLine() && look.open(Row.STOP_LINE),
                  look ->
                      end(
                          "The answer %s is at the stop line, %s.",
                          look.feels(), look.lines().stop()))
              .changingAt(look -> SensationLines.changes(look.plan(), look.state()).stream()),
          line(
              Row.WHITENING,
              "ending whitening on half the treated area or more (ended zones count)",
              "END",
              look -> !look.white().isEmpty() && Endpoints.halfOrMore(look.white(), look.treated()),
              look ->
                  end("Ending whitening on half the treated area or more: %s.", names(look.white()))
                      .on(look.white())),
          line(
              Row.REDNESS,
              "redness 3 on most zones, or up two grades between looks (the second not for TCA or"
                  + " Jessner)",
              "END",
              look -> look.open(Row.REDNESS) && (deepOnMost(look) || !jumped(look).isEmpty()),
              look ->
                  deepOnMost(look)
                      ? end("Deep or patchy redness on most zones.").on(deep(look))
                      : end("Redness rose two grades between looks: %s.", names(jumped(look)))
                          .on(jumped(look))),
          line(
              Row.WIPE_TEST,
              "whitening on a formula with salicylic acid, wipe test not done",
              "WIPE TEST, no layer until done",
              look -> look.state().wipeOwed(),
              look ->
                  advice(Kind.WIPE_TEST, "Wipe test: damp swab over the white")
                      .because(
                          "Comes off: crystals, harmless. Stays: frost. No layer until it is done.")
                      .on(look.where(look.active(), ZoneState::wipeOwed))
                      .key(Action.WIPE)),
          line(
                  Row.SPENT_ZONE,
                  "ending whitening, redness 3 or a hot spot of 7 or more in fewer zones, or a zone's own"
                      + " planned time is over",
                  "END THAT ZONE; the rest goes on",
                  look -> !look.spent().isEmpty() && look.open(Row.SPENT_ZONE),
                  look ->
                      advice(Kind.END_ZONE, "End the " + look.spent().getFirst().label())
                          .because(whySpent(look, look.spent().getFirst()) + " The rest goes on.")
                          .on(look.spent().subList(0, 1))
                          .key(Action.END_ZONE))
              .changingAt(look -> Look.earlier(look.plan(), look.state()).values().stream()),
          line(
                  Row.NOT_LOOKED,
                  "no look for check-in + 15 s; from check-in + 60 s on, where the check-in is 30 s",
                  "LOOK NOW; then END, nobody has looked",
                  look -> look.carries() && look.over(askAt(look).map(at -> at.plus(GRACE))),
                  DecisionTable::notLooked)
              .changingAt(DecisionTable::unlooked),
          line(
                  Row.HOLD_LINE,
                  "sensation at or above the hold line; twice running without falling, at least 20 s"
                      + " apart (single-pass salicylic: fan until it falls)",
                  "HOLD: fan, no layer, ask again in 30 s; then END",
                  look -> look.carries() && look.atHoldLine() && look.open(Row.HOLD_LINE),
                  DecisionTable::hold)
              .changingAt(look -> heldTwiceFrom(look.plan(), look.state()).stream()),
          line(
                  Row.DWELL,
                  "dwell not over and the planned endpoint not reached",
                  "WAIT, with the time left, never past the limit",
                  look ->
                      look.carries()
                          && !look.settled()
                          && (look.state().layerRunning() || !look.endpointReached()),
                  DecisionTable::dwell)
              .changingAt(look ->
                  Stream.of(look.settledAt(), look.state().spreadUntil(look.plan()))
                      .flatMap(Optional::stream)),
          line(
                  Row.DONE,
                  "planned layers done, or planned endpoint reached",
                  "FINISH: leave to its time, then end",
                  look ->
                      look.startable().isEmpty()
                          || !look.carries()
                          || look.endpointReached()
                          || look.layersDone() >= look.layersPlanned(),
                  DecisionTable::done)
              .changingAt(look -> look.lastStaysUntil().stream()),
          line(
                  Row.NEXT_RUNG,
                  "strength-stepping policy, sensation up to 1, redness up to 1",
                  "NEXT RUNG (one contact clock, the smaller limit; layers up to 3 in all)",
                  look ->
                      anotherLayer(look)
                          && look.plan().nextRung().isPresent()
                          && !look.state().acid().onNextRung()
                          && look.feels() <= 1
                          && look.redCalm()
                          && look.layersDone() < STEPPED_LAYERS_MOST
                          && !look.tooLateForNextRung(),
                  look ->
                      advice(
                              Kind.NEXT_RUNG,
                              "Next rung: " + look.plan().nextRung().orElseThrow().code())
                          .because("Barely felt, no more than pink. The clock runs on.")
                          .on(look.startable())
                          .key(Action.START_LAYER))
              .changingAt(look -> Look.tooLateForNextRungAt(look.plan(), look.state()).stream()),
          line(
              Row.FELT,
              "sensation from 4 to below hold",
              "SAME AGAIN with the fan on, or FINISH here (FINISH on a first visit or sensitivity"
                  + " 2 and more)",
              look -> anotherLayer(look) && look.feels() >= 4,
              DecisionTable::felt),
          line(
                  Row.AGAIN,
                  "otherwise, sensation below hold",
                  "SAME AGAIN (at 1 and less stopping is equally fine); less than the dwell and 30 s"
                      + " before the limit: FINISH",
                  look -> true,
                  DecisionTable::again)
              .changingAt(look -> Look.tooLateAt(look.plan(), look.state()).stream()));

  private DecisionTable() {}

  private static Line line(
      Row row,
      String when,
      String then,
      Predicate<Look> matches,
      Function<Look, AdviceDraft> advises) {
    return new Line(row, when, then, matches, advises, look -> Stream.empty());
  }

  /// The advice of the first line that matches; the last one always does while acid is on.
  static Optional<Advice> first(Look look) {
    return LINES.stream()
        .filter(line -> line.always() || look.acidOn())
        .filter(line -> line.matches().test(look))
        .findFirst()
        .map(line -> line.advises().apply(look).build(line.row()));
  }

  /// Every instant that the lines name which hold now.
  static Stream<Instant> changes(Look look) {
    return LINES.stream()
        .filter(line -> line.always() || look.acidOn())
        .flatMap(line -> line.changes().apply(look));
  }

  /// What the rows look at, as it is now.
  static List<Value> values(Look look) {
    List<Value> values = new ArrayList<>();
    look.told()
        .ifPresent(told -> {
          values.add(value("sensation", String.valueOf(told.value())));
          values.add(
              value("told", Words.clock(Duration.between(told.at(), look.now())) + " min ago"));
        });
    values.add(value("hold line", String.valueOf(look.lines().hold())));
    values.add(value("stop line", String.valueOf(look.lines().stop())));
    look.state()
        .firstTouch()
        .ifPresent(_ -> {
          values.add(value("contact", Words.clock(look.state().contact(look.now())) + " min"));
          values.add(
              value(
                  "limit",
                  look.state()
                      .ready()
                      .contactLimit()
                      .map(limit -> Words.clock(limit) + " min")
                      .orElse("none")));
        });
    values.add(value("layers", look.layersDone() + " of " + look.layersPlanned()));
    values.add(value("layer settled", look.settled() ? "yes" : "no"));
    values.add(value("redness at most", String.valueOf(worstRedness(look))));
    List<Zone> white = look.where(look.plan().zones(), zone -> zone.whitening() != Whitening.NONE);
    values.add(value("white", white.isEmpty() ? "none" : names(white)));
    if (look.state().wipeOwed()) values.add(value("wipe test", "owed"));
    if (look.numbed()) values.add(value("client", look.state().response().label()));
    if (look.careful()) {
      values.add(
          value("care", look.plan().firstVisit() ? "first visit" : "sensitivity 2 and more"));
    }
    return List.copyOf(values);
  }

  private static Value value(String what, String value) {
    return new Value(what, value);
  }

  private static int worstRedness(Look look) {
    return look.plan().zones().stream()
        .mapToInt(zone -> look.state().zones().get(zone).redness())
        .max()
        .orElse(0);
  }

  private static AdviceDraft end(String why, Object... parts) {
    return advice(Kind.END, "End").because(Words.fill(why, parts)).key(Action.END);
  }

  private static AdviceDraft alarm(Look look, Sign.Weight weight, Kind kind) {
    Alarm alarm = look.alarm(weight).orElseThrow();
    return advice(kind, alarm.line())
        .because(alarm.reason())
        .steps(Alarm.words(weight, look.plan(), look.state()))
        .key(stillToDo(look));
  }

  private static AdviceDraft eye(Look look) {
    AdviceDraft rinse = alarm(look, Sign.Weight.EYE, Kind.EYE);
    Instant until = look.alarm(Sign.Weight.EYE).flatMap(Alarm::until).orElseThrow();
    return look.now().isBefore(until)
        ? rinse.until(until)
        : rinse.because("Rinsed for 15 minutes: go on to emergency care.");
  }

  private static AdviceDraft injury(Look look) {
    if (look.alarm(Sign.Weight.INJURY).isEmpty() && look.injured().isEmpty()) {
      return end("There was an alarm: no more acid in this visit.");
    }
    String seen =
        look.alarm(Sign.Weight.INJURY)
            .map(Alarm::reason)
            .orElseGet(() -> "Frost beyond any endpoint, " + names(look.injured()) + ".");
    return advice(Kind.END_NOW, look.acidOn() ? "End now, cool" : Sign.Weight.INJURY.line())
        .because(seen)
        .on(look.injured())
        .steps(Alarm.words(Sign.Weight.INJURY, look.plan(), look.state()))
        .key(stillToDo(look));
  }

  private static boolean untested(Look look) {
    return !look.where(look.plan().zones(), zone -> zone.untestedTooLong(look.now())).isEmpty();
  }

  /// What there is to do for the peel itself while an alarm stands.
  private static Action stillToDo(Look look) {
    return switch (look.state().phase()) {
      case ACID -> Action.END;
      case ENDING -> EndingAdvice.takeOff(look).build().action();
      case SETTLING -> look.state().care().addOnOn() ? Action.WIPE_ADD_ON : Action.ASK;
      case AT_REST, CHECKED -> look.state().care().addOnOn() ? Action.WIPE_ADD_ON : Action.NONE;
      case READY, ARMED, SIGNED, STOPPED -> Action.NONE;
    };
  }

  private static List<Zone> deep(Look look) {
    return look.where(look.active(), zone -> zone.redness() == 3);
  }

  private static boolean deepOnMost(Look look) {
    return deep(look).size() * 2 > look.active().size();
  }

  private static List<Zone> jumped(Look look) {
    return look.plan().formula().frost() != Family.Frost.INJURY
        ? List.of()
        : look.where(look.active(), zone -> zone.rise() >= 2);
  }

  private static String whySpent(Look look, Zone zone) {
    ZoneState seen = look.state().zones().get(zone);
    if (Endpoints.ends(look.plan(), seen)) {
      return "It is at its end: " + seen.whitening().label() + ".";
    }
    if (seen.redness() == 3) return "Deep or patchy redness there.";
    return look.tooHot(seen)
        ? "A hot spot of " + seen.hotSpot().orElse(0) + "."
        : "Its planned time is over.";
  }

  private static Optional<Instant> askAt(Look look) {
    return look.clocks().askAt();
  }

  /// The check-in is so close that a missing look ends the peel.
  static boolean endsUnseen(TreatmentPlan plan, TreatmentState state) {
    return Clocks.checkIn(plan, state).compareTo(Clocks.CLOSE_CHECK_IN) <= 0;
  }

  /// When a missing look is due, is said, and ends the peel.
  private static Stream<Instant> unlooked(Look look) {
    Stream<Duration> later =
        endsUnseen(look.plan(), look.state())
            ? Stream.of(Duration.ZERO, GRACE, NOBODY_LOOKS)
            : Stream.of(Duration.ZERO, GRACE);
    return askAt(look).stream().flatMap(at -> later.map(at::plus));
  }

  private static AdviceDraft notLooked(Look look) {
    if (endsUnseen(look.plan(), look.state())
        && look.open(Row.NOT_LOOKED)
        && look.over(askAt(look).map(at -> at.plus(NOBODY_LOOKS)))) {
      return end("Nobody has looked since %s.", lastSaid(look));
    }
    return advice(Kind.LOOK_NOW, "Look now, and ask")
        .because("No answer since " + lastSaid(look) + ".")
        .key(Action.ASK);
  }

  private static String lastSaid(Look look) {
    return look.told().map(told -> "the last, " + told.value()).orElse("the acid");
  }

  private static AdviceDraft hold(Look look) {
    boolean single =
        look.plan().singlePassSelfLimiting() || look.plan().formula().family() == Family.SPOT;
    if (!single && heldTwice(look)) {
      return end("%s, twice running at the hold line without falling.", look.feels());
    }
    return advice(Kind.HOLD, "Hold: fan, no layer")
        .because(
            Words.fill(
                single
                    ? "%s is at the hold line, %s. Fan until it falls."
                    : "%s is at the hold line, %s. Ask again in 30 seconds.",
                look.feels(),
                look.lines().hold()))
        .key(Action.FAN);
  }

  /// The last answer and one at least 20 s before it were at the hold line, and none in between was
  /// higher than the one after it.
  ///
  /// @see #heldTwiceFrom when the next answer would be the second
  private static boolean heldTwice(Look look) {
    List<Told> told = look.state().underAcid();
    Told last = told.getLast();
    for (int i = told.size() - 2; i >= 0; i--) {
      Told before = told.get(i);
      boolean held =
          before.value() >= SensationLines.at(look.plan(), look.state(), before.at()).hold();
      if (!held || before.value() > told.get(i + 1).value()) return false;
      if (!before.at().plus(APART).isAfter(last.at())) return true;
    }
    return false;
  }

  /// From when an answer at the hold line would be the second running.
  static List<Instant> heldTwiceFrom(TreatmentPlan plan, TreatmentState state) {
    return state.underAcid().stream()
        .filter(told -> told.value() >= SensationLines.at(plan, state, told.at()).hold())
        .map(told -> told.at().plus(APART))
        .toList();
  }

  private static AdviceDraft dwell(Look look) {
    if (look.state().layerRunning()) {
      List<Zone> left = look.uncovered();
      int all = look.state().lastLayer().orElseThrow().zones().size();
      return advice(Kind.WAIT, "Finish this layer")
          .because(
              left.isEmpty() || left.size() == all || tooLong(look)
                  ? spreading(look)
                  : Words.capital(names(left)) + " still to cover.")
          .on(left)
          .key(Action.COVERED);
    }
    Instant settled = look.settledAt().orElseThrow();
    Instant limit = look.state().limitAt().orElse(settled);
    return advice(Kind.WAIT, "Wait")
        .because("The layer settles before the next decision.")
        .until(limit.isBefore(settled) ? limit : settled);
  }

  private static boolean tooLong(Look look) {
    return look.over(look.state().spreadUntil(look.plan()));
  }

  private static String spreading(Look look) {
    Duration spread = look.plan().formula().spread();
    return tooLong(look)
        ? Words.fill(
            "Spread for over %d s: where it began it is on longest. Cover what is left.",
            spread.toSeconds())
        : (spread.toSeconds() > 60 ? "Spread without haste" : "Spread within a minute")
            + ", thin and even"
            + workedIn(look);
  }

  private static String workedIn(Look look) {
    return look.plan().handling().workedIn()
        ? "; worked in once, where it is needed most."
        : "; no pressing, no second strokes.";
  }

  private static AdviceDraft done(Look look) {
    if (!look.carries()) {
      return advice(Kind.FINISH, "Finish: end it").because("Every zone is ended.").key(Action.END);
    }
    if (look.endpointReached()) {
      return finish(look, "The planned endpoint is reached.")
          .on(touchUp(look))
          .other(touchUp(look).isEmpty() ? Action.NONE : Action.TOUCH_UP);
    }
    if (look.startable().isEmpty()) return finish(look, "No zone is left for another layer.");
    int done = look.layersDone();
    boolean more =
        look.layersPlanned() < look.state().ready().layersAtMost()
            && anotherLayer(look)
            && (!look.plan().handling().moreInTheClock() || look.mayTakeMore());
    return finish(
            look,
            Words.count(done, "planned layer")
                + (done == 1 ? " is done." : " are done.")
                + (more && look.plan().handling().moreInTheClock() ? " The feel falls early." : ""))
        .other(more ? Action.MORE_LAYERS : Action.NONE);
  }

  /// After the endpoint of a coat or a layer only what is not white is touched up, lightly.
  private static List<Zone> touchUp(Look look) {
    boolean may =
        look.plan().formula().frost() != Family.Frost.INJURY
            && look.settled()
            && anotherLayer(look)
            && look.layersDone() < look.state().ready().layersAtMost();
    return may ? look.startable() : List.of();
  }

  /// One more layer may be thought of: asked since the last one, and a number to rely on.
  private static boolean anotherLayer(Look look) {
    return look.lookedSinceLayer() && !look.numbed() && !look.tooLate() && !look.atHoldLine();
  }

  private static AdviceDraft felt(Look look) {
    if (look.careful()) {
      return finish(
          look,
          look.feels()
              + " on "
              + (look.plan().firstVisit() ? "a first visit." : "sensitive skin."));
    }
    return advice(Kind.SAME_AGAIN, "Same again, fan on")
        .because(
            Words.fill(
                "%s, below the hold line, %s." + overCrystals(look) + " Ending here is fine.",
                look.feels(),
                look.lines().hold()))
        .on(look.startable())
        .key(Action.START_LAYER)
        .other(Action.END);
  }

  private static AdviceDraft again(Look look) {
    if (!look.lookedSinceLayer()) {
      return advice(Kind.LOOK_NOW, "Ask before another layer")
          .by(Row.NOT_LOOKED)
          .because("No answer since this layer.")
          .key(Action.ASK);
    }
    if (look.numbed()) return finish(look, "A low number on numbed skin adds no layer.");
    if (look.tooLate()) return finish(look, "Another layer would not settle before the limit.");
    if (look.atHoldLine()) {
      return finish(look, look.feels() + " is at the hold line: no layer.");
    }
    boolean barely = look.feels() <= 1;
    return advice(Kind.SAME_AGAIN, "Same again")
        .because(
            Words.fill("Layer %s of %s.", look.layersDone() + 1, look.layersPlanned())
                + overCrystals(look)
                + (barely ? " Stopping is equally fine." : ""))
        .on(look.startable())
        .key(Action.START_LAYER)
        .other(barely ? Action.END : Action.NONE);
  }

  /// Crystals are harmless; the schools differ on whether the next coat goes over them.
  private static String overCrystals(Look look) {
    boolean any =
        !look.where(look.startable(), zone -> zone.whitening() == Whitening.CRYSTALS).isEmpty();
    if (!any) return "";
    return look.plan().handling().crystalsWiped()
        ? " Wipe the crystals off first."
        : " Coat over the crystals is fine.";
  }

  private static AdviceDraft finish(Look look, String why) {
    Optional<Instant> stays = look.lastStaysUntil().filter(_ -> !look.endpointReached());
    if (stays.isPresent()) {
      return look.over(stays)
          ? advice(Kind.FINISH, "Finish: end it")
              .because(why + " The last layer has stayed as long as it should.")
              .key(Action.END)
          : advice(Kind.FINISH, "Leave the last layer on")
              .because(why + " It stays longer than the others, then end it.")
              .until(stays.get());
    }
    Optional<Instant> limit = look.state().limitAt();
    return limit.isPresent()
        ? advice(Kind.FINISH, "Leave it to " + limit(look))
            .because(why + " Then end it.")
            .until(limit.get())
        : advice(Kind.FINISH, "Finish: end it").because(why).key(Action.END);
  }

  private static String limit(Look look) {
    return Words.clock(look.state().ready().contactLimit().orElseThrow());
  }
}
