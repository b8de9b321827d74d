package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.aftercare.Aftercare.Client;
import ivesk.core.aftercare.Aftercare.Day;
import ivesk.core.aftercare.Aftercare.Flakes;
import ivesk.core.aftercare.Aftercare.Incident;
import ivesk.core.aftercare.Aftercare.Mark;
import ivesk.core.aftercare.Aftercare.Peeled;
import ivesk.core.aftercare.Aftercare.Until;
import ivesk.core.aftercare.Aftercare.Worn;
import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Vehicle;
import ivesk.core.formula.Substance;
import ivesk.core.plan.script.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.selection.OwnFlaking;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;

/// What the sheet is made of, worked out once.
final class Draft {
  final List<Formula> formulas;
  final Client client;
  final Policies policies;
  final ZonedDateTime ended;
  final LocalDate day;
  final boolean superficial;
  final boolean frosted;
  final Optional<Flakes> flakes;
  final Optional<ZonedDateTime> noWaterUntil;
  final Optional<Worn> worn;

  /// From here on what works on the skin may return, as far as flakes go.
  final LocalDate clear;

  /// It is left on and falls by itself, so that nothing else goes on for hours.
  final boolean leftOn;

  private final TreeMap<LocalDate, List<Line>> lines = new TreeMap<>();
  final List<Until> rules = new ArrayList<>();

  /// One line of a day, and whether it says that something is free again or that the practice
  /// checks.
  private record Line(Mark mark, Told told) {}

  Draft(List<Peeled> peels, Client client, Optional<Worn> worn, Policies policies) {
    this.formulas = peels.stream().map(Peeled::formula).toList();
    this.client = client;
    this.policies = policies;
    this.worn = worn;
    this.ended = latest(peels.stream()).orElseThrow();
    this.day = ended.toLocalDate();
    this.superficial =
        peels.stream()
            .map(Peeled::depth)
            .reduce(DepthClass::deeper)
            .orElseThrow()
            .deeperThan(DepthClass.VERY_SUPERFICIAL);
    this.frosted = peels.stream().anyMatch(peel -> !peel.frosted().isEmpty());
    this.flakes = flakes(worn);
    this.clear = flakes.map(Flakes::to).map(to -> to.plusDays(1)).orElse(day);
    Optional<ZonedDateTime> selfLimited = latest(peels.stream().filter(Peeled::leftOn));
    this.leftOn = selfLimited.isPresent();
    boolean gel =
        formulas.stream().anyMatch(one -> one.vehicle() == Vehicle.GEL)
            && policies.chose(Choice.NO_WATER_AFTER_GEL);
    this.noWaterUntil =
        worn.flatMap(Worn::washedOff)
            .or(() ->
                selfLimited
                    .or(() -> gel ? Optional.of(ended) : Optional.empty())
                    .map(from -> from.plusHours(policies.noWaterHours())));
  }

  private static Optional<ZonedDateTime> latest(Stream<Peeled> peels) {
    return peels.map(Peeled::ended).max(Comparator.naturalOrder());
  }

  private Optional<Flakes> flakes(Optional<Worn> worn) {
    List<Formula> wentOn =
        Stream.concat(formulas.stream(), worn.map(Worn::addOn).map(AddOn::formula).stream())
            .toList();
    boolean byOwn = client.ownFlaking().isPresent() && OwnFlaking.alone(wentOn);
    Flaking flaking = OwnFlaking.expected(wentOn, client.ownFlaking(), frosted);
    return flaking.expected()
        ? Optional.of(
            new Flakes(day.plusDays(flaking.first()), day.plusDays(flaking.last()), byOwn))
        : Optional.empty();
  }

  /// Writes every line and rule.
  void write() {
    today();
    rests();
    returns();
    skin();
    checks();
  }

  /// The lines day by day.
  List<Day> days() {
    return lines.entrySet().stream()
        .map(entry ->
            new Day(
                entry.getKey(),
                mark(entry.getKey(), entry.getValue()),
                entry.getValue().stream().map(Line::told).toList()))
        .toList();
  }

