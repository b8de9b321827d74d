package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.HomeItem;
import ivesk.core.aftercare.HomePlan;
import ivesk.core.aftercare.Nouns;
import ivesk.core.aftercare.Reach;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.product.CareProduct;
import ivesk.core.product.GenericProducts;
import ivesk.core.product.Role;
import ivesk.core.skin.Zone;
import ivesk.server.aftercare.HomePlanStore.Having;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// What a sheet tells of one visit, before it is put into words.
///
/// @param frosted zones that went white, in the order of the figure
/// @param having of the home plan's items, what the client has or does not want
/// @param next the earliest day of the next peel; empty where nobody may say yet
record Done(
    String clientName,
    String therapist,
    Language language,
    List<Acid> acids,
    List<Zone> frosted,
    List<Put> onTheSkin,
    Aftercare sheet,
    HomePlan home,
    Map<HomeItem, Having> having,
    Optional<LocalDate> next,
    Reach reach) {

  record Acid(Formula formula, int layers) {
    /// "glycolic acid 20 %" for what ships, else as the practice calls it.
    String named(Language language) {
      if (formula.label().version() > 0) return formula.name();
      String name = Nouns.of(formula.family(), language);
      double percent = formula.strength().percent();
      return formula.components().size() == 1 && percent > 0
          ? name + " " + Math.round(percent) + " %"
          : name;
    }
  }

  /// Something on the skin as the client leaves.
  ///
  /// @param name as the practice calls it; may be empty
  record Put(String name, Optional<Role> role) {
    /// @param step that puts a product on; the usual care of eyes and lips puts on two
    static List<Put> of(CareStep step) {
      String name = step.name().orElseThrow();
      Put put = new Put(name, step.role());
      boolean both = name.isEmpty() && step.role().filter(Role.EYE_CARE::equals).isPresent();
      return both ? List.of(put, new Put(name, Optional.of(Role.LIP_CARE))) : List.of(put);
    }

    String in(Language language) {
      Optional<Role> ships =
          GenericProducts.ALL.stream()
              .filter(product -> product.name().equals(name))
              .map(CareProduct::role)
              .findFirst();
      boolean asItIs = !name.isBlank() && (language == Language.EN || ships.isEmpty());
      return asItIs ? name : ships.or(() -> role).map(one -> Nouns.of(one, language)).orElse("");
    }
  }
}
