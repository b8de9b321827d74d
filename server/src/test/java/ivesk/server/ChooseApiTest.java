package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import ivesk.core.formula.Lot;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.server.Practice.Answer;
import ivesk.server.formula.ShelfService;
import ivesk.server.plan.PlanService;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.PeelSigned;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Choose over HTTP: numbers tried, stages, what is computed without saving, and what a plan takes
/// with it from the shelf.
class ChooseApiTest {
  private static Practice practice;
  private static String yara;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
    yara = practice.visit("Yara Minhas").get("id").asString();
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  private static Answer post(String path, String json) {
    return practice.post(path, json.replace('\'', '"'));
  }

  private static Answer attempt(String numbers) {
    return post("/api/visits/" + yara + "/selection/try", "{'formula':'GLY-20'," + numbers + "}");
  }

  @Test
  void numbersAreTriedAndNothingIsKept() {
    String before = practice.get("/api/visits/" + yara + "/plan").body().toString();
    JsonNode good = attempt("'percents':[20],'ph':3.83,'contactSeconds':120,'layers':1").body();
    // Half of it is free at its pKa.
    assertThat(good.get("freeAcidPercent").asDouble()).isCloseTo(10, within(1e-6));
    assertThat(good.get("objections")).isEmpty();
    JsonNode strong = attempt("'percents':[70],'ph':1.5,'contactSeconds':300,'layers':1").body();
    assertThat(strong.get("depth").asString()).isEqualTo("MEDIUM");
    assertThat(strong.get("objections").toString()).contains("SCOPE");
    assertThat(attempt("'percents':[20],'ph':15,'contactSeconds':120,'layers':1").detail())
        .contains("PH is 15.0; allowed is 0.0 to 14.0");
    assertThat(practice.get("/api/visits/" + yara + "/plan").body().toString()).isEqualTo(before);
  }

  /// It goes on after an acid, and is no peel of its own.
  @Test
  void anAddOnIsNeitherOnTheRackNorChosenAlone() {
    JsonNode rack = practice.get("/api/visits/" + yara + "/selection").body();
    for (JsonNode tile : rack.get("tiles")) {
      if (!tile.get("code").asString().equals("RET-1")) continue;
      assertThat(tile.get("shut").isEmpty()).as("open on the rack").isFalse();
    }
    Answer alone =
        practice.put("/api/visits/" + yara + "/choice", "{\"formula\":\"RET-1\",\"then\":[]}");
    assertThat(alone.status()).as(alone.detail()).isEqualTo(422);
  }

