package ivesk.server.screening;

import ivesk.core.screening.answer.Allergies;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.question.Question;
import ivesk.core.screening.question.Question.Answer;
import ivesk.core.screening.rule.Finding;
import ivesk.core.screening.rule.Settlement;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.skin.Region;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.formula.ShelfService;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningStore.Given;
import ivesk.server.skin.Consult;
import ivesk.server.skin.ConsultService;
import ivesk.server.visit.VisitRecord;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

@Service
public class ScreeningService {
  private final ScreeningStore store;
  private final ConsentStore consents;
  private final PatchTestStore patchTests;
  private final VisitStore visits;
  private final ClientStore clients;
  private final ConsultService consults;
  private final PastPeels pastPeels;
  private final OutsidePeelStore outsidePeels;
  private final VisitRecord record;
  private final PracticeStore practice;
  private final ShelfService shelf;
  private final Audit audit;
  private final Clock clock;

  ScreeningService(
      ScreeningStore store,
      ConsentStore consents,
      PatchTestStore patchTests,
      VisitStore visits,
      ClientStore clients,
      ConsultService consults,
      PastPeels pastPeels,
      OutsidePeelStore outsidePeels,
      VisitRecord record,
      PracticeStore practice,
      ShelfService shelf,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.consents = consents;
    this.patchTests = patchTests;
    this.visits = visits;
    this.clients = clients;
    this.consults = consults;
    this.pastPeels = pastPeels;
    this.outsidePeels = outsidePeels;
    this.record = record;
    this.practice = practice;
    this.shelf = shelf;
    this.audit = audit;
    this.clock = clock;
  }

  /// Everything that screening reads of a visit, for the day of the visit.
  public ScreeningFacts facts(UUID visitId) {
    return read(visitId).facts();
  }

  public Screened screened(UUID visitId) {
    return screened(read(visitId));
  }

  /// As [#screened(UUID)], for a run elsewhere on the body.
  public Screened screened(UUID visitId, Region region) {
    Read read = read(visitId);
    return screened(read, read.facts().in(region));
  }

  Screened screened(Read read) {
    return screened(read, read.facts());
  }

  private Screened screened(Read read, ScreeningFacts facts) {
    Visit visit = read.visit();
    return new Screened(visit, read.client(), read.consult(), facts, screen(visit.id(), facts));
  }

  /// What is stored of a visit, each read once, and the facts that it makes.
  record Read(
      Visit visit,
      Client client,
      Consult consult,
      Answers answers,
      List<ConsentStore.Kept> consents,
      List<PatchTestStore.Placed> patchTests,
      List<OutsidePeelStore.Kept> outside,
      ScreeningFacts facts) {}

  Read read(UUID visitId) {
    Visit visit = visits.get(visitId);
    Client client = clients.get(visit.clientId());
    Consult consult = consults.of(visitId).consult();
    Answers answers = answers(visit);
    List<ConsentStore.Kept> signed = consents.ofClient(client.id());
    List<PatchTestStore.Placed> placed = patchTests.ofClient(client.id());
    List<OutsidePeelStore.Kept> outside = outsidePeels.ofClient(client.id());
    Map<Question, Answer> given = new EnumMap<>(Question.class);
    answers.holding().forEach((question, answer) -> given.put(question, answer.answer()));
    consult
        .seen()
        .forEach((question, seen) ->
            given.merge(question, seen.answer(), (said, _) -> seen.placing(said)));
    ScreeningFacts facts =
        new ScreeningFacts(
            client.dateOfBirth(),
            consult.profile(),
            given,
            Stream.concat(pastPeels.before(visit).stream(), outsidePeels.peels(outside).stream())
                .toList(),
            signed.stream().map(ConsentStore.Kept::consent).toList(),
            placed.stream().map(PatchTestStore.Placed::test).toList(),
            consult.products(),
            consult.region(),
            day(visit),
            practice.policies(visit.therapist()),
            shelf.shelf(),
            Allergies.of(client.allergies()));
    return new Read(visit, client, consult, answers, signed, placed, outside, facts);
  }

  /// @param holding for a visit: its own, and what cannot change from the visits before
  /// @param lastTime the latest of the visits before
  record Answers(Map<Question, Given> holding, Map<Question, Given> lastTime) {}