  private void today() {
    client.incident().ifPresent(this::incident);
    Optional<ZonedDateTime> wash = worn.flatMap(Worn::washedOff);
    if (wash.isPresent()) {
      // The maker's hours come before the policy on water.
      add(
          day,
          Told.of(
              LEAVE_ON_UNTIL,
              new Part.Name(worn.orElseThrow().addOn().formula().name()),
              new Part.At(wash.get())));
    } else {
      noWaterUntil.ifPresent(until ->
          add(day, Told.of(leftOn ? NO_WATER_UNTIL : NO_WATER_CREAM_UNTIL, new Part.At(until))));
    }
    add(day, Told.of(GENTLE_CARE_UNTIL, new Part.Day(blandUntil())));
    if (holds(Substance.SALICYLIC)) add(day, Told.of(DRINK_WATER));
    if (leftOn) add(day, Told.of(OUT_OF_THE_SUN_TODAY));
    add(leftOn ? day.plusDays(1) : day, Told.of(SUN_CARE));
    if (client.care().contains(Care.Kind.TELL_TINGLING)) add(day, Told.of(TINGLING_LIP));
    noSunUntil().ifPresent(until -> add(day, Told.of(NO_SUN_AT_ALL, new Part.Day(until))));
  }

  private void incident(Incident incident) {
    if (!incident.reactedTo().isEmpty()) {
      add(day, Told.of(REACTED_TO, new Part.Substances(List.copyOf(incident.reactedTo()))));
    }
    if (incident.eye()) add(day, Told.of(EYE_AGAIN));
    add(day, Told.of(NOTHING_ACTIVE));
  }

  LocalDate blandUntil() {
    return day.plusDays(superficial ? 7 : 2);
  }

  boolean holds(Substance substance) {
    return formulas.stream().anyMatch(one -> one.contains(substance));
  }

  /// For a medicine that makes the skin answer to light.
  Optional<LocalDate> noSunUntil() {
    return client.care().contains(Care.Kind.NO_SUN_14_DAYS)
        ? Optional.of(day.plusDays(14))
        : Optional.empty();
  }

  private void rests() {
    makeUp();
    rest(Activity.EXERCISE_AND_HEAT, EXERCISE_AND_HEAT);
    Until acids = rest(Activity.ACIDS_AND_SCRUBS, acidsAndScrubs());
    if (client.first() && !policies.chose(Choice.MILD_HOME_ACIDS_FIRST_WEEKS)) {
      Until weeks = rest(Activity.HOME_ACIDS, HOME_ACIDS);
      if (weeks.from().isBefore(acids.from())) {
        rules.remove(weeks);
        rules.add(new Until(Activity.HOME_ACIDS, HOME_ACIDS, acids.from(), weeks.held()));
      }
    }
    rest(Activity.RETINOID, worn.isPresent() ? OWN_RETINOID : RETINOID);
    rest(Activity.OTHER_TREATMENTS, OTHER_TREATMENTS);
    rest(Activity.SUN, SUN);
    if (flakes.isPresent()) {
      rules.add(new Until(Activity.PICKING, PICKING, clear.atStartOfDay(ended.getZone()), false));
    }
    rules.sort(Comparator.comparing(Until::from));
  }

  /// By policy mineral make-up only until the skin is clear, or any after a day.
  private void makeUp() {
    ZonedDateTime again = Activity.MAKE_UP.free(ended, superficial);
    if (anyMakeUp(again.toLocalDate())) {
      rest(Activity.MAKE_UP, leftOn ? MAKE_UP_OF_ANY_KIND : MAKE_UP);
    } else {
      rest(Activity.MAKE_UP, leftOn ? MINERAL_MAKE_UP : MINERAL_MAKE_UP_AFTER_POWDER);
      ZonedDateTime any = clear.atStartOfDay(ended.getZone());
      rules.add(new Until(Activity.MAKE_UP, OTHER_MAKE_UP, any, false));
    }
  }

  /// Whether what returns after a day is make-up of any kind.
  boolean anyMakeUp(LocalDate again) {
    return policies.chose(Choice.ANY_MAKE_UP_AFTER_24_H) || !clear.isAfter(again);
  }

