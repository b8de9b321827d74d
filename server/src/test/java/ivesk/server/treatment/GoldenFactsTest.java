package ivesk.server.treatment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import ivesk.core.treatment.fact.TreatmentEvent.CareDone;
import ivesk.core.treatment.fact.TreatmentEvent.Fact;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper.Unreadable;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.node.ObjectNode;

/// Every kind of fact, in every version in which it was ever kept.
class GoldenFactsTest {
  private static final StoredFacts FACTS = new StoredFacts(GoldenFiles.storage());

  static Stream<String> kinds() {
    return StoredFacts.kinds().stream().map(Class::getSimpleName).sorted();
  }

  private static Fact fact(String file) {
    return FACTS.read(GoldenFiles.bytes(file));
  }

  /// A changed shape needs another version with an upcaster and a file of its own; this fails until
  /// it has them.
  @ParameterizedTest
  @MethodSource("kinds")
  void areReadInEachVersionAndWrittenInTheNewest(String kind) {
    int newest = StoredFacts.version(kind);
    if (!GoldenFiles.has(kind + ".v" + newest)) {
      GoldenFiles.addMissing(kind + ".v" + newest, FACTS.write(fact(kind + ".v" + (newest - 1))));
    }
    Fact now = fact(kind + ".v" + newest);
    assertThat(now.getClass().getSimpleName()).isEqualTo(kind);
    for (int version = newest; version >= 0; version--) {
      String file = kind + ".v" + version;
      if (version == 0 && !GoldenFiles.has(file)) continue;
      assertThat(fact(file)).as(file).isEqualTo(now);
    }
    assertThat(GoldenFiles.tree(FACTS.write(now)))
        .isEqualTo(GoldenFiles.json(kind + ".v" + newest));
  }

  @Test
  void aPlanFromBeforeBottlesAndLabelsIsReadToo() {
    assertThat(fact("Opened-bare.v0").getClass().getSimpleName()).isEqualTo("Opened");
  }

  /// Products that went on calm skin became steps of their own.
  @ParameterizedTest
  @ValueSource(ints = {0, 1})
  void aProductFromBeforeItWasAStepIsReadAsOne(int version) {
    assertThat(fact("ProductApplied.v" + version)).isEqualTo(new CareDone("BLAND_CREAM"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"BasePoured", "Fact", "SensationAnswered "})
  void anUnknownTypeIsRefusedByName(String type) {
    ObjectNode kept = ((ObjectNode) GoldenFiles.json("SensationAnswered.v1")).put("type", type);
    assertThatThrownBy(() -> FACTS.read(GoldenFiles.bytes(kept)))
        .isInstanceOf(Unreadable.class)
        .hasMessageContaining("This record holds " + type + ", version 1")
        .hasMessageContaining("kept as it is");
  }

  @Test
  void aNewerVersionIsRefusedByName() {
    ObjectNode kept = ((ObjectNode) GoldenFiles.json("SensationAnswered.v1")).put("v", 9);
    assertThatThrownBy(() -> FACTS.read(GoldenFiles.bytes(kept)))
        .isInstanceOf(Unreadable.class)
        .hasMessageContaining("SensationAnswered, version 9; this Ivesk knows it up to version 1");
  }

  @Test
  void aFieldThatIsNotThereIsNoNull() {
    ObjectNode kept = (ObjectNode) GoldenFiles.json("ZoneEnded.v1");
    kept.remove("zone");
    assertThatThrownBy(() -> FACTS.read(GoldenFiles.bytes(kept)))
        .isInstanceOf(Unreadable.class)
        .hasMessageContaining("ZoneEnded, version 1");
  }
}
