package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.aftercare.Reach;
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
import java.util.List;
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
  /// @param reach the numbers of the practice and of help
  record DiaryView(
      Language language,
      String hello,
      LocalDate peelOn,
      LocalDate today,
      String sheet,
      List<String> reach,
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
        done.reach().lines().stream().map(line -> line.in(done.language())).toList(),
        CheckInWords.in(done.language()));
  }

  @May(Right.ANYBODY)
  @PostMapping
  DiaryAnswer tell(@RequestHeader(WORD) String word, @RequestBody NewCheckIn body) {
    UUID visitId = visit(word);
    Kept kept = contact.tell(visitId, body.telling(), Optional.empty());
    Severity severity = kept.severity();
    return new DiaryAnswer(
        severity, severity.toClient().in(aftercare.language(visitId)), number(severity));
  }

  /// Whom to call, where somebody is to be called.
  private Optional<String> number(Severity severity) {
    Reach reach = practice.reach();
    return switch (severity) {
      case EMERGENCY -> reach.emergency();
      case CLINICIAN_TODAY, SEE -> reach.telephone();
      case AS_EXPECTED, REASSURE -> Optional.empty();
    };
  }

  private UUID visit(String word) {
    return contact.diary(word).orElseThrow(() -> new Refused(closed()));
  }

  /// In every language: whose page it was is not said.
  private String closed() {
    String number = practice.reach().telephone().map(one -> " " + one).orElse("");
    return String.join(
            " ", java.util.Arrays.stream(Language.values()).map(Sentence.DIARY_CLOSED::in).toList())
        + number;
  }
}
