package ivesk.core.screening;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/// A question of the screening, with its answers. An answer may need a date. No answer is "not
/// asked" and counts as "ask first".
public enum Question {
  PREGNANT(Group.BODY_NOW, "Pregnant, or could be", no(), yes()),
  BREASTFEEDING(Group.BODY_NOW, "Breastfeeding", no(), yes()),
  UNWELL(Group.BODY_NOW, "Fever or unwell today", no(), yes()),
  COLD_SORE_NOW(
      Group.BODY_NOW,
      "Cold sore on the face",
      no(),
      option("now", "now"),
      dated("healed", "healed", "healed on")),
  OPEN_SPOTS(
      Group.BODY_NOW,
      "Open spots or cuts on the face",
      option("none", "none"),
      option("few", "a few"),
      option("many", "many")),
  SUN(
      Group.BODY_NOW,
      "Sunburn, strong sun or sunbed lately",
      no(),
      dated("sun", "sun", "last sun"),
      dated("burnt", "burnt now", "burnt on")),
  SUN_PLANNED(
      Group.BODY_NOW,
      "Strong sun planned in the weeks after",
      no(),
      dated("planned", "yes", "starts on")),
  ROSACEA_FLARE(Group.BODY_NOW, "Rosacea in a flare now", no(), yes()),
  FLAKING(Group.BODY_NOW, "Still flaking from the last peel", no(), yes()),
  ISOTRETINOIN(
      Group.MEDICINES,
      "Isotretinoin by mouth",
      option("never", "never"),
      dated("stopped", "stopped", "stopped on"),
      option("taking", "taking")),
  RETINOID(
      Group.MEDICINES,
      "Retinoid on the face",
      option("none", "none"),
      dated("retinol", "retinol", "last used"),
      dated("prescribed", "prescribed", "last used")),
  HOME_ACID(
      Group.MEDICINES,
      "Home acid, scrub or benzoyl peroxide",
      option("none", "none"),
      dated("used", "used", "last used")),
  INHIBITOR(
      Group.MEDICINES,
      "Tyrosinase inhibitor, daily",
      option("none", "none"),
      dated("since", "since", "started on")),
  HAIR(
      Group.DONE_LATELY,
      "Wax, thread or depilatory on the face",
      option("none", "none"),
      dated("done", "done", "done on")),
  COLD_SORES_EVER(
      Group.HISTORY,
      "Cold sores before",
      option("never", "never"),
      option("some", "up to 2 a year"),
      option("often", "3 or more a year")),
  PIH_EVER(Group.HISTORY, "Dark marks after spots or cuts, ever", no(), yes()),
  SALICYLATE_ALLERGY(Group.HISTORY, "Allergy to aspirin or salicylates", no(), yes()),
  RESORCINOL_RISK(Group.HISTORY, "Resorcinol allergy, thyroid, heart rhythm, G6PD", no(), yes()),
  FRUIT_ALLERGY(Group.HISTORY, "Allergy to papaya, pineapple, pumpkin", no(), yes()),
  ASTHMA(Group.HISTORY, "Asthma, or strong reaction to fumes", no(), yes());

  /// Where a question stands on the screen.
  public enum Group {
    BODY_NOW("The body now"),
    MEDICINES("Medicines and products"),
    DONE_LATELY("Done to the skin lately"),
    HISTORY("History");

    private final String label;

    Group(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// One answer that may be given.
  ///
  /// @param dateLabel what the date that it needs is of; empty when it needs none
  public record Option(String id, String label, Optional<String> dateLabel) {}

  /// An answer that was given.
  ///
  /// @param on the date that its option asks for
  public record Answer(String choice, Optional<LocalDate> on) {
    public static Answer of(String choice) {
      return new Answer(choice, Optional.empty());
    }

    public static Answer on(String choice, LocalDate date) {
      return new Answer(choice, Optional.of(date));
    }
  }

  private final Group group;
  private final String text;
  private final List<Option> options;

  Question(Group group, String text, Option... options) {
    this.group = group;
    this.text = text;
    this.options = List.of(options);
  }

  public Group group() {
    return group;
  }

  public String text() {
    return text;
  }

  public List<Option> options() {
    return options;
  }

  /// The option that an answer names.
  ///
  /// @throws IllegalArgumentException for a choice that the question does not have, a missing date,
  ///   or a date that lies on the wrong side of `today`
  public Option check(Answer answer, LocalDate today) {
    Option option =
        options.stream()
            .filter(o -> o.id().equals(answer.choice()))
            .findFirst()
            .orElseThrow(() ->
                new IllegalArgumentException(
                    "answer '" + answer.choice() + "' does not belong to: " + text));
    if (option.dateLabel().isPresent() && answer.on().isPresent()) {
      LocalDate on = answer.on().get();
      if (this == SUN_PLANNED ? on.isBefore(today) : on.isAfter(today)) {
        throw new IllegalArgumentException(
            option.dateLabel().get()
                + " is "
                + on
                + "; it must not lie "
                + (this == SUN_PLANNED ? "before" : "after")
                + " today, "
                + today);
      }
      if (on.isBefore(today.minusYears(100)) || on.isAfter(today.plusYears(5))) {
        throw new IllegalArgumentException(
            option.dateLabel().get() + " is " + on + "; please check the year");
      }
    }
    return option;
  }

  private static Option no() {
    return option("no", "no");
  }

  private static Option yes() {
    return option("yes", "yes");
  }

  private static Option option(String id, String label) {
    return new Option(id, label, Optional.empty());
  }

  private static Option dated(String id, String label, String dateLabel) {
    return new Option(id, label, Optional.of(dateLabel));
  }
}
