package ivesk.core.treatment.fact;

import ivesk.core.Words;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.Arrays;
import java.util.List;

/// The order on the day, from the door to the armed timer. Common practice.
public enum ReadyStep {
  CHANGED("what changed", "Medicines, sun, hair, cold sore, products, unwell: ask again."),
  CONSENT("consent", "See the signature."),
  GUARDIAN("guardian", "The guardian is here, and stays until the client leaves."),
  PHOTOS("photo before", "Three views, the same light."),
  BRIEFING(
      "briefing",
      "How it will feel and when it peaks; eyes shut; 0 to 10, and honesty helps; a raised hand"
          + " means stop; the fan is theirs."),
  LOOK_1("look 1", "Before anything touches the skin."),
  HAIR_LENSES_GLOVES(
      "hair, lenses, gloves", "Hair back, jewellery and lenses out. Hands washed, two pairs."),
  CLEANSE("cleanse, twice", "Cool or tepid water. No steam, no hot towel."),
  LOOK_2("look 2, lamp", "Magnifier, then lamp."),
  PREP("prep wipe", "Two crossing directions, half a face at a time, dry to the touch."),
  BASELINE("redness baseline", "Friction reddens. Let the flush settle, then take the baseline."),
  GATE_A("answer to the prep", "Ask openly, then wait for the number."),
  BARRIER(
      "barrier",
      "Brows, lash line, eye corners, nostril folds, mouth corners, lips, open spots, and any spot"
          + " that flared."),
  EYES("eyes", "Pads or shields. Lids covered."),
  CLINICIAN("clinician present", "Ticked by the supervising clinician's own sign-in."),
  IN_REACH("in reach", "Everything. You do not leave once acid is on."),
  FAN_TISSUE("fan and tissue", "Fan in one hand, tissue in the other. Blot tears at once.");

  /// What is done in one go.
  public enum Together {
    AT_THE_DOOR,
    /// A consent and a photo are each ticked by themselves.
    CONSENTED,
    PHOTOGRAPHED,
    TOLD,
    CLEANSED,
    PREPPED,
    BASELINE,
    ANSWERED,
    CLINICIAN,
    GUARDED
  }

  private final String label;
  private final String how;

  ReadyStep(String label, String how) {
    this.label = label;
    this.how = how;
  }

  public String label() {
    return label;
  }

  public String how() {
    return how;
  }

  /// With which others it is done in one go.
  public Together together() {
    return switch (this) {
      case CHANGED, GUARDIAN -> Together.AT_THE_DOOR;
      case CONSENT -> Together.CONSENTED;
      case PHOTOS -> Together.PHOTOGRAPHED;
      case BRIEFING -> Together.TOLD;
      case LOOK_1, HAIR_LENSES_GLOVES, CLEANSE, LOOK_2 -> Together.CLEANSED;
      case PREP -> Together.PREPPED;
      case BASELINE -> Together.BASELINE;
      case GATE_A -> Together.ANSWERED;
      case CLINICIAN -> Together.CLINICIAN;
      case BARRIER, EYES, IN_REACH, FAN_TISSUE -> Together.GUARDED;
    };
  }

  /// What this step is called for a plan.
  public String label(TreatmentPlan plan) {
    int cleanses = plan.preparation().cleanses();
    return switch (this) {
      case CLEANSE ->
          switch (cleanses) {
            case 0 -> "no cleanse";
            case 1 -> "cleanse";
            case 2 -> label;
            default -> "cleanse, " + cleanses + " times";
          };
      case PREP -> plan.preparation().degrease().label();
      default -> label;
    };
  }

  /// How this step is done for a plan: by its steps, the region and the limits of the day.
  public String how(TreatmentPlan plan) {
    Preparation ready = plan.preparation();
    return switch (this) {
      case CONSENT -> how + guardian(ready);
      case BRIEFING ->
          (ready.care().contains(Care.Kind.TALK_FIRST) ? "What a peel can and cannot do. " : "")
              + (ready.respects(Comfort.NECK_OR_BACK)
                  ? "A roll under neck and knees; lies down last, sits up first. "
                  : "")
              + (ready.respects(Comfort.HAND_SIGNS) ? "Agree the fingers for the number. " : "")
              + how
              + " "
              + howItEnds(plan);
      case HAIR_LENSES_GLOVES ->
          (ready.care().contains(Care.Kind.LENSES_OUT) ? "Contact lenses out first. " : "")
              + Trolley.cleared(plan.region())
              + " "
              + gloves(ready);
      case CLEANSE -> water(ready.water()) + cold(ready);
      case LOOK_2 ->
          ready.respects(Comfort.BRIGHT_LIGHT)
              ? "Magnifier first; the lamp last and brief, eyes shut."
              : how;
      case GATE_A ->
          ready.respects(Comfort.HAND_SIGNS)
              ? "Show the question, then wait for the fingers."
              : how;
      case PREP -> prep(ready);
      case BARRIER ->
          (onFace(plan.region()) ? how : "Open spots, folds, and any spot that flared.")
              + spots(ready)
              + (onFace(plan.region()) && ready.respects(Comfort.CLOSED_IN)
                  ? " Nose and mouth stay uncovered."
                  : "");
      case EYES ->
          ready
              .eyes()
              .map(act -> Words.capital(act.label()) + ". " + lids(plan) + cold(ready))
              .orElse("Nothing over the eyes here; shut if the light is bright.");
      case FAN_TISSUE ->
          ready.care().contains(Care.Kind.VENTILATE) ? how + " Ventilate the room." : how;
      default -> how;
    };
  }

