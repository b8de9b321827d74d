package ivesk.server.aftercare;

import static ivesk.core.aftercare.Sentence.*;

import ivesk.core.Language;
import ivesk.core.Words;
import ivesk.core.aftercare.HomeItem;
import ivesk.core.aftercare.HomePlan;
import ivesk.core.aftercare.Told;
import ivesk.server.aftercare.HomePlanStore.Having;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/// The home plan in the words of one language.
///
/// @param own the client's own products that rest or stay away
/// @param clashes pairs that do not go together, and what to use instead
record HomePlanView(
    String title,
    String morning,
    String night,
    List<HomePlanItem> items,
    List<String> leftOut,
    List<String> own,
    List<String> clashes) {

  /// @param words with its date and how often
  /// @param having what was said of it; by the consult where nobody was asked
  record HomePlanItem(
      HomeItem item, String words, boolean morning, boolean night, Optional<Having> having) {}

  static HomePlanView of(
      HomePlan plan, Map<HomeItem, Having> having, LocalDate on, Language language) {
    return new HomePlanView(
        HOME_PLAN.in(language),
        MORNING.in(language),
        NIGHT.in(language),
        plan.items().stream()
            .map(item ->
                new HomePlanItem(
                    item.item(),
                    Words.capital(item.told(on).in(language)),
                    item.item().morning(),
                    item.item().night(),
                    Optional.ofNullable(having.get(item.item()))))
            .toList(),
        plan.leftOut().stream()
            .map(one ->
                Words.capital(
                    Words.fill("%s: not given, %s", one.item().words().in(language), one.why())))
            .toList(),
        plan.own().stream().map(own -> own.told().in(language)).toList(),
        plan.clashes().stream()
            .map(clash -> Words.capital(Told.all(clash.told(), language)))
            .toList());
  }

  /// Of those that the client wants, what goes on in the morning or at night.
  List<String> lines(boolean inTheMorning) {
    return items.stream()
        .filter(item -> inTheMorning ? item.morning() : item.night())
        .filter(item -> item.having().filter(Having.DECLINED::equals).isEmpty())
        .map(HomePlanItem::words)
        .toList();
  }
}
