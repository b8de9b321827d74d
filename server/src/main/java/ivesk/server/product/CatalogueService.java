package ivesk.server.product;

import ivesk.core.product.CareProduct;
import ivesk.core.product.Catalogue;
import ivesk.core.product.ProductLot;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.DatabaseReopened;
import ivesk.server.app.Problems.Stale;
import ivesk.server.app.Remembered;
import ivesk.server.data.ArchiveCheck;
import ivesk.server.product.CatalogueStore.KeptLot;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/// The practice's catalogue: shipped products, own ones by version, packs.
@Service
public class CatalogueService implements ArchiveCheck {
  private final CatalogueStore store;
  private final Audit audit;

  /// Read by every plan; read anew after a change.
  private final Remembered<Catalogue> catalogue;

  CatalogueService(CatalogueStore store, Audit audit) {
    this.store = store;
    this.audit = audit;
    this.catalogue =
        new Remembered<>(() ->
            Catalogue.with(store.products(), store.lots().stream().map(KeptLot::lot).toList()));
  }

  @Override
  public void practice() {
    catalogue.changed();
    catalogue.get();
  }

  @EventListener
  void forget(DatabaseReopened reopened) {
    catalogue.forget();
  }

  public Catalogue catalogue() {
    return catalogue.get();
  }

  /// Keeps a label under the next version.
  ///
  /// @param over the version that was looked at; 0 for a new product
  /// @throws Stale when somebody else changed it since
  @Transactional
  CareProduct save(ProductLabel label, int over, String who) {
    int current = current().getOrDefault(label.code(), 0);
    if (current != over) throw new Stale(label.code());
    int next = store.version(label.code()) + 1;
    CareProduct product = BadInput.in("label", () -> label.product(next));
    store.add(product, false, who);
    audit.note(who, "save care product", product.code() + " version " + next);
    catalogue.changed();
    return product;
  }

  /// Of own products, by code.
  Map<String, Integer> current() {
    return store.products().stream()
        .collect(Collectors.toMap(CareProduct::code, CareProduct::version));
  }

  /// Out of the catalogue; what was done with it keeps the version that it used.
  @Transactional
  void retire(String code, String who) {
    CareProduct product =
        store.products().stream()
            .filter(own -> own.code().equals(code))
            .findFirst()
            .orElseThrow(() -> new BadInput("code", "there is no own product " + code));
    store.add(ProductLabel.of(product).product(store.version(code) + 1), true, who);
    audit.note(who, "retire care product", code);
    catalogue.changed();
  }

  List<CareProduct> own() {
    return store.products();
  }

  List<KeptLot> lots() {
    return store.lots();
  }

  /// @param over the version that was looked at; 0 for a new pack
  @Transactional
  void saveLot(UUID id, ProductLot lot, int over, String who) {
    BadInput.check("code", () -> catalogue().get(lot.code()));
    try {
      if (over == 0) store.add(id, lot);
      else store.change(id, over, lot);
    } catch (DuplicateKeyException e) {
      throw new BadInput(
          "number", "lot " + lot.number() + " of " + lot.code() + " is on the shelf already");
    }
    audit.note(who, "save care lot", lot.code() + " " + lot.number() + " " + id);
    catalogue.changed();
  }

  /// Takes units off the pack that is to be used first, and opens it if it was sealed; what is not
  /// counted is not taken from.
  ///
  /// @param units of the product, 0 and up
  @Transactional
  public void use(String code, double units, LocalDate day, String who) {
    catalogue()
        .toTake(code, day)
        .ifPresent(lot -> {
          store.take(code, lot.number(), units, day);
          audit.note(who, "take from care lot", code + " " + lot.number());
          catalogue.changed();
        });
  }
}
