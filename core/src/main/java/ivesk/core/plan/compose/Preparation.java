package ivesk.core.plan.compose;

import ivesk.core.Require;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.Defaults;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.StepKind;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.Role;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// How the skin is readied before the acid, as the steps, the policies and the limits of the day
/// have it.
///
/// @param cleanses 0 to 9
/// @param degrease before the acid
/// @param acidPrep how long an acid prep stays on; empty where it is none
/// @param eyes what covers them; empty where the region needs nothing
/// @param water for cleansing
/// @param glovePairs 1 or 2
/// @param care limits of the day that are done or left out
/// @param cover zones with open spots, which go under barrier
/// @param comfort what the couch must respect
public record Preparation(
    int cleanses,
    Degrease degrease,
    Optional<Duration> acidPrep,
    Optional<Act> eyes,
    Water water,
    int glovePairs,
    Set<Care.Kind> care,
    List<Zone> cover,
    Set<Comfort> comfort) {

  /// Where neither line nor product names a time; Ivesk's own default. Under 2 min it leaves the
  /// depth class as it is.
  static final Duration ACID_PREP_TIME = Duration.ofSeconds(60);

  /// What takes the oil off.
  public enum Degrease {
    SOLVENT("prep wipe"),
    ACID_PREP("acid prep"),
    PLAIN("plain wipe"),
    NONE("no prep");

    private final String label;

    Degrease(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  public enum Water {
    COOL,
    TEPID,
    WARM
  }

  public static final Preparation USUAL =
      new Preparation(
          2,
          Degrease.SOLVENT,
          Optional.empty(),
          Optional.of(Act.EYE_PADS),
          Water.COOL,
          2,
          Set.of(),
          List.of(),
          Set.of());

  public Preparation {
    Require.range("cleanses", cleanses, 0, 9);
    Require.range("pairs of gloves", glovePairs, 1, 2);
    care = Set.copyOf(care);
    cover = List.copyOf(cover);
    comfort = Set.copyOf(comfort);
  }

  public boolean respects(Comfort one) {
    return comfort.contains(one);
  }

  /// Where no steps are written yet.
  static Preparation of(Policies policies, Limits limits) {
    return new Preparation(
        policies.chose(Choice.CLEANSE_ONCE) ? 1 : 2,
        degrease(policies, limits),
        degrease(policies, limits) == Degrease.ACID_PREP
            ? Optional.of(ACID_PREP_TIME)
            : Optional.empty(),
        Optional.of(Defaults.eyes(policies, Set.of())),
        water(policies, limits),
        policies.chose(Choice.ONE_PAIR_OF_GLOVES) ? 1 : 2,
        limits.care(),
        List.of(),
        Set.of());
  }

  private static Degrease degrease(Policies policies, Limits limits) {
    if (policies.chose(Choice.NO_DEGREASING)) return Degrease.NONE;
    if (limits.care().contains(Care.Kind.NO_SOLVENT)) return Degrease.PLAIN;
    return policies.chose(Choice.DEGREASE_BY_ACID_PREP) ? Degrease.ACID_PREP : Degrease.SOLVENT;
  }

  private static Water water(Policies policies, Limits limits) {
    if (policies.chose(Choice.WARM_WATER) && !limits.care().contains(Care.Kind.NO_HEAT)) {
      return Water.WARM;
    }
    return policies.chose(Choice.TEPID_WATER) ? Water.TEPID : Water.COOL;
  }

  /// As the lines before the first peel have it.
  public static Preparation of(Script script, Setting setting) {
    List<Line> before =
        script.peels().findFirst().map(acid -> script.before(acid).toList()).orElse(List.of());
    Preparation usual = of(setting.policies(), setting.limits());
    return new Preparation(
        (int) before.stream().filter(line -> line.is(StepKind.CLEANSE)).limit(9).count(),
        before.stream()
            .filter(line -> line.is(StepKind.PREP))
            .flatMap(line -> degrease(line).stream())
            .findFirst()
            .orElse(Degrease.NONE),
        before.stream()
            .filter(line -> line.is(StepKind.PREP) && line.acidProduct())
            .findFirst()
            .map(Preparation::time),
        before.stream().flatMap(line -> line.act().stream()).filter(Act::guardsEyes).findFirst(),
        usual.water(),
        usual.glovePairs(),
        usual.care(),
        setting.openSpots(),
        setting.comfort());
  }

  /// As the line has it, else as the product.
  private static Duration time(Line line) {
    return line.step()
        .timing()
        .planned()
        .or(() -> line.product().flatMap(product -> product.timing().planned()))
        .orElse(ACID_PREP_TIME);
  }

  private static Optional<Degrease> degrease(Line line) {
    if (line.act().filter(act -> act == Act.PLAIN_WIPE).isPresent()) {
      return Optional.of(Degrease.PLAIN);
    }
    return line.product()
        .map(product ->
            product.acidStep()
                ? Degrease.ACID_PREP
                : product.role() == Role.SOLVENT_WIPE ? Degrease.SOLVENT : Degrease.PLAIN);
  }
}
