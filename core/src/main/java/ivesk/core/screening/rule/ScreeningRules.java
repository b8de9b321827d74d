package ivesk.core.screening.rule;

import java.util.List;
import java.util.stream.Stream;

/// The screening rules, one after the other as the table of the trade has them. T is the peel's
/// date.
public final class ScreeningRules {
  public static final List<ScreeningRule> ALL =
      Stream.of(
              ClientRules.ALL,
              MedicineRules.ALL,
              DoneLatelyRules.ALL,
              SkinRules.ALL,
              AllergyRules.ALL,
              HealthRules.ALL,
              PatchRules.ALL,
              EarlierPeelRules.ALL,
              DayRules.ALL)
          .flatMap(List::stream)
          .toList();

  private ScreeningRules() {}
}
