package ivesk.core.aftercare;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Vehicle;
import ivesk.core.formula.Substance;
import ivesk.core.plan.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.Restriction.Care;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;

/// The sheet for one peel. Days and hours are common practice.
///
/// @param days what each day brings, in order
/// @param rules what holds until when
/// @param answers to what clients ask, from the plan
public record Aftercare(List<Day> days, List<Until> rules, List<Reply> answers) {

  public enum Mark {
    PEEL,
    CARE,
    FLAKING,
    FREE,
    CHECK
  }

  public record Day(LocalDate date, Mark mark, List<String> lines) {}

  /// What rests for a while after a peel.
  public enum Activity {
    MAKE_UP("make-up (mineral powder is fine)"),
    EXERCISE_AND_HEAT("exercise, sauna, hot shower, steam"),
    ACIDS_AND_SCRUBS("scrub, acid, vitamin C in acid form, deep-clean wash"),
    HOME_ACIDS("home acids"),
    RETINOID("retinoid"),
    OTHER_TREATMENTS("wax, laser or other treatment"),
    SUN("sun without strict care");

    private final String words;

    Activity(String words) {
      this.words = words;
    }
  }

  /// @param what in words
  /// @param free the first day on which it is allowed again
  public record Until(Activity activity, String what, LocalDate free) {
    private static Until of(Activity activity, LocalDate free) {
      return new Until(activity, activity.words, free);
    }
  }

  /// One line of a day, and whether it says that something is free again or that the practice
  /// checks.
  private record Line(Mark mark, String words) {}

  public record Reply(String question, String answer) {}

  private static final DateTimeFormatter HOUR =
      DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

  /// Days of strict sun care: 14 after a very superficial peel, 28 after a superficial one.
  public static int strictSunDays(DepthClass depth) {
    return depth.deeperThan(DepthClass.VERY_SUPERFICIAL) ? 28 : 14;
  }

  /// An add-on that went on at rest.
  ///
  /// @param on local time
  /// @param wipedOff before the client left
  public record Worn(AddOn addOn, LocalDateTime on, boolean wipedOff) {
    private Optional<LocalDateTime> washedOff() {
      return wipedOff ? Optional.empty() : Optional.of(on.plus(addOn.most()));
    }
  }

  /// The weeks after a first peel in which home acids rest, unless the practice has it otherwise;
  /// Ivesk's own default.
  private static final int FIRST_WEEKS_DAYS = 28;

  /// Whom the sheet is for.
  ///
  /// @param first the client's first peel
  /// @param pigmentProne marks may show late
  /// @param care limits of the day that the sheet tells
  /// @param ownFlaking of a peel by itself, where three earlier ones were told of
  public record Client(
      boolean first, boolean pigmentProne, Set<Care.Kind> care, Optional<Flaking> ownFlaking) {
    public Client(boolean first, boolean pigmentProne, Set<Care.Kind> care) {
      this(first, pigmentProne, care, Optional.empty());
    }
  }

  /// One peel of the visit.
  ///
  /// @param ended local time at which the acid came off
  /// @param frosted zones frosted, where flaking starts sooner
  public record Peeled(Formula formula, DepthClass depth, LocalDateTime ended, boolean frosted) {}

  /// @param ended local time at which the acid came off
  /// @param frosted zones frosted, where flaking starts sooner
  /// @param worn what went on after the acid
  public static Aftercare of(
      Formula formula,
      DepthClass depth,
      Client client,
      LocalDateTime ended,
      boolean frosted,
      Optional<Worn> worn,
      Policies policies) {
    return of(List.of(new Peeled(formula, depth, ended, frosted)), client, worn, policies);
  }

