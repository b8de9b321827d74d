package ivesk.core.screening.limits;

import ivesk.core.formula.Depth;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// All restrictions of a client for one day, combined: exclusions unite; the depth cap is the
/// shallowest; layers are the smallest cap, then at most one off in all, never below 1; contact is
/// shortened by the smallest single factor, since factors do not multiply.
///
/// @param onlyFamilies empty means any
/// @param layerCap 99 means none
/// @param contactFactor 1 means none
public record Limits(
    Set<Substance> excluded,
    Set<Family> excludedFamilies,
    Optional<Set<Family>> onlyFamilies,
    Optional<Set<String>> onlyFormulas,
    Set<String> excludedFormulas,
    boolean noWarming,
    Set<Zone> excludedZones,
    Optional<DepthClass> depthCap,
    boolean countsDeeper,
    boolean firstRungOnly,
    boolean entryRungOnly,
    boolean oneRungDown,
    int layerCap,
    boolean oneLayerOff,
    double contactFactor,
    Strength tcaAtMost,
    Map<Substance, Strength> atMostOf,
    Optional<Integer> belowLevel,
    int intervalAtLeastDays,
    boolean doubleInterval,
    Set<Restriction.Care.Kind> care,
    List<String> words) {

  public static final int NO_LAYER_CAP = 99;
  private static final Duration SHORTEST_CONTACT = Duration.ofSeconds(60);

  public static Limits combine(List<Restriction> restrictions) {
    Set<Substance> excluded = EnumSet.noneOf(Substance.class);
    Set<Family> excludedFamilies = EnumSet.noneOf(Family.class);
    Optional<Set<Family>> onlyFamilies = Optional.empty();
    Optional<Set<String>> onlyFormulas = Optional.empty();
    Set<String> excludedFormulas = new HashSet<>();
    boolean noWarming = false;
    Set<Zone> excludedZones = EnumSet.noneOf(Zone.class);
    Optional<DepthClass> depthCap = Optional.empty();
    boolean deeper = false;
    boolean rungDown = false;
    boolean firstRung = false;
    boolean entryRung = false;
    int layerCap = NO_LAYER_CAP;
    boolean oneLayerOff = false;
    double factor = 1;
    Strength tcaMost = Strength.wv(100);
    Map<Substance, Strength> atMostOf = new EnumMap<>(Substance.class);
    Optional<Integer> belowLevel = Optional.empty();
    int interval = 0;
    boolean doubled = false;
    Set<Restriction.Care.Kind> care = EnumSet.noneOf(Restriction.Care.Kind.class);
    Set<String> words = new LinkedHashSet<>();

    for (Restriction restriction : restrictions) {
      switch (restriction) {
        case Restriction.Exclude(var substances) -> excluded.addAll(substances);
        case Restriction.ExcludeFamilies(var families) -> excludedFamilies.addAll(families);
        case Restriction.OnlyFamilies(var families) ->
            onlyFamilies = Optional.of(meet(onlyFamilies, families));
        case Restriction.OnlyFormulas(var codes) ->
            onlyFormulas = Optional.of(meet(onlyFormulas, codes));
        case Restriction.ExcludeFormulas(var codes) -> excludedFormulas.addAll(codes);
        case Restriction.NoWarming() -> noWarming = true;
        case Restriction.ExcludeZones(var zones, var untilCleared) -> excludedZones.addAll(zones);
        case Restriction.CountDeeper() -> deeper = true;
        case Restriction.OneRungDown() -> rungDown = true;
        case Restriction.CapDepth(var most) ->
            depthCap = Optional.of(depthCap.map(most::shallower).orElse(most));
        case Restriction.KeepToRung(var first) -> {
          firstRung |= first;
          entryRung |= !first;
        }
        case Restriction.CapLayers(var most) -> layerCap = Math.min(layerCap, most);
        case Restriction.OneLayerOff() -> oneLayerOff = true;
        case Restriction.ShortenContact(var f) -> factor = Math.min(factor, f);
        case Restriction.TcaAtMost(var most) -> tcaMost = most.above(tcaMost) ? tcaMost : most;
        case Restriction.AtMostOf(var substance, var most) ->
            atMostOf.merge(substance, most, (one, other) -> one.above(other) ? other : one);
        case Restriction.BelowLevel(var level) ->
            belowLevel = Optional.of(Math.min(level, belowLevel.orElse(level)));
        case Restriction.IntervalAtLeast(var days) -> interval = Math.max(interval, days);
        case Restriction.DoubleInterval() -> doubled = true;
        case Restriction.Care(var kind) -> care.add(kind);
      }
    }
    Limits limits =
        new Limits(
            excluded,
            excludedFamilies,
            onlyFamilies,
            onlyFormulas,
            excludedFormulas,
            noWarming,
            excludedZones,
            depthCap,
            deeper,
            firstRung,
            entryRung,
            rungDown,
            layerCap,
            oneLayerOff,
            factor,
            tcaMost,
            Map.copyOf(atMostOf),
            belowLevel,
            interval,
            doubled,
            care,
            List.of());
    restrictions.forEach(restriction -> words.add(limits.combined(restriction).words()));
    return limits.saying(List.copyOf(words));
  }

  /// What has come of a restriction together with the others of its kind.
  private Restriction combined(Restriction one) {
    return switch (one) {
      case Restriction.Exclude _ -> new Restriction.Exclude(excluded);
      case Restriction.ExcludeFamilies _ -> new Restriction.ExcludeFamilies(excludedFamilies);
      case Restriction.OnlyFamilies _ -> new Restriction.OnlyFamilies(onlyFamilies.orElseThrow());
      case Restriction.OnlyFormulas _ -> new Restriction.OnlyFormulas(onlyFormulas.orElseThrow());
      case Restriction.ExcludeFormulas _ -> new Restriction.ExcludeFormulas(excludedFormulas);
      case Restriction.ExcludeZones _ -> new Restriction.ExcludeZones(excludedZones, false);
      case Restriction.CapDepth _ -> new Restriction.CapDepth(depthCap.orElseThrow());
      case Restriction.KeepToRung _ -> new Restriction.KeepToRung(firstRungOnly);
      case Restriction.CapLayers _ -> new Restriction.CapLayers(layerCap);
      case Restriction.ShortenContact _ -> new Restriction.ShortenContact(contactFactor);
      case Restriction.TcaAtMost _ -> new Restriction.TcaAtMost(tcaAtMost);
      case Restriction.AtMostOf(var substance, _) ->
          new Restriction.AtMostOf(substance, atMostOf.get(substance));
      case Restriction.BelowLevel _ -> new Restriction.BelowLevel(belowLevel.orElseThrow());
      case Restriction.IntervalAtLeast _ -> new Restriction.IntervalAtLeast(intervalAtLeastDays);
      case Restriction.NoWarming _,
          Restriction.CountDeeper _,
          Restriction.OneRungDown _,
          Restriction.OneLayerOff _,
          Restriction.DoubleInterval _,
          Restriction.Care _ ->
          one;
    };
  }

  private Limits saying(List<String> combined) {
    return new Limits(
        excluded,
        excludedFamilies,
        onlyFamilies,
        onlyFormulas,
        excludedFormulas,
        noWarming,
        excludedZones,
        depthCap,
        countsDeeper,
        firstRungOnly,
        entryRungOnly,
        oneRungDown,
        layerCap,
        oneLayerOff,
        contactFactor,
        tcaAtMost,
        atMostOf,
        belowLevel,
        intervalAtLeastDays,
        doubleInterval,
        care,
        combined);
  }

  private static <T> Set<T> meet(Optional<Set<T>> before, Set<T> more) {
    Set<T> both = new HashSet<>(more);
    before.ifPresent(both::retainAll);
    return both;
  }

  /// The class that a formula reaches today where it is put, one deeper where something makes acid
  /// go deeper.
  public DepthClass depth(Formula formula, Optional<Duration> contact, int layers, Region region) {
    return deepened(Depth.read(formula, contact, layers), formula, region).depth();
  }

  /// A reading for the skin of today: one class deeper, once in all, after dermaplaning or on thin
  /// skin for which the formula is not made.
  public Depth.Reading deepened(Depth.Reading planned, Formula formula, Region region) {
    if (countsDeeper) return planned.deeper("dermaplaned lately");
    boolean thin = region == Region.EYE_CONTOUR || region == Region.NECK_DECOLLETAGE;
    return thin && !formula.label().regions().contains(region)
        ? planned.deeper("not made for " + region.withArticle())
        : planned;
  }

  /// The rung that this client may take of the one that the ladder gives; never below 1.
  public int rung(int ladder) {
    return oneRungDown ? Math.max(1, ladder - 1) : ladder;
  }

  /// Layers that may be planned where a formula or plan would take `base`; never below 1.
  public int layers(int base) {
    int capped = Math.min(base, layerCap);
    return Math.max(1, oneLayerOff ? capped - 1 : capped);
  }

  /// Contact time within the limits, rounded down to 5 s.
  ///
  /// @return empty when it would fall under 60 s, which shuts the formula
  public Optional<Duration> contact(Duration base) {
    long seconds = (long) Math.floor(base.toSeconds() * contactFactor / 5) * 5;
    Duration shortened = contactFactor == 1 ? base : Duration.ofSeconds(seconds);
    return shortened.compareTo(SHORTEST_CONTACT) < 0 ? Optional.empty() : Optional.of(shortened);
  }

  /// The day's shortening leaves less than the least contact of the label.
  private boolean tooShortForItsLabel(Formula formula) {
    Optional<Duration> least = formula.label().leastContact();
    return least.isPresent()
        && formula
            .firstContact()
            .flatMap(this::contact)
            .filter(time -> time.compareTo(least.get()) < 0)
            .isPresent();
  }

  public boolean capsVerySuperficial() {
    return depthCap.filter(cap -> cap == DepthClass.VERY_SUPERFICIAL).isPresent();
  }

  /// A weaker formula of the acid that went badly, with nothing stronger in it: it stands under its
  /// own limit.
  private boolean ofThatAcidAlone(Formula formula) {
    return formula.family().acids().stream().anyMatch(atMostOf::containsKey)
        && formula.level() == formula.family().level();
  }

  /// Everything that is in a formula is among the families that are left: what is milder than any
  /// of them does not count.
  private static boolean within(Set<Family> only, Formula formula) {
    return only.contains(formula.family().coveredBy())
        && !formula.otherAcid()
        && formula.families().stream()
            .allMatch(family -> only.contains(family) || family.level() == 0);
  }

  /// Why these limits shut a formula that reaches a depth; empty when they do not.
  ///
  /// @param depth as [#depth] has it
  /// @param entryRung where this client enters the formula's family
  public List<String> objections(Formula formula, DepthClass depth, int entryRung) {
    List<String> why = new ArrayList<>();
    excluded.stream()
        .filter(formula::contains)
        .forEach(substance -> why.add("contains " + substance.label() + ", which is excluded"));
    Set<Family> holds = formula.families();
    excludedFamilies.stream()
        .filter(holds::contains)
        .sorted()
        .forEach(family -> why.add(family.label() + " is excluded for this client"));
    onlyFamilies
        .filter(only -> !within(only, formula))
        .ifPresent(only -> why.add(new Restriction.OnlyFamilies(only).words()));
    onlyFormulas
        .filter(only -> !only.contains(formula.code()))
        .ifPresent(only -> why.add(new Restriction.OnlyFormulas(only).words()));
    if (excludedFormulas.contains(formula.code())) why.add("this client reacted to it");
    if (noWarming && formula.label().warms()) why.add("warms the skin: no heat today");
    depthCap
        .filter(depth::deeperThan)
        .ifPresent(cap -> why.add(depth.label() + "; the cap is " + cap.label()));
    if (capsVerySuperficial() && (formula.strong() || formula.contains(Substance.RESORCINOL))) {
      why.add(
          "a very superficial cap shuts Jessner, resorcinol, pyruvic and TCA at any number of"
              + " layers");
    }
    if (firstRungOnly && (formula.rung() > 1 || Library.asStrongAsAbove(formula, family -> 1))) {
      why.add("keep to the first rung");
    } else if (entryRungOnly
        && (formula.rung() > entryRung
            || Library.asStrongAsAbove(
                formula, family -> family == formula.family() ? entryRung : 1))) {
      why.add("keep to the entry rung");
    }
    atMostOf.forEach((substance, most) -> {
      boolean holdsMore =
          most.isNone() ? formula.contains(substance) : formula.strengthOf(substance).above(most);
      if (holdsMore) {
        why.add(new Restriction.AtMostOf(substance, most).words());
      }
    });
    belowLevel
        .filter(level -> formula.level() >= level)
        .filter(_ -> !ofThatAcidAlone(formula))
        .ifPresent(level -> why.add(new Restriction.BelowLevel(level).words()));
    if (formula.strengthOf(Substance.TCA).above(tcaAtMost)) {
      why.add("TCA above " + Math.round(tcaAtMost.percent()) + " % is not for this phototype");
    }
    if (formula.firstContact().isPresent() && contact(formula.firstContact().get()).isEmpty()) {
      why.add("contact would fall under 60 s");
    }
    if (tooShortForItsLabel(formula)) {
      why.add("contact would fall under the least of its label");
    }
    return List.copyOf(why);
  }
}
