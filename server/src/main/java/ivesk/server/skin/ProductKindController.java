package ivesk.server.skin;

import ivesk.core.Require;
import ivesk.core.skin.HomeProduct.Active;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.skin.ProductKindStore.ProductKind;
import java.security.Principal;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/product-kinds")
class ProductKindController {
  private final ProductKindStore kinds;
  private final Audit audit;

  ProductKindController(ProductKindStore kinds, Audit audit) {
    this.kinds = kinds;
    this.audit = audit;
  }

  record ProductKindChange(String name, Set<Active> actives) {}

  @May(Right.KNOW)
  @GetMapping
  List<ProductKind> kinds() {
    return kinds.all();
  }

  /// Adds a kind under a new id, or changes the one that has it.
  @May(Right.SHELF)
  @PutMapping("/{id}")
  @Transactional
  List<ProductKind> save(
      @PathVariable UUID id, @RequestBody ProductKindChange body, Principal who) {
    String name =
        BadInput.in("name", () -> Require.text("kind of product", body.name().strip(), 120));
    try {
      kinds.save(new ProductKind(id, name, body.actives()));
    } catch (DuplicateKeyException e) {
      throw new BadInput("name", "there is a kind called " + name + " already");
    }
    audit.note(who.getName(), "save kind of product", name);
    return kinds.all();
  }

  @May(Right.SHELF)
  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  @Transactional
  void remove(@PathVariable UUID id, Principal who) {
    kinds.remove(id);
    audit.note(who.getName(), "remove kind of product", id);
  }
}
