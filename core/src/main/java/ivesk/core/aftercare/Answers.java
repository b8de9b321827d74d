package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Words;
import ivesk.core.aftercare.Aftercare.Flakes;
import ivesk.core.aftercare.Aftercare.Reply;
import ivesk.core.aftercare.Aftercare.Until;
import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.aftercare.Outlook.Feel;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.Formula.Band;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/// What clients ask, in the order of the couch, each answered by dates of this peel. domain/08.
final class Answers {
  private final Draft sheet;
  private final Outlook outlook;
  private final List<Reply> all = new ArrayList<>();

  Answers(Draft sheet, Outlook outlook) {
    this.sheet = sheet;
    this.outlook = outlook;
  }

  List<Reply> all() {
    answer(ASK_SUN, sun());
    outlook.feel().ifPresent(this::hurt);
    answer(ASK_DOWNTIME, downtime());
    washOff().ifPresent(at -> answer(ASK_WASH_OFF, Told.of(WASH_OFF_AT, new Part.At(at))));
    if (sheet.flakes.isPresent()) answer(ASK_NO_FLAKES, Told.of(IT_WORKS_UNSEEN));
    answer(
        ASK_WASH_MAKE_UP_GYM,
        washing(),
        makeUp(),
        Told.of(EXERCISE_FROM, when(Activity.EXERCISE_AND_HEAT)));
    outlook.events().forEach(this::event);
    if (sheet.client.incident().isPresent()) {
      answer(ASK_RETINOID, Told.of(NOT_UNTIL_WE_TELL_YOU));
      answer(ASK_BETWEEN, Told.of(NOT_UNTIL_WE_TELL_YOU));
    } else {
      answer(
          ASK_RETINOID,
          acids(),
          Told.of(RETINOID_FROM, when(Activity.RETINOID)),
          Told.of(NEUTRAL_VITAMIN_C));
      answer(ASK_BETWEEN, Told.of(BETWEEN_FROM, when(Activity.OTHER_TREATMENTS)));
    }
    answer(ASK_HOW_MANY, howMany());
    outlook.stronger().ifPresent(step -> answer(ASK_STRONGER, stronger(step)));
    answer(ASK_TROUBLE, trouble());
    return List.copyOf(all);
  }

  private void answer(Sentence question, Told... answer) {
    answer(question, List.of(answer));
  }

  private void answer(Sentence question, List<Told> answer) {
    all.add(new Reply(Told.of(question), answer));
  }

  private Until rule(Activity activity) {
    return sheet.rules.stream()
        .filter(rule -> rule.activity() == activity)
        .findFirst()
        .orElseThrow();
  }

  private Part when(Activity activity) {
    return rule(activity).when();
  }

  private Told sun() {
    Part free = when(Activity.SUN);
    return sheet
        .noSunUntil()
        .map(until -> Told.of(NO_SUN_UNTIL, new Part.Day(until), free))
        .orElseGet(() ->
            sheet.leftOn
                ? Told.of(SUN_FROM_TOMORROW, new Part.Day(sheet.day.plusDays(1)), free)
                : Told.of(SUN_FROM, free));
  }

  private void hurt(Feel feel) {
    switch (feel) {
      case Feel.Was(int most, Duration after) ->
          answer(ASK_HURT_WAS, Told.of(HURT_WAS, count(most), time(after)));
      case Feel.LikeBefore(int most, int minute) ->
          answer(
              ASK_HURT,
              Told.of(HURT_LIKE_BEFORE, count(most), count(minute)),
              Told.of(WE_STOP_WHEN_YOU_SAY));
      case Feel.Expected(Band band) ->
          answer(ASK_HURT, expected(band), Told.of(WE_STOP_WHEN_YOU_SAY));
    }
  }

  private static Told expected(Band band) {
    return band.window()
        .filter(_ -> band.thenFalling())
        .map(window -> Told.of(HURT_FALLING, count(band.low()), count(band.high()), time(window)))
        .orElseGet(() -> Told.of(HURT_EXPECTED, count(band.low()), count(band.high())));
  }

  private static Part count(int n) {
    return new Part.Count(n);
  }

  /// "3 min", "1:40 min" or "90 s".
  private static Part time(Duration time) {
    long seconds = time.toSeconds();
    if (seconds < 120 && seconds % 60 != 0) return new Part.Name(seconds + " s");
    return new Part.Name(
        (seconds % 60 == 0 ? String.valueOf(seconds / 60) : Words.clock(time)) + " min");
  }

