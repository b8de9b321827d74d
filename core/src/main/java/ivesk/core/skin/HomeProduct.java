package ivesk.core.skin;

import ivesk.core.Require;
import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;

/// A product that the client uses at home.
///
/// @param name as told, 1 to 120 letters
/// @param since when it was started, where known
/// @param lastUse empty when not told
public record HomeProduct(
    String name, Set<Active> actives, Optional<LocalDate> since, Optional<LocalDate> lastUse) {

  /// What in a product matters to a peel.
  public enum Active {
    RETINOL("retinol"),
    PRESCRIBED_RETINOID("prescribed retinoid"),
    ACID("acid"),
    SCRUB("scrub"),
    BENZOYL_PEROXIDE("benzoyl peroxide"),
    INHIBITOR("tyrosinase inhibitor"),
    CYTOSTATIC("fluorouracil or imiquimod"),
    STEROID("steroid"),
    COPPER("copper peptide"),
    ASCORBIC_ACID("vitamin C as ascorbic acid"),
    CHEMICAL_FILTER("chemical sun filter"),
    ALCOHOL_OR_FRAGRANCE("alcohol or fragrance");

    private final String label;

    Active(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public HomeProduct {
    Require.text("product", name, 120);
    actives = Set.copyOf(actives);
    if (since.isPresent() && lastUse.isPresent() && lastUse.get().isBefore(since.get())) {
      throw new IllegalArgumentException(
          name
              + " was last used on "
              + lastUse.get()
              + ", before it was started on "
              + since.get()
              + "; please check the two dates");
    }
  }

  public boolean has(Active active) {
    return actives.contains(active);
  }
}
