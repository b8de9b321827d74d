package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.aftercare.Sentence;
import ivesk.core.aftercare.Severity;
import ivesk.core.aftercare.Told;
import ivesk.core.aftercare.Told.Part;
import ivesk.server.aftercare.ContactController.NewCheckIn;
import ivesk.server.aftercare.ContactStore.Kept;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.practice.PracticeStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The client's own page of the days after. Its word comes in a header of each question; it shows
/// this visit's first name, the client's own sheet in short, and nothing of anybody else.
@RestController
@RequestMapping("/api/diary")
class DiaryController {
  private static final String WORD = "X-Diary";

  private final ContactService contact;
  private final AftercareService aftercare;
  private final PracticeStore practice;
  private final Clock clock;

  DiaryController(
      ContactService contact, AftercareService aftercare, PracticeStore practice, Clock clock) {
    this.contact = contact;
    this.aftercare = aftercare;
    this.practice = practice;
    this.clock = clock;
  }

  /// @param sheet in short
  record DiaryView(
      Language language,
      String hello,
      LocalDate peelOn,
      LocalDate today,
      String sheet,
      CheckInWords words) {}

  /// @param answer to the client, at once
  record DiaryAnswer(Severity severity, String answer, Optional<String> number) {}

  @May(Right.ANYBODY)
  @GetMapping
  DiaryView diary(@RequestHeader(WORD) String word) {
    UUID visitId = visit(word);
    Done done = aftercare.done(visitId);
    return new DiaryView(
        done.language(),
        Told.of(DIARY_HELLO, new Part.Name(contact.firstName(visitId))).in(done.language()),
        done.sheet().on(),
        LocalDate.now(clock),
        SheetView.of(done, done.language()).brief(),
        CheckInWords.in(done.language()));
  }

  @May(Right.ANYBODY)
  @PostMapping
  DiaryAnswer tell(@RequestHeader(WORD) String word, @RequestBody NewCheckIn body) {
    UUID visitId = visit(word);
    Kept kept = contact.tell(visitId, body.telling(), Optional.empty());
    Severity severity = kept.severity();
    return new DiaryAnswer(
        severity,
        severity.toClient().in(aftercare.language(visitId)),
        severity == Severity.EMERGENCY
            ? practice.number(PracticeStore.NumberKind.EMERGENCY)
            : Optional.empty());
  }

  private UUID visit(String word) {
    return contact.diary(word).orElseThrow(() -> new Refused(closed()));
  }

  /// In every language: whose page it was is not said.
  private static String closed() {
    return String.join(
        " ", java.util.Arrays.stream(Language.values()).map(Sentence.DIARY_CLOSED::in).toList());
  }
}
