package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Vehicle;
import ivesk.core.formula.Substance;
import ivesk.core.plan.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.screening.Restriction.Care;
import ivesk.core.selection.OwnFlaking;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// The sheet for the peels of one visit: the deepest, the longest flaking, every caution. It holds
/// sentences by their id with dates, and no words. Days and hours are common practice, no source.
///
/// @param on the day of the peel
/// @param days what each day brings, in order
/// @param rules what holds until when, the soonest first
/// @param answers to what clients ask, from the plan
/// @param flakes from which day to which; empty where none are due
/// @param blandUntil the last day of nothing but gentle cleanser and bland cream
public record Aftercare(
    LocalDate on,
    List<Day> days,
    List<Until> rules,
    List<Reply> answers,
    Optional<Flakes> flakes,
    LocalDate blandUntil) {

  public enum Mark {
    PEEL,
    CARE,
    FLAKING,
    FREE,
    CHECK
  }

  public record Day(LocalDate date, Mark mark, List<Told> lines) {}

  /// @param what it is called
  /// @param from the first moment at which it is allowed again
  /// @param held after an incident: then too only once the practice says so
  public record Until(Activity activity, Sentence what, ZonedDateTime from, boolean held) {
    /// The first day on which it is allowed again.
    public LocalDate free() {
      return from.toLocalDate();
    }

    /// Whether it counts in hours: then the day is free from an hour on.
    public boolean byHour() {
      return !from.toLocalTime().equals(LocalTime.MIDNIGHT);
    }

    /// When, as it is told.
    public Part when() {
      return byHour() ? new Part.At(from) : new Part.Day(free());
    }
  }

  public record Reply(Told question, List<Told> answer) {}

  /// @param own as this client's skin has done before
  public record Flakes(LocalDate from, LocalDate to, boolean own) {}

  /// An add-on that went on at rest.
  ///
  /// @param wipedOff before the client left
  public record Worn(AddOn addOn, ZonedDateTime on, boolean wipedOff) {
    private Optional<ZonedDateTime> washedOff() {
      return wipedOff ? Optional.empty() : Optional.of(on.plus(addOn.most()));
    }
  }

  /// Something went wrong under the peel, or after it.
  ///
  /// @param reactedTo substances to which the body may have answered; empty without an allergic
  ///   sign
  /// @param eye something got into one
  public record Incident(Set<Substance> reactedTo, boolean eye) {
    public Incident {
      reactedTo = Set.copyOf(reactedTo);
    }

    /// What was seen on the couch and told since.
    ///
    /// @return empty where nothing was adverse
    public static Optional<Incident> of(List<PastPeel> peels, boolean eye) {
      List<PastPeel> adverse =
          peels.stream().filter(peel -> peel.outcome() == PeelOutcome.ADVERSE).toList();
      if (adverse.isEmpty()) return Optional.empty();
      Set<Substance> reactedTo =
          adverse.stream()
              .filter(PastPeel::allergic)
              .flatMap(peel -> peel.formula().components().stream())
              .map(Formula.Component::substance)
              .collect(Collectors.toSet());
      return Optional.of(new Incident(reactedTo, eye));
    }
  }

  /// Whom the sheet is for.
  ///
  /// @param first the client's first peel
  /// @param pigmentProne marks may show late
  /// @param care limits of the day that the sheet tells
  /// @param ownFlaking of a peel by itself, where three earlier ones were told of
  public record Client(
      boolean first,
      boolean pigmentProne,
      Set<Care.Kind> care,
      Optional<Flaking> ownFlaking,
      Optional<Incident> incident) {
    public Client(boolean first, boolean pigmentProne, Set<Care.Kind> care) {
      this(first, pigmentProne, care, Optional.empty(), Optional.empty());
    }
  }

  /// One peel of the visit.
  ///
  /// @param ended when the acid came off
  /// @param frosted zones that went white, where flaking starts sooner
  /// @param leftOn it stays on the skin as it is: no water and nothing else for the hours
  public record Peeled(
      Formula formula,
      DepthClass depth,
      ZonedDateTime ended,
      Collection<Zone> frosted,
      boolean leftOn) {

    /// Ended as its formula says.
    public Peeled(
        Formula formula, DepthClass depth, ZonedDateTime ended, Collection<Zone> frosted) {
      this(formula, depth, ended, frosted, formula.ending() == Formula.Ending.SELF_LIMITING);
    }
  }

  /// @param peels at least one
  /// @param worn what went on after the acid
  /// @param outlook what else clients ask about
  public static Aftercare of(
      List<Peeled> peels, Client client, Optional<Worn> worn, Outlook outlook, Policies policies) {
    return new Draft(peels, client, worn, policies).sheet(outlook);
  }

  /// When a row of the sheet ends.
  public Optional<Until> rule(Activity activity) {
    return rules.stream().filter(rule -> rule.activity() == activity).findFirst();
  }

  /// What the sheet is made of, worked out once.
  static final class Draft {
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

    Aftercare sheet(Outlook outlook) {
      today();
      rests();
      returns();
      skin();
      checks();
      List<Day> days =
          lines.entrySet().stream()
              .map(entry ->
                  new Day(
                      entry.getKey(),
                      mark(entry.getKey(), entry.getValue()),
                      entry.getValue().stream().map(Line::told).toList()))
              .toList();
      return new Aftercare(
          day, days, List.copyOf(rules), new Answers(this, outlook).all(), flakes, blandUntil());
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

    private LocalDate blandUntil() {
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
        add(
            day.plusDays(1),
            Told.of(DARKER_UNTIL, new Part.Day(day.plusDays(superficial ? 4 : 2))));
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
}