  /// What works on the skin returns once it is clear, never before the last day of flakes.
  private Until rest(Activity activity, Sentence what) {
    ZonedDateTime free = activity.free(ended, superficial);
    ZonedDateTime calm = clear.atStartOfDay(ended.getZone());
    ZonedDateTime from =
        switch (activity) {
          case MAKE_UP, EXERCISE_AND_HEAT, SUN, HOME_ACIDS, PICKING -> free;
          case RETINOID, OTHER_TREATMENTS -> later(free, calm);
          case ACIDS_AND_SCRUBS ->
              later(
                  later(
                      free,
                      day.plusDays(policies.homeAcidsAgainDays()).atStartOfDay(ended.getZone())),
                  calm);
        };
    Until until =
        new Until(activity, what, from, client.incident().isPresent() && activity.active());
    rules.add(until);
    return until;
  }

  private static ZonedDateTime later(ZonedDateTime one, ZonedDateTime other) {
    return one.isAfter(other) ? one : other;
  }

  /// In the weeks after a first peel the acids have a line of their own.
  private Sentence acidsAndScrubs() {
    if (!client.first()) return ACIDS_AND_SCRUBS;
    return policies.chose(Choice.MILD_HOME_ACIDS_FIRST_WEEKS) ? SCRUBS_AND_MILD_ACIDS : SCRUBS;
  }

  private void returns() {
    for (ZonedDateTime from : rules.stream().map(Until::from).distinct().toList()) {
      List<Until> back =
          rules.stream()
              .filter(rule -> rule.from().equals(from) && rule.activity() != Activity.PICKING)
              .filter(rule -> !rule.held())
              .toList();
      if (back.isEmpty()) continue;
      if (back.stream().anyMatch(rule -> rule.activity() == Activity.SUN)) {
        add(from.toLocalDate(), Mark.FREE, Told.of(SUN_CARE_ENDS));
      }
      List<Sentence> things =
          back.stream().filter(rule -> rule.activity() != Activity.SUN).map(Until::what).toList();
      if (things.isEmpty()) continue;
      Part all = new Part.Things(things);
      add(
          from.toLocalDate(),
          Mark.FREE,
          back.getFirst().byHour()
              ? Told.of(RETURNS_FROM, new Part.Hour(from.toLocalTime()), all)
              : Told.of(RETURNS, all));
    }
  }

  private void skin() {
    int tight = superficial ? 1 : 0;
    add(day.plusDays(tight), Told.of(TIGHT_UNTIL, new Part.Day(day.plusDays(tight + 1))));
    flakes.ifPresent(due -> {
      add(day.plusDays(1), Told.of(DARKER_UNTIL, new Part.Day(day.plusDays(superficial ? 4 : 2))));
      add(due.from(), Told.of(frosted ? FLAKES_START_SOONER : FLAKES_START));
      add(due.to(), Told.of(LAST_FLAKES));
    });
  }

  private void checks() {
    for (int after : CheckIns.days(client.pigmentProne())) {
      Sentence words =
          switch (after) {
            case 7 -> WE_ASK_A_PHOTO;
            case 14 -> LATE_MARKS;
            default -> WE_ASK;
          };
      add(day.plusDays(after), Mark.CHECK, Told.of(words));
    }
  }

  private Mark mark(LocalDate date, List<Line> told) {
    if (date.equals(day)) return Mark.PEEL;
    boolean flaking =
        flakes.filter(due -> !date.isBefore(due.from()) && !date.isAfter(due.to())).isPresent();
    if (flaking) return Mark.FLAKING;
    if (told.stream().anyMatch(line -> line.mark() == Mark.FREE)) return Mark.FREE;
    return told.stream().anyMatch(line -> line.mark() == Mark.CHECK) ? Mark.CHECK : Mark.CARE;
  }

  private void add(LocalDate date, Told told) {
    add(date, Mark.CARE, told);
  }

  private void add(LocalDate date, Mark mark, Told told) {
    lines.computeIfAbsent(date, _ -> new ArrayList<>()).add(new Line(mark, told));
  }
}
