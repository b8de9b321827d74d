package ivesk.core.treatment.state;

/// What a number told after the prep leads to, before any acid: 0 to 3 on even skin goes on; from
/// 4, or with a hot spot, the plan is changed or the visit ends; from 8 it cannot be kept as it is.
/// Common practice.
public final class PrepAnswer {
  /// From here the skin is awake before any acid.
  public static final int AWAKE = 4;

  /// From here the plan cannot be kept as it is.
  public static final int NOT_TO_BE_KEPT = 8;

  private PrepAnswer() {}

  /// Whether an answer lets the plan go on unchanged.
  public static boolean passes(int sensation, boolean hotSpot) {
    return sensation < AWAKE && !hotSpot;
  }

  /// What an answer to the prep leads to.
  public enum Leads {
    /// The plan goes on.
    GO,
    /// A decision: barrier, shorter, lower rung, another formula or stop.
    HOLD,
    /// The plan cannot be kept as it is.
    END
  }

  public static Leads leads(int sensation, boolean hotSpot) {
    if (sensation >= NOT_TO_BE_KEPT) return Leads.END;
    return passes(sensation, hotSpot) ? Leads.GO : Leads.HOLD;
  }
}
