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
import ivesk.server.app.StorageMapper.Shape;
import ivesk.server.app.StorageMapper.Upcaster;
import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/// A product as it is kept. Strengths in % w/v, masses in g.
record StoredProduct(
    String code,
    String name,
    String maker,
    int version,
    Role role,
    List<Ingredient> actives,
    Optional<Double> ph,
    Dose dose,
    Map<Region, Double> usualUnits,
    Times timing,
    String doneSign,
    List<Region> regions,
    List<CareProduct.NeverOn> neverOn,
    List<String> allergens,
    boolean fragrance,
    boolean alcoholWet,
    CareProduct.Filter filter,
    boolean occlusive,
    CareProduct.Thermal thermal,
    Optional<Mix> mix,
    Optional<Base> base) {

  static final Shape<StoredProduct> SHAPE =
      Shape.of("CareProduct", StoredProduct.class, Upcaster.SAME);

  record Ingredient(ActiveIngredient active, Optional<Double> percent) {}

  record Dose(UnitDose.Unit unit, double each, UnitDose.Measure measure) {}

  record Times(Optional<Duration> least, Optional<Duration> planned, Optional<Duration> most) {}

  record Mix(double powderG, double waterG, double waterC, Duration sets, Duration lift) {}

  record Base(
      BaseIn.Kind kind,
      Optional<Double> molarMass,
      double percentWv,
      Optional<Double> mmolPerUnit) {}

  static StoredProduct of(CareProduct product) {
    return new StoredProduct(
        product.code(),
        product.name(),
        product.maker(),
        product.version(),
        product.role(),
        product.actives().stream().map(in -> new Ingredient(in.active(), in.percent())).toList(),
        product.ph().map(Ph::value),
        new Dose(product.dose().unit(), product.dose().each(), product.dose().measure()),
        new TreeMap<>(product.usualUnits()),
        new Times(product.timing().least(), product.timing().planned(), product.timing().most()),
        product.doneSign(),
        product.regions().stream().sorted().toList(),
        product.neverOn().stream().sorted().toList(),
        product.allergens(),
        product.fragrance(),
        product.alcoholWet(),
        product.filter(),
        product.occlusive(),
        product.thermal(),
        product
            .mix()
            .map(mix ->
                new Mix(mix.powder().g(), mix.water().g(), mix.waterC(), mix.sets(), mix.lift())),
        product
            .base()
            .map(base ->
                new Base(
                    base.kind(),
                    base.molarMass().map(MolarMass::gPerMol),
                    base.strength().percent(),
                    base.perUnit().map(Amount::mmol))));
  }

  CareProduct product() {
    return new CareProduct(
        code,
        name,
        maker,
        version,
        role,
        actives.stream().map(in -> new CareProduct.Ingredient(in.active(), in.percent())).toList(),
        ph.map(Ph::of),
        new UnitDose(dose.unit(), dose.each(), dose.measure()),
        usualUnits,
        new Timing(timing.least(), timing.planned(), timing.most()),
        doneSign,
        new HashSet<>(regions),
        new HashSet<>(neverOn),
        allergens,
        fragrance,
        alcoholWet,
        filter,
        occlusive,
        thermal,
        mix.map(m ->
            new MaskMix(Mass.g(m.powderG()), Mass.g(m.waterG()), m.waterC(), m.sets(), m.lift())),
        base.map(b ->
            new BaseIn(
                b.kind(),
                b.molarMass().map(MolarMass::new),
                Strength.wv(b.percentWv()),
                b.mmolPerUnit().map(Amount::new))));
  }
}
