package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.core.aftercare.Aftercare;
import ivesk.core.aftercare.Aftercare.Incident;
import ivesk.core.aftercare.Aftercare.Peeled;
import ivesk.core.aftercare.HomeItem;
import ivesk.core.aftercare.HomePlan;
import ivesk.core.aftercare.KeptOff;
import ivesk.core.aftercare.Outlook;
import ivesk.core.aftercare.Outlook.Stronger;
import ivesk.core.formula.Formula;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.series.NextPeel;
import ivesk.core.series.Onward;
import ivesk.core.series.Since;
import ivesk.core.skin.HomeProduct;
import ivesk.core.treatment.fact.Sign;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.state.EndingSteps;
import ivesk.core.treatment.state.Stage;
import ivesk.server.aftercare.HomePlanStore.Having;
import ivesk.server.app.Problems.Refused;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.practice.AccountStore;
import ivesk.server.practice.PracticeStore;
import ivesk.server.screening.ScreeningService;
import ivesk.server.skin.ConsultService;
import ivesk.server.treatment.Live;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.RedFlags;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/// What a visit comes to once its acid is off: the sheet, the answers, the next peel.
@Service
public class AftercareService {
  private final Treatments treatments;
  private final RecordedPeels peels;
  private final ScreeningService screening;
  private final ConsultService consults;
  private final VisitStore visits;
  private final HomePlanStore homePlans;
  private final ContactStore contacts;
  private final ClientStore clients;
  private final AccountStore accounts;
  private final PracticeStore practice;
  private final Clock clock;
  private final SheetMaker maker;

  AftercareService(
      Treatments treatments,
      RecordedPeels peels,
      ScreeningService screening,
      ConsultService consults,
      VisitStore visits,
      HomePlanStore homePlans,
      ContactStore contacts,
      ClientStore clients,
      AccountStore accounts,
      PracticeStore practice,
      Clock clock,
      SheetMaker maker) {
    this.treatments = treatments;
    this.peels = peels;
    this.screening = screening;
    this.consults = consults;
    this.visits = visits;
    this.homePlans = homePlans;
    this.contacts = contacts;
    this.clients = clients;
    this.accounts = accounts;
    this.practice = practice;
    this.clock = clock;
    this.maker = maker;
  }

  /// A visit whose acid is off, with what follows from it.
  ///
  /// @param peeled stages in which acid went on
  /// @param on the day of it
  /// @param next the one to follow
  /// @param asTaken its peels as the chart counts them, with what was told since
  record After(
      Live live,
      List<Stage> peeled,
      ScreeningFacts client,
      LocalDate on,
      NextPeel next,
      List<PastPeel> asTaken) {
    /// Something went wrong, on the couch or since.
    Optional<Incident> incident() {
      return Incident.of(
          asTaken,
          peeled.stream().anyMatch(stage -> stage.state().looks().seenSigns().contains(Sign.EYE)));
    }

    /// The client as the next screening finds them.
    ScreeningFacts clientAfter() {
      return client
          .having(Stream.concat(client.pastPeels().stream(), asTaken.stream()).toList())
          .on(on);
    }
  }

  /// @throws Refused while there was no peel, or one is not ended
  After after(UUID visitId) {
    Live live =
        treatments.ofVisit(visitId).orElseThrow(() -> new Refused("There was no peel yet."));
    List<Stage> peeled = live.peeled();
    if (peeled.isEmpty() || peeled.getLast().state().endedAt().isEmpty()) {
      throw new Refused("The peel is not ended yet.");
    }
    ScreeningFacts client = screening.facts(visitId);
    LocalDate on = maker.local(peeled.getLast().state().endedAt().get()).toLocalDate();
    Since since = since(visitId, client, on);
    NextPeel next = NextPeel.after(peeled, client, client.pastPeels(), on, since);
    List<PastPeel> asTaken =
        Outcome.peels(peeled, Collections.nCopies(peeled.size(), on)).stream()
            .map(since::flagged)
            .toList();
    return new After(live, peeled, client, on, next, asTaken);
  }

  private Since since(UUID visitId, ScreeningFacts client, LocalDate on) {
    Optional<RedFlags.Flagged> flagged =
        Optional.ofNullable(contacts.ofVisits(List.of(visitId)).get(visitId));
    Optional<LocalDate> flag =
        Stream.concat(
                client.pastPeels().stream().flatMap(peel -> peel.redFlag().stream()),
                flagged.stream().flatMap(one -> one.open().stream()))
            .min(Comparator.naturalOrder());
    Optional<Integer> flakesSeen =
        contacts.checkIns(List.of(visitId)).stream()
            .filter(one -> one.told().flaking() > 0)
            .map(one -> (int) ChronoUnit.DAYS.between(on, one.toldOn()))
            .max(Comparator.naturalOrder());
    return new Since(
        peels.flaked(visitId),
        flakesSeen,
        flag,
        flagged.isPresent(),
        flagged.filter(RedFlags.Flagged::allergic).isPresent(),
        maker.events(visitId, on).stream().map(Outlook.Event::on).toList());
  }

  /// The next peel after a visit; empty while its own is not ended.
  public Optional<NextPeel> next(UUID visitId) {
    return peelDay(visitId).map(_ -> after(visitId).next());
  }

  /// All that the sheet of a visit tells.
  ///
  /// @throws Refused while there was no peel, or one is not ended
  Done done(UUID visitId) {
    return done(visitId, after(visitId));
  }

