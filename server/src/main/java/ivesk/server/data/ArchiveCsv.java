package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Effect;
import ivesk.server.data.ArchiveFormat.Place;
import ivesk.server.data.ArchiveSchema.Column;
import ivesk.server.data.ArchiveSchema.Table;
import java.io.EOFException;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.QuoteMode;
import org.jspecify.annotations.Nullable;

/// The file of everything as tables: a ZIP with one CSV (RFC 4180, UTF-8) for each, the first line
/// its columns. A cell that is not there stands empty, an empty text as `""`. Text that a
/// spreadsheet would compute stands behind an apostrophe.
final class ArchiveCsv {
  private static final String HEAD = "format.csv";
  private static final long LONGEST_RECORD = 20_000_000;
  private static final LocalDateTime MADE = LocalDateTime.of(2026, 1, 1, 0, 0);
  private static final Pattern COMPUTED = Pattern.compile("'*[=+\\-@\t\r]");
  private static final Pattern GUARDED = Pattern.compile("'+[=+\\-@\t\r]");

  private static final CSVFormat CSV =
      CSVFormat.RFC4180.builder().setQuoteMode(QuoteMode.ALL_NON_NULL).setNullString("").get();

  private ArchiveCsv() {}

  static void write(OutputStream out, ArchiveSchema schema, LeavingRows rows) throws SQLException {
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
        Writer writer = new OutputStreamWriter(zip, StandardCharsets.UTF_8)) {
      CSVPrinter csv = new CSVPrinter(writer, CSV);
      begin(zip, HEAD);
      csv.printRecord("format", "v");
      csv.printRecord(ArchiveFormat.FORMAT, String.valueOf(ArchiveFormat.VERSION));
      csv.flush();
      for (Table table : schema.tables()) {
        if (!rows.has(table)) continue;
        begin(zip, table.name() + ".csv");
        csv.printRecord(table.names());
        rows.of(
            table,
            values -> {
              List<@Nullable String> cells = new ArrayList<>();
              for (int i = 0; i < values.length; i++) {
                cells.add(cell(table.columns().get(i).type(), values[i]));
              }
              print(csv, cells);
            });
        csv.flush();
      }
      zip.closeEntry();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void begin(ZipOutputStream zip, String name) throws IOException {
    ZipEntry entry = new ZipEntry(name);
    entry.setTimeLocal(MADE);
    zip.putNextEntry(entry);
  }

  private static void print(CSVPrinter csv, List<@Nullable String> cells) {
    try {
      csv.printRecord(cells);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static @Nullable String cell(ColumnType type, @Nullable Object value) {
    if (value == null) return null;
    String words = type.written(value);
    boolean guarded = type == ColumnType.TEXT && COMPUTED.matcher(words).lookingAt();
    return guarded ? "'" + words : words;
  }

  /// Writes what is fresh within the open transaction.
  static List<Effect> read(InputStream file, ArchiveInto into)
      throws SQLException, BadLine, IOException {
    List<Effect> effects = new ArrayList<>();
    try (ZipInputStream zip = new ZipInputStream(file, StandardCharsets.UTF_8)) {
      ZipEntry entry = zip.getNextEntry();
      if (entry == null || !entry.getName().equals(HEAD)) {
        throw new BadLine(HEAD, 1, "a file of Ivesk begins with " + HEAD);
      }
      head(zip);
      for (entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        String name = entry.getName();
        if (!name.endsWith(".csv")) throw new BadLine(name, 1, "it is no table");
        effects.add(table(zip, name, into));
      }
    } catch (ZipException | EOFException e) {
      throw BadLine.at(1, "it is no whole ZIP: " + e.getMessage());
    }
    return effects;
  }

  private static void head(ZipInputStream zip) throws BadLine, IOException {
    try (Lines lines = new Lines(zip, HEAD)) {
      lines.next();
      List<@Nullable String> said = lines.next() ? lines.cells() : List.of();
      if (said.isEmpty() || !ArchiveFormat.FORMAT.equals(said.getFirst())) {
        throw lines.bad("this is no file of Ivesk");
      }
      if (said.size() != 2 || !String.valueOf(ArchiveFormat.VERSION).equals(said.get(1))) {
        throw lines.bad("its version is not " + ArchiveFormat.VERSION + ", which this Ivesk knows");
      }
      if (lines.next()) throw lines.bad("nothing follows here");
    }
  }

  private static Effect table(ZipInputStream zip, String name, ArchiveInto into)
      throws SQLException, BadLine, IOException {
    try (Lines lines = new Lines(zip, name)) {
      if (!lines.next()) throw lines.bad("its first line has the columns");
      String table = name.substring(0, name.length() - ".csv".length());
      try (ArchiveRows rows = new ArchiveRows(into, table, lines.cells(), lines.place())) {
        while (lines.next()) {
          List<@Nullable String> cells = lines.cells();
          int size = rows.columns().size();
          if (cells.size() != size) {
            throw lines.bad("it has " + cells.size() + " cells in place of " + size);
          }
          @Nullable Object[] values = new Object[size];
          for (int i = 0; i < size; i++) {
            String cell = cells.get(i);
            if (cell == null) continue;
            Column column = rows.columns().get(i);
            boolean guarded = column.type() == ColumnType.TEXT && GUARDED.matcher(cell).lookingAt();
            values[i] = rows.value(column, guarded ? cell.substring(1) : cell, lines.place());
          }
          rows.put(values, lines.place());
        }
        return rows.effect();
      }
    }
  }

  /// One table of the ZIP, which goes on after it. A little file may be a long table; a record that
  /// no table could hold is not read to its end.
  private static final class Entry extends FilterInputStream {
    private long ofRecord;

    Entry(ZipInputStream zip) {
      super(zip);
    }

    void recordBegins() {
      ofRecord = 0;
    }

    @Override
    public int read() throws IOException {
      int one = super.read();
      count(one < 0 ? 0 : 1);
      return one;
    }

    @Override
    public int read(byte[] into, int from, int most) throws IOException {
      int many = super.read(into, from, most);
      count(Math.max(0, many));
      return many;
    }

    private void count(int more) throws ZipException {
      ofRecord += more;
      if (ofRecord > LONGEST_RECORD) throw new ZipException("a record is longer than 20 MB");
    }

    @Override
    public void close() {
      // The file goes on.
    }
  }

  /// The records of one table, each with the line on which it begins.
  private static final class Lines implements AutoCloseable {
    private final Entry entry;
    private final CSVParser csv;
    private final String file;
    private final Iterator<CSVRecord> records;
    private List<@Nullable String> cells = List.of();
    private long line = 1;

    Lines(ZipInputStream zip, String file) throws IOException {
      this.entry = new Entry(zip);
      this.csv =
          CSVParser.builder()
              .setReader(new InputStreamReader(entry, StandardCharsets.UTF_8.newDecoder()))
              .setFormat(CSV)
              .get();
      this.file = file;
      this.records = csv.iterator();
    }

    @Override
    public void close() throws IOException {
      csv.close();
    }

    boolean next() throws BadLine, IOException {
      line = csv.getCurrentLineNumber() + 1;
      entry.recordBegins();
      try {
        if (!records.hasNext()) return false;
        cells = new ArrayList<>();
        for (String cell : records.next()) cells.add(cell);
        return true;
      } catch (UncheckedIOException e) {
        throw broken(e.getCause());
      }
    }

    /// What is wrong with the file; else the network is to blame.
    private BadLine broken(IOException why) throws IOException {
      boolean ofTheFile =
          why instanceof ZipException
              || why instanceof CharacterCodingException
              || why instanceof EOFException
              || why instanceof CSVException;
      if (!ofTheFile) throw why;
      return bad("it is broken here: " + why.getMessage());
    }

    List<@Nullable String> cells() {
      return cells;
    }

    Place place() {
      long here = line;
      return why -> new BadLine(file, here, why);
    }

    BadLine bad(String why) {
      return place().bad(why);
    }
  }
}
