package ivesk.core.screening.rule;

import ivesk.core.formula.Family;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/// A finding before the rule has put its name to it.
///
/// @param said what was answered or found, in words; where it names families, up to their names
/// @param naming the families that the words go on to name
/// @param firm only the supervising clinician may override it
/// @param unasked stands for an answer that is missing
/// @param key tells it from others of its clause where their answers do not; no words
record Draft(
    Verdict verdict,
    String said,
    Set<Family> naming,
    List<Restriction> restrictions,
    Clearing clearedBy,
    boolean overridable,
    boolean firm,
    boolean unasked,
    Optional<LocalDate> until,
    Scope scope,
    String key) {

  private static Draft of(
      Verdict verdict,
      String said,
      List<Restriction> restrictions,
      Clearing clearedBy,
      boolean overridable) {
    return new Draft(
        verdict,
        said,
        Set.of(),
        restrictions,
        clearedBy,
        overridable,
        false,
        false,
        Optional.empty(),
        Scope.CLIENT,
        "");
  }

  static Draft proceed(String said) {
    return of(Verdict.PROCEED, said, List.of(), Clearing.NONE, false);
  }

  static Draft adapt(String said, Restriction... restrictions) {
    return of(Verdict.ADAPT, said, List.of(restrictions), Clearing.REASON, true);
  }

  /// A WAIT that only counts days; it may be overridden with a reason.
  static Draft until(LocalDate date, String said) {
    return of(Verdict.WAIT, said, List.of(), Clearing.WAITING, true).earliest(date);
  }

  /// A WAIT for a present cause or a missing thing; it may not be overridden.
  static Draft cause(String said, Clearing clearedBy) {
    return of(Verdict.WAIT, said, List.of(), clearedBy, false);
  }

  /// WAIT: ask first.
  static Draft ask(String said) {
    return new Draft(
        Verdict.WAIT,
        said,
        Set.of(),
        List.of(),
        Clearing.ASKING,
        false,
        false,
        true,
        Optional.empty(),
        Scope.CLIENT,
        "");
  }

  static Draft refer(String said, Restriction... restrictions) {
    return of(Verdict.REFER, said, List.of(restrictions), Clearing.CLEARANCE, false);
  }

  static Draft stop(String said) {
    return of(Verdict.STOP, said, List.of(), Clearing.NOTHING_TODAY, false);
  }

  /// The words go on with the names of these families, and it covers only them.
  Draft naming(Set<Family> families, Scope scope) {
    return new Draft(
        verdict,
        said,
        families,
        restrictions,
        clearedBy,
        overridable,
        firm,
        unasked,
        until,
        scope,
        key);
  }

  Draft only(Scope narrower) {
    return new Draft(
        verdict,
        said,
        naming,
        restrictions,
        clearedBy,
        overridable,
        firm,
        unasked,
        until,
        narrower,
        key);
  }

  /// A limit that a therapist's reason alone does not lift, only the clinician's own sign-in.
  Draft firmly() {
    return new Draft(
        verdict,
        said,
        naming,
        restrictions,
        Clearing.CLINICIANS_REASON,
        overridable,
        true,
        unasked,
        until,
        scope,
        key);
  }

  Draft keyed(String by) {
    return new Draft(
        verdict,
        said,
        naming,
        restrictions,
        clearedBy,
        overridable,
        firm,
        unasked,
        until,
        scope,
        by);
  }

  Draft earliest(LocalDate date) {
    return new Draft(
        verdict,
        said,
        naming,
        restrictions,
        clearedBy,
        overridable,
        firm,
        unasked,
        Optional.of(date),
        scope,
        key);
  }
}
