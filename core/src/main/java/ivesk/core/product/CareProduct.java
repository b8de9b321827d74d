package ivesk.core.product;

import ivesk.core.Require;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/// Something that touches skin and is no peel.
///
/// @param code short name, 2 to 12 capitals, digits and dashes
/// @param maker as printed; may be empty
/// @param version counts up with every change of a practice's own product; 0 for a shipped one
/// @param actives what is in it, with strength where the label says
/// @param ph where it is known
/// @param dose what one unit gives
/// @param usualUnits by region, each 0.1 to 500; where a region is absent, one unit
/// @param timing how long it stays; none where it is put on and left
/// @param doneSign the maker's sign that it is done; may be empty
/// @param regions for which it is made
/// @param neverOn where it never goes
/// @param allergens as printed, checked against the client's words
/// @param alcoholWet wet with alcohol: dry before current
/// @param filter of a sunscreen
/// @param occlusive keeps air from the skin
/// @param thermal whether it warms or cools
/// @param mix of a mask from powder
/// @param base of a neutraliser
public record CareProduct(
    String code,
    String name,
    String maker,
    int version,
    Role role,
    List<Ingredient> actives,
    Optional<Ph> ph,
    UnitDose dose,
    Map<Region, Double> usualUnits,
    Timing timing,
    String doneSign,
    Set<Region> regions,
    Set<NeverOn> neverOn,
    List<String> allergens,
    boolean fragrance,
    boolean alcoholWet,
    Filter filter,
    boolean occlusive,
    Thermal thermal,
    Optional<MaskMix> mix,
    Optional<BaseIn> base) {

  /// @param percent as the label says, w/v or w/w; empty where it does not
  public record Ingredient(ActiveIngredient active, Optional<Double> percent) {
    public Ingredient {
      percent.ifPresent(p -> Require.range(active.label() + ", %", p, 0, 100));
    }
  }

  /// Skin that a label may leave out.
  public enum NeverOn {
    EYE_CONTOUR("eye contour"),
    LID("lid"),
    LIP("lip"),
    BROKEN_SKIN("broken skin");

    private final String label;

    NeverOn(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// Of a sunscreen.
  public enum Filter {
    NONE("no filter"),
    MINERAL("mineral filter"),
    CHEMICAL("chemical filter");

    private final String label;

    Filter(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public enum Thermal {
    NEITHER("neither"),
    WARMS("warms"),
    COOLS("cools");

    private final String label;

    Thermal(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// Above this an acid is no acid step. Ivesk's own default.
  private static final double ACID_STEP_PH = 4.5;

  private static final Pattern CODE = Pattern.compile("[A-Z0-9][A-Z0-9-]{1,11}");
  private static final int MOST_WORDS = 20;

  public CareProduct {
    Require.text("code", code, 12);
    if (!CODE.matcher(code).matches()) {
      throw new IllegalArgumentException(
          "code is '" + code + "'; allowed are 2 to 12 capitals, digits and dashes");
    }
    Require.text("name", name, 80);
    Require.atMost("maker", maker, 80);
    Require.range("version", version, 0, 100_000);
    Require.atMost("sign that it is done", doneSign, 120);
    actives = List.copyOf(actives);
    usualUnits = Map.copyOf(usualUnits);
    regions = Set.copyOf(regions);
    neverOn = Set.copyOf(neverOn);
    allergens = List.copyOf(allergens);
    usualUnits.forEach((region, units) ->
        Require.range("usual units for " + region.withArticle(), units, 0.1, 500));
    if (regions.isEmpty()) {
      throw new IllegalArgumentException("regions are empty; name where it is made for");
    }
    Require.range("number of actives", actives.size(), 0, MOST_WORDS);
    if (new HashSet<>(actives.stream().map(Ingredient::active).toList()).size() != actives.size()) {
      throw new IllegalArgumentException("actives name one twice; name each once");
    }
    Require.range("number of allergens", allergens.size(), 0, MOST_WORDS);
    allergens.forEach(word -> Require.text("allergen", word, 40));
    only(role == Role.NEUTRALISER, base.isPresent(), "a base", "neutraliser");
    if (role == Role.NEUTRALISER && base.isEmpty()) {
      throw new IllegalArgumentException("base is empty; a neutraliser names its base or water");
    }
    only(role == Role.MASK, mix.isPresent(), "a mix of powder and water", "mask");
    if (role == Role.SUNSCREEN && filter == Filter.NONE) {
      throw new IllegalArgumentException("filter is NONE; a sunscreen is mineral or chemical");
    }
  }

  private static void only(boolean allowed, boolean has, String what, String whose) {
    if (has && !allowed) {
      throw new IllegalArgumentException("only a " + whose + " has " + what);
    }
  }

  public boolean has(Predicate<ActiveIngredient> which) {
    return actives.stream().map(Ingredient::active).anyMatch(which);
  }

  public boolean has(ActiveIngredient.Kind kind) {
    return has(active -> active.kind() == kind);
  }

  public boolean contains(Substance substance) {
    return has(active -> active.substance().filter(s -> s == substance).isPresent());
  }

  /// The acids in it.
  public Stream<ActiveIngredient> acids() {
    return actives.stream()
        .map(Ingredient::active)
        .filter(active -> active.kind() == ActiveIngredient.Kind.ACID);
  }

  /// Timed, counted and gated as an acid: an AHA, BHA, TCA, pyruvic or azelaic acid at pH 4.5 or
  /// below, or where nobody knows the pH. Ivesk's own default.
  public boolean acidStep() {
    return has(ActiveIngredient.Kind.ACID)
        && ph.filter(value -> value.value() > ACID_STEP_PH).isEmpty();
  }

  /// Units for a region as the label or the practice has them; one where neither does.
  public double usual(Region region) {
    return usualUnits.getOrDefault(region, 1.0);
  }
}
