package ivesk.server.data;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.h2.api.ErrorCode;

/// The database's file, opened by itself: to read it through, to copy it, to give it a password.
final class DatabaseFile {
  static final String USER = "ivesk";

  private DatabaseFile() {}

  static Connection open(DataFolder data, Path file, String more) throws SQLException, IOException {
    return DriverManager.getConnection(
        data.url(file) + ";IFEXISTS=TRUE;DB_CLOSE_DELAY=0" + more, USER, data.password());
  }

  /// Reads every row of every table.
  ///
  /// @return rows by table
  /// @throws SQLException when something cannot be read, or it is no practice
  static Map<String, Long> readThrough(Connection database) throws SQLException {
    Map<String, Long> rows = new TreeMap<>();
    for (String table : tables(database)) rows.put(table, read(database, table));
    if (!rows.containsKey("flyway_schema_history") || !rows.containsKey("ACCOUNT")) {
      throw new SQLException("it holds no practice");
    }
    return rows;
  }

  private static List<String> tables(Connection database) throws SQLException {
    List<String> tables = new ArrayList<>();
    try (Statement asked = database.createStatement();
        ResultSet found =
            asked.executeQuery(
                "SELECT TABLE_NAME FROM INFORMATION_SCHEMA.TABLES WHERE TABLE_SCHEMA = 'PUBLIC'"
                    + " ORDER BY TABLE_NAME")) {
      while (found.next()) tables.add(found.getString(1));
    }
    return tables;
  }

  private static long read(Connection database, String table) throws SQLException {
    long rows = 0;
    try (Statement asked = database.createStatement();
        ResultSet all = asked.executeQuery("SELECT * FROM \"" + table + "\"")) {
      int columns = all.getMetaData().getColumnCount();
      while (all.next()) {
        for (int column = 1; column <= columns; column++) all.getObject(column);
        rows++;
      }
    }
    return rows;
  }

  /// How many rows there are in all.
  ///
  /// @param rows by table, as [#readThrough] has them
  static long count(Map<String, Long> rows) {
    return rows.values().stream().mapToLong(Long::longValue).sum();
  }

  /// Closes the database for everybody in this process who still has it open.
  static void shutDown(DataFolder data) throws SQLException, IOException {
    try (Connection database = open(data, data.database(), "");
        Statement asked = database.createStatement()) {
      asked.execute("SHUTDOWN");
    }
  }

  /// Whether it holds a practice at all; nothing else is read.
  static void look(Connection database) throws SQLException {
    List<String> tables = tables(database);
    if (!tables.contains("flyway_schema_history") || !tables.contains("ACCOUNT")) {
      throw new SQLException("it holds no practice");
    }
  }

  /// Writes a copy of a running database, as of one moment.
  static void copyTo(Connection database, Path zip) throws SQLException {
    try (Statement asked = database.createStatement()) {
      asked.execute("BACKUP TO '" + zip.toAbsolutePath().toString().replace("'", "''") + "'");
    }
  }

  /// Databases of before had no password: gives one. It is written down beside the old state first,
  /// so that a power cut at any point leaves one of the two to open it with.
  static void setPassword(DataFolder data) throws SQLException, IOException {
    if (Files.exists(data.access())) return;
    if (!Files.exists(data.freshAccess())) data.makeAccess(data.freshAccess());
    String fresh = Files.readString(data.freshAccess()).strip();
    if (!opensWith(data, fresh)) {
      try (Connection database = open(data, data.database(), "");
          Statement asked = database.createStatement()) {
        asked.execute("ALTER USER ivesk SET PASSWORD '" + fresh + "'");
      }
    }
    Files.move(data.freshAccess(), data.access(), StandardCopyOption.ATOMIC_MOVE);
  }

  private static boolean opensWith(DataFolder data, String own) throws SQLException {
    try (Connection database =
        DriverManager.getConnection(
            data.url() + ";IFEXISTS=TRUE;DB_CLOSE_DELAY=0", USER, data.password(own))) {
      return true;
    } catch (SQLException e) {
      if (e.getErrorCode() == ErrorCode.WRONG_USER_OR_PASSWORD) return false;
      throw e;
    }
  }
}
