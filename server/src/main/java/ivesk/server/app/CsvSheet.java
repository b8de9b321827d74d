package ivesk.server.app;

import ivesk.core.Words;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/// A table as text: read with any usual separator, a byte order mark and decimal commas; written
/// with commas and points (RFC 4180).
public final class CsvSheet {
  private static final char[] SEPARATORS = {',', ';', '\t', '|'};
  private static final int MOST_LINES = 20_000;

  private CsvSheet() {}

  /// What a spreadsheet would compute: it goes out behind an apostrophe, and comes in without.
  private static final Pattern COMPUTED = Pattern.compile("[=+\\-@\t\r]");

  private static final Pattern GUARDED = Pattern.compile("'[=+\\-@\t\r]");

  /// What is wrong in a line; the file is then not taken at all.
  ///
  /// @param line as an editor counts them, from 1
  public record Fault(long line, String words) {}

  /// @param line where the row starts
  public record Row(long line, Map<String, String> cells, boolean decimalComma) {

    public String text(String column) {
      String cell = cells.getOrDefault(column, "").strip();
      return GUARDED.matcher(cell).lookingAt() ? cell.substring(1) : cell;
    }

    public Optional<String> maybe(String column) {
      return Optional.of(text(column)).filter(cell -> !cell.isEmpty());
    }

    private String needed(String column) {
      return maybe(column)
          .orElseThrow(() -> new IllegalArgumentException(column + " is empty; it is needed"));
    }

    public Optional<Double> decimal(String column) {
      return maybe(column)
          .map(cell -> {
            try {
              return Double.parseDouble(decimalComma ? cell.replace(',', '.') : cell);
            } catch (NumberFormatException e) {
              throw new IllegalArgumentException(column + " is '" + cell + "'; it is no number", e);
            }
          });
    }

    public Optional<Integer> whole(String column) {
      return maybe(column)
          .map(cell -> {
            try {
              return Integer.parseInt(cell);
            } catch (NumberFormatException e) {
              throw new IllegalArgumentException(
                  column + " is '" + cell + "'; it is no whole number", e);
            }
          });
    }

    public int number(String column) {
      needed(column);
      return whole(column).orElseThrow();
    }

    public double amount(String column) {
      needed(column);
      return decimal(column).orElseThrow();
    }

    public Optional<LocalDate> day(String column) {
      return maybe(column)
          .map(cell -> {
            try {
              return LocalDate.parse(cell);
            } catch (RuntimeException e) {
              throw new IllegalArgumentException(
                  column + " is '" + cell + "'; a date looks like 2027-06-30", e);
            }
          });
    }

    public LocalDate date(String column) {
      needed(column);
      return day(column).orElseThrow();
    }

    public boolean yes(String column) {
      String cell = text(column).toLowerCase(Locale.ROOT);
      return switch (cell) {
        case "yes", "true", "1" -> true;
        case "", "no", "false", "0" -> false;
        default ->
            throw new IllegalArgumentException(column + " is '" + cell + "'; allowed are yes, no");
      };
    }

    public <E extends Enum<E>> E one(String column, Class<E> type) {
      return one(column, type, needed(column));
    }

    public static <E extends Enum<E>> E one(String column, Class<E> type, String cell) {
      String name = cell.strip().toUpperCase(Locale.ROOT).replace(' ', '_').replace('-', '_');
      return Arrays.stream(type.getEnumConstants())
          .filter(constant -> constant.name().equals(name))
          .findFirst()
          .orElseThrow(() ->
              new IllegalArgumentException(
                  column
                      + " is '"
                      + cell
                      + "'; allowed are "
                      + String.join(
                          ", ",
                          Arrays.stream(type.getEnumConstants())
                              .map(constant -> constant.name().toLowerCase(Locale.ROOT))
                              .toList())));
    }
  }

  /// Rows made into things, and what could not be.
  public record Reading<T>(char separator, long lines, Map<Long, T> made, List<Fault> faults) {}

