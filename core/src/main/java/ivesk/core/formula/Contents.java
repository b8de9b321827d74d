package ivesk.core.formula;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// What is in a formula, which decides what holds for it: the family that it is filed under only
/// sorts it on the rack. Any amount of TCA, pyruvic acid and resorcinol counts, and 2 % and more of
/// any other acid (Ivesk's own default). What has the parts of Jessner's solution, each within a
/// fifth, is Jessner, whatever it is called. Common practice.
record Contents(Family family, List<Component> components) {
  private static final double COUNTS_FROM_PERCENT = 2;
  private static final double WITHIN = 0.2;

  /// The family whose acid a substance is; substances without one are absent.
  private static final Map<Substance, Family> FAMILIES =
      new EnumMap<>(
          Map.ofEntries(
              Map.entry(Substance.GLYCOLIC, Family.GLYCOLIC),
              Map.entry(Substance.LACTIC, Family.LACTIC),
              Map.entry(Substance.MANDELIC, Family.MANDELIC),
              Map.entry(Substance.SALICYLIC, Family.SALICYLIC),
              Map.entry(Substance.TCA, Family.TCA),
              Map.entry(Substance.PYRUVIC, Family.PYRUVIC),
              Map.entry(Substance.AZELAIC, Family.AZELAIC_MANDELIC),
              Map.entry(Substance.GLUCONOLACTONE, Family.PHA),
              Map.entry(Substance.RESORCINOL, Family.RESORCINOL),
              Map.entry(Substance.RETINOL, Family.RETINOID),
              Map.entry(Substance.FIG, Family.ENZYME),
              Map.entry(Substance.PAPAYA, Family.ENZYME),
              Map.entry(Substance.PINEAPPLE, Family.ENZYME),
              Map.entry(Substance.PUMPKIN, Family.ENZYME)));

  /// Acids without a family of their own: level 2, Ivesk's own default.
  private static final Set<Substance> OTHER_ACIDS =
      EnumSet.of(Substance.CITRIC, Substance.MALIC, Substance.TARTARIC);

  private static final int OTHER_LEVEL = 2;

  /// Every family whose rules hold for a formula: the one that covers it, and that of each acid in
  /// it. Jessner's own rows hold in place of those of its parts.
  Set<Family> families() {
    Set<Family> families = EnumSet.of(family.coveredBy());
    if (jessner()) {
      families.add(Family.JESSNER);
      return families;
    }
    for (Component part : components) {
      if (counts(part)) familyOf(part.substance()).ifPresent(families::add);
    }
    return families;
  }

  private static boolean counts(Component part) {
    return switch (part.substance()) {
      case TCA, PYRUVIC, RESORCINOL, RETINOL, FIG, PAPAYA, PINEAPPLE, PUMPKIN -> true;
      case GLYCOLIC,
          LACTIC,
          MANDELIC,
          SALICYLIC,
          CITRIC,
          MALIC,
          TARTARIC,
          AZELAIC,
          GLUCONOLACTONE ->
          part.strength().percent() >= COUNTS_FROM_PERCENT;
    };
  }

  /// The family of an acid; empty for acids that have none.
  static Optional<Family> familyOf(Substance substance) {
    return Optional.ofNullable(FAMILIES.get(substance));
  }

  /// Holds an acid that no family is named for.
  boolean otherAcid() {
    return !jessner()
        && components.stream()
            .anyMatch(part -> OTHER_ACIDS.contains(part.substance()) && counts(part));
  }

  /// Jessner, its variant, or what has the parts of one of them.
  boolean jessner() {
    return family == Family.JESSNER
        || likeParts(
            Map.of(Substance.RESORCINOL, 14.0, Substance.SALICYLIC, 14.0, Substance.LACTIC, 11.9))
        || likeParts(
            Map.of(Substance.LACTIC, 17.0, Substance.SALICYLIC, 17.0, Substance.CITRIC, 8.0));
  }

  private boolean likeParts(Map<Substance, Double> parts) {
    return parts.entrySet().stream()
        .allMatch(part -> {
          double percent = percent(part.getKey());
          double wanted = part.getValue();
          return Math.abs(percent - wanted) <= WITHIN * wanted + 1e-9;
        });
  }

  /// Taken only after three well-taken peels of a milder family, and never under a cap to very
  /// superficial.
  boolean strong() {
    return families().stream().anyMatch(Family::strong);
  }

  /// Irritation level, 0 to 5: the highest of what it contains. Common practice.
  int level() {
    int level = families().stream().mapToInt(Family::level).max().orElse(family.level());
    return otherAcid() ? Math.max(level, OTHER_LEVEL) : level;
  }

  /// What frost is to it: where a frosting acid stands with an AHA or pyruvic acid, the more
  /// careful row of the two.
  Family.Frost frost() {
    Family.Frost filed = family.frost();
    if (filed == Family.Frost.INJURY || jessner()) return filed;
    boolean mixed = families().stream().anyMatch(family -> family.frost() == Family.Frost.INJURY);
    return mixed ? Family.Frost.INJURY : filed;
  }

  private double percent(Substance substance) {
    return components.stream()
        .filter(part -> part.substance() == substance)
        .mapToDouble(part -> part.strength().percent())
        .sum();
  }
}
