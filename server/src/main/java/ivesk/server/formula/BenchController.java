package ivesk.server.formula;

import ivesk.core.Require;
import ivesk.core.formula.ChargeBalance;
import ivesk.core.formula.Dilution;
import ivesk.core.formula.Dose;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Formula.Component;
import ivesk.core.formula.FreeAcid;
import ivesk.core.formula.FromParts;
import ivesk.core.formula.Neutraliser;
import ivesk.core.formula.Permeability;
import ivesk.core.formula.Strength;
import ivesk.core.formula.Strength.Convention;
import ivesk.core.formula.Substance;
import ivesk.core.practice.Policies;
import ivesk.server.practice.PracticeStore;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Each calculation with the formula behind it, numbers put in, and where it comes from.
@RestController
@RequestMapping("/api/bench")
class BenchController {
  private final ShelfService shelf;
  private final PracticeStore practice;

  BenchController(ShelfService shelf, PracticeStore practice) {
    this.shelf = shelf;
    this.practice = practice;
  }

  /// @param pKas empty for what is no acid
  record BenchSubstance(
      Substance id, String label, double molarMass, List<Double> pKas, boolean passesSkin) {}

  /// A formula of the shelf with one acid or more, to start from.
  ///
  /// @param bufferedInWater base already in it is taken off the neutraliser
  /// @param aboveSalonFigure of the safety panel for glycolic and lactic acid
  record BenchFormula(
      String code,
      String name,
      List<Component> components,
      Optional<Double> ph,
      boolean bufferedInWater,
      boolean aboveSalonFigure) {}

  /// @param mayMix whether the practice may dilute and mix; otherwise it checks labels
  /// @param jessner the classic per 100 mL
  record BenchWords(
      List<BenchSubstance> substances,
      List<BenchFormula> formulas,
      boolean mayMix,
      List<FromParts.Part> jessner) {}

  @GetMapping
  BenchWords words() {
    return new BenchWords(
        Arrays.stream(Substance.values())
            .filter(substance -> !Double.isNaN(substance.molarMass()))
            .map(substance ->
                new BenchSubstance(
                    substance,
                    substance.label(),
                    substance.molarMass(),
                    substance.pKas(),
                    !Double.isNaN(substance.logKow())))
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
        FromParts.JESSNER);
  }

  /// @param strengthPercentWv 0 to 100
  /// @param ph 0 to 14
  record LabelFacts(Substance substance, double strengthPercentWv, double ph) {}

  /// @param curve share that is free at pH 0 to 7, every 0.1
  /// @param aboveSalonFigure of the safety panel for glycolic and lactic acid
  record FreeAcidAnswer(
      double freePercentWv,
      double share,
      List<Double> curve,
      boolean aboveSalonFigure,
      String working,
      String source) {}

  @PostMapping("/free-acid")
  FreeAcidAnswer freeAcid(@RequestBody LabelFacts label) {
    Component component = new Component(label.substance(), label.strengthPercentWv());
    double share = FreeAcid.fraction(component.substance(), label.ph());
    List<Double> pKas = component.substance().pKas();
    String working =
        pKas.isEmpty()
            ? "%s is no acid: all of it is there as it is".formatted(component.substance().label())
            : pKas.size() == 1
                ? words(
                    "%.1f / (1 + 10^(%.2f − %.2f)) = %.1f × %.3f",
                    component.percentWv(),
                    label.ph(),
                    pKas.getFirst(),
                    component.percentWv(),
                    share)
                : words(
                    "%.1f × [H]^%d / Σ, pKa %s = %.1f × %.3f",
                    component.percentWv(), pKas.size(), pKas, component.percentWv(), share);
    return new FreeAcidAnswer(
        component.percentWv() * share,
        share,
        IntStream.rangeClosed(0, 70)
            .mapToObj(tenth -> FreeAcid.fraction(component.substance(), tenth / 10.0))
            .toList(),
        Formula.aboveSalonFigure(List.of(component), Optional.of(label.ph())),
        working,
        "pKa at 25 °C, CRC Handbook, from memory. Ideal solution: above 0.1 mol/L trust a meter.");
  }

  record DilutionFacts(double stockPercent, double targetPercent, double finalMl) {}

  record DilutionAnswer(double stockMl, double finalMl, String working) {}

