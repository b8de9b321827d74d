package ivesk.server.skin;

import ivesk.core.skin.HomeProduct.Active;
import ivesk.server.app.Problems.NotFound;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/// Kinds of home products, which the practice edits; a consult copies what it picks.
@Component
class ProductKindStore {
  private final JdbcClient jdbc;

  ProductKindStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  record ProductKind(UUID id, String name, Set<Active> actives) {}

  List<ProductKind> all() {
    return jdbc.sql("SELECT * FROM product_kind ORDER BY LOWER(name)")
        .query((row, n) ->
            new ProductKind(
                row.getObject("id", UUID.class),
                row.getString("name"),
                actives(row.getString("actives"))))
        .list();
  }

  void save(ProductKind kind) {
    String actives = kind.actives().stream().map(Active::name).collect(Collectors.joining(","));
    jdbc.sql("MERGE INTO product_kind (id, name, actives) KEY (id) VALUES (?, ?, ?)")
        .params(kind.id(), kind.name(), actives)
        .update();
  }

  void remove(UUID id) {
    if (jdbc.sql("DELETE FROM product_kind WHERE id = ?").param(id).update() == 0) {
      throw new NotFound("kind of product", id);
    }
  }

  private static Set<Active> actives(String words) {
    Set<Active> actives = EnumSet.noneOf(Active.class);
    Arrays.stream(words.split(","))
        .filter(word -> !word.isEmpty())
        .map(Active::valueOf)
        .forEach(actives::add);
    return actives;
  }
}
