package ivesk.core.series;

import ivesk.core.Words;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Shelf;
import ivesk.core.formula.Substance;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.plan.script.AddOn;
import ivesk.core.practice.Policies;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.limits.Limits;
import ivesk.core.screening.verdict.Screening;
import ivesk.core.selection.Amounts;
import ivesk.core.selection.BeforeEvent;
import ivesk.core.selection.Ladders;
import ivesk.core.selection.OwnFlaking;
import ivesk.core.treatment.record.Outcome;
import ivesk.core.treatment.state.Stage;
import ivesk.core.treatment.state.TreatmentState;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/// The next peel: its earliest date with the reasons for it, and what it would be.
///
/// @param earliest the latest of all the dates that count; not fixed while a red flag stands
/// @param reasons one for each date that counted
/// @param formula proposed; empty when the clinician decides first
/// @param why the step in words
/// @param held a red flag stands open: nothing is planned before it is closed
public record NextPeel(
    LocalDate earliest,
    List<String> reasons,
    Step step,
    Optional<Formula> formula,
    String why,
    boolean held) {

  public enum Step {
    SAME("Same again"),
    ONE_LAYER_MORE("One layer more"),
    ONE_RUNG_UP("One rung up"),
    SHORTER("Same again, shorter"),
    LOWER("Lower"),
    OTHER_FAMILY("Another, milder family"),
    WAIT("Wait for the clinician");

    private final String label;

    Step(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// After all stages of a visit: what the first proposes, unless one of them went badly, and not
  /// before the day that every other allows.
  ///
  /// @param stages in which acid went on; at least one
  /// @param past peels before this visit
  public static NextPeel after(
      List<Stage> stages, ScreeningFacts client, List<PastPeel> past, LocalDate on, Since since) {
    Stage decides = decisive(stages);
    List<Stage> here =
        stages.stream().filter(stage -> stage.plan().region() == decides.plan().region()).toList();
    Flaking flaking = expected(here, past);
    NextPeel next = after(decides.plan(), decides.state(), client, past, on, since, flaking);
    for (Stage stage : here) {
      if (stage == decides) continue;
      NextPeel other = after(stage.plan(), stage.state(), client, past, on, since, flaking);
      if (!other.earliest.isAfter(next.earliest)) continue;
      List<String> reasons = new ArrayList<>(next.reasons);
      reasons.addAll(other.reasons);
      next = new NextPeel(other.earliest, reasons, next.step, next.formula, next.why, next.held);
    }
    return next;
  }

  private static Flaking expected(List<Stage> stages, List<PastPeel> past) {
    TreatmentPlan plan = stages.getFirst().plan();
    return OwnFlaking.expected(
        stages.stream().flatMap(stage -> wentOn(stage.plan(), stage.state())).toList(),
        OwnFlaking.of(plan.formula(), plan.region(), past),
        stages.stream()
            .flatMap(stage -> stage.state().zones().values().stream())
            .anyMatch(zone -> zone.whitening().frost()));
  }

  /// The stage for which the visit was planned; one with an adverse outcome comes before it.
  public static Stage decisive(List<Stage> stages) {
    return stages.stream()
        .filter(stage -> Outcome.of(stage.plan(), stage.state()) == PeelOutcome.ADVERSE)
        .findFirst()
        .orElse(stages.getFirst());
  }

  /// A date that counts, and why.
  private record Reason(LocalDate day, String why) {
    private String words() {
      return why + ": " + Words.day(day);
    }
  }

  /// @param past peels before this one
  /// @param flaking as it is expected after all that went on
  private static NextPeel after(
      TreatmentPlan plan,
      TreatmentState state,
      ScreeningFacts client,
      List<PastPeel> past,
      LocalDate on,
      Since since,
      Flaking flaking) {
    Formula done = plan.formula();
    int layers = Math.max(1, state.layers().size());
    List<Reason> reasons = new ArrayList<>();
    reasons.add(interval(done, layers, client, on));
    flakesGone(flaking, on, since).ifPresent(reasons::add);
    LocalDate earliest = latest(reasons);

    PastPeel peel = since.flagged(Outcome.peel(plan, state, on).flaking(since.flaked()));
    List<PastPeel> all = new ArrayList<>(past);
    all.add(peel);
    Ladders ladders = LadderRules.of(all, earliest, plan.region());
    int rung = ladders.rungs().getOrDefault(done.family(), done.rung());
    NextPeel step = step(peel, plan, state, rung, ladders, client.having(all));
    Formula formula = step.formula.orElse(done);
    DepthClass depth =
        formula.code().equals(done.code()) ? Outcome.depth(plan, state) : formula.libraryDepth();
    inhibitor(formula, client, earliest, depth).ifPresent(reasons::add);
    int flakes = OwnFlaking.orUsual(formula, plan.region(), all).last();
    int needed = BeforeEvent.days(depth, flakes, false);
    events(needed, latest(reasons), since).ifPresent(reasons::add);
    List<String> words = new ArrayList<>(reasons.stream().map(Reason::words).toList());
    since
        .redFlag()
        .ifPresent(day ->
            words.addFirst("a red flag is open since " + Words.day(day) + ": close it first"));
    return new NextPeel(
        latest(reasons),
        List.copyOf(words),
        step.step,
        step.formula,
        step.why,
        since.redFlag().isPresent());
  }

  private static LocalDate latest(List<Reason> reasons) {
    return reasons.stream().map(Reason::day).max(Comparator.naturalOrder()).orElseThrow();
  }

  private static Reason interval(Formula done, int layers, ScreeningFacts client, LocalDate on) {
    int interval = done.intervalDays(layers);
    String why = "interval " + Words.count(interval, "day") + " after " + done.code();
    int own = client.intervalOfThisClient(interval);
    if (own != interval) why += ", for this client " + own;
    return new Reason(on.plusDays(own), why);
  }

  /// The day after the last flakes: as they were told, else as they are expected, and never before
  /// those of a check-in.
  private static Optional<Reason> flakesGone(Flaking expected, LocalDate on, Since since) {
    Flaking flaking = since.flaked().orElse(expected);
    int seen = since.flakesSeen().orElse(0);
    if (seen > flaking.last()) {
      return Optional.of(
          new Reason(
              on.plusDays(seen + 1L), "after flakes told of on " + Words.day(on.plusDays(seen))));
    }
    if (!flaking.expected()) return Optional.empty();
    return Optional.of(
        new Reason(
            on.plusDays(flaking.last() + 1L),
            since.flaked().isPresent() ? "flakes gone, as told" : "flakes gone, as expected"));
  }

  /// 14 days of inhibitor before what needs it on skin that answers with pigment.
  private static Optional<Reason> inhibitor(
      Formula formula, ScreeningFacts client, LocalDate earliest, DepthClass depth) {
    return Screening.screen(client.on(earliest), List.of())
        .shuts(formula, depth, client.entryRung(formula.family()))
        .stream()
        .filter(shut -> shut.ruleId().equals("SCR-PHOTOTYPE"))
        .flatMap(shut -> shut.until().stream())
        .max(Comparator.naturalOrder())
        .map(until -> new Reason(until, "14 days of inhibitor"));
  }

  /// The first day after the events that a peel would come too close to.
  ///
  /// @param needed days before each
  private static Optional<Reason> events(int needed, LocalDate earliest, Since since) {
    LocalDate free = earliest;
    for (LocalDate event : since.events()) {
      if (!event.isBefore(free) && event.isBefore(free.plusDays(needed))) free = event.plusDays(1);
    }
    return free.equals(earliest)
        ? Optional.empty()
        : Optional.of(new Reason(free, "after what is on before it"));
  }

  /// What the next one would be; its date is worked out by itself.
  private static NextPeel step(
      PastPeel peel,
      TreatmentPlan plan,
      TreatmentState state,
      int rung,
      Ladders ladders,
      ScreeningFacts client) {
    Formula done = plan.formula();
    if (state.injured()) {
      return proposing(
          Step.WAIT,
          Optional.empty(),
          "An injury or alarm was seen. The supervising clinician decides what comes next.");
    }
    String reason = ladders.reasons().getOrDefault(done.family(), "");
    if (!peel.wellTaken()) return notWellTaken(peel, rung, reason, client);
    Optional<Formula> higher = rung > done.rung() ? higher(client, done, rung) : Optional.empty();
    if (higher.isPresent()) {
      return proposing(
          Step.ONE_RUNG_UP, higher, reason + ". Staying is as good when the goals are met.");
    }
    int layers = peel.layers();
    if (done.takesLayers() && layers < mostLayers(client, done) && layers >= plan.layersPlanned()) {
      return proposing(
          Step.ONE_LAYER_MORE,
          Optional.of(done),
          "Well taken. At most " + (layers + 1) + " layers within the client's limits.");
    }
    return proposing(Step.SAME, Optional.of(done), "Well taken. " + reason);
  }

  private static NextPeel proposing(Step step, Optional<Formula> formula, String why) {
    return new NextPeel(LocalDate.MIN, List.of(), step, formula, why, false);
  }

  /// The most that formula, practice and the client's limits allow in one visit.
  static int mostLayers(ScreeningFacts client, Formula formula) {
    int cap = Screening.screen(client, List.of()).limits().layerCap();
    return Math.min(cap, Amounts.cap(formula, client.policies()));
  }

  /// What stands at a higher rung of the family and this client may have: rosacea, children and
  /// youths stay, and so does whoever the screening, the licence or the practice keeps from it.
  static Optional<Formula> higher(ScreeningFacts client, Formula done, int rung) {
    Limits limits = Screening.screen(client, List.of()).limits();
    Policies policies = client.policies();
    int entry = client.entryRung(done.family());
    return family(client.shelf(), done)
        .filter(formula -> formula.rung() == rung)
        .filter(formula -> {
          DepthClass depth = formula.libraryDepth();
          return limits.objections(formula, depth, entry).isEmpty()
              && depth.within(policies.scope())
              && Arrays.stream(Policies.Restricted.values())
                  .allMatch(
                      one -> !formula.holds(one) || policies.openedByClinician().contains(one));
        })
        .findFirst();
  }

  private static NextPeel notWellTaken(
      PastPeel peel, int rung, String reason, ScreeningFacts client) {
    Formula done = peel.formula();
    return switch (peel.outcome()) {
      case CUT_SHORT ->
          proposing(
              Step.SAME,
              Optional.of(done),
              "Cut short, calmly: the same again. It does not count toward the series.");
      case TOO_STRONG ->
          proposing(
              rung < done.rung() ? Step.LOWER : Step.SHORTER,
              atRung(client.shelf(), done, rung),
              Words.capital(reason) + ".");
      case ADVERSE -> afterAdverse(done, client);
      case WELL_TAKEN -> throw new IllegalArgumentException("it was well taken");
    };
  }

  /// Two rungs down, where the screening leaves that open; else another family.
  private static NextPeel afterAdverse(Formula done, ScreeningFacts client) {
    Limits limits = Screening.screen(client, List.of()).limits();
    int entry = client.entryRung(done.family());
    return atRung(client.shelf(), done, done.rung() - 2)
        .filter(formula -> limits.objections(formula, formula.libraryDepth(), entry).isEmpty())
        .map(formula ->
            proposing(
                Step.LOWER,
                Optional.of(formula),
                "This one was adverse: two rungs down, at the first-visit time."))
        .orElseGet(() ->
            proposing(
                Step.OTHER_FAMILY,
                Optional.empty(),
                "This one was adverse: another family of a lower level, or what the supervising"
                    + " clinician names."));
  }

  /// What the next visit would propose, for the therapist to change before signing.
  public Optional<PastPeel.NextTime> proposal(TreatmentPlan plan, TreatmentState state) {
    PastPeel peel = Outcome.peel(plan, state, earliest);
    int done = Math.max(1, state.layers().size());
    return formula.map(next -> {
      boolean same = next.code().equals(plan.formula().code()) && step != Step.LOWER;
      Optional<Duration> contact =
          same && next.mostContact().isPresent()
              ? Optional.of(Amounts.timeAfter(peel, peel.outcome().harsh()))
              : next.firstContact();
      Optional<Duration> within =
          contact.map(
              time -> next.mostContact().filter(most -> most.compareTo(time) < 0).orElse(time));
      int layers = !same ? next.layersFirst() : step == Step.ONE_LAYER_MORE ? done + 1 : done;
      return new PastPeel.NextTime(next.code(), within, layers);
    });
  }

  /// The acid, and the retinoid if it was put on.
  private static Stream<Formula> wentOn(TreatmentPlan plan, TreatmentState state) {
    return Stream.concat(
        Stream.of(plan.formula()),
        plan.addOn().filter(planned -> state.care().addOnAt().isPresent()).stream()
            .map(AddOn::formula));
  }

  private static Optional<Formula> atRung(Shelf shelf, Formula done, int rung) {
    return family(shelf, done)
        .filter(formula -> formula.rung() == rung)
        // A variant without resorcinol is never followed by the one with it.
        .filter(formula ->
            !formula.contains(Substance.RESORCINOL) || done.contains(Substance.RESORCINOL))
        .min(Comparator.comparing(formula -> !formula.code().equals(done.code())));
  }

  private static Stream<Formula> family(Shelf shelf, Formula done) {
    return shelf.formulas().stream()
        .filter(formula -> formula.family() == done.family() && formula.peels());
  }
}
