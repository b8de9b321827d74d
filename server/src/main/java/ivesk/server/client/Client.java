package ivesk.server.client;

import ivesk.core.Language;
import ivesk.core.Require;
import ivesk.core.plan.script.Comfort;
import ivesk.core.screening.answer.Allergies;
import java.text.Normalizer;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/// @param sun work outdoors, sun habit, sunbed; free text
/// @param heightCm 50 to 250, empty when unknown
/// @param weightKg 10 to 350, empty when unknown
/// @param allergies as told, free text
/// @param comforts what the couch must respect, as steps know it
/// @param comfort more of it, free text
/// @param language in which sheets are given
/// @param telephone as it is dialled; empty where none was given
/// @param mail an address for letters on screen; empty where none was given
/// @param archivedOn empty while the client comes
/// @param joinedInto the client whose chart holds what was this one's
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
    Set<Comfort> comforts,
    String comfort,
    String guardian,
    Language language,
    Optional<String> telephone,
    Optional<String> mail,
    Optional<LocalDate> archivedOn,
    Optional<UUID> joinedInto,
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
    telephone.ifPresent(number -> Require.telephone("telephone", number));
    mail.ifPresent(address -> Require.mail("mail", address));
    comforts = Collections.unmodifiableSortedSet(new TreeSet<>(comforts));
  }

  /// One who is new here, and of whom no more is known.
  public static Client named(
      UUID id, String name, LocalDate born, String occupation, String guardian, Language language) {
    return new Client(
        id,
        name,
        born,
        occupation,
        "",
        Optional.empty(),
        Optional.empty(),
        "",
        Set.of(),
        "",
        guardian,
        language,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        1);
  }

  /// All that the couch must respect, in words.
  public String respected() {
    return Stream.concat(comforts.stream().map(Comfort::label), Stream.of(comfort))
        .filter(words -> !words.isBlank())
        .collect(Collectors.joining(", "));
  }

  /// With something more that this client reacts to; the same where it is told already.
  public Client allergicTo(String more) {
    List<String> all = new ArrayList<>(entries(allergies));
    for (String one : entries(more)) {
      if (all.stream().noneMatch(told -> searchable(told).equals(searchable(one)))) all.add(one);
    }
    return respecting(String.join("; ", all), comforts);
  }

  private static List<String> entries(String told) {
    return Arrays.stream(told.split(";")).map(String::strip).filter(one -> !one.isEmpty()).toList();
  }

  /// How this client is reached, where nothing is known yet.
  public Client reachedAlso(Optional<String> number, Optional<String> address) {
    return reached(telephone.or(() -> number), mail.or(() -> address));
  }

  public Client reached(Optional<String> number, Optional<String> address) {
    return with(allergies, comforts, number, address);
  }

  public Client allergicOnlyTo(String told) {
    return respecting(told, comforts);
  }

  public Client comfortedBy(Set<Comfort> asked) {
    return respecting(allergies, asked);
  }

  private Client respecting(String told, Set<Comfort> asked) {
    return with(told, asked, telephone, mail);
  }

  private Client with(
      String told, Set<Comfort> asked, Optional<String> number, Optional<String> address) {
    return new Client(
        id,
        name,
        dateOfBirth,
        occupation,
        sun,
        heightCm,
        weightKg,
        told,
        asked,
        comfort,
        guardian,
        language,
        number,
        address,
        archivedOn,
        joinedInto,
        version);
  }

  /// What a screen shows that others may see.
  public String firstName() {
    return name.split(" ", 2)[0];
  }

  /// Full years on a day.
  public int ageOn(LocalDate day) {
    return Period.between(dateOfBirth, day).getYears();
  }

  public boolean latexAllergy() {
    return Allergies.of(allergies).latex();
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
