package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.aftercare.Complaint;
import java.util.Arrays;
import java.util.List;

/// The check-in's form in one language.
///
/// @param degrees of flakes and redness, 0 to 3
record CheckInWords(
    String feel,
    String flaking,
    String redness,
    List<String> degrees,
    String anyOfThese,
    List<ComplaintWords> complaints,
    String ownWords,
    String photo,
    String flakesBegan,
    String flakesEnded,
    String send,
    String notSent) {

  /// @param id to be ticked
  record ComplaintWords(Complaint id, String words) {}

  static CheckInWords in(Language language) {
    return new CheckInWords(
        DIARY_FEEL.in(language),
        DIARY_FLAKING.in(language),
        DIARY_REDNESS.in(language),
        List.of(DIARY_NONE, DIARY_LITTLE, DIARY_SOME, DIARY_MUCH).stream()
            .map(one -> one.in(language))
            .toList(),
        DIARY_ANY_OF_THESE.in(language),
        Arrays.stream(Complaint.values())
            .map(one -> new ComplaintWords(one, one.words().in(language)))
            .toList(),
        DIARY_OWN_WORDS.in(language),
        DIARY_PHOTO.in(language),
        DIARY_FLAKES_BEGAN.in(language),
        DIARY_FLAKES_ENDED.in(language),
        DIARY_SEND.in(language),
        DIARY_NOT_SENT.in(language));
  }
}
