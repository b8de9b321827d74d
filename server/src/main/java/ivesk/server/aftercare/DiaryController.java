package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.aftercare.Sentence;
import ivesk.core.aftercare.Severity;
import ivesk.core.aftercare.Told;
import ivesk.core.aftercare.Told.Part;
import ivesk.server.aftercare.ContactController.ComplaintWords;
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

  /// @param degrees of flakes and redness, 0 to 3
  record DiaryWords(
      String hello,
      String feel,
      String flaking,
      String redness,
      List<String> degrees,
      String anyOfThese,
      List<ComplaintWords> complaints,
      String ownWords,
      String photo,
      String flakesBegan,
      String flakesEnded,
      String send,
      String notSent) {
    static DiaryWords in(Language language, String firstName) {
      return new DiaryWords(
          Told.of(DIARY_HELLO, new Part.Name(firstName)).in(language),
          DIARY_FEEL.in(language),
          DIARY_FLAKING.in(language),
          DIARY_REDNESS.in(language),
          List.of(DIARY_NONE, DIARY_LITTLE, DIARY_SOME, DIARY_MUCH).stream()
              .map(one -> one.in(language))
              .toList(),
          DIARY_ANY_OF_THESE.in(language),
          ComplaintWords.in(language),
          DIARY_OWN_WORDS.in(language),
          DIARY_PHOTO.in(language),
          DIARY_FLAKES_BEGAN.in(language),
          DIARY_FLAKES_ENDED.in(language),
          DIARY_SEND.in(language),
          DIARY_NOT_SENT.in(language));
    }
  }

  /// @param sheet in short
  record DiaryView(
      Language language, LocalDate peelOn, LocalDate today, String sheet, DiaryWords words) {}

  /// @param answer to the client, at once
  record DiaryAnswer(Severity severity, String answer, Optional<String> number) {}

  @May(Right.ANYBODY)
  @GetMapping
  DiaryView diary(@RequestHeader(WORD) String word) {
    UUID visitId = visit(word);
    Done done = aftercare.done(visitId);
    return new DiaryView(
        done.language(),
        done.sheet().on(),
        LocalDate.now(clock),
        SheetView.of(done, done.language()).brief(),
        DiaryWords.in(done.language(), contact.firstName(visitId)));
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
