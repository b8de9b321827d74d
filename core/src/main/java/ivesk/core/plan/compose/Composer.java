package ivesk.core.plan.compose;

import ivesk.core.formula.Formula;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.AddOn;
import ivesk.core.plan.script.Defaults;
import ivesk.core.plan.script.Ledger;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.product.CareProduct;
import ivesk.core.product.CareProduct.Filter;
import ivesk.core.product.CareProduct.NeverOn;
import ivesk.core.product.CareProduct.Thermal;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// Writes the steps of a run where no protocol does: from formula, skin, policy, region and the
/// limits of the day. Common practice, no source.
public final class Composer {
  private final Setting setting;
  private final Region region;
  private final List<Step> steps = new ArrayList<>();

  private Composer(Setting setting, Region region) {
    this.setting = setting;
    this.region = region;
  }

  /// @param then stages after the first, on the same region
  /// @param setting with the client whose plan it is
  public static List<Step> steps(TreatmentPlan plan, List<TreatmentPlan> then, Setting setting) {
    Composer composer = new Composer(setting, plan.region());
    composer.ready();
    composer.stage(plan, "", StepGate.A);
    for (int i = 0; i < then.size(); i++) {
      composer.stage(then.get(i), "-" + (i + 2), StepGate.B);
    }
    plan.addOn().ifPresent(composer::addOn);
    composer.after((then.isEmpty() ? plan : then.getLast()).formula());
    composer.takeWhatNoRuleShuts();
    return List.copyOf(composer.steps);
  }

  /// A product that a rule shuts or warns of gives its place to the next of its role of which none
  /// speaks. Where there is none, what is shut stays out, and the prep is a plain wipe.
  private void takeWhatNoRuleShuts() {
    for (String id : objectedTo(Objection.Severity.MIND)) {
      Step step = step(id);
      if (!(step.what() instanceof What.Use(var code)) || step.kind() == StepKind.ENDING) continue;
      Role role = setting.catalogue().find(code).orElseThrow().role();
      boolean settled =
          products(role)
              .filter(product -> !product.code().equals(code))
              .anyMatch(product -> {
                put(
                    Step.of(id, step.kind(), new What.Use(product.code()))
                        .amount(product.usual(region)));
                return !objectedTo(Objection.Severity.MIND).contains(id);
              });
      if (settled) continue;
      put(step);
      if (!objectedTo(Objection.Severity.SHUT).contains(id)) continue;
      if (step.kind() == StepKind.PREP) {
        put(Step.of(id, Act.PLAIN_WIPE));
      } else {
        steps.remove(step);
      }
    }
  }

  /// In the place of the one with its id.
  private void put(Step step) {
    steps.set(steps.indexOf(step(step.id())), step);
  }

  private Step step(String id) {
    return steps.stream().filter(one -> one.id().equals(id)).findFirst().orElseThrow();
  }

