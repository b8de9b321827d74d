package ivesk.server.skin;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import org.junit.jupiter.api.Test;

/// A consult, in every version in which it was ever kept.
class GoldenConsultTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  @Test
  void isReadInEachVersionAndWrittenInTheNewest() {
    Consult consult = STORAGE.read(GoldenFiles.bytes("Consult.v0"), ConsultStore.CONSULT);
    byte[] kept = STORAGE.write(ConsultStore.CONSULT, consult);
    GoldenFiles.addMissing("Consult.v1", kept);
    assertThat(STORAGE.read(GoldenFiles.bytes("Consult.v1"), ConsultStore.CONSULT))
        .isEqualTo(consult);
    assertThat(consult.goals()).isNotEmpty();
  }
}
