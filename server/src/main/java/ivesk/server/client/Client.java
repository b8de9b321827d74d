package ivesk.server.client;

import ivesk.core.Require;
import java.time.LocalDate;
import java.time.Period;
import java.util.Optional;
import java.util.UUID;

/// @param heightCm 50 to 250, empty when unknown
/// @param weightKg 10 to 350, empty when unknown
/// @param allergies as told, free text
/// @param comfort what the couch must respect, free text
public record Client(
    UUID id,
    String name,
    LocalDate dateOfBirth,
    String occupation,
    Optional<Double> heightCm,
    Optional<Double> weightKg,
    String allergies,
    String comfort,
    String guardian) {

  public Client {
    Require.text("name", name, 120);
    heightCm.ifPresent(cm -> Require.range("height, cm", cm, 50, 250));
    weightKg.ifPresent(kg -> Require.range("weight, kg", kg, 10, 350));
    atMost("occupation", occupation, 120);
    atMost("allergies", allergies, 400);
    atMost("comfort notes", comfort, 400);
    atMost("guardian", guardian, 120);
  }

  /// Full years on a day.
  public int ageOn(LocalDate day) {
    return Period.between(dateOfBirth, day).getYears();
  }

  public boolean latexAllergy() {
    return allergies.toLowerCase(java.util.Locale.ROOT).contains("latex");
  }

  private static void atMost(String field, String value, int most) {
    if (value.length() > most) {
      throw new IllegalArgumentException(
          field + " has " + value.length() + " letters; allowed are " + most);
    }
  }
}
