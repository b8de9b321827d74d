package ivesk.server.app;

import java.sql.SQLException;
import java.util.Set;
import org.h2.api.ErrorCode;

/// A database whose disk took nothing more has closed itself.
public final class ClosedDatabase {
  private static final Set<Integer> CODES =
      Set.of(
          ErrorCode.DATABASE_IS_CLOSED,
          ErrorCode.DATABASE_CALLED_AT_SHUTDOWN,
          ErrorCode.IO_EXCEPTION_1,
          ErrorCode.IO_EXCEPTION_2);

  private ClosedDatabase() {}

  /// Whether that is behind a failure.
  public static boolean isBehind(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLException sql && CODES.contains(sql.getErrorCode())) return true;
    }
    return false;
  }
}
