package ivesk.core.plan.stage;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Strength;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.CareProduct;
import ivesk.core.product.ProductLot;
import ivesk.core.product.Role;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Volume;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What lies ready before the client lies down, with quantities, from the steps of the visit:
/// whatever a line names, and what goes with its formula, region, label and client. Common
/// practice; quantities are Ivesk's own defaults where no label has them.
public final class Trolley {
  private static final Strength BICARBONATE = Strength.wv(10);

  private Trolley() {}

  /// @param id stays with the thing while the plan names it, to 30 letters
  /// @param quantity with its unit, as laid out
  /// @param mind something is wrong with it: not enough, out of date
  public record LaidOut(String id, String what, String quantity, String note, boolean mind) {
    private static LaidOut of(String id, String what, String quantity, String note) {
      return new LaidOut(id, what, quantity, note, false);
    }
  }

  /// For some layers, with a tenth over; Ivesk's own default.
  public static Volume poured(TreatmentPlan plan, int layers) {
    return plan.layer().times(layers * 1.1);
  }

  /// Bicarbonate that a stage takes; empty where a neutraliser does not end the peel.
  public static Optional<Neutraliser> neutraliser(TreatmentPlan plan) {
    return plan.takeOff() == TakeOff.BY_FORMULA && Neutraliser.ends(plan.formula())
        ? Optional.of(
            Neutraliser.of(
                plan.formula(),
                plan.layer().times(plan.layersAtMost()),
                Neutraliser.Base.BICARBONATE,
                BICARBONATE))
        : Optional.empty();
  }

  /// The next strength, where the practice steps strengths within one clock: a layer of it, in case
  /// the first is barely felt.
  public static Optional<LaidOut> nextRung(TreatmentPlan plan) {
    return plan.nextRung()
        .map(next ->
            LaidOut.of(
                "peel:" + next.code(),
                next.code(),
                Words.fill("%.1f mL", poured(plan, 1).ml()),
                "next rung, if the first is barely felt"
                    + next.mostContact()
                        .map(most -> "; " + Words.clock(most) + " in all then, at most")
                        .orElse("")));
  }

  /// @param runs of the visit
  /// @param latexAllergy told by the client
  public static List<LaidOut> of(List<Run> runs, boolean latexAllergy) {
    List<LaidOut> items = new ArrayList<>();
    peels(runs).forEach(items::add);
    gauze(runs).ifPresent(items::add);
    products(runs).forEach(items::add);
    acts(runs).forEach(items::add);
    pads(runs).ifPresent(items::add);
    Run first = runs.getFirst();
    boolean latex = latexAllergy || first.setting().care(Care.Kind.GLOVES_WITHOUT_LATEX);
    items.add(LaidOut.of("water", "cool water", "600 mL", water(first)));
    boolean one = first.setting().policies().chose(Choice.ONE_PAIR_OF_GLOVES);
    items.add(
        LaidOut.of(
            "gloves",
            latex ? "gloves, nitrile" : "gloves",
            one ? "1 pair" : "2 pairs",
            latex ? "latex allergy" : one ? "" : "the outer pair goes with the acid"));
    items.add(
        LaidOut.of(
            "fan",
            "fan, tissue",
            "1 each",
            first.setting().care(Care.Kind.VENTILATE)
                ? "ventilate the room too"
                : "in the client's hands"));
    if (first.setting().comfort().contains(Comfort.NECK_OR_BACK)) {
      items.add(LaidOut.of("roll", "rolls", "2", "under neck and knees"));
    }
    if (first.setting().comfort().contains(Comfort.HAND_SIGNS)) {
      items.add(LaidOut.of("signs", "card of hand signs", "1", "0 to 10 by the fingers"));
    }
    items.add(LaidOut.of("saline", "saline for eyes", "1", "within reach"));
    return List.copyOf(items);
  }

  private static String water(Run run) {
    if (run.setting().policies().chose(Choice.WARM_WATER)
        && !run.setting().care(Care.Kind.NO_HEAT)) {
      return "warm by the practice's choice: it raises what the skin takes up";
    }
    return run.setting().policies().chose(Choice.TEPID_WATER) ? "tepid" : "cool, never warm";
  }

