package ivesk.server.formula;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.formula.Shelf;
import ivesk.core.quantity.Volume;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Problems.Stale;
import ivesk.server.app.Remembered;
import ivesk.server.data.ArchiveCheck;
import ivesk.server.formula.ShelfStore.KeptLot;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// The practice's shelf: shipped formulas, own products by version, bottles.
@Service
public class ShelfService implements ArchiveCheck {
  private final ShelfStore store;
  private final Audit audit;

  /// Read by every screening and selection; read anew after a change.
  private final Remembered<Shelf> shelf;

  ShelfService(ShelfStore store, Audit audit) {
    this.store = store;
    this.audit = audit;
    this.shelf =
        new Remembered<>(() ->
            Shelf.with(
                store.products(),
                store.retired(),
                store.lots().stream().map(KeptLot::lot).toList()));
  }

  @Override
  public void practice() {
    shelf.changed();
    shelf.get();
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    shelf.forget();
  }

  public Shelf shelf() {
    return shelf.get();
  }

  /// Keeps a label under the next version.
  ///
  /// @param over the version that was looked at; 0 for a new product
  @Transactional
  public Formula save(Product product, int over, String who) {
    if (store.current(product.code()) != over) throw new Stale(product.code());
    int next = store.version(product.code()) + 1;
    Formula formula = BadInput.in("label", () -> product.formula(next));
    store.add(formula, false, who);
    audit.note(who, "save product", formula.code() + " version " + formula.label().version());
    shelf.changed();
    return formula;
  }

  /// Off the rack; records keep the version that they used.
  @Transactional
  public void retire(String code, String who) {
    Formula formula =
        store.products().stream()
            .filter(own -> own.code().equals(code))
            .findFirst()
            .orElseThrow(() -> new BadInput("code", "there is no own product " + code));
    Product label = Product.of(formula);
    store.add(label.formula(store.version(code) + 1), true, who);
    audit.note(who, "retire product", code);
    shelf.changed();
  }

  List<KeptLot> lots() {
    return store.lots();
  }

  /// @param over the version that was looked at; 0 for a new lot
  @Transactional
  public void saveLot(UUID id, Lot lot, int over, String who) {
    BadInput.check("formulaCode", () -> shelf().get(lot.formulaCode()));
    try {
      if (over == 0) store.add(id, lot);
      else store.change(id, over, lot);
    } catch (DuplicateKeyException e) {
      throw new BadInput(
          "number",
          "lot " + lot.number() + " of " + lot.formulaCode() + " is on the shelf already");
    }
    audit.note(who, "save lot", lot.formulaCode() + " " + lot.number() + " " + id);
    shelf.changed();
  }

  /// Takes off what a peel used, and opens the bottle if it was sealed. A lot that is no longer
  /// there is left alone: the record stands either way.
  @Transactional
  public void take(String code, String number, Volume poured, LocalDate day, String who) {
    store.take(code, number, poured, day);
    audit.note(who, "take from lot", code + " " + number);
    shelf.changed();
  }
}