  /// The steps of which a rule speaks as they stand, so severely or more so.
  private Set<String> objectedTo(Objection.Severity least) {
    Run run = new Run(setting.script(region, List.copyOf(steps)), setting);
    return Objections.of(List.of(run), Optional.empty()).stream()
        .filter(objection -> objection.severity().compareTo(least) >= 0)
        .map(Objection::step)
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  private void ready() {
    act("look-1", Act.LOOK_1);
    use("cleanse-1", StepKind.CLEANSE, Role.CLEANSER);
    if (!chose(Choice.CLEANSE_ONCE)) use("cleanse-2", StepKind.CLEANSE, Role.CLEANSER);
    act("look-2", Act.LOOK_2);
    prep();
    if (region == Region.FACE || region == Region.EYE_CONTOUR) {
      use("barrier", StepKind.GUARD, Role.BARRIER);
      act("eyes", Defaults.eyes(setting.policies(), setting.comfort()));
    }
  }

  /// By policy; what is excluded or ruled out today is replaced by a plain wipe.
  private void prep() {
    if (chose(Choice.NO_DEGREASING)) return;
    Role role = chose(Choice.DEGREASE_BY_ACID_PREP) ? Role.ACID_PREP : Role.SOLVENT_WIPE;
    Optional<CareProduct> product = product(role);
    boolean ruledOut =
        setting.care(Care.Kind.NO_SOLVENT)
            || product.isEmpty()
            || product
                .get()
                .acids()
                .flatMap(acid -> acid.substance().stream())
                .anyMatch(setting.limits().excluded()::contains);
    if (ruledOut) {
      act("prep", Act.PLAIN_WIPE);
    } else {
      use("prep", StepKind.PREP, role);
    }
  }

  private void stage(TreatmentPlan plan, String suffix, StepGate gate) {
    Formula formula = plan.formula();
    Step acid =
        Step.of("acid" + suffix, StepKind.ACID, new What.Peel(formula.code()))
            .on(inFull(plan.zones()))
            .off(plan.earlier())
            .layers(plan.layersPlanned(), plan.layersAtMost())
            .with(gate);
    steps.add(plan.contactLimit().map(time -> acid.with(Timing.of(time))).orElse(acid));
    ending(plan, suffix);
    act("rest" + suffix, Act.ASK_TO_REST);
  }

  /// The whole region needs no list.
  private List<Zone> inFull(List<Zone> zones) {
    return zones.equals(Zone.inOrder(region)) ? List.of() : zones;
  }

  private void ending(TreatmentPlan plan, String suffix) {
    Formula formula = plan.formula();
    switch (plan.takeOff()) {
      case COMPRESS -> act("ending" + suffix, Act.COMPRESS_LIFT);
      case COOL_WATER -> act("ending" + suffix, Act.COOL_RINSE);
      case LEFT_ON -> act("ending" + suffix, Act.LEFT_AS_IT_IS);
      case BY_FORMULA -> {
        switch (formula.ending()) {
          case NEUTRALISE -> neutralise(plan, suffix);
          case LIFT_THEN_NEUTRALISE -> {
            act("lift" + suffix, Act.LIFT_GEL);
            neutralise(plan, suffix);
          }
          case RINSE, COOL_RINSE -> act("ending" + suffix, Act.COOL_RINSE);
          case DAMP_PADS, COOL_PADS -> act("ending" + suffix, Act.DAMP_PADS);
          case WIPE_THEN_COOL_RINSE -> {
            act("wipe" + suffix, Act.WIPE_PASTE);
            act("ending" + suffix, Act.COOL_RINSE);
          }
          case SELF_LIMITING -> act("ending" + suffix, Act.LEFT_AS_IT_IS);
          case FROST_IS_THE_END -> act("ending" + suffix, Act.COLD_COMPRESSES);
          case NONE -> {}
        }
      }
    }
  }

  /// Twice what the layers at most need, counted up to whole units.
  private void neutralise(TreatmentPlan plan, String suffix) {
    CareProduct product = Defaults.neutraliser(setting);
    Step step = Step.of("ending" + suffix, StepKind.ENDING, new What.Use(product.code()));
    steps.add(
        product
            .base()
            .flatMap(base ->
                base.unitsFor(
                    Ledger.protons(plan.formula(), plan.layer()).times(2.0 * plan.layersAtMost()),
                    product.dose()))
            .map(units -> step.amount(Math.ceil(units)))
            .orElse(step));
  }

  private void addOn(AddOn addOn) {
    steps.add(
        Step.of("add-on", StepKind.ACID, new What.Peel(addOn.formula().code())).with(StepGate.B));
  }

  private void after(Formula formula) {
    if (!Defaults.staysAsItIs(formula, setting)) {
      use("cream", StepKind.PRODUCT, Role.MOISTURISER);
      if (region == Region.FACE) {
        use("eye-care", StepKind.PRODUCT, Role.EYE_CARE);
        use("lip-care", StepKind.PRODUCT, Role.LIP_CARE);
      }
      use("sunscreen", StepKind.SUNSCREEN, Role.SUNSCREEN);
    }
    act("leaving", Act.LEAVING_CHECK);
  }

  private boolean chose(Choice choice) {
    return setting.policies().chose(choice);
  }

  private void act(String id, Act act) {
    steps.add(Step.of(id, act));
  }

  /// The first product of a role that suits region and limits; the line stays out where there is
  /// none.
  private void use(String id, StepKind kind, Role role) {
    product(role)
        .ifPresent(product -> {
          Step step = Step.of(id, kind, new What.Use(product.code()));
          steps.add(step.amount(product.usual(region)));
        });
  }

  private Optional<CareProduct> product(Role role) {
    return products(role).findFirst();
  }

  private Stream<CareProduct> products(Role role) {
    Predicate<CareProduct> suits =
        product ->
            product.role() == role
                && product.regions().contains(region)
                && !(region == Region.EYE_CONTOUR
                    && product.neverOn().contains(NeverOn.EYE_CONTOUR))
                && product.thermal() != Thermal.WARMS
                && product.filter() != Filter.CHEMICAL
                && !product.fragrance();
    return setting.catalogue().products().stream().filter(suits);
  }
}
