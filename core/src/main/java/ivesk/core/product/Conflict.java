package ivesk.core.product;

import ivesk.core.formula.Formula;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient.Kind;
import ivesk.core.product.CareProduct.Filter;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;

/// What does not go together on treated skin: two products on the same zones the same day, or a
/// product on a fresh peel. Common practice, no source.
public enum Conflict {
  COPPER_AND_ASCORBIC(
      "copper peptide with vitamin C as ascorbic acid: they undo each other",
      product -> product.has(Kind.COPPER),
      product -> product.has(Kind.LOW_PH_ASCORBIC)),
  HYDROQUINONE_AND_PEROXIDE(
      "hydroquinone with peroxide: it stains the skin",
      product -> product.has(active -> active == ActiveIngredient.HYDROQUINONE),
      product -> product.has(Kind.PEROXIDE)),
  RETINOID(
      "a retinoid on a fresh peel, which only the plan's own add-on may be",
      Role.MOISTURISER,
      (product, _) -> product.has(Kind.RETINOID)),
  ACID("an acid on top of a fresh peel", Role.MOISTURISER, (product, _) -> product.has(Kind.ACID)),
  ASCORBIC(
      "vitamin C as ascorbic acid on a fresh peel; a neutral form may go on",
      Role.SERUM,
      (product, _) -> product.has(Kind.LOW_PH_ASCORBIC)),
  CHEMICAL_FILTER(
      "a chemical filter the same day can sting",
      Role.SUNSCREEN,
      (product, after) ->
          product.filter() == Filter.CHEMICAL && !after.policies.chose(Choice.ANY_SUNSCREEN)),
  OCCLUSIVE(
      "an occlusive ointment: heat and frost need air first",
      Role.MOISTURISER,
      (product, after) ->
          product.occlusive()
              && product.role() != Role.BARRIER
              && product.role() != Role.LIP_CARE
              && (after.policies.chose(Choice.NEVER_OCCLUSIVE)
                  || after.endsByItself() && !after.policies.chose(Choice.OCCLUSIVE_AT_ONCE))),
  PEROXIDE("benzoyl peroxide on a fresh peel", Role.MOISTURISER, (p, _) -> p.has(Kind.PEROXIDE)),
  ALCOHOL(
      "alcohol on a fresh peel",
      Role.TONER,
      (product, _) -> product.alcoholWet() && product.role() != Role.SOLVENT_WIPE),
  FRAGRANCE("fragrance on a fresh peel", Role.MOISTURISER, (product, _) -> product.fragrance()),
  INHIBITOR(
      "a pigment inhibitor on a fresh peel can sting",
      Role.MOISTURISER,
      (product, after) ->
          product.has(Kind.INHIBITOR) && !after.policies.chose(Choice.INHIBITOR_THE_SAME_DAY));

  /// The peel that a product would go on.
  public record After(Formula formula, Policies policies) {
    private boolean endsByItself() {
      return formula.ending() == Formula.Ending.SELF_LIMITING;
    }
  }

  private final String words;
  private final Optional<Role> instead;
  private final BiPredicate<CareProduct, CareProduct> pair;
  private final BiPredicate<CareProduct, After> onPeel;

  Conflict(String words, Predicate<CareProduct> one, Predicate<CareProduct> other) {
    this.words = words;
    this.instead = Optional.empty();
    this.pair = (a, b) -> one.test(a) && other.test(b) || one.test(b) && other.test(a);
    this.onPeel = (_, _) -> false;
  }

  Conflict(String words, Role instead, BiPredicate<CareProduct, After> onPeel) {
    this.words = words;
    this.instead = Optional.of(instead);
    this.pair = (_, _) -> false;
    this.onPeel = onPeel;
  }

  public String words() {
    return words;
  }

  /// What may be used in its place.
  public Optional<CareProduct> instead() {
    return instead.flatMap(GenericProducts::plain);
  }

  /// Of two products on the same zones on one day.
  public static List<Conflict> between(CareProduct one, CareProduct other) {
    return Arrays.stream(values()).filter(conflict -> conflict.pair.test(one, other)).toList();
  }

  /// Of a product on a fresh peel.
  public static List<Conflict> on(After peel, CareProduct product) {
    return Arrays.stream(values()).filter(conflict -> conflict.onPeel.test(product, peel)).toList();
  }
}
