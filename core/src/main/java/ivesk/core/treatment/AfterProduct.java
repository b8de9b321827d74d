package ivesk.core.treatment;

import ivesk.core.plan.TreatmentPlan;
import java.util.List;

/// What goes on calm skin before the client leaves, in its order. A record keeps which it was,
/// never its words. Common practice.
public enum AfterProduct {
  CALMING_SERUM("Calming serum, pressed in"),
  BLAND_CREAM("Bland cream"),
  EYE_AND_LIP_CARE("Eye and lip care"),
  MINERAL_SUNSCREEN("Mineral sunscreen 50");

  private final String label;

  AfterProduct(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /// What may go on once the skin is at rest, in order; nothing where the peel stays as it is, for
  /// the hours that the sheet says.
  public static List<AfterProduct> offered(TreatmentPlan plan, TreatmentState state) {
    return EndingSteps.of(plan, state).contains(EndingStep.LEAVE_AS_IT_IS)
        ? List.of()
        : List.of(values());
  }
}
