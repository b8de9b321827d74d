package ivesk.core.practice;

import ivesk.core.practice.Policies.Choice;
import ivesk.core.practice.Policies.LicenceScope;
import ivesk.core.practice.Policies.Thresholds;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/// Where the schools differ, one question after the other as the table of the trade has them; each
/// answer carries what it changes, the usual one changes nothing. A maker's instruction on a
/// product comes before any of them.
public enum PolicyQuestion {
  DEGREASING(
      "Degreasing",
      usual("usual", "solvent wipe"),
      option("acid", "acid prep lotion", p -> p.with(Choice.DEGREASE_BY_ACID_PREP)),
      option("none", "none", p -> p.with(Choice.NO_DEGREASING))),
  CLEANSE(
      "Cleanse", option("once", "once", p -> p.with(Choice.CLEANSE_ONCE)), usual("twice", "twice")),
  WATER(
      "Water",
      usual("cool", "cool"),
      option("tepid", "tepid", p -> p.with(Choice.TEPID_WATER)),
      option("warm", "warm, with a warning", p -> p.with(Choice.WARM_WATER))),
  THRESHOLDS(
      "Hold and stop lines of sensation",
      option("comfort", "comfort-led 4/6", p -> p.with(Thresholds.COMFORT_LED)),
      usual("balanced", "balanced 5/8"),
      option("endpoint", "endpoint-led 7/9", p -> p.with(Thresholds.ENDPOINT_LED))),
  HYDROXY_ACIDS(
      "Hydroxy acids in one visit",
      usual("usual", "one timed application"),
      option("other", "layers with strength steps", p -> p.with(Choice.STRENGTH_STEPS))),
  SALICYLIC_PASSES(
      "Salicylic 20 %",
      usual("usual", "one pass"),
      option(
          "other",
          "a second pass after one uneventful visit",
          p -> p.with(Choice.SECOND_SALICYLIC_PASS))),
  JESSNER_LAYERS(
      "Jessner layers", usual("4", "up to 4"), option("5", "up to 5", p -> p.withJessnerLayers(5))),
  JESSNER_ENDPOINT(
      "Jessner endpoint",
      usual("usual", "planned layers, even pink or crystals"),
      option("other", "first frost", p -> p.with(Choice.JESSNER_FIRST_FROST))),
  JESSNER_GAP(
      "Gap between Jessner coats",
      option("2", "2 min", p -> p.with(Choice.JESSNER_GAP_2_MIN)),
      usual("3", "3 min")),
  TCA_COATS(
      "TCA coats in a visit",
      usual("3", "up to 3"),
      option("5", "up to 5, clinician present", p -> p.with(Choice.FIVE_TCA_COATS))),
  MORE_ACID(
      "More acid in the same clock, when the feel of a timed AHA falls early",
      usual("off", "off"),
      option("once", "once, inside the clock", p -> p.with(Choice.MORE_ACID_IN_THE_CLOCK))),
  WORKING_IN(
      "Working in: pressing, second strokes",
      usual("never", "never"),
      option("once", "once, on the zone that needs it most", p -> p.with(Choice.WORKED_IN_ONCE))),
  CRYSTALS(
      "Crystals",
      usual("over", "coat over is fine"),
      option("wipe", "wipe first", p -> p.with(Choice.WIPE_CRYSTALS_FIRST))),
  NECK(
      "Neck",
      usual("own", "own run"),
      option(
          "leftover", "leftover onto the upper neck", p -> p.with(Choice.LEFTOVER_ON_UPPER_NECK))),
  LIDS(
      "Eyelids",
      usual("never", "never"),
      option("own", "by a formula made for lids", p -> p.with(Choice.LIDS_BY_THEIR_OWN_FORMULA))),
  BARRIER(
      "Compromised barrier",
      usual("usual", "wait until calm"),
      option("other", "mild lactic, half the time", p -> p.with(Choice.MILD_LACTIC_AT_BARRIER))),
  HANDSET(
      "The client's handset",
      usual("off", "not used"),
      option("on", "a phone or a clicker of the client's", p -> p.with(Choice.CLIENT_HANDSET))),
  REST("Rest after ending", option("0", "0", p -> p.withRestAtMost(0)), usual("1", "1 or less")),
  NEUTRALISER(
      "Neutraliser",
      usual("bicarbonate", "bicarbonate 10 %"),
      option("amino", "amino acid", p -> p.with(Choice.AMINO_ACID_NEUTRALISER)),
      option("water", "water only", p -> p.with(Choice.WATER_NEUTRALISES))),
  MILD_AHA_ENDING(
      "Ending a mild AHA",
      usual("usual", "neutraliser"),
      option("other", "cool water", p -> p.with(Choice.COOL_WATER_ENDS_MILD_AHA))),
  NO_WATER(
      "No water after a self-limiting peel",
      option("3", "3 h", p -> p.withNoWaterHours(3)),
      usual("8", "8 h"),
      option("12", "overnight", p -> p.withNoWaterHours(12))),
  WATER_AFTER_GEL(
      "Water after a gel that was lifted and rinsed",
      usual("once", "at once"),
      option(
          "hours",
          "after the hours of a self-limiting peel",
          p -> p.with(Choice.NO_WATER_AFTER_GEL))),
  MAKE_UP(
      "Make-up after",
      usual("mineral", "mineral only"),
      option("any", "any after 24 h", p -> p.with(Choice.ANY_MAKE_UP_AFTER_24_H))),
  OCCLUSIVE(
      "Occlusive ointment after",
      usual("usual", "first hours no, then semi-occlusive"),
      option("start", "from the start", p -> p.with(Choice.OCCLUSIVE_AT_ONCE)),
      option("never", "never", p -> p.with(Choice.NEVER_OCCLUSIVE))),
  SALICYLIC_RINSE(
      "Salicylic",
      usual("usual", "cool rinse at 5 min"),
      option("left", "left on, by the maker's instruction", p -> p.with(Choice.SALICYLIC_LEFT_ON))),
  DERMAPLANING(
      "Dermaplaning with a peel",
      usual("usual", "not within 7 days"),
      option("other", "paired, adapted", p -> p.with(Choice.PEEL_AFTER_DERMAPLANING))),
  EXTRACTION(
      "Extraction after the peel",
      usual("no", "no"),
      option("yes", "yes", p -> p.with(Choice.EXTRACTION_AFTER_PEEL))),
  RETINOL(
      "Retinol add-on",
      usual("none", "none"),
      option("short", "short contact, 5 to 10 min", p -> p.with(Choice.RETINOL_SHORT_CONTACT)),
      option("hours", "stays the label's hours, else 6", p -> p.with(Choice.RETINOL_LABEL_HOURS))),
  HOME_ACIDS(
      "Home acids again after",
      option("3", "3 days", p -> p.withHomeAcidsAgainDays(3)),
      usual("7", "7 days")),
  HOME_ACIDS_FIRST(
      "Home acids in the first weeks after a first peel",
      usual("none", "none"),
      option(
          "mild",
          "up to 5 % on alternate nights",
          p -> p.with(Choice.MILD_HOME_ACIDS_FIRST_WEEKS))),
  ISOTRETINOIN(
      "Isotretinoin",
      usual("usual", "6 months for all"),
      option(
          "other",
          "consensus: superficial with clearance",
          p -> p.with(Choice.ISOTRETINOIN_BY_CONSENSUS))),
  PREGNANCY(
      "Pregnancy",
      usual("usual", "no peel"),
      option(
          "other",
          "LAC-10, LAC-30 or MAN-20 with clearance",
          p -> p.with(Choice.MILD_PEEL_IN_PREGNANCY))),
  EYES(
      "Eyes",
      usual("pads", "pads"),
      option("shields", "shields", p -> p.with(Choice.EYE_SHIELDS)),
      option("trimmed", "pads trimmed, the under-eye free", p -> p.with(Choice.TRIMMED_EYE_PADS))),
  GLOVES(
      "Gloves",
      option("one", "one pair", p -> p.with(Choice.ONE_PAIR_OF_GLOVES)),
      usual("two", "two pairs")),
  SUNSCREEN(
      "Sunscreen on the day",
      usual("mineral", "mineral"),
      option("any", "any", p -> p.with(Choice.ANY_SUNSCREEN))),
  MASK(
      "Mask after",
      usual("cooling", "cooling"),
      option("setting", "a setting mask that warms", p -> p.with(Choice.SETTING_MASK_MAY_WARM))),
  MASSAGE(
      "Facial massage on treated skin",
      usual("never", "never"),
      option(
          "feather",
          "feather-light, with a calming product",
          p -> p.with(Choice.FEATHER_LIGHT_MASSAGE))),
  INHIBITOR_AFTER(
      "Pigment inhibitor after a peel",
      usual("bland", "after the bland days"),
      option("same", "the same day", p -> p.with(Choice.INHIBITOR_THE_SAME_DAY))),
  PATCH_TEST(
      "Patch test",
      usual("usual", "every new family"),
      option("other", "superficial only", p -> p.with(Choice.PATCH_TEST_SUPERFICIAL_ONLY))),
  INTERVAL(
      "From peel to peel",
      usual("formula", "by formula"),
      option("14", "at least 14 days", p -> p.with(Choice.INTERVAL_14_DAYS)),
      option("28", "at least 28 days", p -> p.with(Choice.INTERVAL_28_DAYS))),
  WITHOUT_RECORD(
      "Adults without any record",
      usual("entry", "the family's entry rung"),
      option("first", "the first rung", p -> p.with(Choice.FIRST_RUNG_WITHOUT_RECORD))),
  COMPOUNDING(
      "Compounding",
      usual("usual", "labels only"),
      option("other", "may dilute and mix", p -> p.with(Choice.MAY_DILUTE_AND_MIX))),
  LICENCE(
      "Licence scope",
      option("very", "very superficial", p -> p.with(LicenceScope.VERY_SUPERFICIAL)),
      usual("superficial", "very superficial and superficial"),
      option(
          "medium", "medium too, under supervision", p -> p.with(LicenceScope.MEDIUM_SUPERVISED)));

