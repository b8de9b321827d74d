package ivesk.server.formula;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.core.formula.ChargeBalance;
import ivesk.core.formula.Component;
import ivesk.core.formula.Dilution;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.FromParts;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Permeability;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.core.quantity.Area;
import ivesk.core.quantity.Density;
import ivesk.core.quantity.MolarMass;
import ivesk.core.quantity.Molarity;
import ivesk.core.quantity.Ph;
import ivesk.core.quantity.Volume;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.formula.BenchWire.AlligationAnswer;
import ivesk.server.formula.BenchWire.AlligationFacts;
import ivesk.server.formula.BenchWire.BenchFormula;
import ivesk.server.formula.BenchWire.BenchSubstance;
import ivesk.server.formula.BenchWire.BenchWords;
import ivesk.server.formula.BenchWire.DilutionAnswer;
import ivesk.server.formula.BenchWire.DilutionFacts;
import ivesk.server.formula.BenchWire.DoseAnswer;
import ivesk.server.formula.BenchWire.DoseFacts;
import ivesk.server.formula.BenchWire.FreeAcidAnswer;
import ivesk.server.formula.BenchWire.LabelFacts;
import ivesk.server.formula.BenchWire.MixtureAnswer;
import ivesk.server.formula.BenchWire.MixtureFacts;
import ivesk.server.formula.BenchWire.NeutraliserAnswer;
import ivesk.server.formula.BenchWire.NeutraliserFacts;
import ivesk.server.formula.BenchWire.PartsAnswer;
import ivesk.server.formula.BenchWire.PartsFacts;
import ivesk.server.formula.BenchWire.PermeabilityAnswer;
import ivesk.server.formula.BenchWire.PermeabilityFacts;
import ivesk.server.formula.BenchWire.PhAnswer;
import ivesk.server.formula.BenchWire.PhFacts;
import ivesk.server.formula.BenchWire.SerialAnswer;
import ivesk.server.formula.BenchWire.SerialFacts;
import ivesk.server.formula.BenchWire.StrengthAnswer;
import ivesk.server.formula.BenchWire.StrengthFacts;
import ivesk.server.formula.BenchWire.Weighed;
import ivesk.server.practice.PracticeStore;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Each calculation with the formula behind it, numbers put in, and where it comes from.
@May(Right.KNOW)
@RestController
@StatelessQuestion
@RequestMapping("/api/bench")
class BenchController {
  private final ShelfService shelf;
  private final PracticeStore practice;

  BenchController(ShelfService shelf, PracticeStore practice) {
    this.shelf = shelf;
    this.practice = practice;
  }

  @GetMapping
  BenchWords words() {
    return new BenchWords(
        Arrays.stream(Substance.values())
            .filter(substance -> substance.molarMass().isPresent())
            .map(substance ->
                new BenchSubstance(
                    substance,
                    substance.label(),
                    substance.molar().gPerMol(),
                    substance.pKas(),
                    substance.logKow().isPresent()))
            .toList(),
        shelf.shelf().formulas().stream()
            .filter(formula -> formula.components().stream().anyMatch(c -> c.substance().acid()))
            .map(formula ->
                new BenchFormula(
                    formula.code(),
                    formula.name(),
                    formula.components().stream().filter(c -> c.substance().acid()).toList(),
                    formula.ph(),
                    formula.label().bufferedInWater(),
                    formula.aboveSalonFigure()))
            .toList(),
        practice.policies().chose(Policies.Choice.MAY_DILUTE_AND_MIX),
        FromParts.JESSNER.stream().map(Weighed::of).toList());
  }

  @PostMapping("/free-acid")
  FreeAcidAnswer freeAcid(@RequestBody LabelFacts label) {
    Component component = Component.of(label.substance(), label.strengthPercentWv());
    double percent = component.strength().percent();
    Ph ph = Ph.of(label.ph());
    double share = FreeAcid.fraction(component.substance(), ph);
    List<Double> pKas = component.substance().pKas();
    String working =
        pKas.isEmpty()
            ? Words.fill(
                "%s is no acid: all of it is there as it is", component.substance().label())
            : pKas.size() == 1
                ? Words.fill(
                    "%.1f / (1 + 10^(%.2f − %.2f)) = %.1f × %.3f",
                    percent, ph.value(), pKas.getFirst(), percent, share)
                : Words.fill(
                    "%.1f × [H]^%d / Σ, pKa %s = %.1f × %.3f",
                    percent, pKas.size(), pKas, percent, share);
    return new FreeAcidAnswer(
        percent * share,
        share,
        IntStream.rangeClosed(0, 70)
            .mapToObj(tenth -> FreeAcid.fraction(component.substance(), Ph.of(tenth / 10.0)))
            .toList(),
        Formula.aboveSalonFigure(List.of(component), Optional.of(ph)),
        working,
        "pKa at 25 °C, CRC Handbook, from memory. Ideal solution: above 0.1 mol/L trust a meter.");
  }

