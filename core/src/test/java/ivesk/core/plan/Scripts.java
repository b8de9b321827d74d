package ivesk.core.plan;

import static ivesk.core.screening.Clients.T;

import ivesk.core.formula.Library;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.objection.Objection;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.practice.Policies;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.Timing;
import ivesk.core.screening.Clients;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.series.LadderRules;
import ivesk.core.skin.Areas;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/// Protocols as a test writes them, a step a line: what, then in any order its minutes ("2:00"),
/// amount ("24"), layers ("x2"), spread ("~90"), a zone off sooner ("CHIN<1:30"), zones
/// ("@NOSE+CHIN"), gate ("A"), kind ("MASK").
final class Scripts {

  /// A sheet to which nothing is objected.
  static final List<String> CALM =
      List.of(
          "LOOK_1",
          "CLEANSER",
          "LOOK_2",
          "SOLVENT",
          "BARRIER",
          "EYE_PADS",
          "GLY-20 2:00 3 A",
          "BICARB-10 14",
          "ASK_TO_REST",
          "CREAM",
          "SUNSCREEN",
          "LEAVING_CHECK");

  static List<Step> steps(List<String> lines) {
    return steps(lines, Catalogue.SHIPPED);
  }

  static List<Step> steps(List<String> lines, Catalogue catalogue) {
    List<Step> steps = new ArrayList<>();
    for (String line : lines) steps.add(step("s" + steps.size(), line, catalogue));
    return steps;
  }

  private static Step step(String id, String line, Catalogue catalogue) {
    String[] words = line.split(" ");
    Step step = first(id, words[0], catalogue);
    for (String word : List.of(words).subList(1, words.length)) {
      if (word.matches("\\d+:\\d\\d")) {
        step = step.with(Timing.of(time(word)));
      } else if (word.startsWith("x")) {
        int layers = Integer.parseInt(word.substring(1));
        step = step.layers(layers, layers);
      } else if (word.contains("<")) {
        String[] part = word.split("<");
        step = step.off(Map.of(Zone.valueOf(part[0]), time(part[1])));
      } else if (word.startsWith("~")) {
        step =
            step.spreadOver(Optional.of(Duration.ofSeconds(Integer.parseInt(word.substring(1)))));
      } else if (word.startsWith("@")) {
        step = step.on(Arrays.stream(word.substring(1).split("\\+")).map(Zone::valueOf).toList());
      } else if (word.length() == 1 && "ABC".contains(word)) {
        step = step.with(StepGate.valueOf(word));
      } else {
        step = step.amount(Double.parseDouble(word));
      }
    }
    return step;
  }

  private static Duration time(String clock) {
    String[] part = clock.split(":");
    return Duration.ofSeconds(Integer.parseInt(part[0]) * 60L + Integer.parseInt(part[1]));
  }

  private static Step first(String id, String what, Catalogue catalogue) {
    if (Library.find(what).isPresent()) return Step.of(id, StepKind.ACID, new What.Peel(what));
    Optional<CareProduct> product = catalogue.find(what);
    if (product.isPresent()) return Step.of(id, kind(product.get()), new What.Use(what));
    return Arrays.stream(Act.values())
        .filter(act -> act.name().equals(what))
        .findFirst()
        .map(act -> Step.of(id, act))
        .orElseGet(() -> Step.of(id, StepKind.PRODUCT, new What.Use(what)));
  }

  private static StepKind kind(CareProduct product) {
    return StepKind.of(product.role());
  }

  /// CALM with one of its lines put otherwise.
  static List<String> calmBut(String line, String... instead) {
    if (CALM.stream().noneMatch(line::equals)) throw new IllegalArgumentException(line);
    return CALM.stream()
        .flatMap(l -> l.equals(line) ? Arrays.stream(instead) : java.util.stream.Stream.of(l))
        .toList();
  }

  static Setting practice(Policies policies, Catalogue catalogue) {
    return Setting.of(policies, catalogue, Shelf.SHIPPED, T);
  }

  static Setting client(Clients client, Catalogue catalogue, String allergies) {
    return Setting.of(facts(client), catalogue, allergies, Set.of());
  }

  static SelectionFacts facts(Clients client) {
    return new SelectionFacts(
        client.facts(),
        client.screened(),
        LadderRules.of(client.facts().pastPeels(), T, client.facts().region()),
        Optional.empty(),
        Optional.empty(),
        new Areas(600 / 350.0, 35, Map.of()),
        Optional.empty(),
        Optional.empty());
  }

  static Run run(Region region, List<String> lines, Setting setting) {
    return new Run(setting.script(region, steps(lines, setting.catalogue())), setting);
  }

  static List<Objection> objections(List<String> lines, Setting setting) {
    return Objections.of(List.of(run(Region.FACE, lines, setting)), Optional.empty());
  }

  private Scripts() {}
}
