package ivesk.core.product;

import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.CareProduct.Ingredient;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// A product in the making: for every region, put on and left, with nothing in it, until told
/// otherwise.
final class ProductDraft {
  private final String code;
  private final String name;
  private final Role role;
  private final UnitDose dose;
  private Map<Region, Double> usualUnits = Map.of();
  private List<Ingredient> actives = List.of();
  private Optional<Ph> ph = Optional.empty();
  private Timing timing = Timing.NONE;
  private String doneSign = "";
  private Set<Region> regions = EnumSet.allOf(Region.class);
  private Set<NeverOn> neverOn = Set.of();
  private boolean fragrance;
  private boolean alcoholWet;
  private Filter filter = Filter.NONE;
  private boolean occlusive;
  private Thermal thermal = Thermal.NEITHER;
  private Optional<MaskMix> mix = Optional.empty();
  private Optional<BaseIn> base = Optional.empty();

  ProductDraft(String code, String name, Role role, UnitDose dose) {
    this.code = code;
    this.name = name;
    this.role = role;
    this.dose = dose;
  }

  /// Units for the face.
  ProductDraft forTheFace(double units) {
    usualUnits = Map.of(Region.FACE, units);
    return this;
  }

  ProductDraft with(List<ActiveIngredient> in) {
    actives = in.stream().map(active -> new Ingredient(active, Optional.empty())).toList();
    return this;
  }

  ProductDraft with(Ingredient only, Ph value) {
    actives = List.of(only);
    ph = Optional.of(value);
    return this;
  }

  ProductDraft wetWithAlcohol() {
    alcoholWet = true;
    return this;
  }

  ProductDraft fragrant(boolean value) {
    fragrance = value;
    return this;
  }

  ProductDraft sealing() {
    occlusive = true;
    return this;
  }

  ProductDraft cooling() {
    thermal = Thermal.COOLS;
    return this;
  }

  ProductDraft warming() {
    thermal = Thermal.WARMS;
    return this;
  }

  ProductDraft filter(Filter value) {
    filter = value;
    return this;
  }

  ProductDraft on(Set<Region> value) {
    regions = value;
    return this;
  }

  ProductDraft neverOn(Set<NeverOn> value) {
    neverOn = value;
    return this;
  }

  ProductDraft holding(BaseIn value) {
    base = Optional.of(value);
    return this;
  }

  /// Minutes that it stays.
  ProductDraft lasting(int least, int planned, int most) {
    timing = new Timing(minutes(least), minutes(planned), minutes(most));
    return this;
  }

  ProductDraft timed(Timing value) {
    timing = value;
    return this;
  }

  ProductDraft doneWhen(String sign) {
    doneSign = sign;
    return this;
  }

  /// Grams, C and minutes.
  ProductDraft mixed(int powderG, int waterG, int waterC, int sets, int lift) {
    mix =
        Optional.of(
            new MaskMix(
                Mass.g(powderG),
                Mass.g(waterG),
                waterC,
                Duration.ofMinutes(sets),
                Duration.ofMinutes(lift)));
    return this;
  }

  private static Optional<Duration> minutes(int value) {
    return Optional.of(Duration.ofMinutes(value));
  }

  /// @throws IllegalArgumentException for what no product can be
  CareProduct made() {
    return new CareProduct(
        code,
        name,
        "",
        0,
        role,
        actives,
        ph,
        dose,
        usualUnits,
        timing,
        doneSign,
        regions,
        neverOn,
        List.of(),
        fragrance,
        alcoholWet,
        filter,
        occlusive,
        thermal,
        mix,
        base);
  }
}
