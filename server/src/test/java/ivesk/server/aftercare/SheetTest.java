package ivesk.server.aftercare;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.HomeItem;
import ivesk.core.aftercare.HomePlan;
import ivesk.core.aftercare.KeptOff;
import ivesk.core.aftercare.Outlook;
import ivesk.core.aftercare.Outlook.Feel;
import ivesk.core.aftercare.Outlook.Step;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.aftercare.Reach;
import ivesk.core.aftercare.Sheet;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.core.plan.compose.CareStep;
import ivesk.core.practice.Policies;
import ivesk.core.product.GenericProducts;
import ivesk.core.product.Role;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Zone;
import ivesk.server.aftercare.HomePlanStore.Having;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// The sheet as a file, read back by the library that others would read it with.
class SheetTest {
  private static final ZonedDateTime ENDED =
      ZonedDateTime.of(2026, 11, 25, 14, 30, 0, 0, ZoneId.of("Europe/Lisbon"));

  private final SheetPdf pdf = new SheetPdf();

  /// As much as a sheet can come to.
  private static Done done(String code) {
    Formula formula = Library.get(code);
    Aftercare sheet =
        Sheet.of(
            List.of(
                new Aftercare.Peeled(
                    formula, DepthClass.SUPERFICIAL, ENDED, List.of(Zone.CHIN, Zone.NOSE))),
            new Aftercare.Client(
                true,
                true,
                Set.of(Care.Kind.TELL_TINGLING, Care.Kind.NO_SUN_14_DAYS),
                Optional.empty(),
                Optional.empty()),
            Optional.empty(),
            new Outlook(
                Optional.of(new Feel.Was(4, Duration.ofSeconds(100))),
                3,
                formula.seriesLeast(),
                formula.seriesMost(),
                formula.intervalDays(),
                Optional.of(new Stronger(Step.AFTER_MORE, 3)),
                List.of(
                    new Outlook.Event("wedding <of> a & b", LocalDate.of(2026, 12, 12)),
                    new Outlook.Event("concert", LocalDate.of(2026, 12, 24)))),
            Policies.defaults());
    return new Done(
        "Wilhelmina Featherstonehaugh-Ångström",
        "Ines Kov",
        Language.ES,
        List.of(new Done.Acid(formula, 2)),
        List.of(Zone.CHIN, Zone.NOSE),
        List.of(
            new Done.Put("", Optional.of(Role.SERUM)),
            new Done.Put("Panthenol cream 5 %", Optional.of(Role.MOISTURISER)),
            new Done.Put("", Optional.of(Role.SUNSCREEN))),
        sheet,
        HomePlan.of(
            sheet,
            KeptOff.NOTHING,
            List.of(Condition.INFLAMED_SPOTS),
            List.of(
                new HomeProduct(
                    "Night cream with inhibitor",
                    Set.of(Active.INHIBITOR, Active.RETINOL),
                    Optional.empty(),
                    Optional.empty())),
            false,
            Policies.defaults()),
        Map.of(HomeItem.SALICYLIC, Having.DECLINED, HomeItem.CREAM, Having.BOUGHT),
        Optional.of(LocalDate.of(2026, 12, 23)),
        new Reach(
            Optional.of("555 0134"), Optional.of("Mon to Sat, 9:00 to 18:00"), Optional.of("112")));
  }

