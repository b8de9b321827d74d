package ivesk.server.records;

import ivesk.core.screening.answer.Consent;
import ivesk.core.screening.answer.PastPeel;
import ivesk.core.series.Scores.Line;
import ivesk.core.skin.Condition;
import ivesk.core.skin.HomeProduct;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.core.skin.Phototype;
import ivesk.server.client.Client;
import ivesk.server.series.CourseService.Planned;
import ivesk.server.series.ProgressService.Scored;
import ivesk.server.treatment.RecordedPeels.Recorded;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/// One client as an HL7 FHIR R4 bundle (a collection). What Ivesk knows has words and no code of a
/// system that it may not ship, so concepts are text; what R4 asks to be coded is coded by R4's own
/// lists, and a peel also by Ivesk's, so that another Ivesk reads it. Ids are made of the client
/// and of what an entry is about: made again they are the same.
final class FhirBundle {
  private static final String R4_LISTS = "http://terminology.hl7.org/CodeSystem/";

  /// The Unified Code for Units of Measure. A score has a unit of its own, in braces.
  private static final String UCUM = "http://unitsofmeasure.org";

  /// What a client uses at home that is a medicine.
  private static final Set<Active> MEDICINES =
      EnumSet.of(Active.PRESCRIBED_RETINOID, Active.CYTOSTATIC, Active.STEROID, Active.INHIBITOR);

  private final JsonMapper json = JsonMapper.shared();
  private final ObjectNode bundle = json.createObjectNode();
  private final ArrayNode entries;
  private final Client client;

  private FhirBundle(Client client, Instant now) {
    this.client = client;
    bundle.put("resourceType", "Bundle");
    bundle.put("type", "collection");
    bundle.put("timestamp", now.toString());
    this.entries = bundle.putArray("entry");
  }

  /// All of a client that a bundle holds.
  ///
  /// @param conditions grades 1 to 3
  /// @param goals in their order
  /// @param by who did each peel, by name, by its visit
  record Facts(
      Client client,
      Optional<Phototype> phototype,
      Map<Condition, Integer> conditions,
      List<Condition> goals,
      List<HomeProduct> products,
      List<Consent> consents,
      List<Recorded> peels,
      Map<UUID, String> by,
      List<Scored> scores,
      List<Planned> courses,
      LocalDate today) {}

  static byte[] of(Facts facts, Instant now) {
    FhirBundle all = new FhirBundle(facts.client(), now);
    all.patient();
    all.allergies();
    facts.conditions().entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(entry -> all.condition(entry.getKey(), entry.getValue()));
    facts.phototype().ifPresent(type -> all.phototype(type, facts.today()));
    facts.products().forEach(all::medication);
    facts.consents().forEach(consent -> all.consent(consent, facts.today()));
    facts.peels().forEach(peel -> all.procedure(peel, facts.by()));
    facts.scores().forEach(all::observations);
    facts.courses().forEach(course -> all.carePlan(course, facts.goals()));
    return all.json.writerWithDefaultPrettyPrinter().writeValueAsBytes(all.bundle);
  }

  private ObjectNode entry(String type, String about) {
    UUID id =
        UUID.nameUUIDFromBytes(
            (client.id() + " " + type + " " + about).getBytes(StandardCharsets.UTF_8));
    ObjectNode entry = entries.addObject();
    entry.put("fullUrl", "urn:uuid:" + id);
    ObjectNode resource = entry.putObject("resource");
    resource.put("resourceType", type);
    resource.put("id", id.toString());
    return resource;
  }

  private ObjectNode ofClient(String type, String about, String field) {
    ObjectNode resource = entry(type, about);
    resource.putObject(field).put("reference", "urn:uuid:" + patientId());
    return resource;
  }

  private UUID patientId() {
    return UUID.nameUUIDFromBytes(
        (client.id() + " Patient patient").getBytes(StandardCharsets.UTF_8));
  }

  private static void text(ObjectNode concept, String words) {
    concept.put("text", words);
  }

  private static void coded(ObjectNode concept, String list, String code) {
    own(concept, R4_LISTS + list, code);
  }

  private static void own(ObjectNode concept, String system, String code) {
    concept.putArray("coding").addObject().put("system", system).put("code", code);
  }

  private void patient() {
    ObjectNode patient = entry("Patient", "patient");
    patient
        .putArray("identifier")
        .addObject()
        .put("system", "urn:ietf:rfc:3986")
        .put("value", "urn:uuid:" + client.id());
    patient.put("active", client.archivedOn().isEmpty());
    patient.putArray("name").addObject().put("text", client.name());
    telecom(patient);
    patient.put("birthDate", client.dateOfBirth().toString());
    if (!client.guardian().isBlank()) {
      ObjectNode contact = patient.putArray("contact").addObject();
      coded(contact.putArray("relationship").addObject(), "v2-0131", "N");
      contact.putObject("name").put("text", client.guardian());
    }
    ObjectNode language =
        patient.putArray("communication").addObject().put("preferred", true).putObject("language");
    language
        .putArray("coding")
        .addObject()
        .put("system", "urn:ietf:bcp:47")
        .put("code", client.language().locale().getLanguage());
  }

  private void telecom(ObjectNode patient) {
    if (client.telephone().isEmpty() && client.mail().isEmpty()) return;
    ArrayNode all = patient.putArray("telecom");
    client
        .telephone()
        .ifPresent(number -> all.addObject().put("system", "phone").put("value", number));
    client
        .mail()
        .ifPresent(address -> all.addObject().put("system", "email").put("value", address));
  }

