package ivesk.server.records;

import ivesk.core.Language;
import ivesk.core.Require;
import ivesk.core.screening.answer.PeelOutcome;
import ivesk.core.skin.Region;
import ivesk.server.data.ArchiveFormat.BadLine;
import java.io.IOException;
import java.io.InputStream;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/// Reads what of an HL7 FHIR R4 bundle a chart can hold: the Patient, AllergyIntolerance, and each
/// Procedure that is a peel of a formula known by its code. All else is counted and left.
final class FhirReader {
  static final String FORMULA = "urn:ivesk:formula";
  static final String OUTCOME = "urn:ivesk:outcome";
  static final String REGION = "urn:ivesk:region";

  private static final int LONGEST = 20_000_000;

  /// @param id by which an Ivesk knows this client
  /// @param line where it stands in the file
  record Person(
      Optional<UUID> id,
      String name,
      LocalDate born,
      String guardian,
      Language language,
      Optional<String> telephone,
      Optional<String> mail,
      int line) {}

  /// @param line where it stands in the file
  record Peel(String formula, Region region, LocalDate on, PeelOutcome outcome, int line) {}

  /// @param left how many of each kind are not read, and why, in words
  record Read(Person person, List<String> allergies, List<Peel> peels, List<String> left) {}

  private final Map<String, Integer> left = new TreeMap<>();
  private final List<String> allergies = new ArrayList<>();
  private final List<Peel> peels = new ArrayList<>();
  private @Nullable Person person;

  private FhirReader() {}

  /// @throws BadLine with the line and the reason
  /// @throws IOException where the file does not come whole
  static Read read(InputStream file) throws BadLine, IOException {
    byte[] all = file.readNBytes(LONGEST + 1);
    if (all.length > LONGEST) throw BadLine.at(1, "the file is longer than 20 MB");
    FhirReader reader = new FhirReader();
    try (JsonParser json = JsonMapper.shared().createParser(all)) {
      reader.bundle(json);
    } catch (JacksonException e) {
      throw BadLine.noJson(e);
    }
    if (reader.person == null) throw BadLine.at(1, "the bundle has no Patient");
    return new Read(
        reader.person,
        List.copyOf(reader.allergies),
        List.copyOf(reader.peels),
        reader.left.entrySet().stream()
            .map(entry -> entry.getValue() + " × " + entry.getKey())
            .toList());
  }

  private void bundle(JsonParser json) throws BadLine {
    if (json.nextToken() != JsonToken.START_OBJECT) {
      throw BadLine.at(line(json), "a bundle begins with {");
    }
    boolean bundle = false;
    while (json.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = json.currentName();
      JsonToken value = json.nextToken();
      if (name.equals("resourceType")) {
        bundle = value == JsonToken.VALUE_STRING && json.getString().equals("Bundle");
      } else if (name.equals("entry") && value == JsonToken.START_ARRAY) {
        while (json.nextToken() == JsonToken.START_OBJECT) {
          int line = line(json);
          JsonNode entry = json.readValueAsTree();
          resource(entry.path("resource"), line);
        }
        if (json.currentToken() != JsonToken.END_ARRAY) {
          throw BadLine.at(line(json), "an entry is an object");
        }
      } else {
        json.skipChildren();
      }
    }
    if (json.nextToken() != null) throw BadLine.at(line(json), "the file goes on after its end");
    if (!bundle) throw BadLine.at(1, "its resourceType is not Bundle");
  }

  private static int line(JsonParser json) {
    return Math.max(1, json.currentTokenLocation().getLineNr());
  }

  private void resource(JsonNode resource, int line) throws BadLine {
    String type = resource.path("resourceType").asString("");
    switch (type) {
      case "Patient" -> {
        if (person != null) throw BadLine.at(line, "there is a second Patient; a chart is one's");
        person = person(resource, line);
      }
      case "AllergyIntolerance" -> {
        String words = words(resource.path("code"));
        if (words.isEmpty()) throw BadLine.at(line, "AllergyIntolerance.code has no words");
        allergies.add(words);
      }
      case "Procedure" -> procedure(resource, line);
      case "" -> throw BadLine.at(line, "an entry has no resourceType");
      default -> left.merge(type, 1, Integer::sum);
    }
  }

