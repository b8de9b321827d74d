package ivesk.core.plan.script;

import ivesk.core.Words;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.selection.Appointment;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// A visit in outline: one block after the other, from the chair, so that the sum shown, the ribbon
/// and the slot agree to the minute.
///
/// @param blocks in order; neighbours of one kind stand together
/// @param gates where something must be answered
public record Outline(List<Block> blocks, List<Mark> gates) {

  public enum Kind {
    PREP,
    ACID,
    ENDING,
    CARE,
    /// Time to spare, which is Ivesk's own default.
    SPARE,
    /// Booked, and not filled.
    GAP
  }

  /// @param startSeconds from the chair
  public record Block(String label, Kind kind, long startSeconds, long seconds) {}

  /// @param atSeconds from the chair
  public record Mark(StepGate gate, long atSeconds) {}

  public Outline {
    blocks = List.copyOf(blocks);
    gates = List.copyOf(gates);
  }

  /// What a neighbour of the same kind is shown together with.
  private enum Group {
    LOOKS(Kind.PREP),
    PREP(Kind.PREP),
    GUARD(Kind.PREP),
    ACID(Kind.ACID),
    ENDING(Kind.ENDING),
    TOOL(Kind.CARE),
    MASK(Kind.CARE),
    AFTER(Kind.CARE);

    private final Kind kind;

    Group(Kind kind) {
      this.kind = kind;
    }

    static Group of(Line line) {
      return switch (line.step().kind()) {
        case LOOK, REMOVE, CLEANSE -> LOOKS;
        case PREP -> PREP;
        case GUARD -> GUARD;
        case ACID -> ACID;
        case ENDING, REST -> ENDING;
        case TOOL -> TOOL;
        case MASK -> MASK;
        case PRODUCT, SUNSCREEN, LEAVING_CHECK -> AFTER;
      };
    }

    /// Each stands for itself.
    boolean alone() {
      return this == ACID || this == TOOL || this == MASK;
    }
  }

  /// @param runs in the order in which they are done
  /// @param slot booked; empty where nothing is
  public static Outline of(List<Run> runs, Optional<Duration> slot) {
    List<Block> blocks = new ArrayList<>();
    List<Mark> gates = new ArrayList<>();
    long at = 0;
    for (Run run : runs) {
      List<Line> together = new ArrayList<>();
      for (Line line : run.script().lines()) {
        if (!together.isEmpty()
            && (Group.of(together.getLast()) != Group.of(line) || Group.of(line).alone())) {
          at = close(blocks, together, at);
        }
        long start = at + together.stream().mapToLong(other -> other.length().toSeconds()).sum();
        line.step().gate().ifPresent(gate -> gates.add(new Mark(gate, start)));
        together.add(line);
      }
      at = close(blocks, together, at);
    }
    blocks.add(new Block("spare", Kind.SPARE, at, Appointment.SPARE.toSeconds()));
    long end = at + Appointment.SPARE.toSeconds();
    slot.map(Duration::toSeconds)
        .filter(booked -> booked > end)
        .ifPresent(booked -> blocks.add(new Block("free", Kind.GAP, end, booked - end)));
    return new Outline(blocks, gates);
  }

  private static long close(List<Block> blocks, List<Line> together, long at) {
    if (together.isEmpty()) return at;
    long seconds = together.stream().mapToLong(line -> line.length().toSeconds()).sum();
    Group group = Group.of(together.getFirst());
    blocks.add(new Block(label(group, together), group.kind, at, seconds));
    together.clear();
    return at + seconds;
  }

  private static String label(Group group, List<Line> lines) {
    return switch (group) {
      case LOOKS -> {
        long cleanses =
            lines.stream()
                .filter(line -> line.is(StepKind.CLEANSE) || line.is(StepKind.REMOVE))
                .count();
        boolean looks = lines.stream().anyMatch(line -> line.is(StepKind.LOOK));
        yield cleanses == 0
            ? "looks"
            : (looks ? "looks, cleanse" : "cleanse") + (cleanses > 1 ? " ×" + cleanses : "");
      }
      case PREP -> "prep";
      case GUARD -> "guard";
      case ACID -> {
        Line line = lines.getFirst();
        int layers = line.step().layers();
        yield line.words() + (layers > 1 ? " · " + Words.count(layers, "layer") : "");
      }
      case ENDING -> lines.stream().allMatch(line -> line.is(StepKind.REST)) ? "rest" : "end, rest";
      case TOOL, MASK -> lines.getFirst().words();
      case AFTER -> "after";
    };
  }
}
