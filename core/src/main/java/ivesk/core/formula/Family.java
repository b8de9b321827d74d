package ivesk.core.formula;

import ivesk.core.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/// A family of formulas with one ladder of strengths, in the order of the rack; those that are
/// chosen by hand come last.
public enum Family {
  PHA("PHA", 0),
  ENZYME("enzyme", 0),
  LACTIC("lactic", 1),
  MANDELIC("mandelic", 1),
  AZELAIC_MANDELIC("azelaic-mandelic", 1),
  GLYCOLIC("glycolic", 2),
  SALICYLIC("salicylic", 3),
  JESSNER("Jessner", 4, Frost.BY_POLICY),
  PYRUVIC("pyruvic", 4),
  TCA("TCA", 5, Frost.PLANNED),
  RESORCINOL("resorcinol", 4, JESSNER, "The practice knows what it is for."),
  LONG_WEAR("long wear", 1, LACTIC, "Stays on for most of the visit; the client needs the time."),
  SPOT("spot", 3, SALICYLIC, "On single closed spots, with a bud; never over a whole face."),
  EYE("eye contour", 1, LACTIC, "For the eye contour, and for nothing else."),
  RETINOID("retinoid add-on", 2, null, "Goes on after an acid has ended and the skin is at rest.");

  /// What frost is to a family.
  public enum Frost {
    /// Injury starting, wherever it shows.
    INJURY,
    /// An endpoint where the practice's policy says so, and to a degree no harm.
    BY_POLICY,
    /// What is aimed for.
    PLANNED
  }

  private final String label;
  private final int level;
  private final Frost frost;
  private final boolean ranked;
  private final Family kin;
  private final String byHand;

  Family(String label, int level) {
    this(label, level, Frost.INJURY);
  }

  Family(String label, int level, Frost frost) {
    this.label = label;
    this.level = level;
    this.frost = frost;
    this.ranked = true;
    this.kin = null;
    this.byHand = "";
  }

  Family(String label, int level, Family kin, String byHand) {
    this.label = label;
    this.level = level;
    this.frost = Frost.INJURY;
    this.ranked = false;
    this.kin = kin;
    this.byHand = byHand;
  }

  /// What frost is to it.
  public Frost frost() {
    return frost;
  }

  /// What it is chosen for by hand; empty for those that compete on the rack.
  public String byHand() {
    return byHand;
  }

  /// "lactic, glycolic and TCA", in the order of the rack; empty for none.
  public static String labels(Set<Family> families) {
    return Words.list(families.stream().sorted().map(Family::label).toList());
  }

  public String label() {
    return label;
  }

  /// Irritation level, 0 mild to 5 strong. Common practice; among the AHAs it follows molar mass.
  public int level() {
    return level;
  }

  /// The acids that make the family: whoever reacted to it is kept from every formula that has one
  /// of them. Empty for the mixture of Jessner, of which nobody knows which part it was.
  public Set<Substance> acids() {
    if (this == RESORCINOL) return Set.of(Substance.RESORCINOL);
    return switch (coveredBy()) {
      case PHA -> Set.of(Substance.GLUCONOLACTONE);
      case ENZYME ->
          Set.of(Substance.PAPAYA, Substance.PINEAPPLE, Substance.FIG, Substance.PUMPKIN);
      case LACTIC -> Set.of(Substance.LACTIC);
      case MANDELIC -> Set.of(Substance.MANDELIC);
      case AZELAIC_MANDELIC -> Set.of(Substance.AZELAIC, Substance.MANDELIC);
      case GLYCOLIC -> Set.of(Substance.GLYCOLIC);
      case SALICYLIC -> Set.of(Substance.SALICYLIC);
      case PYRUVIC -> Set.of(Substance.PYRUVIC);
      case TCA -> Set.of(Substance.TCA);
      case RETINOID -> Set.of(Substance.RETINOL);
      case JESSNER, RESORCINOL, LONG_WEAR, SPOT, EYE -> Set.of();
    };
  }

  /// Competes on the rack; the others are chosen by hand, through the same gates.
  public boolean ranked() {
    return ranked;
  }

  /// Whose consent and patch test hold for it: the family of its acid, mostly itself.
  public Family coveredBy() {
    return kin == null ? this : kin;
  }

  /// Each that is consented to and patch-tested by itself.
  public static List<Family> covering() {
    return Arrays.stream(values()).filter(family -> family.coveredBy() == family).toList();
  }

  /// Taken only after three well-taken peels of a milder family, and never under a cap to very
  /// superficial.
  public boolean strong() {
    return this == JESSNER || this == PYRUVIC || this == TCA;
  }
}
