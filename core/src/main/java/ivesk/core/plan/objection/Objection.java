package ivesk.core.plan.objection;

import ivesk.core.Source;
import ivesk.core.plan.script.Step;
import java.util.List;
import java.util.Optional;

/// What is said to one line of a script.
///
/// @param rule id
/// @param clause id, unique in the rule
/// @param run place of the run in the visit, from 0
/// @param step that it concerns
/// @param words the reason
/// @param swap what would settle it, where there is one answer
public record Objection(
    String rule,
    String clause,
    Severity severity,
    int run,
    String step,
    String words,
    Optional<Swap> swap,
    Source source) {

  public enum Severity {
    NOTE("note"),
    MIND("mind"),
    SHUT("shut");

    private final String label;

    Severity(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// @param words as on its key
  public record Swap(String words, List<Edit> edits) {
    public Swap {
      edits = List.copyOf(edits);
    }
  }

  /// Puts steps in the place of one.
  ///
  /// @param step that goes
  /// @param instead none takes it out
  public record Edit(String step, List<Step> instead) {
    public Edit {
      instead = List.copyOf(instead);
    }

    static Edit replace(Step step, Step other) {
      return new Edit(step.id(), List.of(other));
    }

    static Edit before(Step step, Step first) {
      return new Edit(step.id(), List.of(first, step));
    }

    static Edit after(Step step, Step next) {
      return new Edit(step.id(), List.of(step, next));
    }

    static Edit remove(Step step) {
      return new Edit(step.id(), List.of());
    }

    /// All edits applied to some steps.
    public static List<Step> apply(List<Edit> edits, List<Step> steps) {
      return steps.stream()
          .flatMap(step ->
              edits.stream()
                  .filter(edit -> edit.step().equals(step.id()))
                  .findFirst()
                  .map(edit -> edit.instead().stream())
                  .orElseGet(() -> java.util.stream.Stream.of(step)))
          .toList();
    }
  }
}
