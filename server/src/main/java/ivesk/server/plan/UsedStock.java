package ivesk.server.plan;

import ivesk.core.plan.script.Run;
import ivesk.core.plan.script.Script.Line;
import ivesk.core.plan.stage.Trolley;
import ivesk.server.product.CatalogueService;
import ivesk.server.visit.PeelSigned;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/// Takes the products of a visit off their packs when it is signed, as they were planned. Bottles
/// of peels are taken from by what went on the skin.
@Component
class UsedStock {
  private final PlanMaker plans;
  private final CatalogueService catalogue;

  UsedStock(PlanMaker plans, CatalogueService catalogue) {
    this.plans = plans;
    this.catalogue = catalogue;
  }

  @EventListener
  void takeOff(PeelSigned signed) {
    plans
        .planned(signed.visitId())
        .ifPresent(planned -> {
          Map<String, Double> used = new LinkedHashMap<>();
          for (Run run : planned.judged()) {
            for (Line line : run.script().lines()) {
              line.product()
                  .ifPresent(product ->
                      used.merge(product.code(), Trolley.units(line, product), Double::sum));
            }
          }
          used.forEach((code, units) -> catalogue.use(code, units, signed.day(), signed.who()));
        });
  }
}
