package ivesk.server.path;

import ivesk.core.Words;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.server.path.PathWire.Progress;
import ivesk.server.path.PathWire.Station;
import ivesk.server.path.PathWire.StationView;
import ivesk.server.treatment.Live;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/// How far a visit is along its stations, and what each needs.
final class Stations {
  private Stations() {}

  static Station here(Phase phase) {
    return switch (phase) {
      case READY, STOPPED -> Station.READY;
      case ARMED, ACID -> Station.TREAT;
      case ENDING, SETTLING, AT_REST -> Station.SETTLE;
      case CHECKED, SIGNED -> Station.AFTER;
    };
  }

  /// Before a treatment.
  static Station here(
      ScreeningFacts facts, Screening outcome, Optional<String> formula, boolean kept) {
    if (kept) return Station.READY;
    if (formula.isPresent()) return Station.PLAN;
    if (facts.skin().phototype().isEmpty() || facts.skin().sensitivity().isEmpty()) {
      return Station.CONSULT;
    }
    return shut(outcome) ? Station.SCREEN : Station.CHOOSE;
  }

  static boolean shut(Screening outcome) {
    return outcome.verdict().compareTo(Verdict.WAIT) >= 0 || outcome.open() == 0;
  }

  static List<StationView> stations(
      ScreeningFacts facts,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<Live> live,
      Station here,
      boolean signed) {
    Optional<TreatmentState> state = live.map(Live::state);
    List<StationView> stations = new ArrayList<>();
    for (Station station : Station.values()) {
      stations.add(
          new StationView(
              station,
              signed ? Progress.DONE : progress(station, here),
              answer(station, facts, outcome, formula, kept, state),
              missing(station, outcome, formula, kept, state)));
    }
    return stations;
  }

  static Progress progress(Station station, Station here) {
    int ahead = station.compareTo(here);
    return ahead < 0 ? Progress.DONE : ahead == 0 ? Progress.HERE : Progress.AHEAD;
  }

  /// The stations without their answers, as a list shows them.
  static List<StationView> brief(Function<Station, Progress> progress, Optional<String> missing) {
    return Arrays.stream(Station.values())
        .map(station -> new StationView(station, progress.apply(station), "", missing))
        .toList();
  }

  static String answer(
      Station station,
      ScreeningFacts facts,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<TreatmentState> state) {
    return switch (station) {
      case CONSULT ->
          facts.skin().phototype().map(type -> "type " + type).orElse("type open")
              + " · "
              + Words.count(facts.skin().goals().size(), "goal");
      case SCREEN ->
          outcome.unasked() > 0
              ? outcome.unasked() + " not asked"
              : outcome.verdict().name().toLowerCase(java.util.Locale.ROOT)
                  + (outcome.limits().words().isEmpty()
                      ? ""
                      : " · " + Words.count(outcome.limits().words().size(), "limit"));
      case CHOOSE -> formula.orElse("");
      case PLAN -> kept ? "kept" : "";
      case READY ->
          state
              .flatMap(s -> s.ready().gateA())
              .map(gate -> gate == TreatmentEvent.GateA.KEEP ? "gate kept" : gate.label())
              .orElse("");
      case TREAT ->
          state
              .filter(s -> s.endedAt().isPresent())
              .map(s -> Words.clock(s.contact(s.lastEventAt())))
              .orElse("");
      case SETTLE ->
          state
              .flatMap(TreatmentState::timeToRest)
              .map(rest -> "rest in " + Words.clock(rest))
              .orElse("");
      case AFTER -> state.filter(s -> s.phase() == Phase.SIGNED).map(s -> "signed").orElse("");
    };
  }

  static Optional<String> missing(
      Station station,
      Screening outcome,
      Optional<String> formula,
      boolean kept,
      Optional<TreatmentState> state) {
    boolean open =
        switch (station) {
          case CONSULT, SCREEN -> true;
          // Where all is shut, Choose says why and what instead.
          case CHOOSE -> outcome.unasked() == 0 || !shut(outcome) || state.isPresent();
          case PLAN -> formula.isPresent();
          case READY -> kept || state.isPresent();
          case TREAT ->
              state.filter(s -> s.phase() != Phase.READY && s.phase() != Phase.STOPPED).isPresent();
          case SETTLE -> state.filter(s -> s.endedAt().isPresent()).isPresent();
          case AFTER ->
              state
                  .filter(s -> s.phase() == Phase.CHECKED || s.phase() == Phase.SIGNED)
                  .isPresent();
        };
    if (open) return Optional.empty();
    return Optional.of(
        switch (station) {
          case CONSULT, SCREEN -> "";
          case CHOOSE -> Words.count(outcome.unasked(), "answer") + " missing in Screen";
          case PLAN -> "choose a formula first";
          case READY -> "keep the plan first";
          case TREAT -> "arm the timer first";
          case SETTLE -> "the peel is not ended";
          case AFTER -> "the leaving check is not done";
        });
  }

  static String needs(Station here, Screening outcome, boolean signed) {
    if (signed) return "signed";
    return switch (here) {
      case SCREEN ->
          outcome.unasked() > 0
              ? Words.count(outcome.unasked(), "answer") + " not asked yet"
              : outcome.verdict().compareTo(Verdict.WAIT) < 0
                  ? outcome.opensMost().map(most -> most.finding().said()).orElse("nothing is open")
                  : outcome.verdict()
                      + outcome.until().map(day -> " until " + Words.day(day)).orElse("")
                      + ": "
                      + decisive(outcome);
      case CONSULT, CHOOSE, PLAN, READY, TREAT, SETTLE, AFTER -> needs(here);
    };
  }

  static String needs(Station here) {
    return switch (here) {
      case CONSULT -> "consult";
      case SCREEN -> "screening";
      case CHOOSE -> "choose a formula";
      case PLAN -> "keep the plan";
      case READY -> "ready for the couch";
      case TREAT -> "on the couch";
      case SETTLE -> "coming to rest";
      case AFTER -> "sheet and signature";
    };
  }

  /// What the verdict hangs on: the last date to pass, else the most severe finding.
  static String decisive(Screening outcome) {
    return outcome.findings().stream()
        .filter(finding -> finding.stands() && finding.scope().client())
        .filter(finding -> finding.verdict() == outcome.verdict())
        .max(Comparator.comparing(finding -> finding.until().orElse(LocalDate.MIN)))
        .map(Finding::said)
        .orElse("");
  }

  static boolean stopped(Optional<Phase> phase) {
    return phase.filter(Phase.STOPPED::equals).isPresent();
  }
}
