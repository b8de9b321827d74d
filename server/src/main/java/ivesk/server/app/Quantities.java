package ivesk.server.app;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonValue;
import ivesk.core.formula.Component;
import ivesk.core.formula.Dilution;
import ivesk.core.formula.Dose;
import ivesk.core.formula.FromParts;
import ivesk.core.formula.ScannedLabel;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Mass;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.core.selection.Attempt;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.stream.Stream;

/// How core's quantities go over the wire and are kept: as a number, with its unit in the name of
/// the field.
final class Quantities {
  private static final Map<Class<?>, Class<?>> MIX_INS =
      Map.ofEntries(
          Map.entry(Volume.class, InMl.class),
          Map.entry(Mass.class, InG.class),
          Map.entry(Area.class, InCm2.class),
          Map.entry(Ph.class, AsPh.class),
          Map.entry(Dose.class, InMgPerCm2.class),
          Map.entry(Strength.class, InPercentWv.class),
          Map.entry(Component.class, ComponentFields.class),
          Map.entry(TreatmentPlan.class, PlanFields.class),
          Map.entry(Attempt.class, AttemptFields.class),
          Map.entry(Dilution.Measure.class, MeasureFields.class),
          Map.entry(FromParts.Made.class, MadeFields.class),
          Map.entry(ScannedLabel.class, ScannedFields.class));

  private Quantities() {}

  /// @param mapper takes a class of core and what is mixed into it
  static void into(BiConsumer<Class<?>, Class<?>> mapper) {
    MIX_INS.forEach(mapper);
  }

  /// The name on the wire of a record's component.
  static String nameOf(RecordComponent component) {
    Class<?> mixIn = MIX_INS.getOrDefault(component.getDeclaringRecord(), Object.class);
    return Arrays.stream(mixIn.getDeclaredMethods())
        .filter(method -> method.getName().equals(component.getName()))
        .flatMap(method -> Stream.ofNullable(method.getAnnotation(JsonProperty.class)))
        .map(JsonProperty::value)
        .findFirst()
        .orElse(component.getName());
  }

  abstract static class InMl {
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    InMl(double ml) {}

    @JsonValue
    abstract double ml();
  }

  /// Only sent, as a dose is.
  interface InG {
    @JsonValue
    double g();
  }

  abstract static class InCm2 {
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    InCm2(double cm2) {}

    @JsonValue
    abstract double cm2();
  }

  abstract static class AsPh {
    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    AsPh(double value) {}

    @JsonValue
    abstract double value();
  }

  interface InMgPerCm2 {
    @JsonValue
    double mgPerCm2();
  }

  /// What core sends and takes is in % w/v; what is not carries its convention beside it.
  interface InPercentWv {
    @JsonValue
    double percent();
  }

  abstract static class ComponentFields {
    @JsonCreator
    static Component of(
        @JsonProperty("substance") Substance substance,
        @JsonProperty("percentWv") double percentWv) {
      return Component.of(substance, percentWv);
    }

    @JsonProperty("percentWv")
    abstract Strength strength();
  }

  interface PlanFields {
    @JsonProperty("areaCm2")
    Area area();

    @JsonProperty("layerMl")
    Volume layer();
  }

  interface AttemptFields {
    @JsonProperty("freeAcidPercent")
    Strength freeAcid();

    @JsonProperty("mgPerCm2")
    Dose dose();

    @JsonProperty("resorcinolG")
    Mass resorcinol();
  }

  interface MeasureFields {
    @JsonProperty("stockPercent")
    Strength stock();

    @JsonProperty("stockMl")
    Volume volume();

    @JsonProperty("finalMl")
    Volume made();

    @JsonProperty("percent")
    Strength strength();
  }

  interface MadeFields {
    @JsonProperty("percentWv")
    Strength strength();

    @JsonProperty("labelPercentWv")
    Strength printed();
  }

  interface ScannedFields {
    @JsonProperty("volumeMl")
    Optional<Volume> volume();
  }
}
