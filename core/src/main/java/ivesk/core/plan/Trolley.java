package ivesk.core.plan;

import ivesk.core.Words;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Strength;
import ivesk.core.quantity.Volume;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What lies ready before the client lies down, with quantities, computed from the plan.
public final class Trolley {
  private static final Strength BICARBONATE = Strength.wv(10);

  private Trolley() {}

  public enum Item {
    FORMULA,
    GAUZE,
    ADD_ON,
    BICARBONATE,
    COMPRESSES,
    PADS,
    WATER,
    BARRIER,
    EYE_PADS,
    GLOVES,
    FAN,
    SALINE,
    AFTERCARE
  }

  /// @param quantity with its unit, as laid out
  public record LaidOut(Item id, String what, String quantity, String note) {}

  /// For some layers, with a tenth over; Ivesk's own default.
  public static Volume poured(TreatmentPlan plan, int layers) {
    return plan.layer().times(layers * 1.1);
  }

  /// Bicarbonate to lay out; empty where a neutraliser does not end the peel.
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

  /// @param bottle from which it is poured; empty where bottles are not counted
  public static List<LaidOut> of(
      TreatmentPlan plan, Optional<Lot> bottle, boolean latexAllergy, boolean guarded) {
    int layers = plan.layersAtMost();
    List<LaidOut> items = new ArrayList<>();
    items.add(
        new LaidOut(
            Item.FORMULA,
            plan.formula().code(),
            Words.fill("%.1f mL", poured(plan, layers).ml()),
            Words.fill("%.1f mL a layer, and a tenth over", plan.layer().ml())
                + bottle.map(lot -> "; lot " + lot.number() + left(lot, plan)).orElse("")
                + (plan.formula().label().measure().isEmpty()
                    ? ""
                    : "; label: " + plan.formula().label().measure())));
    items.add(
        new LaidOut(
            Item.GAUZE,
            "gauze 10 × 10",
            String.valueOf(2 * layers),
            "folded, two a layer; what touched skin stays out of the dish"));
    plan.addOn()
        .ifPresent(after ->
            items.add(
                new LaidOut(
                    Item.ADD_ON,
                    after.formula().code(),
                    after.formula().label().measure().isEmpty()
                        ? "a thin film"
                        : after.formula().label().measure(),
                    "on calm skin; " + after.words())));
    neutraliser(plan)
        .ifPresentOrElse(
            n ->
                items.add(
                    new LaidOut(
                        Item.BICARBONATE,
                        "bicarbonate 10 %",
                        Words.fill("%.0f mL", Math.ceil(n.layOut().ml())),
                        Words.fill("shake; %.2f L gas, leave froth room", n.gas().litres()))),
            () ->
                items.add(
                    new LaidOut(
                        Item.COMPRESSES,
                        "cold compresses",
                        "4",
                        "a neutraliser does not end this one")));
    items.add(
        new LaidOut(
            Item.PADS,
            "pads to remove",
            String.valueOf((int) Math.ceil(plan.area().cm2() / 50)),
            endingNote(plan.formula())));
    items.add(new LaidOut(Item.WATER, "cool water", "600 mL", "cool or tepid, never warm"));
    items.add(
        new LaidOut(
            Item.BARRIER,
            "barrier gel",
            "2 g",
            guarded ? "each open spot too" : "nostrils, lips, eye corners"));
    items.add(new LaidOut(Item.EYE_PADS, "eye pads, damp", "2", "lids covered"));
    items.add(
        new LaidOut(
            Item.GLOVES,
            latexAllergy ? "gloves, nitrile" : "gloves",
            "2 pairs",
            latexAllergy ? "latex allergy" : "the outer pair goes with the acid"));
    items.add(new LaidOut(Item.FAN, "fan, tissue", "1 each", "in the client's hands"));
    items.add(new LaidOut(Item.SALINE, "saline for eyes", "1", "within reach"));
    items.add(
        new LaidOut(
            Item.AFTERCARE, "calming cream, sunscreen", "1 each", "mineral, SPF 30 or more"));
    return List.copyOf(items);
  }

  private static String left(Lot lot, TreatmentPlan plan) {
    boolean enough = lot.left().compareTo(poured(plan, plan.layersAtMost())) >= 0;
    return enough && !lot.low()
        ? ""
        : Words.fill(", %s: %.0f mL left", enough ? "low" : "not enough", lot.left().ml());
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
}
