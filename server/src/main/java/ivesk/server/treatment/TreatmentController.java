package ivesk.server.treatment;

import ivesk.core.Words;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.advice.Advice;
import ivesk.core.treatment.advice.Advisor;
import ivesk.core.treatment.advice.Refusal;
import ivesk.core.treatment.fact.ReadyStep;
import ivesk.core.treatment.fact.TreatmentEvent.AcidAllowed;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.core.treatment.fact.TreatmentEvent.GateA;
import ivesk.core.treatment.fact.TreatmentEvent.PlanChanged;
import ivesk.core.treatment.fact.TreatmentEvent.StepDone;
import ivesk.core.treatment.fact.TreatmentEvent.TakenBack;
import ivesk.core.treatment.fact.TreatmentEvent.TimerArmed;
import ivesk.core.treatment.record.Outcome;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.ClockWatch;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.plan.GateChange;
import ivesk.server.plan.PlanService;
import ivesk.server.practice.Clinicians;
import ivesk.server.practice.SignIns;
import ivesk.server.visit.VisitStore;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

@RestController
@RequestMapping("/api")
class TreatmentController {
  private final Treatments treatments;
  private final TreatmentStreams streams;
  private final RecordedPeels peels;
  private final PlanService plans;
  private final GateChange gateChange;
  private final VisitStore visits;
  private final TransactionTemplate transaction;
  private final SignIns signIns;
  private final Clinicians clinicians;
  private final Audit audit;
  private final ClockWatch watch;
  private final Clock clock;

  TreatmentController(
      Treatments treatments,
      TreatmentStreams streams,
      RecordedPeels peels,
      PlanService plans,
      VisitStore visits,
      TransactionTemplate transaction,
      SignIns signIns,
      Clinicians clinicians,
      Audit audit,
      ClockWatch watch,
      Clock clock,
      GateChange gateChange) {
    this.gateChange = gateChange;
    this.treatments = treatments;
    this.streams = streams;
    this.peels = peels;
    this.plans = plans;
    this.visits = visits;
    this.transaction = transaction;
    this.signIns = signIns;
    this.clinicians = clinicians;
    this.audit = audit;
    this.watch = watch;
    this.clock = clock;
  }

  /// @param id made by the screen, so that sending twice counts once
  /// @param at when it happened, by server time as the screen knows it
  /// @param by who said it, where somebody else sends it: was signed in on this device then
  /// @param sentAt when it is sent, by the same clock as `at`: a wrong clock keeps its distances
  record NewEvent(UUID id, Instant at, Fact fact, Optional<String> by, Optional<Instant> sentAt) {

    /// The screen's own time at the tap counts, with the offset that it has measured: how long the
    /// request was on its way moves nothing. Only a clock that cannot be explained by that is set
    /// right, by its distance.
    Instant at(Instant now) {
      return sentAt
          .map(sent -> Duration.between(sent, now))
          .filter(off -> off.compareTo(AHEAD) < 0 || off.compareTo(ON_ITS_WAY) > 0)
          .map(at::plus)
          .orElse(at);
    }

    private static final Duration AHEAD = Duration.ofSeconds(-2);

    /// How long a request may be on its way.
    private static final Duration ON_ITS_WAY = Duration.ofSeconds(90);
  }

  /// Opens the treatment of a visit, on its day only: everything was worked out for that day.
  @May(Right.TREAT)
  @PostMapping("/visits/{visitId}/treatment")
  TreatmentView open(@PathVariable UUID visitId, Principal who) {
    LocalDate day = LocalDate.ofInstant(visits.get(visitId).startsAt(), clock.getZone());
    if (treatments.ofVisit(visitId).isEmpty() && !day.equals(LocalDate.now(clock))) {
      throw new Refused(
          "This visit is on " + Words.day(day) + ". Move its date in Screen first, then begin.");
    }
    return view(treatments.ofVisit(visitId).orElseGet(() -> begin(visitId, who.getName())));
  }

  /// Whoever begins treats, within their own licence.
  private Live begin(UUID visitId, String who) {
    TreatmentPlan plan =
        transaction.execute(tx -> {
          visits.assign(visitId, who);
          return plans.ready(visitId);
        });
    return treatments.open(visitId, plan, who);
  }

  @May(Right.RECORD)
  @GetMapping("/treatments/{id}")
  TreatmentView treatment(@PathVariable UUID id, Principal who) {
    audit.noteOnce(who.getName(), "read treatment", id);
    return view(treatments.live(id));
  }

  /// The whole in words, as it is signed.
  @May(Right.RECORD)
  @GetMapping("/treatments/{id}/summary")
  SummaryView summary(@PathVariable UUID id) {
    return new SummaryView(Outcome.summary(treatments.live(id).stages(), now()));
  }

  record SummaryView(String words) {}

  /// The row of the table behind the advice that holds now; empty where no row led to it.
  @May(Right.TREAT)
  @GetMapping("/treatments/{id}/why")
  WhyAnswer why(@PathVariable UUID id) {
    Live live = treatments.live(id);
    Instant now = now();
    Advice advice = Advisor.advise(live.plan(), live.state(), now);
    return new WhyAnswer(
        Advisor.why(advice, live.plan(), live.state(), now).map(TreatmentWire.WhyView::of));
  }

