package ivesk.core.practice;

import ivesk.core.Require;
import java.util.EnumSet;
import java.util.Set;

/// The choices of one practice where the schools differ; [#defaults()] holds the usual ones.
///
/// @param thresholds hold and stop lines for sensation
/// @param scope deepest class that the licence covers
/// @param jessnerLayers most Jessner layers in one visit, 4 or 5
/// @param restAtMost highest sensation that counts as rest, 0 or 1
/// @param noWaterHours hours without water after a self-limiting peel: 3, 8 or 12 (overnight)
/// @param homeAcidsAgainDays days until home acids return after a superficial peel, 3 or 7
/// @param choices what the practice does differently from the default
/// @param openedByClinician restricted substances that the supervising clinician has opened
public record Policies(
    Thresholds thresholds,
    LicenceScope scope,
    int jessnerLayers,
    int restAtMost,
    int noWaterHours,
    int homeAcidsAgainDays,
    Set<Choice> choices,
    Set<Restricted> openedByClinician) {

  /// TCA coats in one visit, where the practice does not go further.
  public static final int TCA_COATS = 3;

  public enum Thresholds {
    COMFORT_LED(4, 6),
    BALANCED(5, 8),
    ENDPOINT_LED(7, 9);

    private final int hold;
    private final int stop;

    Thresholds(int hold, int stop) {
      this.hold = hold;
      this.stop = stop;
    }

    public int hold() {
      return hold;
    }

    public int stop() {
      return stop;
    }
  }

  public enum LicenceScope {
    VERY_SUPERFICIAL,
    SUPERFICIAL,
    MEDIUM_SUPERVISED
  }

  public enum Choice {
    /// The client answers by a phone or a clicker of their own, beside saying it.
    CLIENT_HANDSET,
    /// Hydroxy acids in one visit: layers with strength steps, instead of one timed application.
    STRENGTH_STEPS,
    /// Jessner ends at the first F1, instead of at the planned layers with even pink.
    JESSNER_FIRST_FROST,
    /// Compromised barrier: LAC-10 for half the time, instead of waiting until calm.
    MILD_LACTIC_AT_BARRIER,
    /// Mild AHA ended by cool water, instead of neutraliser.
    COOL_WATER_ENDS_MILD_AHA,
    /// Isotretinoin: superficial with clearance, instead of six months for all.
    ISOTRETINOIN_BY_CONSENSUS,
    /// Pregnancy: LAC-10, LAC-30 or MAN-20 with clearance, instead of no peel.
    MILD_PEEL_IN_PREGNANCY,
    /// Dermaplaning with a peel: paired and adapted, instead of not within 7 days.
    PEEL_AFTER_DERMAPLANING,
    /// Retinol after a peel: short contact, 5 to 10 min, instead of none.
    RETINOL_SHORT_CONTACT,
    /// Retinol after a peel: stays the label's hours, else 6, instead of none.
    RETINOL_LABEL_HOURS,
    /// Compounding: the practice may dilute and mix, instead of working from labels only.
    MAY_DILUTE_AND_MIX,
    /// Salicylic 20 %: a second pass after an uneventful visit, instead of one pass.
    SECOND_SALICYLIC_PASS,
    /// Patch test: only for what goes superficial, instead of every new family.
    PATCH_TEST_SUPERFICIAL_ONLY,
    /// Degreasing by an acid prep lotion, instead of a solvent wipe.
    DEGREASE_BY_ACID_PREP,
    /// No degreasing, instead of a solvent wipe.
    NO_DEGREASING,
    /// One cleanse, instead of two.
    CLEANSE_ONCE,
    /// Tepid water, instead of cool.
    TEPID_WATER,
    /// Warm water, with a warning, instead of cool.
    WARM_WATER,
    /// Neutraliser from an amino acid, instead of bicarbonate.
    AMINO_ACID_NEUTRALISER,
    /// Water alone ends an acid, instead of bicarbonate.
    WATER_NEUTRALISES,
    /// Occlusive ointment after a peel from the start, instead of not in the first hours.
    OCCLUSIVE_AT_ONCE,
    /// Never occlusive ointment after a peel, instead of not in the first hours.
    NEVER_OCCLUSIVE,
    /// Salicylic is left on, as its maker says, instead of a cool rinse at 5 min.
    SALICYLIC_LEFT_ON,
    /// Extraction after the peel, instead of none.
    EXTRACTION_AFTER_PEEL,
    /// Shields over the eyes, instead of pads.
    EYE_SHIELDS,
    /// Pads trimmed to leave the under-eye free, instead of whole ones.
    TRIMMED_EYE_PADS,
    /// One pair of gloves, instead of two.
    ONE_PAIR_OF_GLOVES,
    /// Any sunscreen on the day, instead of mineral.
    ANY_SUNSCREEN,
    /// A setting mask that warms, instead of a cooling one.
    SETTING_MASK_MAY_WARM,
    /// Feather-light massage with a calming product, instead of never.
    FEATHER_LIGHT_MASSAGE,
    /// Pigment inhibitor the same day, instead of after the bland days.
    INHIBITOR_THE_SAME_DAY,
    /// At least 14 days from peel to peel, instead of the formula's own interval.
    INTERVAL_14_DAYS,
    /// At least 28 days from peel to peel, instead of the formula's own interval.
    INTERVAL_28_DAYS,
    /// Salicylic crystals are wiped before the next coat, instead of coated over.
    WIPE_CRYSTALS_FIRST,
    /// What is left on the pad goes onto the upper neck, instead of a run of its own.
    LEFTOVER_ON_UPPER_NECK,
    /// Any make-up 24 h after a peel, instead of mineral only until the skin is clear.
    ANY_MAKE_UP_AFTER_24_H,
    /// Jessner coats 2 min apart, instead of 3.
    JESSNER_GAP_2_MIN,
    /// Up to five TCA coats with the clinician present, instead of three.
    FIVE_TCA_COATS,
    /// More of a timed AHA once within its clock, when its feel falls early; off otherwise.
    MORE_ACID_IN_THE_CLOCK,
    /// Pressing or second strokes once, on the zone that needs it most, instead of never.
    WORKED_IN_ONCE,
    /// Eyelids by a formula made for them, instead of never.
    LIDS_BY_THEIR_OWN_FORMULA,
    /// Home acids up to 5 % on alternate nights in the weeks after a first peel, instead of none.
    MILD_HOME_ACIDS_FIRST_WEEKS,
    /// No water after a gel that was lifted and rinsed for the hours of a self-limiting peel,
    /// instead of at once.
    NO_WATER_AFTER_GEL,
    /// Adults without any record start at a family's first rung, instead of its entry rung.
    FIRST_RUNG_WITHOUT_RECORD
  }

  /// Shut until the supervising clinician opens them for the practice, once; some countries
  /// restrict both for cosmetic use, and the local law decides.
  public enum Restricted {
    TCA,
    RESORCINOL
  }

  public Policies {
    Require.range("jessnerLayers", jessnerLayers, 4, 5);
    Require.range("restAtMost", restAtMost, 0, 1);
    Require.range("noWaterHours", noWaterHours, 3, 12);
    Require.range("homeAcidsAgainDays", homeAcidsAgainDays, 3, 7);
    choices = Set.copyOf(choices);
    openedByClinician = Set.copyOf(openedByClinician);
  }

  /// The usual choice everywhere; nothing opened by the clinician.
  public static Policies defaults() {
    return new Policies(
        Thresholds.BALANCED, LicenceScope.SUPERFICIAL, 4, 1, 8, 7, Set.of(), Set.of());
  }

  public boolean chose(Choice choice) {
    return choices.contains(choice);
  }

  /// The interval between two peels, where a formula asks for some days.
  public int intervalDays(int ofTheFormula) {
    if (chose(Choice.INTERVAL_28_DAYS)) return Math.max(28, ofTheFormula);
    return chose(Choice.INTERVAL_14_DAYS) ? Math.max(14, ofTheFormula) : ofTheFormula;
  }

  public Policies with(Choice choice) {
    EnumSet<Choice> more = EnumSet.of(choice);
    more.addAll(choices);
    return new Policies(
        thresholds,
        scope,
        jessnerLayers,
        restAtMost,
        noWaterHours,
        homeAcidsAgainDays,
        more,
        openedByClinician);
  }

  public Policies with(Thresholds other) {
    return new Policies(
        other,
        scope,
        jessnerLayers,
        restAtMost,
        noWaterHours,
        homeAcidsAgainDays,
        choices,
        openedByClinician);
  }

  public Policies opening(Set<Restricted> substances) {
    return new Policies(
        thresholds,
        scope,
        jessnerLayers,
        restAtMost,
        noWaterHours,
        homeAcidsAgainDays,
        choices,
        substances);
  }

  public Policies with(LicenceScope value) {
    return new Policies(
        thresholds,
        value,
        jessnerLayers,
        restAtMost,
        noWaterHours,
        homeAcidsAgainDays,
        choices,
        openedByClinician);
  }

  public Policies withJessnerLayers(int value) {
    return new Policies(
        thresholds,
        scope,
        value,
        restAtMost,
        noWaterHours,
        homeAcidsAgainDays,
        choices,
        openedByClinician);
  }

  public Policies withRestAtMost(int value) {
    return new Policies(
        thresholds,
        scope,
        jessnerLayers,
        value,
        noWaterHours,
        homeAcidsAgainDays,
        choices,
        openedByClinician);
  }

  public Policies withNoWaterHours(int value) {
    return new Policies(
        thresholds,
        scope,
        jessnerLayers,
        restAtMost,
        value,
        homeAcidsAgainDays,
        choices,
        openedByClinician);
  }

  public Policies withHomeAcidsAgainDays(int value) {
    return new Policies(
        thresholds,
        scope,
        jessnerLayers,
        restAtMost,
        noWaterHours,
        value,
        choices,
        openedByClinician);
  }
}
