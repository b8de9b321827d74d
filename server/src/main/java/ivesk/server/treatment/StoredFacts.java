package ivesk.server.treatment;

import ivesk.core.plan.compose.Handling;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.TakeOff;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.Row;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceDeclined;
import ivesk.core.treatment.fact.TreatmentEvent.AdviceTaken;
import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStarted;
import ivesk.core.treatment.fact.TreatmentEvent.EndingStepDone;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import ivesk.server.formula.StoredFormula;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// How the facts of a treatment are kept: each by the name of its record, in a version of its own.
/// Only ids, numbers and what somebody wrote are kept, never words of Ivesk's own.
@Component
final class StoredFacts {

  /// The plan in the opening fact is in a shape of its own.
  record StoredOpening(StoredPlan plan) {}

  private static final Shape<StoredOpening> OPENED =
      Shape.of(
          "Opened",
          StoredOpening.class,
          StoredFacts::labelled,
          StoredFacts::takenOffByFormula,
          StoredFacts::readiedAsUsual,
          StoredFacts::handledAsUsual,
          StoredFacts::alone);

  /// So is that of a change at gate A.
  record StoredChange(GateA choice, StoredPlan plan) {}

  private static final Shape<StoredChange> CHANGED =
      Shape.of("PlanChanged", StoredChange.class, Upcaster.SAME, StoredFacts::alone);

  /// As the ending was worded before its steps had ids.
  private static final Map<String, String> WORDS_OF_STEPS =
      Map.ofEntries(
          before("Say it first: a short sting is normal", EndingStep.SAY_STING),
          before("Blot the excess", EndingStep.BLOT),
          before(
              "Neutraliser on hot spots first, then in the order applied, from each zone's edge",
              EndingStep.NEUTRALISE),
          before("Repeat until no fizz", EndingStep.REPEAT_TO_NO_FIZZ),
          before("Rinse cool", EndingStep.RINSE_COOL),
          before(
              "Lift the gel with dry gauze, light strokes away from centre and eyes",
              EndingStep.LIFT_GEL),
          before(
              "Neutraliser on hot spots first, then in the order applied",
              EndingStep.NEUTRALISE_LIFTED),
          before("Press hot spots again, repeat until no fizz", EndingStep.PRESS_HOT_SPOTS),
          before("Wipe the paste off with dry gauze", EndingStep.WIPE_PASTE),
          before("Cool rinse, a clean face of the pad for each stroke", EndingStep.COOL_RINSE),
          before("Fan until it falls", EndingStep.FAN),
          before(
              "Lids stay closed: cool damp pads, outwards from the nose",
              EndingStep.PADS_FROM_THE_NOSE),
          before("A fresh pad each stroke", EndingStep.FRESH_PADS),
          before("Cool water, a clean face of the pad for each stroke", EndingStep.COOL_WATER),
          before("Pat dry", EndingStep.PAT_DRY),
          before("Wipe, then cool rinse with mild cleanser", EndingStep.WIPE_THEN_RINSE),
          before("Fan, cool wet compress", EndingStep.FAN_AND_COMPRESS),
          before(
              "What has been absorbed runs its course: say so", EndingStep.SAY_IT_RUNS_ITS_COURSE),
          before("Leave it as it is; loose crystals may be dusted off", EndingStep.LEAVE_AS_IT_IS),
          before("Cold wet compresses, changed often; no ice on skin", EndingStep.COLD_COMPRESSES),
          before(
              "They dilute what is left and undo nothing: say so",
              EndingStep.SAY_IT_UNDOES_NOTHING));

  private static final Map<String, String> WORDS_OF_PRODUCTS =
      Map.ofEntries(
          Map.entry("Calming serum, pressed in", "CALMING_SERUM"),
          Map.entry("Bland cream", "BLAND_CREAM"),
          Map.entry("Eye and lip care", "EYE_AND_LIP_CARE"),
          Map.entry("Mineral sunscreen 50", "MINERAL_SUNSCREEN"));

  /// Products that went on calm skin, before they were steps.
  private static final Shape<CareDone> PRODUCTS =
      Shape.of(
          "ProductApplied",
          CareDone.class,
          kept -> renamed(kept, "product", WORDS_OF_PRODUCTS),
          StoredFacts::productAsStep);

  /// Facts that were kept otherwise before versions were counted: rows as numbers, steps and
  /// products as the words of that time.
  private static final Map<Class<? extends Fact>, Upcaster> FIRST =
      Map.of(
          AdviceTaken.class, StoredFacts::rowAsId,
          AdviceDeclined.class, StoredFacts::rowAsId,
          EndingStarted.class, StoredFacts::rowAsId,
          EndingStepDone.class, kept -> renamed(kept, "step", WORDS_OF_STEPS));

  /// Facts that were kept otherwise in version 1: a swab that answered for every zone.
  private static final Map<Class<? extends Fact>, Upcaster> SECOND =
      Map.of(WipeTested.class, StoredFacts::wipedEverywhere);

  private static final Map<String, Shape<?>> SHAPES = StorageMapper.byType(shapes());

  private final StorageMapper storage;

  StoredFacts(StorageMapper storage) {
    this.storage = storage;
  }

