package ivesk.core.selection;

import ivesk.core.formula.Family;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Where a client stands on the ladders and in a series, passed in as data.
///
/// @param rungs highest rung that a client may take in a family; the entry rung where absent
/// @param reasons why it is that rung, in words
/// @param lastLayers layers of the last peel with a formula, by its code; absent where there was
///   none
/// @param known families that the client has had in this region
/// @param anew families that start again at the first-visit time and layers: after a gap of six
///   months, or after a peel that was too strong or adverse
/// @param higher families that may be entered one rung higher, for a peel done elsewhere; with why
/// @param running family of the running series; empty at a plateau or after a reaction
/// @param milder well-taken peels within twelve months of milder ranked families
public record Ladders(
    Map<Family, Integer> rungs,
    Map<Family, String> reasons,
    Map<String, Integer> lastLayers,
    Set<Family> known,
    Set<Family> anew,
    Map<Family, String> higher,
    Optional<Family> running,
    Milder milder) {

  /// @param peels of a ranked family of level 1 and more other than Jessner, pyruvic and TCA
  /// @param superficial those of them that went superficial
  public record Milder(int peels, int superficial) {
    public static final Milder NONE = new Milder(0, 0);
  }

  public static final Ladders FIRST_VISIT =
      new Ladders(
          Map.of(),
          Map.of(),
          Map.of(),
          Set.of(),
          Set.of(),
          Map.of(),
          Optional.empty(),
          Milder.NONE);

  public Ladders {
    rungs = Map.copyOf(rungs);
    reasons = Map.copyOf(reasons);
    lastLayers = Map.copyOf(lastLayers);
    known = Set.copyOf(known);
    anew = Set.copyOf(anew);
    higher = Map.copyOf(higher);
  }

  /// Nothing more is gained with the running series: it has no advantage over the others.
  public Ladders atPlateau() {
    return new Ladders(rungs, reasons, lastLayers, known, anew, higher, Optional.empty(), milder);
  }

  /// The rung of a family.
  ///
  /// @param entry where the client enters it, 1 and more
  public int rung(Family family, int entry) {
    return rungs.getOrDefault(family, higher.containsKey(family) ? entry + 1 : entry);
  }

  public boolean firstWith(Family family) {
    return !known.contains(family);
  }

  /// Time and layers as on a first visit.
  public boolean startsAnew(Family family) {
    return firstWith(family) || anew.contains(family);
  }
}
