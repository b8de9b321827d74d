package ivesk.core.skin;

import ivesk.core.Require;
import java.util.List;
import java.util.Map;

/// Ten items, each 0 to 4, total 0 to 40. Bands after the ARPANSA skin phototype form (after
/// Fitzpatrick 1988), from memory; the wording is our own.
public final class PhototypeQuestionnaire {
  private PhototypeQuestionnaire() {}

  public enum Part {
    INHERITED,
    REACTION,
    HABITS
  }

  /// One item with its five answers; an answer's place in the list, 0 to 4, is its score.
  public record Item(String id, Part part, String question, List<String> answers) {}

  public static final List<Item> ITEMS =
      List.of(
          item(
              "eyes",
              Part.INHERITED,
              "Colour of the eyes",
              "pale blue, grey or green",
              "blue, grey or green",
              "hazel or light brown",
              "dark brown",
              "nearly black"),
          item(
              "hair",
              Part.INHERITED,
              "Hair, before grey or dye",
              "red or pale blond",
              "blond",
              "dark blond or chestnut",
              "dark brown",
              "black"),
          item(
              "skin",
              Part.INHERITED,
              "Skin where no sun reaches",
              "pinkish white",
              "very pale",
              "pale with a beige tone",
              "light brown",
              "brown to black"),
          item(
              "freckles",
              Part.INHERITED,
              "Freckles where no sun reaches",
              "many",
              "several",
              "a few",
              "hardly any",
              "none"),
          item(
              "burn",
              Part.REACTION,
              "Too long in the sun brings",
              "pain, blisters, peeling",
              "burns, then peels",
              "burns, sometimes peels",
              "burns rarely",
              "never a burn"),
          item(
              "tan",
              Part.REACTION,
              "How well it tans",
              "not at all",
              "a little",
              "fairly",
              "easily",
              "fast and dark"),
          item(
              "depth",
              Part.REACTION,
              "A day of sun turns the skin brown",
              "never",
              "seldom",
              "sometimes",
              "often",
              "always"),
          item(
              "face",
              Part.REACTION,
              "How the face takes the sun",
              "very sensitive",
              "sensitive",
              "as most",
              "quite resistant",
              "no trouble ever"),
          item(
              "often",
              Part.HABITS,
              "How often the area is put in the sun",
              "never",
              "hardly ever",
              "sometimes",
              "often",
              "always"),
          item(
              "last",
              Part.HABITS,
              "Last sun, sunbed or tanning cream",
              "over three months ago",
              "two to three months ago",
              "one to two months ago",
              "within the month",
              "within two weeks"));

  private static Item item(String id, Part part, String question, String... answers) {
    return new Item(id, part, question, List.of(answers));
  }

  /// Sum of the answers given so far; an unanswered item counts nothing.
  ///
  /// @throws IllegalArgumentException for an unknown item or a score outside 0 to 4
  public static int total(Map<String, Integer> scores) {
    scores.forEach((id, score) -> {
      if (ITEMS.stream().noneMatch(item -> item.id().equals(id))) {
        throw new IllegalArgumentException("phototype item '" + id + "' is not one of the ten");
      }
      Require.range("phototype item '" + id + "'", score, 0, 4);
    });
    return scores.values().stream().mapToInt(Integer::intValue).sum();
  }

  public static boolean complete(Map<String, Integer> scores) {
    return ITEMS.stream().allMatch(item -> scores.containsKey(item.id()));
  }

  /// @param total 0 to 40
  public static Phototype type(int total) {
    Require.range("total", total, 0, 40);
    if (total <= 6) return Phototype.I;
    if (total <= 13) return Phototype.II;
    if (total <= 20) return Phototype.III;
    if (total <= 27) return Phototype.IV;
    if (total <= 34) return Phototype.V;
    return Phototype.VI;
  }
}
