package ivesk.core.screening;

import ivesk.core.Require;

/// What lifts a finding: an override with a written reason, or a named clinician's clearance. It
/// holds only for the finding as it was said; another answer needs another settlement.
public sealed interface Settlement {
  String ruleId();

  String said();

  record Override(String ruleId, String said, String reason, String by) implements Settlement {
    public Override {
      Require.text("reason", reason, 1000);
    }
  }

  record Clearance(String ruleId, String said, String clinician, String on) implements Settlement {
    public Clearance {
      Require.text("clinician", clinician, 120);
    }
  }
}
