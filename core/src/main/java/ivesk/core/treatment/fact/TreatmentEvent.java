package ivesk.core.treatment.fact;

import ivesk.core.Require;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.skin.Region;
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

  /// What happened. Facts of one kind are folded by the same part of the state.
  public sealed interface Fact {}

  /// Before the acid: steps of Ready, the gate, the armed timer.
  public sealed interface Preparing extends Fact {}

  /// What is done with the acid while it is on.
  public sealed interface Acting extends Fact {}

  /// What was said or seen.
  public sealed interface Looking extends Fact {}

  /// From END to the signature.
  public sealed interface Ending extends Fact {}

  /// What goes on calm skin.
  public sealed interface Caring extends Fact {}

  /// Kept for the record; nothing follows from it.
  public sealed interface Recorded extends Fact {}

  /// No advice changes by it: a screen without a server keeps the one that it has.
  public sealed interface Silent {}

  /// The client is in the room; the plan is fixed from here on.
  public record Opened(TreatmentPlan plan) implements Recorded {}

  public record StepDone(ReadyStep step, String note) implements Preparing {
    public StepDone {
      Require.atMost("note", note, 2000);
    }
  }

  /// An answer to "how does it feel", 0 to 10, before, during or after the acid.
  public record SensationAnswered(int value) implements Looking {
    public SensationAnswered {
      Require.range("sensation", value, 0, 10);
    }
  }

  public record QualityTold(Quality quality) implements Recorded, Silent {}

  public enum Quality {
    COOL("cool"),
    TIGHT("tight"),
    TINGLE("tingle"),
    HOT("hot"),
    STING("sting"),
    ITCH("itch"),
    THROB("throb"),
    NUMB("numb"),
    STICKY("sticky");

    private final String label;

    Quality(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// Redness by zone, 0 none to 3 deep or patchy.
  public record RednessSeen(Map<Zone, Integer> grades) implements Looking {
    public RednessSeen {
      grades = Map.copyOf(grades);
      grades.forEach((zone, grade) -> Require.range("redness of " + zone.label(), grade, 0, 3));
    }
  }

  public record WhiteningSeen(List<Zone> zones, Whitening grade) implements Looking {
    public WhiteningSeen {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("whitening names no zone");
    }
  }

  /// A damp swab over the white of these zones: it came off (crystals) or it stays (frost). It
  /// answers for no other zone.
  public record WipeTested(List<Zone> zones, boolean cameOff) implements Looking {
    public WipeTested {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("the wipe test names no zone");
    }
  }

  /// A zone that reacts more than its neighbours, with its own number.
  public record HotSpotFelt(Zone zone, int value) implements Looking {
    public HotSpotFelt {
      Require.range("hot spot", value, 0, 10);
    }
  }

  /// The rest question of a zone that was ended before the others.
  public record ZoneAnswered(Zone zone, int value) implements Looking {
    public ZoneAnswered {
      Require.range("sensation", value, 0, 10);
    }
  }

  public record SignSeen(Sign sign) implements Looking {}

  /// @param note how it ended, in words
  public record SignResolved(Sign sign, String note) implements Looking {
    public SignResolved {
      Require.text("how it ended", note, 500);
    }
  }

  /// A step of a standing alarm was done.
  public record AlarmStepDone(AlarmStep step) implements Looking, Silent {}

  /// A step of a standing alarm was not needed.
  public record AlarmStepSkipped(AlarmStep step, String reason) implements Looking, Silent {
    public AlarmStepSkipped {
      Require.text("why it was not needed", reason, 500);
    }
  }

  /// The rest question of a region whose acid is off while another region is treated.
  public record RegionAnswered(Region region, int value) implements Looking {
    public RegionAnswered {
      Require.range("sensation", value, 0, 10);
    }
  }

  public record ResponseNoted(Response response) implements Looking {}

  /// Whether the client can answer: no answer is not zero.
  public enum Response {
    AWAKE("awake"),
    ASLEEP("asleep"),
    NUMBED("numbed");

    private final String label;

    Response(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// What the therapist decided on the answer to the prep.
  public record GateADecided(GateA choice, String note) implements Preparing {
    public GateADecided {
      Require.atMost("note", note, 2000);
    }
  }

  public enum GateA {
    KEEP("kept"),
    SHORTEN("shortened"),
    UNDER_BARRIER("spots under barrier"),
    LOWER_RUNG("lower rung"),
    OTHER_FORMULA("another formula"),
    STOP("stopped");

    private final String label;

    GateA(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /// The answer to the prep took another formula, judged by Screen and Choose again: this plan
  /// holds from here on, on the same zones.
  public record PlanChanged(GateA choice, TreatmentPlan plan) implements Preparing {
    public PlanChanged {
      if (choice != GateA.LOWER_RUNG && choice != GateA.OTHER_FORMULA) {
        throw new IllegalArgumentException(
            "a plan is changed to a lower rung or to another formula, not by " + choice);
      }
    }
  }

  /// An acid prep touches the skin: it has a time of its own, until the step is done.
  public record AcidPrepStarted() implements Preparing {}

  /// After an alarm before any acid: the supervising clinician lets it go on, by own sign-in.
  public record AcidAllowed(String reason) implements Preparing {
    public AcidAllowed {
      Require.text("reason", reason, 500);
    }
  }

  public record TimerArmed() implements Preparing {}

  /// The acid of this stage is off and gate B is passed: the next one begins, on clocks of its own.
  public record StageOpened() implements Preparing {}

  /// The acid first touches: the clock starts here, not when the zone is finished.
  public record LayerStarted(List<Zone> zones, boolean nextRung) implements Acting {
    public LayerStarted {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("the layer names no zone");
    }
  }

  /// The brush has reached this zone of the running layer.
  public record ZoneReached(Zone zone) implements Acting {}

  public record LayerCovered() implements Acting {}

  /// What the newest layer has delivered: by units, or poured less left.
  ///
  /// @param ml 0.01 to 100
  public record LayerMeasured(double ml) implements Acting {
    public LayerMeasured {
      Require.range("delivered, mL", ml, 0.01, 100);
    }
  }

  /// Named zones once more within the same contact clock; no layer.
  public record SpotPassed(List<Zone> zones) implements Acting {
    public SpotPassed {
      zones = List.copyOf(zones);
      if (zones.isEmpty()) throw new IllegalArgumentException("the spot pass names no zone");
    }
  }

  /// More neutraliser is laid out.
  ///
  /// @param mmol 0.01 to 1,000
  public record BaseLaidOut(double mmol) implements Acting {
    public BaseLaidOut {
      Require.range("base laid out, mmol", mmol, 0.01, 1000);
    }
  }

  /// The next layer goes on although it outruns the base.
  public record BaseOutrunPassed(String reason) implements Acting {
    public BaseOutrunPassed {
      Require.text("reason", reason, 500);
    }
  }

  /// The acid is off a zone that was ended while the rest runs on.
  public record ZoneTakenOff(Zone zone) implements Acting {}

  /// Where the peel was to fade: whether it came that far.
  public record EdgeSeen(Zone zone, boolean reached) implements Looking, Silent {}

  /// The incident form.
  ///
  /// @param seen what was
  /// @param done about it
  /// @param told who was
  public record IncidentReported(List<Zone> zones, String seen, String done, String told)
      implements Recorded, Silent {
    public IncidentReported {
      zones = List.copyOf(zones);
      Require.text("what was seen", seen, 500);
      Require.text("what was done", done, 500);
      Require.text("who was told", told, 500);
    }
  }

  /// Whoever says it goes on with the treatment from here.
  ///
  /// @param from who treated until now
  public record HandedOver(String from) implements Recorded, Silent {
    public HandedOver {
      Require.text("who treated until now", from, 100);
    }
  }

  /// Pressing, stroking or going over again: it raises uptake.
  public record WorkedIn(Zone zone) implements Recorded, Silent {}

  public record AdviceTaken(Row row) implements Recorded, Silent {}

  public record AdviceDeclined(Row row, String reason) implements Acting {
    public AdviceDeclined {
      Require.text("reason", reason, 500);
    }
  }

  /// After n layers the therapist asks once for m.
  public record LayersExtended() implements Acting {}

  public record ZoneEnded(Zone zone) implements Acting {}

  public record FanTurned(boolean on) implements Acting, Silent {}

  /// What the next visit is to propose, in full.
  public record NextTimePlanned(PastPeel.NextTime next) implements Recorded {}

  public record NoteWritten(String text) implements Recorded, Silent {
    public NoteWritten {
      Require.text("note", text, 2000);
    }
  }

  /// END: no more acid; taking it off begins.
  ///
  /// @param row of the advice that brought it; empty when the therapist ended unasked
  public record EndingStarted(Optional<Row> row) implements Ending {}

  /// The event before it was a mistaken tap: within ten seconds it is taken back. Both stay in the
  /// log.
  public record TakenBack(UUID event) implements Recorded {}

  /// An entry was wrong. Both stay in the log; the treatment is read as corrected.
  ///
  /// @param at when it happened; empty when it did not happen
  public record Corrected(UUID event, Optional<Instant> at, String reason) implements Recorded {
    public Corrected {
      Require.text("reason", reason, 500);
    }
  }

  /// Why it was ended before the least time of its label.
  public record EarlyEndExplained(String reason) implements Ending {
    public EarlyEndExplained {
      Require.text("reason", reason, 500);
    }
  }

  /// @param step one that the formula's ending has
  public record EndingStepDone(EndingStep step) implements Ending {}

  /// A step on calm skin that takes a time of its own begins.
  ///
  /// @param step its id
  public record CareStarted(String step) implements Caring {
    public CareStarted {
      Require.text("step", step, 20);
    }
  }

  /// A step on calm skin is done: put on and left, or taken off again.
  ///
  /// @param step its id
  public record CareDone(String step) implements Caring {
    public CareDone {
      Require.text("step", step, 20);
    }
  }

  /// Points that were extracted, and lancets that were used up; each is said as it is done.
  ///
  /// @param step its id
  /// @param points at most 50 at once; may be empty
  /// @param lancets 0 to 50
  public record Extracted(String step, List<ExtractedPoint> points, int lancets) implements Caring {
    public Extracted {
      Require.text("step", step, 20);
      points = List.copyOf(points);
      Require.range("points", points.size(), 0, 50);
      Require.range("lancets", lancets, 0, 50);
      if (points.isEmpty() && lancets == 0) {
        throw new IllegalArgumentException("the extraction names neither point nor lancet");
      }
    }
  }

  /// A place on the drawn figure.
  ///
  /// @param across from its left edge, in thousandths of its width, 0 to 1,000
  /// @param down from its top, in thousandths of its height, 0 to 1,000
  public record ExtractedPoint(Zone zone, int across, int down) {
    public ExtractedPoint {
      Require.range("across, thousandths", across, 0, 1000);
      Require.range("down, thousandths", down, 0, 1000);
    }
  }

  /// The barrier is wiped off again.
  public record BarrierWipedOff() implements Caring {}

  /// The plan's add-on goes on, all over the skin that was treated.
  public record AddOnPutOn() implements Caring {}

  /// It comes off in the room: short contact is over, or it burns.
  public record AddOnWipedOff() implements Caring {}

  /// @param noBurning said by the client
  public record LeavingChecked(boolean noBurning, List<Zone> stillPink) implements Ending {
    public LeavingChecked {
      stillPink = List.copyOf(stillPink);
    }
  }

  public record Signed(String summary, String nextTime) implements Ending {
    public Signed {
      Require.text("summary", summary, 4000);
      Require.text("plan for next time", nextTime, 1000);
    }
  }
}
