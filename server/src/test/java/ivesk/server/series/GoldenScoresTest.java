package ivesk.server.series;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores.Improvement;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/// Scores of a day, in every version in which they were ever kept.
class GoldenScoresTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  private static final ScoreSheet SHEET =
      new ScoreSheet(
          Map.of(
              Masi.Place.FOREHEAD, new Masi.Part(3, 2, 1),
              Masi.Place.CHIN, new Masi.Part(1, 1, 4)),
          Map.of(Gags.Place.NOSE, 2, Gags.Place.CHIN, 0),
          Optional.of(Glogau.II),
          Optional.of(Improvement.SOME),
          Optional.of(7),
          Map.of(Zone.CHEEK_LEFT, new SkinColour(61.5, 12.25, 17)));

  @Test
  void areReadInEachVersionAndWrittenInTheNewest() {
    byte[] kept = STORAGE.write(ScoreSheet.SHAPE, SHEET);
    GoldenFiles.addMissing("Scores.v1", kept);
    assertThat(STORAGE.read(GoldenFiles.bytes("Scores.v1"), ScoreSheet.SHAPE)).isEqualTo(SHEET);
    assertThat(GoldenFiles.tree(kept)).isEqualTo(GoldenFiles.json("Scores.v1"));
    assertThat(ScoreSheet.SHAPE.version()).as("a version more needs its file").isEqualTo(1);
    assertThat(ScoreSheet.of(SHEET.scores())).isEqualTo(SHEET);
  }
}
