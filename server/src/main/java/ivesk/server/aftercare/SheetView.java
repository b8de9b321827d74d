package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.Words;
import ivesk.core.aftercare.Activity;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Aftercare.Mark;
import ivesk.core.aftercare.Sentence;
import ivesk.core.aftercare.Told;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.Substance;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// The sheet in the words of one language, as page, print and PDF show it alike.
///
/// @param facts what was done: acids, layers, where it went white
/// @param onTheSkin in the order in which it was put on
/// @param headings of the parts, in the order of the page
/// @param call what to call for, and what is an emergency
/// @param last the date of the next peel, and who has the last word
/// @param brief a short form for a phone
/// @param reach the numbers of the practice and of help, in one line; may be empty
record SheetView(
    Language language,
    String title,
    String subtitle,
    List<String> facts,
    Headings headings,
    List<String> onTheSkin,
    List<SheetDay> days,
    List<SheetRule> rules,
    List<SheetReply> answers,
    HomePlanView home,
    List<String> call,
    List<String> last,
    String brief,
    String reach) {

  record Headings(String onTheSkin, String days, String rules, String answers, String call) {}

  record SheetDay(LocalDate date, String day, Mark mark, List<String> lines) {}

  /// @param until a day, or a day and an hour
  record SheetRule(String what, String until) {}

  record SheetReply(String question, String answer) {}

  /// So much a phone shows at once.
  private static final int BRIEF_RULES = 3;

  static SheetView of(Done done, Language language) {
    Aftercare sheet = done.sheet();
    return new SheetView(
        language,
        say(AFTER_YOUR_PEEL, language),
        String.join(
            " · ",
            done.clientName(),
            language.fullDay(sheet.on()),
            Told.of(WITH, new Part.Name(done.therapist())).in(language)),
        facts(done, language),
        new Headings(
            say(ON_YOUR_SKIN, language) + language.colon().stripTrailing(),
            say(DAY_BY_DAY, language),
            say(NOT_BEFORE, language),
            say(YOU_MAY_ASK, language),
            say(CALL_US, language)),
        done.onTheSkin().stream().map(one -> one.in(language)).distinct().toList(),
        sheet.days().stream()
            .map(day ->
                new SheetDay(
                    day.date(),
                    language.day(day.date()),
                    day.mark(),
                    day.lines().stream().map(line -> line.in(language)).toList()))
            .toList(),
        // Picking is free on no day: the days of flakes say so by themselves.
        sheet.rules().stream()
            .filter(rule -> rule.activity() != Activity.PICKING)
            .map(rule ->
                new SheetRule(Words.capital(say(rule.what(), language)), until(rule, language)))
            .toList(),
        replies(sheet, language),
        HomePlanView.of(done.home(), done.having(), sheet.on(), language),
        call(done, language),
        last(done, language),
        brief(done, language),
        done.reach().in(language));
  }

  static List<SheetReply> replies(Aftercare sheet, Language language) {
    return sheet.answers().stream()
        .map(reply ->
            new SheetReply(reply.question().in(language), Told.all(reply.answer(), language)))
        .toList();
  }

  private static String until(Aftercare.Until rule, Language language) {
    if (rule.held()) return say(ONCE_WE_TELL_YOU, language);
    return rule.byHour() ? language.at(rule.from()) : language.day(rule.free());
  }

  private static String say(Sentence sentence, Language language) {
    return sentence.in(language);
  }

  private static List<String> facts(Done done, Language language) {
    List<String> facts = new ArrayList<>();
    for (Done.Acid acid : done.acids()) {
      facts.add(
          Words.capital(acid.named(language))
              + ", "
              + Told.of(LAYERS, new Part.Count(acid.layers())).in(language));
    }
    if (!done.frosted().isEmpty()) {
      facts.add(Told.of(WENT_WHITE, new Part.Zones(done.frosted())).in(language));
    }
    return List.copyOf(facts);
  }

  private static List<String> call(Done done, Language language) {
    String emergency = say(EMERGENCY_FOR, language);
    if (done.acids().stream().anyMatch(acid -> acid.formula().contains(Substance.SALICYLIC))) {
      emergency += " " + say(EMERGENCY_SALICYLIC, language);
    }
    return List.of(
        with(say(CALL_US_FOR, language), done.reach().practice(), language),
        with(emergency, done.reach().help(), language));
  }

  private static String with(String words, Optional<Told> number, Language language) {
    return number.map(told -> words + " " + told.in(language)).orElse(words);
  }

  private static List<String> last(Done done, Language language) {
    List<String> last = new ArrayList<>();
    if (done.sheet().flakes().isPresent()) last.add(say(NO_FLAKES_IS_FINE, language));
    done.next().ifPresent(day -> last.add(Told.of(NEXT_PEEL, new Part.Day(day)).in(language)));
    last.add(say(PRACTICE_FIRST, language));
    return List.copyOf(last);
  }

  private static String brief(Done done, Language language) {
    Aftercare sheet = done.sheet();
    List<String> lines = new ArrayList<>();
    lines.add(
        say(AFTER_YOUR_PEEL, language)
            + ", "
            + language.fullDay(sheet.on())
            + language.colon().stripTrailing());
    sheet.days().getFirst().lines().stream()
        .limit(BRIEF_RULES)
        .map(line -> Words.capital(line.in(language)) + ".")
        .forEach(lines::add);
    sheet.answers().stream()
        .filter(reply ->
            reply.question().sentence() == ASK_SUN
                || reply.question().sentence() == ASK_DOWNTIME
                || reply.question().sentence() == ASK_RETINOID)
        .map(reply -> reply.question().in(language) + " " + Told.all(reply.answer(), language))
        .forEach(lines::add);
    List<String> call = call(done, language);
    lines.add(say(CALL_US, language) + language.colon() + call.getFirst());
    lines.add(call.getLast());
    return String.join("\n", lines);
  }
}
