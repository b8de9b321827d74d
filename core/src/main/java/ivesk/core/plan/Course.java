package ivesk.core.plan;

import ivesk.core.formula.Formula;
import ivesk.core.selection.Appointment;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/// The appointment in outline: one block after the other, from the chair.
public final class Course {
  private Course() {}

  public enum Kind {
    PREP,
    ACID,
    ENDING,
    CARE
  }

  /// @param startSeconds from the chair
  public record Block(String label, Kind kind, long startSeconds, long seconds) {}

  /// Blocks in order.
  public static List<Block> of(TreatmentPlan plan) {
    List<Block> blocks = new ArrayList<>();
    add(blocks, "looks, cleanse ×2", Kind.PREP, Appointment.CLEANSE);
    add(blocks, plan.solventAllowed() ? "prep wipe" : "prep", Kind.PREP, Appointment.PREP);
    add(blocks, "guard", Kind.PREP, Appointment.GUARD);
    add(blocks, plan.formula().code(), Kind.ACID, acid(plan));
    add(
        blocks,
        plan.formula().ending() == Formula.Ending.SELF_LIMITING ? "rest" : "end, rest",
        Kind.ENDING,
        Appointment.ENDING);
    add(blocks, "after", Kind.CARE, Appointment.CARE);
    add(blocks, "spare", Kind.CARE, Appointment.SPARE);
    return List.copyOf(blocks);
  }

  /// Time with acid on.
  public static Duration acid(TreatmentPlan plan) {
    return Appointment.acid(plan.formula(), plan.contactLimit(), plan.layersPlanned());
  }

  /// Sum of the blocks.
  public static Duration length(TreatmentPlan plan) {
    return Appointment.length(plan.formula(), plan.contactLimit(), plan.layersPlanned());
  }

  private static void add(List<Block> blocks, String label, Kind kind, Duration time) {
    long start =
        blocks.isEmpty() ? 0 : blocks.getLast().startSeconds() + blocks.getLast().seconds();
    blocks.add(new Block(label, kind, start, time.toSeconds()));
  }
}
