package ivesk.core.plan.script;

import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.Timing;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Volume;
import ivesk.core.selection.Appointment;
import ivesk.core.skin.Areas;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// The steps of one region with what they name looked up: what a protocol or a run says, as it can
/// be judged and timed.
///
/// @param lines in their order
public record Script(Region region, List<Line> lines) {

  /// A step with what it names; neither formula nor product where the shelf has it no more.
  ///
  /// @param at place in the script, from 0
  /// @param zones that it touches
  /// @param area of them
  public record Line(
      int at,
      Step step,
      Optional<Formula> formula,
      Optional<CareProduct> product,
      List<Zone> zones,
      Area area) {

    public Optional<Act> act() {
      return step.what() instanceof What.Do(var act) ? Optional.of(act) : Optional.empty();
    }

    public boolean is(StepKind kind) {
      return step.kind() == kind;
    }

    /// A formula with clocks of its own.
    public boolean stage() {
      return formula.isPresent();
    }

    /// A product that is timed, counted and gated as an acid.
    public boolean acidProduct() {
      return product.filter(CareProduct::acidStep).isPresent();
    }

    /// What it names is not there any more.
    public boolean gone() {
      return formula.isEmpty() && product.isEmpty() && act().isEmpty();
    }

    public boolean shares(Line other) {
      return !Collections.disjoint(zones, other.zones);
    }

    public boolean gate(StepGate gate) {
      return step.gate().filter(gate::equals).isPresent();
    }

    /// In a few words, as a list shows it.
    public String words() {
      return formula
          .map(Formula::code)
          .or(() -> product.map(CareProduct::name))
          .or(() -> act().map(Act::label))
          .orElse(
              switch (step.what()) {
                case What.Peel(var code) -> code;
                case What.Use(var code) -> code;
                case What.Do(var act) -> act.label();
              });
    }

    /// Of one layer of a peel.
    public Volume layer() {
      return step.amount().map(Volume::ml).orElseGet(() -> Dose.layer(area));
    }

    /// In the room.
    public Duration length() {
      if (formula.isPresent()) {
        Formula peel = formula.get();
        if (peel.use() == Formula.Use.STAYS) return StepKind.PRODUCT.usual();
        return Appointment.acid(
            peel,
            peel.mostContact().isPresent()
                ? step.timing().planned().or(peel::firstContact)
                : Optional.empty(),
            step.layers());
      }
      return step.timing()
          .planned()
          .or(() -> product.map(CareProduct::timing).flatMap(Timing::planned))
          .orElse(step.kind().usual());
    }
  }

  public static Script of(
      Region region, List<Step> steps, Catalogue catalogue, Shelf shelf, Areas areas) {
    List<Line> lines = new ArrayList<>();
    for (Step step : steps) {
      List<Zone> zones = step.zones().isEmpty() ? Zone.inOrder(region) : step.zones();
      lines.add(
          new Line(
              lines.size(),
              step,
              step.what() instanceof What.Peel(var code) ? shelf.find(code) : Optional.empty(),
              step.what() instanceof What.Use(var code) ? catalogue.find(code) : Optional.empty(),
              zones,
              areas.of(zones)));
    }
    return new Script(region, List.copyOf(lines));
  }

  public Script {
    lines = List.copyOf(lines);
  }

  public List<Step> steps() {
    return lines.stream().map(Line::step).toList();
  }

  public Stream<Line> stages() {
    return lines.stream().filter(Line::stage);
  }

  /// Stages with an acid or an enzyme, without what stays on after one.
  public Stream<Line> peels() {
    return stages().filter(line -> line.formula().filter(Formula::peels).isPresent());
  }

  public Stream<Line> before(Line line) {
    return lines.stream().limit(line.at());
  }

  public Stream<Line> after(Line line) {
    return lines.stream().skip(line.at() + 1L);
  }

  /// The last peel before a line on zones that it touches.
  public Optional<Line> peelUnder(Line line) {
    return before(line)
        .filter(other -> other.formula().filter(Formula::peels).isPresent())
        .filter(line::shares)
        .reduce((_, later) -> later);
  }

  /// The lines between two.
  public Stream<Line> between(Line one, Line other) {
    return lines.stream().filter(line -> line.at() > one.at() && line.at() < other.at());
  }

  /// The lines of a stage that end it and bring it to rest: those after it up to the first that is
  /// at rest already, belongs to another stage, or follows rest.
  public List<Line> ending(Line stage) {
    List<Line> ending = new ArrayList<>();
    for (Line line : after(stage).toList()) {
      if (line.stage()) break;
      boolean atRest = !ending.isEmpty() && ending.getLast().is(StepKind.REST);
      if (atRest && !line.is(StepKind.REST)) break;
      ending.add(line);
    }
    // Without a rest written, what ends it is what is marked so.
    boolean rests = ending.stream().anyMatch(line -> line.is(StepKind.REST));
    return rests ? ending : ending.stream().takeWhile(line -> line.is(StepKind.ENDING)).toList();
  }

  /// All of it, without spare time.
  public Duration length() {
    return lines.stream().map(Line::length).reduce(Duration.ZERO, Duration::plus);
  }
}
