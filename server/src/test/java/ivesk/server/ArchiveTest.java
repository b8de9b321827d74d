package ivesk.server;

import static ivesk.server.Practice.file;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import ivesk.server.data.Archive;
import ivesk.server.data.Archive.Form;
import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Bearer;
import ivesk.server.data.ArchiveFormat.Effect;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;

/// Everything as JSON, and back into an empty practice.
class ArchiveTest {
  private static final int MUTATED = Integer.getInteger("ivesk.mutated", 40);

  private static Practice practice;
  private static ConfigurableApplicationContext empty;
  private static Archive there;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    empty = Practice.start("start");
    there = empty.getBean(Archive.class);
  }

  @AfterAll
  static void close() {
    practice.close();
    empty.close();
  }

  private static ByteArrayInputStream in(byte[] file) {
    return new ByteArrayInputStream(file);
  }

  private static int clients(ConfigurableApplicationContext of) {
    return of.getBean(JdbcClient.class)
        .sql("SELECT COUNT(*) FROM client")
        .query(Integer.class)
        .single();
  }

  private static UUID id(String client) {
    return UUID.fromString(practice.client(client));
  }

  /// One after the other: what cannot be leaves an empty practice empty; then all comes in.
  @Test
  void whatIsSpoiltIsRefusedWholeAndWhatIsWholeComesBackByteForByte() throws Exception {
    Archive here = practice.bean(Archive.class);
    byte[] one = file(here, Form.JSON, Optional.of(id("Maren")));
    assertThat(new String(one, StandardCharsets.UTF_8))
        .contains("Maren Holt")
        .doesNotContain("Oumar");
    spoilt(one);

    byte[] all = file(here, Form.JSON, Optional.empty());
    String words = new String(all, StandardCharsets.UTF_8);
    assertThat(words).doesNotContain("password_hash").doesNotContain("token_hash");
    assertThat(wrongBySchema(new String(one, StandardCharsets.UTF_8))).isEmpty();
    assertThat(wrongBySchema(words)).isEmpty();
    there.take(in(one), Bearer.OF_ALL);
    assertThat(clients(empty)).as("one client, opened elsewhere").isEqualTo(1);
    assertThat(file(there, Form.JSON, Optional.of(id("Maren")))).isEqualTo(one);
    List<Effect> would = there.preview(in(all), Bearer.OF_ALL);
    assertThat(clients(empty)).as("a preview writes nothing").isEqualTo(1);
    List<Effect> did = there.take(in(all), Bearer.OF_ALL);
    assertThat(did).isEqualTo(would);
    assertThat(clients(empty)).isEqualTo(14);
    assertThat(file(there, Form.JSON, Optional.empty())).isEqualTo(all);
    assertThat(there.take(in(all), Bearer.OF_ALL))
        .as("again it changes nothing")
        .allMatch(effect -> effect.fresh() == 0 && effect.differing() == 0);
    assertThat(file(there, Form.JSON, Optional.of(id("Maren")))).isEqualTo(one);

    byte[] tables = file(here, Form.CSV, Optional.empty());
    assertThat(file(there, Form.CSV, Optional.empty())).isEqualTo(tables);
    assertThat(there.take(in(tables), Bearer.OF_ALL))
        .as("tables say the same as the JSON")
        .isNotEmpty()
        .allMatch(effect -> effect.fresh() == 0 && effect.differing() == 0);
    try (ConfigurableApplicationContext third = Practice.start("start")) {
      Archive archive = third.getBean(Archive.class);
      archive.take(in(tables), Bearer.OF_ALL);
      assertThat(file(archive, Form.JSON, Optional.empty()))
          .as("by the tables alone")
          .isEqualTo(all);
    }
  }

  /// By a JSON Schema validator from the registry.
  private static List<String> wrongBySchema(String file) {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(practice.bean(Archive.class).schema())
        .validate(
            file,
            InputFormat.JSON,
            run -> run.executionConfig(c -> c.formatAssertionsEnabled(true)))
        .stream()
        .map(Object::toString)
        .limit(3)
        .toList();
  }

  @Test
  void theSchemaInTheTreeIsTheServersOwn() throws Exception {
    Path kept = Path.of("../docs/formats/ivesk-1.schema.json");
    String schema = practice.bean(Archive.class).schema();
    if (Boolean.getBoolean("ivesk.schema.write")) Files.writeString(kept, schema);
    assertThat(Files.readString(kept)).isEqualTo(schema);
    String file =
        new String(
            file(practice.bean(Archive.class), Form.JSON, Optional.empty()),
            StandardCharsets.UTF_8);
    assertThat(wrongBySchema(file.replace("\"v\":1", "\"v\":2"))).isNotEmpty();
    assertThat(wrongBySchema(file.replaceFirst("\\d{4}-\\d\\d-\\d\\d\",", "no day\",")))
        .isNotEmpty();
  }

  @Test
  void aBadTableIsNamedWithItsLine() throws Exception {
    byte[] tables = file(practice.bean(Archive.class), Form.CSV, Optional.of(id("Maren")));
    for (String[] bad :
        new String[][] {
          {"client.csv", "\"id\"", "\"key\"", "client.csv, line 1: client has no column 'key'"},
          {"client.csv", "Maren Holt\",", "Maren Holt\",\"x\",", "client.csv, line 2: it has "},
          {"visit.csv", "T", "", "visit.csv, line 2: visit.starts_at is an instant"},
          {"format.csv", "\"1\"", "\"2\"", "format.csv, line 2: its version is not 1"},
          {
            "format.csv",
            "\"ivesk\",\"1\"",
            ",\"1\"",
            "format.csv, line 2: this is no file of Ivesk"
          },
          {"client.csv", "\"name\"", "", "client.csv, line 1: client has no column 'null'"},
          {
            "client.csv",
            "boat painter",
            "a".repeat(21_000_000),
            "client.csv, line 2: it is broken here: a record is longer than 20 MB"
          },
          {"visit.csv", null, "visits.csv", "visits.csv, line 1: there is no table 'visits'"},
        }) {
      byte[] changed = changed(tables, bad[0], bad[1], bad[2]);
      Throwable why =
          catchThrowable(() -> practice.bean(Archive.class).preview(in(changed), Bearer.OF_ALL));
      assertThat(why).isInstanceOf(BadLine.class).hasMessageContaining(bad[3]);
    }
    Throwable cut =
        catchThrowable(() ->
            practice
                .bean(Archive.class)
                .preview(in(Arrays.copyOf(tables, tables.length / 2)), Bearer.OF_ALL));
    assertThat(cut).isInstanceOf(BadLine.class).hasMessageContaining("line ");
  }

  /// The ZIP with one of its tables changed, or called otherwise.
  private static byte[] changed(byte[] zip, String table, @Nullable String from, String to)
      throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipInputStream old = new ZipInputStream(in(zip));
        ZipOutputStream changed = new ZipOutputStream(out)) {
      for (ZipEntry entry = old.getNextEntry(); entry != null; entry = old.getNextEntry()) {
        boolean here = entry.getName().equals(table);
        changed.putNextEntry(new ZipEntry(here && from == null ? to : entry.getName()));
        String words = new String(old.readAllBytes(), StandardCharsets.UTF_8);
        boolean first = words.startsWith("\"id\"") && "T".equals(from);
        String spoilt =
            from == null || !here
                ? words
                : first ? words.replaceAll("(\\d)T(\\d)", "$1U$2") : words.replace(from, to);
        changed.write(spoilt.getBytes(StandardCharsets.UTF_8));
      }
    }
    return out.toByteArray();
  }

  private static void spoilt(byte[] file) throws Exception {
    String words = new String(file, StandardCharsets.UTF_8);
    for (String[] bad :
        new String[][] {
          {
            words.replace("\"format\":\"ivesk\"", "\"format\":\"other\""),
            "line 1: this is no file of Ivesk"
          },
          {words.replace("\"v\":1", "\"v\":2"), "line 1: its version is not 1"},
          {
            words.replace("\"table\":\"visit\"", "\"table\":\"visitors\""),
            "there is no table 'visitors'"
          },
          {words.replace("\"starts_at\"", "\"began_at\""), "visit has no column 'began_at'"},
          {
            words.replaceFirst("\"Maren Holt\"", "\"" + "m".repeat(130) + "\""),
            "client does not take this row: name is too long"
          },
          {
            words.replaceFirst("\"Maren Holt\"", "null"),
            "client does not take this row: name is missing"
          },
          {
            words.replaceFirst("(\"table\":\"visit\".*?\n\\[\"[^\"]+\",\")........", "$100000000"),
            "visit does not take this row: what it refers to is neither here"
          },
          {twoEventsOfOneId(words), "treatment_event does not take this row: another row has the"},
          {words.substring(0, words.length() / 2), "it is no JSON"},
          {words + "{}", "the file goes on after its end"},
        }) {
      Throwable why =
          catchThrowable(
              () -> there.take(in(bad[0].getBytes(StandardCharsets.UTF_8)), Bearer.OF_ALL));
      assertThat(why).isInstanceOf(BadLine.class).hasMessageContaining(bad[1]);
      assertThat(why).hasMessageStartingWith("line ");
    }
    Random random = new Random(14);
    int refused = 0;
    for (int i = 0; i < MUTATED; i++) {
      byte[] mutated = MutatedFilesTest.mutated(file, random);
      Throwable why = catchThrowable(() -> there.preview(in(mutated), Bearer.OF_ALL));
      if (why == null) continue;
      refused++;
      assertThat(why).isInstanceOf(BadLine.class);
      assertThat(catchThrowable(() -> there.take(in(mutated), Bearer.OF_ALL)))
          .isInstanceOf(BadLine.class);
      assertThat(clients(empty)).as("nothing is half-written").isZero();
    }
    assertThat(refused).isGreaterThan(MUTATED / 2);
  }

  /// The second event of the first treatment gets the id of the first.
  private static String twoEventsOfOneId(String words) {
    int table = words.indexOf("{\"table\":\"treatment_event\"");
    Matcher rows =
        Pattern.compile("\\n,?\\[\"[^\"]+\",\\d+,\"([^\"]+)\"")
            .matcher(words)
            .region(table, words.length());
    assertThat(rows.find()).isTrue();
    String first = rows.group(1);
    assertThat(rows.find()).isTrue();
    return words.substring(0, rows.start(1)) + first + words.substring(rows.end(1));
  }

  @Test
  void whoMayTakesItOutAndOthersDoNot() {
    String at = "/api/clients/" + id("Maren") + "/archive";
    assertThat(practice.text(at)).startsWith("{\"format\":\"ivesk\",\"v\":1");
    assertThat(practice.get("/api/archive").status()).as("a therapist").isEqualTo(403);
    Practice owner = practice.another().signIn("marit", "harbour");
    assertThat(owner.text("/api/archive")).contains("\"table\":\"policy\"");
  }
}
