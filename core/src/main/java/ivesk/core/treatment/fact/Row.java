package ivesk.core.treatment.fact;

/// The rows of the decision after every look, in their order. A record keeps the row, never its
/// words. Common practice.
public enum Row {
  EMERGENCY(1, Passing.NEVER, End.EARLY, "as an emergency"),
  EYE(2, Passing.NEVER, End.EARLY, "for the eye"),
  INJURY(3, Passing.NEVER, End.EARLY, "for an injury"),
  WISH(4, Passing.NEVER, End.EARLY, "at the client's wish"),
  LIMIT(5, Passing.NEVER, End.ON_TIME, "at its limit"),
  STOP_LINE(6, Passing.WITH_REASON, End.EARLY, "at the stop line"),
  WHITENING(7, Passing.NEVER, End.EARLY, "by frost"),
  REDNESS(8, Passing.WITH_REASON, End.EARLY, "by redness"),
  WIPE_TEST(9, Passing.NEVER, End.EARLY, "by the therapist"),
  SPENT_ZONE(10, Passing.WITH_REASON, End.EARLY, "by the therapist"),
  NOT_LOOKED(11, Passing.WITH_REASON, End.EARLY, "because nobody had looked"),
  HOLD_LINE(12, Passing.WITH_REASON, End.EARLY, "at the hold line, not falling"),
  DWELL(13, Passing.NEVER, End.EARLY, "by the therapist"),
  DONE(14, Passing.NEVER, End.ON_TIME, "as planned"),
  NEXT_RUNG(15, Passing.NEVER, End.EARLY, "by the therapist"),
  FELT(16, Passing.NEVER, End.FINE, "after this layer"),
  AGAIN(17, Passing.NEVER, End.FINE, "after this layer");

  private enum Passing {
    NEVER,
    WITH_REASON
  }

  private enum End {
    /// Its time, its planned layers or its planned endpoint.
    ON_TIME,
    /// Sooner, where the advice says that ending is fine.
    FINE,
    EARLY
  }

  private final int number;
  private final Passing passing;
  private final End end;
  private final String endedBy;

  Row(int number, Passing passing, End end, String endedBy) {
    this.number = number;
    this.passing = passing;
    this.end = end;
    this.endedBy = endedBy;
  }

  /// 1 to 17, as the trade's table counts.
  public int number() {
    return number;
  }

  /// Its END or HOLD may be gone against with a few words of reason.
  public boolean passable() {
    return passing == Passing.WITH_REASON;
  }

  /// An END by this row is the end that was planned.
  public boolean asPlanned() {
    return end != End.EARLY;
  }

  /// An END by this row came at the time, the layers or the endpoint of the plan.
  public boolean onTime() {
    return end == End.ON_TIME;
  }

  /// How the peel was ended, within a sentence.
  public String endedBy() {
    return endedBy;
  }
}