  /// @param id as it is kept
  /// @param change of the usual policies
  /// @param usual the default
  public record PolicyOption(
      String id, String label, UnaryOperator<Policies> change, boolean usual) {}

  private final String label;
  private final List<PolicyOption> options;

  PolicyQuestion(String label, PolicyOption... options) {
    this.label = label;
    this.options = List.of(options);
  }

  private static PolicyOption usual(String id, String label) {
    return new PolicyOption(id, label, UnaryOperator.identity(), true);
  }

  private static PolicyOption option(String id, String label, UnaryOperator<Policies> change) {
    return new PolicyOption(id, label, change, false);
  }

  public String label() {
    return label;
  }

  /// The default answer.
  public String usual() {
    return options.stream().filter(PolicyOption::usual).findFirst().orElseThrow().id();
  }

  public List<PolicyOption> options() {
    return options;
  }

  /// @throws IllegalArgumentException for an answer that the question does not have
  public PolicyOption option(String id) {
    return options.stream()
        .filter(option -> option.id().equals(id))
        .findFirst()
        .orElseThrow(() ->
            new IllegalArgumentException(
                label
                    + " is '"
                    + id
                    + "'; allowed is "
                    + options.stream().map(PolicyOption::id).toList()));
  }

  /// The usual policies but for what was answered otherwise.
  ///
  /// @throws IllegalArgumentException for an answer that its question does not have
  public static Policies policies(Map<PolicyQuestion, String> answers) {
    Policies policies = Policies.defaults();
    for (PolicyQuestion question : values()) {
      String answer = answers.getOrDefault(question, question.usual());
      policies = question.option(answer).change().apply(policies);
    }
    return policies;
  }
}
