package ivesk.core.plan;

import ivesk.core.formula.Formula;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/// The appointment in outline: one block after the other, from the chair.
public final class Course {
  private static final Duration SPARE = Duration.ofMinutes(10);
  private static final Duration SPREAD = Duration.ofSeconds(60);

  private Course() {}

  public enum Kind {
    PREP,
    ACID,
    ENDING,
    CARE
  }

  /// @param startSeconds from the chair
  public record Block(String label, Kind kind, long startSeconds, long seconds) {}

  /// Blocks in order. Times for prep and care are Ivesk's own default.
  public static List<Block> of(TreatmentPlan plan) {
    List<Block> blocks = new ArrayList<>();
    add(blocks, "looks, cleanse ×2", Kind.PREP, Duration.ofMinutes(8));
    add(blocks, plan.solventAllowed() ? "prep wipe" : "prep", Kind.PREP, Duration.ofMinutes(2));
    add(blocks, "guard", Kind.PREP, Duration.ofMinutes(2));
    add(blocks, plan.formula().code(), Kind.ACID, acid(plan));
    add(
        blocks,
        plan.formula().ending() == Formula.Ending.SELF_LIMITING ? "rest" : "end, rest",
        Kind.ENDING,
        Duration.ofMinutes(6));
    add(blocks, "after", Kind.CARE, Duration.ofMinutes(5));
    return List.copyOf(blocks);
  }

  /// Time with acid on: the contact limit, or a minute to spread and the dwell for each layer.
  public static Duration acid(TreatmentPlan plan) {
    return plan.contactLimit()
        .orElseGet(() -> plan.formula().dwell().plus(SPREAD).multipliedBy(plan.layersPlanned()));
  }

  /// Sum of the blocks and ten minutes.
  public static Duration length(TreatmentPlan plan) {
    return of(plan).stream()
        .map(block -> Duration.ofSeconds(block.seconds()))
        .reduce(SPARE, Duration::plus);
  }

  private static void add(List<Block> blocks, String label, Kind kind, Duration time) {
    long start =
        blocks.isEmpty() ? 0 : blocks.getLast().startSeconds() + blocks.getLast().seconds();
    blocks.add(new Block(label, kind, start, time.toSeconds()));
  }
}
