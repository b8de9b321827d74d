package ivesk.core.screening.question;

import ivesk.core.formula.Family;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// A question of the screening, with its answers from the harmless to the grave. An answer may need
/// a date, zones or families. No answer is "not asked" and counts as "ask first".
public enum Question {
  PREGNANT(Group.BODY_NOW, "Pregnant, or could be", no(), yes()),
  BREASTFEEDING(Group.BODY_NOW, "Breastfeeding", no(), yes()),
  UNWELL(Group.BODY_NOW, "Fever or unwell today", no(), yes()),
  FEVER_LATELY(
      Group.BODY_NOW, "Flu, chickenpox or fever in the last weeks", no(), dated("had", "over on")),
  COLD_SORE_NOW(
      Group.BODY_NOW,
      "Cold sore on the face",
      no(),
      dated("healed", "healed on"),
      option("now", "now")),
  OPEN_SPOTS(
      Group.BODY_NOW,
      "Open spots or cuts on the area",
      option("none", "none"),
      option("few", "a few"),
      option("many", "many")),
  NODULES(Group.BODY_NOW, "Nodules or cysts", no(), yes()),
  INFECTION(Group.BODY_NOW, "Skin infection: bacterial, viral, fungal", no(), yes()),
  DERMATITIS(
      Group.BODY_NOW,
      "Eczema, dermatitis or psoriasis on the area",
      option("never", "never"),
      option("before", "before"),
      option("now", "now")),
  MARK(
      Group.BODY_NOW,
      "Mark that is undiagnosed, changes or bleeds; rough sun spot, skin cancer",
      no(),
      zoned("seen", "yes")),
  SUN(
      Group.BODY_NOW,
      "Sunburn, strong sun or sunbed lately",
      no(),
      dated("sun", "last sun"),
      dated("burnt", "burnt now", "burnt on")),
  SUN_PLANNED(
      Group.BODY_NOW,
      "Strong sun planned in the weeks after",
      no(),
      new Option("planned", "yes", Optional.of("from"), Optional.of("to"), Needs.NOTHING)),
  ROSACEA_FLARE(Group.BODY_NOW, "Rosacea in a flare now", no(), yes()),
  FLAKING(Group.BODY_NOW, "Still flaking from the last peel", no(), yes()),
  ISOTRETINOIN(
      Group.MEDICINES,
      "Isotretinoin by mouth",
      option("never", "never"),
      dated("stopped", "stopped on"),
      option("taking", "taking")),
  RETINOID(
      Group.MEDICINES,
      "Prescribed retinoid on the area",
      option("none", "none"),
      dated("used", "last used")),
  RETINOL(
      Group.MEDICINES, "Retinol on the area", option("none", "none"), dated("used", "last used")),
  HOME_ACID(
      Group.MEDICINES,
      "Home acid, scrub or benzoyl peroxide",
      option("none", "none"),
      dated("used", "last used")),
  TOPICAL_CYTOSTATIC(
      Group.MEDICINES,
      "Fluorouracil or imiquimod cream",
      option("none", "none"),
      dated("used", "last used")),
  TOPICAL_STEROID(Group.MEDICINES, "Steroid cream on the area, for long", no(), yes()),
  INHIBITOR(
      Group.MEDICINES,
      "Tyrosinase inhibitor, daily",
      dated("since", "started on"),
      option("none", "none")),
  PHOTOSENSITISING(
      Group.MEDICINES,
      "Tetracycline, thiazide, amiodarone, St John's wort or the like",
      no(),
      yes()),
  BLOOD_THINNER(Group.MEDICINES, "Blood thinner, or bleeding disorder", no(), yes()),
  IMMUNE(
      Group.MEDICINES,
      "Immune suppression or chemotherapy",
      no(),
      dated("chemo", "chemo ended", "ended on"),
      option("now", "now")),
  HAIR(
      Group.DONE_LATELY,
      "Wax, sugar, thread, depilatory, electrolysis on the area",
      option("none", "none"),
      dated("done", "done on")),
  SHAVE(
      Group.DONE_LATELY,
      "Razor shave on the area; an evening's counts as the next day",
      option("none", "none"),
      dated("done", "done on")),
  DERMAPLANING(Group.DONE_LATELY, "Dermaplaning", option("none", "none"), dated("done", "done on")),
  ABRASION(
      Group.DONE_LATELY,
      "Microdermabrasion or brush treatment",
      option("none", "none"),
      dated("done", "done on")),
  ENERGY(
      Group.DONE_LATELY,
      "Laser, IPL, needling, radiofrequency",
      option("none", "none"),
      dated("done", "done on")),
  ABLATIVE_LASER(
      Group.DONE_LATELY, "Ablative laser", option("none", "none"), dated("done", "done on")),
  TOXIN(Group.DONE_LATELY, "Botulinum toxin", option("none", "none"), dated("done", "injected on")),
  FILLER(Group.DONE_LATELY, "Filler", option("none", "none"), dated("done", "injected on")),
  FACE_SURGERY(
      Group.DONE_LATELY, "Surgery of the face", option("none", "none"), dated("done", "done on")),
  EYE_SURGERY(
      Group.DONE_LATELY, "Surgery of an eye", option("none", "none"), dated("done", "done on")),
  PERMANENT_MAKE_UP(
      Group.DONE_LATELY,
      "Permanent make-up or tattoo on the area",
      option("none", "none"),
      new Option("done", "done", Optional.of("done on"), Optional.empty(), Needs.ZONES)),
  COLD_SORES_EVER(
      Group.HISTORY,
      "Cold sores before",
      option("never", "never"),
      option("some", "up to 2 a year"),
      option("often", "3 or more a year")),
  PIH_EVER(Group.HISTORY, "Dark marks after spots or cuts, ever", no(), yes()),
  KELOID(Group.HISTORY, "Keloid or raised scars before", no(), yes()),
  SKIN_TEARS(Group.HISTORY, "Skin that tears", no(), yes()),
  REACTION(
      Group.HISTORY,
      "Bad reaction to a peel, or allergy to its acid",
      option("none", "none"),
      named("reacted", "reacted"),
      named("scarred", "with scars")),
  PEELS_ELSEWHERE(
      Group.HISTORY,
      "Peels done elsewhere: each with its date and how it went",
      option("none", "none"),
      option("had", "yes, entered")),
  SALICYLATE_ALLERGY(Group.HISTORY, "Allergy to aspirin or salicylates", no(), yes()),
  RESORCINOL_RISK(Group.HISTORY, "Resorcinol allergy, thyroid, heart rhythm, G6PD", no(), yes()),
  FRUIT_ALLERGY(Group.HISTORY, "Allergy to papaya, pineapple, fig, pumpkin", no(), yes()),
  LATEX_ALLERGY(Group.HISTORY, "Allergy to latex; then ask of fruit as well", no(), yes()),
  LIDOCAINE_ALLERGY(Group.HISTORY, "Allergy to lidocaine", no(), yes()),
  ASTHMA(Group.HISTORY, "Asthma, or strong reaction to fumes", no(), yes()),
  DIABETES(
      Group.HISTORY,
      "Diabetes",
      no(),
      option("controlled", "controlled"),
      option("unknown", "control unknown"),
      option("uncontrolled", "uncontrolled")),
  ORGAN(
      Group.HISTORY,
      "Significant heart, kidney or liver disease",
      no(),
      option("heart", "heart"),
      option("kidney", "kidney or liver")),
  AUTOIMMUNE(Group.HISTORY, "Lupus, scleroderma, vitiligo on the area", no(), yes()),
  RADIOTHERAPY(Group.HISTORY, "Radiotherapy to the area, ever", no(), yes()),
  IMPLANT(Group.HISTORY, "Pacemaker, implant, epilepsy, metal in the area", no(), yes()),
  SMOKER(Group.HISTORY, "Smokes", no(), yes()),
  PICKING(Group.COMFORT, "Picks at the skin, or expects what a peel cannot do", no(), yes()),
  CONTACT_LENSES(Group.COMFORT, "Contact lenses", no(), yes());

