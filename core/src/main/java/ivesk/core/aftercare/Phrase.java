package ivesk.core.aftercare;

import ivesk.core.Language;

/// The same words in every language of the sheet.
record Phrase(String en, String es, String fr, String de, String pt) {
  String in(Language language) {
    return switch (language) {
      case EN -> en;
      case ES -> es;
      case FR -> fr;
      case DE -> de;
      case PT -> pt;
    };
  }
}