  private static List<LaidOut> peels(List<Run> runs) {
    Map<String, Volume> needed = new LinkedHashMap<>();
    Map<String, Line> lines = new LinkedHashMap<>();
    for (Run run : runs) {
      for (Line line : run.script().stages().toList()) {
        String code = line.formula().orElseThrow().code();
        needed.merge(code, line.layer().times(line.step().layersAtMost() * 1.1), Volume::plus);
        lines.putIfAbsent(code, line);
      }
    }
    Setting setting = runs.getFirst().setting();
    List<LaidOut> items = new ArrayList<>();
    needed.forEach((code, volume) -> {
      Line line = lines.get(code);
      Formula formula = line.formula().orElseThrow();
      Optional<Lot> bottle = setting.shelf().toTake(code, setting.day());
      boolean stays = formula.use() == Formula.Use.STAYS;
      String label = formula.label().measure();
      boolean tooLittle = bottle.filter(lot -> lot.left().compareTo(volume) < 0).isPresent();
      items.add(
          new LaidOut(
              "peel:" + code,
              code,
              stays
                  ? (label.isEmpty() ? "a thin film" : label)
                  : Words.fill("%.1f mL", volume.ml()),
              stays
                  ? "on calm skin; " + AddOn.of(formula, setting.policies()).words()
                  : Words.fill("%.1f mL a layer, and a tenth over", line.layer().ml())
                      + bottle.map(lot -> "; lot " + lot.number() + left(lot, volume)).orElse("")
                      + (label.isEmpty() ? "" : "; label: " + label),
              tooLittle));
    });
    return items;
  }

  private static String left(Lot lot, Volume volume) {
    boolean enough = lot.left().compareTo(volume) >= 0;
    return enough && !lot.low()
        ? ""
        : Words.fill(", %s: %.0f mL left", enough ? "low" : "not enough", lot.left().ml());
  }

  private static Optional<LaidOut> gauze(List<Run> runs) {
    int layers =
        runs.stream()
            .flatMap(run -> run.script().peels())
            .mapToInt(line -> line.step().layersAtMost())
            .sum();
    return layers == 0
        ? Optional.empty()
        : Optional.of(
            LaidOut.of(
                "gauze",
                "gauze 10 × 10",
                String.valueOf(2 * layers),
                "folded, two a layer; what touched skin stays out of the dish"));
  }

  /// Each product once, with all its units.
  private static List<LaidOut> products(List<Run> runs) {
    Map<String, Double> needed = new LinkedHashMap<>();
    Map<String, CareProduct> products = new LinkedHashMap<>();
    for (Run run : runs) {
      for (Line line : run.script().lines()) {
        line.product()
            .ifPresent(product -> {
              needed.merge(product.code(), units(line, product), Double::sum);
              products.putIfAbsent(product.code(), product);
            });
      }
    }
    Setting setting = runs.getFirst().setting();
    List<LaidOut> items = new ArrayList<>();
    needed.forEach((code, units) -> {
      CareProduct product = products.get(code);
      Optional<ProductLot> lot = setting.catalogue().toTake(code, setting.day());
      Optional<ProductLot.Fault> fault = setting.catalogue().nothingLeft(code, setting.day());
      boolean tooLittle = lot.filter(pack -> pack.left() < units).isPresent();
      items.add(
          new LaidOut(
              "product:" + code,
              product.name(),
              product
                  .mix()
                  .map(mix -> {
                    // Two scoops of 12 g are 24 g of powder.
                    Mass powder = product.dose().mass(units).orElse(Mass.g(units));
                    return Words.fill(
                        "%.0f g + %.0f g water", powder.g(), mix.waterFor(powder).g());
                  })
                  .orElseGet(() -> product.dose().words(units)),
              note(product, lot, fault, units, setting),
              tooLittle || fault.isPresent()));
    });
    return items;
  }

  /// Units of a line as written, else what is usual there.
  public static double units(Line line, CareProduct product) {
    return line.step().amount().orElse(product.usual(line.zones().getFirst().region()));
  }

