package ivesk.core.treatment.record;

import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.AcidPrepStarted;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnPutOn;
import ivesk.core.treatment.fact.TreatmentEvent.AddOnWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceTaken;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BarrierWipedOff;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.CareStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Corrected;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Extracted;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.HandedOver;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.fact.TreatmentEvent.NextTimePlanned;
import ivesk.core.treatment.fact.TreatmentEvent.NoteWritten;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.QualityTold;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.StageOpened;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TakenBack;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.WorkedIn;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/// Corrections of a log, once ten seconds are over. Both entries stay in it, and the treatment is
/// folded as corrected. What was seen or said can be taken out; what starts or ends acid is
/// corrected in time only.
public final class Correction {
  private Correction() {}

  /// What of an entry may be corrected.
  public enum Scope {
    /// It can be taken out, or have another time.
    WHOLE,
    TIME,
    NOTHING
  }

  public static Scope of(Fact fact) {
    return switch (fact) {
      case SensationAnswered _,
          QualityTold _,
          RednessSeen _,
          WhiteningSeen _,
          WipeTested _,
          HotSpotFelt _,
          ResponseNoted _,
          WorkedIn _,
          FanTurned _,
          ZoneAnswered _,
          LayerMeasured _,
          EdgeSeen _,
          CareStarted _,
          CareDone _,
          RegionAnswered _,
          // A mistapped sign: the alarm that it raised ends as mistaken.
          SignSeen _,
          Extracted _ ->
          Scope.WHOLE;
      case LayerStarted _,
          LayerCovered _,
          ZoneReached _,
          ZoneEnded _,
          ZoneTakenOff _,
          SpotPassed _,
          AcidPrepStarted _,
          EndingStarted _,
          AddOnPutOn _,
          AddOnWipedOff _ ->
          Scope.TIME;
      case Opened _,
          StepDone _,
          GateADecided _,
          PlanChanged _,
          TimerArmed _,
          StageOpened _,
          LayersExtended _,
          BaseLaidOut _,
          BaseOutrunPassed _,
          HandedOver _,
          TreatmentEvent.IncidentReported _,
          BarrierWipedOff _,
          AdviceTaken _,
          AdviceDeclined _,
          SignResolved _,
          AlarmStepDone _,
          AlarmStepSkipped _,
          AcidAllowed _,
          NextTimePlanned _,
          NoteWritten _,
          EarlyEndExplained _,
          EndingStepDone _,
          TakenBack _,
          Corrected _,
          LeavingChecked _,
          Signed _ ->
          Scope.NOTHING;
    };
  }

  /// The log as corrected: without what was taken back or taken out, and with the later times. What
  /// was taken back stays so whatever came in between from another screen.
  static List<TreatmentEvent> applied(List<TreatmentEvent> events) {
    Map<UUID, Corrected> corrected = corrections(events);
    Set<UUID> gone = gone(events);
    if (corrected.isEmpty() && gone.isEmpty()) return events;
    return events.stream()
        .filter(event -> !gone.contains(event.id()))
        .map(event ->
            new TreatmentEvent(event.id(), at(event, corrected), event.who(), event.fact()))
        .toList();
  }

  private static Map<UUID, Corrected> corrections(List<TreatmentEvent> events) {
    Map<UUID, Corrected> corrected = new HashMap<>();
    for (TreatmentEvent event : events) {
      if (event.fact() instanceof Corrected correction) {
        corrected.put(correction.event(), correction);
      }
    }
    return corrected;
  }

  /// When entries happened whose time was corrected.
  public static Map<UUID, Instant> moved(List<TreatmentEvent> events) {
    Map<UUID, Instant> moved = new HashMap<>();
    corrections(events)
        .forEach((id, correction) -> correction.at().ifPresent(at -> moved.put(id, at)));
    return moved;
  }

  private static Instant at(TreatmentEvent event, Map<UUID, Corrected> corrected) {
    return Optional.ofNullable(corrected.get(event.id())).flatMap(Corrected::at).orElse(event.at());
  }

  /// Entries from which nothing follows any more: taken back, or taken out.
  public static Set<UUID> gone(List<TreatmentEvent> events) {
    Set<UUID> ids = new HashSet<>();
    for (TreatmentEvent event : events) {
      if (event.fact() instanceof TakenBack(var mistaken)) ids.add(mistaken);
      if (event.fact() instanceof Corrected(var wrong, var at, var why) && at.isEmpty()) {
        ids.add(wrong);
      }
    }
    return ids;
  }

  /// Why a correction cannot be made; empty when it can.
  public static Optional<String> refuse(List<TreatmentEvent> events, Corrected correction) {
    Optional<TreatmentEvent> wrong =
        events.stream().filter(event -> event.id().equals(correction.event())).findFirst();
    if (wrong.isEmpty()) return Optional.of("there is no such entry");
    if (gone(events).contains(correction.event())) {
      return Optional.of("nothing follows from this entry any more");
    }
    Scope scope = of(wrong.get().fact());
    if (scope == Scope.NOTHING) {
      return Optional.of("this entry is not corrected; write a note");
    }
    if (correction.at().isEmpty()) {
      return scope == Scope.TIME
          ? Optional.of("what starts or ends acid is corrected in time only")
          : Optional.empty();
    }
    // The order of what was said stays: other entries rely on it.
    List<TreatmentEvent> now = applied(events);
    int place =
        now.indexOf(
            now.stream().filter(event -> event.id().equals(correction.event())).findFirst().get());
    Instant at = correction.at().get();
    boolean tooEarly = place > 0 && at.isBefore(now.get(place - 1).at());
    boolean tooLate = place + 1 < now.size() && at.isAfter(now.get(place + 1).at());
    return tooEarly || tooLate
        ? Optional.of("its time lies between what was said before it and after it")
        : Optional.empty();
  }
}
