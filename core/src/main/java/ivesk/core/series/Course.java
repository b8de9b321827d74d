package ivesk.core.series;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.screening.PastPeel;
import ivesk.core.screening.PeelOutcome;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.selection.BeforeEvent;
import ivesk.core.selection.Ladders;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;
import java.time.Period;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/// A series laid out in days: by interval, around closed days, events and other families, with the
/// rungs of the ladder as they will be when each peel is well taken. Common practice, no source.
///
/// @param peels in their order
public record Course(List<Placed> peels) {
  /// So many weeks a day that is shut is looked past before the weekday is given up.
  private static final int WEEKS_LOOKED_PAST = 8;

  /// One peel a month at first, then every ten weeks: between two and three months.
  private static final int MONTHLY = 3;

  private static final Period MONTH = Period.ofMonths(1);
  private static final Period LATER = Period.ofWeeks(10);

  public Course {
    peels = List.copyOf(peels);
  }

  public enum Why {
    FIRST,
    INTERVAL,
    MAINTENANCE,
    /// The rung above is open by then, if all are well taken.
    RUNG_UP,
    LAYER_MORE,
    MOVED_CLOSED,
    MOVED_EVENT,
    MOVED_OTHER_FAMILY
  }

  /// @param words with its number or day
  public record Reason(Why why, String words) {}

  /// @param number from 1
  public record Placed(
      int number, LocalDate on, Formula formula, int layers, List<Reason> reasons) {
    public Placed {
      reasons = List.copyOf(reasons);
    }
  }

  /// @param formulas one, or two that alternate
  /// @param layers of the first
  /// @param count peels, 1 to 12
  /// @param first the day that is wished for
  /// @param maintenance after a course: monthly, then every two to three months
  public record Wish(
      List<Formula> formulas,
      int layers,
      int count,
      LocalDate first,
      Region region,
      boolean maintenance) {
    public Wish {
      formulas = List.copyOf(formulas);
      Require.range("formulas of a course", formulas.size(), 1, 2);
      Require.range("peels of a course", count, 1, 12);
      Require.range("layers", layers, 1, 9);
    }
  }

  /// A booked peel with another family that the course must not come near.
  public record Other(LocalDate on, Formula formula) {}

  /// What the days are laid around.
  ///
  /// @param closed why the practice is shut on a day; empty where it is open
  /// @param events that want clear skin
  /// @param others booked beside the course
  public record Around(
      Function<LocalDate, Optional<String>> closed, List<Event> events, List<Other> others) {}

  /// @param past peels of this client
  public static Course place(Wish wish, ScreeningFacts client, List<PastPeel> past, Around around) {
    List<PastPeel> all = new ArrayList<>(past);
    List<Placed> placed = new ArrayList<>();
    for (int number = 1; number <= wish.count(); number++) {
      Optional<Placed> before = placed.isEmpty() ? Optional.empty() : Optional.of(placed.getLast());
      List<Reason> reasons = new ArrayList<>();
      Planned planned = planned(wish, number, before, client, all, reasons);
      LocalDate earliest = earliest(wish, before, planned, client, past, reasons);
      LocalDate on = free(earliest, planned.formula(), client, around, reasons);
      placed.add(new Placed(number, on, planned.formula(), planned.layers(), reasons));
      all.add(taken(planned, wish.region(), on));
    }
    return new Course(placed);
  }

  private record Planned(Formula formula, int layers) {}

  /// As the ladder will have it, if all before it are well taken.
  private static Planned planned(
      Wish wish,
      int number,
      Optional<Placed> before,
      ScreeningFacts client,
      List<PastPeel> all,
      List<Reason> reasons) {
    if (wish.formulas().size() > 1) {
      Formula turn = wish.formulas().get((number - 1) % 2);
      return new Planned(turn, turn.layersFirst());
    }
    if (before.isEmpty()) return new Planned(wish.formulas().getFirst(), wish.layers());
    Formula last = before.get().formula();
    int layers = before.get().layers();
    if (wish.maintenance()) return new Planned(last, layers);
    if (last.takesLayers() && layers < last.layersMost()) {
      reasons.add(new Reason(Why.LAYER_MORE, "one layer more, if well taken"));
      return new Planned(last, layers + 1);
    }
    Ladders ladders = LadderRules.of(all, before.get().on().plusDays(1), wish.region());
    int rung = ladders.rungs().getOrDefault(last.family(), last.rung());
    Optional<Formula> higher =
        rung > last.rung() && !NextPeel.stays(client, last, rung)
            ? NextPeel.atRung(client.shelf(), last, rung)
            : Optional.empty();
    if (higher.isEmpty()) return new Planned(last, layers);
    reasons.add(new Reason(Why.RUNG_UP, "one rung up, if all are well taken and goals not met"));
    return new Planned(higher.get(), higher.get().layersFirst());
  }

