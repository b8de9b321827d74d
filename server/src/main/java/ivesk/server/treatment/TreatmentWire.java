package ivesk.server.treatment;

import ivesk.core.plan.compose.CareStep;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.objection.ScriptRules;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.UnitDose;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.DecisionTable;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.gate.Gate;
import ivesk.core.treatment.moment.Clocks;
import ivesk.core.treatment.moment.OnSkin;
import ivesk.core.treatment.record.Correction;
import ivesk.core.treatment.state.EndedZones;
import ivesk.core.treatment.state.Looks;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import ivesk.core.treatment.state.ZoneState;
import ivesk.server.plan.PlanView;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

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

  /// Zones that look alike: most do for most of a peel.
  record SeenView(List<Zone> zones, ZoneView look) {
    static List<SeenView> of(Map<Zone, ZoneState> zones) {
      Map<ZoneView, List<Zone>> alike = new LinkedHashMap<>();
      zones.forEach((zone, state) ->
          alike.computeIfAbsent(ZoneView.of(state), _ -> new ArrayList<>()).add(zone));
      return alike.entrySet().stream()
          .map(one -> new SeenView(one.getValue(), one.getKey()))
          .toList();
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

  record EndingStepView(EndingStep id, boolean done) {}

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

  /// A step on calm skin, as it was planned.
  ///
  /// @param seconds its time; empty where it is put on and left
  /// @param minds what was said to its line in the plan, and the swap that was offered
  record CareView(
      String id,
      StepKind kind,
      String label,
      String how,
      List<Zone> zones,
      Optional<Long> seconds,
      boolean extracts,
      String said,
      List<MindView> minds) {
    static CareView of(CareStep step) {
      return new CareView(
          step.id(),
          step.kind(),
          step.label(),
          step.how(),
          step.zones(),
          step.time().map(Duration::toSeconds),
          step.extracts(),
          step.said(),
          step.minds().stream()
              .flatMap(mind ->
                  ScriptRules.says(mind.rule()).stream()
                      .map(words -> new MindView(words, mind.swap())))
              .toList());
    }
  }

  /// How far a step on calm skin is.
  ///
  /// @param notNow why it may not begin; empty when it may
  record CareNow(
      String id, Optional<Instant> startedAt, Optional<Instant> doneAt, Optional<String> notNow) {
    static CareNow of(CareStep step, TreatmentPlan plan, TreatmentState state) {
      boolean begun = state.care().started().containsKey(step.id());
      return new CareNow(
          step.id(),
          Optional.ofNullable(state.care().started().get(step.id())),
          Optional.ofNullable(state.care().done().get(step.id())),
          begun ? Optional.empty() : Gate.careNotNow(plan, state, step));
    }
  }

  record DoneCare(String id, String label, Instant doneAt) {}

  record MindView(String words, Optional<String> swap) {}

  record EndedZoneView(
      Zone zone,
      Instant endedAt,
      Optional<Instant> offAt,
      Optional<Integer> told,
      Optional<Instant> restAt) {
    static List<EndedZoneView> of(EndedZones ended) {
      return ended.zones().entrySet().stream()
          .map(one ->
              new EndedZoneView(
                  one.getKey(),
                  one.getValue().endedAt(),
                  one.getValue().offAt(),
                  one.getValue().told(),
                  one.getValue().restAt()))
          .sorted(Comparator.comparing(EndedZoneView::endedAt))
          .toList();
    }
  }

  /// @param from when it began
  /// @param next the stage after it; empty at the last
  record StageNow(int number, int of, Instant from, Optional<StageAhead> next) {
    static StageNow of(Stage now) {
      return new StageNow(
          now.plan().staging().number(),
          now.plan().staging().of(),
          now.from(),
          now.plan()
              .staging()
              .next()
              .map(next ->
                  new StageAhead(
                      next.formula().code(),
                      next.region(),
                      next.sharesSkin(now.plan()),
                      Gate.next(now.plan(), now.state()))));
    }
  }

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
      List<DoneCare> care) {
    static DoneStageView of(Stage done) {
      return new DoneStageView(
          done.plan().staging().number(),
          PlanView.of(done.plan()),
          done.plan().region(),
          done.from(),
          done.state().ready().contactLimit().map(Duration::toSeconds),
          LayerView.of(done.plan(), done.state()),
          done.state().looks().answers(),
          Clocks.of(done.plan(), done.state()),
          done.state().ending().restAt(),
          done.state().careOffered(done.plan()).stream()
              .filter(step -> done.state().care().done().containsKey(step.id()))
              .map(step ->
                  new DoneCare(step.id(), step.label(), done.state().care().done().get(step.id())))
              .toList());
    }
  }

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
      List<MoreBase> more) {
    private static final int MOST_MORE = 3;

    static OnSkinView of(Live live) {
      OnSkin skin = OnSkin.of(live.stages());
      Optional<Staging.Base> laidOut = live.plan().staging().base();
      return new OnSkinView(
          skin.acid().mmol(),
          skin.dose(),
          skin.salicylate(),
          laidOut.map(base -> skin.base().mmol()),
          skin.next().mmol(),
          skin.measured(),
          skin.outruns(),
          laidOut.stream()
              .flatMap(base ->
                  IntStream.rangeClosed(1, MOST_MORE)
                      .map(times -> times * step(base.unit()))
                      .mapToObj(
                          units -> new MoreBase(base.words(units), base.one().times(units).mmol())))
              .toList());
    }

    /// What is measured is laid out by ten, what is counted one by one.
    private static int step(UnitDose.Unit unit) {
      return unit.measured() ? 10 : 1;
    }
  }

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
      List<Zone> zones) {
    static List<LayerView> of(TreatmentPlan plan, TreatmentState state) {
      return state.layers().stream()
          .map(layer ->
              new LayerView(
                  layer.number(),
                  OnSkin.formula(plan, layer).code(),
                  layer.nextRung() ? plan.nextLot() : plan.lot(),
                  OnSkin.volume(plan, layer).ml(),
                  layer.delivered().isPresent(),
                  layer.startedAt(),
                  layer.coveredAt(),
                  layer.zones()))
          .toList();
    }
  }

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
      Correction.Scope correctable) {
    static List<EventView> of(Live live, int from) {
      Set<UUID> gone = Correction.gone(live.events());
      Map<UUID, Instant> moved = Correction.moved(live.events());
      return live.events().subList(from, live.events().size()).stream()
          .map(event -> of(event, gone.contains(event.id()), moved))
          .toList();
    }

    private static EventView of(TreatmentEvent event, boolean gone, Map<UUID, Instant> moved) {
      return new EventView(
          event.id(),
          moved.getOrDefault(event.id(), event.at()),
          event.who(),
          told(event.fact()),
          gone,
          gone ? Correction.Scope.NOTHING : Correction.of(event.fact()));
    }

    /// Plans stand on their own.
    private static Optional<Fact> told(Fact fact) {
      return switch (fact) {
        case Opened _ -> Optional.empty();
        case PlanChanged(var choice, var plan) ->
            Optional.of(new GateADecided(choice, plan.formula().code()));
        default -> Optional.of(fact);
      };
    }
  }
}
