package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.server.aftercare.GivenSheetStore.Given;
import ivesk.server.aftercare.GivenSheetStore.Way;
import ivesk.server.app.Audit;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.practice.AccountStore;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/// The sheet is kept as it leaves: print, PDF, calendar and short form are made of what was kept.
@May(Right.RECORD)
@RestController
@RequestMapping("/api/visits/{id}/aftercare/given")
class GivenSheetController {
  private final GivenSheetStore store;
  private final AftercareService aftercare;
  private final AccountStore accounts;
  private final Audit audit;
  private final SheetPdf pdf;
  private final Clock clock;

  GivenSheetController(
      GivenSheetStore store,
      AftercareService aftercare,
      AccountStore accounts,
      Audit audit,
      SheetPdf pdf,
      Clock clock) {
    this.store = store;
    this.aftercare = aftercare;
    this.accounts = accounts;
    this.audit = audit;
    this.pdf = pdf;
    this.clock = clock;
  }

  /// @param who by name
  /// @param holds the sheet would say the same now
  record GivenView(UUID id, Way way, Language language, Instant at, String who, boolean holds) {}

  /// @param sheet word for word as it was given
  record GivenSheet(GivenView given, SheetView sheet) {}

  /// @param id made by the sender: sent twice it counts once
  record NewGiven(UUID id, Way way, Language language) {}

  /// The oldest first.
  @GetMapping
  List<GivenView> given(@PathVariable UUID id) {
    Map<Language, SheetView> now = new EnumMap<>(Language.class);
    return store.of(id).stream()
        .map(one -> view(one, now.computeIfAbsent(one.language(), in -> sheet(id, in))))
        .toList();
  }

  private SheetView sheet(UUID visitId, Language language) {
    return SheetView.of(aftercare.done(visitId), language);
  }

  private GivenView view(Given given, SheetView now) {
    return new GivenView(
        given.id(),
        given.way(),
        given.language(),
        given.at(),
        accounts.named(given.who()),
        given.sheet().equals(now));
  }

  /// Keeps the sheet of this moment.
  @May(Right.TREAT)
  @PostMapping
  @Transactional
  GivenSheet give(@PathVariable UUID id, @RequestBody NewGiven body, Principal who) {
    Given given =
        new Given(
            body.id(),
            id,
            body.way(),
            body.language(),
            sheet(id, body.language()),
            clock.instant().truncatedTo(ChronoUnit.MICROS),
            who.getName());
    if (store.keep(given)) audit.note(who.getName(), "give sheet", id, body.way().name());
    return kept(id, body.id());
  }

  /// As it was given.
  @GetMapping("/{given}")
  GivenSheet kept(@PathVariable UUID id, @PathVariable UUID given) {
    Given kept = store.get(id, given);
    return new GivenSheet(view(kept, sheet(id, kept.language())), kept.sheet());
  }

  /// One page of A4 or Letter in black and white.
  @GetMapping(path = "/{given}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> pdf(
      @PathVariable UUID id,
      @PathVariable UUID given,
      @RequestParam(defaultValue = "A4") SheetPdf.Paper paper) {
    Given kept = store.get(id, given);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.inline().filename(file(id, "pdf")).build().toString())
        .contentType(MediaType.APPLICATION_PDF)
        .body(pdf.of(kept.sheet(), paper));
  }

  @GetMapping(path = "/{given}/sheet.ics", produces = "text/calendar")
  ResponseEntity<byte[]> ics(@PathVariable UUID id, @PathVariable UUID given) {
    Given kept = store.get(id, given);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(file(id, "ics")).build().toString())
        .contentType(MediaType.parseMediaType("text/calendar; charset=utf-8"))
        .body(SheetIcs.of(id, kept.sheet(), kept.at()));
  }

  private String file(UUID visitId, String ending) {
    LocalDate on = aftercare.peelDay(visitId).orElseThrow();
    return "after-" + on + "." + ending;
  }
}
