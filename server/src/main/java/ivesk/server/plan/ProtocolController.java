package ivesk.server.plan;

import ivesk.core.aftercare.Sheet;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.plan.objection.Objection.Severity;
import ivesk.core.plan.objection.Objections;
import ivesk.core.plan.objection.ScriptRules;
import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Protocol;
import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.ShelfService;
import ivesk.server.plan.ProtocolStore.Kept;
import ivesk.server.practice.PracticeStore;
import ivesk.server.product.CatalogueService;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ProtocolController {
  private final ProtocolService protocols;
  private final ScriptService scripts;
  private final ShelfService shelf;
  private final CatalogueService catalogue;
  private final PracticeStore practice;
  private final Clock clock;

  ProtocolController(
      ProtocolService protocols,
      ScriptService scripts,
      ShelfService shelf,
      CatalogueService catalogue,
      PracticeStore practice,
      Clock clock) {
    this.protocols = protocols;
    this.scripts = scripts;
    this.shelf = shelf;
    this.catalogue = catalogue;
    this.practice = practice;
    this.clock = clock;
  }

  /// @param shut lines that keep a plan from being kept
  /// @param mind lines to mind
  record ProtocolLine(
      UUID id,
      int version,
      String name,
      Region region,
      String regionLabel,
      int steps,
      long minutes,
      long shut,
      long mind,
      Instant keptAt,
      String keptBy) {}

  @May(Right.RECORD)
  @GetMapping("/api/protocols")
  List<ProtocolLine> all() {
    Setting setting = practiceItself();
    return protocols.all().stream().map(kept -> line(kept, setting)).toList();
  }

  private ProtocolLine line(Kept kept, Setting setting) {
    Protocol protocol = kept.protocol();
    Run run = new Run(setting.script(protocol.region(), protocol.steps()), setting);
    Map<Severity, Long> said =
        Objections.of(List.of(run), Optional.empty()).stream()
            .collect(Collectors.groupingBy(o -> o.severity(), Collectors.counting()));
    return new ProtocolLine(
        kept.id(),
        kept.version(),
        protocol.name(),
        protocol.region(),
        protocol.region().label(),
        protocol.steps().size(),
        Run.minutes(List.of(run)),
        said.getOrDefault(Severity.SHUT, 0L),
        said.getOrDefault(Severity.MIND, 0L),
        kept.at(),
        kept.by());
  }

  private Setting practiceItself() {
    return Setting.of(
        practice.policies(), catalogue.catalogue(), shelf.shelf(), LocalDate.now(clock));
  }

  record Sheet(String name, Region region, List<StepFacts> steps) {
    static Sheet of(Protocol protocol) {
      return new Sheet(
          protocol.name(),
          protocol.region(),
          protocol.steps().stream().map(StepFacts::of).toList());
    }
  }

  /// @param at when it was kept
  record VersionLine(int version, Instant at, String by, boolean retired) {}

  /// @param version of the sheet
  record ProtocolView(
      UUID id, int version, boolean retired, Sheet sheet, List<VersionLine> versions) {}

  @May(Right.RECORD)
  @GetMapping("/api/protocols/{id}")
  ProtocolView one(@PathVariable UUID id) {
    return view(protocols.versions(id), Optional.empty());
  }

  @May(Right.RECORD)
  @GetMapping("/api/protocols/{id}/versions/{version}")
  ProtocolView version(@PathVariable UUID id, @PathVariable int version) {
    return view(protocols.versions(id), Optional.of(version));
  }

  private static ProtocolView view(List<Kept> versions, Optional<Integer> version) {
    Kept kept =
        version
            .flatMap(v -> versions.stream().filter(k -> k.version() == v).findFirst())
            .orElse(versions.getFirst());
    return new ProtocolView(
        kept.id(),
        kept.version(),
        versions.getFirst().retired(),
        Sheet.of(kept.protocol()),
        versions.stream()
            .map(k -> new VersionLine(k.version(), k.at(), k.by(), k.retired()))
            .toList());
  }

  /// @param over the version that was looked at; 0 for a new protocol
  record SheetKept(Sheet sheet, int over) {}

  @May(Right.SHELF)
  @PutMapping("/api/protocols/{id}")
  ProtocolView keep(@PathVariable UUID id, @RequestBody SheetKept body, Principal who) {
    protocols.keep(id, protocol(body.sheet()), body.over(), who.getName());
    return one(id);
  }

  private static Protocol protocol(Sheet sheet) {
    return BadInput.in(
        "sheet",
        () -> new Protocol(sheet.name().strip(), sheet.region(), StepFacts.steps(sheet.steps())));
  }

  @May(Right.SHELF)
  @DeleteMapping("/api/protocols/{id}")
  List<ProtocolLine> retire(@PathVariable UUID id, Principal who) {
    protocols.retire(id, who.getName());
    return all();
  }

  @May(Right.RECORD)
  @GetMapping(value = "/api/protocols/{id}/file", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<byte[]> file(@PathVariable UUID id) {
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"protocol.json\"")
        .body(protocols.file(id));
  }

  record ProtocolText(String text) {}

  /// What a file holds; nothing is kept.
  @StatelessQuestion
  @May(Right.SHELF)
  @PostMapping("/api/protocols/reading")
  Sheet read(@RequestBody ProtocolText body) {
    return Sheet.of(protocols.read(body.text()));
  }

  /// @param visit whose client it is tried on; without one the runs are judged by themselves
  record ToJudge(List<RunFacts> runs, Optional<UUID> visit) {}

  /// What there is to say to some steps; nothing is kept.
  @StatelessQuestion
  @May(Right.TREAT)
  @PostMapping("/api/scripts/judgement")
  Judged judge(@RequestBody ToJudge body) {
    List<ScriptService.Planned> runs =
        BadInput.in(
            "runs",
            () ->
                body.runs().stream()
                    .map(run -> new ScriptService.Planned(run.region(), run.checked()))
                    .toList());
    return body.visit()
        .map(visit -> scripts.judge(visit, runs))
        .orElseGet(() -> {
          Setting setting = practiceItself();
          return Judged.of(
              runs.stream()
                  .map(run -> new Run(setting.script(run.region(), run.steps()), setting))
                  .toList(),
              Optional.empty(),
              Optional.empty());
        });
  }

  /// Something that a line may be about.
  ///
  /// @param unit in which it is counted; empty where there is nothing to count
  /// @param usual by region, in its units
  /// @param plannedSeconds its own time; a peel's first
  record WhatOption(
      Optional<String> peel,
      Optional<String> product,
      Optional<Act> act,
      String label,
      String code,
      StepKind kind,
      String kindLabel,
      boolean acidStep,
      String unit,
      Map<Region, Double> usual,
      List<Region> regions,
      Optional<Integer> plannedSeconds,
      int layersMost) {}

  record KindOption(StepKind id, String label, int seconds) {}

  record GateOption(StepGate id, String label, String asks) {}

  record ZoneOption(Zone id, String label) {}

  /// @param besides regions of which zones may share a run with it
  record RegionZones(Region id, String label, List<ZoneOption> zones, List<Region> besides) {}

  record RuleWords(String id, Severity severity, String when, String source) {}

  record ScriptWords(
      List<WhatOption> whats,
      List<KindOption> kinds,
      List<GateOption> gates,
      List<RegionZones> regions,
      List<RuleWords> rules,
      int mostSteps) {}

  /// What a script is written with.
  @May(Right.RECORD)
  @GetMapping("/api/words/script")
  ScriptWords words() {
    Catalogue products = catalogue.catalogue();
    Shelf peels = shelf.shelf();
    return new ScriptWords(
        Stream.of(
                peels.formulas().stream()
                    .filter(formula -> formula.use() != Formula.Use.OUT_OF_SCOPE)
                    .map(ProtocolController::option),
                products.products().stream().map(ProtocolController::option),
                Arrays.stream(Act.values()).map(ProtocolController::option))
            .flatMap(Function.identity())
            .toList(),
        Arrays.stream(StepKind.values())
            .map(kind -> new KindOption(kind, kind.label(), (int) kind.usual().toSeconds()))
            .toList(),
        Arrays.stream(StepGate.values())
            .map(gate -> new GateOption(gate, gate.label(), gate.asks()))
            .toList(),
        Arrays.stream(Region.values())
            .map(region ->
                new RegionZones(
                    region,
                    region.label(),
                    Zone.inOrder(region).stream()
                        .map(zone -> new ZoneOption(zone, zone.label()))
                        .toList(),
                    Arrays.stream(Region.values()).filter(region::besides).toList()))
            .toList(),
        ScriptRules.ALL.stream()
            .map(rule ->
                new RuleWords(
                    rule.id(), rule.severity(), rule.rule().words(), rule.rule().source().words()))
            .toList(),
        Protocol.MOST_STEPS);
  }

  private static WhatOption option(Formula formula) {
    return new WhatOption(
        Optional.of(formula.code()),
        Optional.empty(),
        Optional.empty(),
        formula.name(),
        formula.code(),
        StepKind.ACID,
        StepKind.ACID.label(),
        formula.peels(),
        "mL",
        Map.of(),
        formula.label().regions().stream().sorted().toList(),
        formula.firstContact().map(time -> (int) time.toSeconds()),
        formula.layersMost());
  }

  private static WhatOption option(CareProduct product) {
    StepKind kind = StepKind.of(product.role());
    return new WhatOption(
        Optional.empty(),
        Optional.of(product.code()),
        Optional.empty(),
        product.name(),
        product.code(),
        kind,
        kind.label(),
        product.acidStep(),
        product.dose().unit().label(),
        product.usualUnits(),
        product.regions().stream().sorted().toList(),
        product.timing().planned().map(time -> (int) time.toSeconds()),
        1);
  }

  private static WhatOption option(Act act) {
    return new WhatOption(
        Optional.empty(),
        Optional.empty(),
        Optional.of(act),
        act.label(),
        "",
        act.kind(),
        act.kind().label(),
        false,
        "",
        Map.of(),
        Arrays.asList(Region.values()),
        Optional.empty(),
        1);
  }
}
