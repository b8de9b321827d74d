package ivesk.core.product;

import static ivesk.core.product.ActiveIngredient.ALLANTOIN;
import static ivesk.core.product.ActiveIngredient.CERAMIDES;
import static ivesk.core.product.ActiveIngredient.HYALURONIC;
import static ivesk.core.product.ActiveIngredient.LACTIC;
import static ivesk.core.product.ActiveIngredient.PANTHENOL;
import static ivesk.core.product.UnitDose.BY_G;
import static ivesk.core.product.UnitDose.BY_ML;

import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.CareProduct.Ingredient;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.UnitDose.Unit;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// One made-up product for each role, which a practice's own stand beside. All numbers are Ivesk's
/// own defaults.
public final class GenericProducts {
  private static final Set<NeverOn> OFF_EYES_AND_LIPS =
      EnumSet.of(NeverOn.EYE_CONTOUR, NeverOn.LID, NeverOn.LIP, NeverOn.BROKEN_SKIN);

  public static final List<CareProduct> ALL =
      Stream.of(
              product("REMOVER", "make-up remover, oil free", Role.MAKE_UP_REMOVER, pump(1.5), 2),
              product("CLEANSER", "gel cleanser", Role.CLEANSER, pump(1.5), 2),
              acid("ACID-WASH", "lactic wash 3 %", Role.ACID_WASH, pump(1.5), 2, 3, 3.8),
              wet("SOLVENT", "solvent wipe, alcohol", Role.SOLVENT_WIPE, 1),
              acid("ACID-PREP", "acid prep lotion, lactic 2 %", Role.ACID_PREP, pad(2), 2, 2, 3.5),
              product("BARRIER", "barrier gel, petrolatum", Role.BARRIER, BY_G, 2).sealing(),
              product("BICARB-10", "bicarbonate 10 %", Role.NEUTRALISER, BY_ML, 24)
                  .holding(BaseIn.bicarbonate(10)),
              product("ARGI-WIPE", "arginine wipe 10 %, 4 mL", Role.NEUTRALISER, pad(4), 4)
                  .holding(BaseIn.arginine(10)),
              product("COMPRESS", "cool compress, water", Role.COMPRESS, pad(20), 4).cooling(),
              product("TONER", "calming toner, no alcohol", Role.TONER, pump(0.5), 2, PANTHENOL),
              product("SERUM", "panthenol serum", Role.SERUM, drop(0.05), 6, PANTHENOL, HYALURONIC),
              product("MASK", "gel mask, cool", Role.MASK, BY_G, 15, ALLANTOIN)
                  .cooling()
                  .lasting(5, 10, 20),
              product("MASK-SET", "setting mask, warms", Role.MASK, BY_G, 100)
                  .warming()
                  .mixed(200, 160, 20, 3, 12)
                  .lasting(10, 12, 20),
              product("CREAM", "bland moisturiser", Role.MOISTURISER, pump(0.5), 2, CERAMIDES),
              product("EYE-CARE", "eye care, fragrance free", Role.EYE_CARE, pump(0.2), 1)
                  .on(EnumSet.of(Region.FACE, Region.EYE_CONTOUR)),
              product("LIP-CARE", "lip balm", Role.LIP_CARE, BY_G, 0.3)
                  .on(EnumSet.of(Region.FACE))
                  .sealing(),
              product("SUNSCREEN", "mineral 50", Role.SUNSCREEN, pump(0.6), 3)
                  .filter(Filter.MINERAL),
              product("FINISHER", "mineral powder", Role.FINISHER, BY_G, 0.5)
                  .on(EnumSet.of(Region.FACE, Region.NECK_DECOLLETAGE)),
              product("HOME-CARE", "bland home set", Role.HOME_CARE, BY_G, 1, CERAMIDES))
          .map(ProductDraft::made)
          .toList();

  private GenericProducts() {}

  /// The shipped product that serves a role without acid, warmth, alcohol or fragrance; empty for
  /// the roles that are acid or alcohol by nature.
  public static Optional<CareProduct> plain(Role role) {
    return switch (role) {
      case ACID_WASH -> plain(Role.CLEANSER);
      case ACID_PREP, SOLVENT_WIPE -> Optional.empty();
      default -> ALL.stream().filter(product -> product.role() == role).findFirst();
    };
  }

  /// Something that a client uses at home, as far as conflicts read it.
  public static CareProduct atHome(
      String name, List<ActiveIngredient> in, Filter filter, boolean fragrance) {
    return new ProductDraft("AT-HOME", name, Role.HOME_CARE, BY_G)
        .with(in)
        .filter(filter)
        .fragrant(fragrance)
        .made();
  }

  private static UnitDose pump(double ml) {
    return UnitDose.ml(Unit.PUMP, ml);
  }

  private static UnitDose pad(double ml) {
    return UnitDose.ml(Unit.PAD, ml);
  }

  private static UnitDose drop(double ml) {
    return UnitDose.ml(Unit.DROP, ml);
  }

  private static ProductDraft wet(String code, String name, Role role, double units) {
    return new ProductDraft(code, name, role, pad(2))
        .forTheFace(units)
        .doneWhen("dry to the touch")
        .neverOn(OFF_EYES_AND_LIPS)
        .wetWithAlcohol();
  }

  private static ProductDraft acid(
      String code, String name, Role role, UnitDose dose, double units, double percent, double ph) {
    return new ProductDraft(code, name, role, dose)
        .forTheFace(units)
        .with(new Ingredient(LACTIC, Optional.of(percent)), Ph.of(ph))
        .timed(
            new Timing(
                Optional.empty(),
                Optional.of(Duration.ofSeconds(40)),
                Optional.of(Duration.ofSeconds(60))))
        .neverOn(OFF_EYES_AND_LIPS);
  }

  private static ProductDraft product(
      String code, String name, Role role, UnitDose dose, double units, ActiveIngredient... in) {
    ProductDraft draft =
        new ProductDraft(code, name, role, dose).forTheFace(units).with(List.of(in));
    return switch (role) {
      case SUNSCREEN -> draft.filter(Filter.MINERAL);
      case NEUTRALISER -> draft.holding(BaseIn.WATER);
      default -> draft;
    };
  }
}
