package ivesk.server.aftercare;

import ivesk.core.Language;
import ivesk.core.aftercare.HomeItem;
import ivesk.core.formula.Formula;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.series.LadderRules;
import ivesk.core.series.NextPeel;
import ivesk.core.treatment.state.Phase;
import ivesk.core.treatment.state.Stage;
import ivesk.server.aftercare.AftercareService.After;
import ivesk.server.aftercare.SheetView.SheetReply;
import ivesk.server.app.Audit;
import ivesk.server.app.May;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Right;
import ivesk.server.visit.VisitStore;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@May(Right.RECORD)
@RestController
@RequestMapping("/api/visits/{id}/aftercare")
class AftercareController {
  private final AftercareService aftercare;
  private final HomePlanStore homePlans;
  private final VisitStore visits;
  private final Audit audit;
  private final Clock clock;

  AftercareController(
      AftercareService aftercare,
      HomePlanStore homePlans,
      VisitStore visits,
      Audit audit,
      Clock clock) {
    this.aftercare = aftercare;
    this.homePlans = homePlans;
    this.visits = visits;
    this.audit = audit;
    this.clock = clock;
  }

  /// @param held a red flag stands open
  record NextView(
      LocalDate earliest,
      List<String> reasons,
      NextPeel.Step step,
      String stepLabel,
      Optional<String> formula,
      String why,
      Optional<PastPeel.NextTime> proposal,
      int peelNumber,
      int seriesMost,
      boolean held) {}

  /// @param language of the client
  /// @param sheet in the language that was asked for
  record AfterView(
      UUID treatmentId,
      Phase phase,
      String formulaName,
      Instant endedAt,
      Optional<Instant> restAt,
      Language language,
      SheetView sheet,
      NextView next) {}

  /// What clients ask, answered by the plan until the peel is over, then by the peel itself.
  @GetMapping("/answers")
  List<SheetReply> answers(@PathVariable UUID id, @RequestParam(defaultValue = "EN") Language in) {
    return SheetView.replies(aftercare.expected(id), in);
  }

  /// @param in the language of the sheet; the client's own where none is asked for
  @GetMapping
  AfterView after(@PathVariable UUID id, @RequestParam Optional<Language> in) {
    After after = aftercare.after(id);
    Done done = aftercare.done(id, after);
    List<Stage> peeled = after.peeled();
    Stage last = peeled.getLast();
    return new AfterView(
        after.live().id(),
        after.live().state().phase(),
        String.join(
            ", then ", peeled.stream().map(stage -> stage.plan().formula().name()).toList()),
        last.state().endedAt().orElseThrow(),
        last.state().ending().restAt(),
        done.language(),
        SheetView.of(done, in.orElse(done.language())),
        next(after));
  }

  private static NextView next(After after) {
    NextPeel next = after.next();
    Stage decides = NextPeel.decisive(after.peeled());
    return new NextView(
        next.earliest(),
        next.reasons(),
        next.step(),
        next.step().label(),
        next.formula().map(Formula::code),
        next.why(),
        next.proposal(decides.plan(), decides.state()),
        LadderRules.inSeries(
            after.client().pastPeels(),
            after.on(),
            decides.plan().region(),
            decides.plan().formula().family()),
        decides.plan().formula().seriesMost(),
        next.held());
  }

  /// @param having empty takes back what was said
  record HomePlanSaid(Optional<HomePlanStore.Having> having) {}

  /// @param having of each item what holds now; by the consult where nobody was asked
  record HomePlanHeld(Map<HomeItem, HomePlanStore.Having> having) {}

  /// Whether the client has an item of the home plan, has bought it, or does not want it. The plan
  /// itself does not change by it.
  @May(Right.TREAT)
  @PutMapping("/home-plan/{item}")
  @Transactional
  HomePlanHeld say(
      @PathVariable UUID id,
      @PathVariable HomeItem item,
      @RequestBody HomePlanSaid body,
      Principal who) {
    UUID client = visits.get(id).clientId();
    if (aftercare.peelDay(id).isEmpty()) throw new Refused("The peel is not ended yet.");
    homePlans.say(client, item, body.having(), clock.instant(), who.getName());
    audit.noteOnce(who.getName(), "home plan", client);
    return new HomePlanHeld(aftercare.having(client, id));
  }
}
