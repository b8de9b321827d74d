package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.BadLine;
import ivesk.server.data.ArchiveFormat.Bearer;
import ivesk.server.data.ArchiveFormat.Effect;
import ivesk.server.data.ArchiveSchema.Table;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.datasource.DataSourceUtils;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.DefaultTransactionDefinition;

/// Everything as a file, and back: rows in the order of their keys, so that the same records always
/// give the same bytes. The file names its version; `docs/formats/` describes it. What enters is
/// read through first; one wrong line and nothing of it is written.
@Component
public class Archive {

  private final DataSource database;
  private final PlatformTransactionManager transactions;
  private final ObjectProvider<ArchiveCheck> checks;

  Archive(
      DataSource database,
      PlatformTransactionManager transactions,
      ObjectProvider<ArchiveCheck> checks) {
    this.database = database;
    this.transactions = transactions;
    this.checks = checks;
  }

  public enum Form {
    JSON,
    /// A ZIP with a table each.
    CSV
  }

  /// @param client empty for everything
  public void write(OutputStream out, Form form, Optional<UUID> client) {
    try (Connection connection = database.getConnection()) {
      connection.setAutoCommit(false);
      connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
      try {
        ArchiveSchema all = ArchiveSchema.of(connection);
        ArchiveSchema schema = client.isPresent() ? all.ofOneClient() : all;
        LeavingRows rows = rows(schema, connection, client);
        switch (form) {
          case JSON -> ArchiveJson.write(out, schema, rows);
          case CSV -> ArchiveCsv.write(out, schema, rows);
        }
      } finally {
        connection.rollback();
        connection.setTransactionIsolation(Connection.TRANSACTION_READ_COMMITTED);
        connection.setAutoCommit(true);
      }
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static LeavingRows rows(
      ArchiveSchema schema, Connection connection, Optional<UUID> client) {
    return new LeavingRows() {
      @Override
      public boolean has(Table table) {
        return table.leaves() && (client.isEmpty() || schema.ofClient(table).isPresent());
      }

      @Override
      public void of(Table table, Each each) throws SQLException {
        Optional<String> where = client.flatMap(_ -> schema.ofClient(table));
        String sql =
            "SELECT "
                + String.join(", ", table.names())
                + " FROM "
                + table.name()
                + where.map(" WHERE "::concat).orElse("")
                + " ORDER BY "
                + String.join(", ", table.key());
        try (PreparedStatement query = connection.prepareStatement(sql)) {
          long places = where.map(words -> words.chars().filter(c -> c == '?').count()).orElse(0L);
          for (int i = 1; i <= places; i++) query.setObject(i, client.orElseThrow());
          query.setFetchSize(200);
          try (ResultSet row = query.executeQuery()) {
            while (row.next()) {
              @Nullable Object[] values = new Object[table.columns().size()];
              for (int i = 0; i < values.length; i++) {
                values[i] = table.columns().get(i).type().held(row, i + 1);
              }
              each.row(values);
            }
          }
        }
      }
    };
  }

  /// What the JSON file looks like, as a JSON Schema (2020-12).
  public String schema() {
    try (Connection connection = database.getConnection()) {
      return ArchiveJsonSchema.of(ArchiveSchema.of(connection));
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /// Reads a file through and says what it would do; nothing is written.
  ///
  /// @throws BadLine with the line and the reason
  /// @throws IOException where the file does not come whole
  public List<Effect> preview(InputStream file, Bearer bearer) throws BadLine, IOException {
    return read(file, bearer, false);
  }

  /// Takes a file in, all of it or nothing.
  ///
  /// @throws BadLine with the line and the reason; nothing was written then
  /// @throws IOException where the file does not come whole; nothing was written then
  public List<Effect> take(InputStream file, Bearer bearer) throws BadLine, IOException {
    return read(file, bearer, true);
  }

  private List<Effect> read(InputStream file, Bearer bearer, boolean keep)
      throws BadLine, IOException {
    TransactionStatus transaction = transactions.getTransaction(new DefaultTransactionDefinition());
    boolean whole = false;
    try {
      ArchiveTouched touched = new ArchiveTouched();
      Connection connection = DataSourceUtils.getConnection(database);
      List<Effect> effects =
          read(file, new ArchiveInto(connection, ArchiveSchema.of(connection), touched, bearer));
      touched.check(checks.orderedStream().toList());
      if (keep) {
        requireNoneDiffers(effects);
        whole = true;
      }
      return effects;
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    } finally {
      if (whole) transactions.commit(transaction);
      else transactions.rollback(transaction);
    }
  }

  private static void requireNoneDiffers(List<Effect> effects) throws BadLine {
    for (Effect effect : effects) {
      if (effect.differing() > 0) {
        throw BadLine.at(
            1,
            effect.differing()
                + " rows of "
                + effect.table()
                + " are here otherwise; what is here stays");
      }
    }
  }

  private static List<Effect> read(InputStream file, ArchiveInto into)
      throws SQLException, BadLine, IOException {
    BufferedInputStream bytes = new BufferedInputStream(file);
    bytes.mark(1);
    boolean zip = bytes.read() == 'P';
    bytes.reset();
    return zip ? ArchiveCsv.read(bytes, into) : ArchiveJson.read(bytes, into);
  }
}
