package ivesk.server.practice;

import ivesk.core.Require;
import ivesk.core.Words;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.SteadyClock;
import ivesk.server.practice.PracticeStore.ClosedDay;
import ivesk.server.practice.PracticeStore.Details;
import ivesk.server.practice.PracticeStore.Reached;
import java.security.Principal;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The practice itself: its name and town, its zone of time, rooms, opening and closed days.
@RestController
@RequestMapping("/api/practice")
class PracticeController {
  private final PracticeStore practice;
  private final Zone zone;
  private final Audit audit;

  PracticeController(PracticeStore practice, Zone zone, Audit audit) {
    this.practice = practice;
    this.zone = zone;
    this.audit = audit;
  }

  /// @param zone a name of the IANA time zone database
  /// @param rooms 1 to 12, each 1 to 20 letters
  /// @param opening at least one
  /// @param closedDays single days on which nobody works
  /// @param keepYears how long charts are kept after the last visit, 1 to 60
  /// @param telephone on which clients call the practice
  /// @param hours in which somebody answers it, up to 120 letters
  record PracticeView(
      String name,
      String town,
      String zone,
      List<String> rooms,
      Set<DayOfWeek> opening,
      List<ClosedDay> closedDays,
      int keepYears,
      Optional<String> telephone,
      Optional<String> hours) {

    Details details() {
      BadInput.check("name", () -> Require.text("the practice's name", name, 120));
      BadInput.check("town", () -> Require.text("the town", town, 120));
      if (rooms.isEmpty() || rooms.size() > 12) throw new BadInput("rooms", "give 1 to 12 rooms");
      for (String room : rooms) {
        BadInput.check("rooms", () -> Require.text("a room's name", room, 20));
        if (room.chars().anyMatch(Character::isISOControl)) {
          throw new BadInput("rooms", "a room's name is one line");
        }
      }
      if (rooms.stream().map(String::strip).distinct().count() < rooms.size()) {
        throw new BadInput("rooms", "two rooms have one name");
      }
      if (opening.isEmpty()) throw new BadInput("opening", "give at least one day of the week");
      for (ClosedDay closed : closedDays) {
        BadInput.check("closedDays", () -> Require.text("why it is closed", closed.why(), 80));
      }
      if (closedDays.stream().map(ClosedDay::day).distinct().count() < closedDays.size()) {
        throw new BadInput("closedDays", "a day is there twice");
      }
      BadInput.check(
          "keepYears", () -> Require.range("years that charts are kept", keepYears, 1, 60));
      return new Details(
          name.strip(),
          town.strip(),
          zoneOf(zone),
          rooms.stream().map(String::strip).toList(),
          opening,
          keepYears,
          reached());
    }

    private Reached reached() {
      Optional<String> number = Words.typed(telephone);
      Optional<String> when = Words.typed(hours);
      number.ifPresent(
          one -> BadInput.check("telephone", () -> Require.telephone("the telephone", one)));
      when.ifPresent(one -> BadInput.check("hours", () -> Require.atMost("hours", one, 120)));
      return new Reached(number, when);
    }
  }

  private static ZoneId zoneOf(String name) {
    if (!ZoneId.getAvailableZoneIds().contains(name)) {
      throw new BadInput("zone", "there is no time zone '" + name + "'; give one such as UTC");
    }
    return ZoneId.of(name);
  }

  @May(Right.KNOW)
  @GetMapping
  PracticeView practice() {
    Details details = practice.details().orElse(Details.UNSAID);
    return new PracticeView(
        details.name(),
        details.town(),
        details.zone().getId(),
        details.rooms(),
        details.opening(),
        practice.closedDays(),
        details.keepYears(),
        details.reached().telephone(),
        details.reached().hours());
  }

  @May(Right.PRACTICE)
  @PutMapping
  @Transactional
  PracticeView set(@RequestBody PracticeView body, Principal who) {
    Details details = body.details();
    practice.setDetails(details);
    practice.setClosedDays(body.closedDays());
    zone.follow(details.zone());
    audit.note(who.getName(), "set practice", "practice");
    return practice();
  }

  /// The clock's zone is the practice's.
  @Component
  static class Zone {
    private final ObjectProvider<SteadyClock> clock;

    Zone(ObjectProvider<SteadyClock> clock, PracticeStore practice) {
      this.clock = clock;
      practice.details().ifPresent(details -> follow(details.zone()));
    }

    void follow(ZoneId zone) throws DateTimeException {
      clock.ifAvailable(steady -> steady.moveTo(zone));
    }
  }
}
