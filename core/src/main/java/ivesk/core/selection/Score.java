package ivesk.core.selection;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Sensitivity;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/// The terms by which a formula is ranked. Common practice; the weights are Ivesk's own default.
///
/// @param benefit 0 to 100: how well the family serves what the skin shows and the client wants
/// @param level irritation level of family and rung
/// @param overTolerance by how much the level passes what this skin tolerates
/// @param pihRisk points off for skin that answers with pigment
/// @param downtimeDays last day of flaking
/// @param series points for the family of the running series
public record Score(
    double benefit,
    double level,
    double overTolerance,
    double pihRisk,
    int downtimeDays,
    double series) {

  public double total() {
    return benefit - 2 * level - 10 * overTolerance - pihRisk - downtimeDays + series;
  }

  /// Every term in words, as shown behind "why".
  public List<String> terms() {
    List<String> terms = new ArrayList<>();
    terms.add("benefit %.0f of 100".formatted(benefit));
    terms.add("irritation level %.1f: -%.0f".formatted(level, 2 * level));
    if (overTolerance > 0) {
      terms.add("%.1f over tolerance: -%.0f".formatted(overTolerance, 10 * overTolerance));
    }
    if (pihRisk > 0) terms.add("risk of dark marks: -%.0f".formatted(pihRisk));
    if (downtimeDays > 0) terms.add("flaking to day %d: -%d".formatted(downtimeDays, downtimeDays));
    if (series > 0) terms.add("running series: +%.0f".formatted(series));
    return terms;
  }

  static Score of(Formula formula, DepthClass depth, ScreeningFacts client, Ladders ladders) {
    double level =
        formula.family().level() + 0.5 * (formula.rung() - client.entryRung(formula.family()));
    double tolerance =
        switch (client.skin().sensitivity().orElse(Sensitivity.COMPROMISED)) {
          case RESILIENT -> 5;
          case NORMAL -> 4;
          case SENSITIVE -> 1.5;
          case COMPROMISED -> 0;
        };
    double pih =
        !client.pigmentProne()
            ? 0
            : switch (depth) {
              case VERY_SUPERFICIAL -> 2;
              case SUPERFICIAL -> 8;
              case MEDIUM -> 30;
            };
    return new Score(
        benefit(formula, client),
        level,
        Math.max(0, level - tolerance),
        pih,
        formula.peelingLast(),
        ladders.running().filter(formula.family()::equals).isPresent() ? 12 : 0);
  }

  private static double benefit(Formula formula, ScreeningFacts client) {
    double sum = 0;
    double most = 0;
    Oil oil = client.skin().oil().orElse(Oil.BALANCED);
    for (Map.Entry<Condition, Double> wish : wishes(client).entrySet()) {
      sum += wish.getValue() * Affinity.of(formula.family(), wish.getKey(), oil);
      most += wish.getValue() * 3;
    }
    return most == 0 ? 0 : 100 * sum / most;
  }

  /// Severity 1 to 3 times the goal's weight (3, 2, 1.5; others 1). A named goal counts severity at
  /// least 1.
  static Map<Condition, Double> wishes(ScreeningFacts client) {
    Map<Condition, Double> wishes = new java.util.EnumMap<>(Condition.class);
    for (Condition condition : Condition.values()) {
      int goal = client.skin().goals().indexOf(condition);
      int severity = Math.max(client.skin().severity(condition), goal >= 0 ? 1 : 0);
      double weight =
          switch (goal) {
            case 0 -> 3;
            case 1 -> 2;
            case 2 -> 1.5;
            default -> 1;
          };
      if (severity > 0) wishes.put(condition, severity * weight);
    }
    return wishes;
  }
}
