package ivesk.core.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.aftercare.Told.Part;
import ivesk.core.formula.Component;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Flaking;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Substance;
import ivesk.core.plan.script.AddOn;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.screening.rule.Restriction.Care;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/// The sheet for the peels of one visit: the deepest, the longest flaking, every caution. It holds
/// sentences by their id with dates, and no words. Days and hours are common practice, no source.
///
/// @param on the day of the peel
/// @param days what each day brings, in order
/// @param rules what holds until when, the soonest first
/// @param answers to what clients ask, from the plan
/// @param flakes from which day to which; empty where none are due
/// @param blandUntil the last day of nothing but gentle cleanser and bland cream
public record Aftercare(
    LocalDate on,
    List<Day> days,
    List<Until> rules,
    List<Reply> answers,
    Optional<Flakes> flakes,
    LocalDate blandUntil) {

  public enum Mark {
    PEEL,
    CARE,
    FLAKING,
    FREE,
    CHECK
  }

  public record Day(LocalDate date, Mark mark, List<Told> lines) {}

  /// @param what it is called
  /// @param from the first moment at which it is allowed again
  /// @param held after an incident: then too only once the practice says so
  public record Until(Activity activity, Sentence what, ZonedDateTime from, boolean held) {
    /// The first day on which it is allowed again.
    public LocalDate free() {
      return from.toLocalDate();
    }

    /// Whether it counts in hours: then the day is free from an hour on.
    public boolean byHour() {
      return !from.toLocalTime().equals(LocalTime.MIDNIGHT);
    }

    /// When, as it is told.
    public Part when() {
      return byHour() ? new Part.At(from) : new Part.Day(free());
    }
  }

  public record Reply(Told question, List<Told> answer) {}

  /// @param own as this client's skin has done before
  public record Flakes(LocalDate from, LocalDate to, boolean own) {}

  /// An add-on that went on at rest.
  ///
  /// @param wipedOff before the client left
  public record Worn(AddOn addOn, ZonedDateTime on, boolean wipedOff) {
    Optional<ZonedDateTime> washedOff() {
      return wipedOff ? Optional.empty() : Optional.of(on.plus(addOn.most()));
    }
  }

  /// Something went wrong under the peel, or after it.
  ///
  /// @param reactedTo substances to which the body may have answered; empty without an allergic
  ///   sign
  /// @param eye something got into one
  public record Incident(Set<Substance> reactedTo, boolean eye) {
    public Incident {
      reactedTo = Set.copyOf(reactedTo);
    }

    /// What was seen on the couch and told since.
    ///
    /// @return empty where nothing was adverse
    public static Optional<Incident> of(List<PastPeel> peels, boolean eye) {
      List<PastPeel> adverse =
          peels.stream().filter(peel -> peel.outcome() == PeelOutcome.ADVERSE).toList();
      if (adverse.isEmpty()) return Optional.empty();
      Set<Substance> reactedTo =
          adverse.stream()
              .filter(PastPeel::allergic)
              .flatMap(peel -> peel.formula().components().stream())
              .map(Component::substance)
              .collect(Collectors.toSet());
      return Optional.of(new Incident(reactedTo, eye));
    }
  }

  /// Whom the sheet is for.
  ///
  /// @param first the client's first peel
  /// @param pigmentProne marks may show late
  /// @param care limits of the day that the sheet tells
  /// @param ownFlaking of a peel by itself, where three earlier ones were told of
  public record Client(
      boolean first,
      boolean pigmentProne,
      Set<Care.Kind> care,
      Optional<Flaking> ownFlaking,
      Optional<Incident> incident) {
    public Client(boolean first, boolean pigmentProne, Set<Care.Kind> care) {
      this(first, pigmentProne, care, Optional.empty(), Optional.empty());
    }
  }

  /// One peel of the visit.
  ///
  /// @param ended when the acid came off
  /// @param frosted zones that went white, where flaking starts sooner
  /// @param leftOn it stays on the skin as it is: no water and nothing else for the hours
  public record Peeled(
      Formula formula,
      DepthClass depth,
      ZonedDateTime ended,
      Collection<Zone> frosted,
      boolean leftOn) {

    /// Ended as its formula says.
    public Peeled(
        Formula formula, DepthClass depth, ZonedDateTime ended, Collection<Zone> frosted) {
      this(formula, depth, ended, frosted, formula.ending() == Formula.Ending.SELF_LIMITING);
    }
  }

  /// When a row of the sheet ends.
  public Optional<Until> rule(Activity activity) {
    return rules.stream().filter(rule -> rule.activity() == activity).findFirst();
  }
}