  record WhyAnswer(Optional<TreatmentWire.WhyView> row) {}

  /// Appends an event; the answer tells only the entries after `since`. Before the timer is armed,
  /// Screen and the gates are asked once more: an answer may have changed since the plan was made.
  @May(Right.TREAT)
  @PostMapping("/treatments/{id}/events")
  CouchView append(
      @PathVariable UUID id,
      @RequestParam Optional<Integer> since,
      @RequestBody NewEvent event,
      Principal who,
      HttpServletRequest request,
      HttpServletResponse response) {
    if (event.fact() instanceof TimerArmed) requireStillWithin(treatments.live(id));
    if (event.fact() instanceof PlanChanged) {
      throw new Refused("Another formula is taken at gate A, which asks Screen and Choose again.");
    }
    if (event.fact() instanceof AcidAllowed
        || event.fact() instanceof StepDone(var step, _) && step == ReadyStep.CLINICIAN) {
      clinicians.require(who.getName(), Optional.empty(), request, response);
    }
    Instant at = event.at(clock.instant());
    String by =
        event
            .by()
            .filter(other -> signIns.wasHere(other, at, request, response))
            .orElse(who.getName());
    Live live = treatments.append(id, event.id(), at, event.fact(), by);
    if (event.fact() instanceof TakenBack) {
      gateChange.follow(live.visitId(), live.stages().getFirst().plan(), by);
    }
    return CouchView.of(live, now(), since.orElse(0), clockJump());
  }

  /// The supervising clinician says, by their own sign-in or at the spot, that they are in the
  /// room, or that acid may go on after an alarm.
  @May(Right.TREAT)
  @PostMapping("/treatments/{id}/clinician")
  TreatmentView present(
      @PathVariable UUID id,
      @RequestBody Present body,
      Principal who,
      HttpServletRequest request,
      HttpServletResponse response) {
    String clinician =
        clinicians.require(who.getName(), body.clinician(), request, response).username();
    Fact fact =
        body.allows().isPresent()
            ? BadInput.in("allows", () -> new AcidAllowed(body.allows().get()))
            : new StepDone(ReadyStep.CLINICIAN, "");
    return view(treatments.append(id, body.id(), clock.instant(), fact, clinician));
  }

  /// @param id of the event, made by the screen
  /// @param allows why acid may go on after an alarm; empty where the clinician is present
  record Present(UUID id, Optional<Clinicians.AtTheSpot> clinician, Optional<String> allows) {}

  /// What may take the formula's place at gate A today.
  @May(Right.TREAT)
  @GetMapping("/treatments/{id}/gate-a")
  GateChange.Instead instead(@PathVariable UUID id) {
    Live live = treatments.live(id);
    return gateChange.instead(live.visitId(), live.plan());
  }

  /// @param id of the event, made by the screen
  /// @param formula that takes its place
  record Change(UUID id, GateA choice, String formula) {}

  /// Takes another formula at gate A: Screen and Choose judge it again, and the plan is changed.
  @May(Right.TREAT)
  @PostMapping("/treatments/{id}/gate-a")
  TreatmentView change(@PathVariable UUID id, @RequestBody Change body, Principal who) {
    Live live = treatments.live(id);
    if (live.events().stream().anyMatch(event -> event.id().equals(body.id()))) {
      return view(live);
    }
    TreatmentPlan other = gateChange.insteadOf(live.visitId(), live.plan(), body.formula());
    PlanChanged fact = BadInput.in("choice", () -> new PlanChanged(body.choice(), other));
    Instant now = clock.instant();
    Refusal.of(live.plan(), live.state(), fact, now)
        .ifPresent(why -> {
          throw new Refused(Words.capital(why) + ". The plan is as it was.");
        });
    gateChange.changeAtGate(live.visitId(), live.plan(), body.formula(), who.getName());
    return view(treatments.append(id, body.id(), now, fact, who.getName()));
  }

  private void requireStillWithin(Live live) {
    TreatmentPlan today = plans.ready(live.visitId());
    int number = live.plan().staging().number();
    while (today.staging().number() < number && today.staging().next().isPresent()) {
      today = today.staging().next().get();
    }
    // Steps that were changed on the couch stand in no plan any more.
    if (today.staging().number() != number || today.region() != live.plan().region()) return;
    boolean tighter =
        today.layersAtMost() < live.state().ready().layersPlanned()
            || today.hold() < live.plan().hold()
            || today.contactLimit().isPresent()
                && today
                        .contactLimit()
                        .get()
                        .compareTo(live.state().ready().contactLimit().orElseThrow())
                    < 0;
    if (tighter) {
      throw new Refused(
          "The limits are tighter than this plan since an answer changed. Stop at the gate and plan"
              + " again.");
    }
  }

  @May(Right.RECORD)
  @GetMapping(path = "/treatments/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
  SseEmitter stream(@PathVariable UUID id) {
    return streams.listen(id, treatments.live(id).events().size());
  }

  private TreatmentView view(Live live) {
    return TreatmentView.of(live, now(), peels.ownCurve(live), clockJump());
  }

  private Instant now() {
    return clock.instant().truncatedTo(ChronoUnit.MILLIS);
  }

  private Optional<String> clockJump() {
    return watch.standing().map(ClockWatch.Jump::words);
  }
}
