package ivesk.core.treatment.state;

import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Volume;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.Looking;
import ivesk.core.treatment.fact.TreatmentEvent.Preparing;
import ivesk.core.treatment.fact.TreatmentEvent.Recorded;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.RegionAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.SignResolved;
import ivesk.core.treatment.fact.TreatmentEvent.SignSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// What was done with the acid.
///
/// @param extended the therapist asked for the most layers
/// @param onNextRung a layer of the next rung went on
/// @param declined rows whose advice was passed since the last look
/// @param moreBase neutraliser laid out beyond the plan's
/// @param outrunPassed the next layer may outrun the base
/// @param lastLookAt last answer with acid on, or a look in place of one that cannot be given
public record AcidState(
    List<Layer> layers,
    boolean extended,
    boolean onNextRung,
    boolean fanOn,
    Set<Row> declined,
    Amount moreBase,
    boolean outrunPassed,
    Optional<Instant> lastLookAt) {

  /// @param nextRung of the next strength up
  /// @param delivered as it was measured; empty where it is as planned
  /// @param spots zones that were gone over once more
  public record Layer(
      int number,
      Instant startedAt,
      Optional<Instant> coveredAt,
      List<Zone> zones,
      boolean nextRung,
      Optional<Volume> delivered,
      List<Zone> spots) {}

  static final AcidState NONE =
      new AcidState(List.of(), false, false, false, Set.of(), Amount.NONE, false, Optional.empty());

  public AcidState {
    layers = List.copyOf(layers);
    declined = Set.copyOf(declined);
  }

  AcidState after(TreatmentEvent event, Phase phase, Response response) {
    Instant at = event.at();
    return switch (event.fact()) {
      case Acting fact ->
          switch (fact) {
            case LayerStarted(var on, var nextRung) -> started(at, on, nextRung);
            case LayerCovered covered -> covered(at);
            case LayersExtended more -> with(layers, true, fanOn, declined);
            case FanTurned(var on) -> with(layers, extended, on, declined);
            case AdviceDeclined(var row, var reason) -> passed(row);
            case LayerMeasured(var ml) -> measured(Volume.ml(ml));
            case BaseLaidOut(var mmol) -> based(moreBase.plus(new Amount(mmol)), outrunPassed);
            case BaseOutrunPassed _ -> based(moreBase, true);
            case SpotPassed(var zones) -> spotted(zones);
            case ZoneReached _, ZoneEnded _, ZoneTakenOff _ -> this;
          };
      case Looking fact ->
          switch (fact) {
            case SensationAnswered told ->
                looked(phase == Phase.ACID ? Optional.of(at) : lastLookAt);
            // A look stands in for an answer only when the client cannot give one.
            case RednessSeen seen -> lookedAt(at, phase, response);
            case WhiteningSeen seen -> lookedAt(at, phase, response);
            case WipeTested f -> looked(lastLookAt);
            case HotSpotFelt f -> looked(lastLookAt);
            case SignSeen _,
                SignResolved _,
                ResponseNoted _,
                ZoneAnswered _,
                RegionAnswered _,
                AlarmStepDone _,
                AlarmStepSkipped _,
                EdgeSeen _ ->
                this;
          };
      case Preparing _, Ending _, Caring _, Recorded _ -> this;
    };
  }

  private AcidState with(List<Layer> all, boolean more, boolean fan, Set<Row> passed) {
    return new AcidState(all, more, onNextRung, fan, passed, moreBase, outrunPassed, lastLookAt);
  }

  private AcidState based(Amount more, boolean passed) {
    return new AcidState(layers, extended, onNextRung, fanOn, declined, more, passed, lastLookAt);
  }

  /// A new layer asks for its own decisions.
  private AcidState started(Instant at, List<Zone> on, boolean nextRung) {
    List<Layer> more = new ArrayList<>(layers);
    more.add(
        new Layer(
            layers.size() + 1, at, Optional.empty(), on, nextRung, Optional.empty(), List.of()));
    return new AcidState(
        more, extended, onNextRung || nextRung, fanOn, Set.of(), moreBase, false, lastLookAt);
  }

  private AcidState covered(Instant at) {
    return running()
        .map(layer -> last(Optional.of(at), layer.delivered(), layer.spots()))
        .orElse(this);
  }

  private AcidState measured(Volume volume) {
    return last()
        .map(layer -> last(layer.coveredAt(), Optional.of(volume), layer.spots()))
        .orElse(this);
  }

  private AcidState spotted(List<Zone> zones) {
    return last()
        .map(layer -> {
          List<Zone> all = new ArrayList<>(layer.spots());
          all.addAll(zones);
          return last(layer.coveredAt(), layer.delivered(), List.copyOf(all));
        })
        .orElse(this);
  }

  private AcidState last(
      Optional<Instant> coveredAt, Optional<Volume> delivered, List<Zone> spots) {
    Layer layer = layers.getLast();
    List<Layer> all = new ArrayList<>(layers.subList(0, layers.size() - 1));
    all.add(
        new Layer(
            layer.number(),
            layer.startedAt(),
            coveredAt,
            layer.zones(),
            layer.nextRung(),
            delivered,
            spots));
    return with(all, extended, fanOn, declined);
  }

  private AcidState passed(Row row) {
    EnumSet<Row> more = EnumSet.of(row);
    more.addAll(declined);
    return with(layers, extended, fanOn, more);
  }

  private AcidState lookedAt(Instant at, Phase phase, Response response) {
    boolean meetsTheCheckIn = phase == Phase.ACID && response != Response.AWAKE;
    return looked(meetsTheCheckIn ? Optional.of(at) : lastLookAt);
  }

  private AcidState looked(Optional<Instant> lastLook) {
    return new AcidState(
        layers, extended, onNextRung, fanOn, Set.of(), moreBase, outrunPassed, lastLook);
  }

  public Optional<Layer> last() {
    return layers.isEmpty() ? Optional.empty() : Optional.of(layers.getLast());
  }

  /// The layer that is being spread.
  public Optional<Layer> running() {
    return last().filter(layer -> layer.coveredAt().isEmpty());
  }
}
