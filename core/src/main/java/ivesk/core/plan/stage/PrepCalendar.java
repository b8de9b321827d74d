package ivesk.core.plan.stage;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Seen;
import ivesk.core.screening.rule.PatchRules;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The weeks before, counted back from the peel's date. Common practice. Moving the date moves the
/// calendar.
public final class PrepCalendar {
  private PrepCalendar() {}

  /// What is done or left off in the weeks before.
  public enum Item {
    SUNSCREEN("sunscreen SPF 30 or more, every day"),
    LOW_HOME_ACID("last of the low home acid, alternate nights"),
    INHIBITOR("tyrosinase inhibitor started, daily from here"),
    SUN("last strong sun or sunbed"),
    FILLER("last filler"),
    HAIR("last wax, thread or depilatory"),
    ABRASION("last microdermabrasion or brush treatment"),
    TOXIN("last botulinum toxin"),
    PRESCRIBED_RETINOID("last prescribed retinoid"),
    RETINOL("last retinol"),
    HOME_ACID("last scrub, home acid, acid wash or peroxide"),
    PATCH_TEST("patch test placed, to be read after 24 and 48 h"),
    SHAVE("last razor shave"),
    ON_THE_DAY("no make-up, no exercise before, lenses out");

    private final String words;

    Item(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }

  /// @param day the last day on which the step can be kept
  /// @param doneOn when it was done, where that was told
  /// @param late in the past when the plan is made and not known to have been kept
  /// @param earliest the first date on which a peel could be if the step began today
  public record Step(
      Item item,
      LocalDate day,
      String what,
      Optional<LocalDate> doneOn,
      boolean late,
      boolean kept,
      Optional<LocalDate> earliest) {}

  /// What a look of the day says against a step that was told as kept; empty where it says nothing.
  ///
  /// @param looks by zone, graded 0 to 3
  public static Optional<String> against(
      Item item, Map<Zone, Map<LookFinding, Integer>> looks, Region region) {
    return switch (item) {
      case LOW_HOME_ACID, PRESCRIBED_RETINOID, RETINOL, HOME_ACID ->
          shown(LookFinding.FLAKING, looks, region)
              .or(() -> shown(LookFinding.IRRITATION, looks, region));
      case SHAVE, HAIR, ABRASION -> shown(LookFinding.IRRITATION, looks, region);
      case ON_THE_DAY -> shown(LookFinding.MAKE_UP, looks, region);
      case SUNSCREEN, INHIBITOR, SUN, FILLER, TOXIN, PATCH_TEST -> Optional.empty();
    };
  }

  private static Optional<String> shown(
      LookFinding finding, Map<Zone, Map<LookFinding, Integer>> looks, Region region) {
    List<Zone> zones = Seen.where(looks, finding, SHOWN, region);
    return zones.isEmpty()
        ? Optional.empty()
        : Optional.of(
            "look 1 shows "
                + finding.label()
                + ": "
                + Words.list(zones.stream().map(Zone::label).toList()));
  }

  /// From this grade on a look says something; Ivesk's own default.
  private static final int SHOWN = 2;

  /// @param formula of the peel; a new client, a new family and sensitive skin have it tested first
  /// @param today the day on which the plan is made
  public static List<Step> of(
      ScreeningFacts client, Formula formula, DepthClass depth, LocalDate today) {
    LocalDate peel = client.peelDate();
    boolean superficial = depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
    List<Step> steps = new ArrayList<>();
    // Who was here before was told; of somebody met today nobody knows.
    steps.add(step(peel.minusDays(14), Item.SUNSCREEN, today, peel, !client.newHere()));
    if (!client.sensitive() && superficial) {
      steps.add(step(peel.minusDays(7), Item.LOW_HOME_ACID, today, peel, true));
    }
    if (client.pigmentProne()) {
      steps.add(dated(client.inhibitorSince(), peel, 14, Item.INHIBITOR, today, false));
    }
    steps.add(
        dated(
            client.lastUse(Question.SUN, "sun"),
            peel,
            14,
            Item.SUN,
            today,
            client.is(Question.SUN, "no")));
    steps.add(lately(client, Question.HAIR, 7, Item.HAIR, today));
    steps.add(lately(client, Question.ABRASION, 7, Item.ABRASION, today));
    steps.add(lately(client, Question.TOXIN, 7, Item.TOXIN, today));
    steps.add(lately(client, Question.FILLER, 14, Item.FILLER, today));
    if (PatchRules.patchTested(client, formula, depth)) {
      boolean read = !PatchRules.patchTestOwed(client, formula);
      steps.add(step(peel.minusDays(2), Item.PATCH_TEST, today, peel, read));
    }
    Optional<LocalDate> prescribed =
        client.lastUse(Question.RETINOID, "used", Active.PRESCRIBED_RETINOID);
    Optional<LocalDate> retinol = client.lastUse(Question.RETINOL, "used", Active.RETINOL);
    if (prescribed.isPresent()) {
      steps.add(dated(prescribed, peel, 7, Item.PRESCRIBED_RETINOID, today, false));
    }
    if (prescribed.isEmpty() || retinol.isPresent()) {
      int days = superficial && client.darkerType() ? 7 : 3;
      boolean none = client.is(Question.RETINOL, "none") && retinol.isEmpty();
      if (!none) steps.add(dated(retinol, peel, days, Item.RETINOL, today, false));
    }
    Optional<LocalDate> acid =
        client.lastUse(
            Question.HOME_ACID, "used", Active.ACID, Active.SCRUB, Active.BENZOYL_PEROXIDE);
    steps.add(
        dated(
            acid,
            peel,
            3,
            Item.HOME_ACID,
            today,
            acid.isEmpty() && client.is(Question.HOME_ACID, "none")));
    steps.add(step(peel.minusDays(1), Item.SHAVE, today, peel, true));
    steps.add(step(peel, Item.ON_THE_DAY, today, peel, true));
    steps.sort(Comparator.comparing(Step::day));
    return List.copyOf(steps);
  }

  /// What was asked as "none" or "done" with its day.
  private static Step lately(
      ScreeningFacts client, Question question, int days, Item item, LocalDate today) {
    return dated(
        client.lastUse(question, "done"),
        client.peelDate(),
        days,
        item,
        today,
        client.is(question, "none"));
  }

  /// Something that ends some days before the peel; kept when it was never done, or long enough
  /// ago.
  private static Step dated(
      Optional<LocalDate> on, LocalDate peel, int days, Item item, LocalDate today, boolean never) {
    LocalDate last = peel.minusDays(days);
    boolean kept = never || on.filter(date -> !date.isAfter(last)).isPresent();
    return step(last, item, on, today, peel, kept);
  }

  private static Step step(
      LocalDate day, Item item, LocalDate today, LocalDate peel, boolean kept) {
    return step(day, item, Optional.empty(), today, peel, kept);
  }

  private static Step step(
      LocalDate day,
      Item item,
      Optional<LocalDate> doneOn,
      LocalDate today,
      LocalDate peel,
      boolean kept) {
    boolean late = day.isBefore(today) && !kept;
    return new Step(
        item,
        day,
        item.words(),
        doneOn,
        late,
        kept,
        late
            ? Optional.of(today.plusDays(peel.toEpochDay() - day.toEpochDay()))
            : Optional.empty());
  }
}
