package ivesk.core.plan.compose;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.plan.compose.TreatmentPlan.Staging;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Layers;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.practice.Policies;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.limits.Limits;
import ivesk.core.selection.Amounts;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// Makes the stage of a plan from the formula chosen and the limits of the day.
public final class Planning {

  private Planning() {}

  /// What the therapist set by hand; an empty field takes the proposal.
  ///
  /// @param earlier zones that come off before the others
  public record Wishes(
      Optional<Integer> layersPlanned,
      Optional<Integer> layersAtMost,
      Optional<Duration> contact,
      Optional<List<Zone>> zones,
      Map<Zone, Duration> earlier,
      Optional<Volume> layer,
      Optional<Edge> edge) {
    public static final Wishes NONE =
        new Wishes(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Map.of(),
            Optional.empty(),
            Optional.empty());

    /// Some zones, and the proposal for the rest.
    public static Wishes on(List<Zone> zones) {
      return new Wishes(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          zones.isEmpty() ? Optional.empty() : Optional.of(zones),
          Map.of(),
          Optional.empty(),
          Optional.empty());
    }

    /// As a stage is written.
    public static Wishes of(Step stage) {
      return new Wishes(
          Optional.of(stage.layers()),
          Optional.of(stage.layersAtMost()),
          stage.timing().planned(),
          stage.zones().isEmpty() ? Optional.empty() : Optional.of(stage.zones()),
          stage.earlier(),
          stage.amount().map(Volume::ml),
          Optional.empty());
    }

    /// Zones that come off before the others.
    public Wishes off(Map<Zone, Duration> sooner) {
      return new Wishes(layersPlanned, layersAtMost, contact, zones, sooner, layer, edge);
    }

    /// How far it goes, and fades.
    public Wishes edged(Optional<Edge> value) {
      return new Wishes(layersPlanned, layersAtMost, contact, zones, earlier, layer, value);
    }
  }

  /// What a shorter contact has overtaken comes off with the rest.
  private static Map<Zone, Duration> sooner(
      Wishes wishes, List<Zone> zones, Optional<Duration> contact) {
    Map<Zone, Duration> sooner = new HashMap<>(wishes.earlier());
    sooner.keySet().retainAll(zones);
    sooner
        .values()
        .removeIf(time -> contact.filter(limit -> time.compareTo(limit) >= 0).isPresent());
    return sooner;
  }

  private static Optional<String> lot(Formula formula, SelectionFacts facts) {
    return facts
        .client()
        .shelf()
        .toTake(formula.code(), facts.client().peelDate())
        .map(Lot::number);
  }

  /// Where a peel of the face may fade, the usual one first.
  public static List<Edge> edges(Formula formula, SelectionFacts facts) {
    return Edge.open(
        formula,
        facts.client().region(),
        facts.client().skin().phototype().orElse(Phototype.VI),
        facts.client().pihEver(),
        facts.client().policies());
  }

  /// @param addOn what goes on calm skin after the formula
  /// @throws IllegalArgumentException when a wish passes the limits of the day or of the formula
  public static TreatmentPlan plan(
      Formula formula, Optional<AddOn> addOn, SelectionFacts facts, Wishes wishes) {
    Limits limits = facts.screening().limits();
    int proposed = Layers.proposedLayers(formula, facts);
    boolean first = facts.ladders().firstWith(formula.family());
    int atMost = Math.max(proposed, Layers.mostLayers(formula, facts));
    int planned = wishes.layersPlanned().orElse(proposed);
    int evenOnceMore =
        atMost == 1 ? 1 + Layers.onceMore(formula, facts.client().policies()) : atMost;
    if (planned > atMost || wishes.layersAtMost().filter(m -> m > evenOnceMore).isPresent()) {
      throw new IllegalArgumentException(
          "layers are "
              + Math.max(planned, wishes.layersAtMost().orElse(0))
              + "; at most "
              + atMost
              + " today");
    }
    if (!formula.peels()) {
      throw new IllegalArgumentException(formula.code() + " is no peel of its own; choose an acid");
    }
    Optional<Duration> longest = Amounts.plannedContact(formula, facts);
    if (formula.mostContact().isPresent() && longest.isEmpty()) {
      throw new IllegalArgumentException(
          formula.code() + " is shut: contact would fall under 60 s");
    }
    Optional<Duration> contact = longest.map(most -> wishes.contact().orElse(most));
    if (contact.isPresent() && contact.get().compareTo(longest.get()) > 0) {
      throw new IllegalArgumentException(
          "contact is "
              + contact.get().toSeconds()
              + " s; at most "
              + longest.get().toSeconds()
              + " s today");
    }
    formula
        .label()
        .leastContact()
        .filter(least -> contact.filter(time -> time.compareTo(least) < 0).isPresent())
        .ifPresent(least -> {
          throw new IllegalArgumentException(
              "contact is "
                  + contact.get().toSeconds()
                  + " s; its label wants at least "
                  + least.toSeconds()
                  + " s");
        });
    // Where two regions share a run, its own comes first.
    List<Zone> zones =
        wishes.zones().orElse(facts.zones()).stream()
            .sorted(Comparator.comparing(zone -> zone.region() != facts.client().region()))
            .toList();
    for (Zone zone : zones) {
      if (limits.excludedZones().contains(zone)) {
        throw new IllegalArgumentException(zone.label() + " is left out today; Screen says why");
      }
      boolean besides =
          zone != zones.getFirst()
              && zone.region().besides(facts.client().region())
              && formula.label().regions().contains(zone.region());
      if (zone.region() != facts.client().region() && !besides) {
        throw new IllegalArgumentException(
            zone.label() + " is another region than " + facts.client().region().label());
      }
    }
    Area area = facts.areas().of(zones);
    Sensitivity sensitivity = facts.client().skin().sensitivity().orElse(Sensitivity.SENSITIVE);
    Policies policies = facts.client().policies();
    List<Edge> edges = edges(formula, facts);
    int off = sensitivity.atLeast(Sensitivity.SENSITIVE) ? 2 : 0;
    DepthClass depth = limits.depth(formula, contact, planned, facts.client().region());
    Optional<Formula> nextRung = Layers.nextRung(formula, facts);
    return new TreatmentPlan(
        formula,
        zones,
        sooner(wishes, zones, contact),
        planned,
        Math.max(planned, wishes.layersAtMost().orElse(evenOnceMore)),
        contact,
        Math.max(3, policies.thresholds().hold() - off),
        Math.max(5, policies.thresholds().stop() - off),
        facts.client().skin().phototype().orElse(Phototype.VI),
        sensitivity,
        first,
        policies.chose(Policies.Choice.JESSNER_FIRST_FROST),
        nextRung,
        policies.restAtMost(),
        Preparation.of(policies, limits),
        Handling.of(policies, evenOnceMore > atMost),
        wishes.edge().filter(edges::contains).or(() -> edges.stream().findFirst()),
        TakeOff.of(formula, depth, limits, policies),
        depth,
        area,
        wishes.layer().orElseGet(() -> Dose.layer(area)),
        lot(formula, facts),
        nextRung.flatMap(next -> lot(next, facts)),
        addOn,
        Staging.ALONE);
  }
}
