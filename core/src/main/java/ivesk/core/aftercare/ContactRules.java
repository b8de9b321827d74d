package ivesk.core.aftercare;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.aftercare.Complaint.*;
import static ivesk.core.aftercare.Severity.*;

import ivesk.core.rule.Rule;
import ivesk.core.rule.Rule.Clause;
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

  /// A rule of contact: what it looks at, how severe that is, and what to do.
  ///
  /// @param rule its words are what it looks at
  /// @param advice to the therapist
  public record ContactRule(
      Rule<Case, Predicate<Case>, Void> rule, Severity severity, String advice) {
    public String id() {
      return rule.id();
    }

    /// The ids of its clauses, in their order.
    public List<String> clauseIds() {
      return rule.clauseIds();
    }

    /// What it looks at, in words.
    public String question() {
      return rule.words();
    }
  }

  @SafeVarargs
  @SuppressWarnings("varargs")
  private static ContactRule rule(
      String id,
      Severity severity,
      String question,
      String advice,
      Clause<Case, Predicate<Case>, Void>... clauses) {
    return new ContactRule(
        new Rule<>(id, question, COMMON_PRACTICE, List.of(clauses)), severity, advice);
  }

  /// Its condition is all that a clause says: the rule says the rest.
  private static Clause<Case, Predicate<Case>, Void> when(String id, Predicate<Case> holds) {
    return new Clause<>(id, holds, one -> List.of());
  }

  public static final List<ContactRule> ALL =
      List.of(
          rule(
              "CON-AIRWAY",
              EMERGENCY,
              "Swelling of the face, breath, sight, pain in an eye",
              "Emergency number at once; then tell the supervising clinician.",
              when("TOLD", one -> one.any(FACE_SWELLING, BREATHING, VISION, EYE_PAIN))),
          rule(
              "CON-SALICYLATE",
              EMERGENCY,
              "Ringing ears, nausea or fast breathing after salicylic acid",
              "Emergency number and poison centre at once: salicylate.",
              when(
                  "TOLD", one -> one.salicylic() && one.any(RINGING_EARS, NAUSEA, FAST_BREATHING))),
          rule(
              "CON-INFECTION",
              CLINICIAN_TODAY,
              "Pain that spreads, honey crust, fever",
              "The supervising clinician today: infection?",
              when("TOLD", one -> one.any(SPREADING_PAIN, HONEY_CRUST, FEVER))),
          rule(
              "CON-HERPES",
              CLINICIAN_TODAY,
              "Grouped blisters, tingling lip",
              "The supervising clinician today: herpes?",
              when("TOLD", one -> one.any(GROUPED_BLISTERS, TINGLING_LIP))),
          rule(
              "CON-INJURY",
              CLINICIAN_TODAY,
              "Any blister, weeping or grey skin",
              "The supervising clinician today: injury.",
              when("TOLD", one -> one.any(BLISTER, WEEPING, GREY_SKIN))),
          rule(
              "CON-RASH",
              SEE,
              "Severe itch or rash",
              "See the client; nothing new on the skin until then.",
              when("TOLD", one -> one.any(SEVERE_ITCH, RASH))),
          rule(
              "CON-BREATH",
              SEE,
              "Fast breathing without salicylic acid",
              "See the client, or their own doctor; emergency when breath is short.",
              when("TOLD", one -> !one.salicylic() && one.any(FAST_BREATHING))),
          rule(
              "CON-REDNESS",
              SEE,
              "Strong redness after day 3, any after day 14",
              "See the client: cool, bland care, no sun.",
              when("STRONG", one -> one.told().redness() == 3 && one.day() > 3),
              when("LATE", one -> one.told().redness() > 0 && one.day() > 14)),
          rule(
              "CON-DARK",
              SEE,
              "Dark patches that stay after shedding or are new after it",
              "See the client: sun review, inhibitor; no further peel until settled.",
              when("TOLD", one -> one.any(DARK_PATCHES) && one.shed())),
          rule(
              "CON-FLAKES",
              SEE,
              "Flakes more than 3 days beyond the formula's last",
              "See the client: the barrier is not back.",
              when("TOLD", one -> one.told().flaking() > 0 && one.day() > one.lastOfFlakes() + 3)),
          rule(
              "CON-SORE",
              REASSURE,
              "Sore, itching, much redness or much flaking within its days",
              "Cool, bland cream, no scratching; ask again tomorrow.",
              when("ITCH", one -> one.any(ITCH)),
              when("SORE", one -> one.told().sensation() >= 4),
              when("REDNESS", one -> one.told().redness() >= 2),
              when("FLAKES", one -> one.told().flaking() == 3)),
          rule(
              "CON-UNWELL",
              REASSURE,
              "Nausea or ringing ears without salicylic acid",
              "Not from this peel: their own doctor when it stays.",
              when("TOLD", one -> !one.salicylic() && one.any(NAUSEA, RINGING_EARS))));

  /// @param rules that matched, most severe first; empty where all is as expected
  public record Verdict(Severity severity, List<ContactRule> rules) {
    public Verdict {
      rules = List.copyOf(rules);
    }

    /// The ids of what matched.
    public List<String> ids() {
      return rules.stream().map(ContactRule::id).toList();
    }
  }

  /// The most severe wins; the others stand beside it.
  public static Verdict judge(Case one) {
    List<ContactRule> matched =
        ALL.stream()
            .filter(row -> row.rule().holds(one))
            .sorted(Comparator.comparing(ContactRule::severity).reversed())
            .toList();
    return new Verdict(matched.isEmpty() ? AS_EXPECTED : matched.getFirst().severity(), matched);
  }

  /// Rules by their ids, in the order of the table.
  public static List<ContactRule> of(Set<String> ids) {
    return ALL.stream().filter(rule -> ids.contains(rule.id())).toList();
  }
}
