package ivesk.core.aftercare;

import ivesk.core.Words;
import ivesk.core.formula.Substance;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.ActiveIngredient.Kind;
import ivesk.core.product.CareProduct;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/// What a client is not given at home: what the screening excludes, in pregnancy what nursing
/// excludes too and inhibitors, and what the client told to be allergic to. Pregnancy is Ivesk's
/// own default, the rest domain/02.
///
/// @param excluded by the screening of the day
/// @param pregnant or possibly
/// @param allergies as they were told
/// @param incident under or after the peel: nothing active until the practice says so
public record KeptOff(
    Set<Substance> excluded, boolean pregnant, String allergies, boolean incident) {
  /// The most of an acid at home in the first weeks, where the policy has any, %.
  static final int CAP_PERCENT = 5;

  public static final KeptOff NOTHING = new KeptOff(Set.of(), false, "", false);

  private static final Set<Substance> IN_PREGNANCY =
      EnumSet.of(Substance.SALICYLIC, Substance.RETINOL);

  /// Acids that are sold for use at home.
  private static final List<ActiveIngredient> AT_HOME =
      List.of(
          ActiveIngredient.GLYCOLIC,
          ActiveIngredient.LACTIC,
          ActiveIngredient.MANDELIC,
          ActiveIngredient.SALICYLIC,
          ActiveIngredient.AZELAIC,
          ActiveIngredient.CITRIC,
          ActiveIngredient.MALIC,
          ActiveIngredient.TARTARIC);

  private static final Map<ActiveIngredient, List<String>> ALSO_TOLD_AS =
      Map.of(
          ActiveIngredient.SALICYLIC, List.of("salicylate", "salicylates", "aspirin"),
          ActiveIngredient.RETINOL, List.of("retinoid", "retinoids", "vitamin A"));

  public KeptOff {
    excluded = Set.copyOf(excluded);
  }

  /// @param excluded by the screening
  public static KeptOff of(
      ScreeningFacts client, Set<Substance> excluded, String allergies, boolean incident) {
    // What acids and retinoids a minor is given at home, a physician decides.
    EnumSet<Substance> all = EnumSet.noneOf(Substance.class);
    all.addAll(excluded);
    if (client.minor()) all.add(Substance.RETINOL);
    return new KeptOff(all, client.is(Question.PREGNANT, "yes"), allergies, incident);
  }

  /// Why something is not given, in words; empty where nothing speaks against it.
  Optional<String> why(HomeItem item) {
    if (incident && item.active()) {
      return Optional.of("something went wrong; the practice says when");
    }
    return why(item.product().actives().stream().map(CareProduct.Ingredient::active));
  }

  /// Whether one of the client's own may hold what they are not given. Which acid is in it, nobody
  /// has said: any that is kept off counts.
  boolean forbids(HomeProduct own) {
    return why(own.actives().stream().flatMap(KeptOff::mayHold)).isPresent();
  }

  /// What is known of a client's product, as ingredients; of several the likeliest first. An
  /// inhibitor may be hydroquinone.
  static Stream<ActiveIngredient> mayHold(Active active) {
    return switch (active) {
      case RETINOL -> Stream.of(ActiveIngredient.RETINOL);
      case PRESCRIBED_RETINOID -> Stream.of(ActiveIngredient.PRESCRIBED_RETINOID);
      case ACID -> AT_HOME.stream();
      case SCRUB -> Stream.of(ActiveIngredient.SCRUB_GRAINS);
      case BENZOYL_PEROXIDE -> Stream.of(ActiveIngredient.BENZOYL_PEROXIDE);
      case INHIBITOR -> Stream.of(ActiveIngredient.HYDROQUINONE);
      case COPPER -> Stream.of(ActiveIngredient.COPPER_PEPTIDE);
      case ASCORBIC_ACID -> Stream.of(ActiveIngredient.ASCORBIC_ACID);
      case CYTOSTATIC, STEROID, CHEMICAL_FILTER, ALCOHOL_OR_FRAGRANCE -> Stream.empty();
    };
  }

  private Optional<String> why(Stream<ActiveIngredient> actives) {
    return actives.flatMap(active -> why(active).stream()).findFirst();
  }

  private Optional<String> why(ActiveIngredient active) {
    if (holds(active, excluded)) return Optional.of("excluded by the screening");
    boolean inhibitor = active.kind() == Kind.INHIBITOR;
    if (pregnant && (inhibitor || holds(active, IN_PREGNANCY))) {
      return Optional.of("pregnant, or could be");
    }
    return Stream.concat(
            // "vitamin C, neutral form" is told as "vitamin C".
            Stream.of(active.label().split(",")[0]),
            ALSO_TOLD_AS.getOrDefault(active, List.of()).stream())
        .filter(name -> Words.names(allergies, name))
        .map(name -> "the client told of " + name)
        .findFirst();
  }

  /// Where retinol is kept off, so is every retinoid.
  private static boolean holds(ActiveIngredient active, Set<Substance> of) {
    return active.substance().filter(of::contains).isPresent()
        || active.kind() == Kind.RETINOID && of.contains(Substance.RETINOL);
  }
}
