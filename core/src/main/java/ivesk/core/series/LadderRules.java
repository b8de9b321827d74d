package ivesk.core.series;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.screening.PastPeel;
import ivesk.core.selection.Ladders;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Reads the ladders off the peels that were done. Up one rung only after a full series at a rung
/// (its lower number of peels), each well taken; after a gap of more than six months one rung down;
/// after a peel that was not well taken two down. Common practice.
public final class LadderRules {
  private static final int LAYERED_SERIES = 3;

  private LadderRules() {}

  /// @param day of the peel that is being planned
  public static Ladders of(List<PastPeel> past, LocalDate day) {
    List<PastPeel> inOrder = past.stream().sorted(Comparator.comparing(PastPeel::on)).toList();
    Map<Family, Integer> rungs = new EnumMap<>(Family.class);
    Map<Family, String> reasons = new EnumMap<>(Family.class);
    Map<String, Integer> lastLayers = new HashMap<>();
    Set<Family> known = EnumSet.noneOf(Family.class);
    for (Family family : Family.values()) {
      List<PastPeel> own =
          inOrder.stream().filter(peel -> peel.formula().family() == family).toList();
      if (own.isEmpty()) continue;
      known.add(family);
      own.forEach(peel -> lastLayers.put(peel.formula().code(), peel.layers()));
      if (family.ranked()) rung(own, day, rungs, reasons);
    }
    return new Ladders(
        rungs,
        reasons,
        lastLayers,
        known,
        running(inOrder, day),
        (int)
            inOrder.stream()
                .filter(peel -> !peel.formula().family().strong() && peel.wellTaken())
                .count());
  }

  private static void rung(
      List<PastPeel> own, LocalDate day, Map<Family, Integer> rungs, Map<Family, String> reasons) {
    PastPeel last = own.getLast();
    Formula formula = last.formula();
    int rung = formula.rung();
    long here =
        own.stream().filter(p -> p.formula().rung() == formula.rung() && p.wellTaken()).count();
    int series = formula.takesLayers() ? LAYERED_SERIES : formula.seriesLeast();
    String why =
        Words.count(series, "peel") + " at rung " + rung + " come first, " + here + " done";
    if (!last.wellTaken()) {
      rung = Math.max(1, rung - 2);
      why = "the last one was not well taken: down";
    } else if (last.on().plusMonths(6).isBefore(day)) {
      rung = Math.max(1, rung - 1);
      why = "more than six months since the last one: one down";
    } else if (here >= series && atLayerCap(own, formula)) {
      rung++;
      why = "a full series at rung " + (rung - 1) + " is done";
    }
    rungs.put(formula.family(), rung);
    reasons.put(formula.family(), why);
  }

  private static boolean atLayerCap(List<PastPeel> own, Formula formula) {
    if (!formula.takesLayers()) return true;
    return own.stream()
            .filter(p -> p.formula().code().equals(formula.code()))
            .filter(p -> p.layers() >= formula.layersMost())
            .count()
        >= LAYERED_SERIES;
  }

  private static Optional<Family> running(List<PastPeel> inOrder, LocalDate day) {
    return inOrder.isEmpty() || !inOrder.getLast().wellTaken()
        ? Optional.empty()
        : Optional.of(inOrder.getLast())
            .filter(last -> !last.on().plusMonths(6).isBefore(day))
            .map(last -> last.formula().family());
  }

  /// How many peels with a formula there were.
  public static int countOf(List<PastPeel> past, Formula formula) {
    return (int) past.stream().filter(peel -> peel.formula().code().equals(formula.code())).count();
  }
}