  byte[] write(Fact fact) {
    return switch (fact) {
      case Opened(var plan) -> storage.write(OPENED, new StoredOpening(StoredPlan.of(plan)));
      case PlanChanged(var choice, var plan) ->
          storage.write(CHANGED, new StoredChange(choice, StoredPlan.of(plan)));
      default -> write(SHAPES.get(fact.getClass().getSimpleName()), fact);
    };
  }

  private <T> byte[] write(Shape<T> shape, Fact fact) {
    return storage.write(shape, shape.shape().cast(fact));
  }

  /// @throws StorageMapper.Unreadable for a type or version that this Ivesk does not know
  Fact read(byte[] kept) {
    Object read = storage.read(kept, SHAPES);
    return switch (read) {
      case StoredOpening(var plan) -> new Opened(plan.plan());
      case StoredChange(var choice, var plan) -> new PlanChanged(choice, plan.plan());
      default -> (Fact) read;
    };
  }

  /// Every kind of fact there is.
  static List<Class<?>> kinds() {
    return permitted(Fact.class).toList();
  }

  /// In which version a kind of fact is kept.
  static int version(String kind) {
    return SHAPES.get(kind).version();
  }

  private static Stream<Class<?>> permitted(Class<?> sealed) {
    return Arrays.stream(sealed.getPermittedSubclasses())
        .flatMap(kind -> kind.isSealed() ? permitted(kind) : Stream.of(kind));
  }

  private static List<Shape<?>> shapes() {
    List<Shape<?>> shapes = new ArrayList<>(List.of(OPENED, CHANGED, PRODUCTS));
    for (Class<?> kind : kinds()) {
      if (kind != Opened.class && kind != PlanChanged.class) {
        Upcaster first = FIRST.getOrDefault(kind, Upcaster.SAME);
        shapes.add(
            SECOND.containsKey(kind)
                ? Shape.of(kind.getSimpleName(), kind, first, SECOND.get(kind))
                : Shape.of(kind.getSimpleName(), kind, first));
      }
    }
    return shapes;
  }

  private static Map.Entry<String, String> before(String words, Enum<?> id) {
    return Map.entry(words, id.name());
  }

  private static ObjectNode labelled(ObjectNode kept) {
    ObjectNode plan = (ObjectNode) kept.get("plan");
    StoredFormula.addLabel((ObjectNode) plan.get("formula"));
    if (plan.get("nextRung") instanceof ObjectNode next) StoredFormula.addLabel(next);
    return kept;
  }

  private static ObjectNode takenOffByFormula(ObjectNode kept) {
    ((ObjectNode) kept.get("plan")).put("takeOff", TakeOff.BY_FORMULA.name());
    return kept;
  }

  /// Before the steps said how the skin was readied, it was as usual, or without solvent.
  private static ObjectNode readiedAsUsual(ObjectNode kept) {
    ObjectNode plan = (ObjectNode) kept.get("plan");
    boolean solvent = plan.remove("solventAllowed").asBoolean(true);
    ObjectNode ready = plan.putObject("preparation");
    ready.put("cleanses", 2);
    ready.put(
        "degrease", (solvent ? Preparation.Degrease.SOLVENT : Preparation.Degrease.PLAIN).name());
    ready.put("eyes", Act.EYE_PADS.name());
    ready.put("water", Preparation.Water.COOL.name());
    ready.put("glovePairs", 2);
    ready.putArray("care");
    return kept;
  }

  /// Before the practice's choices on handling stood in it, they were the usual ones.
  private static ObjectNode handledAsUsual(ObjectNode kept) {
    ObjectNode plan = (ObjectNode) kept.get("plan");
    ObjectNode ready = (ObjectNode) plan.get("preparation");
    ready.putArray("cover");
    ready.putArray("comfort");
    ObjectNode handling = plan.putObject("handling");
    handling.put("jessnerGap", Handling.USUAL.jessnerGap().toString());
    handling.put("crystalsWiped", false);
    handling.put("moreInTheClock", false);
    handling.put("workedIn", false);
    handling.put("lids", false);
    return kept;
  }

  /// Before a visit had stages on the couch, each was the only one, all zones came off together,
  /// and no client had a handset.
  private static ObjectNode alone(ObjectNode kept) {
    ObjectNode plan = (ObjectNode) kept.get("plan");
    ((ObjectNode) plan.get("handling")).put("handset", false);
    plan.putObject("earlier");
    ObjectNode staging = plan.putObject("staging");
    staging.put("number", 1).put("of", 1).putArray("after");
    return kept;
  }

  private static ObjectNode productAsStep(ObjectNode kept) {
    kept.set("step", kept.remove("product"));
    return kept;
  }

  private static ObjectNode wipedEverywhere(ObjectNode kept) {
    ArrayNode zones = kept.putArray("zones");
    for (Zone zone : Zone.values()) zones.add(zone.name());
    return kept;
  }

  private static ObjectNode rowAsId(ObjectNode kept) {
    int number = kept.path("row").asInt(0);
    // An END that no row had brought was kept without one, or as 0.
    kept.remove("row");
    if (number > 0) kept.put("row", Row.values()[number - 1].name());
    return kept;
  }

  private static ObjectNode renamed(ObjectNode kept, String field, Map<String, String> ids) {
    String words = kept.path(field).asString();
    return kept.put(field, ids.getOrDefault(words, words));
  }
}
