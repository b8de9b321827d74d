package ivesk.server.screening;

import ivesk.core.screening.answer.PastPeel;
import ivesk.server.visit.VisitStore.Visit;
import java.util.List;

/// The peels of a client that came before a visit. The treatment room reads them off its records.
public interface PastPeels {
  List<PastPeel> before(Visit visit);
}
