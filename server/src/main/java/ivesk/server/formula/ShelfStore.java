package ivesk.server.formula;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Lot;
import ivesk.core.quantity.Volume;
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
class ShelfStore {
  private final JdbcClient jdbc;
  private final StorageMapper storage;
  private final Clock clock;

  ShelfStore(JdbcClient jdbc, StorageMapper storage, Clock clock) {
    this.jdbc = jdbc;
    this.storage = storage;
    this.clock = clock;
  }

  /// The newest label of every product that is not retired.
  List<Formula> products() {
    return products(false);
  }

  /// The last label of every product that is.
  List<Formula> retired() {
    return products(true);
  }

  private List<Formula> products(boolean retired) {
    return jdbc.sql(
            """
            SELECT label FROM product p
            WHERE retired = ? AND version = (SELECT MAX(version) FROM product WHERE code = p.code)
            ORDER BY code\
            """)
        .param(retired)
        .query((row, n) -> storage.read(row.getBytes("label"), StoredFormula.PRODUCT).formula())
        .list();
  }

  /// Version of a product that is on the shelf; 0 where none is.
  int current(String code) {
    return jdbc.sql(
            """
            SELECT COALESCE(MAX(version), 0) FROM product p WHERE code = ? AND NOT retired
            AND version = (SELECT MAX(version) FROM product WHERE code = p.code)\
            """)
        .param(code)
        .query(Integer.class)
        .single();
  }

  /// Highest version of a product so far, on the shelf or retired; 0 for a new one.
  int version(String code) {
    return jdbc.sql("SELECT COALESCE(MAX(version), 0) FROM product WHERE code = ?")
        .param(code)
        .query(Integer.class)
        .single();
  }

  void add(Formula formula, boolean retired, String who) {
    jdbc.sql(
            """
            INSERT INTO product (code, version, label, retired, saved_at, saved_by)
            VALUES (?, ?, ? FORMAT JSON, ?, ?, ?)\
            """)
        .params(
            formula.code(),
            formula.label().version(),
            storage.write(StoredFormula.PRODUCT, StoredFormula.of(formula)),
            retired,
            OffsetDateTime.now(clock),
            who)
        .update();
  }

  /// @param version counts up with every change
  record KeptLot(UUID id, int version, Lot lot) {}

  List<KeptLot> lots() {
    return jdbc.sql("SELECT * FROM lot ORDER BY formula_code, expires, number")
        .query((row, n) -> lot(row))
        .list();
  }

  private static KeptLot lot(ResultSet row) throws SQLException {
    return new KeptLot(
        row.getObject("id", UUID.class),
        row.getInt("version"),
        Lot.of(
            row.getString("formula_code"),
            row.getString("number"),
            row.getObject("received", LocalDate.class),
            row.getObject("expires", LocalDate.class),
            Optional.ofNullable(row.getObject("opened", LocalDate.class)),
            Optional.ofNullable(row.getObject("months_after_opening", Integer.class)),
            row.getDouble("volume_ml"),
            row.getDouble("left_ml")));
  }

  void add(UUID id, Lot lot) {
    jdbc.sql(
            """
            INSERT INTO lot (id, formula_code, number, received, expires, opened,
                             months_after_opening, volume_ml, left_ml)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            id,
            lot.formulaCode(),
            lot.number(),
            lot.received(),
            lot.expires(),
            lot.opened().orElse(null),
            lot.monthsAfterOpening().orElse(null),
            lot.volume().ml(),
            lot.left().ml())
        .update();
  }

  /// @throws Stale when it was changed since that version
  void change(UUID id, int version, Lot lot) {
    int changed =
        jdbc.sql(
                """
                UPDATE lot SET formula_code = ?, number = ?, received = ?, expires = ?, opened = ?,
                  months_after_opening = ?, volume_ml = ?, left_ml = ?, version = version + 1
                WHERE id = ? AND version = ?\
                """)
            .params(
                lot.formulaCode(),
                lot.number(),
                lot.received(),
                lot.expires(),
                lot.opened().orElse(null),
                lot.monthsAfterOpening().orElse(null),
                lot.volume().ml(),
                lot.left().ml(),
                id,
                version)
            .update();
    if (changed == 0) throw new Stale("Lot " + lot.number());
  }

  /// Takes some off, down to nothing, and opens a sealed bottle.
  void take(String code, String number, Volume poured, LocalDate day) {
    jdbc.sql(
            """
            UPDATE lot SET left_ml = GREATEST(0, left_ml - ?), opened = COALESCE(opened, ?),
              version = version + 1
            WHERE formula_code = ? AND number = ?\
            """)
        .params(poured.ml(), day, code, number)
        .update();
  }
}