  private Told downtime() {
    return sheet
        .flakes
        .map(due ->
            Told.of(
                due.own() ? FLAKES_LIKE_BEFORE : FLAKES_FROM_TO,
                new Part.Day(due.from()),
                new Part.Day(due.to())))
        .orElseGet(() -> Told.of(NO_DOWNTIME));
  }

  private Optional<ZonedDateTime> washOff() {
    return sheet.worn.filter(one -> !one.wipedOff()).flatMap(_ -> sheet.noWaterUntil);
  }

  private Told washing() {
    return sheet
        .noWaterUntil
        .map(until -> Told.of(WASH_FROM, new Part.At(until)))
        .orElseGet(() -> Told.of(WASH_GENTLY));
  }

  private Told makeUp() {
    Until again = rule(Activity.MAKE_UP);
    if (sheet.anyMakeUp(again.free())) {
      return Told.of(sheet.leftOn ? NO_POWDER_THEN_ANY : POWDER_THEN_ANY, again.when());
    }
    return Told.of(
        sheet.leftOn ? NO_POWDER_THEN_MINERAL : POWDER_THEN_MINERAL,
        again.when(),
        new Part.Day(sheet.clear));
  }

  private void event(Event event) {
    Told answer =
        sheet
            .flakes
            .map(due -> event(event, due))
            .orElseGet(() -> Told.of(EVENT_NO_FLAKES, when(Activity.SUN)));
    all.add(
        new Reply(
            Told.of(ASK_EVENT, new Part.Name(event.name()), new Part.Day(event.on())),
            List.of(answer)));
  }

  private static Told event(Event event, Flakes due) {
    if (event.on().isAfter(due.to())) return Told.of(EVENT_AFTER_FLAKES, new Part.Day(due.to()));
    return event.on().isBefore(due.from())
        ? Told.of(EVENT_BEFORE_FLAKES, new Part.Day(due.from()))
        : Told.of(EVENT_IN_FLAKES, new Part.Day(due.to()));
  }

  private Told acids() {
    Part scrubs = when(Activity.ACIDS_AND_SCRUBS);
    return sheet.rules.stream()
        .filter(rule -> rule.activity() == Activity.HOME_ACIDS)
        .findFirst()
        .map(rule -> Told.of(SCRUBS_THEN_ACIDS, scrubs, rule.when()))
        .orElseGet(() ->
            rule(Activity.ACIDS_AND_SCRUBS).what() == SCRUBS_AND_MILD_ACIDS
                ? Told.of(MILD_ACIDS_FROM, scrubs, count(KeptOff.CAP_PERCENT))
                : Told.of(ACIDS_FROM, scrubs));
  }

  private List<Told> howMany() {
    List<Told> answer = new ArrayList<>();
    Part number = count(outlook.peelNumber());
    Part most = count(outlook.seriesMost());
    answer.add(
        outlook.seriesMost() > 0 && outlook.peelNumber() > outlook.seriesMost()
            ? Told.of(SERIES_COMPLETE, number)
            : outlook.seriesLeast() == outlook.seriesMost()
                ? Told.of(THIS_IS_PEEL_OF, number, most)
                : Told.of(THIS_IS_PEEL, number, count(outlook.seriesLeast()), most));
    answer.add(Told.of(DAYS_APART, count(outlook.intervalDays())));
    return answer;
  }

  private static Told stronger(Stronger stronger) {
    return switch (stronger.step()) {
      case AFTER_MORE -> Told.of(STRONGER_AFTER, count(stronger.peels()));
      case NEXT_TIME -> Told.of(STRONGER_NEXT);
      case ONE_LAYER -> Told.of(STRONGER_LAYER);
      case TOP -> Told.of(STRONGER_TOP);
      case NOT_YET -> Told.of(STRONGER_NOT_YET);
      case LESS -> Told.of(STRONGER_LESS);
      case CLINICIAN -> Told.of(STRONGER_CLINICIAN);
    };
  }

  private List<Told> trouble() {
    return List.of(
        Told.of(ITCH_COOL),
        Told.of(sheet.flakes.isPresent() ? DARKER_BEFORE_FLAKES : DARKER_TELL_US),
        Told.of(CALL_FOR_BLISTERS),
        Told.of(EMERGENCY_FOR));
  }
}
