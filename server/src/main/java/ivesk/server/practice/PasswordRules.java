package ivesk.server.practice;

import ivesk.server.app.BadInput;
import java.util.List;
import java.util.regex.Pattern;
import me.gosimple.nbvcxz.Nbvcxz;
import me.gosimple.nbvcxz.matching.match.DictionaryMatch;
import me.gosimple.nbvcxz.matching.match.Match;
import org.springframework.stereotype.Component;

/// What a password must be: 12 letters or more, any of them, and nothing that is tried first.
@Component
class PasswordRules {
  static final int LEAST = 12;
  static final int MOST = 200;

  /// Guesses that a stranger would need at least, as a power of ten.
  private static final double LEAST_GUESSES_LOG10 = 9;

  private static final Pattern PIN = Pattern.compile("[0-9]{4,8}");

  private final Nbvcxz estimator = new Nbvcxz();

  /// @param own words that a stranger tries first: the person's, the practice's
  /// @throws BadInput when it will not do, with what is wrong
  void check(String field, String password, List<String> own) {
    if (password.length() < LEAST || password.length() > MOST) {
      throw new BadInput(
          field,
          "the password has "
              + password.length()
              + " letters; give at least "
              + LEAST
              + ", several words are best");
    }
    String low = low(password);
    for (String word : own) {
      if (word.length() >= 3 && low.replace(low(word), "").length() < 8) {
        throw new BadInput(
            field, "the password is little more than a name of yours; choose another");
      }
    }
    var estimate = estimator.estimate(password);
    if (estimate.getMatches().stream().anyMatch(match -> common(match, password))
        || Math.log10(estimate.getGuesses().doubleValue()) < LEAST_GUESSES_LOG10) {
      throw new BadInput(
          field, "the password is one of those that are tried first; choose another");
    }
  }

  private static boolean common(Match match, String password) {
    return match instanceof DictionaryMatch word
        && word.getDictionaryName().equals("passwords")
        && word.getToken().length() == password.length();
  }

  /// @throws BadInput when it is no PIN of 4 to 8 digits, or one of those tried first
  void checkPin(String pin) {
    if (!PIN.matcher(pin).matches()) throw new BadInput("pin", "give 4 to 8 digits");
    boolean allTheSame = pin.chars().distinct().count() == 1;
    if (allTheSame || "0123456789".contains(pin) || "9876543210".contains(pin)) {
      throw new BadInput("pin", "this PIN is one of those that are tried first; choose another");
    }
  }

  private static String low(String words) {
    return words.toLowerCase(java.util.Locale.ROOT);
  }
}
