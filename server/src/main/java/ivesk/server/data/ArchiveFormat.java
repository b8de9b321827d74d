package ivesk.server.data;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.core.JacksonException;

/// What all that writes and reads files of everything knows.
public final class ArchiveFormat {
  static final String FORMAT = "ivesk";
  public static final int VERSION = 1;

  private ArchiveFormat() {}

  /// A line of a file that cannot be.
  public static class BadLine extends Exception {
    /// @param part the table within a file of several
    BadLine(String part, long line, String why) {
      super((part.isEmpty() ? "" : part + ", ") + "line " + line + ": " + why);
    }

    /// Where a JSON file breaks off or is none.
    public static BadLine noJson(JacksonException e) {
      int line = e.getLocation() == null ? 1 : Math.max(1, e.getLocation().getLineNr());
      return at(line, "it is no JSON: " + e.getOriginalMessage());
    }

    /// In a file of one part.
    public static BadLine at(long line, String why) {
      return new BadLine("", line, why);
    }
  }

  /// What a file would do.
  ///
  /// @param fresh rows that are not here yet
  /// @param same rows that are here already
  /// @param differing rows that are here otherwise; they keep a file from being taken in
  /// @param withheld rows that are not taken as the file has them, since who brings it may not:
  ///   openings are left out, people come in locked
  public record Effect(String table, int fresh, int same, int differing, int withheld) {
    public Effect(String table, int fresh, int same, int differing) {
      this(table, fresh, same, differing, 0);
    }
  }

  /// What who brings a file may do besides. A file gives nobody more than its bearer could.
  ///
  /// @param people adding accounts
  /// @param openings opening what is restricted
  public record Bearer(boolean people, boolean openings) {
    public static final Bearer OF_ALL = new Bearer(true, true);
  }

  /// Where in a file something stands.
  @FunctionalInterface
  interface Place {
    BadLine bad(String why);

    interface Part<T> {
      T of(String name) throws BadLine;
    }

    default <T> List<T> each(List<String> names, Part<T> part) throws BadLine {
      List<T> parts = new ArrayList<>();
      for (String name : names) parts.add(part.of(name));
      return List.copyOf(parts);
    }
  }
}
