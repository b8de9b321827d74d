package ivesk.core.selection;

import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.quantity.Area;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Areas;
import ivesk.core.skin.BodySurface;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// All that selection reads.
///
/// @param flakingDaysThatFit last day of flaking that fits the client's life: 0, 3, 7 or 10; empty
///   when not asked
/// @param event a day on which the skin must be clear
/// @param areas of this client's skin
/// @param weightKg for the salicylate yardstick
/// @param bookedMinutes of the appointment; empty when it is not booked
public record SelectionFacts(
    ScreeningFacts client,
    Screening screening,
    Ladders ladders,
    Optional<Integer> flakingDaysThatFit,
    Optional<LocalDate> event,
    Areas areas,
    Optional<Double> weightKg,
    Optional<Integer> bookedMinutes) {

  /// A client without height and weight.
  public static SelectionFacts of(ScreeningFacts client, Screening screening, Ladders ladders) {
    return new SelectionFacts(
        client,
        screening,
        ladders,
        Optional.empty(),
        Optional.empty(),
        new Areas(BodySurface.UNKNOWN_M2, client.age(), Map.of()),
        Optional.empty(),
        Optional.empty());
  }

  /// The same client on another day, with what was lifted.
  SelectionFacts on(LocalDate day) {
    ScreeningFacts then = client.on(day);
    List<Settlement> lifted =
        screening.findings().stream().flatMap(finding -> finding.settled().stream()).toList();
    return new SelectionFacts(
        then,
        Screening.screen(then, lifted),
        ladders,
        flakingDaysThatFit,
        event.filter(on -> !on.isBefore(day)),
        areas,
        weightKg,
        bookedMinutes);
  }

  /// When a formula may make this client flake: by their own earlier peels where three were told
  /// of, else by the formula.
  public Flaking flaking(Formula formula) {
    return OwnFlaking.orUsual(formula, client.region(), client.pastPeels());
  }

  /// Empty where fewer than three peels were told of.
  public Optional<Flaking> ownFlaking(Formula formula) {
    return OwnFlaking.of(formula, client.region(), client.pastPeels());
  }

  /// The zones of the planned region in their order, without those that are left out today.
  public List<Zone> zones() {
    return Zone.inOrder(client.region()).stream()
        .filter(zone -> !screening.limits().excludedZones().contains(zone))
        .toList();
  }

  /// Area to be treated; the whole region where every zone is left out.
  public Area area() {
    return zones().isEmpty() ? areas.of(client.region()) : areas.of(zones());
  }
}
