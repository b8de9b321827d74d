package ivesk.core.formula;

import ivesk.core.quantity.Volume;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/// What the code on a bottle says, as a scanner types it: an element string with application
/// identifiers in brackets, such as `(240)GLY-35(10)L2231(17)270630(3153)000100`. GS1 General
/// Specifications, from memory.
///
/// @param product 240: the maker's own code
/// @param lot 10
/// @param expires 17, as YYMMDD; day 00 is the last of the month
/// @param volume 315n: net litres with n decimals
public record ScannedLabel(
    Optional<String> product,
    Optional<String> lot,
    Optional<LocalDate> expires,
    Optional<Volume> volume) {

  private static final Pattern ELEMENT = Pattern.compile("\\((\\d{2,4})\\)([^()]*)");

  /// @throws IllegalArgumentException when the text is no such string, or a part of it is wrong
  public static ScannedLabel of(String text) {
    Map<String, String> parts = new HashMap<>();
    Matcher element = ELEMENT.matcher(text.strip());
    int end = 0;
    while (element.find() && element.start() == end) {
      parts.put(element.group(1), element.group(2).strip());
      end = element.end();
    }
    if (parts.isEmpty() || end != text.strip().length()) {
      throw new IllegalArgumentException(
          "the code '"
              + (text.length() > 60 ? text.substring(0, 60) + "…" : text)
              + "' is none that can be read; it looks like (240)GLY-35(10)L2231(17)270630");
    }
    Optional.ofNullable(parts.get("01")).ifPresent(ScannedLabel::checkDigit);
    return new ScannedLabel(
        Optional.ofNullable(parts.get("240")),
        Optional.ofNullable(parts.get("10")),
        Optional.ofNullable(parts.get("17")).map(ScannedLabel::date),
        parts.entrySet().stream()
            .filter(part -> part.getKey().matches("315[0-5]"))
            .map(part -> volume(part.getKey(), part.getValue()))
            .findFirst());
  }

  private static LocalDate date(String digits) {
    try {
      int year = 2000 + Integer.parseInt(digits.substring(0, 2));
      YearMonth month = YearMonth.of(year, Integer.parseInt(digits.substring(2, 4)));
      int day = Integer.parseInt(digits.substring(4, 6));
      return day == 0 ? month.atEndOfMonth() : month.atDay(day);
    } catch (RuntimeException e) {
      throw new IllegalArgumentException(
          "expiry (17) is '" + digits + "'; allowed are six digits, year, month and day", e);
    }
  }

  private static Volume volume(String identifier, String digits) {
    if (!digits.matches("\\d{6}")) {
      throw new IllegalArgumentException(
          "volume (" + identifier + ") is '" + digits + "'; allowed are six digits");
    }
    return Volume.litres(Integer.parseInt(digits) / Math.pow(10, identifier.charAt(3) - '0'));
  }

  /// From the right, the digits before the last weigh 3 and 1 in turn.
  private static void checkDigit(String gtin) {
    if (!gtin.matches("\\d{14}")) {
      throw new IllegalArgumentException("item number (01) is '" + gtin + "'; it has 14 digits");
    }
    int sum = 0;
    for (int i = 0; i < 13; i++) sum += (gtin.charAt(i) - '0') * (i % 2 == 0 ? 3 : 1);
    if ((10 - sum % 10) % 10 != gtin.charAt(13) - '0') {
      throw new IllegalArgumentException(
          "item number (01) is '" + gtin + "'; its check digit is wrong: scan again");
    }
  }
}
