package ivesk.server.app;

import ivesk.core.Words;
import ivesk.server.app.CsvSheet.Fault;
import ivesk.server.app.CsvSheet.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;

/// A table that comes in whole or not at all, and says what it would do before it does it.
public final class CsvTable {
  private static final int SHOWN = 200;

  private CsvTable() {}

  public enum Effect {
    NEW,
    CHANGED,
    SAME
  }

  /// @param what a line would do, and to what
  public record Line(long line, String code, String name, Effect effect) {}

  /// What a table would do; nothing is written.
  ///
  /// @param rows lines read, without the header
  /// @param shown the first of those that would write something
  /// @param faults by line; while there is one, nothing is taken
  public record Preview(
      String separator,
      long rows,
      long fresh,
      long changed,
      long same,
      List<Line> shown,
      List<Fault> faults) {}

  /// A table read, with what each line would do.
  public record Plan<T>(Preview preview, List<T> writing) {

    /// @throws BadInput when any line has a fault
    public void requireWhole() {
      if (preview.faults().isEmpty()) return;
      Fault first = preview.faults().getFirst();
      throw new BadInput(
          "table",
          Words.fill(
              "%d of %d lines cannot be taken; line %d: %s",
              preview.faults().size(), preview.rows(), first.line(), first.words()));
    }
  }

  /// What a line does that reads as something, where something else may stand.
  public static Effect effect(Object known, Object read) {
    return known == null ? Effect.NEW : Objects.equals(known, read) ? Effect.SAME : Effect.CHANGED;
  }

  public static <T> Plan<T> plan(
      Reading<T> read,
      Function<T, String> key,
      Function<T, Effect> effect,
      Function<T, Line> line) {
    List<Fault> faults = new ArrayList<>(read.faults());
    List<T> writing = new ArrayList<>();
    List<Line> shown = new ArrayList<>();
    Map<Effect, Long> counts = new HashMap<>();
    Set<String> seen = new HashSet<>();
    read.made()
        .forEach((at, made) -> {
          if (!seen.add(key.apply(made))) {
            faults.add(new Fault(at, key.apply(made) + " stands in the table twice"));
            return;
          }
          Effect does = effect.apply(made);
          counts.merge(does, 1L, Long::sum);
          if (does == Effect.SAME) return;
          writing.add(made);
          if (shown.size() < SHOWN) {
            Line words = line.apply(made);
            shown.add(new Line(at, words.code(), words.name(), does));
          }
        });
    return new Plan<>(
        new Preview(
            switch (read.separator()) {
              case ';' -> "semicolon";
              case '\t' -> "tab";
              case '|' -> "bar";
              default -> "comma";
            },
            read.lines(),
            counts.getOrDefault(Effect.NEW, 0L),
            counts.getOrDefault(Effect.CHANGED, 0L),
            counts.getOrDefault(Effect.SAME, 0L),
            shown,
            CsvSheet.sorted(faults)),
        writing);
  }
}
