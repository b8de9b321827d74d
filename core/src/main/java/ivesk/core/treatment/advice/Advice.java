package ivesk.core.treatment.advice;

import ivesk.core.skin.Zone;
import ivesk.core.treatment.fact.Row;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/// The one line after a look, its reason, and the one key to take it.
///
/// @param row of the decision table; empty before the acid and after END
/// @param line large, a few words
/// @param action what the key does
/// @param until the instant that the line counts down to
/// @param passable may be gone against with a few words of reason
/// @param zones that it speaks of
/// @param steps what to do, one after the other
/// @param other a second thing that is equally open; NONE when there is none
public record Advice(
    Optional<Row> row,
    Kind kind,
    String line,
    String reason,
    Action action,
    Optional<Instant> until,
    boolean passable,
    List<Zone> zones,
    List<String> steps,
    Action other) {

  public enum Kind {
    PREPARE,
    START,
    EMERGENCY,
    EYE,
    END_NOW,
    END,
    WIPE_TEST,
    END_ZONE,
    LOOK_NOW,
    HOLD,
    WAIT,
    FINISH,
    NEXT_RUNG,
    SAME_AGAIN,
    TAKE_OFF,
    SETTLE,
    REST,
    DONE;

    /// Goes against carrying on: END, HOLD or END THAT ZONE.
    public boolean stops() {
      return this == END || this == END_NOW || this == END_ZONE || this == HOLD;
    }

    /// Whether another layer may go on.
    public boolean layer() {
      return this == START || this == NEXT_RUNG || this == SAME_AGAIN;
    }
  }

  /// What the key does.
  public enum Action {
    NONE,
    ASK,
    ASK_BESIDE,
    ARM,
    START_LAYER,
    COVERED,
    WIPE,
    END,
    END_ZONE,
    FAN,
    MORE_LAYERS,
    TOUCH_UP,
    ENDING_STEP,
    LEAVING_CHECK,
    ADD_ON,
    WIPE_ADD_ON,
    REDNESS,
    BARRIER,
    CARE,
    CARE_OFF,
    NEXT_STAGE,
    BASE
  }

  public Advice {
    zones = List.copyOf(zones);
    steps = List.copyOf(steps);
  }
}
