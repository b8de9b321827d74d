package ivesk.server.path;

import ivesk.core.screening.rule.Verdict;
import ivesk.core.skin.Phototype;
import ivesk.core.treatment.state.Phase;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/// What Today, the chart and the stations are told of a visit.
final class PathWire {
  private PathWire() {}

  enum Station {
    CONSULT,
    SCREEN,
    CHOOSE,
    PLAN,
    READY,
    TREAT,
    SETTLE,
    AFTER
  }

  enum Progress {
    DONE,
    HERE,
    AHEAD
  }

  /// @param answer what the station came to, in a few words
  /// @param missing what it waits for; empty when it is open
  record StationView(Station id, Progress progress, String answer, Optional<String> missing) {}

  /// @param alarm the line of the gravest alarm that stands
  /// @param elapsed from here the running clock counts; empty when no acid is on
  record RunningView(
      UUID treatmentId,
      Phase phase,
      Optional<Instant> elapsed,
      Optional<Instant> limitAt,
      Optional<Integer> lastAnswer,
      int layer,
      int layersPlanned,
      String advice,
      Optional<String> alarm) {}

  /// What screening came to.
  ///
  /// @param pastPeels those on record here
  /// @param lastPeel its formula and day, in words
  record ScreenedView(
      Verdict verdict, List<String> limits, int pastPeels, Optional<String> lastPeel) {}

  /// @param screened of who is still to come; empty where it is not worked out, or not to be told
  record VisitView(
      UUID id,
      UUID clientId,
      String clientName,
      int age,
      Optional<Phototype> phototype,
      String occupation,
      String allergies,
      String comfort,
      Optional<String> telephone,
      Instant startsAt,
      LocalDate day,
      int minutes,
      String room,
      String therapist,
      Optional<ScreenedView> screened,
      List<StationView> stations,
      Station here,
      Optional<String> formula,
      Optional<UUID> treatmentId,
      Optional<RunningView> running,
      Optional<Instant> signedAt,
      String needs,
      List<String> warnings,
      Optional<String> cancelled,
      Optional<String> unreadable) {

    /// What the desk sees: who comes when, and what runs; nothing of what was asked, found or
    /// planned.
    VisitView forTheDesk() {
      return new VisitView(
          id,
          clientId,
          clientName,
          age,
          Optional.empty(),
          occupation,
          "",
          "",
          telephone,
          startsAt,
          day,
          minutes,
          room,
          therapist,
          Optional.empty(),
          stations.stream()
              .map(one -> new StationView(one.id(), one.progress(), "", one.missing()))
              .toList(),
          here,
          Optional.empty(),
          treatmentId,
          running,
          signedAt,
          cancelled.isPresent() || signedAt.isPresent() ? needs : "",
          warnings,
          cancelled,
          Optional.empty());
    }
  }
}
