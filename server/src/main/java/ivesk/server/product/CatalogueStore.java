package ivesk.server.product;

import ivesk.core.product.CareProduct;
import ivesk.core.product.ProductLot;
import ivesk.server.app.Problems.Stale;
import ivesk.server.app.StorageMapper;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class CatalogueStore {
  private final JdbcClient jdbc;
  private final StorageMapper storage;
  private final Clock clock;

  CatalogueStore(JdbcClient jdbc, StorageMapper storage, Clock clock) {
    this.jdbc = jdbc;
    this.storage = storage;
    this.clock = clock;
  }

  /// The newest label of every own product that is not retired.
  List<CareProduct> products() {
    return jdbc.sql(
            """
            SELECT label FROM care_product p
            WHERE NOT retired
              AND version = (SELECT MAX(version) FROM care_product WHERE code = p.code)
            ORDER BY code\
            """)
        .query((row, n) -> storage.read(row.getBytes("label"), StoredProduct.SHAPE).product())
        .list();
  }

  /// Highest version of a product so far, in the catalogue or retired; 0 for a new one.
  int version(String code) {
    return jdbc.sql("SELECT COALESCE(MAX(version), 0) FROM care_product WHERE code = ?")
        .param(code)
        .query(Integer.class)
        .single();
  }

  void add(CareProduct product, boolean retired, String who) {
    jdbc.sql(
            """
            INSERT INTO care_product (code, version, label, retired, saved_at, saved_by)
            VALUES (?, ?, ? FORMAT JSON, ?, ?, ?)\
            """)
        .params(
            product.code(),
            product.version(),
            storage.write(StoredProduct.SHAPE, StoredProduct.of(product)),
            retired,
            OffsetDateTime.now(clock),
            who)
        .update();
  }

  /// @param version counts up with every change
  record KeptLot(UUID id, int version, ProductLot lot) {}

  List<KeptLot> lots() {
    return jdbc.sql("SELECT * FROM care_lot ORDER BY code, expires, number")
        .query((row, n) -> lot(row))
        .list();
  }

  private static KeptLot lot(ResultSet row) throws SQLException {
    return new KeptLot(
        row.getObject("id", UUID.class),
        row.getInt("version"),
        new ProductLot(
            row.getString("code"),
            row.getString("number"),
            row.getObject("expires", LocalDate.class),
            Optional.ofNullable(row.getObject("opened", LocalDate.class)),
            Optional.ofNullable(row.getObject("months_after_opening", Integer.class)),
            row.getDouble("units"),
            row.getDouble("units_left")));
  }

  void add(UUID id, ProductLot lot) {
    jdbc.sql(
            """
            INSERT INTO care_lot (id, code, number, expires, opened, months_after_opening, units,
                                  units_left)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            id,
            lot.code(),
            lot.number(),
            lot.expires(),
            lot.opened().orElse(null),
            lot.monthsAfterOpening().orElse(null),
            lot.units(),
            lot.left())
        .update();
  }

  /// @throws Stale when it was changed since that version
  void change(UUID id, int version, ProductLot lot) {
    int changed =
        jdbc.sql(
                """
                UPDATE care_lot SET code = ?, number = ?, expires = ?, opened = ?,
                  months_after_opening = ?, units = ?, units_left = ?, version = version + 1
                WHERE id = ? AND version = ?\
                """)
            .params(
                lot.code(),
                lot.number(),
                lot.expires(),
                lot.opened().orElse(null),
                lot.monthsAfterOpening().orElse(null),
                lot.units(),
                lot.left(),
                id,
                version)
            .update();
    if (changed == 0) throw new Stale("Lot " + lot.number());
  }

  /// Takes some off, down to nothing, and opens a sealed pack.
  void take(String code, String number, double units, LocalDate day) {
    jdbc.sql(
            """
            UPDATE care_lot SET units_left = GREATEST(0, units_left - ?),
              opened = COALESCE(opened, ?), version = version + 1
            WHERE code = ? AND number = ?\
            """)
        .params(units, day, code, number)
        .update();
  }
}
