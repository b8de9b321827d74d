package ivesk.server.aftercare;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import ivesk.core.Words;
import ivesk.server.aftercare.SheetView.SheetDay;
import ivesk.server.aftercare.SheetView.SheetReply;
import ivesk.server.aftercare.SheetView.SheetRule;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/// The sheet as a PDF: tagged for screen readers (PDF/UA), its fonts in it, on one page.
@Component
class SheetPdf {
  static {
    XRLog.setLoggingEnabled(false);
  }

  enum Paper {
    A4("A4"),
    LETTER("letter");

    private final String css;

    Paper(String css) {
      this.css = css;
    }
  }

  /// From the roomiest to the tightest type, in pt; the first at which all fits one page is taken.
  private static final List<Double> SIZES = List.of(10.0, 9.3, 8.6, 8.0, 7.4, 6.8);

  byte[] of(SheetView sheet, Paper paper) {
    byte[] pdf = new byte[0];
    for (double size : SIZES) {
      Rendered rendered = render(sheet, paper, size);
      pdf = rendered.pdf();
      if (rendered.pages() == 1) return pdf;
    }
    return pdf;
  }

  private record Rendered(byte[] pdf, int pages) {}

  private static Rendered render(SheetView sheet, Paper paper, double size) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      PdfRendererBuilder builder = new PdfRendererBuilder();
      builder.usePdfUaAccessibility(true);
      builder.useFont(
          () -> font("400Regular/AtkinsonHyperlegibleNext_400Regular.ttf"),
          "Sheet",
          400,
          FontStyle.NORMAL,
          true);
      builder.useFont(
          () -> font("700Bold/AtkinsonHyperlegibleNext_700Bold.ttf"),
          "Sheet",
          700,
          FontStyle.NORMAL,
          true);
      builder.withHtmlContent(html(sheet, paper, size), null);
      builder.toStream(out);
      try (var renderer = builder.buildPdfRenderer()) {
        renderer.layout();
        int pages = renderer.getRootBox().getLayer().getPages().size();
        renderer.createPDF();
        return new Rendered(out.toByteArray(), pages);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static InputStream font(String file) {
    return SheetPdf.class.getResourceAsStream("/ivesk/fonts/" + file);
  }

  private static String html(SheetView sheet, Paper paper, double size) {
    return Words.fill(
        """
        <!DOCTYPE html>
        <html lang="%s"><head><title>%s</title><meta name="description" content="%s"/>
        <style>
        @page { size: %s; margin: 12mm 13mm; }
        body { font-family: Sheet; font-size: %spt; line-height: 1.28; color: #000; margin: 0; }
        h1 { font-size: 2em; line-height: 1.1; margin: 0 0 1mm; }
        h2 { font-size: 1em; margin: 2.4mm 0 1mm; padding: 0 0 0.6mm; border-bottom: 0.8pt solid #000; }
        p { margin: 0 0 0.8mm; }
        ul { margin: 0; padding: 0 0 0 4mm; }
        table { width: 100%%; border-collapse: collapse; }
        td, th { text-align: left; vertical-align: top; padding: 0.55mm 2mm 0.55mm 0; font-weight: 400; border-bottom: 0.3pt solid #999; }
        th.when { font-weight: 700; white-space: nowrap; width: 1%%; }
        .halves { border-collapse: collapse; }
        .half { width: 50%%; border: 0; padding: 0 5mm 0 0; }
        .half.right { padding: 0 0 0 5mm; }
        .reply b { display: block; }
        .reply { margin: 0 0 1mm; }
        .box { border: 1.4pt solid #000; padding: 1.6mm 2.4mm; margin: 2.4mm 0; }
        .box h2 { border: 0; margin: 0 0 0.6mm; padding: 0; }
        </style></head><body>
        <h1>%s</h1><p>%s</p><p>%s</p>
        %s
        <div style="float: left; width: 48.5%%"><h2>%s</h2>%s%s</div>
        <div style="float: right; width: 48.5%%"><h2>%s</h2>%s<h2>%s</h2>%s</div>
        <div style="clear: both"></div>
        <div class="box"><h2>%s</h2>%s</div>
        %s
        </body></html>
        """,
        sheet.language().locale().getLanguage(),
        text(sheet.title()),
        text(sheet.subtitle()),
        paper.css,
        size,
        text(sheet.title()),
        text(sheet.subtitle()),
        text(String.join(" · ", sheet.facts())),
        onTheSkin(sheet),
        text(sheet.headings().days()),
        days(sheet.days()),
        home(sheet.home()),
        text(sheet.headings().rules()),
        rules(sheet.rules()),
        text(sheet.headings().answers()),
        replies(sheet.answers()),
        text(sheet.headings().call()),
        paragraphs(sheet.call()),
        paragraphs(sheet.last()));
  }

  private static String onTheSkin(SheetView sheet) {
    if (sheet.onTheSkin().isEmpty()) return "";
    return Words.fill(
        "<p><b>%s</b> %s</p>",
        text(sheet.headings().onTheSkin()), text(String.join(", ", sheet.onTheSkin())));
  }

  private static String days(List<SheetDay> days) {
    return days.stream()
        .map(day -> row(day.day(), day.lines()))
        .collect(Collectors.joining("", "<table>", "</table>"));
  }

  private static String home(HomePlanView home) {
    List<String> all = new ArrayList<>(home.own());
    all.addAll(home.clashes());
    return Words.fill(
        "<h2>%s</h2><table>%s%s</table>%s",
        text(home.title()),
        row(home.morning(), home.lines(true)),
        row(home.night(), home.lines(false)),
        paragraphs(all));
  }

  private static String rules(List<SheetRule> rules) {
    return rules.stream()
        .map(rule -> row(rule.until(), List.of(rule.what())))
        .collect(Collectors.joining("", "<table>", "</table>"));
  }

  private static String row(String when, List<String> lines) {
    return Words.fill(
        "<tr><th class=\"when\" scope=\"row\">%s</th><td>%s</td></tr>",
        text(when), lines.stream().map(SheetPdf::text).collect(Collectors.joining("<br/>")));
  }

  private static String replies(List<SheetReply> replies) {
    return replies.stream()
        .map(reply ->
            Words.fill(
                "<p class=\"reply\"><b>%s</b> %s</p>",
                text(reply.question()), text(reply.answer())))
        .collect(Collectors.joining());
  }

  private static String paragraphs(List<String> lines) {
    return lines.stream()
        .map(line -> Words.fill("<p>%s</p>", text(line)))
        .collect(Collectors.joining());
  }

  /// What was typed stays words in the page.
  private static String text(String words) {
    return HtmlUtils.htmlEscape(words, "UTF-8");
  }
}
