package ivesk.core.plan;

import static ivesk.core.plan.ScriptRulesTest.CATALOGUE;
import static ivesk.core.plan.ScriptRulesTest.after;
import static ivesk.core.plan.Scripts.calmBut;
import static ivesk.core.plan.Scripts.facts;
import static ivesk.core.screening.Clients.T;
import static ivesk.core.screening.Clients.easy;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.aftercare.Sheets;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.compose.Composer;
import ivesk.core.plan.compose.Planning;
import ivesk.core.plan.compose.Planning.Wishes;
import ivesk.core.plan.compose.Preparation;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.stage.Trolley;
import ivesk.core.practice.Policies;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.practice.PolicyQuestion;
import ivesk.core.practice.PolicyQuestion.PolicyOption;
import ivesk.core.product.Catalogue;
import ivesk.core.screening.Clients;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.Chain;
import ivesk.core.selection.Selection;
import ivesk.core.selection.SelectionFacts;
import ivesk.core.skin.Region;
import ivesk.core.skin.Sensitivity;
import ivesk.core.skin.Zone;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Briefing;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.TreatmentEvent;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateADecided;
import ivesk.core.treatment.fact.TreatmentEvent.LayerCovered;
import ivesk.core.treatment.fact.TreatmentEvent.LayerStarted;
import ivesk.core.treatment.fact.TreatmentEvent.Opened;
import ivesk.core.treatment.fact.TreatmentEvent.RednessSeen;
import ivesk.core.treatment.fact.TreatmentEvent.SensationAnswered;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.fact.TreatmentEvent.WhiteningSeen;
import ivesk.core.treatment.fact.TreatmentEvent.WipeTested;
import ivesk.core.treatment.fact.Whitening;
import ivesk.core.treatment.record.Replay;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/// Each policy of domain 11 flipped by itself, and something that a therapist sees is otherwise.
class PoliciesTest {
  /// Read where formulas are made on the bench, on the server: BenchApiTest.
  private static final Set<PolicyQuestion> ON_THE_BENCH = Set.of(PolicyQuestion.COMPOUNDING);

  private static final List<String> PLANNED =
      List.of("GLY-20", "LAC-30", "MAN-20", "SAL-10", "SAL-20", "JES-RF", "TCA-10", "ENZ-P");

  static Stream<Arguments> options() {
    return Stream.of(PolicyQuestion.values())
        .filter(question -> !ON_THE_BENCH.contains(question))
        .flatMap(question ->
            question.options().stream()
                .filter(option -> !option.usual())
                .map(option -> Arguments.of(question, option.id(), option)));
  }

  @ParameterizedTest(name = "{0}: {1}")
  @MethodSource("options")
  void flippedItChangesWhatIsSeen(PolicyQuestion question, String id, PolicyOption option) {
    Policies usual = Policies.defaults().opening(Set.of(Restricted.values()));
    Map<String, String> before = seen(usual);
    assertThat(seen(usual)).as("the same twice").isEqualTo(before);
    Map<String, String> after = seen(option.change().apply(usual));
    List<String> changed =
        Stream.concat(before.keySet().stream(), after.keySet().stream())
            .distinct()
            .filter(where -> !String.valueOf(before.get(where)).equals(after.get(where)))
            .toList();
    assertThat(changed).as(question + " to " + id).isNotEmpty().hasSizeLessThan(before.size() / 2);
  }

