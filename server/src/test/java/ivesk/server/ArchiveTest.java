package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import ivesk.server.data.Archive;
import ivesk.server.data.Archive.BadLine;
import ivesk.server.data.Archive.Effect;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
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

  private static byte[] file(Archive archive, Optional<UUID> client) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    archive.write(out, client);
    return out.toByteArray();
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
    return UUID.fromString(
        practice
            .get("/api/clients?find=" + client)
            .body()
            .get("clients")
            .get(0)
            .get("id")
            .asString());
  }

  /// One after the other: what cannot be leaves an empty practice empty; then all comes in.
  @Test
  void whatIsSpoiltIsRefusedWholeAndWhatIsWholeComesBackByteForByte() throws Exception {
    Archive here = practice.bean(Archive.class);
    byte[] one = file(here, Optional.of(id("Maren")));
    assertThat(new String(one, StandardCharsets.UTF_8))
        .contains("Maren Holt")
        .doesNotContain("Oumar");
    spoilt(one);

    byte[] all = file(here, Optional.empty());
    String words = new String(all, StandardCharsets.UTF_8);
    assertThat(words).doesNotContain("password_hash").doesNotContain("token_hash");
    there.take(in(one));
    assertThat(clients(empty)).as("one client, opened elsewhere").isEqualTo(1);
    assertThat(file(there, Optional.of(id("Maren")))).isEqualTo(one);
    List<Effect> would = there.preview(in(all));
    assertThat(clients(empty)).as("a preview writes nothing").isEqualTo(1);
    List<Effect> did = there.take(in(all));
    assertThat(did).isEqualTo(would);
    assertThat(clients(empty)).isEqualTo(14);
    assertThat(file(there, Optional.empty())).isEqualTo(all);
    assertThat(there.take(in(all)))
        .as("again it changes nothing")
        .allMatch(effect -> effect.fresh() == 0 && effect.differing() == 0);
    assertThat(file(there, Optional.of(id("Maren")))).isEqualTo(one);
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
          {words.substring(0, words.length() / 2), "it is no JSON"},
          {words + "{}", "the file goes on after its end"},
        }) {
      Throwable why = catchThrowable(() -> there.take(in(bad[0].getBytes(StandardCharsets.UTF_8))));
      assertThat(why).isInstanceOf(BadLine.class).hasMessageContaining(bad[1]);
      assertThat(why).hasMessageStartingWith("line ");
    }
    Random random = new Random(14);
    int refused = 0;
    for (int i = 0; i < MUTATED; i++) {
      byte[] mutated = mutated(file, random);
      Throwable why = catchThrowable(() -> there.preview(in(mutated)));
      if (why == null) continue;
      refused++;
      assertThat(why).isInstanceOf(BadLine.class);
      assertThat(catchThrowable(() -> there.take(in(mutated)))).isInstanceOf(BadLine.class);
      assertThat(clients(empty)).as("nothing is half-written").isZero();
    }
    assertThat(refused).isGreaterThan(MUTATED / 2);
  }

  private static byte[] mutated(byte[] file, Random random) {
    byte[] copy = file.clone();
    int at = random.nextInt(copy.length);
    switch (random.nextInt(4)) {
      case 0 -> copy[at] = (byte) random.nextInt(256);
      case 1 -> {
        return java.util.Arrays.copyOf(copy, at);
      }
      case 2 -> {
        for (int i = at; i < Math.min(copy.length, at + 20); i++) copy[i] = ' ';
      }
      default -> {
        int length = Math.min(50, copy.length - at);
        System.arraycopy(file, random.nextInt(copy.length - length), copy, at, length);
      }
    }
    return copy;
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
