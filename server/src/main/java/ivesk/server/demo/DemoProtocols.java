package ivesk.server.demo;

import ivesk.core.plan.script.Act;
import ivesk.core.plan.script.Protocol;
import ivesk.core.plan.script.Step;
import ivesk.core.plan.script.StepGate;
import ivesk.core.plan.script.StepKind;
import ivesk.core.plan.script.What;
import ivesk.core.product.Role;
import ivesk.core.product.Timing;
import ivesk.core.skin.Region;
import ivesk.server.plan.ProtocolService;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/// Three made-up sheets: a layered acid with booster and mask, to which two things are objected; an
/// enzyme sandwich; a back peel with extraction, which the practice's policy shuts.
@Component
@Profile("demo")
class DemoProtocols {
  private final ProtocolService protocols;

  DemoProtocols(ProtocolService protocols) {
    this.protocols = protocols;
  }

  void write(String who) {
    keep("5d8f7c10-0000-4000-8000-000000000001", layeredAcid(), who);
    keep("5d8f7c10-0000-4000-8000-000000000002", enzymeSandwich(), who);
    keep("5d8f7c10-0000-4000-8000-000000000003", backWithExtraction(), who);
  }

  private void keep(String id, Protocol protocol, String who) {
    protocols.keep(UUID.fromString(id), protocol, 0, who);
  }

  private static Protocol layeredAcid() {
    Sheet sheet = new Sheet();
    sheet.act(Act.LOOK_1);
    sheet.use(Role.MAKE_UP_REMOVER, "REMOVER", 1);
    sheet.use(Role.CLEANSER, "CLEANSER", 2);
    sheet.act(Act.LOOK_2);
    sheet.add(sheet.product(Role.ACID_PREP, "ACID-PREP", 2).with(Timing.seconds(40)));
    sheet.use(Role.BARRIER, "BARRIER", 2);
    sheet.act(Act.EYE_PADS);
    sheet.peel("LAC-30", 120, 2.7);
    sheet.use(Role.NEUTRALISER, "BICARB-10", 18);
    sheet.act(Act.ASK_TO_REST);
    sheet.add(
        sheet
            .product(Role.MASK, "MASK-SET", 100)
            .with(Timing.seconds(720))
            .with(StepGate.C)
            .saying("It will feel warm as it sets. Squeeze my hand to stop."));
    sheet.use(Role.SERUM, "SERUM", 6);
    sheet.use(Role.MOISTURISER, "CREAM", 2);
    sheet.use(Role.SUNSCREEN, "SUNSCREEN", 3);
    sheet.act(Act.LEAVING_CHECK);
    return sheet.protocol("Layered acid with booster and mask", Region.FACE);
  }

  private static Protocol enzymeSandwich() {
    Sheet sheet = new Sheet();
    sheet.act(Act.LOOK_1);
    sheet.use(Role.CLEANSER, "CLEANSER", 2);
    sheet.act(Act.LOOK_2);
    sheet.act(Act.PLAIN_WIPE);
    sheet.use(Role.BARRIER, "BARRIER", 2);
    sheet.act(Act.EYE_PADS);
    sheet.peel("ENZ-P", 300, 4);
    sheet.act(Act.COOL_RINSE);
    sheet.act(Act.ASK_TO_REST);
    sheet.add(sheet.product(Role.MASK, "MASK", 15).with(Timing.seconds(480)).with(StepGate.C));
    sheet.add(
        Step.of(sheet.next(), StepKind.ACID, new What.Peel("ENZ-P"))
            .with(Timing.seconds(180))
            .amount(3)
            .with(StepGate.B));
    sheet.act(Act.COOL_RINSE);
    sheet.act(Act.ASK_TO_REST);
    sheet.use(Role.MOISTURISER, "CREAM", 2);
    sheet.use(Role.SUNSCREEN, "SUNSCREEN", 3);
    sheet.act(Act.LEAVING_CHECK);
    return sheet.protocol("Enzyme sandwich", Region.FACE);
  }

  private static Protocol backWithExtraction() {
    Sheet sheet = new Sheet();
    sheet.act(Act.LOOK_1);
    sheet.use(Role.CLEANSER, "CLEANSER", 4);
    sheet.act(Act.LOOK_2);
    sheet.use(Role.SOLVENT_WIPE, "SOLVENT", 3);
    sheet.peel("GLY-20", 120, 9);
    sheet.use(Role.NEUTRALISER, "BICARB-10", 45);
    sheet.act(Act.ASK_TO_REST);
    sheet.add(Step.of(sheet.next(), Act.EXTRACTION).with(Timing.seconds(600)).with(StepGate.C));
    sheet.use(Role.TONER, "TONER", 4);
    sheet.use(Role.MOISTURISER, "CREAM", 4);
    sheet.use(Role.SUNSCREEN, "SUNSCREEN", 6);
    sheet.act(Act.LEAVING_CHECK);
    return sheet.protocol("Back with extraction", Region.BACK);
  }

  /// A sheet as it is written, line after line.
  private static final class Sheet {
    private final List<Step> steps = new ArrayList<>();

    private String next() {
      return "s" + (steps.size() + 1);
    }

    private void add(Step step) {
      steps.add(step);
    }

    private void act(Act act) {
      add(Step.of(next(), act));
    }

    private Step product(Role role, String code, double units) {
      return Step.of(next(), StepKind.of(role), new What.Use(code)).amount(units);
    }

    private void use(Role role, String code, double units) {
      add(product(role, code, units));
    }

    private void peel(String code, int seconds, double ml) {
      add(
          Step.of(next(), StepKind.ACID, new What.Peel(code))
              .with(Timing.seconds(seconds))
              .amount(ml)
              .with(StepGate.A));
    }

    private Protocol protocol(String name, Region region) {
      return new Protocol(name, region, steps);
    }
  }
}
