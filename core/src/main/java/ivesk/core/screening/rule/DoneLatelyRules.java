package ivesk.core.screening.rule;

import static ivesk.core.Source.COMMON_PRACTICE;
import static ivesk.core.Words.day;
import static ivesk.core.screening.question.Question.*;
import static ivesk.core.screening.rule.Draft.adapt;
import static ivesk.core.screening.rule.Draft.proceed;
import static ivesk.core.screening.rule.Draft.refer;
import static ivesk.core.screening.rule.Draft.until;
import static ivesk.core.screening.rule.Finds.monthsNotOver;
import static ivesk.core.screening.rule.Finds.waits;
import static ivesk.core.screening.rule.Finds.within;
import static ivesk.core.screening.rule.ScreeningRule.rule;
import static ivesk.core.screening.rule.ScreeningRule.when;
import static ivesk.core.screening.rule.When.is;
import static ivesk.core.screening.rule.When.that;

import ivesk.core.practice.Policies.Choice;
import ivesk.core.screening.answer.ScreeningFacts;
import ivesk.core.screening.rule.Restriction.ExcludeZones;
import ivesk.core.screening.rule.Restriction.ShortenContact;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;

/// What was done to the skin lately.
final class DoneLatelyRules {
  static final List<ScreeningRule> ALL =
      List.of(
          rule(
              "SCR-HAIR",
              COMMON_PRACTICE,
              "Hair removal opens the surface for days.",
              waits("REMOVED", HAIR, "done", 7, "hair removed")),
          rule(
              "SCR-SHAVE",
              COMMON_PRACTICE,
              "A blade takes horny layer with the hair.",
              waits("SHAVED", SHAVE, "done", 1, "shaved")),
          rule(
              "SCR-DERMAPLANE",
              COMMON_PRACTICE,
              "Planed skin takes acid up fast and unevenly.",
              when("PLANED", is(DERMAPLANING, "done"), DoneLatelyRules::dermaplaning)),
          rule(
              "SCR-ABRASION",
              COMMON_PRACTICE,
              "Abraded skin takes up more.",
              waits("ABRADED", ABRASION, "done", 7, "abrasion")),
          rule(
              "SCR-ENERGY",
              COMMON_PRACTICE,
              "Skin must have healed from one injury.",
              waits("ENERGY", ENERGY, "done", 28, "laser, needling or the like"),
              when("ABLATIVE", is(ABLATIVE_LASER, "done"), DoneLatelyRules::ablative)),
          rule(
              "SCR-INJECT",
              COMMON_PRACTICE,
              "Pressing and wiping can move what was injected.",
              waits("TOXIN", TOXIN, "done", 7, "botulinum toxin"),
              waits("FILLER", FILLER, "done", 14, "filler")),
          rule(
              "SCR-SURGERY",
              COMMON_PRACTICE,
              "Scars and flaps heal for months.",
              when(
                  "FACE",
                  is(FACE_SURGERY, "done").and(monthsNotOver(FACE_SURGERY, 6)),
                  v -> refer("surgery of the face " + day(v.dateOf(FACE_SURGERY)))),
              when(
                  "EYE",
                  is(EYE_SURGERY, "done").and(monthsNotOver(EYE_SURGERY, 3)),
                  DoneLatelyRules::eyeSurgery)),
          rule(
              "SCR-TATTOO",
              COMMON_PRACTICE,
              "Fresh pigment is shed with the skin.",
              when(
                  "FRESH",
                  is(PERMANENT_MAKE_UP, "done").and(that(v -> v.daysSince(PERMANENT_MAKE_UP) < 28)),
                  v ->
                      adapt(
                              "permanent make-up " + day(v.dateOf(PERMANENT_MAKE_UP)),
                              new ExcludeZones(v.answer(PERMANENT_MAKE_UP).zones(), false))
                          .earliest(v.dateOf(PERMANENT_MAKE_UP).plusDays(28)))),
          rule(
              "SCR-RADIO",
              COMMON_PRACTICE,
              "Irradiated skin heals badly for life.",
              when("IRRADIATED", is(RADIOTHERAPY, "yes"), refer("radiotherapy to the area"))));

  private DoneLatelyRules() {}

  private static Draft eyeSurgery(ScreeningFacts v) {
    String said = "surgery of an eye " + day(v.dateOf(EYE_SURGERY));
    ExcludeZones eyes = new ExcludeZones(EnumSet.of(Zone.EYE_LEFT, Zone.EYE_RIGHT), false);
    boolean face = v.region() == Region.FACE || v.region() == Region.EYE_CONTOUR;
    return (face ? refer(said, eyes) : adapt(said, eyes))
        .earliest(v.dateOf(EYE_SURGERY).plusMonths(3));
  }

  private static Draft dermaplaning(ScreeningFacts v) {
    boolean paired =
        v.policies().chose(Choice.PEEL_AFTER_DERMAPLANING)
            && v.daysSince(DERMAPLANING) < 2
            && !v.sensitive();
    return paired
        ? adapt(
            "dermaplaning " + day(v.dateOf(DERMAPLANING)) + ", paired",
            new Restriction.OneRungDown(),
            new Restriction.OneLayerOff(),
            new ShortenContact(0.75),
            new Restriction.CountDeeper())
        : within(v, v.dateOf(DERMAPLANING), 7, "dermaplaning");
  }

  private static Draft ablative(ScreeningFacts v) {
    LocalDate clear = v.dateOf(ABLATIVE_LASER).plusMonths(6);
    String said = "ablative laser " + day(v.dateOf(ABLATIVE_LASER));
    return clear.isAfter(v.peelDate()) ? until(clear, said) : proceed(said + ", over six months");
  }
}