  /// What a therapist may see, under some policies, by where it is seen.
  private static Map<String, String> seen(Policies policies) {
    Map<String, String> seen = new LinkedHashMap<>();
    clients(policies)
        .forEach((who, client) -> {
          seen.put("Screen, " + who, screened(client.screened()));
          SelectionFacts facts = facts(client);
          seen.put("Choose, " + who, rack(Selection.choose(facts)));
          seen.put("two strong acids, " + who, together(facts));
          PLANNED.forEach(code -> seen.putAll(visit(who, Library.get(code), facts)));
        });
    seen.putAll(
        visit("eyes", Library.get("EYE-L"), facts(easy().under(policies).at(Region.EYE_CONTOUR))));
    for (List<String> lines :
        List.of(
            after("MASK-SET C"),
            after("SERUM", "MASSAGE"),
            after("EXTRACTION C"),
            after("HQ"),
            after("BALM"),
            List.of("JES-RF x2 3 A", "LEFT_AS_IT_IS", "BALM"),
            List.of("JES-RF x5 3 A", "LEFT_AS_IT_IS"),
            calmBut("SUNSCREEN", "CHEM-50"))) {
      Setting setting = Setting.of(policies, CATALOGUE, Shelf.SHIPPED, T);
      seen.put(
          "objections to " + lines,
          Objections.of(List.of(Scripts.run(Region.FACE, lines, setting)), Optional.empty())
              .toString());
    }
    return seen;
  }

  private static String screened(Screening screening) {
    return screening.verdict()
        + " "
        + screening.until()
        + screening.findings().stream()
            .map(finding -> finding.ruleId() + " " + finding.verdict() + " " + finding.until())
            .toList()
        + screening.open();
  }

  private static String together(SelectionFacts facts) {
    return Chain.of(
            List.of(
                new Chain.Stage(Library.get("GLY-35"), List.of(Zone.FOREHEAD)),
                new Chain.Stage(Library.get("SAL-20"), List.of(Zone.NOSE))),
            facts)
        .objections()
        .stream()
        .map(Screening.Shut::words)
        .toList()
        .toString();
  }

  private static String rack(Selection rack) {
    return rack.tiles().stream()
        .map(tile ->
            tile.formula().code()
                + tile.shut().stream().map(Screening.Shut::words).toList()
                + tile.layers()
                + tile.contact())
        .toList()
        .toString();
  }

  private static Map<String, Clients> clients(Policies policies) {
    Map<String, Clients> clients = new LinkedHashMap<>();
    clients.put("easy", easy());
    clients.put("no barrier", easy().sensitivity(Sensitivity.COMPROMISED));
    clients.put("dermaplaned", easy().answering(Question.DERMAPLANING, "done", T.minusDays(1)));
    clients.put("isotretinoin", easy().answering(Question.ISOTRETINOIN, "now"));
    clients.put("pregnant", easy().answering(Question.PREGNANT, "yes"));
    clients.put("not patched", easy().patched());
    clients.put("returning", easy().after(peel("SAL-20", 40, 1), peel("LAC-30", 10, 1)));
    clients.put(
        "on the ladders",
        easy()
            .primed(30)
            .after(
                peel("LAC-50", 220, 1),
                peel("GLY-35", 170, 1),
                peel("SAL-20", 140, 1),
                peel("JES-RF", 100, 4),
                peel("TCA-10", 50, 3)));
    clients.put(
        "stopped isotretinoin",
        easy().answering(Question.ISOTRETINOIN, "stopped", T.minusDays(100)));
    clients.replaceAll((who, client) -> client.under(policies));
    return clients;
  }

  static PastPeel peel(String code, int daysAgo, int layers) {
    return new PastPeel(
        Library.get(code),
        Region.FACE,
        T.minusDays(daysAgo),
        layers,
        Library.get(code).firstContact().orElse(Duration.ZERO),
        PeelOutcome.WELL_TAKEN,
        Optional.empty());
  }

