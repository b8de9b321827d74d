package ivesk.core.treatment.record;

import ivesk.core.formula.Dose;
import ivesk.core.plan.compose.TreatmentPlan;
import ivesk.core.treatment.state.Looks.Told;
import ivesk.core.treatment.state.Stage;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

/// What one client felt minute by minute, over their own peels with a family on a region. It is
/// drawn behind the ribbon beside the formula's band, and never raises a line of safety. Ivesk's
/// own default.
///
/// @param peels that it is made of, 3 and more
/// @param points by minute from the first touch
/// @param rest from END to rest; empty where too few came to it
public record OwnCurve(int peels, List<Felt> points, Optional<Rest> rest) {
  /// Fewer show the formula's band alone.
  public static final int LEAST_PEELS = 3;

  /// @param median of the answers, 0 to 10, as this dose would make them
  /// @param low the lowest of them
  /// @param high the highest
  public record Felt(int minute, double median, double low, double high) {}

  public record Rest(Duration median, Duration shortest, Duration longest) {}

  public OwnCurve {
    points = List.copyOf(points);
  }

  /// @param past stages of this client's earlier visits, the oldest first
  /// @return empty with fewer than three of this family on this region
  public static Optional<OwnCurve> of(TreatmentPlan plan, List<Stage> past) {
    List<Stage> alike =
        past.stream()
            .filter(stage -> stage.plan().formula().family() == plan.formula().family())
            .filter(stage -> stage.plan().region() == plan.region())
            .filter(stage -> !stage.state().underAcid().isEmpty())
            .toList();
    if (alike.size() < LEAST_PEELS) return Optional.empty();
    List<Felt> points = new ArrayList<>();
    for (int minute = 0; ; minute++) {
      int at = minute;
      List<Double> felt =
          alike.stream().flatMap(stage -> felt(stage, plan, at).stream().boxed()).sorted().toList();
      if (felt.size() < LEAST_PEELS) break;
      points.add(new Felt(minute, median(felt), felt.getFirst(), felt.getLast()));
    }
    return Optional.of(new OwnCurve(alike.size(), points, rest(alike)));
  }

  /// The newest answer at a minute while the acid was on, scaled to today's dose; nothing had been
  /// felt at the first touch.
  private static OptionalDouble felt(Stage stage, TreatmentPlan plan, int minute) {
    Instant start = stage.state().firstTouch().orElseThrow();
    Instant at = start.plus(Duration.ofMinutes(minute));
    if (stage.state().endedAt().filter(at::isAfter).isPresent()) return OptionalDouble.empty();
    double told =
        stage.state().underAcid().stream()
            .filter(answer -> !answer.numbed() && !answer.at().isAfter(at))
            .reduce((_, later) -> later)
            .map(Told::value)
            .orElse(0);
    return OptionalDouble.of(Math.min(10, told * dose(plan) / dose(stage.plan())));
  }

  private static double dose(TreatmentPlan plan) {
    double mg = Dose.of(plan.formula().strength(), plan.layer(), plan.area()).mgPerCm2();
    return mg > 0 ? mg : 1;
  }

  private static Optional<Rest> rest(List<Stage> alike) {
    List<Duration> rests =
        alike.stream().flatMap(stage -> stage.state().timeToRest().stream()).sorted().toList();
    return rests.size() < LEAST_PEELS
        ? Optional.empty()
        : Optional.of(
            new Rest(
                Duration.ofMillis(
                    Math.round(
                        median(rests.stream().map(one -> (double) one.toMillis()).toList()))),
                rests.getFirst(),
                rests.getLast()));
  }

  private static double median(List<Double> sorted) {
    int half = sorted.size() / 2;
    return sorted.size() % 2 == 1
        ? sorted.get(half)
        : Stream.of(half - 1, half).mapToDouble(sorted::get).average().orElseThrow();
  }
}