  @Test
  void stagesAreJudgedTogetherAndKept() {
    JsonNode chain =
        post(
                "/api/visits/" + yara + "/chain",
                "{'formula':'GLY-20','then':[{'formula':'RET-1','zones':[]}]}")
            .body();
    assertThat(chain.get("objections")).isEmpty();
    assertThat(chain.get("peelingLast").asInt()).isEqualTo(3);
    Answer refused =
        practice.put(
            "/api/visits/" + yara + "/choice",
            "{\"formula\":\"GLY-20\",\"then\":[{\"formula\":\"SAL-10\",\"zones\":[]}]}");
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.detail()).contains("do not go together").contains("same skin");
    JsonNode plan =
        practice
            .put(
                "/api/visits/" + yara + "/choice",
                "{\"formula\":\"GLY-20\",\"then\":[{\"formula\":\"SAL-10\",\"zones\":[\"NOSE\"]},"
                    + "{\"formula\":\"RET-1\",\"zones\":[]}]}")
            .body();
    assertThat(plan.get("plan").get("zones").toString()).doesNotContain("NOSE").contains("CHIN");
    List<String> peels = new ArrayList<>();
    for (JsonNode step : plan.get("runs").get(0).get("steps")) {
      if (step.hasNonNull("peel")) {
        peels.add(step.get("peel").asString() + " " + step.path("gate").asString());
      }
    }
    assertThat(peels).containsExactly("GLY-20 A", "SAL-10 B", "RET-1 B");
    assertThat(plan.get("judged").get("mayBeKept").asBoolean()).isTrue();
    JsonNode kept = practice.put("/api/visits/" + yara + "/plan", "{}").body();
    assertThat(kept.get("kept").asBoolean()).isTrue();
    assertThat(kept.get("plan").get("zones").toString()).doesNotContain("NOSE").contains("CHIN");
  }

  @Test
  void theRackAnswersFactsWithoutSaving() {
    JsonNode rack =
        post(
                "/api/selection",
                "{'client':{'dateOfBirth':'1990-05-05','peelDate':'2026-11-25','answers':{},"
                    + "'skin':{'phototype':'III','oil':'OILY','sensitivity':'NORMAL',"
                    + "'severities':{'COMEDONES':3},'goals':['COMEDONES']}}}")
            .body();
    // Nothing was asked, so everything waits; the rack says so by formula.
    assertThat(rack.get("ranked")).isEmpty();
    assertThat(rack.get("tiles").size()).isGreaterThanOrEqualTo(29);
    assertThat(rack.get("advice").get("said").asString()).isNotBlank();
    Answer wrong =
        post(
            "/api/selection",
            "{'client':{'dateOfBirth':'2030-05-05','peelDate':'2026-11-25','answers':{},"
                + "'skin':{'severities':{},'goals':[]}}}");
    assertThat(wrong.detail()).contains("Date of birth is 2030-05-05");
  }

  /// The label changes after the treatment was opened: its plan still has the label of that day,
  /// and signing it would take from the bottle that it named.
  @Test
  void aRecordKeepsTheVersionThatItUsed() {
    ShelfService shelf = practice.bean(ShelfService.class);
    PlanService plans = practice.bean(PlanService.class);
    Treatments treatments = practice.bean(Treatments.class);
    UUID maren = UUID.fromString(practice.visit("Maren Holt").get("id").asString());
    JsonNode shipped = label("GLY-20");
    String own = shipped.toString().replace("\"GLY-20\"", "\"REC-1\"");
    assertThat(practice.put("/api/shelf/products", "{\"label\":" + own + ",\"over\":0}").status())
        .isEqualTo(200);
    shelf.saveLot(
        UUID.randomUUID(),
        new Lot(
            "REC-1",
            "R-1",
            LocalDate.of(2026, 1, 1),
            LocalDate.of(2099, 1, 1),
            Optional.empty(),
            Optional.empty(),
            Volume.ml(50),
            Volume.ml(50)),
        0,
        "ines");
    plans.choose(maren, "REC-1", "the practice's own", "ines");
    plans.keep(maren, "ines");
    Live live = treatments.open(maren, plans.ready(maren), "ines");
    assertThat(
            practice
                .put(
                    "/api/shelf/products",
                    "{\"label\":" + own.replace("\"ph\":3.0", "\"ph\":3.6") + ",\"over\":1}")
                .status())
        .isEqualTo(200);
    TreatmentPlan kept = treatments.live(live.id()).plan();
    assertThat(kept.formula().label().version()).isEqualTo(1);
    assertThat(kept.formula().ph()).contains(Ph.of(3.0));
    assertThat(kept.lot()).contains("R-1");
    assertThat(shelf.shelf().get("REC-1").ph()).contains(Ph.of(3.6));
    shelf.take("REC-1", "R-1", Volume.ml(3.5), LocalDate.of(2026, 11, 25), "ines");
    assertThat(shelf.shelf().lots().get("REC-1").getFirst().left()).isEqualTo(Volume.ml(46.5));
    assertThat(shelf.shelf().lots().get("REC-1").getFirst().opened())
        .contains(LocalDate.of(2026, 11, 25));
    shelf.take("REC-1", "R-1", Volume.ml(9999), LocalDate.of(2026, 11, 25), "ines");
    assertThat(shelf.shelf().lots().get("REC-1").getFirst().left()).isEqualTo(Volume.NONE);
  }

  /// Signing takes the products off the packs that come first, as they were planned; what is not
  /// counted is not taken from.
  @Test
  void signingTakesTheProductsOffTheirPacks() {
    String pack =
        "{\"code\":\"CLEANSER\",\"number\":\"C-1\",\"expires\":\"2099-01-01\",\"units\":60,"
            + "\"left\":60,\"over\":0}";
    UUID lot = UUID.randomUUID();
    assertThat(practice.put("/api/products/packs/" + lot, pack).status()).isEqualTo(200);
    UUID ishani = UUID.fromString(practice.visit("Ishani Velloor").get("id").asString());
    practice.tell(new PeelSigned(ishani, LocalDate.of(2026, 11, 25), "ines"));
    JsonNode packs = null;
    for (JsonNode one : practice.get("/api/products").body().get("products")) {
      if (one.get("label").get("code").asString().equals("CLEANSER")) packs = one.get("packs");
    }
    // Two cleanses of two pumps.
    assertThat(packs.get(0).get("left").asDouble()).isEqualTo(56);
    assertThat(packs.get(0).get("opened").asString()).isEqualTo("2026-11-25");
  }

  /// What is ticked on the trolley and told of the weeks before stays, and goes when it is taken
  /// back; what is no such thing is refused.
  @Test
  void ticksStay() {
    String visit = "/api/visits/" + practice.visit("Ishani Velloor").get("id").asString();
    JsonNode ticked = practice.put(visit + "/trolley/fan", "{\"laidOut\":true}").body();
    assertThat(ticked.get("laidOut").toString()).contains("fan");
    assertThat(practice.put(visit + "/trolley/fan", "{\"laidOut\":false}").body().get("laidOut"))
        .isEmpty();
    assertThat(practice.put(visit + "/trolley/sofa", "{\"laidOut\":true}").status()).isEqualTo(400);
    practice.put(visit + "/prep/SUN", "{\"kept\":false}");
    assertThat(practice.get(visit + "/plan").body().get("prepTold").get("SUN").asBoolean())
        .isFalse();
    assertThat(practice.put(visit + "/prep/SUN", "{}").body().get("prepTold").has("SUN")).isFalse();
    assertThat(practice.put(visit + "/prep/MOON", "{}").status()).isEqualTo(400);
  }

  private static JsonNode label(String code) {
    for (JsonNode item : practice.get("/api/shelf").body().get("items")) {
      if (item.get("label").get("code").asString().equals(code)) return item.get("label");
    }
    throw new AssertionError(code);
  }
}