  /// Plan, steps, Ready, briefing, trolley, the couch and the sheet; nothing where it is shut.
  private static Map<String, String> visit(String who, Formula formula, SelectionFacts facts) {
    Map<String, String> seen = new LinkedHashMap<>();
    String of = ", " + formula.code() + ", " + who;
    if (!Selection.choose(facts).tile(formula.code()).open()) {
      return Map.of("Plan" + of, "shut");
    }
    TreatmentPlan plan = Planning.plan(formula, Optional.empty(), facts, Wishes.NONE);
    Setting setting = Setting.of(facts, Catalogue.SHIPPED, "", Set.of());
    List<Step> steps = Composer.steps(plan, List.of(), setting);
    Script script = setting.script(plan.region(), steps);
    TreatmentPlan ready = plan.readied(Preparation.of(script, setting));
    seen.put(
        "Plan" + of,
        Stream.of(
                plan.layersPlanned(),
                plan.layersAtMost(),
                plan.contactLimit(),
                plan.dwell(),
                plan.hold(),
                plan.stop(),
                plan.firstFrostEnds(),
                plan.nextRung().map(Formula::code),
                plan.restAtMost(),
                plan.takeOff(),
                Planning.edges(formula, facts))
            .map(String::valueOf)
            .toList()
            .toString());
    seen.put("steps" + of, steps.toString());
    seen.put("Ready" + of, ReadyStep.of(ready).stream().map(s -> s.how(ready)).toList().toString());
    seen.put("briefing" + of, Briefing.of(ready).toString());
    seen.put("trolley" + of, Trolley.of(List.of(new Run(script, setting)), false) + "");
    seen.put("couch" + of, couch(ready).toString());
    for (boolean first : new boolean[] {true, false}) {
      seen.put(
          "sheet" + (first ? ", first" : "") + of,
          Sheets.of(
                  formula,
                  DepthClass.SUPERFICIAL,
                  Sheets.client(first, false),
                  facts.client().policies())
              .toString());
    }
    return seen;
  }

  /// What is advised while the first layer is spread, and a while after it, over crystals where the
  /// formula leaves them.
  private static List<String> couch(TreatmentPlan plan) {
    Instant touch = Instant.parse("2026-11-28T14:00:00Z");
    List<TreatmentEvent> events = new ArrayList<>();
    say(events, touch.minusSeconds(120), new Opened(plan));
    for (ReadyStep step : ReadyStep.of(plan)) {
      if (!step.answered()) say(events, touch.minusSeconds(90), new StepDone(step, ""));
    }
    Map<Zone, Integer> pink = new LinkedHashMap<>();
    plan.zones().forEach(zone -> pink.put(zone, 0));
    say(events, touch.minusSeconds(60), new RednessSeen(pink));
    say(events, touch.minusSeconds(50), new SensationAnswered(1));
    say(events, touch.minusSeconds(49), new GateADecided(TreatmentEvent.GateA.KEEP, ""));
    say(events, touch.minusSeconds(10), new TimerArmed());
    say(events, touch, new LayerStarted(plan.zones(), false));
    List<String> lines = new ArrayList<>();
    lines.add(line(plan, events, touch.plusSeconds(10)));
    say(events, touch.plusSeconds(20), new LayerCovered());
    say(events, touch.plusSeconds(30), new SensationAnswered(3));
    say(events, touch.plusSeconds(50), new SensationAnswered(2));
    if (plan.formula().mayCrystallise()) {
      say(
          events,
          touch.plusSeconds(52),
          new WhiteningSeen(plan.zones().subList(0, 1), Whitening.CRYSTALS));
      say(events, touch.plusSeconds(54), new WipeTested(plan.zones().subList(0, 1), true));
    }
    lines.add(line(plan, events, touch.plusSeconds(55)));
    say(events, touch.plusSeconds(210), new SensationAnswered(2));
    lines.add(line(plan, events, touch.plusSeconds(212)));
    return lines;
  }

  private static void say(List<TreatmentEvent> events, Instant at, Fact fact) {
    events.add(new TreatmentEvent(new UUID(3, events.size()), at, "ines", fact));
  }

  private static String line(TreatmentPlan plan, List<TreatmentEvent> events, Instant at) {
    var advice = Advisor.advise(plan, Replay.state(events), at);
    return advice.line() + ": " + advice.reason() + " " + advice.other();
  }
}
