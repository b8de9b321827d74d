package ivesk.core.screening;

import ivesk.core.Source;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/// A screening rule as a value: whom it concerns, what it asks, and what it finds.
public final class Rule {
  private final String id;
  private final Source source;
  private final String why;
  private Predicate<ScreeningFacts> concerns = facts -> true;
  private Function<ScreeningFacts, List<Question>> asks = facts -> List.of();
  private Function<ScreeningFacts, List<String>> needs = facts -> List.of();
  private Function<ScreeningFacts, List<Draft>> finds = facts -> List.of();

  private Rule(String id, Source source, String why) {
    this.id = id;
    this.source = source;
    this.why = why;
  }

  static Rule rule(String id, Source source, String why) {
    return new Rule(id, source, why);
  }

  /// Leaves the rule out for clients to whom its questions are not put.
  Rule concerns(Predicate<ScreeningFacts> whom) {
    concerns = whom;
    return this;
  }

  Rule asks(Question... questions) {
    return asksOf(facts -> List.of(questions));
  }

  /// Asks what depends on what is known already.
  Rule asksOf(Function<ScreeningFacts, List<Question>> questions) {
    asks = questions;
    return this;
  }

  /// What else must be known before it can judge, beside its questions; in words.
  Rule needs(Function<ScreeningFacts, List<String>> missing) {
    needs = missing;
    return this;
  }

  Rule finds(Function<ScreeningFacts, List<Draft>> what) {
    finds = what;
    return this;
  }

  public String id() {
    return id;
  }

  public Source source() {
    return source;
  }

  /// The questions that it puts to this client.
  public List<Question> asks(ScreeningFacts facts) {
    return concerns.test(facts) ? asks.apply(facts) : List.of();
  }

  /// The rule's findings; a missing answer gives "WAIT: ask first" in place of its own verdict.
  public List<Finding> apply(ScreeningFacts facts) {
    if (!concerns.test(facts)) return List.of();
    List<Finding> found = new ArrayList<>();
    for (Question question : asks.apply(facts)) {
      if (!facts.answered(question)) {
        String said = question.text() + ": not asked";
        found.add(finding(Draft.ask(said)));
      }
    }
    needs.apply(facts).forEach(missing -> found.add(finding(Draft.ask(missing))));
    if (found.isEmpty()) finds.apply(facts).forEach(draft -> found.add(finding(draft)));
    return found;
  }

  private Finding finding(Draft draft) {
    return new Finding(
        id,
        draft.said,
        draft.verdict,
        draft.scope,
        draft.restrictions,
        why,
        source,
        draft.until,
        draft.clearedBy,
        draft.overridable,
        draft.unasked,
        Optional.empty());
  }

  /// A finding before the rule has put its name to it.
  static final class Draft {
    private final Verdict verdict;
    private final String said;
    private final List<Restriction> restrictions;
    private Optional<LocalDate> until = Optional.empty();
    private String clearedBy;
    private boolean overridable;
    private boolean unasked;
    private Scope scope = Scope.CLIENT;

    private Draft(Verdict verdict, String said, List<Restriction> restrictions, String clearedBy) {
      this.verdict = verdict;
      this.said = said;
      this.restrictions = restrictions;
      this.clearedBy = clearedBy;
    }

    static Draft proceed(String said) {
      return new Draft(Verdict.PROCEED, said, List.of(), "");
    }

    static Draft adapt(String said, Restriction... restrictions) {
      Draft draft =
          new Draft(Verdict.ADAPT, said, List.of(restrictions), "a written reason lifts it");
      draft.overridable = true;
      return draft;
    }

    /// A WAIT that only counts days; it may be overridden with a reason.
    static Draft until(LocalDate date, String said) {
      Draft draft = new Draft(Verdict.WAIT, said, List.of(), "waiting");
      draft.until = Optional.of(date);
      draft.overridable = true;
      return draft;
    }

    /// A WAIT for a present cause or a missing thing; it may not be overridden.
    static Draft cause(String said, String clearedBy) {
      return new Draft(Verdict.WAIT, said, List.of(), clearedBy);
    }

    /// WAIT: ask first.
    static Draft ask(String said) {
      Draft draft = cause(said, "asking");
      draft.unasked = true;
      return draft;
    }

    static Draft refer(String said, Restriction... restrictions) {
      return new Draft(
          Verdict.REFER, said, List.of(restrictions), "clearance by a named clinician");
    }

    static Draft stop(String said) {
      return new Draft(Verdict.STOP, said, List.of(), "nothing today");
    }

    Draft only(Scope narrower) {
      scope = narrower;
      return this;
    }

    /// May not be overridden.
    Draft firm() {
      overridable = false;
      clearedBy = "nothing today";
      return this;
    }

    Draft earliest(LocalDate date) {
      until = Optional.of(date);
      return this;
    }
  }
}
