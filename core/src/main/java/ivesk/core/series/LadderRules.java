package ivesk.core.series;

import ivesk.core.Words;
import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.Ladders.Milder;
import ivesk.core.skin.Region;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Reads the ladders of one region off the peels that were done there. Up one rung only after a
/// full series at a rung (its lower number of peels), each well taken; after a gap of more than six
/// months one rung down; cut short but calm, stay; too strong, stay, twice running one rung down;
/// adverse, two down. A gap and a peel that was too strong or adverse start the series anew. Peels
/// done elsewhere are no part of a series; those that went badly count against it, and of those
/// whose record was seen the milder ones come before a strong one. Common practice.
public final class LadderRules {
  private static final int LAYERED_SERIES = 3;
  private static final int GAP_MONTHS = 6;
  private static final int MILDER_MONTHS = 12;

  private LadderRules() {}

  /// @param past peels of all regions
  /// @param day of the peel that is being planned
  public static Ladders of(List<PastPeel> past, LocalDate day, Region region) {
    List<PastPeel> inOrder =
        past.stream()
            .filter(peel -> peel.region() == region)
            .sorted(Comparator.comparing(PastPeel::on))
            .toList();
    Map<Family, Integer> rungs = new EnumMap<>(Family.class);
    Map<Family, String> reasons = new EnumMap<>(Family.class);
    Map<String, Integer> lastLayers = new HashMap<>();
    Set<Family> known = EnumSet.noneOf(Family.class);
    Set<Family> anew = EnumSet.noneOf(Family.class);
    Map<Family, String> higher = new EnumMap<>(Family.class);
    for (Family family : Family.values()) {
      List<PastPeel> all =
          inOrder.stream().filter(peel -> peel.formula().family() == family).toList();
      higher(all, day).ifPresent(why -> higher.put(family, why));
      if (all.stream().noneMatch(PastPeel::here)) continue;
      List<PastPeel> own =
          all.stream().filter(peel -> peel.here() || peel.outcome().harsh()).toList();
      known.add(family);
      PastPeel last = own.getLast();
      if (last.outcome().harsh() || gap(last.on(), day)) anew.add(family);
      own.stream()
          .filter(PastPeel::here)
          .forEach(peel -> lastLayers.put(peel.formula().code(), layersAgain(peel, own, day)));
      if (family.ranked()) rung(own, day, rungs, reasons);
    }
    return new Ladders(
        rungs,
        reasons,
        lastLayers,
        known,
        anew,
        higher,
        running(inOrder, day),
        milder(inOrder, day));
  }

  /// Why a family may be entered one rung higher: a peel with it elsewhere in the last six months
  /// that was well taken, and a reason.
  private static Optional<String> higher(List<PastPeel> all, LocalDate day) {
    if (all.isEmpty() || all.stream().anyMatch(peel -> peel.outcome().harsh())) {
      return Optional.empty();
    }
    return all.stream()
        .filter(peel -> peel.wellTaken() && !gap(peel.on(), day))
        .flatMap(peel -> peel.outside().stream())
        .flatMap(outside -> outside.higherBecause().stream())
        .findFirst();
  }

  private static boolean gap(LocalDate from, LocalDate to) {
    return from.plusMonths(GAP_MONTHS).isBefore(to);
  }

  /// As many as last time; one fewer after a peel that was too strong or adverse, the first number
  /// after a gap.
  private static int layersAgain(PastPeel peel, List<PastPeel> own, LocalDate day) {
    PastPeel last = own.getLast();
    if (gap(last.on(), day)) return Math.min(peel.layers(), peel.formula().layersFirst());
    return last.outcome().harsh() ? Math.max(1, peel.layers() - 1) : peel.layers();
  }

  private static void rung(
      List<PastPeel> own, LocalDate day, Map<Family, Integer> rungs, Map<Family, String> reasons) {
    PastPeel last = own.getLast();
    Formula formula = last.formula();
    int rung = formula.rung();
    List<PastPeel> series = sinceAnew(own, rung);
    long here = series.stream().filter(PastPeel::wellTaken).count();
    int full = full(formula);
    String why = Words.count(full, "peel") + " at rung " + rung + " come first, " + here + " done";
    if (last.outcome() == PeelOutcome.ADVERSE) {
      rung = Math.max(1, rung - 2);
      why = "the last one was adverse: two down, or another family";
    } else if (gap(last.on(), day)) {
      rung = Math.max(1, rung - 1);
      why = "more than six months since the last one: one down";
    } else if (tooStrongTwice(own)) {
      rung = Math.max(1, rung - 1);
      why = "too strong twice running: one down";
    } else if (last.outcome() == PeelOutcome.TOO_STRONG) {
      why = "the last one was too strong: the rung stays, at three quarters of the time";
    } else if (here >= full && atLayerCap(series, formula)) {
      rung++;
      why = "a full series at rung " + (rung - 1) + " is done";
    }
    rungs.put(formula.family(), rung);
    reasons.put(formula.family(), why);
  }

