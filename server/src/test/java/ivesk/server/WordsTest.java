package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.core.aftercare.Complaint;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Substance;
import ivesk.core.plan.compose.Edge;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.script.Comfort;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.ProductLot;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.rule.Clearing;
import ivesk.core.skin.Condition;
import ivesk.core.skin.Hydration;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Oil;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.ClientCue;
import ivesk.core.treatment.fact.AlarmStep;
import ivesk.core.treatment.fact.EndingStep;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.Redness;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.Quality;
import ivesk.core.treatment.fact.TreatmentEvent.Response;
import ivesk.core.treatment.fact.TreatmentEvent.Silent;
import ivesk.core.treatment.fact.Whitening;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/// The web's words of core's enums. With -Divesk.schema.write=true they are written anew.
class WordsTest {
  private static final Path FILE = Path.of("../web/src/api/enumWords.ts");

  @Test
  void theWebSpellsEnumsAsCoreDoes() throws IOException {
    String words =
        "// Core's words for its enums. Written by WordsTest; do not edit.\n"
            + table("ZONES", Zone.values(), Zone::label)
            + table("REGIONS", Region.values(), Region::label)
            + table("CONDITIONS", Condition.values(), Condition::label)
            + table("LOOK_FINDINGS", LookFinding.values(), LookFinding::label)
            + table("OILS", Oil.values(), Oil::label)
            + table("HYDRATIONS", Hydration.values(), Hydration::label)
            + table("CLEARINGS", Clearing.values(), Clearing::words)
            + table("OUTCOMES", PeelOutcome.values(), PeelOutcome::label)
            + table("FAMILIES", Family.values(), Family::label)
            + table("SUBSTANCES", Substance.values(), Substance::label)
            + table("DEPTHS", DepthClass.values(), DepthClass::label)
            + table("READY_STEPS", ReadyStep.values(), ReadyStep::label)
            + table("GATE_CHOICES", GateA.values(), GateA::label)
            + table("COMFORTS", Comfort.values(), Comfort::label)
            + table("LANGUAGES", Language.values(), Language::label)
            + table("COMPLAINTS", Complaint.values(), Complaint::label)
            + table("EDGES", Edge.values(), Edge::label)
            + table("SIGNS", Sign.values(), Sign::label)
            + table("SIGN_WEIGHTS", Sign.values(), sign -> sign.weight().name())
            + table("ALARM_LINES", Sign.Weight.values(), Sign.Weight::line)
            + lists("ALARM_STEPS_OF", Sign.Weight.values(), Sign.Weight::steps)
            + lists("ALARM_FIRST", Sign.Weight.values(), Sign.Weight::first)
            + table("ALARM_STEPS", AlarmStep.values(), AlarmStep::words)
            + table("WHITENING", Whitening.values(), Whitening::brief)
            + table("WHITENING_LOOKS", Whitening.values(), Whitening::looks)
            + list("REDNESS", Redness.values(), Redness::label)
            + table("QUALITIES", Quality.values(), Quality::label)
            + table("RESPONSES", Response.values(), Response::label)
            + table("CLIENT_CUES", ClientCue.Said.values(), ClientCue.Said::words)
            + table("ENDING_STEPS", EndingStep.values(), EndingStep::words)
            + table("STEP_KINDS", StepKind.values(), StepKind::label)
            + table("STEP_GATES", StepGate.values(), StepGate::label)
            + table("SEVERITIES", Severity.values(), Severity::label)
            + table("PACK_FAULTS", ProductLot.Fault.values(), ProductLot.Fault::label)
            + "\nexport const SILENT = [\n"
            + Arrays.stream(Silent.class.getPermittedSubclasses())
                .map(silent -> "  " + quoted(silent.getSimpleName()) + ",\n")
                .sorted()
                .collect(Collectors.joining())
            + "] as const;\n";
    if (Boolean.getBoolean("ivesk.schema.write")) Files.writeString(FILE, words);
    assertThat(Files.readString(FILE))
        .as("stale: run mvn -pl core,web,server test -Divesk.schema.write=true")
        .isEqualTo(words);
  }

  private static <E extends Enum<E>> String table(
      String name, E[] constants, Function<E, String> words) {
    return Arrays.stream(constants)
        .map(constant -> "  " + constant.name() + ": " + quoted(words.apply(constant)) + ",\n")
        .collect(Collectors.joining("", "\nexport const " + name + " = {\n", "} as const;\n"));
  }

  private static <E extends Enum<E>> String lists(
      String name, E[] constants, Function<E, List<? extends Enum<?>>> ids) {
    return Arrays.stream(constants)
        .map(constant ->
            list(constant.name(), ids.apply(constant).stream().map(Enum::name).toList()))
        .collect(Collectors.joining("", "\nexport const " + name + " = {\n", "} as const;\n"));
  }

  /// Laid out as the web's formatter does, in a line where it fits.
  private static String list(String name, List<String> ids) {
    List<String> quoted = ids.stream().map(WordsTest::quoted).toList();
    String line = "  " + name + ": [" + String.join(", ", quoted) + "],\n";
    return line.length() <= 101
        ? line
        : quoted.stream()
            .map(id -> "    " + id + ",\n")
            .collect(Collectors.joining("", "  " + name + ": [\n", "  ],\n"));
  }

  /// By grade, 0 first.
  private static <E extends Enum<E>> String list(
      String name, E[] constants, Function<E, String> words) {
    return Arrays.stream(constants)
        .map(constant -> quoted(words.apply(constant)))
        .collect(Collectors.joining(", ", "\nexport const " + name + " = [", "] as const;\n"));
  }

  private static String quoted(String words) {
    return '"' + words.replace("\"", "\\\"") + '"';
  }
}
