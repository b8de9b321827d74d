package ivesk.core.series;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.aftercare.Outlook.Event;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.selection.BeforeEvent;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.OwnFlaking;
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
    /// Moved to this day by hand.
    WISHED,
    INTERVAL,
    MAINTENANCE,
    /// The rung above is open by then, if all are well taken.
    RUNG_UP,
    LAYER_MORE,
    MOVED_CLOSED,
    MOVED_EVENT,
    MOVED_OTHER_FAMILY,
    MOVED_SAME_FAMILY
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
  /// @param before peels of the course that come before it, 0 and more
  /// @param count peels, 1 to 12
  /// @param first the day that is wished for
  /// @param maintenance after a course: monthly, then every two to three months
  public record Wish(
      List<Formula> formulas,
      int layers,
      int before,
      int count,
      LocalDate first,
      Region region,
      boolean maintenance) {
    public Wish {
      formulas = List.copyOf(formulas);
      Require.range("peels before", before, 0, 11);
      Require.range("formulas of a course", formulas.size(), 1, 2);
      Require.range("peels of a course", count, 1, 12);
      Require.range("layers", layers, 1, 9);
    }
  }

  /// A peel that is booked beside the course, which must not come near it.
  public record Booked(LocalDate on, Formula formula, int layers, Region region) {}

  /// What the days are laid around.
  ///
  /// @param closed why the practice is shut on a day; empty where it is open
  /// @param events that want clear skin
  /// @param booked beside the course
  public record Around(
      Function<LocalDate, Optional<String>> closed, List<Event> events, List<Booked> booked) {}

  /// @param past peels of this client
  public static Course place(Wish wish, ScreeningFacts client, List<PastPeel> past, Around around) {
    List<PastPeel> all = new ArrayList<>(past);
    List<Placed> placed = new ArrayList<>();
    for (int i = 0; i < wish.count(); i++) {
      Optional<Placed> before = placed.isEmpty() ? Optional.empty() : Optional.of(placed.getLast());
      List<Reason> reasons = new ArrayList<>();
      Planned planned = planned(wish, i, before, client, all, reasons);
      LocalDate earliest = earliest(wish, before, planned, client, past, reasons);
      Against against = new Against(wish, planned, client, all, around);
      LocalDate on = free(earliest, against, reasons);
      placed.add(
          new Placed(wish.before() + i + 1, on, planned.formula(), planned.layers(), reasons));
      all.add(taken(planned, wish.region(), on));
    }
    return new Course(placed);
  }

  private record Planned(Formula formula, int layers) {}

  /// As the ladder will have it, if all before it are well taken.
  private static Planned planned(
      Wish wish,
      int i,
      Optional<Placed> before,
      ScreeningFacts client,
      List<PastPeel> all,
      List<Reason> reasons) {
    if (wish.formulas().size() > 1) {
      Formula turn = wish.formulas().get(i % 2);
      return within(client, turn, turn.layersFirst());
    }
    if (before.isEmpty()) return within(client, wish.formulas().getFirst(), wish.layers());
    Formula last = before.get().formula();
    int layers = before.get().layers();
    if (wish.maintenance()) return new Planned(last, layers);
    if (last.takesLayers() && layers < NextPeel.mostLayers(client, last)) {
      reasons.add(new Reason(Why.LAYER_MORE, "one layer more, if well taken"));
      return new Planned(last, layers + 1);
    }
    Ladders ladders = LadderRules.of(all, before.get().on().plusDays(1), wish.region());
    int rung = ladders.rungs().getOrDefault(last.family(), last.rung());
    Optional<Formula> higher =
        rung > last.rung() ? NextPeel.higher(client, last, rung) : Optional.empty();
    if (higher.isEmpty()) return new Planned(last, layers);
    reasons.add(new Reason(Why.RUNG_UP, "one rung up, if all are well taken and goals not met"));
    return within(client, higher.get(), higher.get().layersFirst());
  }

  /// No more layers than this client may have.
  private static Planned within(ScreeningFacts client, Formula formula, int layers) {
    return new Planned(formula, Math.min(layers, NextPeel.mostLayers(client, formula)));
  }

  private static LocalDate earliest(
      Wish wish,
      Optional<Placed> before,
      Planned planned,
      ScreeningFacts client,
      List<PastPeel> past,
      List<Reason> reasons) {
    if (before.isEmpty()) {
      reasons.addFirst(
          wish.before() == 0
              ? new Reason(Why.FIRST, "first of the course")
              : new Reason(Why.WISHED, "on the day asked for"));
      return afterThePast(wish, planned, client, past, reasons);
    }
    Placed last = before.get();
    Planned done = new Planned(last.formula(), last.layers());
    int days = intervalDays(done, flakes(done), planned, client);
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
      Planned done = new Planned(peel.formula(), peel.layers());
      int days = intervalDays(done, peel.flaked().orElseGet(() -> flakes(done)), planned, client);
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
      Planned done, Flaking flakes, Planned planned, ScreeningFacts client) {
    int days =
        client.intervalOfThisClient(
            Math.max(
                done.formula().intervalDays(done.layers()),
                planned.formula().intervalDays(planned.layers())));
    return Math.max(days, flakes.last() + 1);
  }

  private static Flaking flakes(Planned planned) {
    return Flaking.of(List.of(planned.formula()));
  }

  /// The first day from one on that nothing speaks against. The weekday is kept while it can be.
  private static LocalDate free(LocalDate from, Against against, List<Reason> reasons) {
    LocalDate day = from;
    List<Reason> first = against.on(day);
    List<Reason> still = first;
    for (int week = 1; !still.isEmpty() && week <= WEEKS_LOOKED_PAST; week++) {
      day = from.plusWeeks(week);
      still = against.on(day);
    }
    if (!still.isEmpty()) {
      day = from;
      while (!against.on(day).isEmpty() && day.isBefore(from.plusYears(1))) {
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

  /// What may speak against a day.
  ///
  /// @param past done, and those of the course before it as if they were
  private record Against(
      Wish wish, Planned planned, ScreeningFacts client, List<PastPeel> past, Around around) {

    List<Reason> on(LocalDate day) {
      List<Reason> against = new ArrayList<>();
      around.closed().apply(day).ifPresent(why -> against.add(new Reason(Why.MOVED_CLOSED, why)));
      int needed = daysBeforeAnEvent();
      for (Event event : around.events()) {
        if (!event.on().isBefore(day) && event.on().isBefore(day.plusDays(needed))) {
          against.add(
              new Reason(
                  Why.MOVED_EVENT, event.name() + " on " + Words.day(event.on()) + " is too near"));
        }
      }
      for (Booked booked : around.booked()) {
        near(booked, day).ifPresent(against::add);
      }
      return against;
    }

    private int daysBeforeAnEvent() {
      Formula formula = planned.formula();
      boolean first =
          past.stream()
              .filter(peel -> peel.here() && peel.region() == wish.region())
              .noneMatch(peel -> peel.formula().family() == formula.family());
      int flakes = OwnFlaking.orUsual(formula, wish.region(), past).last();
      return BeforeEvent.days(formula.libraryDepth(), flakes, first);
    }

    private Optional<Reason> near(Booked booked, LocalDate day) {
      Booked here = new Booked(day, planned.formula(), planned.layers(), wish.region());
      return tooNear(booked, here, client)
          .map(apart ->
              new Reason(
                  booked.formula().family() == planned.formula().family()
                      ? Why.MOVED_SAME_FAMILY
                      : Why.MOVED_OTHER_FAMILY,
                  booked.formula().code()
                      + " on "
                      + Words.day(booked.on())
                      + " needs "
                      + Words.count(apart, "day")));
    }
  }

  /// Whichever of two is first, the other waits for its interval.
  ///
  /// @return the days that are needed between them, where they have fewer
  public static Optional<Integer> tooNear(Booked one, Booked other, ScreeningFacts client) {
    if (one.region() != other.region()) return Optional.empty();
    if (one.on().isAfter(other.on())) return tooNear(other, one, client);
    Planned done = new Planned(one.formula(), one.layers());
    int apart =
        intervalDays(done, flakes(done), new Planned(other.formula(), other.layers()), client);
    return other.on().isBefore(one.on().plusDays(apart)) ? Optional.of(apart) : Optional.empty();
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