  /// Where a question stands on the screen.
  public enum Group {
    BODY_NOW("The body now", true),
    MEDICINES("Medicines and products", true),
    DONE_LATELY("Done to the skin lately", true),
    HISTORY("History", false),
    COMFORT("Comfort and wishes", false);

    private final String label;
    private final boolean changes;

    Group(String label, boolean changes) {
      this.label = label;
      this.changes = changes;
    }

    public String label() {
      return label;
    }

    /// Its answers go stale: they are asked again on the day of each peel.
    public boolean changes() {
      return changes;
    }
  }

  /// What an answer names besides a date.
  public enum Needs {
    NOTHING,
    ZONES,
    FAMILIES
  }

  /// One answer that may be given.
  ///
  /// @param dateLabel what the date that it needs is of; empty when it needs none
  /// @param untilLabel what the second date is of, where it needs a span
  public record Option(
      String id,
      String label,
      Optional<String> dateLabel,
      Optional<String> untilLabel,
      Needs needs) {}

  /// An answer that was given.
  ///
  /// @param on the date that its option asks for
  /// @param until the last day of the span, where its option asks for one
  /// @param zones where, for an option that asks where
  /// @param families which, for an option that asks which
  public record Answer(
      String choice,
      Optional<LocalDate> on,
      Optional<LocalDate> until,
      Set<Zone> zones,
      Set<Family> families) {
    public Answer {
      zones = Set.copyOf(zones);
      families = Set.copyOf(families);
    }

    public static Answer of(String choice) {
      return new Answer(choice, Optional.empty(), Optional.empty(), Set.of(), Set.of());
    }

    public static Answer on(String choice, LocalDate date) {
      return new Answer(choice, Optional.of(date), Optional.empty(), Set.of(), Set.of());
    }

    public static Answer between(String choice, LocalDate from, LocalDate to) {
      return new Answer(choice, Optional.of(from), Optional.of(to), Set.of(), Set.of());
    }

    public static Answer at(String choice, Zone... zones) {
      return new Answer(choice, Optional.empty(), Optional.empty(), Set.of(zones), Set.of());
    }

    public static Answer to(String choice, Family... families) {
      return new Answer(choice, Optional.empty(), Optional.empty(), Set.of(), Set.of(families));
    }

    public Answer at(Set<Zone> where) {
      return new Answer(choice, on, until, where, families);
    }

    /// Nothing that its option asks for is missing.
    public boolean whole(Option option) {
      return (option.dateLabel().isEmpty() || on.isPresent())
          && (option.untilLabel().isEmpty() || until.isPresent())
          && switch (option.needs()) {
            case NOTHING -> true;
            case ZONES -> !zones.isEmpty();
            case FAMILIES -> !families.isEmpty();
          };
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

  /// From the harmless answer to the grave one.
  public List<Option> options() {
    return options;
  }

  /// The answer that changes nothing, where it needs neither date nor place.
  public Answer harmless() {
    return Answer.of(
        options.stream()
            .filter(option -> option.dateLabel().isEmpty() && option.needs() == Needs.NOTHING)
            .findFirst()
            .orElseThrow()
            .id());
  }

  /// @throws IllegalArgumentException for a choice that the question does not have
  public Option requireOption(String id) {
    return option(id)
        .orElseThrow(
            () -> new IllegalArgumentException("answer '" + id + "' does not belong to: " + text));
  }

  public Optional<Option> option(String id) {
    return options.stream().filter(option -> option.id().equals(id)).findFirst();
  }

  /// The option that an answer names.
  ///
  /// @param today the last day that may lie in the past of this answer
  /// @throws IllegalArgumentException for a choice that the question does not have, or a date that
  ///   lies on the wrong side of `today`
  public Option check(Answer answer, LocalDate today) {
    Option option = requireOption(answer.choice());
    if (option.dateLabel().isEmpty() || answer.on().isEmpty()) return option;
    LocalDate on = answer.on().get();
    if (answer.until().filter(on::isAfter).isPresent()) {
      throw new IllegalArgumentException(
          text
              + ", "
              + option.untilLabel().orElse("to")
              + " "
              + answer.until().get()
              + ": it must not lie before "
              + on
              + ". The answer before it is kept; give the dates again");
    }
    if (this == SUN_PLANNED ? on.isBefore(today) : on.isAfter(today)) {
      throw new IllegalArgumentException(
          text
              + ", "
              + option.dateLabel().get()
              + " "
              + on
              + ": it must not lie "
              + (this == SUN_PLANNED ? "before " : "after ")
              + today
              + ". The answer before it is kept; give the date again");
    }
    if (on.isBefore(today.minusYears(100)) || on.isAfter(today.plusYears(5))) {
      throw new IllegalArgumentException(
          text
              + ", "
              + option.dateLabel().get()
              + " "
              + on
              + ": please check the year. The answer before it is kept");
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
    return new Option(id, label, Optional.empty(), Optional.empty(), Needs.NOTHING);
  }

  private static Option dated(String id, String dateLabel) {
    return dated(id, id, dateLabel);
  }

  private static Option dated(String id, String label, String dateLabel) {
    return new Option(id, label, Optional.of(dateLabel), Optional.empty(), Needs.NOTHING);
  }

  private static Option zoned(String id, String label) {
    return new Option(id, label, Optional.empty(), Optional.empty(), Needs.ZONES);
  }

  private static Option named(String id, String label) {
    return new Option(id, label, Optional.empty(), Optional.empty(), Needs.FAMILIES);
  }
}
