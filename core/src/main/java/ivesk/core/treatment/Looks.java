package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.TreatmentEvent.Acting;
import ivesk.core.treatment.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.TreatmentEvent.Caring;
import ivesk.core.treatment.TreatmentEvent.Ending;
import ivesk.core.treatment.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.TreatmentEvent.FanTurned;
import ivesk.core.treatment.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.TreatmentEvent.LeavingChecked;
import ivesk.core.treatment.TreatmentEvent.Looking;
import ivesk.core.treatment.TreatmentEvent.Preparing;
import ivesk.core.treatment.TreatmentEvent.Recorded;
import ivesk.core.treatment.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.TreatmentEvent.Response;
import ivesk.core.treatment.TreatmentEvent.ResponseNoted;
import ivesk.core.treatment.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.TreatmentEvent.SignResolved;
import ivesk.core.treatment.TreatmentEvent.SignSeen;
import ivesk.core.treatment.TreatmentEvent.Signed;
import ivesk.core.treatment.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.TreatmentEvent.WipeTested;
import ivesk.core.treatment.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.TreatmentEvent.ZoneReached;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// What was said and seen.
///
/// @param answers every number that was told, in order
/// @param zones what is known of each planned zone
/// @param signs seen and not resolved
/// @param seenSigns every sign that was ever seen
public record Looks(
    List<Told> answers,
    Map<Zone, ZoneState> zones,
    Set<Sign> signs,
    Set<Sign> seenSigns,
    Response response) {

  /// @param layer how many layers had been started; 0 before the acid
  public record Told(Instant at, int value, Phase phase, int layer) {}

  /// What is known of one zone.
  ///
  /// @param redness 0 to 3
  /// @param rise by how much the redness rose at its last look
  /// @param wipeOwed whitening was entered and the wipe test not yet done
  /// @param hotSpot its own number, where it has one
  /// @param reached the newest layer over it has come this far
  public record ZoneState(
      int redness,
      int rise,
      Whitening whitening,
      boolean wipeOwed,
      Optional<Integer> hotSpot,
      boolean reached,
      boolean ended) {
    static final ZoneState UNTOUCHED =
        new ZoneState(0, 0, Whitening.NONE, false, Optional.empty(), false, false);

    ZoneState withRedness(int grade) {
      return new ZoneState(grade, grade - redness, whitening, wipeOwed, hotSpot, reached, ended);
    }

    ZoneState withWhitening(Whitening grade, boolean owed) {
      return new ZoneState(redness, rise, grade, owed, hotSpot, reached, ended);
    }

    ZoneState withHotSpot(int value) {
      Optional<Integer> spot = value == 0 ? Optional.empty() : Optional.of(value);
      return new ZoneState(redness, rise, whitening, wipeOwed, spot, reached, ended);
    }

    ZoneState withReached(boolean by) {
      return new ZoneState(redness, rise, whitening, wipeOwed, hotSpot, by, ended);
    }

    ZoneState withEnded() {
      return new ZoneState(redness, rise, whitening, wipeOwed, hotSpot, reached, true);
    }

    /// The swab went over it: white that comes off was crystals, white that stays is frost.
    ZoneState wiped(boolean cameOff) {
      if (!wipeOwed) return this;
      Whitening stays = whitening == Whitening.CRYSTALS ? Whitening.F1 : whitening;
      return withWhitening(cameOff ? Whitening.CRYSTALS : stays, false);
    }

    /// Something was seen here that acid can do.
    boolean reacts() {
      return whitening != Whitening.NONE || redness > 0 || hotSpot.isPresent();
    }
  }

  public Looks {
    answers = List.copyOf(answers);
    zones = Map.copyOf(zones);
    signs = Set.copyOf(signs);
    seenSigns = Set.copyOf(seenSigns);
  }

  static Looks before(TreatmentPlan plan) {
    Map<Zone, ZoneState> zones = new EnumMap<>(Zone.class);
    plan.zones().forEach(zone -> zones.put(zone, ZoneState.UNTOUCHED));
    return new Looks(List.of(), zones, Set.of(), Set.of(), Response.AWAKE);
  }

  /// @param acid as it was before the event
  Looks after(TreatmentEvent event, TreatmentPlan plan, Phase phase, AcidState acid) {
    return switch (event.fact()) {
      case Looking fact ->
          switch (fact) {
            case SensationAnswered(var value) ->
                told(new Told(event.at(), value, phase, acid.layers().size()));
            case RednessSeen(var grades) ->
                changed(grades.keySet(), (zone, seen) -> seen.withRedness(grades.get(zone)));
            case WhiteningSeen(var white, var grade) -> {
              boolean owed =
                  phase == Phase.ACID && grade != Whitening.NONE && plan.formula().mayCrystallise();
              yield changed(white, (zone, seen) -> seen.withWhitening(grade, owed));
            }
            case WipeTested(var cameOff) ->
                changed(zones.keySet(), (zone, seen) -> seen.wiped(cameOff));
            case HotSpotFelt(var hot, var value) ->
                changed(List.of(hot), (zone, seen) -> seen.withHotSpot(value));
            case SignSeen(var sign) -> with(more(signs, sign), more(seenSigns, sign));
            case SignResolved(var sign, var note) -> with(less(signs, sign), seenSigns);
            case ResponseNoted(var how) -> new Looks(answers, zones, signs, seenSigns, how);
          };
      case Acting fact ->
          switch (fact) {
            case LayerStarted(var on, var nextRung) -> reached(on, false);
            case ZoneReached(var zone) -> reached(List.of(zone), true);
            case LayerCovered covered ->
                acid.running().map(layer -> reached(layer.zones(), true)).orElse(this);
            case ZoneEnded(var ended) -> changed(List.of(ended), (zone, seen) -> seen.withEnded());
            case LayersExtended _, FanTurned _, AdviceDeclined _ -> this;
          };
      case Ending fact ->
          switch (fact) {
            case EndingStarted started -> with(less(signs, Sign.ASKS_TO_STOP), seenSigns);
            case EndingStepDone _, LeavingChecked _, Signed _ -> this;
          };
      case Preparing _, Caring _, Recorded _ -> this;
    };
  }

  private Looks told(Told answer) {
    List<Told> more = new ArrayList<>(answers);
    more.add(answer);
    return new Looks(more, zones, signs, seenSigns, response);
  }

  private Looks reached(List<Zone> which, boolean by) {
    return changed(which, (zone, seen) -> seen.withReached(by));
  }

  private interface Change {
    ZoneState of(Zone zone, ZoneState seen);
  }

  private Looks changed(Collection<Zone> which, Change change) {
    Map<Zone, ZoneState> after = new EnumMap<>(zones);
    which.forEach(zone -> after.computeIfPresent(zone, change::of));
    return new Looks(answers, after, signs, seenSigns, response);
  }

  private Looks with(Set<Sign> standing, Set<Sign> seen) {
    return new Looks(answers, zones, standing, seen, response);
  }

  private static Set<Sign> more(Set<Sign> signs, Sign sign) {
    EnumSet<Sign> all = EnumSet.of(sign);
    all.addAll(signs);
    return all;
  }

  private static Set<Sign> less(Set<Sign> signs, Sign sign) {
    Set<Sign> left = EnumSet.noneOf(Sign.class);
    left.addAll(signs);
    left.remove(sign);
    return left;
  }

  /// Numbers told while acid was on, in order.
  public List<Told> underAcid() {
    return answers.stream().filter(answer -> answer.phase() == Phase.ACID).toList();
  }

  public Optional<Told> last() {
    return answers.isEmpty() ? Optional.empty() : Optional.of(answers.getLast());
  }
}
