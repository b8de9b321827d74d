package ivesk.server;

import static ivesk.server.Practice.file;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/// Files that were spoilt on their way, at the door for files: whatever they are, nothing is
/// half-written, and the fault is the file's. `-Divesk.mutated=10000` for the long run.
class MutatedFilesTest {
  private static final int FILES = Integer.getInteger("ivesk.mutated", 80);
  private static final long SEED = Long.getLong("ivesk.seed", 14);

  /// Written beside what a file says: who did what, and names as they are looked for.
  private static final Set<String> BESIDE =
      Set.of("audit_entry", "audit_subject", "audit_seal", "sign_in", "client_name_part");

  private static Practice there;
  private static String json;
  private static Map<String, String> tables;
  private static String bundle;
  private static String counts;

  @BeforeAll
  static void open() throws IOException {
    try (Practice here = Practice.open().signIn("marit", "harbour")) {
      Archive archive = here.bean(Archive.class);
      String maren = here.client("Maren Holt");
      Optional<UUID> client = Optional.of(UUID.fromString(maren));
      json = new String(file(archive, Form.JSON, client), StandardCharsets.UTF_8);
      tables = unzipped(file(archive, Form.CSV, client));
      bundle = here.text("/api/clients/" + maren + "/fhir").replace("urn:uuid:" + maren, "");
    }
    there = Practice.elsewhere().signIn("marit", "harbour");
    JdbcClient jdbc = there.bean(JdbcClient.class);
    counts =
        String.join(
            " UNION ALL ",
            jdbc.sql(
                    "SELECT 'SELECT ''' || LOWER(table_name) || ''' AS t, COUNT(*) AS n FROM \"'"
                        + " || table_name || '\"' FROM information_schema.tables"
                        + " WHERE table_schema = 'PUBLIC' AND table_type = 'BASE TABLE'")
                .query(String.class)
                .list());
  }

  private static Map<String, String> unzipped(byte[] file) throws IOException {
    Map<String, String> parts = new LinkedHashMap<>();
    try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(file))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        parts.put(entry.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8));
      }
    }
    return parts;
  }

  /// A file of each kind that brings something that is not here yet.
  private static byte[] fresh(Random random) throws IOException {
    FreshIds ids = new FreshIds(random);
    return switch (random.nextInt(5)) {
      case 0, 1 -> ids.in(json).getBytes(StandardCharsets.UTF_8);
      case 2 -> {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
          if (random.nextBoolean()) zip.setLevel(0);
          for (Map.Entry<String, String> part : tables.entrySet()) {
            zip.putNextEntry(new ZipEntry(part.getKey()));
            zip.write(ids.in(part.getValue()).getBytes(StandardCharsets.UTF_8));
          }
        }
        yield out.toByteArray();
      }
      case 3 ->
          bundle
              .replace("Maren Holt", "Client " + random.nextInt())
              .getBytes(StandardCharsets.UTF_8);
      default ->
          ("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\nBEGIN:VEVENT\r\nUID:1\r\n"
                  + "DTSTAMP:20260101T000000Z\r\nDTSTART;VALUE=DATE:"
                  + (2030 + random.nextInt(900))
                  + "0102\r\nDURATION:P1D\r\nSUMMARY:Harbour feast\r\nEND:VEVENT\r\n"
                  + "BEGIN:VEVENT\r\nUID:2\r\nDTSTAMP:20260101T000000Z\r\n"
                  + "DTSTART;VALUE=DATE:20250624\r\nRRULE:FREQ=YEARLY;COUNT=4\r\n"
                  + "SUMMARY:Midsummer\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n")
              .getBytes(StandardCharsets.UTF_8);
    };
  }

  @AfterAll
  static void close() {
    there.close();
  }

  private static Map<String, Long> counts() {
    Map<String, Long> all = new HashMap<>();
    there
        .bean(JdbcClient.class)
        .sql(counts)
        .query(row -> {
          if (!BESIDE.contains(row.getString("t"))) all.put(row.getString("t"), row.getLong("n"));
        });
    return all;
  }

  static byte[] mutated(byte[] file, Random random) {
    byte[] copy = file.clone();
    int at = random.nextInt(copy.length);
    switch (random.nextInt(6)) {
      case 0 -> copy[at] = (byte) random.nextInt(256);
      case 1 -> {
        return Arrays.copyOf(copy, at);
      }
      case 2 -> Arrays.fill(copy, at, Math.min(copy.length, at + 20), (byte) ' ');
      case 3 -> {
        int digit = next(copy, at, b -> b >= '0' && b <= '9');
        if (digit >= 0) copy[digit] = (byte) ('0' + random.nextInt(10));
      }
      case 4 -> {
        int letter = next(copy, at, b -> b >= 'a' && b <= 'f');
        if (letter >= 0) copy[letter] = (byte) ('a' + random.nextInt(6));
      }
      default -> {
        int length = Math.min(50, copy.length - at);
        System.arraycopy(file, random.nextInt(copy.length - length + 1), copy, at, length);
      }
    }
    return copy;
  }

  private interface Kind {
    boolean is(byte one);
  }

  private static int next(byte[] file, int from, Kind kind) {
    for (int i = from; i < file.length; i++) if (kind.is(file[i])) return i;
    return -1;
  }

  @Test
  void nothingIsHalfWrittenAndNoFaultIsTheServers() throws IOException {
    Random random = new Random(SEED);
    Map<Integer, Integer> statuses = new TreeMap<>();
    Map<String, Long> before = counts();
    int written = 0;
    for (int i = 0; i < FILES; i++) {
      byte[] file = mutated(fresh(random), random);
      if (random.nextInt(4) == 0) file = mutated(file.length == 0 ? fresh(random) : file, random);
      Answer answer = there.post("/api/archive", file);
      statuses.merge(answer.status(), 1, Integer::sum);
      assertThat(answer.status()).as("file " + i + ": " + answer.detail()).isIn(200, 400);
      Map<String, Long> expected = new HashMap<>(before);
      if (answer.status() == 400) {
        assertThat(answer.detail()).as("file " + i).contains("ine ").contains("Nothing was saved");
      } else {
        for (JsonNode effect : answer.body().get("effects")) {
          String table = effect.get("table").asString();
          if (BESIDE.contains(table) || table.equals("allergies")) continue;
          expected.merge(table, effect.get("fresh").asLong(), Long::sum);
        }
        if (!expected.equals(before)) written++;
      }
      Map<String, Long> after = counts();
      assertThat(after).as("file " + i).isEqualTo(expected);
      before = after;
    }
    assertThat(statuses.getOrDefault(400, 0)).isGreaterThan(FILES / 3);
    everyChartOpens();
    System.out.println(
        FILES
            + " mutated files, seed "
            + SEED
            + ", by status: "
            + statuses
            + ", "
            + written
            + " of them wrote");
  }

  /// What was taken in although a byte of it was another can be read.
  private static void everyChartOpens() {
    Practice ines = there.another().signIn("ines", "harbour");
    for (UUID client :
        there.bean(JdbcClient.class).sql("SELECT id FROM client").query(UUID.class).list()) {
      for (String part : new String[] {"", "/visits", "/progress", "/courses", "/joined"}) {
        Answer answer = ines.get("/api/clients/" + client + part);
        assertThat(answer.status()).as(client + part + ": " + answer.detail()).isEqualTo(200);
      }
    }
  }
}
