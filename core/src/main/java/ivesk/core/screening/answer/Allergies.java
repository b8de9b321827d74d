package ivesk.core.screening.answer;

import ivesk.core.formula.Substance;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/// What a chart says of allergies, entry by entry, each compared by substance in the languages of
/// the sheet. domain/02; the names are common ones, no source.
///
/// @param entries in the order in which they were told
public record Allergies(List<Entry> entries) {
  public static final Allergies NONE = new Allergies(List.of());

  private static final Pattern BETWEEN = Pattern.compile("[;,\\n]");
  private static final Pattern NO_LETTERS = Pattern.compile("[^a-z0-9]+");

  /// Whole words without accents. A name of two words is written with a blank.
  private static final Map<Substance, Set<String>> NAMES =
      Map.ofEntries(
          names(Substance.GLYCOLIC, "glycolic glicolico glycolique glykolsaure glycolsaure"),
          names(Substance.LACTIC, "lactic lactico latico lactique milchsaure"),
          names(Substance.MANDELIC, "mandelic mandelico mandelique mandelsaure"),
          names(
              Substance.SALICYLIC,
              "salicylic salicylate salicylates salicilico salicilato salicilatos salicylique"
                  + " salicylsaure salicylat salicylaten aspirin aspirina aspirine acetylsalicylic"
                  + " acetilsalicilico acetylsalicylique acetylsalicylsaure asa aas bha"),
          names(
              Substance.TCA,
              "tca trichloroacetic tricloroacetico trichloracetique trichloressigsaure"),
          names(Substance.PYRUVIC, "pyruvic piruvico pyruvique brenztraubensaure"),
          names(Substance.CITRIC, "citric citrico citrique zitronensaure citronensaure"),
          names(Substance.MALIC, "malic malico malique apfelsaure"),
          names(Substance.TARTARIC, "tartaric tartarico tartrique weinsaure"),
          names(Substance.AZELAIC, "azelaic azelaico azelaique azelainsaure"),
          names(
              Substance.GLUCONOLACTONE, "gluconolactone gluconolactona gluconolacton gluconic pha"),
          names(Substance.RESORCINOL, "resorcinol resorcin resorcine"),
          names(
              Substance.RETINOL,
              "retinol retinoid retinoids retinoide retinoides retinoiden tretinoin tretinoina"),
          names(Substance.FIG, "fig figs ficin higo higos figue figues feige feigen figo figos"),
          names(Substance.PAPAYA, "papaya papayas papaye papaia papain papaina papaine"),
          names(
              Substance.PINEAPPLE,
              "pineapple pineapples pina pinas ananas abacaxi bromelain bromelina bromelaine"),
          names(
              Substance.PUMPKIN,
              "pumpkin pumpkins calabaza courge citrouille potiron kurbis abobora"));

  /// Words that name several at once.
  private static final Map<String, Set<Substance>> GROUPS =
      Map.of(
          "aha", ahas(),
          "ahas", ahas(),
          "hydroxy", ahas(),
          "jessner", EnumSet.of(Substance.RESORCINOL, Substance.SALICYLIC, Substance.LACTIC),
          "jessners", EnumSet.of(Substance.RESORCINOL, Substance.SALICYLIC, Substance.LACTIC));

  /// Words that could mean an acid, or a fruit of an enzyme, without saying which.
  private static final Set<String> VAGUE =
      words(
          "acid acids acido acidos acide acides saure sauren peel peels peeling peelings enzyme"
              + " enzymes enzima enzimas enzym fruit fruits fruta frutas frucht fruchte obst");

  /// Acids that are in no peel here.
  private static final Set<String> OTHER_ACIDS =
      words(
          "hyaluronic hialuronico hyaluronique hyaluronsaure folic folico folique folsaure ascorbic"
              + " ascorbico ascorbique ascorbinsaure amino kojic kojico kojique kojisaure ferulic"
              + " ferulico ferulique ferulasaure tranexamic tranexamico tranexamique sorbic sorbico"
              + " sorbique sorbinsaure benzoic benzoico benzoique benzoesaure stearic stearico");

  private static final Set<String> DENYING =
      words(
          "no not none never nil without kein keine keinen nicht ohne nie sin ningun ninguna nunca"
              + " sem nao nenhum nenhuma pas aucun aucune sans jamais");

  /// One thing that was told.
  ///
  /// @param words as they were told
  /// @param substances that they name
  /// @param latex they name it
  /// @param vague they could mean an acid or a fruit, and name none
  /// @param denied they say that there is no allergy
  public record Entry(
      String words, Set<Substance> substances, boolean latex, boolean vague, boolean denied) {
    static Entry of(String words) {
      Set<String> all = Allergies.words(plain(words));
      Set<Substance> substances = EnumSet.noneOf(Substance.class);
      NAMES.forEach((substance, names) -> {
        if (!Collections.disjoint(all, names)) substances.add(substance);
      });
      GROUPS.forEach((word, several) -> {
        if (all.contains(word)) substances.addAll(several);
      });
      return new Entry(
          words,
          substances,
          all.contains("latex"),
          substances.isEmpty()
              && !Collections.disjoint(all, VAGUE)
              && Collections.disjoint(all, OTHER_ACIDS),
          !Collections.disjoint(all, DENYING));
    }
  }

  public Allergies {
    entries = List.copyOf(entries);
  }

  /// @param told entries with semicolons, commas or line breaks between them
  public static Allergies of(String told) {
    return new Allergies(
        Arrays.stream(BETWEEN.split(told))
            .map(String::strip)
            .filter(one -> !one.isEmpty())
            .map(Entry::of)
            .toList());
  }

  /// What was told and not denied, of entries that pass.
  public List<Entry> standing(Predicate<Entry> which) {
    return entries.stream().filter(entry -> !entry.denied()).filter(which).toList();
  }

  /// The substances of which an allergy was told.
  public Set<Substance> substances() {
    return named(false);
  }

  /// What one entry tells and another denies.
  public Set<Substance> disputed() {
    Set<Substance> both = EnumSet.noneOf(Substance.class);
    both.addAll(substances());
    both.retainAll(named(true));
    return both;
  }

  private Set<Substance> named(boolean denied) {
    return entries.stream()
        .filter(entry -> entry.denied() == denied)
        .flatMap(entry -> entry.substances().stream())
        .collect(Collectors.toCollection(() -> EnumSet.noneOf(Substance.class)));
  }

  /// What was told and not denied, in its own words: products are compared with them.
  public String told() {
    return standing(_ -> true).stream().map(Entry::words).collect(Collectors.joining("; "));
  }

  public boolean latex() {
    return !standing(Entry::latex).isEmpty();
  }

  private static Map.Entry<Substance, Set<String>> names(Substance substance, String names) {
    return Map.entry(substance, words(names));
  }

  private static Set<Substance> ahas() {
    return EnumSet.of(
        Substance.GLYCOLIC,
        Substance.LACTIC,
        Substance.MANDELIC,
        Substance.CITRIC,
        Substance.MALIC,
        Substance.TARTARIC);
  }

  private static Set<String> words(String all) {
    return new TreeSet<>(List.of(all.split(" ")));
  }

  /// In lower case, without accents and signs.
  private static String plain(String words) {
    String bare = Normalizer.normalize(words, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    return NO_LETTERS.matcher(bare.toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
  }
}