  Answers answers(Visit visit) {
    List<UUID> soFar =
        visits.ofClient(visit.clientId()).stream()
            .filter(other ->
                other.id().equals(visit.id()) || other.startsAt().isBefore(visit.startsAt()))
            .map(Visit::id)
            .toList();
    Map<Question, Given> holding = new EnumMap<>(Question.class);
    Map<Question, Given> lastTime = new EnumMap<>(Question.class);
    store
        .answers(soFar)
        .forEach(given -> {
          boolean own = given.answer().visitId().equals(visit.id());
          if (!own) lastTime.put(given.question(), given.answer());
          if (own || !given.question().group().changes()) {
            holding.put(given.question(), given.answer());
          }
        });
    return new Answers(holding, lastTime);
  }

  private LocalDate day(Visit visit) {
    return LocalDate.ofInstant(visit.startsAt(), clock.getZone());
  }

  public Screening screen(UUID visitId) {
    return screened(visitId).outcome();
  }

  public Screening screen(UUID visitId, ScreeningFacts facts) {
    return Screening.screen(facts, store.settlements(visitId));
  }

  public boolean patchTested(UUID clientId) {
    return !patchTests.ofClient(clientId).isEmpty();
  }

  /// Takes everything that was asked, agreed and tested out for good.
  public void erase(UUID clientId, List<UUID> visits) {
    visits.forEach(store::erase);
    outsidePeels.erase(clientId);
    patchTests.erase(clientId);
    consents.erase(clientId);
  }

  /// Answers a question, or takes its answer back.
  @Transactional
  public void answer(UUID visitId, Question question, Optional<Answer> answer, String who) {
    record.requireUnsigned(visitId);
    answer.ifPresent(
        given -> BadInput.check("choice", () -> question.check(given, lastPastDay(visitId))));
    store.answer(visitId, question, answer, who);
    audit.noteOnce(who, "answer questions", visitId);
  }

  /// Answers several at once: all of them, or none.
  @Transactional
  public void answerAll(UUID visitId, Map<Question, Answer> answers, String who) {
    record.requireUnsigned(visitId);
    LocalDate day = lastPastDay(visitId);
    answers.forEach((question, answer) -> {
      BadInput.check("choice", () -> question.check(answer, day));
      store.answer(visitId, question, Optional.of(answer), who);
    });
    audit.noteOnce(who, "answer questions", visitId);
  }

  /// The last day that an answer about the past may name: the visit's, or today where it is to
  /// come.
  private LocalDate lastPastDay(UUID visitId) {
    LocalDate day = day(visits.get(visitId));
    LocalDate today = LocalDate.now(clock);
    return day.isAfter(today) ? today : day;
  }

  /// How the open questions of groups are answered at one tap.
  enum Rest {
    /// As they were answered last time.
    AS_LAST_TIME,
    /// Each was read out, and none applies.
    NONE_APPLIES
  }

  /// Answers what is still open in these groups; what was answered stays.
  @Transactional
  void answerRest(UUID visitId, Set<Question.Group> groups, Rest rest, String who) {
    Read before = read(visitId);
    Map<Question, Given> lastTime = before.answers().lastTime();
    Map<Question, Answer> answers = new EnumMap<>(Question.class);
    for (Question question : Screening.questions(before.facts())) {
      if (!groups.contains(question.group()) || before.facts().answered(question)) continue;
      if (rest == Rest.NONE_APPLIES) {
        answers.put(question, question.harmless());
      } else if (lastTime.containsKey(question)) {
        answers.put(question, lastTime.get(question).answer());
      }
    }
    answerAll(visitId, answers, who);
  }

  /// A finding that only the supervising clinician may override.
  boolean firm(UUID visitId, String findingId) {
    return screen(visitId).findings().stream()
        .anyMatch(finding -> finding.firm() && finding.id().equals(findingId));
  }

  /// Lifts a finding by an override or a clearance.
  ///
  /// @throws Refused when the finding does not stand, or may not be lifted so
  @Transactional
  public void settle(UUID visitId, Settlement settlement, String who) {
    record.requireUnsigned(visitId);
    Finding finding =
        screen(visitId).findings().stream()
            .filter(Finding::stands)
            .filter(f -> f.id().equals(settlement.findingId()))
            .findFirst()
            .orElseThrow(() -> new Refused("This finding no longer stands. Nothing was changed."));
    if (!finding.mayBe(settlement)) {
      throw new Refused(
          finding.verdict() + " for " + finding.said() + " cannot be lifted this way.");
    }
    store.settle(visitId, finding, settlement, who);
    String of = finding.ruleId() + ": " + finding.said() + "; ";
    switch (settlement) {
      case Settlement.Override override ->
          audit.note(who, "override", visitId, of + override.reason());
      case Settlement.Clearance clearance ->
          audit.note(who, "clearance", visitId, of + "by " + clearance.clinician());
    }
  }
}