  /// The same of what has followed already.
  Done done(UUID visitId, After after) {
    Visit visit = visits.get(visitId);
    Client client = clients.get(visit.clientId());
    Stage decides = NextPeel.decisive(after.peeled());
    PastPeel peel = Outcome.peel(decides.plan(), decides.state(), after.on());
    Stronger stronger =
        Onward.after(after.next(), peel, after.client().pastPeels(), after.client());
    Aftercare sheet =
        maker.sheet(
            visitId,
            after.live(),
            maker.asPeeled(after.peeled()),
            after.client(),
            SheetMaker.was(after.peeled()),
            stronger,
            after.incident());
    return new Done(
        client.name(),
        accounts.named(visit.therapist()),
        client.language(),
        after.peeled().stream()
            .map(stage ->
                new Done.Acid(stage.plan().formula(), Math.max(1, stage.state().layers().size())))
            .toList(),
        after.peeled().stream()
            .flatMap(stage -> SheetMaker.frostedZones(stage).stream())
            .distinct()
            .sorted()
            .toList(),
        SheetMaker.onTheSkin(after.live()),
        sheet,
        home(visitId, sheet, after),
        having(client.id(), visitId),
        after.next().held() || after.next().step() == NextPeel.Step.WAIT
            ? Optional.empty()
            : Optional.of(after.next().earliest()),
        practice.reach());
  }

  private HomePlan home(UUID visitId, Aftercare sheet, After after) {
    ScreeningFacts client = after.clientAfter();
    return HomePlan.of(
        sheet,
        KeptOff.of(
            client,
            screening.screen(visitId, client).limits().excluded(),
            client.allergies().told(),
            after.incident().isPresent()),
        client.skin().goals(),
        consults.of(visitId).consult().products(),
        client.sensitive() || client.skin().rosacea(),
        practice.policies());
  }

  /// As it was said; where nothing was, by what the client uses.
  Map<HomeItem, Having> having(UUID clientId, UUID visitId) {
    Map<HomeItem, Having> having = new EnumMap<>(HomeItem.class);
    List<HomeProduct> products = consults.of(visitId).consult().products();
    for (HomeItem item : HomeItem.values()) {
      boolean has =
          item.atHome()
              .filter(active -> products.stream().anyMatch(product -> product.has(active)))
              .isPresent();
      if (has) having.put(item, Having.HAS);
    }
    having.putAll(homePlans.of(clientId));
    return having;
  }

  /// The day on which the acid came off; empty before.
  Optional<LocalDate> peelDay(UUID visitId) {
    return peeled(visitId).stream()
        .flatMap(stage -> stage.state().endedAt().stream())
        .max(Comparator.naturalOrder())
        .map(at -> maker.local(at).toLocalDate());
  }

  /// Visits whose record is neither signed nor stopped.
  List<UUID> unsigned() {
    return treatments.openVisits();
  }

  private List<Stage> peeled(UUID visitId) {
    return treatments.ofVisit(visitId).map(Live::peeled).orElse(List.of());
  }

  boolean pigmentProne(UUID visitId) {
    return screening.facts(visitId).pigmentProne();
  }

  /// What went on, a retinoid that stayed among it.
  List<Formula> formulas(UUID visitId) {
    return peeled(visitId).stream()
        .flatMap(stage ->
            Stream.concat(
                Stream.of(stage.plan().formula()),
                stage.plan().addOn().stream()
                    .filter(_ -> stage.state().care().addOnAt().isPresent())
                    .map(addOn -> addOn.formula())))
        .toList();
  }

  Language language(UUID visitId) {
    return clients.get(visits.get(visitId).clientId()).language();
  }

  boolean frosted(UUID visitId) {
    return peeled(visitId).stream().anyMatch(stage -> !SheetMaker.frostedZones(stage).isEmpty());
  }

  /// Whether the practice lets clients tell it by their own phone.
  boolean handsetsUsed() {
    return practice.policies().chose(Choice.CLIENT_HANDSET);
  }

  /// What clients ask, answered by the plan until the peel is over, then by the peel itself.
  ///
  /// @throws Refused before the client is here
  Aftercare expected(UUID visitId) {
    Live live =
        treatments.ofVisit(visitId).orElseThrow(() -> new Refused("The client is not here yet."));
    List<Stage> ended =
        live.peeled().stream().filter(stage -> stage.state().endedAt().isPresent()).toList();
    if (!ended.isEmpty()
        && ended.size() == live.peeled().size()
        && live.plan().staging().next().isEmpty()) {
      return done(visitId).sheet();
    }
    ZonedDateTime now = maker.local(clock.instant());
    List<Peeled> all = new ArrayList<>(maker.asPeeled(ended));
    Optional<TreatmentPlan> ahead = Optional.of(live.plan());
    while (ahead.isPresent()) {
      TreatmentPlan plan = ahead.get();
      all.add(new Peeled(plan.formula(), plan.depth(), now, List.of(), EndingSteps.leavesOn(plan)));
      ahead = plan.staging().next();
    }
    ScreeningFacts client = screening.facts(visitId);
    TreatmentPlan plan = live.plan();
    PastPeel asPlanned =
        new PastPeel(
            plan.formula(),
            plan.region(),
            now.toLocalDate(),
            plan.layersPlanned(),
            plan.contactLimit().orElse(Duration.ZERO),
            PeelOutcome.WELL_TAKEN,
            Optional.empty());
    return maker.sheet(
        visitId,
        live,
        all,
        client,
        Optional.of(maker.feltOf(live)),
        Onward.whenWellTaken(asPlanned, client.pastPeels(), client),
        Optional.empty());
  }
}
