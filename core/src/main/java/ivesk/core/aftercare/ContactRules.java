package ivesk.core.aftercare;

import static ivesk.core.aftercare.Complaint.*;
import static ivesk.core.aftercare.Severity.*;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/// What a check-in means: domain/08, most severe first. Common practice, no source.
public final class ContactRules {
  private ContactRules() {}

  /// A check-in beside the peel that it follows.
  ///
  /// @param day after the peel, 0 and more
  /// @param lastOfFlakes day on which the formula may still flake, 0 where none is due
  /// @param salicylic the peel had salicylic acid
  /// @param flakedBefore flakes were told at a check-in before this one
  public record Case(
      HowItIs told, int day, int lastOfFlakes, boolean salicylic, boolean flakedBefore) {
    private boolean any(Complaint... some) {
      return Arrays.stream(some).anyMatch(told.complaints()::contains);
    }

    /// The skin has shed: no flakes now, after they were told or are due no more.
    private boolean shed() {
      return told.flaking() == 0 && (flakedBefore || day > lastOfFlakes);
    }
  }

  /// @param question that it answers, in words
  /// @param advice to the therapist
  public record Rule(
      String id, Severity severity, String question, String advice, Predicate<Case> when) {}

  public static final List<Rule> ALL =
      List.of(
          new Rule(
              "CON-AIRWAY",
              EMERGENCY,
              "Swelling of the face, breath, sight, pain in an eye",
              "Emergency number at once; then tell the supervising clinician.",
              one -> one.any(FACE_SWELLING, BREATHING, VISION, EYE_PAIN)),
          new Rule(
              "CON-SALICYLATE",
              EMERGENCY,
              "Ringing ears, nausea or fast breathing after salicylic acid",
              "Emergency number and poison centre at once: salicylate.",
              one -> one.salicylic() && one.any(RINGING_EARS, NAUSEA, FAST_BREATHING)),
          new Rule(
              "CON-INFECTION",
              CLINICIAN_TODAY,
              "Pain that spreads, honey crust, fever",
              "The supervising clinician today: infection?",
              one -> one.any(SPREADING_PAIN, HONEY_CRUST, FEVER)),
          new Rule(
              "CON-HERPES",
              CLINICIAN_TODAY,
              "Grouped blisters, tingling lip",
              "The supervising clinician today: herpes?",
              one -> one.any(GROUPED_BLISTERS, TINGLING_LIP)),
          new Rule(
              "CON-INJURY",
              CLINICIAN_TODAY,
              "Any blister, weeping or grey skin",
              "The supervising clinician today: injury.",
              one -> one.any(BLISTER, WEEPING, GREY_SKIN)),
          new Rule(
              "CON-RASH",
              SEE,
              "Severe itch or rash",
              "See the client; nothing new on the skin until then.",
              one -> one.any(SEVERE_ITCH, RASH)),
          new Rule(
              "CON-BREATH",
              SEE,
              "Fast breathing without salicylic acid",
              "See the client, or their own doctor; emergency when breath is short.",
              one -> !one.salicylic() && one.any(FAST_BREATHING)),
          new Rule(
              "CON-REDNESS",
              SEE,
              "Strong redness after day 3, any after day 14",
              "See the client: cool, bland care, no sun.",
              one ->
                  one.told().redness() == 3 && one.day() > 3
                      || one.told().redness() > 0 && one.day() > 14),
          new Rule(
              "CON-DARK",
              SEE,
              "Dark patches that stay after shedding or are new after it",
              "See the client: sun review, inhibitor; no further peel until settled.",
              one -> one.any(DARK_PATCHES) && one.shed()),
          new Rule(
              "CON-FLAKES",
              SEE,
              "Flakes more than 3 days beyond the formula's last",
              "See the client: the barrier is not back.",
              one -> one.told().flaking() > 0 && one.day() > one.lastOfFlakes() + 3),
          new Rule(
              "CON-SORE",
              REASSURE,
              "Sore, itching, much redness or much flaking within its days",
              "Cool, bland cream, no scratching; ask again tomorrow.",
              one ->
                  one.any(ITCH)
                      || one.told().sensation() >= 4
                      || one.told().redness() >= 2
                      || one.told().flaking() == 3),
          new Rule(
              "CON-UNWELL",
              REASSURE,
              "Nausea or ringing ears without salicylic acid",
              "Not from this peel: their own doctor when it stays.",
              one -> !one.salicylic() && one.any(NAUSEA, RINGING_EARS)));

  /// @param rules that matched, most severe first; empty where all is as expected
  public record Verdict(Severity severity, List<Rule> rules) {
    public Verdict {
      rules = List.copyOf(rules);
    }

    /// The ids of what matched.
    public List<String> ids() {
      return rules.stream().map(Rule::id).toList();
    }
  }

  /// The most severe wins; the others stand beside it.
  public static Verdict judge(Case one) {
    List<Rule> matched =
        ALL.stream()
            .filter(rule -> rule.when().test(one))
            .sorted(Comparator.comparing(Rule::severity).reversed())
            .toList();
    return new Verdict(matched.isEmpty() ? AS_EXPECTED : matched.getFirst().severity(), matched);
  }

  /// Rules by their ids, in the order of the table.
  public static List<Rule> of(Set<String> ids) {
    return ALL.stream().filter(rule -> ids.contains(rule.id())).toList();
  }
}