  /// For all peels of a visit together: the deepest, the longest flaking, every caution.
  ///
  /// @param peels at least one
  /// @param worn what went on after the acid
  public static Aftercare of(
      List<Peeled> peels, Client client, Optional<Worn> worn, Policies policies) {
    List<Formula> formulas = peels.stream().map(Peeled::formula).toList();
    DepthClass depth = peels.stream().map(Peeled::depth).reduce(DepthClass::deeper).orElseThrow();
    boolean frosted = peels.stream().anyMatch(Peeled::frosted);
    LocalDateTime ended =
        peels.stream().map(Peeled::ended).max(Comparator.naturalOrder()).orElseThrow();
    Optional<LocalDateTime> leftOn =
        peels.stream()
            .filter(peel -> peel.formula().ending() == Formula.Ending.SELF_LIMITING)
            .map(Peeled::ended)
            .max(Comparator.naturalOrder());
    LocalDate day = ended.toLocalDate();
    boolean superficial = depth.deeperThan(DepthClass.VERY_SUPERFICIAL);
    TreeMap<LocalDate, List<Line>> lines = new TreeMap<>();
    List<Until> rules = new ArrayList<>();

    Flaking usual =
        Flaking.of(
            Stream.concat(formulas.stream(), worn.map(Worn::addOn).map(AddOn::formula).stream())
                .toList());
    Flaking flaking =
        client
            .ownFlaking()
            .filter(_ -> formulas.size() == 1 && worn.isEmpty())
            .orElse(usual)
            .frosted(frosted);
    LocalDate flakesFrom = day.plusDays(flaking.first());
    LocalDate flakesTo = day.plusDays(flaking.last());

    Optional<LocalDateTime> wash = worn.flatMap(Worn::washedOff);
    if (wash.isPresent()) {
      // The maker's hours come before the policy on water.
      add(
          lines,
          day,
          Words.fill(
              "leave the %s on, no water, until %s; then wash it off with mild cleanser, and bland cream",
              noun(worn.orElseThrow().addOn().formula().name()), HOUR.format(wash.get())));
    } else if (leftOn.isPresent()) {
      add(
          lines,
          day,
          "no water or product until "
              + HOUR.format(leftOn.get().plusHours(policies.noWaterHours()))
              + ", then bland cream");
    } else if (formulas.stream().anyMatch(one -> one.vehicle() == Vehicle.GEL)
        && policies.chose(Choice.NO_WATER_AFTER_GEL)) {
      add(
          lines,
          day,
          "no water until "
              + HOUR.format(ended.plusHours(policies.noWaterHours()))
              + "; bland cream, then gentle cleanser, morning and night");
    } else {
      add(lines, day, "gentle cleanser and bland cream, morning and night");
    }
    if (formulas.stream().anyMatch(one -> one.contains(Substance.SALICYLIC)))
      add(lines, day, "drink water well");
    add(lines, day, "mineral sunscreen SPF 30 or more, every 2 hours outdoors, and a hat");

    rules.add(Until.of(Activity.MAKE_UP, day.plusDays(1)));
    rules.add(Until.of(Activity.EXERCISE_AND_HEAT, day.plusDays(superficial ? 2 : 1)));
    // What works on the skin returns once it is clear, never before the last day of flakes.
    LocalDate clear = flaking.expected() ? flakesTo.plusDays(1) : day;
    LocalDate acids = later(day.plusDays(Math.max(3, policies.homeAcidsAgainDays())), clear);
    rules.add(
        new Until(Activity.ACIDS_AND_SCRUBS, acidsAndScrubs(client.first(), policies), acids));
    if (client.first() && !policies.chose(Choice.MILD_HOME_ACIDS_FIRST_WEEKS)) {
      rules.add(Until.of(Activity.HOME_ACIDS, later(day.plusDays(FIRST_WEEKS_DAYS), acids)));
    }
    rules.add(
        new Until(
            Activity.RETINOID,
            worn.isPresent() ? "retinoid of your own" : Activity.RETINOID.words,
            later(day.plusDays(superficial ? 7 : 5), clear)));
    rules.add(
        Until.of(Activity.OTHER_TREATMENTS, later(day.plusDays(superficial ? 14 : 7), clear)));
    rules.add(Until.of(Activity.SUN, day.plusDays(strictSunDays(depth))));
    rules.sort(Comparator.comparing(Until::free));
    rules.stream()
        .map(Until::free)
        .distinct()
        .forEach(free -> add(lines, free, Mark.FREE, returning(rules, free)));

    add(
        lines,
        day.plusDays(superficial ? 1 : 0),
        "the skin may feel a size too small; that is meant to be");
    if (flaking.expected()) {
      add(
          lines,
          day.plusDays(1),
          "it may pull and look a shade deeper for a while; that passes as the skin renews");
      add(
          lines,
          flakesFrom,
          "flaking may start"
              + (frosted ? ", sooner where it went white" : "")
              + "; do not pick, pull or scrub");
      add(lines, flakesTo, "the last flakes");
    }
    add(lines, day.plusDays(1), Mark.CHECK, "we ask how it is");
    add(lines, day.plusDays(3), Mark.CHECK, "we ask how it is");
    add(lines, day.plusDays(7), Mark.CHECK, "we ask for a photo");
    if (client.care().contains(Care.Kind.TELL_TINGLING)) {
      add(lines, day, "a lip that tingles in the days after: tell us the same day");
    }
    if (client.care().contains(Care.Kind.NO_SUN_14_DAYS)) {
      add(
          lines,
          day,
          "no sun on it at all until "
              + Words.day(day.plusDays(14))
              + ": your medicine makes the skin answer to light");
    }
    if (client.pigmentProne())
      add(lines, day.plusDays(14), Mark.CHECK, "late marks show about now: a photo");

    List<Day> days =
        lines.entrySet().stream()
            .map(entry ->
                new Day(
                    entry.getKey(),
                    mark(entry.getKey(), entry.getValue(), day, flakesFrom, flakesTo),
                    entry.getValue().stream().map(Line::words).toList()))
            .toList();
    return new Aftercare(
        days,
        rules,
        answers(
            flaking.expected(),
            day,
            flakesFrom,
            flakesTo,
            rules,
            wash,
            client.pigmentProne(),
            makeUp(rules, clear, policies)));
  }

