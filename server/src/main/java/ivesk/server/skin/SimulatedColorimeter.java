package ivesk.server.skin;

import ivesk.core.skin.SkinColour;
import ivesk.server.visit.VisitStore;
import java.util.Comparator;
import java.util.Random;
import java.util.UUID;
import java.util.random.RandomGenerator;
import org.springframework.stereotype.Component;

/// Stands in for a colorimeter: a made-up skin for each client, near the phototype that was told,
/// and the noise of a hand-held head. Two readings of the same place differ by about half a unit.
@Component
class SimulatedColorimeter implements Colorimeter {
  private static final double NOISE = 0.4;
  // L* and b* in the middle of the class beside each phototype.
  private static final double[] L = {74, 68, 62, 56, 47, 33};
  private static final double[] B = {14, 16, 17.5, 18.5, 18, 14};

  private final RandomGenerator noise = RandomGenerator.getDefault();
  private final ConsultService consults;
  private final VisitStore visits;

  SimulatedColorimeter(ConsultService consults, VisitStore visits) {
    this.consults = consults;
    this.visits = visits;
  }

  @Override
  public SkinColour read(UUID clientId, Site site) {
    Random own = new Random(clientId.getLeastSignificantBits());
    int type =
        visits.ofClient(clientId).stream()
            .max(Comparator.comparing(VisitStore.Visit::startsAt))
            .flatMap(visit -> consults.of(visit.id()).consult().reading().asked())
            .map(asked -> asked.number() - 1)
            .orElseGet(() -> own.nextInt(6));
    double l = L[type] + own.nextDouble(-2, 2) - (site == Site.FACE ? 3 : 0);
    double a = 7 + type + own.nextDouble(-1, 1) + (site == Site.FACE ? 4 : 0);
    double b = B[type] + own.nextDouble(-1, 1);
    return new SkinColour(shown(l), shown(a), shown(b));
  }

  /// With noise, and one decimal as on its display.
  private double shown(double value) {
    return Math.round((value + noise.nextGaussian() * NOISE) * 10) / 10.0;
  }
}
