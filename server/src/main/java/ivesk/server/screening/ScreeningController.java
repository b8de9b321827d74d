package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Seen;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.verdict.Screening;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.ShelfService;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.Clinicians;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningQuestion.AnswerChange;
import ivesk.server.screening.ScreeningService.Read;
import ivesk.server.screening.ScreeningService.Rest;
import ivesk.server.screening.ScreeningView.VerdictView;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ScreeningController {
  private final ScreeningService screening;
  private final ConsentsAsked consentsAsked;
  private final PracticeStore practice;
  private final AccountStore accounts;
  private final Clinicians clinicians;
  private final ShelfService shelf;
  private final Clock clock;

  ScreeningController(
      ScreeningService screening,
      ConsentsAsked consentsAsked,
      PracticeStore practice,
      AccountStore accounts,
      Clinicians clinicians,
      ShelfService shelf,
      Clock clock) {
    this.screening = screening;
    this.consentsAsked = consentsAsked;
    this.practice = practice;
    this.accounts = accounts;
    this.clinicians = clinicians;
    this.shelf = shelf;
    this.clock = clock;
  }

  /// A question as it is asked.
  record QuestionWords(
      Question id,
      Question.Group group,
      String groupLabel,
      String text,
      List<Question.Option> options) {
    static QuestionWords of(Question question) {
      return new QuestionWords(
          question,
          question.group(),
          question.group().label(),
          question.text(),
          question.options());
    }
  }

  /// @param groups whose open questions are answered
  record RestAnswered(Set<Question.Group> groups, Rest rest) {}

  /// @param clinician signs in at the spot for a firm limit
  record OverrideGiven(String finding, String reason, Optional<Clinicians.AtTheSpot> clinician) {}

  /// @param clinician signs in at the spot, unless the session is the clinician's
  record ClearanceGiven(String finding, Optional<Clinicians.AtTheSpot> clinician) {}

  /// Screens without saving: facts and a day in, the verdict out.
  @StatelessQuestion
  @May(Right.KNOW)
  @PostMapping("/screening")
  VerdictView screen(@RequestBody ScreeningQuestion body) {
    ScreeningFacts facts = body.facts(practice.policies(), shelf.shelf());
    return VerdictView.of(Screening.screen(facts, List.of()), body.peelDate());
  }

  /// The questions as they are asked, with their answers; the same for everybody.
  @May(Right.KNOW)
  @GetMapping("/words/screening")
  List<QuestionWords> words() {
    return Arrays.stream(Question.values()).map(QuestionWords::of).toList();
  }

  @May(Right.RECORD)
  @GetMapping("/visits/{id}/screening")
  ScreeningView screening(@PathVariable UUID id) {
    Read read = screening.read(id);
    Screened screened = screening.screened(read);
    ScreeningFacts facts = read.facts();
    Map<Question, Seen> seen = read.consult().seen();
    Set<Family> asked = consentsAsked.of(screened);
    Map<String, String> names =
        accounts.accounts().stream()
            .collect(Collectors.toMap(AccountStore.Account::username, AccountStore.Account::name));
    return new ScreeningView(
        facts.peelDate(),
        facts.region(),
        facts.region().label(),
        Screening.questions(facts).stream()
            .map(question ->
                ScreeningView.AnswerView.of(
                    question,
                    read,
                    Optional.ofNullable(seen.get(question)),
                    names,
                    clock.getZone()))
            .toList(),
        VerdictView.atTheStation(screened.outcome(), facts.peelDate()),
        facts.minor(),
        !read.answers().lastTime().isEmpty(),
        read.client().guardian(),
        Family.covering().stream()
            .map(family ->
                ScreeningView.FamilyView.of(family, asked.contains(family), read.consents(), facts))
            .toList(),
        ScreeningView.PatchView.of(read.patchTests(), clock.instant()),
        read.outside().stream().map(ScreeningView.OutsidePeelView::of).toList());
  }

  @May(Right.TREAT)
  @PutMapping("/visits/{id}/screening/{question}")
  ScreeningView answer(
      @PathVariable UUID id,
      @PathVariable Question question,
      @RequestBody AnswerChange change,
      Principal who) {
    screening.answer(id, question, change.choice().map(change::answer), who.getName());
    return screening(id);
  }

  @May(Right.TREAT)
  @PutMapping("/visits/{id}/screening/groups")
  ScreeningView answerRest(@PathVariable UUID id, @RequestBody RestAnswered body, Principal who) {
    screening.answerRest(id, body.groups(), body.rest(), who.getName());
    return screening(id);
  }

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/overrides")
  ScreeningView override(
      @PathVariable UUID id,
      @RequestBody OverrideGiven body,
      Principal who,
      HttpServletRequest request,
      HttpServletResponse response) {
    String by =
        screening.firm(id, body.finding())
            ? clinicians.require(who.getName(), body.clinician(), request, response).username()
            : who.getName();
    screening.settle(
        id,
        BadInput.in("reason", () -> new Settlement.Override(body.finding(), body.reason(), by)),
        who.getName());
    return screening(id);
  }

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/clearances")
  ScreeningView clearance(
      @PathVariable UUID id,
      @RequestBody ClearanceGiven body,
      Principal who,
      HttpServletRequest request,
      HttpServletResponse response) {
    String by = clinicians.require(who.getName(), body.clinician(), request, response).name();
    screening.settle(
        id, new Settlement.Clearance(body.finding(), by, LocalDate.now(clock)), who.getName());
    return screening(id);
  }
}
