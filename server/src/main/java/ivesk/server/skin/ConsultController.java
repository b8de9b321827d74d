package ivesk.server.skin;

import ivesk.core.skin.Condition;
import ivesk.core.skin.LookFinding;
import ivesk.core.skin.Phototype;
import ivesk.core.skin.PhototypeQuestionnaire;
import ivesk.core.skin.Zone;
import ivesk.server.app.Audit;
import ivesk.server.treatment.Treatments;
import ivesk.server.visit.VisitStore;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ConsultController {
  private final ConsultStore consults;
  private final VisitStore visits;
  private final Treatments treatments;
  private final Audit audit;

  ConsultController(ConsultStore consults, VisitStore visits, Treatments treatments, Audit audit) {
    this.consults = consults;
    this.visits = visits;
    this.treatments = treatments;
    this.audit = audit;
  }

  /// @param total of the questionnaire so far, 0 to 40
  /// @param typeByTotal what the total means once all ten are answered
  record ConsultView(
      Consult consult,
      int version,
      int total,
      boolean complete,
      Optional<Phototype> typeByTotal,
      Optional<Phototype> phototype,
      boolean look1,
      boolean look2) {
    static ConsultView of(ConsultStore.Saved saved) {
      Consult consult = saved.consult();
      int total = PhototypeQuestionnaire.total(consult.phototypeScores());
      boolean complete = PhototypeQuestionnaire.complete(consult.phototypeScores());
      return new ConsultView(
          consult,
          saved.version(),
          total,
          complete,
          complete ? Optional.of(PhototypeQuestionnaire.type(total)) : Optional.empty(),
          consult.phototype(),
          consult.looked(1),
          consult.looked(2));
    }
  }

  record ConsultChange(Consult consult, int version) {}

  record ConditionWords(Condition id, String label) {}

  record ZoneWords(Zone id, String label, boolean onFace) {}

  record LookWords(LookFinding id, int look, String label) {}

  /// The words of the consult, which never change between releases.
  record ConsultWords(
      List<PhototypeQuestionnaire.Item> phototypeItems,
      List<ConditionWords> conditions,
      List<ZoneWords> zones,
      List<LookWords> findings) {}

  @GetMapping("/words/consult")
  ConsultWords words() {
    return new ConsultWords(
        PhototypeQuestionnaire.ITEMS,
        Arrays.stream(Condition.values()).map(c -> new ConditionWords(c, c.label())).toList(),
        Arrays.stream(Zone.values()).map(z -> new ZoneWords(z, z.label(), z.onFace())).toList(),
        Arrays.stream(LookFinding.values())
            .map(f -> new LookWords(f, f.look(), f.label()))
            .toList());
  }

  @GetMapping("/visits/{id}/consult")
  ConsultView consult(@PathVariable UUID id) {
    visits.get(id);
    return ConsultView.of(consults.of(id));
  }

  @PutMapping("/visits/{id}/consult")
  @Transactional
  ConsultView save(@PathVariable UUID id, @RequestBody ConsultChange change, Principal who) {
    visits.get(id);
    treatments.requireUnsigned(id);
    ConsultStore.Saved saved = consults.save(id, change.consult(), change.version(), who.getName());
    audit.note(who.getName(), "save consult", id);
    return ConsultView.of(saved);
  }
}
