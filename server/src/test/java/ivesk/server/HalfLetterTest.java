package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/// Half of a letter that UTF-16 writes in two: it could be kept, and never written out again.
class HalfLetterTest {
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open().signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static Answer named(String name) {
    return practice.post(
        "/api/clients", "{\"name\":\"" + name + "\",\"dateOfBirth\":\"1990-02-03\"}");
  }

  @Test
  void isRefusedAndAWholeOneIsNot() {
    for (String half : new String[] {"A \\ud83c B", "A \\udf3f", "\\udf3f\\ud83c A"}) {
      Answer refused = named(half);
      assertThat(refused.status()).as(half).isEqualTo(400);
      assertThat(refused.detail()).contains("half a letter").contains("Nothing was saved");
    }
    Answer whole = named("A \\ud83c\\udf3f B");
    assertThat(whole.status()).isEqualTo(201);
    String file = practice.text("/api/clients/" + whole.body().get("id").asString() + "/archive");
    assertThat(file).contains("A \ud83c\udf3f B");
    Practice marit = practice.another().signIn("marit", "harbour");
    Answer spoilt =
        marit.post(
            "/api/archive",
            file.replace("A \ud83c\udf3f B", "A \\ud83c B").getBytes(StandardCharsets.UTF_8));
    assertThat(spoilt.status()).isEqualTo(400);
    assertThat(spoilt.detail()).startsWith("Line ").contains("half a letter");
  }
}
