package ivesk.core.treatment.advice;

import ivesk.core.Words;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advice.Action;
import ivesk.core.treatment.advice.Advice.Kind;
import ivesk.core.treatment.fact.Row;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// An advice being put into words.
final class AdviceDraft {
  private final Kind kind;
  private final String line;
  private Optional<Row> row = Optional.empty();
  private String reason = "";
  private Action action = Action.NONE;
  private Action other = Action.NONE;
  private Optional<Instant> until = Optional.empty();
  private List<Zone> zones = List.of();
  private List<String> steps = List.of();

  private AdviceDraft(Kind kind, String line) {
    this.kind = kind;
    this.line = line;
  }

  static AdviceDraft advice(Kind kind, String line) {
    return new AdviceDraft(kind, line);
  }

  AdviceDraft because(String why) {
    reason = why;
    return this;
  }

  /// Of another row than the line that gives it.
  AdviceDraft by(Row other) {
    row = Optional.of(other);
    return this;
  }

  AdviceDraft key(Action key) {
    action = key;
    return this;
  }

  AdviceDraft other(Action key) {
    other = key;
    return this;
  }

  AdviceDraft until(Instant at) {
    until = Optional.of(at);
    return this;
  }

  AdviceDraft on(List<Zone> which) {
    zones = which;
    return this;
  }

  AdviceDraft steps(String... what) {
    return steps(List.of(what));
  }

  AdviceDraft steps(List<String> what) {
    steps = what;
    return this;
  }

  Advice build(Row line) {
    return row.isPresent() ? build() : by(line).build();
  }

  /// Before the acid and after END no row of the table holds.
  Advice build() {
    boolean passable = kind.stops() && row.filter(Row::passable).isPresent();
    return new Advice(row, kind, line, reason, action, until, passable, zones, steps, other);
  }

  static String names(List<Zone> zones) {
    return Words.list(zones.stream().map(Zone::label).toList());
  }
}
