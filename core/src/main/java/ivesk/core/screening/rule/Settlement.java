package ivesk.core.screening.rule;

import ivesk.core.Require;
import ivesk.core.Words;
import java.time.LocalDate;

/// What lifts a finding: an override with a written reason, or a named clinician's clearance. It
/// holds only for that finding; another answer makes another finding.
public sealed interface Settlement {
  /// As [Finding#id] has it.
  String findingId();

  /// As shown beside the finding.
  String words();

  /// @param by account that gave it
  record Override(String findingId, String reason, String by) implements Settlement {
    public Override {
      Require.text("reason", reason, 1000);
    }

    @java.lang.Override
    public String words() {
      return "overridden by " + by + ": " + reason;
    }
  }

  /// @param clinician by name
  record Clearance(String findingId, String clinician, LocalDate on) implements Settlement {
    public Clearance {
      Require.text("clinician", clinician, 120);
    }

    @java.lang.Override
    public String words() {
      return "cleared by " + clinician + ", " + Words.day(on);
    }
  }
}
