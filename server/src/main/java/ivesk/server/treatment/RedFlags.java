package ivesk.server.treatment;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/// Red flags that were opened after a visit. The aftercare room keeps them.
public interface RedFlags {
  /// @param open since when one stands open; empty when all are closed
  /// @param allergic an allergic sign was told
  record Flagged(Optional<LocalDate> open, boolean allergic) {}

  /// By visit, those that count against the peel; absent where none does.
  Map<UUID, Flagged> ofVisits(List<UUID> visits);
}
