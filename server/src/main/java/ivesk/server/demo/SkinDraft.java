package ivesk.server.demo;

import static ivesk.core.skin.Condition.COMEDONES;
import static ivesk.core.skin.Condition.MELASMA;
import static ivesk.core.skin.Condition.PIH;
import static ivesk.core.skin.Condition.PORES;
import static ivesk.core.skin.Condition.SUN_DAMAGE;

import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.Hydration;
import ivesk.core.skin.Lamp;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import ivesk.server.skin.Consult;
import ivesk.server.skin.Consult.ColourReading;
import ivesk.server.skin.Consult.Event;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// A consult in the making; the questionnaire is filled so that it adds up to the total.
final class SkinDraft {
  private final int total;
  private final Oil oil;
  private final Sensitivity sensitivity;
  private Map<Condition, Integer> conditions = Map.of();
  private List<Condition> goals = List.of();
  private int flaking = 7;
  private List<Event> events = List.of();
  private List<HomeProduct> products = List.of();
  private Optional<ColourReading> arm = Optional.empty();

  SkinDraft(Phototype type, int total, Oil oil, Sensitivity sensitivity) {
    if (PhototypeQuestionnaire.type(total) != type) {
      throw new IllegalArgumentException(total + " is not type " + type);
    }
    this.total = total;
    this.oil = oil;
    this.sensitivity = sensitivity;
  }

  SkinDraft goals(Map<Condition, Integer> grades, Condition... inOrder) {
    conditions = grades;
    goals = List.of(inOrder);
    return this;
  }

  SkinDraft flakesFit(int days) {
    flaking = days;
    return this;
  }

  SkinDraft event(String name, LocalDate on) {
    events = List.of(new Event(name, on));
    return this;
  }

  SkinDraft uses(HomeProduct... atHome) {
    products = List.of(atHome);
    return this;
  }

  SkinDraft measured(double l, double a, double b, Instant at) {
    arm = Optional.of(new ColourReading(new SkinColour(l, a, b), at, "colorimeter"));
    return this;
  }

  Consult build() {
    Map<String, Integer> scores = new HashMap<>();
    int left = total;
    int items = PhototypeQuestionnaire.ITEMS.size();
    for (PhototypeQuestionnaire.Item item : PhototypeQuestionnaire.ITEMS) {
      int score = Math.min(4, Math.ceilDiv(left, items));
      scores.put(item.id(), score);
      left -= score;
      items--;
    }
    return new Consult(
        scores,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        arm,
        Optional.empty(),
        Optional.of(oil),
        Optional.of(oil == Oil.DRY ? Hydration.DEHYDRATED : Hydration.WELL),
        Optional.of(sensitivity),
        Optional.empty(),
        conditions,
        Optional.empty(),
        goals,
        looks(),
        lamp(),
        Optional.of(flaking),
        events,
        products,
        Region.FACE,
        Map.of(),
        Optional.empty(),
        "");
  }

  private Map<Zone, Lamp> lamp() {
    Map<Zone, Lamp> lamp = new EnumMap<>(Zone.class);
    if (oil == Oil.OILY || oil == Oil.COMBINATION) {
      lamp.put(Zone.NOSE, new Lamp(Set.of(Lamp.Colour.YELLOW), Optional.empty()));
    }
    if (conditions.containsKey(PIH) || conditions.containsKey(MELASMA)) {
      Lamp brown = new Lamp(Set.of(Lamp.Colour.BROWN), Optional.of(Lamp.Pigment.EPIDERMAL));
      lamp.put(Zone.CHEEK_LEFT, brown);
      lamp.put(Zone.CHEEK_RIGHT, brown);
    }
    return lamp;
  }

  private Map<Zone, Map<LookFinding, Integer>> looks() {
    Map<Zone, Map<LookFinding, Integer>> looks = new EnumMap<>(Zone.class);
    int shine = oil == Oil.OILY ? 3 : oil == Oil.COMBINATION ? 2 : 0;
    int flaking = oil == Oil.DRY ? 2 : 0;
    int pores = conditions.getOrDefault(PORES, conditions.getOrDefault(COMEDONES, 1));
    int pigment =
        conditions.getOrDefault(
            PIH, conditions.getOrDefault(MELASMA, conditions.getOrDefault(SUN_DAMAGE, 0)));
    looks.put(
        Zone.FOREHEAD,
        Map.of(LookFinding.SHINE, shine, LookFinding.FLAKING, 0, LookFinding.PORES, pores));
    looks.put(Zone.NOSE, Map.of(LookFinding.SHINE, shine, LookFinding.PORES, pores));
    looks.put(Zone.CHEEK_LEFT, Map.of(LookFinding.FLAKING, flaking, LookFinding.PIGMENT, pigment));
    looks.put(Zone.CHEEK_RIGHT, Map.of(LookFinding.FLAKING, flaking, LookFinding.PIGMENT, pigment));
    looks.put(Zone.CHIN, Map.of(LookFinding.PORES, pores, LookFinding.COMEDONES, pores));
    return looks;
  }
}