  private void allergies() {
    if (client.allergies().isBlank()) return;
    ObjectNode allergy = ofClient("AllergyIntolerance", "allergies", "patient");
    coded(allergy.putObject("clinicalStatus"), "allergyintolerance-clinical", "active");
    coded(
        allergy.putObject("verificationStatus"), "allergyintolerance-verification", "unconfirmed");
    text(allergy.putObject("code"), client.allergies());
  }

  private void condition(Condition found, int grade) {
    ObjectNode condition = ofClient("Condition", found.name(), "subject");
    coded(condition.putObject("clinicalStatus"), "condition-clinical", "active");
    text(condition.putObject("code"), found.label());
    text(condition.putObject("severity"), grade + " of 3");
  }

  private void medication(HomeProduct product) {
    if (product.actives().stream().noneMatch(MEDICINES::contains)) return;
    ObjectNode medication =
        ofClient("MedicationStatement", product.name() + product.since(), "subject");
    medication.put("status", "active");
    text(medication.putObject("medicationCodeableConcept"), product.name());
    if (product.since().isPresent() || product.lastUse().isPresent()) {
      ObjectNode period = medication.putObject("effectivePeriod");
      product.since().ifPresent(day -> period.put("start", day.toString()));
    }
  }

  private void consent(Consent given, LocalDate today) {
    ObjectNode consent = ofClient("Consent", given.family() + " " + given.signedOn(), "patient");
    boolean over =
        given.withdrawnOn().isPresent() || given.signedOn().plusMonths(12).isBefore(today);
    consent.put("status", over ? "inactive" : "active");
    coded(consent.putObject("scope"), "consentscope", "treatment");
    text(
        consent.putArray("category").addObject(),
        "consent to superficial peels with " + given.family().label());
    consent.put("dateTime", given.signedOn().toString());
    text(consent.putObject("policyRule"), "the practice's consent text");
    ObjectNode period = consent.putObject("provision").putObject("period");
    period.put("start", given.signedOn().toString());
    period.put(
        "end", given.withdrawnOn().orElseGet(() -> given.signedOn().plusMonths(12)).toString());
  }

  private void phototype(Phototype type, LocalDate on) {
    ObjectNode observation = ofClient("Observation", "phototype", "subject");
    observation.put("status", "final");
    text(observation.putObject("code"), "Fitzpatrick phototype");
    observation.put("effectiveDateTime", on.toString());
    text(observation.putObject("valueCodeableConcept"), "type " + type.name());
  }

  private void procedure(Recorded recorded, Map<UUID, String> by) {
    PastPeel peel = recorded.peel();
    ObjectNode procedure =
        ofClient(
            "Procedure",
            recorded.visitId() + " " + peel.formula().code() + " " + peel.region(),
            "subject");
    procedure.put("status", "completed");
    ObjectNode code = procedure.putObject("code");
    own(code, FhirReader.FORMULA, peel.formula().code());
    text(code, "chemical peel, " + peel.formula().name());
    procedure.put("performedDateTime", peel.on().toString());
    Optional.ofNullable(by.get(recorded.visitId()))
        .ifPresent(name ->
            procedure.putArray("performer").addObject().putObject("actor").put("display", name));
    ObjectNode site = procedure.putArray("bodySite").addObject();
    own(site, FhirReader.REGION, peel.region().name());
    text(site, peel.region().label());
    ObjectNode outcome = procedure.putObject("outcome");
    own(outcome, FhirReader.OUTCOME, peel.outcome().name());
    text(outcome, peel.outcome().label());
    ArrayNode notes = procedure.putArray("note");
    notes.addObject().put("text", peel.layers() + " layers, " + peel.contact().toSeconds() + " s");
    peel.worstSensation()
        .ifPresent(most -> notes.addObject().put("text", "strongest answer " + most + " of 10"));
  }

  private void observations(Scored scored) {
    for (Line line : Line.values()) {
      OptionalDouble value = scored.scores().value(line);
      if (value.isEmpty()) continue;
      ObjectNode observation = ofClient("Observation", line + " " + scored.on(), "subject");
      observation.put("status", "final");
      text(observation.putObject("code"), line.label());
      observation.put("effectiveDateTime", scored.on().toString());
      observation.putArray("performer").addObject().put("display", scored.by());
      boolean angle = line == Line.ITA;
      observation
          .putObject("valueQuantity")
          .put("value", Math.round(value.getAsDouble() * 1000) / 1000.0)
          .put("unit", angle ? "degrees" : "points of " + line.most())
          .put("system", UCUM)
          .put("code", angle ? "deg" : "{score}");
    }
  }

  private void carePlan(Planned course, List<Condition> goals) {
    ObjectNode plan = ofClient("CarePlan", course.id().toString(), "subject");
    plan.put("status", course.over() ? "completed" : course.paused() ? "on-hold" : "active");
    plan.put("intent", "plan");
    plan.put("title", "series of peels");
    Optional<Condition> goal = goals.stream().findFirst();
    goal.ifPresent(main -> plan.put("description", "for " + main.label()));
    ArrayNode activities = plan.putArray("activity");
    for (Planned.Day day : course.days()) {
      ObjectNode detail = activities.addObject().putObject("detail");
      detail.put("status", day.done() ? "completed" : day.skipped() ? "cancelled" : "scheduled");
      text(detail.putObject("code"), "chemical peel, " + day.formula());
      ObjectNode period = detail.putObject("scheduledPeriod");
      period.put("start", day.on().toString());
      period.put("end", day.on().toString());
    }
  }
}
