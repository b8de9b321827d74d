package ivesk.server.visit;

import ivesk.server.app.Problems.Refused;
import java.util.UUID;

/// What the treatment of a visit still lets the earlier stations change. The treatment room keeps
/// it; the rooms before it only ask.
public interface VisitRecord {
  /// @throws Refused when the record of this visit is signed: it is corrected by addendum only
  void requireUnsigned(UUID visitId);

  /// @throws Refused when a treatment of this visit is open or done: it carries its own plan
  void requireUnopened(UUID visitId);
}
