package ivesk.server.product;

import ivesk.core.formula.Strength;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.BaseIn;
import ivesk.core.product.CareProduct;
import ivesk.core.product.MaskMix;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.product.UnitDose;
import ivesk.core.quantity.Amount;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/// A product as its label has it, over the wire and in tables.
///
/// @param unitAmount mL or g of one unit
/// @param usualUnits by region
/// @param waterC of the water for a mask
/// @param baseMolarMass g/mol, of an amino acid that is not arginine
record ProductLabel(
    String code,
    String name,
    String maker,
    Role role,
    List<Contained> actives,
    Optional<Double> ph,
    UnitDose.Unit unit,
    double unitAmount,
    UnitDose.Measure measure,
    Map<Region, Double> usualUnits,
    Optional<Integer> leastSeconds,
    Optional<Integer> plannedSeconds,
    Optional<Integer> mostSeconds,
    String doneSign,
    List<Region> regions,
    List<CareProduct.NeverOn> neverOn,
    List<String> allergens,
    boolean fragrance,
    boolean alcoholWet,
    CareProduct.Filter filter,
    boolean occlusive,
    CareProduct.Thermal thermal,
    Optional<Double> powderG,
    Optional<Double> waterG,
    Optional<Double> waterC,
    Optional<Integer> setsSeconds,
    Optional<Integer> liftSeconds,
    Optional<BaseIn.Kind> base,
    Optional<Double> baseMolarMass,
    Optional<Double> basePercentWv,
    Optional<Double> baseMmolPerUnit) {

  /// @param percent as the label says
  record Contained(ActiveIngredient active, Optional<Double> percent) {}

  static ProductLabel of(CareProduct product) {
    return new ProductLabel(
        product.code(),
        product.name(),
        product.maker(),
        product.role(),
        product.actives().stream().map(in -> new Contained(in.active(), in.percent())).toList(),
        product.ph().map(Ph::value),
        product.dose().unit(),
        product.dose().each(),
        product.dose().measure(),
        new TreeMap<>(product.usualUnits()),
        seconds(product.timing().least()),
        seconds(product.timing().planned()),
        seconds(product.timing().most()),
        product.doneSign(),
        product.regions().stream().sorted().toList(),
        product.neverOn().stream().sorted().toList(),
        product.allergens(),
        product.fragrance(),
        product.alcoholWet(),
        product.filter(),
        product.occlusive(),
        product.thermal(),
        product.mix().map(mix -> mix.powder().g()),
        product.mix().map(mix -> mix.water().g()),
        product.mix().map(MaskMix::waterC),
        product.mix().map(mix -> (int) mix.sets().toSeconds()),
        product.mix().map(mix -> (int) mix.lift().toSeconds()),
        product.base().map(BaseIn::kind),
        product
            .base()
            .filter(base -> base.kind() == BaseIn.Kind.OTHER_AMINO_ACID)
            .flatMap(BaseIn::molarMass)
            .map(MolarMass::gPerMol),
        product.base().map(base -> base.strength().percent()).filter(percent -> percent > 0),
        product.base().flatMap(BaseIn::perUnit).map(Amount::mmol));
  }

  /// @param version of the label, from 1
  /// @throws IllegalArgumentException naming field, value and what is allowed
  CareProduct product(int version) {
    return new CareProduct(
        code,
        name.strip(),
        maker.strip(),
        version,
        role,
        actives.stream().map(in -> new CareProduct.Ingredient(in.active(), in.percent())).toList(),
        ph.map(Ph::of),
        new UnitDose(unit, unitAmount, measure),
        usualUnits,
        new Timing(time(leastSeconds), time(plannedSeconds), time(mostSeconds)),
        doneSign.strip(),
        new HashSet<>(regions),
        new HashSet<>(neverOn),
        allergens.stream().map(String::strip).toList(),
        fragrance,
        alcoholWet,
        filter,
        occlusive,
        thermal,
        mix(),
        base.map(this::base));
  }

  private Optional<MaskMix> mix() {
    boolean any =
        powderG.isPresent() || waterG.isPresent() || setsSeconds.isPresent() || waterC.isPresent();
    if (!any) return Optional.empty();
    if (powderG.isEmpty() || waterG.isEmpty() || setsSeconds.isEmpty() || liftSeconds.isEmpty()) {
      throw new IllegalArgumentException(
          "a mask from powder names powder, water, when it sets and when it is lifted");
    }
    return Optional.of(
        new MaskMix(
            Mass.g(powderG.get()),
            Mass.g(waterG.get()),
            waterC.orElse(20.0),
            Duration.ofSeconds(setsSeconds.get()),
            Duration.ofSeconds(liftSeconds.get())));
  }

  private BaseIn base(BaseIn.Kind kind) {
    if (kind == BaseIn.Kind.WATER_ONLY) return BaseIn.WATER;
    return new BaseIn(
        kind,
        BaseIn.molarMassOf(kind).or(() -> baseMolarMass.map(MolarMass::new)),
        Strength.wv(basePercentWv.orElse(0.0)),
        baseMmolPerUnit.map(Amount::new));
  }

  private static Optional<Integer> seconds(Optional<Duration> time) {
    return time.map(duration -> (int) duration.toSeconds());
  }

  private static Optional<Duration> time(Optional<Integer> seconds) {
    return seconds.map(Duration::ofSeconds);
  }
}