  /// @param columns that the header must have, in any order
  public static <T> Reading<T> read(String text, List<String> columns, Function<Row, T> make) {
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    List<Fault> faults = new ArrayList<>();
    Map<Long, T> made = new LinkedHashMap<>();
    String header = plain.lines().findFirst().orElse("");
    char separator = separator(header, columns);
    long lines = 0;
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setDelimiter(separator)
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreHeaderCase(true)
            .setTrim(true)
            .setIgnoreEmptyLines(true)
            .setAllowMissingColumnNames(true)
            .get();
    try (CSVParser parser = CSVParser.parse(plain, format)) {
      List<String> names =
          parser.getHeaderNames().stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
      List<String> missing = columns.stream().filter(name -> !names.contains(name)).toList();
      if (!missing.isEmpty()) {
        faults.add(
            new Fault(
                1,
                "the first line has no column "
                    + String.join(", ", missing)
                    + "; separators tried are comma, semicolon, tab and bar"));
        return new Reading<>(separator, 0, made, faults);
      }
      for (CSVRecord record : parser) {
        lines++;
        long line = record.getRecordNumber() + 1;
        if (lines > MOST_LINES) {
          faults.add(new Fault(line, "more than " + MOST_LINES + " lines; split the file"));
          break;
        }
        try {
          if (!record.isConsistent()) {
            throw new IllegalArgumentException(
                Words.fill("%d cells; the first line has %d", record.size(), names.size()));
          }
          made.put(line, make.apply(new Row(line, lower(record), separator != ',')));
        } catch (IllegalArgumentException e) {
          faults.add(new Fault(line, e.getMessage()));
        }
      }
    } catch (IOException
        | UncheckedIOException
        | IllegalArgumentException
        | IllegalStateException e) {
      faults.add(new Fault(lines + 2, "it cannot be read as a table from here on: " + reason(e)));
    }
    return new Reading<>(separator, lines, made, faults);
  }

  private static String reason(Exception e) {
    return e.getCause() == null ? e.getMessage() : e.getCause().getMessage();
  }

  private static Map<String, String> lower(CSVRecord record) {
    Map<String, String> cells = new LinkedHashMap<>();
    record.toMap().forEach((name, cell) -> cells.put(name.toLowerCase(Locale.ROOT), cell));
    return cells;
  }

  /// The one by which the header has the most of its columns.
  private static char separator(String header, List<String> columns) {
    char best = SEPARATORS[0];
    long most = -1;
    for (char one : SEPARATORS) {
      long known =
          Arrays.stream(header.split(Pattern.quote(String.valueOf(one))))
              .map(name -> name.strip().replace("\"", "").toLowerCase(Locale.ROOT))
              .filter(columns::contains)
              .count();
      if (known > most) {
        most = known;
        best = one;
      }
    }
    return best;
  }

  public static String write(List<String> columns, List<List<Object>> rows) {
    StringBuilder text = new StringBuilder();
    try (CSVPrinter printer =
        new CSVPrinter(
            text, CSVFormat.RFC4180.builder().setHeader(columns.toArray(String[]::new)).get())) {
      for (List<Object> row : rows) printer.printRecord(row.stream().map(CsvSheet::cell).toList());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static Object cell(Object value) {
    return switch (value) {
      case Optional<?> maybe -> maybe.map(CsvSheet::cell).orElse("");
      case Boolean flag -> flag ? "yes" : "";
      case String words when COMPUTED.matcher(words).lookingAt() -> "'" + words;
      case Enum<?> constant -> constant.name().toLowerCase(Locale.ROOT);
      case Double number when number == Math.rint(number) -> String.valueOf(number.longValue());
      default -> value;
    };
  }

  /// Faults by line.
  static List<Fault> sorted(List<Fault> faults) {
    return faults.stream().sorted(Comparator.comparingLong(Fault::line)).toList();
  }
}