  private static String spots(Preparation ready) {
    if (!ready.care().contains(Care.Kind.COVER_OPEN_SPOTS)) return "";
    return ready.cover().isEmpty()
        ? " Each open spot."
        : " Open spots: " + Words.list(ready.cover().stream().map(Zone::label).toList()) + ".";
  }

  private static String lids(TreatmentPlan plan) {
    boolean made = plan.formula().label().regions().contains(Region.EYE_CONTOUR);
    return plan.handling().lids() && made
        ? "Lids covered, unless the label says that it is made for lids."
        : "Lids covered.";
  }

  /// What is cold is said first, and felt on the hand before the face.
  private static String cold(Preparation ready) {
    return ready.respects(Comfort.DREADS_COLD)
        ? " “Cold now” first; the back of the hand before the face."
        : "";
  }

  private static boolean onFace(Region region) {
    return region == Region.FACE || region == Region.EYE_CONTOUR;
  }

  private static String guardian(Preparation ready) {
    if (ready.care().contains(Care.Kind.GUARDIAN_PRESENT)) {
      return " The guardian signed too.";
    }
    return ready.care().contains(Care.Kind.GUARDIAN) ? " The guardian's too." : "";
  }

  private static String gloves(Preparation ready) {
    String pairs = ready.glovePairs() == 1 ? "one pair" : "two pairs";
    return ready.care().contains(Care.Kind.GLOVES_WITHOUT_LATEX)
        ? "Hands washed, " + pairs + " without latex."
        : "Hands washed, " + pairs + ".";
  }

  private static String water(Preparation.Water water) {
    return switch (water) {
      case COOL -> "Cool water. No steam, no hot towel.";
      case TEPID -> "Tepid water. No steam, no hot towel.";
      case WARM -> "Warm water raises what the skin takes up: mind it. No steam, no hot towel.";
    };
  }

  private String prep(Preparation ready) {
    return switch (ready.degrease()) {
      case SOLVENT -> how;
      case ACID_PREP ->
          "An acid step: "
              + ready.acidPrep().map(time -> Words.clock(time) + " from the touch, ").orElse("")
              + "then off. Half a face at a time, and ask.";
      case PLAIN ->
          ready.care().contains(Care.Kind.NO_SOLVENT)
              ? "No solvent for this skin: a plain damp wipe, dry to the touch."
              : "A plain damp wipe, dry to the touch.";
      case NONE -> "No prep by the steps; blot until dry to the touch.";
    };
  }

  private static String howItEnds(TreatmentPlan plan) {
    if (plan.neutralised()) return "The neutraliser ends it: a short sting, then relief.";
    return switch (plan.formula().ending()) {
      case FROST_IS_THE_END -> "The frost is the end; cool compresses follow, nothing undoes it.";
      case SELF_LIMITING -> "It ends by itself and stays as it is.";
      case RINSE, DAMP_PADS, COOL_RINSE, COOL_PADS, WIPE_THEN_COOL_RINSE ->
          "Cool water takes it off.";
      case NEUTRALISE, LIFT_THEN_NEUTRALISE, NONE -> "It is lifted off, and cooled.";
    };
  }

  /// Done once for all regions of a visit.
  public boolean forTheVisit() {
    return switch (this) {
      case CHANGED, CONSENT, GUARDIAN, BRIEFING, IN_REACH, FAN_TISSUE, CLINICIAN -> true;
      case PHOTOS,
          LOOK_1,
          HAIR_LENSES_GLOVES,
          CLEANSE,
          LOOK_2,
          PREP,
          BASELINE,
          GATE_A,
          BARRIER,
          EYES ->
          false;
    };
  }

  /// Steps that carry an answer of their own and are not merely ticked.
  public boolean answered() {
    return this == GATE_A || this == BASELINE;
  }

  /// Those that a plan has, in their order.
  public static List<ReadyStep> of(TreatmentPlan plan) {
    return Arrays.stream(values()).filter(step -> step.isIn(plan)).toList();
  }

  private boolean isIn(TreatmentPlan plan) {
    return switch (this) {
      case GUARDIAN -> plan.preparation().care().contains(Care.Kind.GUARDIAN_PRESENT);
      case CLINICIAN -> plan.clinicianPresent();
      default -> true;
    };
  }
}
