package ivesk.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Protocol;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Timing;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/// Protocols and the scripts of visits, in every version in which they were ever kept.
class GoldenScriptTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  private static final List<Step> STEPS =
      List.of(
          Step.of("s1", Act.LOOK_1),
          Step.of("s2", StepKind.CLEANSE, new What.Use("CLEANSER")).amount(2),
          new Step(
              "s3",
              StepKind.ACID,
              new What.Peel("GLY-20"),
              Optional.of(2.7),
              1,
              2,
              List.of(Zone.CHIN, Zone.NOSE),
              Map.of(Zone.CHIN, Duration.ofSeconds(90)),
              new Timing(
                  Optional.of(Duration.ofSeconds(60)),
                  Optional.of(Duration.ofSeconds(120)),
                  Optional.of(Duration.ofSeconds(180))),
              Optional.of(Duration.ofSeconds(45)),
              "crossing",
              "gauze",
              "cold now",
              "even pink",
              Optional.of(StepGate.A),
              Step.Who.CLINICIAN));

  /// Before zones could come off earlier than others.
  private static final List<Step> OFF_TOGETHER =
      STEPS.stream().map(step -> step.off(Map.of())).toList();

  private static List<Step> visit(String file) {
    return STORAGE
        .read(GoldenFiles.bytes(file), StoredScript.SHAPE)
        .runs()
        .getFirst()
        .steps()
        .stream()
        .map(StoredScript.StoredStep::step)
        .toList();
  }

  private static List<Step> protocol(String file) {
    return STORAGE.read(GoldenFiles.bytes(file), StoredScript.Sheet.SHAPE).protocol().steps();
  }

  @Test
  void aProtocolIsReadAsItWasKept() {
    Protocol protocol = new Protocol("Short", Region.FACE, STEPS);
    byte[] kept = STORAGE.write(StoredScript.Sheet.SHAPE, StoredScript.Sheet.of(protocol));
    GoldenFiles.addMissing("Protocol.v2", kept);
    assertThat(protocol("Protocol.v1")).isEqualTo(OFF_TOGETHER);
    assertThat(protocol("Protocol.v2")).isEqualTo(STEPS);
    assertThat(GoldenFiles.tree(kept)).isEqualTo(GoldenFiles.json("Protocol.v2"));
  }

  @Test
  void aVisitsScriptIsReadAsItWasKept() {
    StoredScript script =
        new StoredScript(
            List.of(
                new StoredScript.Run(
                    Region.FACE,
                    Optional.of(new StoredScript.From(new UUID(1, 2), 4, "Short")),
                    STEPS.stream().map(StoredScript.StoredStep::of).toList())));
    byte[] kept = STORAGE.write(StoredScript.SHAPE, script);
    GoldenFiles.addMissing("VisitScript.v2", kept);
    assertThat(visit("VisitScript.v1")).isEqualTo(OFF_TOGETHER);
    assertThat(visit("VisitScript.v2")).isEqualTo(STEPS);
    assertThat(GoldenFiles.tree(kept)).isEqualTo(GoldenFiles.json("VisitScript.v2"));
  }
}
