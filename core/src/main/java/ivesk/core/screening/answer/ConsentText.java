package ivesk.core.screening.answer;

import static java.util.Map.entry;

import ivesk.core.formula.Family;
import java.util.List;
import java.util.Map;

/// What a client reads and signs before a peel of a family. A changed text gets a new version; what
/// was signed keeps the version it was signed under. The wording is ours; the local law and the
/// insurer come before it.
///
/// @param version counts up with every change of the words
public record ConsentText(int version, String general, Map<Family, String> byFamily) {

  /// Each is asked and ticked before the signature.
  public static final List<String> STATEMENTS =
      List.of(
          "I have read this, or it was read to me, and I could ask what I wanted to know.",
          "I have told of medicines, illnesses, pregnancy and allergies as asked, and will tell of"
              + " changes.",
          "I will keep out of the sun and follow the sheet for the days after.",
          "I may end the peel at any time, and withdraw this consent before any visit.");

  public static final ConsentText CURRENT =
      new ConsentText(
          3,
          "A superficial peel puts acid on the skin so that its upper layers are shed. It tingles,"
              + " burns or itches for minutes. Redness, dryness and flaking follow for days. Less"
              + " often: dark or light marks that last for months, infection, cold sores, blisters,"
              + " scars, allergy. Sun makes each of them likelier. Several peels are usually needed,"
              + " and no result is promised. Not peeling, or milder care at home, are choices too.",
          Map.ofEntries(
              entry(
                  Family.RETINOID,
                  "Retinol after a peel: it stays for hours, and adds two or three days of dryness and"
                      + " flaking. Not in pregnancy."),
              entry(Family.PHA, "The mildest acids: little feeling, hardly any flaking."),
              entry(
                  Family.ENZYME,
                  "Fruit enzymes loosen dead cells. Not with an allergy to papaya, pineapple, fig"
                      + " or pumpkin."),
              entry(Family.LACTIC, "Lactic acid: a mild sting, and a day or three of dryness."),
              entry(
                  Family.MANDELIC,
                  "Mandelic acid works slowly: a mild sting, and light flaking for up to some days."),
              entry(
                  Family.AZELAIC_MANDELIC,
                  "Azelaic with mandelic acid: itching is common, and light flaking for some days."),
              entry(
                  Family.GLYCOLIC,
                  "Glycolic acid goes in fast and unevenly where skin is hurt. It is timed and must be"
                      + " ended; it can blister when left too long."),
              entry(
                  Family.SALICYLIC,
                  "Salicylic acid burns for minutes, then dulls. White crystals are normal. Flaking for"
                      + " up to a week. Not with an allergy to aspirin. Ringing ears or nausea: tell at"
                      + " once."),
              entry(
                  Family.JESSNER,
                  "Jessner's solution goes deeper with each layer: heat, frost, and a week of peeling."
                      + " Some formulas contain resorcinol."),
              entry(
                  Family.PYRUVIC,
                  "Pyruvic acid burns strongly and its vapour can make one cough. Peeling for about a"
                      + " week."),
              entry(
                  Family.TCA,
                  "Trichloroacetic acid burns hard for minutes and turns skin white. It cannot be"
                      + " neutralised once it is in. Peeling for a week or more, and marks are likelier.")));

  public ConsentText {
    byFamily = Map.copyOf(byFamily);
  }
}
