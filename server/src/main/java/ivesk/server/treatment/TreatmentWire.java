package ivesk.server.treatment;

import ivesk.core.plan.script.StepKind;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.DecisionTable;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import ivesk.server.plan.PlanView;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;

/// Parts of what the couch is told.
final class TreatmentWire {
  private TreatmentWire() {}

  /// What is known of one zone, as a screen draws it.
  record ZoneView(
      int redness,
      Whitening whitening,
      boolean wipeOwed,
      Optional<Integer> hotSpot,
      boolean reached,
      boolean ended) {
    static ZoneView of(ZoneState zone) {
      return new ZoneView(
          zone.redness(),
          zone.whitening(),
          zone.wipeOwed(),
          zone.hotSpot(),
          zone.reached(),
          zone.ended());
    }
  }

  /// A region that is settled while another is treated.
  ///
  /// @param region that an answer names
  /// @param askAt when to ask it next; empty once it is at rest
  record BesideView(
      Region region,
      String where,
      Map<Zone, ZoneView> zones,
      Optional<Integer> told,
      Optional<Instant> askAt,
      boolean atRest,
      boolean wipeOwed,
      Advice advice) {
    static BesideView of(Advisor.BesideAdvice one) {
      TreatmentState state = one.region().state();
      return new BesideView(
          one.region().plan().region(),
          one.region().plan().where(),
          state.zones().entrySet().stream()
              .collect(Collectors.toMap(Map.Entry::getKey, zone -> ZoneView.of(zone.getValue()))),
          state.lastAnswer().map(Looks.Told::value),
          one.askAt(),
          one.region().atRest(),
          state.wipeOwed(),
          one.advice());
    }
  }

  /// @param seconds empty for formulas without minutes
  record ShortenedView(Optional<Long> seconds, int layers) {}

  /// @param together with which others it is done in one go
  record StepView(
      ReadyStep id,
      ReadyStep.Together together,
      String label,
      String how,
      Optional<Instant> doneAt) {}

  record EndingStepView(EndingStep id, String words, boolean done) {}

  /// @param number of the row, 1 to 17
  /// @param when it matches, as a clinician reads it
  record WhyView(Row row, int number, String when, String then, List<DecisionTable.Value> values) {
    static WhyView of(Advisor.Why why) {
      return new WhyView(
          why.line().row(),
          why.line().row().number(),
          why.line().when(),
          why.line().then(),
          why.values());
    }
  }

  /// A step on calm skin.
  ///
  /// @param seconds its time; empty where it is put on and left
  /// @param minds what was said to its line in the plan, and the swap that was offered
  /// @param notNow why it may not begin; empty when it may
  record CareView(
      String id,
      StepKind kind,
      String label,
      String how,
      List<Zone> zones,
      Optional<Long> seconds,
      boolean extracts,
      String said,
      List<MindView> minds,
      Optional<Instant> startedAt,
      Optional<Instant> doneAt,
      Optional<String> notNow) {}

  record MindView(String words, Optional<String> swap) {}

  record EndedZoneView(
      Zone zone,
      Instant endedAt,
      Optional<Instant> offAt,
      Optional<Integer> told,
      Optional<Instant> restAt) {}

  /// @param from when it began
  /// @param next the stage after it; empty at the last
  /// @param before stages that are done
  record StageNow(
      int number, int of, Instant from, Optional<StageAhead> next, List<DoneStageView> before) {}

  /// @param notNow why it may not begin; empty when it may
  record StageAhead(String code, Region region, boolean sameSkin, Optional<String> notNow) {}

  /// @param plan by which it was done
  /// @param from when it began
  record DoneStageView(
      int number,
      PlanView plan,
      Region region,
      Instant from,
      Optional<Long> contactLimitSeconds,
      List<LayerView> layers,
      List<Looks.Told> answers,
      Clocks clocks,
      Optional<Instant> restAt,
      List<CareView> care) {}

  /// @param acidMmol titratable, of all layers of this stage
  /// @param salicylate share of the yardstick over the whole visit
  /// @param baseMmol laid out; empty where nothing is neutralised
  /// @param measured every layer's volume was measured; otherwise some are as planned
  /// @param outruns one more layer would need more base than is laid out
  /// @param more what more base could be laid out
  record OnSkinView(
      double acidMmol,
      double mgPerCm2,
      double salicylate,
      Optional<Double> baseMmol,
      double nextMmol,
      boolean measured,
      boolean outruns,
      List<MoreBase> more) {}

  /// @param words as they are counted
  record MoreBase(String words, double mmol) {}

  /// @param formula its code, the next rung's where the strength was stepped
  /// @param lot of its bottle; empty where bottles are not counted
  /// @param measured its volume was measured; otherwise it is as planned
  record LayerView(
      int number,
      String formula,
      Optional<String> lot,
      double ml,
      boolean measured,
      Instant startedAt,
      Optional<Instant> coveredAt,
      List<Zone> zones) {}

  /// The event that may still be taken back, and until when.
  record UndoView(UUID event, Instant until) {}

  /// An event as the ribbon reads it; the plan that opened it stands on its own.
  ///
  /// @param at when it happened, as corrected
  /// @param takenBack it was a mistaken tap, or taken out; nothing follows from it
  /// @param correctable what of it may be corrected
  record EventView(
      UUID id,
      Instant at,
      String who,
      Optional<Fact> fact,
      boolean takenBack,
      Correction.Scope correctable) {}
}