  private static String note(
      CareProduct product,
      Optional<ProductLot> lot,
      Optional<ProductLot.Fault> fault,
      double units,
      Setting setting) {
    List<String> notes = new ArrayList<>();
    product
        .mix()
        .ifPresent(mix -> notes.add(Words.fill("at %.0f °C, mixed when used", mix.waterC())));
    if (product.role() == Role.NEUTRALISER && product.code().startsWith("BICARB")) {
      notes.add("shake; leave froth room");
    }
    if (product.role() == Role.BARRIER) {
      notes.add(
          setting.care(Care.Kind.COVER_OPEN_SPOTS)
              ? "each open spot too"
                  + (setting.openSpots().isEmpty()
                      ? ""
                      : ": " + Words.list(setting.openSpots().stream().map(Zone::label).toList()))
              : "nostrils, lips, eye corners");
    }
    lot.ifPresent(pack ->
        notes.add(
            "lot "
                + pack.number()
                + (pack.left() < units
                    ? ", not enough: " + product.dose().words(pack.left()) + " left"
                    : "")));
    fault.ifPresent(why -> notes.add(why.label()));
    return String.join("; ", notes);
  }

  private static List<LaidOut> acts(List<Run> runs) {
    List<Act> acts =
        runs.stream()
            .flatMap(run -> run.script().lines().stream())
            .flatMap(line -> line.act().stream())
            .distinct()
            .toList();
    List<LaidOut> items = new ArrayList<>();
    for (Act act : acts) {
      switch (act) {
        case EYE_PADS, TRIMMED_EYE_PADS ->
            items.add(LaidOut.of("eyes", act.label(), "2", "lids covered"));
        case EYE_SHIELDS -> items.add(LaidOut.of("eyes", act.label(), "1 pair", "lids covered"));
        case COLD_COMPRESSES, COMPRESS_LIFT ->
            items.add(
                LaidOut.of(
                    "compresses",
                    "cold compresses",
                    "4",
                    act == Act.COLD_COMPRESSES ? "a neutraliser does not end this one" : ""));
        case EXTRACTION ->
            items.add(LaidOut.of("loops", "extraction loop", "1", "the smallest for the nose"));
        case LANCET_EXTRACTION -> {
          items.add(LaidOut.of("lancets", "lancets", "5", "fresh, counted"));
          items.add(LaidOut.of("sharps", "sharps box", "1", "within reach"));
        }
        case HIGH_FREQUENCY ->
            items.add(
                LaidOut.of("electrode", "glass electrode", "1", "never while alcohol is wet"));
        default -> {}
      }
    }
    return items;
  }

  /// To remove: a clean face of a pad for each stroke.
  private static Optional<LaidOut> pads(List<Run> runs) {
    double cm2 =
        runs.stream()
            .flatMap(run -> run.script().peels())
            .mapToDouble(line -> line.area().cm2())
            .sum();
    return cm2 == 0
        ? Optional.empty()
        : Optional.of(
            LaidOut.of(
                "pads",
                "pads to remove",
                String.valueOf((int) Math.ceil(cm2 / 50)),
                runs.stream()
                    .flatMap(run -> run.script().peels())
                    .findFirst()
                    .map(line -> endingNote(line.formula().orElseThrow()))
                    .orElse("")));
  }

  private static String endingNote(Formula formula) {
    return switch (formula.ending()) {
      case LIFT_THEN_NEUTRALISE -> "dry first, to lift the gel";
      case SELF_LIMITING -> "only if it is ended early";
      case FROST_IS_THE_END -> "saline or water";
      case WIPE_THEN_COOL_RINSE -> "to wipe the paste off first";
      case NEUTRALISE, RINSE, DAMP_PADS, COOL_RINSE, COOL_PADS -> "a clean face for each stroke";
      case NONE -> "";
    };
  }

  /// Whether hair and ears, a collar or rings are out of the way first, by region.
  public static String cleared(Region region) {
    return switch (region) {
      case FACE, EYE_CONTOUR -> "Hair back, ears free, jewellery and lenses out.";
      case NECK_DECOLLETAGE, CHEST -> "Jewellery off, collar open and covered.";
      case HANDS -> "Rings off, nails and their folds seen to.";
      case BACK, UPPER_ARMS, THIGHS -> "Clothes out of the way, a towel at the edge.";
    };
  }
}
