package ivesk.server.data;

import ivesk.server.data.ArchiveSchema.Table;
import java.sql.SQLException;
import org.jspecify.annotations.Nullable;

/// What of a table leaves.
interface LeavingRows {
  boolean has(Table table);

  void of(Table table, Each each) throws SQLException;

  interface Each {
    /// @param values in the order of the table's columns
    void row(@Nullable Object[] values);
  }
}
