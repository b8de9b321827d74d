package ivesk.core.treatment.state;

import ivesk.core.treatment.fact.Whitening;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/// What is known of one zone.
///
/// @param redness 0 to 3, as last looked at
/// @param rise by how much the redness rose from the look before; 0 at the first look and before
///   the acid
/// @param baseline redness just before the acid; empty when it was not looked at
/// @param white what white there is
/// @param hotSpot its own number, where it has one
/// @param spotSinceAcid its number was told since the acid
/// @param changed acid has shown here: white, or a hotter spot, since the first touch
/// @param reached the newest layer over it has come this far
public record ZoneState(
    int redness,
    int rise,
    Optional<Integer> baseline,
    White white,
    Optional<Integer> hotSpot,
    boolean spotSinceAcid,
    boolean changed,
    boolean reached,
    boolean ended) {

  /// How long salicylic F3 may stand without a wipe test. Common practice, no source.
  static final Duration UNTESTED_MOST = Duration.ofSeconds(15);

  /// The answer of a damp swab.
  public enum Wipe {
    /// White of a formula that leaves no crystals, or none at all.
    NOT_DUE,
    OWED,
    CRYSTALS,
    FROST
  }

  /// White of one zone.
  ///
  /// @param wipe what the swab said of it
  /// @param tested the highest grade that it was said of
  /// @param layer how many layers were on when it was said
  /// @param since when white first showed here
  /// @param gradeSince when it came to this grade
  /// @param afterEnd it first showed after END
  public record White(
      Whitening grade,
      Wipe wipe,
      Whitening tested,
      int layer,
      Optional<Instant> since,
      Optional<Instant> gradeSince,
      boolean afterEnd) {
    static final White NONE =
        new White(
            Whitening.NONE,
            Wipe.NOT_DUE,
            Whitening.NONE,
            0,
            Optional.empty(),
            Optional.empty(),
            false);

    /// White that the swab has proven to be crystals is not asked about again, nor is frost that it
    /// has proven: only more white than that, or white under a new layer.
    White seen(Whitening now, Instant at, boolean testable, int layers, boolean ended) {
      if (now == Whitening.NONE) return NONE;
      boolean known =
          wipe == Wipe.FROST && now.frost()
              || wipe == Wipe.CRYSTALS && tested.atLeast(now) && layers == layer;
      Whitening shown = known && wipe == Wipe.CRYSTALS ? Whitening.CRYSTALS : now;
      Wipe due = known ? wipe : testable ? Wipe.OWED : Wipe.NOT_DUE;
      boolean fresh = grade == Whitening.NONE;
      return new White(
          shown,
          due,
          tested,
          layer,
          fresh ? Optional.of(at) : since,
          fresh || shown != grade ? Optional.of(at) : gradeSince,
          fresh ? ended : afterEnd);
    }

    White wiped(boolean cameOff, int layers) {
      if (wipe != Wipe.OWED) return this;
      // F4 is never crystals, whatever a swab seems to say.
      boolean crystals = cameOff && grade != Whitening.F4;
      Whitening stays = grade == Whitening.CRYSTALS ? Whitening.F1 : grade;
      return new White(
          crystals ? Whitening.CRYSTALS : stays,
          crystals ? Wipe.CRYSTALS : Wipe.FROST,
          grade,
          layers,
          since,
          gradeSince,
          afterEnd);
    }
  }

  static final ZoneState UNTOUCHED =
      new ZoneState(
          0, 0, Optional.empty(), White.NONE, Optional.empty(), false, false, false, false);

  /// Before the next stage: the last look is its baseline; white that was crystals is dusted off,
  /// and a zone that was ended takes no more acid in this visit.
  ZoneState onTo() {
    return new ZoneState(
        redness,
        0,
        baseline.map(before -> redness),
        White.NONE,
        hotSpot,
        spotSinceAcid,
        false,
        false,
        ended);
  }

  public Whitening whitening() {
    return white.grade();
  }

  /// Whitening was entered and the wipe test not yet done.
  public boolean wipeOwed() {
    return white.wipe() == Wipe.OWED;
  }

  ZoneState withRedness(int grade, boolean beforeAcid) {
    int rose = beforeAcid || baseline.isEmpty() ? 0 : grade - redness;
    Optional<Integer> first = beforeAcid || baseline.isEmpty() ? Optional.of(grade) : baseline;
    return new ZoneState(
        grade, rose, first, white, hotSpot, spotSinceAcid, changed, reached, ended);
  }

  ZoneState withWhitening(
      Whitening grade, Instant at, boolean testable, Phase phase, AcidState acid) {
    White now = white.seen(grade, at, testable, acid.layers().size(), phase.afterAcid());
    boolean shows = changed || !phase.beforeAcid() && grade != Whitening.NONE;
    return new ZoneState(
        redness, rise, baseline, now, hotSpot, spotSinceAcid, shows, reached, ended);
  }

  ZoneState withHotSpot(int value, Phase phase) {
    boolean hotter = !phase.beforeAcid() && value > hotSpot.orElse(0);
    Optional<Integer> spot = value == 0 ? Optional.empty() : Optional.of(value);
    return new ZoneState(
        redness,
        rise,
        baseline,
        white,
        spot,
        spotSinceAcid || !phase.beforeAcid(),
        changed || hotter,
        reached,
        ended);
  }

  ZoneState withReached(boolean by) {
    return new ZoneState(
        redness, rise, baseline, white, hotSpot, spotSinceAcid, changed, by, ended);
  }

  ZoneState withEnded() {
    return new ZoneState(
        redness, rise, baseline, white, hotSpot, spotSinceAcid, changed, reached, true);
  }

  /// The swab went over it: white that comes off was crystals, white that stays is frost.
  ZoneState wiped(boolean cameOff, int layers) {
    return new ZoneState(
        redness,
        rise,
        baseline,
        white.wiped(cameOff, layers),
        hotSpot,
        spotSinceAcid,
        changed,
        reached,
        ended);
  }

  /// A hot spot told since the acid that is above rest.
  public boolean spotAbove(int rest) {
    return spotSinceAcid && hotSpot.filter(value -> value > rest).isPresent();
  }

  /// Something was seen here that the acid has done: what was there before it does not count.
  boolean reacts() {
    return changed || redness > baseline.orElse(redness);
  }

  /// F4, or F3 that is no crystals.
  public boolean beyondAnyEndpoint() {
    return whitening() == Whitening.F4 || whitening() == Whitening.F3 && !wipeOwed();
  }

  /// F3 that may be crystals has gone without a wipe test for too long.
  public boolean untestedTooLong(Instant now) {
    return untestedFrom().filter(from -> !now.isBefore(from)).isPresent();
  }

  /// From when F3 that may be crystals counts as frost; empty when it does not come to that.
  public Optional<Instant> untestedFrom() {
    return whitening() == Whitening.F3 && wipeOwed()
        ? white.gradeSince().map(since -> since.plus(UNTESTED_MOST))
        : Optional.empty();
  }
}
