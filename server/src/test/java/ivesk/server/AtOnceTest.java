package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.Practice.Answer;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/// Many at once, and what cannot be read: an answer, never a fault of the server.
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class AtOnceTest {
  private Practice practice;

  @BeforeAll
  void open() {
    practice = Practice.open().signIn("ines", "harbour");
  }

  @AfterAll
  void close() {
    practice.close();
  }

  /// 64 screens open Maren's treatment: all are answered with the same one.
  @Test
  void sixtyFourOpenersOpenOneTreatment() throws Exception {
    String at = "/api/visits/" + practice.visit("Maren Holt").get("id").asString() + "/treatment";
    List<Callable<Answer>> openers = new ArrayList<>();
    for (int i = 0; i < 64; i++) openers.add(() -> practice.post(at, "{}"));
    try (ExecutorService screens = Executors.newFixedThreadPool(64)) {
      List<String> opened = new ArrayList<>();
      for (Future<Answer> one : screens.invokeAll(openers)) {
        Answer answer = one.get();
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        opened.add(answer.body().at("/couch/id").asString());
      }
      assertThat(opened).hasSize(64).containsOnly(opened.getFirst());
    }
  }

  @Test
  void aFormWithoutItsBoundaryIsBadInput() {
    Answer answer = practice.postAs("/api/archive", "multipart/form-data", "--x\r\n");
    assertThat(answer.status()).isBetween(400, 499);
  }
}
