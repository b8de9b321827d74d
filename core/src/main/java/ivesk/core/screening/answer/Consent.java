package ivesk.core.screening.answer;

import ivesk.core.formula.Family;
import java.time.LocalDate;
import java.util.Optional;

/// A signed consent for one family; valid for 12 months, until it is withdrawn. A minor's needs a
/// guardian.
public record Consent(
    Family family,
    LocalDate signedOn,
    String signedBy,
    Optional<String> guardian,
    Optional<LocalDate> withdrawnOn) {

  public Consent(Family family, LocalDate signedOn, String signedBy, Optional<String> guardian) {
    this(family, signedOn, signedBy, guardian, Optional.empty());
  }

  /// The last day that it holds for, unless it is withdrawn before.
  public LocalDate validUntil() {
    return signedOn.plusMonths(12);
  }

  public boolean covers(Family wanted, LocalDate day, boolean minor) {
    return family == wanted
        && withdrawnOn.filter(withdrawn -> !day.isBefore(withdrawn)).isEmpty()
        && !day.isBefore(signedOn)
        && !day.isAfter(validUntil())
        && (!minor || guardian.isPresent());
  }
}
