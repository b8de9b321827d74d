package ivesk.server.plan;

import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Setting;
import ivesk.core.plan.script.Step;
import ivesk.core.screening.answer.Allergies;
import ivesk.core.skin.Region;
import ivesk.core.skin.Zone;
import ivesk.server.client.Client;
import ivesk.server.client.ClientStore;
import ivesk.server.product.CatalogueService;
import ivesk.server.selection.SelectionService;
import ivesk.server.visit.VisitStore;
import ivesk.server.visit.VisitStore.Visit;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/// The scripts of visits, in the setting of their clients.
@Service
class ScriptService {
  private final SelectionService selection;
  private final CatalogueService catalogue;
  private final VisitStore visits;
  private final ClientStore clients;

  ScriptService(
      SelectionService selection,
      CatalogueService catalogue,
      VisitStore visits,
      ClientStore clients) {
    this.selection = selection;
    this.catalogue = catalogue;
    this.visits = visits;
    this.clients = clients;
  }

  /// The steps of one region.
  record Planned(Region region, List<Step> steps) {}

  /// What there is to say to the runs of a visit.
  Judged judge(UUID visitId, List<Planned> planned) {
    return judged(visitId, runs(visitId, planned));
  }

  private List<Run> runs(UUID visitId, List<Planned> planned) {
    return runs(settings(visitId), planned);
  }

  static List<Run> runs(Function<Region, Setting> settings, List<Planned> planned) {
    List<Run> runs = new ArrayList<>();
    for (Planned run : planned) {
      Setting setting = settings.apply(run.region());
      runs.add(new Run(setting.script(run.region(), run.steps()), setting, besides(settings, run)));
    }
    return runs;
  }

  /// Of other regions that a run names zones of.
  private static Map<Region, Setting> besides(Function<Region, Setting> settings, Planned run) {
    return run.steps().stream()
        .flatMap(step -> step.zones().stream())
        .map(Zone::region)
        .distinct()
        .filter(region -> region != run.region())
        .collect(Collectors.toMap(Function.identity(), settings));
  }

  /// The setting of each region of a visit, made once each.
  Function<Region, Setting> settings(UUID visitId) {
    Map<Region, Setting> made = new EnumMap<>(Region.class);
    return region -> made.computeIfAbsent(region, r -> setting(visitId, r));
  }

  Optional<Double> weightKg(UUID visitId) {
    return clients.get(visits.get(visitId).clientId()).weightKg();
  }

  Judged judged(UUID visitId, List<Run> runs) {
    Visit visit = visits.get(visitId);
    return Judged.of(
        runs,
        Optional.of(Duration.ofMinutes(visit.minutes())),
        clients.get(visit.clientId()).weightKg());
  }

  private Setting setting(UUID visitId, Region region) {
    Client client = clients.get(visits.get(visitId).clientId());
    return Setting.of(
        selection.facts(visitId, region),
        catalogue.catalogue(),
        Allergies.of(client.allergies()).told(),
        client.comforts());
  }
}