  /// The peels at a rung since the last gap and the last one that was too strong or adverse.
  private static List<PastPeel> sinceAnew(List<PastPeel> own, int rung) {
    List<PastPeel> series = new ArrayList<>();
    LocalDate before = own.getFirst().on();
    for (PastPeel peel : own) {
      if (gap(before, peel.on()) || peel.outcome().harsh()) series.clear();
      if (!peel.outcome().harsh() && peel.formula().rung() == rung) series.add(peel);
      before = peel.on();
    }
    return series;
  }

  /// Well-taken peels that are still to come at the rung of the last one before the next is open; 1
  /// at least.
  ///
  /// @param past with the last peel of the family
  static int toGo(List<PastPeel> past, Region region, Family family) {
    List<PastPeel> own =
        past.stream()
            .filter(peel -> peel.region() == region && peel.formula().family() == family)
            .filter(peel -> peel.here() || peel.outcome().harsh())
            .sorted(Comparator.comparing(PastPeel::on))
            .toList();
    Formula formula = own.getLast().formula();
    List<PastPeel> series = sinceAnew(own, formula.rung());
    long here = series.stream().filter(PastPeel::wellTaken).count();
    long toGo = full(formula) - here;
    if (formula.takesLayers()) toGo = Math.max(toGo, LAYERED_SERIES - atCap(series, formula));
    return (int) Math.max(1, toGo);
  }

  /// Which peel of its series one on a day is, 1 and more: those with the family on the region
  /// since the last gap come before it, two stages of one day once.
  ///
  /// @param past before it
  public static int inSeries(List<PastPeel> past, LocalDate day, Region region, Family family) {
    List<LocalDate> before =
        past.stream()
            .filter(peel -> peel.here() && peel.region() == region)
            .filter(peel -> peel.formula().family() == family)
            .map(PastPeel::on)
            .filter(on -> on.isBefore(day))
            .distinct()
            .sorted(Comparator.reverseOrder())
            .toList();
    int number = 1;
    LocalDate next = day;
    for (LocalDate on : before) {
      if (gap(on, next)) break;
      number++;
      next = on;
    }
    return number;
  }

  private static int full(Formula formula) {
    return formula.takesLayers() ? LAYERED_SERIES : formula.seriesLeast();
  }

  private static boolean tooStrongTwice(List<PastPeel> own) {
    if (own.size() < 2) return false;
    PastPeel last = own.getLast();
    PastPeel before = own.get(own.size() - 2);
    return last.outcome() == PeelOutcome.TOO_STRONG
        && before.outcome() == PeelOutcome.TOO_STRONG
        && last.formula().rung() == before.formula().rung();
  }

  private static boolean atLayerCap(List<PastPeel> series, Formula formula) {
    return !formula.takesLayers() || atCap(series, formula) >= LAYERED_SERIES;
  }

  private static long atCap(List<PastPeel> series, Formula formula) {
    return series.stream()
        .filter(p -> p.formula().code().equals(formula.code()))
        .filter(p -> p.layers() >= formula.layersMost())
        .count();
  }

  private static Optional<Family> running(List<PastPeel> inOrder, LocalDate day) {
    return inOrder.isEmpty() || inOrder.getLast().outcome() == PeelOutcome.ADVERSE
        ? Optional.empty()
        : inOrder.reversed().stream()
            .filter(PastPeel::here)
            .findFirst()
            .filter(last -> !gap(last.on(), day))
            .map(last -> last.formula().family());
  }

  private static Milder milder(List<PastPeel> inOrder, LocalDate day) {
    List<PastPeel> counted =
        inOrder.stream()
            .filter(PastPeel::wellTaken)
            .filter(peel -> peel.outside().map(PastPeel.Outside::seen).orElse(true))
            .filter(peel -> !peel.on().plusMonths(MILDER_MONTHS).isBefore(day))
            .filter(peel -> {
              Family family = peel.formula().family();
              return family.ranked() && !peel.formula().strong() && family.level() >= 1;
            })
            .toList();
    return new Milder(
        counted.size(),
        (int)
            counted.stream()
                .filter(peel ->
                    Depth.of(peel.formula(), Optional.of(peel.contact()), peel.layers())
                        .deeperThan(DepthClass.VERY_SUPERFICIAL))
                .count());
  }
}
