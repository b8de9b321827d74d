package ivesk.core.treatment.state;

import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.Acting;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.AlarmStepSkipped;
import ivesk.core.treatment.fact.TreatmentEvent.BaseLaidOut;
import ivesk.core.treatment.fact.TreatmentEvent.BaseOutrunPassed;
import ivesk.core.treatment.fact.TreatmentEvent.Caring;
import ivesk.core.treatment.fact.TreatmentEvent.EarlyEndExplained;
import ivesk.core.treatment.fact.TreatmentEvent.EdgeSeen;
import ivesk.core.treatment.fact.TreatmentEvent.Ending;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.FanTurned;
import ivesk.core.treatment.fact.TreatmentEvent.HotSpotFelt;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerMeasured;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.LayersExtended;
import ivesk.core.treatment.fact.TreatmentEvent.LeavingChecked;
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
import ivesk.core.treatment.fact.TreatmentEvent.Signed;
import ivesk.core.treatment.fact.TreatmentEvent.SpotPassed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneEnded;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneReached;
import ivesk.core.treatment.fact.TreatmentEvent.ZoneTakenOff;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// What was said and seen.
///
/// @param answers every number that was told, in order; two within one second are one, the later
/// @param zones what is known of each planned zone
/// @param standing signs seen and not resolved, and since when
/// @param seenSigns every sign that was ever seen
/// @param incident redness 3 in the last look under the acid or after it, even or spreading white
///   after END, a blister or another injury: a form is owed
/// @param reported the incident form was written
/// @param edges where the peel was to fade, whether it came that far
/// @param stays what no later look takes away
public record Looks(
    List<Told> answers,
    Map<Zone, ZoneState> zones,
    Map<Sign, Instant> standing,
    Set<Sign> seenSigns,
    Response response,
    boolean incident,
    boolean reported,
    Map<Zone, Boolean> edges,
    Stays stays) {

  public static final Duration ONE_ANSWER = Duration.ofSeconds(1);

  /// @param layer how many layers had been started; 0 before the acid
  /// @param numbed asleep or numbed: a number not to be relied on
  public record Told(Instant at, int value, Phase phase, int layer, boolean numbed) {}

  public Looks {
    answers = List.copyOf(answers);
    zones = Map.copyOf(zones);
    standing = Map.copyOf(standing);
    seenSigns = Set.copyOf(seenSigns);
    edges = Map.copyOf(edges);
  }

  static Looks before(TreatmentPlan plan) {
    Map<Zone, ZoneState> zones = new EnumMap<>(Zone.class);
    plan.zones().forEach(zone -> zones.put(zone, ZoneState.UNTOUCHED));
    return new Looks(
        List.of(),
        zones,
        Map.of(),
        Set.of(),
        Response.AWAKE,
        false,
        false,
        Map.of(),
        Stays.NOTHING);
  }

  /// Before the next stage: what was last seen of the skin that both have, and every sign.
  ///
  /// @param treated zones that had acid in this stage
  Looks onTo(TreatmentPlan next, Collection<Zone> treated) {
    Set<Zone> ended =
        zones.entrySet().stream()
            .filter(zone -> zone.getValue().ended())
            .map(Map.Entry::getKey)
            .collect(Collectors.toSet());
    Stays kept = stays.onTo(Set.copyOf(treated), ended);
    Map<Zone, ZoneState> there = new EnumMap<>(Zone.class);
    next.zones()
        .forEach(zone ->
            there.put(
                zone,
                Optional.ofNullable(zones.get(zone))
                    .map(ZoneState::onTo)
                    .orElse(
                        kept.ended().contains(zone)
                            ? ZoneState.UNTOUCHED.withEnded()
                            : ZoneState.UNTOUCHED)));
    return new Looks(
        List.of(), there, standing, seenSigns, response, incident, reported, Map.of(), kept);
  }

  /// Seen and not resolved.
  public Set<Sign> signs() {
    return standing.keySet();
  }

  /// @param acid as it was before the event
  Looks after(TreatmentEvent event, TreatmentPlan plan, Phase phase, AcidState acid) {
    return overdue(event.at(), phase).folded(event, plan, phase, acid);
  }

  private Looks folded(TreatmentEvent event, TreatmentPlan plan, Phase phase, AcidState acid) {
    Instant at = event.at();
    return switch (event.fact()) {
      case Looking fact ->
          switch (fact) {
            case SensationAnswered(var value) ->
                told(new Told(at, value, phase, acid.layers().size(), response != Response.AWAKE));
            case RednessSeen(var grades) ->
                changed(
                        grades.keySet(),
                        (zone, seen) -> seen.withRedness(grades.get(zone), phase.beforeAcid()))
                    .afterEnd(phase, plan);
            case WhiteningSeen(var white, var grade) -> {
              boolean testable =
                  !phase.beforeAcid() && !phase.closed() && plan.formula().mayCrystallise();
              yield changed(
                      white, (zone, seen) -> seen.withWhitening(grade, at, testable, phase, acid))
                  .frosted(at)
                  .whiteUnderAcid(phase)
                  .afterEnd(phase, plan);
            }
            case WipeTested(var wiped, var cameOff) ->
                changed(wiped, (zone, seen) -> seen.wiped(cameOff, acid.layers().size()))
                    .frosted(at)
                    .whiteUnderAcid(phase)
                    .afterEnd(phase, plan);
            case HotSpotFelt(var hot, var value) ->
                changed(List.of(hot), (zone, seen) -> seen.withHotSpot(value, phase));
            case ZoneAnswered _, RegionAnswered _ -> this;
            case AlarmStepDone(var step) -> staying(stays.withStep(step));
            case AlarmStepSkipped(var step, _) -> staying(stays.withStep(step));
            case EdgeSeen(var zone, var came) -> edge(zone, came);
            case SignSeen(var sign) -> seen(sign, at);
            case SignResolved(var sign, var note) -> resolved(sign);
            case ResponseNoted(var how) ->
                new Looks(
                    answers, zones, standing, seenSigns, how, incident, reported, edges, stays);
          };
      case Acting fact ->
          switch (fact) {
            case LayerStarted(var on, var nextRung) -> reached(on, false);
            case ZoneReached(var zone) -> reached(List.of(zone), true);
            case LayerCovered covered ->
                acid.running().map(layer -> reached(layer.zones(), true)).orElse(this);
            case ZoneEnded(var ended) -> changed(List.of(ended), (zone, seen) -> seen.withEnded());
            case LayersExtended _,
                FanTurned _,
                AdviceDeclined _,
                ZoneTakenOff _,
                LayerMeasured _,
                SpotPassed _,
                BaseLaidOut _,
                BaseOutrunPassed _ ->
                this;
          };
      case Ending fact ->
          switch (fact) {
            case EndingStarted _ -> resolved(Sign.ASKS_TO_STOP).deepAtEnd();
            case EarlyEndExplained _, EndingStepDone _, LeavingChecked _, Signed _ -> this;
          };
      case Recorded fact when fact instanceof TreatmentEvent.IncidentReported ->
          new Looks(answers, zones, standing, seenSigns, response, incident, true, edges, stays);
      case AcidAllowed _ -> staying(stays.withAllowed(true));
      case Preparing _, Caring _, Recorded _ -> this;
    };
  }

  private Looks told(Told answer) {
    boolean doubled =
        last()
            .filter(before -> Duration.between(before.at(), answer.at()).compareTo(ONE_ANSWER) <= 0)
            .isPresent();
    List<Told> more = new ArrayList<>(doubled ? answers.subList(0, answers.size() - 1) : answers);
    more.add(answer);
    return new Looks(more, zones, standing, seenSigns, response, incident, reported, edges, stays);
  }

  private Looks staying(Stays other) {
    return new Looks(
        answers, zones, standing, seenSigns, response, incident, reported, edges, other);
  }

  /// F3 that may have been crystals went without a swab for too long: from then on it stands.
  private Looks overdue(Instant now, Phase phase) {
    if (phase.beforeAcid() || phase.closed()) return this;
    return zones.values().stream()
        .filter(zone -> zone.untestedTooLong(now))
        .flatMap(zone -> zone.untestedFrom().stream())
        .min(Comparator.naturalOrder())
        .map(since -> seen(Sign.DEEP_FROST, since))
        .orElse(this);
  }

  private Looks whiteUnderAcid(Phase phase) {
    if (phase != Phase.ACID) return this;
    return staying(
        stays.withWhite(
            zones.entrySet().stream()
                .filter(zone -> zone.getValue().whitening().frost() && !zone.getValue().wipeOwed())
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet())));
  }

  /// Redness 3 in the last look under the acid.
  private Looks deepAtEnd() {
    return zones.values().stream().anyMatch(zone -> zone.redness() == 3) ? owing() : this;
  }

  private Looks edge(Zone zone, boolean came) {
    Map<Zone, Boolean> more = new EnumMap<>(Zone.class);
    more.putAll(edges);
    more.put(zone, came);
    return new Looks(
        answers, zones, standing, seenSigns, response, incident, reported, more, stays);
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
    return new Looks(
        answers, after, standing, seenSigns, response, incident, reported, edges, stays);
  }

  /// Frost beyond any endpoint is an injury that stands until somebody says how it ended: a later,
  /// lower look or a swab does not take it away.
  private Looks frosted(Instant at) {
    boolean deep = zones.values().stream().anyMatch(ZoneState::beyondAnyEndpoint);
    return deep ? seen(Sign.DEEP_FROST, at) : this;
  }

  private Looks afterEnd(Phase phase, TreatmentPlan plan) {
    boolean now =
        phase.afterAcid()
            && (!Risen.white(plan, zones).isEmpty()
                || zones.values().stream().anyMatch(zone -> zone.redness() == 3));
    return now ? owing() : this;
  }

  private Looks owing() {
    return incident
        ? this
        : new Looks(answers, zones, standing, seenSigns, response, true, reported, edges, stays);
  }

  /// An alarm that was allowed for does not allow for the next.
  Looks seen(Sign sign, Instant at) {
    Map<Sign, Instant> more = new EnumMap<>(Sign.class);
    more.putAll(standing);
    more.putIfAbsent(sign, at);
    EnumSet<Sign> all = EnumSet.of(sign);
    all.addAll(seenSigns);
    boolean owed = incident || sign.weight() == Sign.Weight.INJURY;
    Stays kept =
        sign.weight().alarm() && !signs().contains(sign) ? stays.withAllowed(false) : stays;
    return new Looks(answers, zones, more, all, response, owed, reported, edges, kept);
  }

  private Looks resolved(Sign sign) {
    Map<Sign, Instant> left = new EnumMap<>(Sign.class);
    left.putAll(standing);
    left.remove(sign);
    boolean last = left.keySet().stream().noneMatch(other -> other.weight() == sign.weight());
    Stays kept = last ? stays.without(sign.weight()) : stays;
    return new Looks(answers, zones, left, seenSigns, response, incident, reported, edges, kept);
  }

  /// The whole and every hot spot told since the acid are at rest, in numbers told awake.
  boolean resting(TreatmentPlan plan) {
    return last()
            .filter(told -> told.phase().afterAcid() && told.phase() != Phase.ENDING)
            .filter(told -> !told.numbed() && told.value() <= plan.restAtMost())
            .isPresent()
        && zones.values().stream().noneMatch(zone -> zone.spotAbove(plan.restAtMost()));
  }

  /// An incident was seen and nobody has written its form.
  public boolean reportOwed() {
    return incident && !reported;
  }

  /// Numbers told while acid was on, in order.
  public List<Told> underAcid() {
    return answers.stream().filter(answer -> answer.phase() == Phase.ACID).toList();
  }

  public Optional<Told> last() {
    return answers.isEmpty() ? Optional.empty() : Optional.of(answers.getLast());
  }
}
