package ivesk.server.client;

import ivesk.core.Require;
import java.text.Normalizer;
import java.time.LocalDate;
import java.time.Period;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/// @param sun work outdoors, sun habit, sunbed; free text
/// @param heightCm 50 to 250, empty when unknown
/// @param weightKg 10 to 350, empty when unknown
/// @param allergies as told, free text
/// @param comfort what the couch must respect, free text
/// @param archivedOn empty while the client comes
/// @param version counts the changes
public record Client(
    UUID id,
    String name,
    LocalDate dateOfBirth,
    String occupation,
    String sun,
    Optional<Double> heightCm,
    Optional<Double> weightKg,
    String allergies,
    String comfort,
    String guardian,
    Optional<LocalDate> archivedOn,
    int version) {

  public Client {
    Require.text("name", name, 120);
    heightCm.ifPresent(cm -> Require.range("height, cm", cm, 50, 250));
    weightKg.ifPresent(kg -> Require.range("weight, kg", kg, 10, 350));
    Require.atMost("occupation", occupation, 120);
    Require.atMost("sun", sun, 200);
    Require.atMost("allergies", allergies, 400);
    Require.atMost("comfort notes", comfort, 400);
    Require.atMost("guardian", guardian, 120);
  }

  /// Full years on a day.
  public int ageOn(LocalDate day) {
    return Period.between(dateOfBirth, day).getYears();
  }

  public boolean latexAllergy() {
    return searchable(allergies).contains("latex");
  }

  /// In lower case and without accents, as names are looked for.
  static String searchable(String words) {
    return Normalizer.normalize(words, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .toLowerCase(Locale.ROOT)
        .replace("ø", "o")
        .replace("ł", "l")
        .replace("đ", "d")
        .replace("ß", "ss")
        .replace("æ", "ae")
        .replace("œ", "oe")
        .strip();
  }
}
