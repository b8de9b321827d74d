package ivesk.server.screening;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest.Read;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.question.Seen;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Restriction;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.rule.Verdict;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/// What the Screen station shows.
///
/// @param open formulas that screening leaves open
/// @param opensMost what, cleared, opens the most formulas; in words
/// @param outsidePeels done elsewhere, the oldest first
/// @param returning a client with answers of an earlier visit
record ScreeningView(
    LocalDate peelDate,
    Region region,
    String regionLabel,
    List<QuestionView> questions,
    VerdictView outcome,
    boolean minor,
    boolean returning,
    String guardian,
    List<FamilyView> consents,
    List<PatchView> patchTests,
    List<OutsidePeelView> outsidePeels) {

  /// @param what formula, region and how it went, in words
  record OutsidePeelView(UUID id, LocalDate on, String what, boolean seen, String higherBecause) {
    static OutsidePeelView of(OutsidePeelStore.Kept kept) {
      return new OutsidePeelView(
          kept.id(),
          kept.on(),
          kept.formula() + " on " + kept.region().withArticle() + ", " + kept.outcome().label(),
          kept.outside().seen(),
          kept.outside().higherBecause().orElse(""));
    }
  }

  /// The verdict with all it stands on.
  record VerdictView(
      Verdict verdict,
      Optional<LocalDate> until,
      List<FindingView> findings,
      List<String> limits,
      int unasked,
      int open,
      Optional<String> opensMost) {
    static VerdictView of(Screening outcome, LocalDate day) {
      return new VerdictView(
          outcome.verdict(),
          outcome.until(),
          outcome.findings().stream().map(FindingView::of).toList(),
          outcome.limits().words(),
          outcome.unasked(),
          outcome.open(),
          outcome
              .opensMost()
              .map(opening ->
                  opening.finding().said()
                      + ". With that cleared the day, "
                      + Words.day(day)
                      + ", opens."));
    }
  }

  /// @param answeredAt when it was answered; `answeredBy` the name of who took it
  /// @param lasting the answer is of an earlier visit and still holds
  /// @param products at home that answer it
  /// @param seen what the looks of the day show of it; it answers where nobody has
  /// @param lastTime the answer of the visit before, in words
  record QuestionView(
      Question id,
      Question.Group group,
      String groupLabel,
      String text,
      List<Question.Option> options,
      Optional<String> choice,
      Optional<LocalDate> on,
      Optional<LocalDate> until,
      Set<Zone> zones,
      Set<Family> families,
      boolean answered,
      Optional<Instant> answeredAt,
      Optional<String> answeredBy,
      boolean lasting,
      List<String> products,
      Optional<String> seen,
      Optional<String> lastTime) {

    static QuestionView of(
        Question question,
        ScreeningFacts facts,
        Optional<ScreeningStore.Given> given,
        Optional<ScreeningStore.Given> last,
        Optional<Seen> seen,
        UUID visitId,
        Map<String, String> names) {
      Optional<Answer> answer =
          given.map(ScreeningStore.Given::answer).or(() -> seen.map(Seen::answer));
      return new QuestionView(
          question,
          question.group(),
          question.group().label(),
          question.text(),
          question.options(),
          answer.map(Answer::choice),
          answer.flatMap(Answer::on),
          answer.flatMap(Answer::until),
          answer.map(Answer::zones).orElse(Set.of()),
          answer.map(Answer::families).orElse(Set.of()),
          facts.answered(question),
          given.map(ScreeningStore.Given::at),
          given.map(g -> names.getOrDefault(g.by(), g.by())),
          given.filter(g -> !g.visitId().equals(visitId)).isPresent(),
          facts.answeredBy(question),
          seen.map(Seen::words),
          last.map(g -> words(question, g.answer())));
    }

    private static String words(Question question, Answer answer) {
      return question.options().stream()
              .filter(option -> option.id().equals(answer.choice()))
              .map(Question.Option::label)
              .findFirst()
              .orElse(answer.choice())
          + answer.on().map(on -> ", " + Words.day(on)).orElse("")
          + answer.until().map(to -> " to " + Words.day(to)).orElse("");
    }
  }

  /// @param id names it for an override or a clearance
  /// @param scope what it speaks of, where its own words do not say so
  /// @param firm only the supervising clinician may override it
  /// @param toAsk what to ask, where an answer is missing
  record FindingView(
      String id,
      String ruleId,
      String said,
      Verdict verdict,
      Optional<String> scope,
      List<String> limits,
      String why,
      String source,
      Optional<LocalDate> until,
      String clearedBy,
      boolean overridable,
      boolean firm,
      boolean unasked,
      String toAsk,
      Optional<String> settled) {
    static FindingView of(Finding finding) {
      return new FindingView(
          finding.id(),
          finding.ruleId(),
          finding.said(),
          finding.verdict(),
          finding.scope().told() ? Optional.empty() : Optional.of(finding.scope().label()),
          finding.restrictions().stream().map(Restriction::words).distinct().toList(),
          finding.why(),
          finding.source().words(),
          finding.until(),
          finding.clearedBy().words(),
          finding.overridable(),
          finding.firm(),
          finding.unasked(),
          finding.unasked() ? finding.asks().map(Question::text).orElseGet(finding::said) : "",
          finding.settled().map(Settlement::words));
    }
  }

  /// @param signed a consent covers the family on the day of the peel
  /// @param asked the family may be used at this visit
  /// @param consentId the newest that was signed
  /// @param picture the signature that was drawn
  record FamilyView(
      Family id,
      String label,
      boolean signed,
      boolean asked,
      Optional<UUID> consentId,
      Optional<LocalDate> signedOn,
      Optional<LocalDate> validUntil,
      Optional<String> signedBy,
      Optional<Integer> textVersion,
      Optional<UUID> picture,
      Optional<String> guardian,
      Optional<UUID> guardianPicture,
      Optional<LocalDate> withdrawnOn) {
    static FamilyView of(
        Family family, boolean asked, List<ConsentStore.Kept> kept, ScreeningFacts facts) {
      List<ConsentStore.Kept> own =
          kept.stream().filter(k -> k.consent().family() == family).toList();
      Optional<ConsentStore.Kept> covering =
          own.stream()
              .filter(k -> k.consent().covers(family, facts.peelDate(), facts.minor()))
              .reduce((older, newer) -> newer);
      Optional<ConsentStore.Kept> newest =
          covering.or(() -> own.stream().reduce((older, newer) -> newer));
      return new FamilyView(
          family,
          family.label(),
          covering.isPresent(),
          asked,
          newest.map(ConsentStore.Kept::id),
          newest.map(k -> k.consent().signedOn()),
          newest.map(k -> k.consent().signedOn().plusMonths(12)),
          newest.map(k -> k.consent().signedBy()),
          newest.map(ConsentStore.Kept::textVersion),
          newest.flatMap(ConsentStore.Kept::signatureId),
          newest.flatMap(k -> k.consent().guardian()),
          newest.flatMap(ConsentStore.Kept::guardianSignatureId),
          newest.flatMap(k -> k.consent().withdrawnOn()));
    }
  }

  /// @param next the read still to come, due at `dueAt`
  record PatchView(
      UUID id,
      Family family,
      String label,
      String site,
      Instant placedAt,
      Map<Read, Result> results,
      Optional<Read> next,
      Optional<Instant> dueAt) {
    static PatchView of(PatchTestStore.Placed placed, Instant now) {
      Optional<Read> next = placed.test().next(now);
      return new PatchView(
          placed.id(),
          placed.test().family(),
          placed.test().family().label(),
          placed.site(),
          placed.test().placedAt(),
          placed.test().results(),
          next,
          next.map(placed.test()::dueAt));
    }
  }
}
