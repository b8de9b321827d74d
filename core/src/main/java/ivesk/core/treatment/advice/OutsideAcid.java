package ivesk.core.treatment.advice;

import static ivesk.core.treatment.advice.AdviceDraft.advice;
import static ivesk.core.treatment.state.Phase.ARMED;
import static ivesk.core.treatment.state.Phase.AT_REST;
import static ivesk.core.treatment.state.Phase.CHECKED;
import static ivesk.core.treatment.state.Phase.ENDING;
import static ivesk.core.treatment.state.Phase.READY;
import static ivesk.core.treatment.state.Phase.SETTLING;
import static ivesk.core.treatment.state.Phase.SIGNED;
import static ivesk.core.treatment.state.Phase.STOPPED;

import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Look;
import ivesk.core.treatment.state.Phase;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;

/// What is advised before the acid and after END, one line after the other: the first that matches
/// answers. Rows 1 to 3 of the decision table come before it. Common practice.
public final class OutsideAcid {
  /// @param id given for good
  /// @param phases in which it holds
  /// @param when it matches, as a clinician reads it
  /// @param changes every instant at which the line may come, go or say something else
  public record Line(
      String id,
      Set<Phase> phases,
      String when,
      Predicate<Look> matches,
      Function<Look, AdviceDraft> advises,
      Function<Look, Stream<Instant>> changes) {

    private Line changingAt(Function<Look, Optional<Instant>> instant) {
      return new Line(id, phases, when, matches, advises, look -> instant.apply(look).stream());
    }
  }

  public static final List<Line> LINES =
      List.of(
          line(
              "READY-ALARM",
              in(READY),
              "there was an alarm, and the supervising clinician has not let acid go on",
              look -> look.state().noMoreAcid(),
              ReadyAdvice::noAcid),
          line(
              "READY-PREP",
              in(READY),
              "the prep was answered, and gate A is open",
              ReadyAdvice::undecided,
              ReadyAdvice::decide),
          line("READY-STEPS", in(READY), "otherwise", look -> true, ReadyAdvice::steps),
          line(
              "START-WISH",
              in(ARMED),
              "the client asks to stop",
              look -> look.state().signs().contains(Sign.ASKS_TO_STOP),
              ReadyAdvice::wish),
          line(
              "START-NO-ZONE",
              in(ARMED),
              "no zone is fit for acid",
              look -> look.startable().isEmpty(),
              ReadyAdvice::noZone),
          line("START", in(ARMED), "otherwise", look -> true, ReadyAdvice::start),
          line(
              "SETTLE-WIPE",
              in(SETTLING, AT_REST, CHECKED),
              "white that may be crystals was not wiped",
              look -> !EndingAdvice.owed(look).isEmpty(),
              EndingAdvice::wipe),
          line(
              "SETTLE-WHITE",
              in(SETTLING, AT_REST, CHECKED),
              "even white, or white that spreads, after END",
              look -> !EndingAdvice.white(look).isEmpty(),
              EndingAdvice::whiteRose),
          line(
              "SETTLE-DEEP",
              in(SETTLING, AT_REST, CHECKED),
              "redness 3 anywhere",
              look -> !EndingAdvice.deep(look).isEmpty(),
              EndingAdvice::deepRed),
          line(
                  "SETTLE-CALL",
                  in(ENDING, SETTLING),
                  "15 minutes since END and not at rest, with nothing on that comes off first",
                  EndingAdvice::longUnrest,
                  EndingAdvice::call)
              .changingAt(EndingAdvice::longSinceEnd),
          line("ENDING-STEP", in(ENDING), "otherwise", look -> true, EndingAdvice::takeOff),
          line(
              "SETTLE-PINPOINT",
              in(SETTLING),
              "pinpoint white after END",
              look -> !EndingAdvice.pinpoint(look).isEmpty(),
              EndingAdvice::pressOn),
          line(
              "SETTLE-ADD-ON",
              in(SETTLING),
              "an add-on is on",
              look -> look.state().care().addOnOn(),
              EndingAdvice::wipeAddOnOff),
          line(
              "SETTLE-CARE",
              in(SETTLING),
              "a step on calm skin is on",
              look -> look.state().careRunning(look.plan()).isPresent(),
              EndingAdvice::takeCareOff),
          line("SETTLE-ASK", in(SETTLING), "otherwise", look -> true, EndingAdvice::askToRest)
              .changingAt(look -> look.clocks().askAt()),
          line(
              "REST-ADD-ON",
              in(AT_REST),
              "the add-on may go on",
              look -> Gate.addOn(look.plan(), look.state()).isEmpty(),
              RestAdvice::addOnMay),
          line(
                  "REST-ADD-ON-TIME",
                  in(AT_REST),
                  "an add-on is on that comes off in the room",
                  look -> look.state().shortContact(look.plan()).isPresent(),
                  RestAdvice::addOnIsOn)
              .changingAt(RestAdvice::addOnLeast),
          line(
                  "REST-CARE-TIME",
                  in(AT_REST),
                  "a step on calm skin is on",
                  look -> look.state().careRunning(look.plan()).isPresent(),
                  RestAdvice::careIsOn)
              .changingAt(look -> look.state().careRunsUntil(look.plan())),
          line(
              "REST-BARRIER",
              in(AT_REST),
              "a step on calm skin is left, and the barrier is on",
              RestAdvice::barrierFirst,
              RestAdvice::wipeBarrier),
          line(
              "REST-CARE",
              in(AT_REST),
              "a step on calm skin is left",
              RestAdvice::careLeft,
              RestAdvice::nextCare),
          line(
              "REST-STAGE",
              in(AT_REST),
              "another stage is planned",
              look -> look.plan().staging().next().isPresent(),
              RestAdvice::nextStage),
          line(
              "REST-BESIDE",
              in(AT_REST, CHECKED),
              "a region beside is not at rest",
              RestAdvice::besideUnsettled,
              RestAdvice::askBeside),
          line(
              "REST",
              in(AT_REST),
              "otherwise",
              look -> true,
              look ->
                  advice(Kind.REST, "At rest")
                      .because("Check before the client leaves.")
                      .key(Action.LEAVING_CHECK)),
          line(
              "DONE",
              in(CHECKED),
              "otherwise",
              look -> true,
              look -> advice(Kind.DONE, "Done here").because("Sheet, next date and signature.")),
          line(
              "SIGNED",
              in(SIGNED),
              "the record is signed",
              look -> true,
              look -> advice(Kind.DONE, "Signed").because("The record is closed.")),
          line(
              "STOPPED",
              in(STOPPED),
              "it was stopped before any acid",
              look -> true,
              look -> advice(Kind.DONE, "Stopped before any acid").because("Bland care today.")));

  private OutsideAcid() {}

  private static Set<Phase> in(Phase first, Phase... others) {
    return EnumSet.of(first, others);
  }

  private static Line line(
      String id,
      Set<Phase> phases,
      String when,
      Predicate<Look> matches,
      Function<Look, AdviceDraft> advises) {
    return new Line(id, phases, when, matches, advises, look -> Stream.empty());
  }

  private static Stream<Line> lines(Look look) {
    return LINES.stream().filter(line -> line.phases().contains(look.state().phase()));
  }

  /// The advice of the first line that matches; empty while acid is on.
  static Optional<Advice> first(Look look) {
    return lines(look)
        .filter(line -> line.matches().test(look))
        .findFirst()
        .map(line -> line.advises().apply(look).build());
  }

  /// Every instant that the lines of this phase name.
  static Stream<Instant> changes(Look look) {
    return lines(look).flatMap(line -> line.changes().apply(look));
  }
}
