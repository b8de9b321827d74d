package ivesk.server.plan;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.plan.Act;
import ivesk.core.plan.Protocol;
import ivesk.core.plan.Step;
import ivesk.core.plan.StepGate;
import ivesk.core.plan.StepKind;
import ivesk.core.plan.What;
import ivesk.core.product.Timing;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import java.time.Duration;
import java.util.List;
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

  @Test
  void aProtocolIsReadAsItWasKept() {
    Protocol protocol = new Protocol("Short", Region.FACE, STEPS);
    byte[] kept = STORAGE.write(StoredScript.Sheet.SHAPE, StoredScript.Sheet.of(protocol));
    GoldenFiles.addMissing("Protocol.v1", kept);
    assertThat(STORAGE.read(GoldenFiles.bytes("Protocol.v1"), StoredScript.Sheet.SHAPE).protocol())
        .isEqualTo(protocol);
    assertThat(GoldenFiles.tree(kept)).isEqualTo(GoldenFiles.json("Protocol.v1"));
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
    GoldenFiles.addMissing("VisitScript.v1", kept);
    StoredScript read = STORAGE.read(GoldenFiles.bytes("VisitScript.v1"), StoredScript.SHAPE);
    assertThat(read).isEqualTo(script);
    assertThat(read.runs().getFirst().steps().stream().map(StoredScript.StoredStep::step).toList())
        .isEqualTo(STEPS);
  }
}
