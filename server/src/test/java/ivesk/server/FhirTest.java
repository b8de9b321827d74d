package ivesk.server;

import static org.assertj.core.api.Assertions.assertThat;

import ca.uhn.fhir.context.FhirContext;
import ca.uhn.fhir.context.support.DefaultProfileValidationSupport;
import ca.uhn.fhir.validation.FhirValidator;
import ca.uhn.fhir.validation.ResultSeverityEnum;
import ca.uhn.fhir.validation.ValidationResult;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.hl7.fhir.common.hapi.validation.support.CommonCodeSystemsTerminologyService;
import org.hl7.fhir.common.hapi.validation.support.InMemoryTerminologyServerValidationSupport;
import org.hl7.fhir.common.hapi.validation.support.ValidationSupportChain;
import org.hl7.fhir.common.hapi.validation.validator.FhirInstanceValidator;
import org.hl7.fhir.r4.model.Bundle;
import org.hl7.fhir.r4.model.Observation;
import org.hl7.fhir.r4.model.Patient;
import org.hl7.fhir.r4.model.Procedure;
import org.hl7.fhir.r4.model.Resource;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/// Bundles of the demo's clients against HL7 FHIR R4, by HAPI FHIR and the definitions it carries.
class FhirTest {
  private static Practice practice;

  @BeforeAll
  static void open() {
    practice = Practice.open();
    practice.signIn("ines", "harbour");
  }

  @AfterAll
  static void close() {
    practice.close();
  }

  static FhirValidator validator(FhirContext r4) {
    ValidationSupportChain support =
        new ValidationSupportChain(
            new DefaultProfileValidationSupport(r4),
            new CommonCodeSystemsTerminologyService(r4),
            new InMemoryTerminologyServerValidationSupport(r4));
    FhirInstanceValidator instance = new FhirInstanceValidator(support);
    instance.setAnyExtensionsAllowed(false);
    return r4.newValidator().registerValidatorModule(instance);
  }

  /// What is wrong with a bundle, each with its place.
  static List<String> wrong(ValidationResult result) {
    return result.getMessages().stream()
        .filter(one -> one.getSeverity().compareTo(ResultSeverityEnum.ERROR) >= 0)
        .map(one -> one.getLocationString() + ": " + one.getMessage())
        .toList();
  }

  @Test
  void everyClientIsAValidBundle() {
    FhirContext r4 = FhirContext.forR4();
    FhirValidator validator = validator(r4);
    String empty =
        """
        {"resourceType":"Bundle","type":"collection","entry":[
          {"fullUrl":"urn:uuid:0b0cf64a-7b9f-4b0a-8c64-0a9d7c1f1f01",
           "resource":{"resourceType":"Observation"}}]}\
        """;
    assertThat(validator.validateWithResult(empty).isSuccessful())
        .as("it sees what is wrong")
        .isFalse();
    course("Sunniva Brekke");
    Set<String> kinds = new TreeSet<>();
    Set<String> units = new TreeSet<>();
    Set<String> performers = new TreeSet<>();
    for (JsonNode client : practice.get("/api/clients").body().get("clients")) {
      String file = practice.text("/api/clients/" + client.get("id").asString() + "/fhir");
      Bundle bundle = r4.newJsonParser().parseResource(Bundle.class, file);
      ValidationResult result = validator.validateWithResult(bundle);
      assertThat(wrong(result)).as(client.get("name").asString()).isEmpty();
      bundle.getEntry().forEach(entry -> kinds.add(entry.getResource().fhirType()));
      Patient patient = (Patient) bundle.getEntryFirstRep().getResource();
      assertThat(patient.getNameFirstRep().getText()).isEqualTo(client.get("name").asString());
      assertThat(patient.getTelecomFirstRep().getValue())
          .isEqualTo(client.get("telephone").asString());
      units.addAll(units(bundle));
      performers.addAll(performers(bundle));
    }
    assertThat(units).containsExactly("http://unitsofmeasure.org {score}");
    assertThat(performers).contains("Ines Kov").doesNotContain("", "ines");
    assertThat(kinds)
        .containsExactlyInAnyOrder(
            "Patient",
            "AllergyIntolerance",
            "Condition",
            "Procedure",
            "Observation",
            "CarePlan",
            "Consent",
            "MedicationStatement");
  }

  private static List<String> units(Bundle bundle) {
    return of(bundle, Observation.class)
        .filter(Observation::hasValueQuantity)
        .map(one -> one.getValueQuantity().getSystem() + " " + one.getValueQuantity().getCode())
        .toList();
  }

  private static List<String> performers(Bundle bundle) {
    return Stream.concat(
            of(bundle, Procedure.class)
                .map(one -> one.getPerformerFirstRep().getActor().getDisplay()),
            of(bundle, Observation.class)
                .filter(Observation::hasValueQuantity)
                .map(one -> one.getPerformerFirstRep().getDisplay()))
        .toList();
  }

  private static <T extends Resource> Stream<T> of(Bundle bundle, Class<T> kind) {
    return bundle.getEntry().stream()
        .map(Bundle.BundleEntryComponent::getResource)
        .filter(kind::isInstance)
        .map(kind::cast);
  }

  private static void course(String name) {
    String id = practice.client(name);
    String at = "/api/clients/" + id + "/courses";
    JsonNode proposal = practice.get(at).body().get("proposal");
    assertThat(LocalDate.parse(proposal.get("first").asString()))
        .isAfter(LocalDate.now(ZoneOffset.UTC));
    practice.post(at, proposal.toString());
  }
}
