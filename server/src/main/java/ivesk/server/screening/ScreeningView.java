package ivesk.server.screening;

import ivesk.core.Words;
import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest;
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
import ivesk.server.screening.ScreeningService.Read;
import ivesk.server.screening.ScreeningStore.Given;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;

/// What the Screen station shows, smaller than 8 kB: the questions themselves, the reasons of a
/// finding and a consent as it was signed are asked for where they are shown.
///
/// @param questions those that are asked of this client, in their order, with what was answered
/// @param returning a client with answers of an earlier visit
/// @param outsidePeels done elsewhere, the oldest first
record ScreeningView(
    LocalDate peelDate,
    Region region,
    String regionLabel,
    List<AnswerView> questions,
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

  /// The verdict and what it stands on.
  ///
  /// @param unasked how many answers are missing
  /// @param toAsk the questions whose answer is missing
  /// @param open formulas that screening leaves open
  /// @param opensMost what, cleared, opens the most formulas; in words
  record VerdictView(
      Verdict verdict,
      Optional<LocalDate> until,
      List<FindingView> findings,
      List<Question> toAsk,
      List<String> limits,
      int unasked,
      int open,
      Optional<String> opensMost) {
    /// With every finding.
    static VerdictView of(Screening outcome, LocalDate day) {
      return of(outcome, day, outcome.findings());
    }

    /// As the station shows it: what waits for the answer to a question is told by that question
    /// alone.
    static VerdictView atTheStation(Screening outcome, LocalDate day) {
      return of(
          outcome,
          day,
          outcome.findings().stream().filter(finding -> finding.asks().isEmpty()).toList());
    }

    private static VerdictView of(Screening outcome, LocalDate day, List<Finding> told) {
      return new VerdictView(
          outcome.verdict(),
          outcome.until(),
          told.stream().map(FindingView::of).toList(),
          outcome.findings().stream().flatMap(finding -> finding.asks().stream()).toList(),
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

  /// What was answered to a question.
  ///
  /// @param told when and by whom, where it was told at an earlier visit or the looks of the day
  ///   answer as well
  /// @param products at home that answer it
  /// @param seen what the looks of the day show of it; it answers where nobody has
  /// @param lastTime the answer of the visit before, in words, where it is another one
  record AnswerView(
      Question id,
      boolean answered,
      Optional<String> choice,
      Optional<LocalDate> on,
      Optional<LocalDate> until,
      Optional<Set<Zone>> zones,
      Optional<Set<Family>> families,
      Optional<GivenBy> told,
      Optional<List<String>> products,
      Optional<String> seen,
      Optional<String> lastTime) {

    record GivenBy(LocalDate on, String by) {}

    static AnswerView of(
        Question question, Read read, Optional<Seen> seen, Map<String, String> names, ZoneId zone) {
      Optional<Given> given = Optional.ofNullable(read.answers().holding().get(question));
      Optional<Answer> answer = given.map(Given::answer).or(() -> seen.map(Seen::answer));
      return new AnswerView(
          question,
          read.facts().answered(question),
          answer.map(Answer::choice),
          answer.flatMap(Answer::on),
          answer.flatMap(Answer::until),
          answer.map(Answer::zones).filter(zones -> !zones.isEmpty()),
          answer.map(Answer::families).filter(families -> !families.isEmpty()),
          given
              .filter(g -> seen.isPresent() || !g.visitId().equals(read.visit().id()))
              .map(g ->
                  new GivenBy(
                      LocalDate.ofInstant(g.at(), zone), names.getOrDefault(g.by(), g.by()))),
          Optional.of(read.facts().answeredBy(question)).filter(products -> !products.isEmpty()),
          seen.map(Seen::words),
          Optional.ofNullable(read.answers().lastTime().get(question))
              .filter(last -> !given.equals(Optional.of(last)))
              .map(g -> words(question, g.answer())));
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
          finding.settled().map(Settlement::words));
    }
  }

  /// @param signed a consent covers the family on the day of the peel
  /// @param asked the family may be used at this visit
  /// @param consentId the one that covers it, else the newest that was signed
  record FamilyView(
      Family id, boolean signed, boolean asked, Optional<UUID> consentId, boolean withdrawn) {
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
          covering.isPresent(),
          asked,
          newest.map(ConsentStore.Kept::id),
          newest.flatMap(k -> k.consent().withdrawnOn()).isPresent());
    }
  }

  /// Patch tests that were placed together and came out alike; one that is still read stands alone.
  ///
  /// @param due the read still to come
  record PatchView(
      List<Family> families,
      String site,
      Instant placedAt,
      Map<PatchTest.Read, Result> results,
      Optional<NextRead> due) {
    /// @param id of the test that is read
    record NextRead(UUID id, PatchTest.Read read, Instant at) {}

    /// Those still to be read come first.
    static List<PatchView> of(List<PatchTestStore.Placed> placed, Instant now) {
      List<PatchView> due = new ArrayList<>();
      Map<PatchView, List<Family>> done = new LinkedHashMap<>();
      for (PatchTestStore.Placed one : placed) {
        PatchTest test = one.test();
        PatchView view =
            new PatchView(
                List.of(),
                one.site(),
                test.placedAt(),
                test.results(),
                test.next(now).map(read -> new NextRead(one.id(), read, test.dueAt(read))));
        if (view.due.isPresent()) due.add(view.with(List.of(test.family())));
        else done.computeIfAbsent(view, _ -> new ArrayList<>()).add(test.family());
      }
      return Stream.concat(
              due.stream(),
              done.entrySet().stream()
                  .map(e -> e.getKey().with(e.getValue().stream().sorted().toList())))
          .toList();
    }

    private PatchView with(List<Family> families) {
      return new PatchView(families, site, placedAt, results, due);
    }
  }
}
