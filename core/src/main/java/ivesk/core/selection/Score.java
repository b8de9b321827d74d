package ivesk.core.selection;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Sensitivity;
import java.util.ArrayList;
import java.util.EnumMap;
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
  /// Points within which the running family, the milder or the shorter one comes first.
  static final double TIE = 3;

  /// Of the first, second and third goal; every other wish counts once.
  private static final double[] GOAL_WEIGHTS = {3, 2, 1.5};

  public double total() {
    return benefit - 2 * level - 10 * overTolerance - pihRisk - downtimeDays + series;
  }

  /// As it is shown: kept within 0 and 100. What competes is ranked by the total.
  public int shown() {
    return (int) Math.clamp(Math.round(total()), 0, 100);
  }

  /// Every term in words, as shown behind "why".
  public List<String> terms() {
    List<String> terms = new ArrayList<>();
    terms.add("benefit " + Math.round(benefit) + " of 100");
    terms.add("irritation level " + Words.number(level, 1) + ": -" + Math.round(2 * level));
    if (overTolerance > 0) {
      terms.add(
          Words.number(overTolerance, 1) + " over tolerance: -" + Math.round(10 * overTolerance));
    }
    if (pihRisk > 0) terms.add("risk of dark marks: -" + Math.round(pihRisk));
    if (downtimeDays > 0) terms.add("flaking to day " + downtimeDays + ": -" + downtimeDays);
    if (series > 0) terms.add("running series: +" + Math.round(series));
    if (Math.round(total()) != shown()) {
      terms.add(Math.round(total()) + " in all, shown as " + shown());
    }
    return terms;
  }

  /// @param benefits by family, as [#benefits] has them
  static Score of(
      Formula formula,
      DepthClass depth,
      Map<Family, Double> benefits,
      ScreeningFacts client,
      Ladders ladders) {
    double level = formula.level() + 0.5 * (formula.rung() - client.entryRung(formula.family()));
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
        benefits.get(formula.family()),
        level,
        Math.max(0, level - tolerance),
        pih,
        formula.peelingLast(),
        ladders.running().filter(formula.family()::equals).isPresent() ? 12 : 0);
  }

  /// How well each family serves a client's wishes, 0 to 100.
  static Map<Family, Double> benefits(ScreeningFacts client, Map<Condition, Double> wishes) {
    Oil oil = client.skin().oil().orElse(Oil.BALANCED);
    double most = 3 * wishes.values().stream().mapToDouble(Double::doubleValue).sum();
    Map<Family, Double> benefits = new EnumMap<>(Family.class);
    for (Family family : Family.values()) {
      double sum =
          wishes.entrySet().stream()
              .mapToDouble(wish -> wish.getValue() * Affinity.of(family, wish.getKey(), oil))
              .sum();
      benefits.put(family, most == 0 ? 0 : 100 * sum / most);
    }
    return benefits;
  }

  /// Severity 1 to 3 times the goal's weight (3, 2, 1.5; others 1). A named goal counts severity at
  /// least 1.
  static Map<Condition, Double> wishes(ScreeningFacts client) {
    Map<Condition, Double> wishes = new EnumMap<>(Condition.class);
    for (Condition condition : Condition.values()) {
      int goal = client.skin().goals().indexOf(condition);
      int severity = client.skin().severity(condition);
      double weight = goal >= 0 && goal < GOAL_WEIGHTS.length ? GOAL_WEIGHTS[goal] : 1;
      if (severity > 0) wishes.put(condition, severity * weight);
    }
    return wishes;
  }
}