  @PostMapping("/dilution")
  DilutionAnswer dilution(@RequestBody DilutionFacts facts) {
    Dilution.Measure measure =
        Dilution.dilute(facts.stockPercent(), facts.targetPercent(), facts.finalMl());
    return new DilutionAnswer(
        measure.stockMl(),
        measure.finalMl(),
        words(
            "%.1f mL × %.1f %% / %.1f %% = %.1f mL, made up to %.1f mL",
            measure.finalMl(),
            measure.percent(),
            measure.stockPercent(),
            measure.stockMl(),
            measure.finalMl()));
  }

  /// @param factor by which each step dilutes the one before
  record SerialFacts(double stockPercent, double factor, int steps, double finalMl) {}

  record SerialAnswer(List<Dilution.Measure> steps, String working) {}

  @PostMapping("/serial")
  SerialAnswer serial(@RequestBody SerialFacts facts) {
    List<Dilution.Measure> steps =
        Dilution.serial(facts.stockPercent(), facts.factor(), facts.steps(), facts.finalMl());
    return new SerialAnswer(
        steps,
        words(
            "%.1f %% / %.2f^%d = %.3f %%",
            facts.stockPercent(), facts.factor(), facts.steps(), steps.getLast().percent()));
  }

  /// @param printedPercent what the label of the mixture says
  record MixtureFacts(
      double onePercent,
      double oneMl,
      double otherPercent,
      double otherMl,
      double printedPercent) {}

  /// @param differencePercent of the printed strength; positive where it holds more
  record MixtureAnswer(double percent, double differencePercent, String working) {}

  @PostMapping("/mixture")
  MixtureAnswer mixture(@RequestBody MixtureFacts facts) {
    double holds =
        Dilution.mixed(facts.onePercent(), facts.oneMl(), facts.otherPercent(), facts.otherMl());
    Require.range("strength on the label, %", facts.printedPercent(), 0.1, 100);
    return new MixtureAnswer(
        holds,
        (holds / facts.printedPercent() - 1) * 100,
        words(
            "(%.1f %% × %.1f mL + %.1f %% × %.1f mL) / %.1f mL = %.1f %%",
            facts.onePercent(),
            facts.oneMl(),
            facts.otherPercent(),
            facts.otherMl(),
            facts.oneMl() + facts.otherMl(),
            holds));
  }

  record AlligationFacts(
      double strongPercent, double weakPercent, double targetPercent, double finalMl) {}

  record AlligationAnswer(double strongMl, double weakMl, String working) {}

  @PostMapping("/alligation")
  AlligationAnswer alligation(@RequestBody AlligationFacts facts) {
    Dilution.Mix mix =
        Dilution.alligate(
            facts.strongPercent(), facts.weakPercent(), facts.targetPercent(), facts.finalMl());
    return new AlligationAnswer(
        mix.strongMl(),
        mix.weakMl(),
        words(
            "%.1f × (%.1f − %.1f) / (%.1f − %.1f) = %.1f mL of the stronger",
            facts.finalMl(),
            facts.targetPercent(),
            facts.weakPercent(),
            facts.strongPercent(),
            facts.weakPercent(),
            mix.strongMl()));
  }

  /// @param volumeMl over all layers, 0 to 500
  /// @param basePercentWv strength of the neutraliser
  /// @param bufferedPh pH of a product that is buffered in water: what base it holds is taken off
  record NeutraliserFacts(
      List<Component> components,
      double volumeMl,
      Neutraliser.Base base,
      double basePercentWv,
      Optional<Double> bufferedPh) {}

  record NeutraliserAnswer(Neutraliser needed, String working) {}

  @PostMapping("/neutraliser")
  NeutraliserAnswer neutraliser(@RequestBody NeutraliserFacts facts) {
    Neutraliser needed =
        Neutraliser.forAcids(
            facts.components(),
            facts.bufferedPh().map(ph -> baseIn(facts.components(), ph)).orElse(0.0),
            facts.volumeMl(),
            facts.base(),
            facts.basePercentWv());
    return new NeutraliserAnswer(
        needed,
        words(
            "%.2f mmol of protons × %.2f g/mol = %.3f g %s = %.1f mL at %.1f %%",
            needed.protonsMmol(),
            facts.base().molarMass(),
            needed.baseG(),
            facts.base().label(),
            needed.volumeMl(),
            facts.basePercentWv()));
  }

