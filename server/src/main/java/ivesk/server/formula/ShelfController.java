package ivesk.server.formula;

import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.Library;
import ivesk.core.formula.Lot;
import ivesk.core.formula.ScannedLabel;
import ivesk.core.formula.Shelf;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies.Restricted;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.CsvTable.Preview;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.ShelfCsv.Table;
import ivesk.server.formula.ShelfStore.KeptLot;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.practice.PracticeStore.ClinicianOpening;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/shelf")
class ShelfController {
  private final ShelfService shelf;
  private final ShelfCsv csv;
  private final LabelScanner scanner;
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Audit audit;
  private final Clock clock;

  ShelfController(
      ShelfService shelf,
      ShelfCsv csv,
      LabelScanner scanner,
      PracticeStore practice,
      AccountStore accounts,
      Audit audit,
      Clock clock) {
    this.shelf = shelf;
    this.csv = csv;
    this.scanner = scanner;
    this.practice = practice;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param lastDay on which it may be used
  record LotView(
      UUID id,
      int version,
      String number,
      LocalDate received,
      LocalDate expires,
      Optional<LocalDate> opened,
      Optional<Integer> monthsAfterOpening,
      double volumeMl,
      double leftMl,
      LocalDate lastDay,
      Lot.State state,
      String stateLabel) {
    static LotView of(KeptLot kept, LocalDate today) {
      Lot lot = kept.lot();
      return new LotView(
          kept.id(),
          kept.version(),
          lot.number(),
          lot.received(),
          lot.expires(),
          lot.opened(),
          lot.monthsAfterOpening(),
          lot.volume().ml(),
          lot.left().ml(),
          lot.lastDay(),
          lot.state(today),
          lot.state(today).label());
    }
  }

  /// @param version 0 for a shipped formula, which is read-only
  /// @param onRack a product of the practice stands in its place where it is not
  /// @param secondPassByPolicy after one uneventful visit, where the practice has it so
  /// @param needs substance that the supervising clinician has not opened
  /// @param noBottle why no bottle serves today
  record ShelfItem(
      Product label,
      int version,
      boolean onRack,
      String depthLabel,
      double percentWv,
      double freeAcidPercent,
      boolean aboveSalonFigure,
      boolean secondPassByPolicy,
      Optional<Restricted> needs,
      Optional<String> noBottle,
      List<LotView> lots) {}

  /// @param shut formulas that hold it
  record RestrictedView(
      Restricted id, String label, List<String> formulas, Optional<ClinicianOpening> opened) {}

  record FamilyName(Family id, String label, boolean ranked) {}

  record RegionName(Region id, String label) {}

  record SubstanceName(Substance id, String label) {}

  /// @param columns of a label, in their order
  /// @param mayOpen whether the account that asks may open what is restricted
  record ShelfView(
      LocalDate today,
      List<ShelfItem> items,
      List<RestrictedView> restricted,
      boolean mayOpen,
      List<FamilyName> families,
      List<RegionName> regions,
      List<SubstanceName> substances,
      List<ColumnView> columns) {}

  @May(Right.RECORD)
  @GetMapping
  ShelfView view(Principal who) {
    LocalDate today = LocalDate.now(clock);
    Shelf now = shelf.shelf();
    List<KeptLot> lots = shelf.lots();
    List<ClinicianOpening> openings = practice.openings();
    List<Formula> all =
        Stream.concat(
                now.formulas().stream(),
                Library.FORMULAS.stream().filter(f -> now.find(f.code()).isEmpty()))
            .toList();
    return new ShelfView(
        today,
        all.stream().map(formula -> item(formula, now, lots, openings, today)).toList(),
        Arrays.stream(Restricted.values())
            .map(restricted ->
                new RestrictedView(
                    restricted,
                    restricted == Restricted.TCA ? "TCA" : "resorcinol",
                    all.stream()
                        .filter(formula -> formula.holds(restricted))
                        .map(Formula::code)
                        .toList(),
                    openings.stream().filter(o -> o.substance() == restricted).findFirst()))
            .toList(),
        accounts.may(who.getName(), Right.CLINICIAN),
        Arrays.stream(Family.values())
            .map(family -> new FamilyName(family, family.label(), family.ranked()))
            .toList(),
        Arrays.stream(Region.values())
            .map(region -> new RegionName(region, region.label()))
            .toList(),
        Arrays.stream(Substance.values())
            .map(substance -> new SubstanceName(substance, substance.label()))
            .toList(),
        LabelColumn.ALL.stream().map(ColumnView::of).toList());
  }

  private static ShelfItem item(
      Formula formula,
      Shelf now,
      List<KeptLot> lots,
      List<ClinicianOpening> openings,
      LocalDate today) {
    return new ShelfItem(
        Product.of(formula),
        formula.label().version(),
        now.find(formula.code()).isPresent(),
        formula.libraryDepth().label(),
        formula.strength().percent(),
        FreeAcid.of(formula).percent(),
        formula.aboveSalonFigure(),
        Library.secondPassByPolicy(formula),
        Arrays.stream(Restricted.values())
            .filter(restricted -> formula.holds(restricted))
            .filter(restricted -> openings.stream().noneMatch(o -> o.substance() == restricted))
            .findFirst(),
        now.nothingLeft(formula.code(), today),
        lots.stream()
            .filter(kept -> kept.lot().formulaCode().equals(formula.code()))
            .map(kept -> LotView.of(kept, today))
            .toList());
  }

  /// @param over the version that was looked at; 0 for a new product
  record ProductKept(Product label, int over) {}

  @May(Right.SHELF)
  @PutMapping("/products")
  ShelfView save(@RequestBody ProductKept body, Principal who) {
    shelf.save(body.label(), body.over(), who.getName());
    return view(who);
  }

  @May(Right.SHELF)
  @DeleteMapping("/products/{code}")
  ShelfView retire(@PathVariable String code, Principal who) {
    shelf.retire(code, who.getName());
    return view(who);
  }

  /// @param over the version that was looked at; 0 for a new lot
  record LotKept(LotFacts lot, int over) {}

  /// A bottle as it is entered.
  ///
  /// @param volumeMl when full, 1 to 5,000
  /// @param leftMl 0 to the volume
  record LotFacts(
      String formulaCode,
      String number,
      LocalDate received,
      LocalDate expires,
      Optional<LocalDate> opened,
      Optional<Integer> monthsAfterOpening,
      double volumeMl,
      double leftMl) {
    Lot lot() {
      return Lot.of(
          formulaCode, number, received, expires, opened, monthsAfterOpening, volumeMl, leftMl);
    }
  }

  @May(Right.SHELF)
  @PutMapping("/lots/{id}")
  ShelfView saveLot(@PathVariable UUID id, @RequestBody LotKept body, Principal who) {
    Lot lot = BadInput.in("lot", () -> body.lot().lot());
    shelf.saveLot(id, lot, body.over(), who.getName());
    return view(who);
  }

  record Scan(String text) {}

  /// What a code on a bottle says.
  @StatelessQuestion
  @May(Right.SHELF)
  @PostMapping("/scan")
  ScannedLabel scan(@RequestBody Scan body) {
    return ScannedLabel.of(body.text());
  }

  /// Holds a bottle before the scanner; what it types comes back.
  @StatelessQuestion
  @May(Right.SHELF)
  @PostMapping("/scanner/{code}")
  Scan scanner(@PathVariable String code) {
    return new Scan(scanner.scan(shelf.shelf().get(code).code()));
  }

  @May(Right.CLINICIAN)
  @PutMapping("/openings/{restricted}")
  @Transactional
  ShelfView open(@PathVariable Restricted restricted, Principal who) {
    if (practice.openings().stream().noneMatch(o -> o.substance() == restricted)) {
      practice.open(restricted, who.getName(), clock.instant());
      audit.note(who.getName(), "open for the practice", restricted);
    }
    return view(who);
  }

  @May(Right.CLINICIAN)
  @DeleteMapping("/openings/{restricted}")
  @Transactional
  ShelfView close(@PathVariable Restricted restricted, Principal who) {
    practice.close(restricted);
    audit.note(who.getName(), "close for the practice", restricted);
    return view(who);
  }

  @May(Right.RECORD)
  @GetMapping(value = "/csv/{table}", produces = "text/csv")
  String csv(@PathVariable Table table) {
    return switch (table) {
      case PRODUCTS -> csv.products();
      case LOTS -> csv.lots();
    };
  }

  record CsvText(String text) {}

  /// Says what a table would do; writes nothing.
  @May(Right.SHELF)
  @PostMapping("/csv/{table}/preview")
  Preview preview(@PathVariable Table table, @RequestBody CsvText body) {
    return csv.preview(table, body.text());
  }

  @May(Right.SHELF)
  @PostMapping("/csv/{table}")
  Preview take(@PathVariable Table table, @RequestBody CsvText body, Principal who) {
    return csv.take(table, body.text(), who.getName());
  }
}
