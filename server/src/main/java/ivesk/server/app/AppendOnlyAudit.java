package ivesk.server.app;

import java.sql.Connection;
import java.sql.SQLException;
import org.h2.api.Trigger;

/// What stands in the audit trail stays as it is.
public class AppendOnlyAudit implements Trigger {
  @Override
  public void fire(Connection database, Object[] before, Object[] after) throws SQLException {
    throw new SQLException("the audit trail is only ever added to");
  }
}
