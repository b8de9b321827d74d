package ivesk.core.treatment;

import ivesk.core.Words;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.Advice.Action;
import ivesk.core.treatment.Advice.Kind;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// An advice being put into words.
final class AdviceDraft {
  /// Rows that a few words of reason may pass: END and HOLD by sensation and redness. Rows 1 to 5
  /// and 7 never.
  private static final Set<Integer> PASSABLE = Set.of(6, 8, 10, 12);

  private final int row;
  private final Kind kind;
  private final String line;
  private String reason = "";
  private Action action = Action.NONE;
  private Action other = Action.NONE;
  private Optional<Instant> until = Optional.empty();
  private List<Zone> zones = List.of();
  private List<String> steps = List.of();

  private AdviceDraft(int row, Kind kind, String line) {
    this.row = row;
    this.kind = kind;
    this.line = line;
  }

  AdviceDraft because(String why) {
    reason = why;
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

  AdviceDraft until(Optional<Instant> at) {
    until = at;
    return this;
  }

  AdviceDraft on(List<Zone> which) {
    zones = which;
    return this;
  }

  AdviceDraft steps(String... what) {
    steps = new ArrayList<>(List.of(what));
    return this;
  }

  Advice build() {
    return new Advice(
        row, kind, line, reason, action, until, PASSABLE.contains(row), zones, steps, other);
  }

  static AdviceDraft row(int row, Kind kind, String line) {
    return new AdviceDraft(row, kind, line);
  }

  /// Before the acid and after END, where no row of the table holds.
  static AdviceDraft outside(Kind kind, String line, String why) {
    return new AdviceDraft(0, kind, line).because(why);
  }

  static String names(List<Zone> zones) {
    return Words.list(zones.stream().map(Zone::label).toList());
  }

  static String capital(String words) {
    return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
  }
}
