package ivesk.core.treatment;

import ivesk.core.Require;
import ivesk.core.plan.TreatmentPlan;
import ivesk.core.skin.Zone;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/// One thing that happened, as it was said or done. A treatment is its events, in order.
///
/// @param id made by the screen that saw it, so that sending twice counts once
/// @param who signed-in therapist
public record TreatmentEvent(UUID id, Instant at, String who, Fact fact) {

  /// What happened.
  public sealed interface Fact {}

  /// The client is in the room; the plan is fixed from here on.
  public record Opened(TreatmentPlan plan) implements Fact {}

  public record StepDone(ReadyStep step, String note) implements Fact {
    public StepDone {
      note = note == null ? "" : note;
    }
  }

  /// An answer to "how does it feel", 0 to 10, before, during or after the acid.
  public record SensationAnswered(int value) implements Fact {
    public SensationAnswered {
      Require.range("sensation", value, 0, 10);
    }
  }

  public record QualityTold(Quality quality) implements Fact {}

  public enum Quality {
    COOL,
    TIGHT,
    TINGLE,
    HOT,
    STING,
    ITCH,
    THROB,
    NUMB,
    STICKY
  }

  /// Redness by zone, 0 none to 3 deep or patchy.
  public record RednessSeen(Map<Zone, Integer> grades) implements Fact {
    public RednessSeen {
      grades = Map.copyOf(grades);
      grades.forEach((zone, grade) -> Require.range("redness of " + zone.label(), grade, 0, 3));
    }
  }

  public record WhiteningSeen(List<Zone> zones, Whitening grade) implements Fact {
    public WhiteningSeen {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("whitening names no zone");
    }
  }

  /// A damp swab over the white: it came off (crystals) or it stays (frost).
  public record WipeTested(boolean cameOff) implements Fact {}

  /// A zone that reacts more than its neighbours, with its own number.
  public record HotSpotFelt(Zone zone, int value) implements Fact {
    public HotSpotFelt {
      Require.range("hot spot", value, 0, 10);
    }
  }

  public record SignSeen(Sign sign) implements Fact {}

  public record SignResolved(Sign sign, String note) implements Fact {}

  public record ResponseNoted(Response response) implements Fact {}

  /// Whether the client can answer: no answer is not zero.
  public enum Response {
    AWAKE,
    ASLEEP,
    NUMBED
  }

  /// What the therapist decided on the answer to the prep.
  public record GateADecided(GateA choice, String note) implements Fact {
    public GateADecided {
      note = note == null ? "" : note;
    }
  }

  public enum GateA {
    KEEP,
    SHORTEN,
    STOP
  }

  public record TimerArmed() implements Fact {}

  /// The acid first touches: the clock starts here, not when the zone is finished.
  public record LayerStarted(List<Zone> zones, boolean nextRung) implements Fact {
    public LayerStarted {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("the layer names no zone");
    }
  }

  /// The brush has reached this zone of the running layer.
  public record ZoneReached(Zone zone) implements Fact {}

  public record LayerCovered() implements Fact {}

  /// Pressing, stroking or going over again: it raises uptake.
  public record WorkedIn(Zone zone) implements Fact {}

  public record AdviceTaken(int row) implements Fact {}

  public record AdviceDeclined(int row, String reason) implements Fact {
    public AdviceDeclined {
      Require.range("row", row, 1, 17);
      Require.text("reason", reason, 500);
    }
  }

  /// After n layers the therapist asks once for m.
  public record LayersExtended() implements Fact {}

  public record ZoneEnded(Zone zone) implements Fact {}

  public record FanTurned(boolean on) implements Fact {}

  public record NoteWritten(String text) implements Fact {
    public NoteWritten {
      Require.text("note", text, 2000);
    }
  }

  /// END: no more acid; taking it off begins.
  ///
  /// @param row of the advice that brought it; empty when the therapist ended unasked
  public record EndingStarted(Optional<Integer> row) implements Fact {}

  /// @param step its words, as listed for this formula
  public record EndingStepDone(String step) implements Fact {
    public EndingStepDone {
      Require.text("step", step, 200);
    }
  }

  public record ProductApplied(String product) implements Fact {
    public ProductApplied {
      Require.text("product", product, 120);
    }
  }

  /// The plan's add-on goes on, all over the skin that was treated.
  public record AddOnPutOn() implements Fact {}

  /// It comes off in the room: short contact is over, or it burns.
  public record AddOnWipedOff() implements Fact {}

  /// @param noBurning said by the client
  public record LeavingChecked(boolean noBurning, List<Zone> stillPink) implements Fact {
    public LeavingChecked {
      stillPink = List.copyOf(stillPink);
    }
  }

  public record Signed(String summary, String nextTime) implements Fact {
    public Signed {
      Require.text("summary", summary, 4000);
      Require.text("plan for next time", nextTime, 1000);
    }
  }
}
