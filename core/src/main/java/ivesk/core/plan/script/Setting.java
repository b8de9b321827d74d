package ivesk.core.plan.script;

import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.practice.Policies;
import ivesk.core.product.Catalogue;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.selection.Amounts;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// What a script is judged in: the practice, and the client where there is one.
///
/// @param day on which it is done
/// @param client empty for a protocol by itself
public record Setting(
    Policies policies,
    Catalogue catalogue,
    Shelf shelf,
    Areas areas,
    LocalDate day,
    Optional<OfClient> client) {

  /// @param facts for the region of the script
  /// @param rack what is open for this client on the day
  /// @param allergies in the client's words, free text
  /// @param comfort what the couch must respect
  public record OfClient(
      SelectionFacts facts, Selection rack, String allergies, Set<Comfort> comfort) {}

  /// Of a grown-up body whose measures nobody knows.
  private static final Areas USUAL = new Areas(BodySurface.UNKNOWN_M2, 35, Map.of());

  public static Setting of(Policies policies, Catalogue catalogue, Shelf shelf, LocalDate day) {
    return new Setting(policies, catalogue, shelf, USUAL, day, Optional.empty());
  }

  public static Setting of(
      SelectionFacts facts, Catalogue catalogue, String allergies, Set<Comfort> comfort) {
    return new Setting(
        facts.client().policies(),
        catalogue,
        facts.client().shelf(),
        facts.areas(),
        facts.client().peelDate(),
        Optional.of(new OfClient(facts, Selection.choose(facts), allergies, Set.copyOf(comfort))));
  }

  public Script script(Region region, List<Step> steps) {
    return Script.of(region, steps, catalogue, shelf, areas);
  }

  /// Of the day; none where there is no client.
  public Limits limits() {
    return client
        .map(c -> c.facts().screening().limits())
        .orElseGet(() -> Limits.combine(List.of()));
  }

  /// Zones with open spots, on the region of the script; nothing where there is no client.
  public List<Zone> openSpots() {
    return client.map(c -> c.facts().client().openSpots()).orElse(List.of());
  }

  /// Told by the client; nothing where there is none.
  public Set<Comfort> comfort() {
    return client.map(OfClient::comfort).orElse(Set.of());
  }

  public boolean care(Care.Kind kind) {
    return limits().care().contains(kind);
  }

  /// The longest that a formula may stay on; for a client within the limits of the day.
  ///
  /// @return empty where the formula has no minutes, or may not be used for as long as a minute
  public Optional<Duration> most(Formula formula) {
    return client.isPresent()
        ? Amounts.plannedContact(formula, client.get().facts())
        : formula.mostContact();
  }

  /// The most layers in a visit; for a client within the limits of the day.
  public int mostLayers(Formula formula) {
    int most =
        client
            .map(c -> Layers.mostLayers(formula, c.facts()))
            .orElse(Amounts.cap(formula, policies));
    return most == 1 ? 1 + Layers.onceMore(formula, policies) : most;
  }

  /// The class that a stage comes to here.
  public DepthClass depth(Script.Line stage, Region region) {
    Formula formula = stage.formula().orElseThrow();
    Optional<Duration> contact = contact(stage);
    int layers = stage.step().layers();
    return client.isPresent()
        ? limits().depth(formula, contact, layers, region)
        : Depth.of(formula, contact, layers);
  }

  /// Planned on the skin; the formula's first time where none is written.
  static Optional<Duration> contact(Script.Line stage) {
    Formula formula = stage.formula().orElseThrow();
    return formula.mostContact().isEmpty()
        ? Optional.empty()
        : stage.step().timing().planned().or(formula::firstContact);
  }
}
