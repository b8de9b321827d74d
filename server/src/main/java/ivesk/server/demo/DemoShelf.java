package ivesk.server.demo;

import ivesk.core.formula.Component;
import ivesk.core.formula.DepthClass;
import ivesk.core.formula.Family;
import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Substance;
import ivesk.core.quantity.Ph;
import ivesk.core.skin.Region;
import ivesk.server.formula.Product;
import ivesk.server.formula.ShelfService;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.annotation.Profile;

/// The shelf of the demo: a gel of the practice's own, and bottles of which one is low, one expired
/// and one open too long.
@org.springframework.stereotype.Component
@Profile("demo")
class DemoShelf {
  private final ShelfService shelf;

  DemoShelf(ShelfService shelf) {
    this.shelf = shelf;
  }

  void fill(LocalDate today, String who) {
    shelf.save(softGel(), 0, who);
    lot(
        "MAN-20",
        "M-114",
        today.minusDays(200),
        300,
        Optional.of(today.minusDays(60)),
        100,
        14,
        who);
    lot("MAN-20", "M-131", today.minusDays(20), 480, Optional.empty(), 100, 100, who);
    lot(
        "GLY-20",
        "G-207",
        today.minusDays(90),
        400,
        Optional.of(today.minusDays(40)),
        250,
        160,
        who);
    lot(
        "LAC-10",
        "L-088",
        today.minusDays(400),
        390,
        Optional.of(today.minusDays(150)),
        100,
        55,
        who);
    lot(
        "LAC-10",
        "L-102",
        today.minusDays(30),
        500,
        Optional.of(today.minusDays(10)),
        100,
        92,
        who);
    lot(
        "SAL-30",
        "S-301",
        today.minusDays(420),
        700,
        Optional.of(today.minusDays(400)),
        50,
        30,
        who);
    lot("SOFT-12", "T-9", today.minusDays(12), 360, Optional.empty(), 200, 200, who);
  }

  /// @param expiresAfter days after receipt
  private void lot(
      String code,
      String number,
      LocalDate received,
      int expiresAfter,
      Optional<LocalDate> opened,
      double volumeMl,
      double leftMl,
      String who) {
    shelf.saveLot(
        UUID.randomUUID(),
        Lot.of(
            code,
            number,
            received,
            received.plusDays(expiresAfter),
            opened,
            Optional.of(12),
            volumeMl,
            leftMl),
        0,
        who);
  }

  private static Product softGel() {
    return new Product(
        "SOFT-12",
        "Skerrow soft gel",
        "Two Rooms",
        Family.PHA,
        2,
        Optional.empty(),
        List.of(Component.of(Substance.GLUCONOLACTONE, 12), Component.of(Substance.LACTIC, 5)),
        Optional.of(Ph.of(3.3)),
        Formula.Vehicle.GEL,
        Formula.Use.TIMED,
        Set.of(Region.FACE, Region.NECK_DECOLLETAGE, Region.HANDS),
        Optional.of(240),
        Optional.of(480),
        Optional.of(120),
        Optional.empty(),
        1,
        1,
        0,
        Optional.empty(),
        DepthClass.VERY_SUPERFICIAL,
        0,
        3,
        Optional.of(120),
        false,
        Formula.Ending.RINSE,
        7,
        6,
        6,
        0,
        0,
        "it has gone matt all over",
        false,
        false,
        "1 level scoop",
        Optional.of(2.5));
  }
}
