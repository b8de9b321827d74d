package ivesk.server.aftercare;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.aftercare.Complaint;
import ivesk.core.aftercare.HowItIs;
import ivesk.server.aftercare.ContactStore.KeptHowItIs;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import java.util.Set;
import org.junit.jupiter.api.Test;

/// A check-in, in every version in which it was ever kept.
class GoldenHowItIsTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  private static final HowItIs TOLD =
      new HowItIs(4, 2, 1, Set.of(Complaint.values()), "Tight, and a \"dry\" spot; näso.");

  @Test
  void isReadInEachVersionAndWrittenInTheNewest() {
    byte[] kept = STORAGE.write(KeptHowItIs.SHAPE, KeptHowItIs.of(TOLD));
    GoldenFiles.addMissing("HowItIs.v1", kept);
    assertThat(STORAGE.read(GoldenFiles.bytes("HowItIs.v1"), KeptHowItIs.SHAPE).told())
        .isEqualTo(TOLD);
    assertThat(KeptHowItIs.SHAPE.version()).as("a version more needs its file").isEqualTo(1);
  }
}