  private static LocalDate earliest(
      Wish wish,
      Optional<Placed> before,
      Planned planned,
      ScreeningFacts client,
      List<PastPeel> past,
      List<Reason> reasons) {
    if (before.isEmpty()) {
      reasons.addFirst(new Reason(Why.FIRST, "first of the course"));
      return afterThePast(wish, planned, client, past, reasons);
    }
    Placed last = before.get();
    int days = intervalDays(last.formula(), last.layers(), planned, client);
    LocalDate byInterval = last.on().plusDays(days);
    if (wish.maintenance()) {
      LocalDate kept = last.on().plus(last.number() < MONTHLY ? MONTH : LATER);
      if (kept.isAfter(byInterval)) {
        reasons.addFirst(
            new Reason(
                Why.MAINTENANCE,
                last.number() < MONTHLY ? "maintenance, a month on" : "maintenance, ten weeks on"));
        return kept;
      }
    }
    reasons.addFirst(new Reason(Why.INTERVAL, Words.count(days, "day") + " on"));
    return byInterval;
  }

  /// The wished day, or the first that every peel done on the region allows.
  private static LocalDate afterThePast(
      Wish wish,
      Planned planned,
      ScreeningFacts client,
      List<PastPeel> past,
      List<Reason> reasons) {
    LocalDate first = wish.first();
    for (PastPeel peel : past) {
      if (peel.region() != wish.region()) continue;
      int days = intervalDays(peel.formula(), peel.layers(), planned, client);
      LocalDate least = peel.on().plusDays(days);
      if (!least.isAfter(first)) continue;
      first = least;
      reasons.removeIf(reason -> reason.why() == Why.INTERVAL);
      reasons.add(
          new Reason(
              Why.INTERVAL,
              Words.count(days, "day")
                  + " after "
                  + peel.formula().code()
                  + " on "
                  + Words.day(peel.on())));
    }
    return first;
  }

  /// The larger of the interval of the peel done and of the one planned, and the flakes gone.
  private static int intervalDays(
      Formula done, int layers, Planned planned, ScreeningFacts client) {
    int days =
        client.intervalOfThisClient(
            Math.max(done.intervalDays(layers), planned.formula().intervalDays(planned.layers())));
    return Math.max(days, Flaking.of(List.of(done)).last() + 1);
  }

  /// The first day from one on that nothing speaks against. The weekday is kept while it can be.
  private static LocalDate free(
      LocalDate from, Formula formula, ScreeningFacts client, Around around, List<Reason> reasons) {
    LocalDate day = from;
    List<Reason> against = against(day, formula, client, around);
    List<Reason> first = against;
    for (int week = 1; !against.isEmpty() && week <= WEEKS_LOOKED_PAST; week++) {
      day = from.plusWeeks(week);
      against = against(day, formula, client, around);
    }
    if (!against.isEmpty()) {
      day = from;
      while (!against(day, formula, client, around).isEmpty() && day.isBefore(from.plusYears(1))) {
        day = day.plusDays(1);
      }
    }
    if (!day.equals(from)) {
      long moved = ChronoUnit.DAYS.between(from, day);
      for (Reason one : first) {
        reasons.add(
            new Reason(one.why(), "moved " + Words.count(moved, "day") + ": " + one.words()));
      }
    }
    return day;
  }

  private static List<Reason> against(
      LocalDate day, Formula formula, ScreeningFacts client, Around around) {
    List<Reason> against = new ArrayList<>();
    around.closed().apply(day).ifPresent(why -> against.add(new Reason(Why.MOVED_CLOSED, why)));
    DepthClass depth = formula.libraryDepth();
    int needed = BeforeEvent.days(depth, Flaking.of(List.of(formula)).last(), false);
    for (Event event : around.events()) {
      if (!event.on().isBefore(day) && event.on().isBefore(day.plusDays(needed))) {
        against.add(
            new Reason(
                Why.MOVED_EVENT, event.name() + " on " + Words.day(event.on()) + " is too near"));
      }
    }
    for (Other other : around.others()) {
      if (other.formula().family() == formula.family()) continue;
      int apart =
          client.intervalOfThisClient(
              Math.max(other.formula().intervalDays(), formula.intervalDays()));
      boolean near =
          day.isAfter(other.on().minusDays(apart)) && day.isBefore(other.on().plusDays(apart));
      if (near) {
        against.add(
            new Reason(
                Why.MOVED_OTHER_FAMILY,
                other.formula().code()
                    + " on "
                    + Words.day(other.on())
                    + " needs "
                    + Words.count(apart, "day")));
      }
    }
    return against;
  }

  private static PastPeel taken(Planned planned, Region region, LocalDate on) {
    return new PastPeel(
        planned.formula(),
        region,
        on,
        planned.layers(),
        planned.formula().firstContact().orElse(Duration.ZERO),
        PeelOutcome.WELL_TAKEN,
        Optional.empty());
  }
}
