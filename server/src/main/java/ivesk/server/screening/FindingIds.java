package ivesk.server.screening;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// Ids of findings as they were kept before clauses had ids of their own. Such an id was the rule,
/// the place of the clause and of the finding in it, the verdict, the kinds of its limits, and what
/// it rests on.
final class FindingIds {
  private static final Pattern BY_PLACE =
      Pattern.compile("([A-Z-]+):(\\d+)\\.(\\d+);([A-Z]+);[^;]*;([^;]*);([^;]*);(.*)");

  /// The clauses of each rule in the order that they had then. It is not changed when a rule is.
  private static final Map<String, List<String>> CLAUSES =
      Map.ofEntries(
          Map.entry("SCR-CONSENT", List.of("MISSING")),
          Map.entry("SCR-AGE-CHILD", List.of("UNDER-10")),
          Map.entry("SCR-AGE-TWEEN", List.of("10-TO-12")),
          Map.entry("SCR-AGE-TEEN", List.of("13-TO-17")),
          Map.entry("SCR-REYE", List.of("FEVER")),
          Map.entry("SCR-AGE-THIN", List.of("THIN")),
          Map.entry("SCR-PREG", List.of("PREGNANT")),
          Map.entry("SCR-LACT", List.of("BREASTFEEDING")),
          Map.entry("SCR-ISO", List.of("TAKING", "STOPPED")),
          Map.entry("SCR-RETINOID", List.of("PRESCRIBED", "RETINOL")),
          Map.entry("SCR-EXFOLIANT", List.of("USED")),
          Map.entry("SCR-TOPICAL", List.of("CYTOSTATIC", "STEROID")),
          Map.entry("SCR-HAIR", List.of("REMOVED")),
          Map.entry("SCR-SHAVE", List.of("SHAVED")),
          Map.entry("SCR-DERMAPLANE", List.of("PLANED")),
          Map.entry("SCR-ABRASION", List.of("ABRADED")),
          Map.entry("SCR-ENERGY", List.of("ENERGY", "ABLATIVE")),
          Map.entry("SCR-INJECT", List.of("TOXIN", "FILLER")),
          Map.entry("SCR-SURGERY", List.of("FACE", "EYE")),
          Map.entry("SCR-TATTOO", List.of("FRESH")),
          Map.entry("SCR-RADIO", List.of("IRRADIATED")),
          Map.entry("SCR-SUNBURN", List.of("BURNT")),
          Map.entry("SCR-SUN", List.of("TANNED", "PLANNED")),
          Map.entry("SCR-HSV-NOW", List.of("NOW", "HEALED")),
          Map.entry("SCR-HSV-PAST", List.of("OFTEN", "SOME")),
          Map.entry("SCR-WOUND", List.of("FEW", "MANY")),
          Map.entry("SCR-INFECTION", List.of("INFECTED")),
          Map.entry("SCR-LESION", List.of("MARK")),
          Map.entry("SCR-ACNE-SEVERE", List.of("NODULES", "SCARS")),
          Map.entry("SCR-DERMATITIS", List.of("BEFORE", "NOW")),
          Map.entry("SCR-ROSACEA", List.of("FLARE", "ROSACEA")),
          Map.entry("SCR-MELASMA", List.of("MELASMA")),
          Map.entry("SCR-BARRIER", List.of("COMPROMISED")),
          Map.entry("SCR-SENSITIVE", List.of("SENSITIVE")),
          Map.entry("SCR-SALICYLATE", List.of("ALLERGY")),
          Map.entry("SCR-RESORCINOL", List.of("RISK")),
          Map.entry("SCR-FRUIT", List.of("ALLERGY")),
          Map.entry("SCR-LATEX", List.of("ANSWER", "CHART")),
          Map.entry("SCR-LIDOCAINE", List.of("ALLERGY")),
          Map.entry("SCR-KELOID", List.of("KELOID")),
          Map.entry("SCR-PHOTOTYPE", List.of("TYPE", "PRIMING", "PIH")),
          Map.entry("SCR-DIABETES", List.of("CONTROLLED", "UNKNOWN", "UNCONTROLLED")),
          Map.entry("SCR-IMMUNE", List.of("NOW", "CHEMO")),
          Map.entry("SCR-AUTOIMMUNE", List.of("ON-AREA")),
          Map.entry("SCR-BLOOD", List.of("THIN")),
          Map.entry("SCR-PHOTOSENS", List.of("TAKING")),
          Map.entry("SCR-ORGAN", List.of("HEART", "KIDNEY-FACE", "KIDNEY-BODY")),
          Map.entry("SCR-HF", List.of("CURRENT")),
          Map.entry("SCR-SMOKER", List.of("SMOKES")),
          Map.entry("SCR-PICKING", List.of("PICKS")),
          Map.entry("SCR-PATCH", List.of("TEST")),
          Map.entry("SCR-UNWELL", List.of("TODAY")),
          Map.entry("SCR-FLAKING", List.of("FLAKING")),
          Map.entry("SCR-INTERVAL", List.of("RUNNING", "ELSEWHERE")),
          Map.entry("SCR-FLAG", List.of("OPEN")),
          Map.entry(
              "SCR-REACTION", List.of("SCARRED", "TOLD", "ON-RECORD", "CHART", "CONTRADICTION")),
          Map.entry("SCR-ADVERSE", List.of("ON-RECORD")),
          Map.entry("SCR-ASTHMA", List.of("ASTHMA")),
          Map.entry("SCR-CONTACTS", List.of("WORN")),
          Map.entry("SCR-THINZONE", List.of("PLANNED")));

  private FindingIds() {}

  /// The id that a finding has today; an id of another form comes back as it is. One that could
  /// mean several findings lifts none.
  static String today(String kept) {
    Matcher old = BY_PLACE.matcher(kept);
    if (!old.matches()) return kept;
    String rule = old.group(1);
    int clause = Integer.parseInt(old.group(2));
    List<String> clauses = CLAUSES.getOrDefault(rule, List.of());
    if (clause >= clauses.size()) return kept;
    // The second finding of this clause has a key of its own now.
    boolean darkest = rule.equals("SCR-PHOTOTYPE") && clause == 0 && old.group(3).equals("1");
    return rule
        + ":"
        + String.join(
            ";",
            clauses.get(clause),
            old.group(4),
            old.group(5),
            old.group(6),
            darkest ? "DARKEST" : old.group(7));
  }
}
