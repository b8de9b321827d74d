package ivesk.core.screening.rule;

import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Substance;
import ivesk.core.skin.Zone;
import java.util.Set;

/// One limit that a finding puts on the plan. [Limits] combines them.
public sealed interface Restriction {

  /// As shown beside the finding.
  String words();

  /// Shuts every formula that contains one of them.
  record Exclude(Set<Substance> substances) implements Restriction {
    public String words() {
      return "no " + String.join(", ", substances.stream().map(Substance::label).sorted().toList());
    }
  }

  record ExcludeFamilies(Set<Family> families) implements Restriction {
    public String words() {
      return "no " + String.join(", ", families.stream().map(Family::label).sorted().toList());
    }
  }

  record OnlyFamilies(Set<Family> families) implements Restriction {
    public String words() {
      return "only " + String.join(", ", families.stream().map(Family::label).sorted().toList());
    }
  }

  record OnlyFormulas(Set<String> codes) implements Restriction {
    public String words() {
      return "only " + String.join(", ", codes.stream().sorted().toList());
    }
  }

  record ExcludeFormulas(Set<String> codes) implements Restriction {
    public String words() {
      return "no " + String.join(", ", codes.stream().sorted().toList());
    }
  }

  /// Nothing with a warming agent.
  record NoWarming() implements Restriction {
    public String words() {
      return "nothing that warms";
    }
  }

  /// Zones that are left out.
  ///
  /// @param untilCleared a clearance opens them again
  record ExcludeZones(Set<Zone> zones, boolean untilCleared) implements Restriction {
    public String words() {
      return "leave out " + String.join(", ", zones.stream().sorted().map(Zone::label).toList());
    }
  }

  record CapDepth(DepthClass most) implements Restriction {
    public String words() {
      return "at most " + most.label();
    }
  }

  /// The family's first rung, or the rung where this client enters.
  record KeepToRung(boolean first) implements Restriction {
    public String words() {
      return first ? "first rungs" : "entry rungs";
    }
  }

  /// One rung below the one that this client would have.
  record OneRungDown() implements Restriction {
    public String words() {
      return "one rung down";
    }
  }

  /// The same acid goes one class deeper.
  record CountDeeper() implements Restriction {
    public String words() {
      return "counts one class deeper";
    }
  }

  record CapLayers(int most) implements Restriction {
    public String words() {
      return "layers ≤ " + most;
    }
  }

  record OneLayerOff() implements Restriction {
    public String words() {
      return "one layer fewer";
    }
  }

  record ShortenContact(double factor) implements Restriction {
    public String words() {
      return "contact ×" + factor;
    }
  }

  record TcaAtMost(Strength strength) implements Restriction {
    public String words() {
      return "TCA at most " + Math.round(strength.percent()) + " %";
    }
  }

  /// No more of an acid than this, in whatever formula; 0 for none of it.
  record AtMostOf(Substance substance, Strength strength) implements Restriction {
    public String words() {
      return strength.isNone()
          ? "no " + substance.label()
          : substance.label() + " at most " + Math.round(strength.percent()) + " %";
    }
  }

  /// Other families only of a lower irritation level.
  record BelowLevel(int level) implements Restriction {
    public String words() {
      return "milder families only (level below " + level + ")";
    }
  }

  record IntervalAtLeast(int days) implements Restriction {
    public String words() {
      return "next after " + days + " days or more";
    }
  }

  record DoubleInterval() implements Restriction {
    public String words() {
      return "interval doubled";
    }
  }

  /// Something that is done or left out on the day.
  record Care(Kind kind) implements Restriction {
    public enum Kind {
      NO_SOLVENT("no solvent"),
      NO_HEAT("no heat"),
      NO_SCRUB("no scrub"),
      NO_LANCET("no lancet"),
      NO_EXTRACTION("no extraction"),
      NO_HIGH_FREQUENCY("no high frequency"),
      GLOVES_WITHOUT_LATEX("nitrile or vinyl gloves"),
      LENSES_OUT("contact lenses out first"),
      NO_SUN_14_DAYS("no sun for 14 days"),
      TALK_FIRST("talk first"),
      MINERAL_SUNSCREEN("sunscreen mineral"),
      COVER_OPEN_SPOTS("cover, leave out each"),
      TELL_TINGLING("told on sheet"),
      VENTILATE("ventilate, fan"),
      NO_LIDOCAINE("nothing with lidocaine"),
      COMPRESS_LIFT("lift with a cool compress"),
      GUARDIAN("guardian consents"),
      GUARDIAN_PRESENT("guardian present");

      private final String words;

      Kind(String words) {
        this.words = words;
      }
    }

    public String words() {
      return kind.words;
    }
  }
}
