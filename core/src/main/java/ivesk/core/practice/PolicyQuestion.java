package ivesk.core.practice;

import ivesk.core.practice.Policies.Choice;
import ivesk.core.practice.Policies.LicenceScope;
import ivesk.core.practice.Policies.Thresholds;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;

/// Where the schools differ, one question after the other as the table of the trade has them, with
/// the usual answer first or marked. A maker's instruction on a product comes before any of them.
public enum PolicyQuestion {
  THRESHOLDS(
      "Hold and stop lines of sensation",
      "balanced",
      List.of(
          option("comfort", "comfort-led 4/6"),
          option("balanced", "balanced 5/8"),
          option("endpoint", "endpoint-led 7/9")),
      (policies, id) ->
          policies.with(
              switch (id) {
                case "comfort" -> Thresholds.COMFORT_LED;
                case "endpoint" -> Thresholds.ENDPOINT_LED;
                default -> Thresholds.BALANCED;
              })),
  HYDROXY_ACIDS(
      "Hydroxy acids in one visit",
      Choice.STRENGTH_STEPS,
      "one timed application",
      "layers with strength steps"),
  SALICYLIC_PASSES(
      "Salicylic 20 %",
      Choice.SECOND_SALICYLIC_PASS, "one pass", "a second pass after one uneventful visit"),
  JESSNER_LAYERS(
      "Jessner layers",
      "4",
      List.of(option("4", "up to 4"), option("5", "up to 5")),
      (policies, id) -> policies.withJessnerLayers(Integer.parseInt(id))),
  JESSNER_ENDPOINT(
      "Jessner endpoint",
      Choice.JESSNER_FIRST_FROST,
      "planned layers, even pink or crystals",
      "first frost"),
  BARRIER(
      "Compromised barrier",
      Choice.MILD_LACTIC_AT_BARRIER,
      "wait until calm",
      "mild lactic, half the time"),
  REST(
      "Rest after ending",
      "1",
      List.of(option("0", "0"), option("1", "1 or less")),
      (policies, id) -> policies.withRestAtMost(Integer.parseInt(id))),
  MILD_AHA_ENDING(
      "Ending a mild AHA", Choice.COOL_WATER_ENDS_MILD_AHA, "neutraliser", "cool water"),
  NO_WATER(
      "No water after a self-limiting peel",
      "8",
      List.of(option("3", "3 h"), option("8", "8 h"), option("12", "overnight")),
      (policies, id) -> policies.withNoWaterHours(Integer.parseInt(id))),
  DERMAPLANING(
      "Dermaplaning with a peel",
      Choice.PEEL_AFTER_DERMAPLANING,
      "not within 7 days",
      "paired, adapted"),
  RETINOL(
      "Retinol add-on",
      "none",
      List.of(
          option("none", "none"),
          option("short", "short contact, 5 to 10 min"),
          option("hours", "stays the label's hours, else 6")),
      (policies, id) ->
          switch (id) {
            case "short" -> policies.with(Choice.RETINOL_SHORT_CONTACT);
            case "hours" -> policies.with(Choice.RETINOL_LABEL_HOURS);
            default -> policies;
          }),
  HOME_ACIDS(
      "Home acids again after",
      "7",
      List.of(option("3", "3 days"), option("7", "7 days")),
      (policies, id) -> policies.withHomeAcidsAgainDays(Integer.parseInt(id))),
  ISOTRETINOIN(
      "Isotretinoin",
      Choice.ISOTRETINOIN_BY_CONSENSUS,
      "6 months for all",
      "consensus: superficial with clearance"),
  PREGNANCY(
      "Pregnancy",
      Choice.MILD_PEEL_IN_PREGNANCY,
      "no peel",
      "LAC-10, LAC-30 or MAN-20 with clearance"),
  PATCH_TEST(
      "Patch test", Choice.PATCH_TEST_SUPERFICIAL_ONLY, "every new family", "superficial only"),
  COMPOUNDING("Compounding", Choice.MAY_DILUTE_AND_MIX, "labels only", "may dilute and mix"),
  LICENCE(
      "Licence scope",
      "superficial",
      List.of(
          option("very", "very superficial"),
          option("superficial", "very superficial and superficial"),
          option("medium", "medium too, under supervision")),
      (policies, id) ->
          policies.with(
              switch (id) {
                case "very" -> LicenceScope.VERY_SUPERFICIAL;
                case "medium" -> LicenceScope.MEDIUM_SUPERVISED;
                default -> LicenceScope.SUPERFICIAL;
              }));

  public record PolicyOption(String id, String label) {}

  private final String label;
  private final String usual;
  private final List<PolicyOption> options;
  private final BiFunction<Policies, String, Policies> set;

  PolicyQuestion(
      String label,
      String usual,
      List<PolicyOption> options,
      BiFunction<Policies, String, Policies> set) {
    this.label = label;
    this.usual = usual;
    this.options = options;
    this.set = set;
  }

  PolicyQuestion(String label, Choice choice, String usualWords, String otherWords) {
    this(
        label,
        "usual",
        List.of(option("usual", usualWords), option("other", otherWords)),
        (policies, id) -> id.equals("other") ? policies.with(choice) : policies);
  }

  private static PolicyOption option(String id, String label) {
    return new PolicyOption(id, label);
  }

  public String label() {
    return label;
  }

  /// The default.
  public String usual() {
    return usual;
  }

  public List<PolicyOption> options() {
    return options;
  }

  /// @throws IllegalArgumentException for an answer that the question does not have
  public void check(String id) {
    if (options.stream().noneMatch(option -> option.id().equals(id))) {
      throw new IllegalArgumentException(
          label
              + " is '"
              + id
              + "'; allowed is "
              + options.stream().map(PolicyOption::id).toList());
    }
  }

  /// The usual policies but for what was answered otherwise.
  public static Policies policies(Map<PolicyQuestion, String> answers) {
    Policies policies = Policies.defaults();
    for (PolicyQuestion question : values()) {
      policies = question.set.apply(policies, answers.getOrDefault(question, question.usual));
    }
    return policies;
  }
}
