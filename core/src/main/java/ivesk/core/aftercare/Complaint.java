package ivesk.core.aftercare;

import ivesk.core.Language;

/// What a client may tell of the days after, beside sensation, flakes and redness.
public enum Complaint {
  FACE_SWELLING(Sentence.FACE_SWELLING),
  BREATHING(Sentence.BREATHING),
  VISION(Sentence.VISION),
  EYE_PAIN(Sentence.EYE_PAIN),
  RINGING_EARS(Sentence.RINGING_EARS),
  NAUSEA(Sentence.NAUSEA),
  FAST_BREATHING(Sentence.FAST_BREATHING),
  SPREADING_PAIN(Sentence.SPREADING_PAIN),
  HONEY_CRUST(Sentence.HONEY_CRUST),
  FEVER(Sentence.FEVER),
  GROUPED_BLISTERS(Sentence.GROUPED_BLISTERS),
  TINGLING_LIP(Sentence.A_TINGLING_LIP),
  BLISTER(Sentence.BLISTER),
  WEEPING(Sentence.WEEPING),
  GREY_SKIN(Sentence.GREY_SKIN),
  SEVERE_ITCH(Sentence.SEVERE_ITCH),
  RASH(Sentence.RASH),
  ITCH(Sentence.ITCH),
  DARK_PATCHES(Sentence.DARK_PATCHES);

  private final Sentence words;

  Complaint(Sentence words) {
    this.words = words;
  }

  public Sentence words() {
    return words;
  }

  /// The body may answer so to the substance itself, in any amount.
  public boolean allergic() {
    return switch (this) {
      case FACE_SWELLING, BREATHING, RASH -> true;
      case VISION,
          EYE_PAIN,
          RINGING_EARS,
          NAUSEA,
          FAST_BREATHING,
          SPREADING_PAIN,
          HONEY_CRUST,
          FEVER,
          GROUPED_BLISTERS,
          TINGLING_LIP,
          BLISTER,
          WEEPING,
          GREY_SKIN,
          SEVERE_ITCH,
          ITCH,
          DARK_PATCHES ->
          false;
    };
  }

  public String label() {
    return words.in(Language.EN);
  }
}