  private static String text(PDDocument document) throws IOException {
    return new PDFTextStripper().getText(document).replaceAll("[\\s\u00a0]+", " ");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "EN | After your peel | Wed 25 Nov | Salicylic acid 20 %, 2 layers | gentle cleanser and bland cream | Emergency number: 112.",
        "ES | Después de su peeling | mié 25 nov | Ácido salicílico 20 %, 2 capas | limpiador suave y crema neutra | Número de urgencias: 112.",
        "FR | Après votre peeling | mer. 25 nov | Acide salicylique 20 %, 2 couches | nettoyant doux et crème neutre | Numéro d’urgence : 112.",
        "DE | Nach Ihrem Peeling | Mi. 25. Nov | Salicylsäure 20 %, 2 Schichten | milde Reinigung und milde Creme | Notrufnummer: 112.",
        "PT | Depois do seu peeling | quarta 25/11 | Ácido salicílico 20 %, 2 camadas | limpeza suave e creme neutro | Número de emergência: 112."
      })
  void saysItInTheClientsLanguage(
      Language language, String title, String day, String acid, String care, String number)
      throws IOException {
    byte[] file = pdf.of(SheetView.of(done("SAL-20"), language), SheetPdf.Paper.A4);
    try (PDDocument document = Loader.loadPDF(file)) {
      assertThat(text(document))
          .contains(title, day, acid, care, number, "wedding <of> a & b", "Panthenol cream 5 %");
      assertThat(document.getDocumentCatalog().getLanguage())
          .isEqualTo(language.locale().getLanguage());
    }
  }

  /// ISO 14289 (PDF/UA): tagged, with a title and a language; every font is in the file.
  @Test
  void isTaggedAndHasItsFontsInIt() throws IOException {
    byte[] file = pdf.of(SheetView.of(done("JES-RF"), Language.FR), SheetPdf.Paper.A4);
    try (PDDocument document = Loader.loadPDF(file)) {
      assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(document.getDocumentCatalog().getStructureTreeRoot().getKids()).isNotEmpty();
      assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Après votre peeling");
      for (PDPage page : document.getPages()) {
        for (var name : page.getResources().getFontNames()) {
          assertThat(page.getResources().getFont(name).isEmbedded()).isTrue();
        }
      }
    }
  }

  @ParameterizedTest
  @EnumSource(SheetPdf.Paper.class)
  void everyFormulaFitsOnePageInTheLongestLanguages(SheetPdf.Paper paper) throws IOException {
    for (Formula formula : Library.FORMULAS) {
      if (!formula.peels()) continue;
      for (Language language : List.of(Language.DE, Language.FR)) {
        SheetView sheet = SheetView.of(done(formula.code()), language);
        try (PDDocument document = Loader.loadPDF(pdf.of(sheet, paper))) {
          assertThat(document.getNumberOfPages()).as(formula.code() + " " + language).isEqualTo(1);
        }
      }
    }
  }

  /// Read back by ical4j (RFC 5545).
  @Test
  void theCalendarHasADayForEachOfItsDaysAndKeepsItsUids() throws Exception {
    UUID visit = UUID.randomUUID();
    SheetView sheet = SheetView.of(done("SAL-20"), Language.DE);
    List<VEvent> first = events(SheetIcs.of(visit, sheet, Instant.parse("2026-11-25T15:00:00Z")));
    List<VEvent> again = events(SheetIcs.of(visit, sheet, Instant.parse("2026-11-26T15:00:00Z")));
    assertThat(first).hasSameSizeAs(sheet.days());
    assertThat(first.getFirst().getSummary().getValue()).startsWith("Nach Ihrem Peeling: ");
    assertThat(uids(again)).isEqualTo(uids(first)).doesNotHaveDuplicates();
    assertThat(again.getFirst().getSequence().getSequenceNo())
        .isGreaterThan(first.getFirst().getSequence().getSequenceNo());
  }

  /// RFC 5545, 3.1: lines are at most 75 octets long, without the break.
  @ParameterizedTest
  @EnumSource(Language.class)
  void noLineOfTheCalendarIsLongerThan75Octets(Language language) {
    SheetView sheet = SheetView.of(done("JES-RF"), language);
    byte[] file = SheetIcs.of(UUID.randomUUID(), sheet, Instant.parse("2026-11-25T15:00:00Z"));
    assertThat(new String(file, StandardCharsets.UTF_8).split("\r\n"))
        .allMatch(line -> line.getBytes(StandardCharsets.UTF_8).length <= 75);
  }

  /// The practice's telephone with its hours and the emergency number stand on the page, in the
  /// PDF, in the short form and in each day of the calendar.
  @ParameterizedTest
  @EnumSource(Language.class)
  void theNumbersStandOnAllThatIsGiven(Language language) throws Exception {
    SheetView sheet = SheetView.of(done("SAL-20"), language);
    String practice = "555 0134 (Mon to Sat, 9:00 to 18:00)";
    assertThat(String.join(" ", sheet.call())).contains(practice, "112");
    assertThat(sheet.brief()).contains(practice, "112");
    try (PDDocument document = Loader.loadPDF(pdf.of(sheet, SheetPdf.Paper.A4))) {
      assertThat(text(document)).contains(practice, "112");
    }
    assertThat(events(SheetIcs.of(UUID.randomUUID(), sheet, Instant.EPOCH)))
        .allSatisfy(day -> assertThat(day.getDescription().getValue()).contains(practice, "112"));
  }

  @Test
  void theShortFormAsksWhatItAnswers() {
    SheetView sheet = SheetView.of(done("SAL-20"), Language.EN);
    assertThat(sheet.brief().lines().filter(line -> line.contains("?")))
        .hasSize(3)
        .allMatch(line -> line.indexOf('?') < line.length() - 10);
  }

  private static List<String> uids(List<VEvent> events) {
    return events.stream().map(event -> event.getUid().orElseThrow().getValue()).toList();
  }

  private static List<VEvent> events(byte[] file) throws Exception {
    return new CalendarBuilder()
        .build(new StringReader(new String(file, StandardCharsets.UTF_8)))
        .<VEvent>getComponents(Component.VEVENT);
  }

  @Test
  void theShortFormFitsAPhone() {
    for (Language language : Language.values()) {
      assertThat(SheetView.of(done("JES-RF"), language).brief().length())
          .as(language.label())
          .isLessThan(1300);
    }
  }

  /// The usual step is for eyes and lips; two products of a sheet are one each.
  @Test
  void lipCareIsNamedOnce() {
    CareStep usual =
        CareStep.usual(List.of(Zone.CHIN)).stream()
            .filter(step -> step.role().equals(Optional.of(Role.EYE_CARE)))
            .findFirst()
            .orElseThrow();
    List<Done.Put> written =
        Stream.of(Role.EYE_CARE, Role.LIP_CARE)
            .map(role -> GenericProducts.ALL.stream().filter(one -> one.role() == role).findFirst())
            .map(product ->
                new Done.Put(product.orElseThrow().name(), Optional.of(product.get().role())))
            .toList();
    for (List<Done.Put> put : List.of(Done.Put.of(usual), written)) {
      assertThat(put.stream().map(one -> one.in(Language.ES)))
          .containsExactly("cuidado de ojos", "cuidado de labios");
    }
    assertThat(new Done.Put("Calm 5", Optional.of(Role.SERUM)).in(Language.FR))
        .as("an own product keeps its name")
        .isEqualTo("Calm 5");
  }
}
