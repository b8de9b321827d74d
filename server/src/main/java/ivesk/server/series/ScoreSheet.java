package ivesk.server.series;

import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores;
import ivesk.core.series.Scores.Improvement;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import ivesk.server.app.StorageMapper;
import ivesk.server.app.StorageMapper.Shape;
import java.util.Map;
import java.util.Optional;

/// Scores of one day as they are sent and kept: what was seen, and nothing that is computed of it.
///
/// @param masi by place: area 0 to 6, darkness and homogeneity 0 to 4; empty when not scored
/// @param gags by place, 0 to 4; empty when not scored
/// @param satisfaction 0 to 10
/// @param colours by zone
record ScoreSheet(
    Map<Masi.Place, Masi.Part> masi,
    Map<Gags.Place, Integer> gags,
    Optional<Glogau> glogau,
    Optional<Improvement> improvement,
    Optional<Integer> satisfaction,
    Map<Zone, SkinColour> colours) {

  static final Shape<ScoreSheet> SHAPE =
      Shape.of("Scores", ScoreSheet.class, StorageMapper.Upcaster.SAME);

  static ScoreSheet of(Scores scores) {
    return new ScoreSheet(
        scores.masi().map(Masi::parts).orElse(Map.of()),
        scores.gags().map(Gags::grades).orElse(Map.of()),
        scores.glogau(),
        scores.improvement(),
        scores.satisfaction(),
        scores.colours());
  }

  /// @throws IllegalArgumentException for a grade beyond its range
  Scores scores() {
    return new Scores(
        masi.isEmpty() ? Optional.empty() : Optional.of(new Masi(masi)),
        gags.isEmpty() ? Optional.empty() : Optional.of(new Gags(gags)),
        glogau,
        improvement,
        satisfaction,
        colours);
  }
}
