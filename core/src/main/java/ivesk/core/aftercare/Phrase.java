package ivesk.core.aftercare;

import ivesk.core.Language;

/// The same words in every language of the sheet.
record Phrase(String en, String es, String fr, String de, String pt) {
  /// In French a blank that does not break stands before these signs.
  private static String unbroken(String french) {
    return french.replaceAll(" (?=[;:?!%])", Language.NO_BREAK);
  }

  String in(Language language) {
    return switch (language) {
      case EN -> en;
      case ES -> es;
      case FR -> unbroken(fr);
      case DE -> de;
      case PT -> pt;
    };
  }
}
