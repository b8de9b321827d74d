package ivesk.server.screening;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.screening.Consent;
import ivesk.core.screening.Finding;
import ivesk.core.screening.Question;
import ivesk.core.screening.Question.Answer;
import ivesk.core.screening.Restriction;
import ivesk.core.screening.Screening;
import ivesk.core.screening.ScreeningFacts;
import ivesk.core.screening.Settlement;
import ivesk.core.screening.Verdict;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/visits/{id}")
class ScreeningController {
  private final ScreeningService screening;
  private final Clock clock;

  ScreeningController(ScreeningService screening, Clock clock) {
    this.screening = screening;
    this.clock = clock;
  }

  record QuestionView(
      Question id,
      String group,
      String text,
      List<Question.Option> options,
      Optional<String> choice,
      Optional<LocalDate> on,
      boolean answered) {}

  record FindingView(
      String ruleId,
      String said,
      Verdict verdict,
      String scope,
      boolean clientScope,
      List<String> limits,
      String why,
      String source,
      Optional<LocalDate> until,
      String clearedBy,
      boolean overridable,
      boolean unasked,
      Optional<String> settled) {
    static FindingView of(Finding finding) {
      return new FindingView(
          finding.ruleId(),
          finding.said(),
          finding.verdict(),
          finding.scope().label(),
          finding.scope().client(),
          finding.restrictions().stream().map(Restriction::words).toList(),
          finding.why(),
          finding.source().words(),
          finding.until(),
          finding.clearedBy(),
          finding.overridable(),
          finding.unasked(),
          finding.settled());
    }
  }

  record FamilyView(Family id, String label, boolean signed) {}

  /// @param opensMost what, cleared, opens the most formulas; in words
  record ScreeningView(
      LocalDate peelDate,
      List<QuestionView> questions,
      Verdict verdict,
      Optional<LocalDate> until,
      List<FindingView> findings,
      List<String> limits,
      int unasked,
      Optional<String> opensMost,
      boolean minor,
      List<FamilyView> consents) {}

  record AnswerChange(Optional<String> choice, Optional<LocalDate> on) {}

  record ConsentSigned(List<Family> families, String signedBy, Optional<String> guardian) {}

  record OverrideGiven(String ruleId, String said, String reason) {}

  record ClearanceGiven(String ruleId, String said, String clinician) {}

  @GetMapping("/screening")
  ScreeningView screening(@PathVariable UUID id) {
    ScreeningFacts facts = screening.facts(id);
    return view(facts, screening.screen(id, facts));
  }

  @PutMapping("/screening/{question}")
  ScreeningView answer(
      @PathVariable UUID id,
      @PathVariable Question question,
      @RequestBody AnswerChange change,
      Principal who) {
    screening.answer(
        id, question, change.choice().map(c -> new Answer(c, change.on())), who.getName());
    return screening(id);
  }

  @PostMapping("/consents")
  ScreeningView consent(@PathVariable UUID id, @RequestBody ConsentSigned body, Principal who) {
    screening.consent(
        id,
        body.families(),
        body.signedBy().strip(),
        body.guardian(),
        LocalDate.now(clock),
        who.getName());
    return screening(id);
  }

  @PostMapping("/overrides")
  ScreeningView override(@PathVariable UUID id, @RequestBody OverrideGiven body, Principal who) {
    screening.settle(
        id,
        new Settlement.Override(body.ruleId(), body.said(), body.reason(), who.getName()),
        who.getName());
    return screening(id);
  }

  @PostMapping("/clearances")
  ScreeningView clearance(@PathVariable UUID id, @RequestBody ClearanceGiven body, Principal who) {
    screening.settle(
        id,
        new Settlement.Clearance(
            body.ruleId(), body.said(), body.clinician(), Words.day(LocalDate.now(clock))),
        who.getName());
    return screening(id);
  }

  private static ScreeningView view(ScreeningFacts facts, Screening outcome) {
    return new ScreeningView(
        facts.peelDate(),
        Screening.questions(facts).stream().map(q -> question(q, facts)).toList(),
        outcome.verdict(),
        outcome.until(),
        outcome.findings().stream().map(FindingView::of).toList(),
        outcome.limits().words(),
        outcome.unasked(),
        outcome
            .opensMost()
            .map(opening ->
                opening.finding().said()
                    + ". Cleared, "
                    + Words.count(opening.open(), "formula")
                    + " open for "
                    + Words.day(facts.peelDate())
                    + "."),
        facts.minor(),
        Arrays.stream(Family.values())
            .map(family ->
                new FamilyView(family, family.label(), signed(facts.consents(), family, facts)))
            .toList());
  }

  private static boolean signed(List<Consent> consents, Family family, ScreeningFacts facts) {
    return consents.stream()
        .anyMatch(consent -> consent.covers(family, facts.peelDate(), facts.minor()));
  }

  private static QuestionView question(Question question, ScreeningFacts facts) {
    Optional<Answer> answer = Optional.ofNullable(facts.answers().get(question));
    return new QuestionView(
        question,
        question.group().label(),
        question.text(),
        question.options(),
        answer.map(Answer::choice),
        answer.flatMap(Answer::on),
        facts.answered(question));
  }
}
