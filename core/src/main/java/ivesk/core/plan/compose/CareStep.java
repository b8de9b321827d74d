package ivesk.core.plan.compose;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.CareProduct;
import ivesk.core.product.MaskMix;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Mass;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What is done on calm skin after an acid, as the steps have it: a tool, a mask, a product.
///
/// @param id of the step, 1 to 20 letters
/// @param name of the product, as the practice calls it; empty for an act
/// @param units of the product
/// @param zones that it touches
/// @param timing how long it takes or stays; none where it is put on and left
/// @param gateC asked before it
/// @param alcoholWet wet with alcohol: dry before current
/// @param said to the client before it; may be empty
/// @param doneSign the maker's sign that it is done; may be empty
/// @param minds what minded the line when the plan was kept
public record CareStep(
    String id,
    StepKind kind,
    Optional<Act> act,
    Optional<Role> role,
    Optional<String> name,
    Optional<Units> units,
    List<Zone> zones,
    Timing timing,
    Optional<MaskMix> mix,
    boolean gateC,
    boolean alcoholWet,
    String said,
    String doneSign,
    List<Mind> minds) {

  /// @param rule its id
  /// @param swap that was offered, as on its key; empty where there was none
  public record Mind(String rule, Optional<String> swap) {}

  /// @param count of units, above 0
  public record Units(UnitDose dose, double count) {}

  public CareStep {
    Require.text("id of the step", id, 20);
    zones = List.copyOf(zones);
    minds = List.copyOf(minds);
    if (act.isEmpty() == name.isEmpty()) {
      throw new IllegalArgumentException("the step " + id + " is either an act or a product");
    }
  }

  /// A product that every practice has, put on and left.
  private static CareStep usual(String id, Role role, StepKind kind, List<Zone> zones) {
    return new CareStep(
        id,
        kind,
        Optional.empty(),
        Optional.of(role),
        Optional.of(""),
        Optional.empty(),
        zones,
        Timing.NONE,
        Optional.empty(),
        false,
        false,
        "",
        "",
        List.of());
  }

  /// What goes on where the steps say nothing of it. Common practice, no source.
  public static List<CareStep> usual(List<Zone> zones) {
    return List.of(
        usual("CALMING_SERUM", Role.SERUM, StepKind.PRODUCT, zones),
        usual("BLAND_CREAM", Role.MOISTURISER, StepKind.PRODUCT, zones),
        usual("EYE_AND_LIP_CARE", Role.EYE_CARE, StepKind.PRODUCT, zones),
        usual("MINERAL_SUNSCREEN", Role.SUNSCREEN, StepKind.SUNSCREEN, zones));
  }

  /// @param objections of the whole visit
  public static CareStep of(Line line, List<Objection> objections) {
    Optional<CareProduct> product = line.product();
    return new CareStep(
        line.step().id(),
        line.step().kind(),
        line.act(),
        product.map(CareProduct::role),
        line.act().isPresent() ? Optional.empty() : Optional.of(line.words()),
        product.map(one ->
            new Units(
                one.dose(),
                line.step().amount().orElseGet(() -> one.usual(line.zones().getFirst().region())))),
        line.zones(),
        timing(line),
        product.flatMap(CareProduct::mix),
        gated(line),
        product.filter(CareProduct::alcoholWet).isPresent(),
        line.step().said(),
        product
            .map(CareProduct::doneSign)
            .filter(sign -> line.step().doneSign().isEmpty())
            .orElse(line.step().doneSign()),
        objections.stream()
            .filter(objection -> objection.step().equals(line.step().id()))
            .filter(objection -> objection.severity() == Severity.MIND)
            .map(said -> new Mind(said.rule(), said.swap().map(Objection.Swap::words)))
            .toList());
  }

  /// As the line has it, else the product; a mask from powder stays until it is lifted.
  private static Timing timing(Line line) {
    Timing written = line.step().timing();
    if (written.planned().isPresent()) return written;
    Timing own = line.product().map(CareProduct::timing).orElse(Timing.NONE);
    if (own.planned().isPresent()) return own;
    return line.product().flatMap(CareProduct::mix).map(mix -> Timing.of(mix.lift())).orElse(own);
  }

  /// Gate C stands before tools and masks, whatever is written.
  private static boolean gated(Line line) {
    return line.gate(StepGate.C)
        || line.is(StepKind.MASK)
        || line.act().filter(act -> act.extracts() || act == Act.HIGH_FREQUENCY).isPresent();
  }

  public boolean extracts() {
    return act.filter(Act::extracts).isPresent();
  }

  /// Current, which never meets alcohol that is still wet.
  public boolean current() {
    return act.filter(Act.HIGH_FREQUENCY::equals).isPresent();
  }

  /// In a few words, as a list shows it.
  public String label() {
    return act.map(Act::label)
        .or(() -> name.filter(words -> !words.isEmpty()))
        .orElseGet(() -> usualWords(role.orElseThrow()));
  }

  private static String usualWords(Role role) {
    return switch (role) {
      case SERUM -> "calming serum, pressed in";
      case MOISTURISER -> "bland cream";
      case EYE_CARE -> "eye and lip care";
      case SUNSCREEN -> "mineral sunscreen 50";
      default -> role.label();
    };
  }

  /// How much, how long, and how it is mixed; may be empty.
  public String how() {
    List<String> parts = new ArrayList<>();
    units.ifPresent(some -> parts.add(some.dose().words(some.count())));
    mix.ifPresent(powder -> parts.add(mixed(powder)));
    timing.planned().ifPresent(time -> parts.add(Words.clock(time)));
    if (!doneSign.isEmpty()) parts.add("done when " + doneSign);
    return String.join(", ", parts);
  }

  private String mixed(MaskMix powder) {
    double grams =
        units.flatMap(some -> some.dose().mass(some.count())).orElse(powder.powder()).g();
    return Words.fill(
        "%s g powder to %s g water at %s \u00b0C, sets in %s",
        Words.number(grams, 0),
        Words.number(powder.waterFor(Mass.g(grams)).g(), 0),
        Words.number(powder.waterC(), 0),
        Words.clock(powder.sets()));
  }

  /// How long it takes or stays; empty where it is put on and left.
  public Optional<Duration> time() {
    return timing.planned();
  }
}