  @PostMapping("/dilution")
  DilutionAnswer dilution(@RequestBody DilutionFacts facts) {
    Dilution.Measure measure =
        Dilution.dilute(
            stock(facts.stockPercent()),
            percent("strength wanted", facts.targetPercent()),
            made(facts.finalMl()));
    return new DilutionAnswer(
        measure.volume().ml(),
        measure.made().ml(),
        Words.fill(
            "%.1f mL × %.1f %% / %.1f %% = %.1f mL, made up to %.1f mL",
            measure.made().ml(),
            measure.strength().percent(),
            measure.stock().percent(),
            measure.volume().ml(),
            measure.made().ml()));
  }

  /// Percents of one tool are taken as one convention; % w/v stands for any.
  private static Strength percent(String field, double percent) {
    return Strength.of(field, percent, Convention.WV);
  }

  private static Strength stock(double percent) {
    return percent("strength of the stock", percent);
  }

  private static Volume made(double ml) {
    return Volume.ml("final volume", ml);
  }

  @PostMapping("/serial")
  SerialAnswer serial(@RequestBody SerialFacts facts) {
    List<Dilution.Measure> steps =
        Dilution.serial(
            stock(facts.stockPercent()), facts.factor(), facts.steps(), made(facts.finalMl()));
    return new SerialAnswer(
        steps,
        Words.fill(
            "%.1f %% / %.2f^%d = %.3f %%",
            facts.stockPercent(),
            facts.factor(),
            facts.steps(),
            steps.getLast().strength().percent()));
  }

  @PostMapping("/mixture")
  MixtureAnswer mixture(@RequestBody MixtureFacts facts) {
    double holds =
        Dilution.mixed(
                percent("strength of the first", facts.onePercent()),
                Volume.ml("volume of the first", facts.oneMl()),
                percent("strength of the second", facts.otherPercent()),
                Volume.ml("volume of the second", facts.otherMl()))
            .percent();
    Require.range("strength on the label, %", facts.printedPercent(), 0.1, 100);
    return new MixtureAnswer(
        holds,
        (holds / facts.printedPercent() - 1) * 100,
        Words.fill(
            "(%.1f %% × %.1f mL + %.1f %% × %.1f mL) / %.1f mL = %.1f %%",
            facts.onePercent(),
            facts.oneMl(),
            facts.otherPercent(),
            facts.otherMl(),
            facts.oneMl() + facts.otherMl(),
            holds));
  }

  @PostMapping("/alligation")
  AlligationAnswer alligation(@RequestBody AlligationFacts facts) {
    Dilution.Mix mix =
        Dilution.alligate(
            percent("the stronger", facts.strongPercent()),
            percent("the weaker", facts.weakPercent()),
            percent("strength wanted", facts.targetPercent()),
            made(facts.finalMl()));
    return new AlligationAnswer(
        mix.strong().ml(),
        mix.weak().ml(),
        Words.fill(
            "%.1f × (%.1f − %.1f) / (%.1f − %.1f) = %.1f mL of the stronger",
            facts.finalMl(),
            facts.targetPercent(),
            facts.weakPercent(),
            facts.strongPercent(),
            facts.weakPercent(),
            mix.strong().ml()));
  }

  @PostMapping("/neutraliser")
  NeutraliserAnswer neutraliser(@RequestBody NeutraliserFacts facts) {
    Neutraliser needed =
        Neutraliser.of(
            facts.components(),
            facts.bufferedPh().map(ph -> baseIn(facts.components(), ph)).orElse(Molarity.NONE),
            Volume.ml(facts.volumeMl()),
            facts.base(),
            percent("strength of the neutraliser", facts.basePercentWv()));
    return new NeutraliserAnswer(
        NeutraliserView.of(needed),
        Words.fill(
            "%.2f mmol of protons × %.2f g/mol = %.3f g %s = %.1f mL at %.1f %%",
            needed.protons().mmol(),
            facts.base().molarMass().gPerMol(),
            needed.base().g(),
            facts.base().label(),
            needed.volume().ml(),
            facts.basePercentWv()));
  }

