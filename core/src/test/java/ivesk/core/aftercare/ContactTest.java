package ivesk.core.aftercare;

import static ivesk.core.aftercare.CheckIns.State.COMING;
import static ivesk.core.aftercare.CheckIns.State.DUE;
import static ivesk.core.aftercare.CheckIns.State.PASSED;
import static ivesk.core.aftercare.CheckIns.State.TOLD;
import static ivesk.core.aftercare.CheckIns.State.UNANSWERED;
import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.aftercare.CheckIns.CheckIn;
import ivesk.core.aftercare.ContactRules.Case;
import ivesk.core.aftercare.ContactRules.ContactRule;
import ivesk.core.aftercare.ContactRules.Verdict;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/// Contact and red flags of domain/08; common practice, no source.
class ContactTest {
  /// A calm check-in after a formula that may flake to day 5.
  private static final int LAST = 5;

  private static Verdict judge(
      int day,
      int last,
      boolean salicylic,
      boolean flakedBefore,
      int flaking,
      int redness,
      int sensation,
      String complaints) {
    Set<Complaint> told =
        complaints == null || complaints.isBlank()
            ? Set.of()
            : Arrays.stream(complaints.split(" "))
                .map(Complaint::valueOf)
                .collect(Collectors.toSet());
    HowItIs how = new HowItIs(sensation, flaking, redness, told, "");
    return ContactRules.judge(new Case(how, day, last, salicylic, flakedBefore));
  }

  /// Each row on both sides.
  @ParameterizedTest
  @CsvSource({
    // row, severity; day, salicylic, flaked before, flaking, redness, sensation, complaints
    "CON-AIRWAY, EMERGENCY, 1, false, false, 0, 0, 0, FACE_SWELLING",
    "CON-AIRWAY, EMERGENCY, 1, false, false, 0, 0, 0, BREATHING",
    "CON-AIRWAY, EMERGENCY, 1, false, false, 0, 0, 0, VISION",
    "CON-AIRWAY, EMERGENCY, 1, false, false, 0, 0, 0, EYE_PAIN",
    "CON-SALICYLATE, EMERGENCY, 1, true, false, 0, 0, 0, RINGING_EARS",
    "CON-SALICYLATE, EMERGENCY, 1, true, false, 0, 0, 0, NAUSEA",
    "CON-SALICYLATE, EMERGENCY, 1, true, false, 0, 0, 0, FAST_BREATHING",
    "CON-UNWELL, REASSURE, 1, false, false, 0, 0, 0, NAUSEA",
    "CON-UNWELL, REASSURE, 1, false, false, 0, 0, 0, RINGING_EARS",
    "CON-BREATH, SEE, 1, false, false, 0, 0, 0, FAST_BREATHING",
    "CON-INFECTION, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, SPREADING_PAIN",
    "CON-INFECTION, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, HONEY_CRUST",
    "CON-INFECTION, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, FEVER",
    "CON-HERPES, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, GROUPED_BLISTERS",
    "CON-HERPES, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, TINGLING_LIP",
    "CON-INJURY, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, BLISTER",
    "CON-INJURY, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, WEEPING",
    "CON-INJURY, CLINICIAN_TODAY, 2, false, false, 0, 0, 0, GREY_SKIN",
    "CON-RASH, SEE, 2, false, false, 0, 0, 0, SEVERE_ITCH",
    "CON-RASH, SEE, 2, false, false, 0, 0, 0, RASH",
    "CON-REDNESS, SEE, 4, false, false, 0, 3, 0,",
    "CON-SORE, REASSURE, 3, false, false, 0, 3, 0,",
    "CON-SORE, REASSURE, 4, false, false, 0, 2, 0,",
    "CON-REDNESS, SEE, 15, false, false, 0, 1, 0,",
    "'', AS_EXPECTED, 14, false, false, 0, 1, 0,",
    "CON-DARK, SEE, 6, false, false, 0, 0, 0, DARK_PATCHES",
    "'', AS_EXPECTED, 5, false, false, 0, 0, 0, DARK_PATCHES",
    "CON-DARK, SEE, 4, false, true, 0, 0, 0, DARK_PATCHES",
    "'', AS_EXPECTED, 4, false, true, 1, 0, 0, DARK_PATCHES",
    "'', AS_EXPECTED, 7, false, true, 1, 0, 0, DARK_PATCHES",
    "CON-FLAKES, SEE, 9, false, true, 1, 0, 0,",
    "'', AS_EXPECTED, 8, false, true, 1, 0, 0,",
    "CON-SORE, REASSURE, 2, false, false, 0, 0, 4,",
    "'', AS_EXPECTED, 2, false, false, 0, 0, 3,",
    "CON-SORE, REASSURE, 2, false, false, 3, 0, 0,",
    "'', AS_EXPECTED, 2, false, false, 2, 1, 0,",
    "CON-SORE, REASSURE, 2, false, false, 0, 0, 0, ITCH",
  })
  void everyRow(
      String row,
      Severity severity,
      int day,
      boolean salicylic,
      boolean flakedBefore,
      int flaking,
      int redness,
      int sensation,
      String complaints) {
    Verdict verdict =
        judge(day, LAST, salicylic, flakedBefore, flaking, redness, sensation, complaints);
    assertThat(verdict.severity()).isEqualTo(severity);
    assertThat(verdict.ids().stream().findFirst().orElse("")).isEqualTo(row);
  }

