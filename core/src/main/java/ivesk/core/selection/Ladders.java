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
/// @param known families that the client has had
/// @param running family of the running series; empty at a plateau or after a reaction
/// @param milderPeels well-taken peels of families other than Jessner, pyruvic and TCA
public record Ladders(
    Map<Family, Integer> rungs,
    Map<Family, String> reasons,
    Map<String, Integer> lastLayers,
    Set<Family> known,
    Optional<Family> running,
    int milderPeels) {

  public static final Ladders FIRST_VISIT =
      new Ladders(Map.of(), Map.of(), Map.of(), Set.of(), Optional.empty(), 0);

  public Ladders {
    rungs = Map.copyOf(rungs);
    reasons = Map.copyOf(reasons);
    lastLayers = Map.copyOf(lastLayers);
    known = Set.copyOf(known);
  }

  public boolean firstWith(Family family) {
    return !known.contains(family);
  }
}
