package ivesk.core.series;

import ivesk.core.Require;
import ivesk.core.skin.Glogau;
import ivesk.core.skin.SkinColour;
import ivesk.core.skin.Zone;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/// What was scored of a client on one day.
///
/// @param satisfaction the client's own, 0 to 10
/// @param colours by zone
public record Scores(
    Optional<Masi> masi,
    Optional<Gags> gags,
    Optional<Glogau> glogau,
    Optional<Improvement> improvement,
    Optional<Integer> satisfaction,
    Map<Zone, SkinColour> colours) {

  /// Global improvement since the first peel, as who treats sees it; five steps. Common practice,
  /// no source.
  public enum Improvement {
    WORSE(0, "worse"),
    NONE(1, "no change"),
    SOME(2, "some"),
    MUCH(3, "much"),
    CLEAR(4, "clear or nearly");

    private final int points;
    private final String label;

    Improvement(int points, String label) {
      this.points = points;
      this.label = label;
    }

    /// 0 worse to 4 clear.
    public int points() {
      return points;
    }

    public String label() {
      return label;
    }
  }

  /// One line of the chart.
  public enum Line {
    MASI("MASI", 48, 1, true),
    MODIFIED_MASI("mMASI", 24, 1, true),
    GAGS("GAGS", 44, 0, true),
    GLOGAU("Glogau", 4, 0, true),
    IMPROVEMENT("improvement", 4, 0, false),
    SATISFACTION("satisfaction", 10, 0, false),
    ITA("ITA, degrees", 90, 1, false),
    REDNESS("a*", 40, 1, true);

    private final String label;
    private final int most;
    private final int decimals;
    private final boolean lessIsBetter;

    Line(String label, int most, int decimals, boolean lessIsBetter) {
      this.label = label;
      this.most = most;
      this.decimals = decimals;
      this.lessIsBetter = lessIsBetter;
    }

    public String label() {
      return label;
    }

    /// The top of its scale.
    public int most() {
      return most;
    }

    public int decimals() {
      return decimals;
    }

    public boolean lessIsBetter() {
      return lessIsBetter;
    }
  }

  public Scores {
    satisfaction.ifPresent(points -> Require.range("satisfaction", points, 0, 10));
    Map<Zone, SkinColour> copy = new EnumMap<>(Zone.class);
    copy.putAll(colours);
    colours = Collections.unmodifiableMap(copy);
  }

  public static final Scores NONE =
      new Scores(
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty(),
          Map.of());

  public boolean isEmpty() {
    return equals(NONE);
  }

  /// With the colour of the face as the consult read it, where the day has none by zones. A single
  /// reading of a face is taken on its cheek: common practice, no source.
  public Scores withFace(SkinColour face) {
    return colours.isEmpty()
        ? new Scores(masi, gags, glogau, improvement, satisfaction, Map.of(Zone.CHEEK_RIGHT, face))
        : this;
  }

  /// The value of a line; ITA and a* are the mean of the zones read.
  public OptionalDouble value(Line line) {
    return switch (line) {
      case MASI -> masi.map(one -> OptionalDouble.of(one.masi())).orElse(OptionalDouble.empty());
      case MODIFIED_MASI ->
          masi.map(one -> OptionalDouble.of(one.modified())).orElse(OptionalDouble.empty());
      case GAGS -> gags.map(one -> OptionalDouble.of(one.score())).orElse(OptionalDouble.empty());
      case GLOGAU ->
          glogau.map(one -> OptionalDouble.of(one.number())).orElse(OptionalDouble.empty());
      case IMPROVEMENT ->
          improvement.map(one -> OptionalDouble.of(one.points())).orElse(OptionalDouble.empty());
      case SATISFACTION ->
          satisfaction.map(points -> OptionalDouble.of(points)).orElse(OptionalDouble.empty());
      case ITA -> colours.values().stream().mapToDouble(SkinColour::ita).average();
      case REDNESS -> colours.values().stream().mapToDouble(SkinColour::a).average();
    };
  }
}