  private static Molarity baseIn(List<Component> components, double ph) {
    return ChargeBalance.base(ChargeBalance.acids(components), Ph.of(ph));
  }

  @PostMapping("/dose")
  DoseAnswer dose(@RequestBody DoseFacts facts) {
    Require.range("layers", facts.layers(), 1, 9);
    Require.range("volume, mL", facts.volumeMl(), 0, 500);
    Dose dose =
        Dose.of(
                percent("strength", facts.percentWv()),
                Volume.ml(facts.volumeMl()),
                Area.cm2(facts.areaCm2()))
            .times(facts.layers());
    return new DoseAnswer(
        dose.mgPerCm2(),
        Words.fill(
            "%.1f %% × %.1f mL × 10 / %.0f cm² × %d = %.2f mg/cm²",
            facts.percentWv(), facts.volumeMl(), facts.areaCm2(), facts.layers(), dose.mgPerCm2()));
  }

  @PostMapping("/strength")
  StrengthAnswer strength(@RequestBody StrengthFacts facts) {
    Strength strength =
        Strength.of("strength", facts.percent(), facts.convention())
            .toWv(new Density(facts.densityGPerMl()));
    double wv = strength.percent();
    String first =
        facts.convention() == Convention.WV
            ? Words.fill("%.1f %% w/v", wv)
            : Words.fill(
                "%.1f %s × %.2f g/mL = %.1f %% w/v",
                facts.percent(), facts.convention().label(), facts.densityGPerMl(), wv);
    MolarMass molarMass = facts.substance().molar();
    double molar = strength.molarity(molarMass).molPerL();
    return new StrengthAnswer(
        wv,
        molar,
        first + Words.fill("; 10 × %.1f / %.2f = %.3f mol/L", wv, molarMass.gPerMol(), molar));
  }

  @PostMapping("/ph")
  PhAnswer ph(@RequestBody PhFacts facts) {
    List<ChargeBalance.Acid> acids = ChargeBalance.acids(facts.components());
    double ph = ChargeBalance.ph(acids, Molarity.of("base", facts.baseMolar())).value();
    double molar = acids.stream().mapToDouble(acid -> acid.molarity().molPerL()).sum();
    return new PhAnswer(
        ph,
        Words.fill(
            "[H⁺] + %.3f = Σ acid anions of %.3f mol/L + [OH⁻], at pH %.2f",
            facts.baseMolar(), molar, ph),
        "Exact charge balance at 25 °C, ideal solution"
            + (molar > 0.1 ? "; this is above 0.1 mol/L: trust a meter." : "."));
  }

  @PostMapping("/parts")
  PartsAnswer parts(@RequestBody PartsFacts facts) {
    List<FromParts.Made> made =
        FromParts.make(facts.parts().stream().map(Weighed::part).toList(), made(facts.finalMl()));
    return new PartsAnswer(
        made,
        String.join(
            "; ",
            facts.parts().stream()
                .map(part ->
                    Words.fill(
                        "%s %.2f g × %.0f %% / %.0f mL",
                        part.substance().label(),
                        part.grams(),
                        part.purityPercent(),
                        facts.finalMl()))
                .toList()));
  }

  @PostMapping("/permeability")
  PermeabilityAnswer permeability(@RequestBody PermeabilityFacts facts) {
    Substance substance = facts.substance();
    double kp =
        Permeability.of(substance)
            .orElseThrow(() ->
                new BadInput(
                    "substance",
                    "substance is "
                        + substance.label()
                        + ", of which no partition is given; allowed are those with one"))
            .cmPerHour();
    return new PermeabilityAnswer(
        kp,
        Words.fill(
            "10^(−2.80 + 0.66 × %.2f − 0.0056 × %.2f) = %.1e cm/h",
            substance.logKow().orElseThrow(), substance.molar().gPerMol(), kp),
        "US EPA RAGS Part E 2004, from memory; un-ionised, from water, whole skin.");
  }
}
