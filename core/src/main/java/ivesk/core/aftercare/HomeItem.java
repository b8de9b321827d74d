package ivesk.core.aftercare;

import ivesk.core.Language;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.GenericProducts;
import ivesk.core.skin.HomeProduct.Active;
import java.util.List;
import java.util.Optional;

/// What may stand in a home plan. Common practice, no source.
public enum HomeItem {
  CLEANSER(Sentence.GENTLE_CLEANSER, Returns.AT_ONCE, true, true),
  CREAM(Sentence.BLAND_CREAM, Returns.AT_ONCE, true, true),
  SUNSCREEN(Sentence.MINERAL_SUNSCREEN, Returns.AT_ONCE, true, false),
  VITAMIN_C(
      Sentence.VITAMIN_C_NEUTRAL, Returns.AT_ONCE, true, false, ActiveIngredient.NEUTRAL_ASCORBATE),
  NIACINAMIDE(
      Sentence.NIACINAMIDE, Returns.AFTER_BLAND_DAYS, true, false, ActiveIngredient.NIACINAMIDE),
  CERAMIDES(Sentence.CERAMIDE_CREAM, Returns.AT_ONCE, false, true, ActiveIngredient.CERAMIDES),
  INHIBITOR(
      Sentence.INHIBITOR,
      Returns.WITH_THE_INHIBITOR,
      false,
      true,
      ActiveIngredient.OTHER_INHIBITOR),
  AZELAIC(Sentence.AZELAIC, Returns.WITH_ACIDS, false, true, ActiveIngredient.AZELAIC),
  MANDELIC(Sentence.MANDELIC_HOME, Returns.WITH_ACIDS, false, true, ActiveIngredient.MANDELIC),
  SALICYLIC(Sentence.SALICYLIC_HOME, Returns.WITH_ACIDS, false, true, ActiveIngredient.SALICYLIC),
  PEROXIDE(Sentence.PEROXIDE, Returns.WITH_SCRUBS, true, false, ActiveIngredient.BENZOYL_PEROXIDE),
  RETINOL(Sentence.RETINOL, Returns.WITH_RETINOIDS, false, true, ActiveIngredient.RETINOL);

  /// When it comes back.
  enum Returns {
    AT_ONCE,
    AFTER_BLAND_DAYS,
    /// By policy the same day, or after the bland days.
    WITH_THE_INHIBITOR,
    /// With the acids at home: later after a first peel, and weak at first, by policy.
    WITH_ACIDS,
    WITH_SCRUBS,
    WITH_RETINOIDS
  }

  private final Sentence words;
  private final Returns returns;
  private final boolean morning;
  private final boolean night;
  private final CareProduct product;

  HomeItem(
      Sentence words, Returns returns, boolean morning, boolean night, ActiveIngredient... in) {
    this.words = words;
    this.returns = returns;
    this.morning = morning;
    this.night = night;
    this.product = GenericProducts.atHome(words.in(Language.EN), List.of(in), Filter.NONE, false);
  }

  public Sentence words() {
    return words;
  }

  Returns returns() {
    return returns;
  }

  public boolean morning() {
    return morning;
  }

  public boolean night() {
    return night;
  }

  CareProduct product() {
    return product;
  }

  /// It works on the skin, so that it waits after an incident.
  public boolean active() {
    return switch (this) {
      case CLEANSER, CREAM, SUNSCREEN, CERAMIDES -> false;
      case VITAMIN_C, NIACINAMIDE, INHIBITOR, AZELAIC, MANDELIC, SALICYLIC, PEROXIDE, RETINOL ->
          true;
    };
  }

  /// What the client may have of it already.
  public Optional<Active> atHome() {
    return switch (this) {
      case INHIBITOR -> Optional.of(Active.INHIBITOR);
      case AZELAIC, MANDELIC, SALICYLIC -> Optional.of(Active.ACID);
      case PEROXIDE -> Optional.of(Active.BENZOYL_PEROXIDE);
      case RETINOL -> Optional.of(Active.RETINOL);
      case CLEANSER, CREAM, SUNSCREEN, VITAMIN_C, NIACINAMIDE, CERAMIDES -> Optional.empty();
    };
  }
}
