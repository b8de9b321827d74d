package ivesk.server.screening;

import ivesk.core.formula.Family;
import java.util.Set;

/// The families whose consent is asked for at a visit: those that may be used for this client. The
/// choice of the formula knows it.
public interface ConsentsAsked {
  Set<Family> of(Screened visit);
}