  /// The first of its kind that Ivesk can dial or write to.
  private static Optional<String> telecom(JsonNode patient, String system, Predicate<String> good) {
    return StreamSupport.stream(patient.path("telecom").spliterator(), false)
        .filter(one -> one.path("system").asString("").equals(system))
        .map(one -> one.path("value").asString("").strip())
        .filter(good)
        .findFirst();
  }

  private static Person person(JsonNode patient, int line) throws BadLine {
    JsonNode called = patient.path("name").path(0);
    String name = called.path("text").asString("").strip();
    if (name.isEmpty()) {
      name =
          StreamSupport.stream(called.path("given").spliterator(), false)
              .map(given -> given.asString(""))
              .collect(Collectors.joining(" "))
              .concat(" " + called.path("family").asString(""))
              .strip();
    }
    if (name.isEmpty()) throw BadLine.at(line, "Patient.name is missing");
    String language =
        patient
            .path("communication")
            .path(0)
            .path("language")
            .path("coding")
            .path(0)
            .path("code")
            .asString("");
    return new Person(
        id(patient.path("identifier").path(0).path("value").asString("")),
        name,
        date(patient.path("birthDate"), "Patient.birthDate", line),
        patient.path("contact").path(0).path("name").path("text").asString(""),
        Arrays.stream(Language.values())
            .filter(one -> language.startsWith(one.locale().getLanguage()))
            .findFirst()
            .orElse(Language.EN),
        telecom(patient, "phone", Require::isTelephone),
        telecom(patient, "email", Require::isMail),
        line);
  }

  private static Optional<UUID> id(String value) {
    try {
      return value.startsWith("urn:uuid:")
          ? Optional.of(UUID.fromString(value.substring("urn:uuid:".length())))
          : Optional.empty();
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  private void procedure(JsonNode procedure, int line) throws BadLine {
    Optional<String> formula = code(procedure.path("code"), FORMULA);
    if (formula.isEmpty()) {
      left.merge("Procedure without the code of a formula", 1, Integer::sum);
      return;
    }
    JsonNode when =
        procedure.has("performedPeriod")
            ? procedure.path("performedPeriod").path("start")
            : procedure.path("performedDateTime");
    peels.add(
        new Peel(
            formula.get(),
            one(
                Region.values(),
                code(procedure.path("bodySite").path(0), REGION),
                Region.FACE,
                "Procedure.bodySite",
                line),
            date(when, "Procedure.performedDateTime", line),
            one(
                PeelOutcome.values(),
                code(procedure.path("outcome"), OUTCOME),
                PeelOutcome.CUT_SHORT,
                "Procedure.outcome",
                line),
            line));
  }

  private static <E extends Enum<E>> E one(
      E[] all, Optional<String> code, E unsaid, String what, int line) throws BadLine {
    if (code.isEmpty()) return unsaid;
    return Arrays.stream(all)
        .filter(value -> value.name().equals(code.get()))
        .findFirst()
        .orElseThrow(() -> BadLine.at(line, what + " is '" + code.get() + "', which is not known"));
  }

  private static Optional<String> code(JsonNode concept, String system) {
    return StreamSupport.stream(concept.path("coding").spliterator(), false)
        .filter(coding -> coding.path("system").asString("").equals(system))
        .map(coding -> coding.path("code").asString(""))
        .findFirst();
  }

  private static String words(JsonNode concept) {
    String text = concept.path("text").asString("").strip();
    return text.isEmpty()
        ? concept.path("coding").path(0).path("display").asString("").strip()
        : text;
  }

  /// The day of a date or of an instant.
  private static LocalDate date(JsonNode node, String what, int line) throws BadLine {
    String words = node.asString("");
    try {
      return LocalDate.parse(words.length() > 10 ? words.substring(0, 10) : words);
    } catch (DateTimeException e) {
      throw BadLine.at(line, what + " is '" + words + "'; it is no day");
    }
  }
}