  private static double baseIn(List<Component> components, double ph) {
    return ChargeBalance.baseMolar(ChargeBalance.acids(components), ph);
  }

  /// @param layers 1 to 9
  record DoseFacts(double percentWv, double volumeMl, double areaCm2, int layers) {}

  record DoseAnswer(double mgPerCm2, String working) {}

  @PostMapping("/dose")
  DoseAnswer dose(@RequestBody DoseFacts facts) {
    Require.range("layers", facts.layers(), 1, 9);
    Require.range("volume, mL", facts.volumeMl(), 0, 500);
    double one = Dose.mgPerCm2(facts.percentWv(), facts.volumeMl(), facts.areaCm2());
    return new DoseAnswer(
        one * facts.layers(),
        words(
            "%.1f %% × %.1f mL × 10 / %.0f cm² × %d = %.2f mg/cm²",
            facts.percentWv(),
            facts.volumeMl(),
            facts.areaCm2(),
            facts.layers(),
            one * facts.layers()));
  }

  /// @param densityGPerMl of the solution for % w/w, of the pure substance for % v/v
  record StrengthFacts(
      Substance substance, double percent, Convention convention, double densityGPerMl) {}

  record StrengthAnswer(double percentWv, double molar, String working) {}

  @PostMapping("/strength")
  StrengthAnswer strength(@RequestBody StrengthFacts facts) {
    double wv =
        Strength.toWv(
            facts.percent(), facts.convention(), facts.densityGPerMl(), facts.densityGPerMl());
    String first =
        facts.convention() == Convention.WV
            ? words("%.1f %% w/v", wv)
            : words(
                "%.1f %s × %.2f g/mL = %.1f %% w/v",
                facts.percent(), facts.convention().label(), facts.densityGPerMl(), wv);
    double molar = Strength.molar(wv, facts.substance().molarMass());
    return new StrengthAnswer(
        wv,
        molar,
        first + words("; 10 × %.1f / %.2f = %.3f mol/L", wv, facts.substance().molarMass(), molar));
  }

  /// @param baseMolar mol/L of strong base already in it
  record PhFacts(List<Component> components, double baseMolar) {}

  record PhAnswer(double ph, String working, String source) {}

  @PostMapping("/ph")
  PhAnswer ph(@RequestBody PhFacts facts) {
    List<ChargeBalance.Acid> acids = ChargeBalance.acids(facts.components());
    double ph = ChargeBalance.ph(acids, facts.baseMolar());
    double molar = acids.stream().mapToDouble(ChargeBalance.Acid::molar).sum();
    return new PhAnswer(
        ph,
        words(
            "[H⁺] + %.3f = Σ acid anions of %.3f mol/L + [OH⁻], at pH %.2f",
            facts.baseMolar(), molar, ph),
        "Exact charge balance at 25 °C, ideal solution"
            + (molar > 0.1 ? "; this is above 0.1 mol/L: trust a meter." : "."));
  }

  record PartsFacts(List<FromParts.Part> parts, double finalMl) {}

  record PartsAnswer(List<FromParts.Made> made, String working) {}

  @PostMapping("/parts")
  PartsAnswer parts(@RequestBody PartsFacts facts) {
    List<FromParts.Made> made = FromParts.make(facts.parts(), facts.finalMl());
    return new PartsAnswer(
        made,
        String.join(
            "; ",
            facts.parts().stream()
                .map(part ->
                    words(
                        "%s %.2f g × %.0f %% / %.0f mL",
                        part.substance().label(),
                        part.grams(),
                        part.purityPercent(),
                        facts.finalMl()))
                .toList()));
  }

  record PermeabilityFacts(Substance substance) {}

  record PermeabilityAnswer(double cmPerHour, String working, String source) {}

  @PostMapping("/permeability")
  PermeabilityAnswer permeability(@RequestBody PermeabilityFacts facts) {
    Substance substance = facts.substance();
    double kp = Permeability.cmPerHour(substance.logKow(), substance.molarMass());
    return new PermeabilityAnswer(
        kp,
        words(
            "10^(−2.80 + 0.66 × %.2f − 0.0056 × %.2f) = %.1e cm/h",
            substance.logKow(), substance.molarMass(), kp),
        "US EPA RAGS Part E 2004, from memory; un-ionised, from water, whole skin.");
  }

  private static String words(String format, Object... values) {
    return String.format(Locale.ROOT, format, values);
  }
}