  /// In the weeks after a first peel the acids have a line of their own.
  private static String acidsAndScrubs(boolean first, Policies policies) {
    if (!first) return Activity.ACIDS_AND_SCRUBS.words;
    String scrubs = "scrub, vitamin C in acid form, deep-clean wash";
    return policies.chose(Choice.MILD_HOME_ACIDS_FIRST_WEEKS)
        ? scrubs + ", home acids up to 5 % on alternate nights"
        : scrubs;
  }

  /// By policy mineral make-up only until the skin is clear, or any after a day.
  private static String makeUp(List<Until> rules, LocalDate clear, Policies policies) {
    LocalDate again = free(rules, Activity.MAKE_UP);
    return policies.chose(Choice.ANY_MAKE_UP_AFTER_24_H)
        ? "Mineral powder today, other make-up from " + Words.day(again) + "."
        : "Mineral powder today, mineral make-up from "
            + Words.day(again)
            + (clear.isAfter(again) ? ", any from " + Words.day(clear) + "." : ", any once calm.");
  }

  private static LocalDate later(LocalDate one, LocalDate other) {
    return one.isAfter(other) ? one : other;
  }

  private static Mark mark(
      LocalDate date, List<Line> lines, LocalDate peel, LocalDate from, LocalDate to) {
    if (date.equals(peel)) return Mark.PEEL;
    if (to.isAfter(peel) && !date.isBefore(from) && !date.isAfter(to)) return Mark.FLAKING;
    if (lines.stream().anyMatch(line -> line.mark() == Mark.FREE)) return Mark.FREE;
    return lines.stream().anyMatch(line -> line.mark() == Mark.CHECK) ? Mark.CHECK : Mark.CARE;
  }

  private static List<Reply> answers(
      boolean flakes,
      LocalDate day,
      LocalDate from,
      LocalDate to,
      List<Until> rules,
      Optional<LocalDateTime> wash,
      boolean pigmentProne,
      String makeUp) {
    List<Reply> answers = new ArrayList<>();
    answers.add(
        new Reply(
            "When can I go out in the sun?",
            "With mineral sunscreen and a hat, today. Without strict care from "
                + Words.day(free(rules, Activity.SUN))
                + "."));
    answers.add(
        new Reply(
            "When does flaking start, when does it end?",
            flakes
                ? Words.day(from) + " to " + Words.day(to) + "."
                : "None is expected. Tightness for a day is normal."));
    wash.ifPresent(at ->
        answers.add(
            new Reply(
                "When do I wash it off?",
                HOUR.format(at) + ". Sooner, with cool water, if it burns.")));
    if (flakes) {
      answers.add(new Reply("No flakes: did it work?", "Yes. Skin can renew without showing it."));
    }
    answers.add(
        new Reply(
            "Make-up, gym, sauna?",
            makeUp
                + " Exercise and heat from "
                + Words.day(free(rules, Activity.EXERCISE_AND_HEAT))
                + "."));
    answers.add(
        new Reply(
            "My acids and retinoid again?",
            acidsAgain(rules)
                + ", retinoid from "
                + Words.day(free(rules, Activity.RETINOID))
                + ", and only on calm skin."));
    answers.add(
        new Reply(
            "What if it itches, darkens or blisters?",
            "Itch: cool, do not scratch. Darker before the flakes is expected"
                + (pigmentProne ? "; dark after them: tell us" : "")
                + ". Blister, crust, fever or a tingling lip: call the same day. Swelling of the"
                + " face, trouble with breath or sight: emergency."));
    return List.copyOf(answers);
  }

  private static String acidsAgain(List<Until> rules) {
    String scrubs = Words.day(free(rules, Activity.ACIDS_AND_SCRUBS));
    return rules.stream()
        .filter(rule -> rule.activity() == Activity.HOME_ACIDS)
        .findFirst()
        .map(rule -> "Scrubs from " + scrubs + ", acids from " + Words.day(rule.free()))
        .orElse("Acids and scrubs from " + scrubs);
  }

  /// "Retinol lotion 1 %" within a sentence.
  private static String noun(String name) {
    return Character.toLowerCase(name.charAt(0)) + name.substring(1);
  }

  private static String returning(List<Until> rules, LocalDate day) {
    List<Until> back = rules.stream().filter(rule -> rule.free().equals(day)).toList();
    return back.getFirst().activity() == Activity.SUN
        ? "strict sun care ends; daily sunscreen stays"
        : "may return: " + String.join("; ", back.stream().map(Until::what).toList());
  }

  private static LocalDate free(List<Until> rules, Activity activity) {
    return rules.stream().filter(r -> r.activity() == activity).findFirst().orElseThrow().free();
  }

  private static void add(TreeMap<LocalDate, List<Line>> lines, LocalDate day, String words) {
    add(lines, day, Mark.CARE, words);
  }

  private static void add(
      TreeMap<LocalDate, List<Line>> lines, LocalDate day, Mark mark, String words) {
    lines.computeIfAbsent(day, d -> new ArrayList<>()).add(new Line(mark, words));
  }
}
