package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.aftercare.Told.Part;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.ActiveIngredient;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.Conflict;
import ivesk.core.product.GenericProducts;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// Morning and night at home after a peel, by the main goal: what goes on at once, what returns on
/// which date, and what of the client's own rests or stays away. Common practice, no source.
///
/// @param leftOut what the goal asks for and this client is not given
/// @param own the client's products that do not go on as before
/// @param clashes pairs that do not go together on the same skin the same day
public record HomePlan(
    List<Item> items, List<LeftOut> leftOut, List<Own> own, List<Clash> clashes) {

  /// @param from the first day
  /// @param capPercent the most of it in the first weeks, %
  /// @param alternate on alternate nights
  public record Item(
      HomeItem item, LocalDate from, Optional<Integer> capPercent, boolean alternate) {
    /// As the client reads it, for a day on which the sheet is given.
    public Told told(LocalDate today) {
      Part name = new Part.Things(List.of(item.words()));
      Part day = new Part.Day(from);
      if (capPercent.isPresent()) {
        return Told.of(HOME_CAPPED, name, new Part.Count(capPercent.get()), day);
      }
      if (alternate) return Told.of(HOME_ALTERNATE, name, day);
      return from.isAfter(today) ? Told.of(HOME_FROM, name, day) : Told.of(item.words());
    }
  }

  /// @param why in words
  public record LeftOut(HomeItem item, String why) {}

  /// What becomes of a product of the client's.
  public enum Standing {
    RETURNS,
    /// After an incident, until the practice says so.
    HELD,
    DROP,
    AS_PRESCRIBED
  }

  /// @param from when it returns; empty for the others
  public record Own(String name, Standing standing, Optional<LocalDate> from) {
    public Told told() {
      Part product = new Part.Name(name);
      return switch (standing) {
        case RETURNS -> Told.of(OWN_FROM, product, new Part.Day(from.orElseThrow()));
        case HELD -> Told.of(OWN_HELD, product);
        case DROP -> Told.of(OWN_DROP, product);
        case AS_PRESCRIBED -> Told.of(OWN_AS_PRESCRIBED, product);
      };
    }
  }

  /// @param instead of the second
  public record Clash(Part one, Part other, Conflict why, Optional<HomeItem> instead) {
    public List<Told> told() {
      List<Told> lines = new ArrayList<>();
      lines.add(Told.of(MAY_NOT_MEET, one, other, new Part.Things(List.of(inWords(why)))));
      instead.ifPresent(
          item -> lines.add(Told.of(USE_INSTEAD, new Part.Things(List.of(item.words())))));
      return lines;
    }
  }

  /// A conflict in the client's words.
  static Sentence inWords(Conflict conflict) {
    return switch (conflict) {
      case COPPER_AND_ASCORBIC -> WHY_COPPER_AND_ASCORBIC;
      case HYDROQUINONE_AND_PEROXIDE -> WHY_HYDROQUINONE_AND_PEROXIDE;
      case RETINOID -> WHY_RETINOID;
      case ACID -> WHY_ACID;
      case ASCORBIC -> WHY_ASCORBIC;
      case CHEMICAL_FILTER -> WHY_CHEMICAL_FILTER;
      case OCCLUSIVE -> WHY_OCCLUSIVE;
      case PEROXIDE -> WHY_PEROXIDE;
      case ALCOHOL -> WHY_ALCOHOL;
      case FRAGRANCE -> WHY_FRAGRANCE;
      case INHIBITOR -> WHY_INHIBITOR;
    };
  }

  /// @param goals in their order; the first decides
  /// @param own products as the consult has them
  public static HomePlan of(
      Aftercare sheet,
      KeptOff keptOff,
      List<Condition> goals,
      List<HomeProduct> own,
      boolean sensitive,
      Policies policies) {
    Dates dates = new Dates(sheet, policies);
    Set<HomeItem> chosen = chosen(goals, sensitive);
    List<LeftOut> leftOut =
        chosen.stream()
            .flatMap(item -> keptOff.why(item).map(why -> new LeftOut(item, why)).stream())
            .toList();
    leftOut.forEach(one -> chosen.remove(one.item()));
    List<Item> items =
        chosen.stream()
            .map(item -> new Item(item, dates.of(item), dates.cap(item), alternate(item)))
            .toList();
    return new HomePlan(
        items, leftOut, standing(own, dates, sensitive, keptOff), clashes(chosen, own));
  }

  /// What every skin has, then what serves the main goal. Sensitive skin gets neither retinol nor
  /// peroxide.
  private static Set<HomeItem> chosen(List<Condition> goals, boolean sensitive) {
    Set<HomeItem> chosen =
        new LinkedHashSet<>(List.of(HomeItem.CLEANSER, HomeItem.CREAM, HomeItem.SUNSCREEN));
    if (!goals.isEmpty()) chosen.addAll(serving(goals.getFirst()));
    if (sensitive) chosen.removeAll(EnumSet.of(HomeItem.RETINOL, HomeItem.PEROXIDE));
    return chosen;
  }

  private static List<HomeItem> serving(Condition goal) {
    return switch (goal) {
      case COMEDONES, PORES -> List.of(HomeItem.SALICYLIC, HomeItem.NIACINAMIDE, HomeItem.RETINOL);
      case INFLAMED_SPOTS -> List.of(HomeItem.PEROXIDE, HomeItem.SALICYLIC, HomeItem.NIACINAMIDE);
      case PIH, MELASMA, MELASMA_EPIDERMAL, MELASMA_MIXED, MELASMA_DERMAL, SUN_DAMAGE ->
          List.of(HomeItem.VITAMIN_C, HomeItem.INHIBITOR, HomeItem.AZELAIC);
      case FINE_LINES, WRINKLES_DEEP, SCARS_SHALLOW, SCARS_BOXCAR, SCARS_ICEPICK ->
          List.of(HomeItem.VITAMIN_C, HomeItem.RETINOL);
      case DULLNESS, ROUGHNESS, KERATOSIS_PILARIS -> List.of(HomeItem.VITAMIN_C, HomeItem.MANDELIC);
      case ROSACEA_PAPULES, ROSACEA_FLUSHING -> List.of(HomeItem.AZELAIC);
      case DRYNESS -> List.of(HomeItem.CERAMIDES);
    };
  }

  private static boolean alternate(HomeItem item) {
    return item == HomeItem.RETINOL || item == HomeItem.MANDELIC || item == HomeItem.SALICYLIC;
  }

  /// When things return, read off the sheet, so that both say the same.
  private record Dates(Aftercare sheet, Policies policies) {
    LocalDate of(HomeItem item) {
      return switch (item.returns()) {
        case AT_ONCE -> sheet.on();
        case AFTER_BLAND_DAYS -> sheet.blandUntil().plusDays(1);
        case WITH_THE_INHIBITOR -> inhibitor();
        case WITH_ACIDS -> acids();
        case WITH_SCRUBS -> free(Activity.ACIDS_AND_SCRUBS);
        case WITH_RETINOIDS -> free(Activity.RETINOID);
      };
    }

    private LocalDate inhibitor() {
      return policies.chose(Choice.INHIBITOR_THE_SAME_DAY)
          ? sheet.on()
          : sheet.blandUntil().plusDays(1);
    }

    private LocalDate acids() {
      return sheet
          .rule(Activity.HOME_ACIDS)
          .map(Aftercare.Until::free)
          .orElseGet(() -> free(Activity.ACIDS_AND_SCRUBS));
    }

    private LocalDate free(Activity activity) {
      return sheet.rule(activity).orElseThrow().free();
    }

    /// In the weeks after a first peel the policy keeps acids weak.
    Optional<Integer> cap(HomeItem item) {
      boolean weak =
          item.returns() == HomeItem.Returns.WITH_ACIDS
              && sheet
                  .rule(Activity.ACIDS_AND_SCRUBS)
                  .filter(rule -> rule.what() == SCRUBS_AND_MILD_ACIDS)
                  .isPresent();
      return weak ? Optional.of(KeptOff.CAP_PERCENT) : Optional.empty();
    }

    /// The latest date of all that a product of the client's holds.
    Optional<LocalDate> again(HomeProduct product) {
      return product.actives().stream()
          .map(active ->
              switch (active) {
                case RETINOL, PRESCRIBED_RETINOID -> free(Activity.RETINOID);
                case ACID -> acids();
                case SCRUB, BENZOYL_PEROXIDE, ASCORBIC_ACID, ALCOHOL_OR_FRAGRANCE ->
                    free(Activity.ACIDS_AND_SCRUBS);
                case INHIBITOR -> inhibitor();
                case CHEMICAL_FILTER -> sheet.on().plusDays(1);
                case CYTOSTATIC, STEROID, COPPER -> sheet.on();
              })
          .max(LocalDate::compareTo);
    }
  }

  private static List<Own> standing(
      List<HomeProduct> own, Dates dates, boolean sensitive, KeptOff keptOff) {
    List<Own> all = new ArrayList<>();
    for (HomeProduct product : own) {
      boolean not = keptOff.forbids(product);
      boolean prescribed = product.has(Active.CYTOSTATIC) || product.has(Active.STEROID);
      if (prescribed || (not || keptOff.incident()) && product.has(Active.PRESCRIBED_RETINOID)) {
        all.add(new Own(product.name(), Standing.AS_PRESCRIBED, Optional.empty()));
      } else if (not || sensitive && product.has(Active.SCRUB)) {
        all.add(new Own(product.name(), Standing.DROP, Optional.empty()));
      } else if (keptOff.incident() && !product.actives().isEmpty()) {
        all.add(new Own(product.name(), Standing.HELD, Optional.empty()));
      } else {
        dates
            .again(product)
            .filter(from -> from.isAfter(dates.sheet().on()))
            .ifPresent(
                from -> all.add(new Own(product.name(), Standing.RETURNS, Optional.of(from))));
      }
    }
    return List.copyOf(all);
  }

  /// A product of the client's as the conflicts read it.
  private static CareProduct care(HomeProduct product) {
    List<ActiveIngredient> in =
        product.actives().stream()
            .sorted()
            .flatMap(active -> KeptOff.mayHold(active).limit(1))
            .toList();
    return GenericProducts.atHome(
        product.name(),
        in,
        product.has(Active.CHEMICAL_FILTER) ? Filter.CHEMICAL : Filter.NONE,
        product.has(Active.ALCOHOL_OR_FRAGRANCE));
  }

  private record Candidate(Part name, CareProduct product, Optional<HomeItem> item) {}

  /// Among what is planned and what the client has, each pair once.
  private static List<Clash> clashes(Set<HomeItem> chosen, List<HomeProduct> own) {
    List<Candidate> all = new ArrayList<>();
    for (HomeProduct product : own) {
      all.add(new Candidate(new Part.Name(product.name()), care(product), Optional.empty()));
    }
    for (HomeItem item : chosen) {
      all.add(
          new Candidate(new Part.Things(List.of(item.words())), item.product(), Optional.of(item)));
    }
    List<Clash> clashes = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      for (int j = i + 1; j < all.size(); j++) {
        Candidate one = all.get(i);
        Candidate other = all.get(j);
        for (Conflict conflict : Conflict.between(one.product(), other.product())) {
          clashes.add(new Clash(one.name(), other.name(), conflict, instead(conflict)));
        }
      }
    }
    return List.copyOf(clashes);
  }

  private static Optional<HomeItem> instead(Conflict conflict) {
    return switch (conflict) {
      case COPPER_AND_ASCORBIC -> Optional.of(HomeItem.VITAMIN_C);
      case HYDROQUINONE_AND_PEROXIDE -> Optional.of(HomeItem.AZELAIC);
      case RETINOID,
          ACID,
          ASCORBIC,
          CHEMICAL_FILTER,
          OCCLUSIVE,
          PEROXIDE,
          ALCOHOL,
          FRAGRANCE,
          INHIBITOR ->
          Optional.empty();
    };
  }
}