  @Test
  void theMostSevereWinsAndTheOthersStandBesideIt() {
    Verdict verdict = judge(5, LAST, true, false, 3, 3, 6, "RASH BLISTER NAUSEA");
    assertThat(verdict.severity()).isEqualTo(Severity.EMERGENCY);
    assertThat(verdict.ids())
        .containsExactly("CON-SALICYLATE", "CON-INJURY", "CON-RASH", "CON-REDNESS", "CON-SORE");
  }

  @Test
  void theTableIsInOrderAndEachRowIsReached() {
    assertThat(ContactRules.ALL.stream().map(ContactRule::severity).toList())
        .isSortedAccordingTo(java.util.Comparator.reverseOrder());
    assertThat(ContactRules.ALL.stream().map(ContactRule::id).toList()).doesNotHaveDuplicates();
  }

  /// Nothing that can be told is without a row.
  @ParameterizedTest
  @EnumSource(Complaint.class)
  void everythingToldMattersSometime(Complaint complaint) {
    Verdict verdict = judge(30, LAST, false, true, 0, 0, 0, complaint.name());
    assertThat(verdict.severity()).isGreaterThan(Severity.AS_EXPECTED);
  }

  @Test
  void fromSeenInPersonOnItIsARedFlag() {
    Set<Severity> flags = EnumSet.noneOf(Severity.class);
    Set<Severity> clinicians = new HashSet<>();
    for (Severity severity : Severity.values()) {
      if (severity.redFlag()) flags.add(severity);
      if (severity.clinicians()) clinicians.add(severity);
    }
    assertThat(flags)
        .containsExactlyInAnyOrder(Severity.SEE, Severity.CLINICIAN_TODAY, Severity.EMERGENCY);
    assertThat(clinicians).containsExactlyInAnyOrder(Severity.CLINICIAN_TODAY, Severity.EMERGENCY);
  }

  @Nested
  class Planned {
    private static final LocalDate PEEL = LocalDate.of(2026, 12, 28);

    private static List<CheckIn> on(int today, List<Integer> told, List<Integer> tries) {
      return CheckIns.of(
          PEEL,
          true,
          told.stream().map(PEEL::plusDays).toList(),
          tries.stream().map(PEEL::plusDays).toList(),
          PEEL.plusDays(today));
    }

    private static List<CheckIns.State> states(int today, List<Integer> told, List<Integer> tries) {
      return on(today, told, tries).stream().map(CheckIn::state).toList();
    }

    @Test
    void onDays1And3And7AndTwoWeeksWhereMarksShowLate() {
      assertThat(on(0, List.of(), List.of()).stream().map(CheckIn::on).toList())
          .containsExactly(
              LocalDate.of(2026, 12, 29),
              LocalDate.of(2026, 12, 31),
              LocalDate.of(2027, 1, 4),
              LocalDate.of(2027, 1, 11));
      assertThat(CheckIns.days(false)).containsExactly(1, 3, 7);
    }

    @Test
    void oneIsDueUntilItIsToldOrTheNextIsDue() {
      List<Integer> none = List.of();
      assertThat(states(0, none, none)).containsExactly(COMING, COMING, COMING, COMING);
      assertThat(states(1, none, none)).containsExactly(DUE, COMING, COMING, COMING);
      assertThat(states(2, List.of(2), none)).containsExactly(TOLD, COMING, COMING, COMING);
      assertThat(states(3, none, none)).containsExactly(PASSED, DUE, COMING, COMING);
      assertThat(states(20, List.of(1, 8), none)).containsExactly(TOLD, PASSED, TOLD, DUE);
    }

    @Test
    void nobodyAnsweredAfterTwoTries() {
      assertThat(states(2, List.of(), List.of(1))).first().isEqualTo(DUE);
      assertThat(states(2, List.of(), List.of(1, 2))).first().isEqualTo(UNANSWERED);
      assertThat(states(2, List.of(2), List.of(1, 2))).first().isEqualTo(TOLD);
      assertThat(states(3, List.of(), List.of(1, 2)).get(1)).isEqualTo(DUE);
    }
  }
}
