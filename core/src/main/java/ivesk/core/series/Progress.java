package ivesk.core.series;

import ivesk.core.series.Scores.Line;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;

/// How a client's scores went over the peels.
public final class Progress {
  /// So many peels without a change make a plateau. domain/09.
  public static final int PLATEAU_PEELS = 3;

  private Progress() {}

  public record Point(LocalDate on, double value) {}

  /// @param points in order
  public record Course(Line line, List<Point> points) {
    public Course {
      points = List.copyOf(points);
    }

    /// The change from the first to the last; negative for less.
    public OptionalDouble change() {
      return points.size() < 2
          ? OptionalDouble.empty()
          : OptionalDouble.of(points.getLast().value() - points.getFirst().value());
    }
  }

  /// Each line that has points, in the order of the lines.
  public static List<Course> courses(Map<LocalDate, Scores> scores) {
    List<Course> courses = new ArrayList<>();
    for (Line line : Line.values()) {
      List<Point> points = new ArrayList<>();
      new TreeMap<>(scores)
          .forEach(
              (on, one) -> one.value(line).ifPresent(value -> points.add(new Point(on, value))));
      if (!points.isEmpty()) courses.add(new Course(line, points));
    }
    return List.copyOf(courses);
  }

  /// The line that says most: the first of MASI's, GAGS, Glogau that has points, else the client's
  /// own.
  public static Optional<Course> leading(List<Course> courses) {
    return Arrays.asList(Line.MODIFIED_MASI, Line.GAGS, Line.GLOGAU, Line.SATISFACTION).stream()
        .flatMap(line -> courses.stream().filter(course -> course.line() == line))
        .filter(course -> course.points().size() > 1)
        .findFirst();
  }

  /// Whether the scores were the same over the last three peels: each of them was scored, on its
  /// day or before the next, and no line moved.
  ///
  /// @param peels days of them
  public static boolean plateau(Map<LocalDate, Scores> scores, List<LocalDate> peels) {
    List<LocalDate> inOrder = peels.stream().distinct().sorted().toList();
    if (inOrder.size() < PLATEAU_PEELS) return false;
    List<LocalDate> last = inOrder.subList(inOrder.size() - PLATEAU_PEELS, inOrder.size());
    List<Scores> seen = new ArrayList<>();
    TreeMap<LocalDate, Scores> byDay = new TreeMap<>(scores);
    for (int i = 0; i < last.size(); i++) {
      LocalDate until = i + 1 < last.size() ? last.get(i + 1) : LocalDate.MAX;
      var within = byDay.subMap(last.get(i), true, until, false);
      if (within.isEmpty()) return false;
      seen.add(within.firstEntry().getValue());
    }
    List<Line> scored =
        Arrays.stream(Line.values())
            .filter(line -> seen.stream().allMatch(one -> one.value(line).isPresent()))
            .filter(line -> line != Line.ITA && line != Line.REDNESS)
            .toList();
    return !scored.isEmpty()
        && scored.stream()
            .allMatch(line ->
                seen.stream().mapToDouble(one -> one.value(line).orElseThrow()).distinct().count()
                    == 1);
  }
}
