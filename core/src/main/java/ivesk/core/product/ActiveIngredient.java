package ivesk.core.product;

import ivesk.core.formula.Substance;
import java.util.Optional;

/// What a product holds that matters on treated skin. Common practice, no source.
public enum ActiveIngredient {
  GLYCOLIC(Substance.GLYCOLIC, Kind.ACID),
  LACTIC(Substance.LACTIC, Kind.ACID),
  MANDELIC(Substance.MANDELIC, Kind.ACID),
  CITRIC(Substance.CITRIC, Kind.ACID),
  MALIC(Substance.MALIC, Kind.ACID),
  TARTARIC(Substance.TARTARIC, Kind.ACID),
  SALICYLIC(Substance.SALICYLIC, Kind.ACID),
  TCA(Substance.TCA, Kind.ACID),
  PYRUVIC(Substance.PYRUVIC, Kind.ACID),
  AZELAIC(Substance.AZELAIC, Kind.ACID),
  /// A polyhydroxy acid: no acid step.
  GLUCONOLACTONE(Substance.GLUCONOLACTONE, Kind.OTHER),
  RESORCINOL(Substance.RESORCINOL, Kind.OTHER),
  FIG(Substance.FIG, Kind.ENZYME),
  PAPAYA(Substance.PAPAYA, Kind.ENZYME),
  PINEAPPLE(Substance.PINEAPPLE, Kind.ENZYME),
  PUMPKIN(Substance.PUMPKIN, Kind.ENZYME),
  RETINOL(Substance.RETINOL, Kind.RETINOID),
  RETINAL("retinal", Kind.RETINOID),
  PRESCRIBED_RETINOID("prescribed retinoid", Kind.RETINOID),
  ASCORBIC_ACID("vitamin C as ascorbic acid", Kind.LOW_PH_ASCORBIC),
  NEUTRAL_ASCORBATE("vitamin C, neutral form", Kind.OTHER),
  COPPER_PEPTIDE("copper peptide", Kind.COPPER),
  HYDROQUINONE("hydroquinone", Kind.INHIBITOR),
  OTHER_INHIBITOR("other pigment inhibitor", Kind.INHIBITOR),
  BENZOYL_PEROXIDE("benzoyl peroxide", Kind.PEROXIDE),
  SCRUB_GRAINS("scrub grains", Kind.SCRUB),
  LIDOCAINE("lidocaine", Kind.NUMBING),
  MENTHOL("menthol", Kind.OTHER),
  NIACINAMIDE("niacinamide", Kind.OTHER),
  PANTHENOL("panthenol", Kind.CALMING),
  ALLANTOIN("allantoin", Kind.CALMING),
  HYALURONIC("hyaluronic acid", Kind.CALMING),
  CERAMIDES("ceramides", Kind.CALMING);

  /// What it does where it is put.
  public enum Kind {
    /// AHA, BHA, TCA, pyruvic and azelaic acid.
    ACID,
    ENZYME,
    RETINOID,
    LOW_PH_ASCORBIC,
    COPPER,
    INHIBITOR,
    PEROXIDE,
    SCRUB,
    NUMBING,
    CALMING,
    OTHER
  }

  private final String label;
  private final Optional<Substance> substance;
  private final Kind kind;

  ActiveIngredient(Substance substance, Kind kind) {
    this.label = substance.label();
    this.substance = Optional.of(substance);
    this.kind = kind;
  }

  ActiveIngredient(String label, Kind kind) {
    this.label = label;
    this.substance = Optional.empty();
    this.kind = kind;
  }

  public String label() {
    return label;
  }

  /// As a peel holds it; empty for what no peel holds.
  public Optional<Substance> substance() {
    return substance;
  }

  public Kind kind() {
    return kind;
  }
}
