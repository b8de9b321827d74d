package ivesk.server.client;

import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Stale;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
public class ClientStore {
  private final JdbcClient jdbc;

  ClientStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public void add(Client client) {
    jdbc.sql(
            """
            INSERT INTO client (name, date_of_birth, occupation, sun, height_cm, weight_kg,
                                allergies, comfort, guardian, search, id)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(values(client))
        .update();
  }

  /// Saves over the version that was read.
  ///
  /// @throws Stale when somebody else saved in between
  void change(Client client) {
    List<Object> values = values(client);
    values.add(client.version());
    int changed =
        jdbc.sql(
                """
                UPDATE client SET name = ?, date_of_birth = ?, occupation = ?, sun = ?,
                                  height_cm = ?, weight_kg = ?, allergies = ?, comfort = ?,
                                  guardian = ?, search = ?, version = version + 1
                WHERE id = ? AND version = ?\
                """)
            .params(values)
            .update();
    if (changed == 0) throw new Stale("This client");
  }

  void archive(UUID id, Optional<LocalDate> on) {
    jdbc.sql("UPDATE client SET archived_on = ?, version = version + 1 WHERE id = ?")
        .params(on.orElse(null), id)
        .update();
  }

  public Client get(UUID id) {
    return jdbc.sql("SELECT * FROM client WHERE id = ?")
        .param(id)
        .query(ClientStore::client)
        .optional()
        .orElseThrow(() -> new NotFound("client", id));
  }

  /// Clients whose name holds each of the words: those that begin with the first of them, then
  /// those with a name that begins with it, then the others; by name.
  List<Client> find(String words, boolean archived, int most) {
    StringBuilder where =
        new StringBuilder(archived ? "archived_on IS NOT NULL" : "archived_on IS NULL");
    List<Object> values = new ArrayList<>();
    for (String word : Client.searchable(words).split("\\s+")) {
      if (word.isEmpty()) continue;
      where.append(" AND search LIKE ? ESCAPE '!'");
      values.add("%" + word.replaceAll("[!%_]", "!$0") + "%");
    }
    String first = Client.searchable(words).strip().split("\\s+")[0].replaceAll("[!%_]", "!$0");
    values.addAll(List.of(first + "%", "% " + first + "%", most));
    return jdbc.sql(
            "SELECT * FROM client WHERE "
                + where
                + " ORDER BY CASE WHEN search LIKE ? ESCAPE '!' THEN 0"
                + " WHEN search LIKE ? ESCAPE '!' THEN 1 ELSE 2 END, search, id LIMIT ?")
        .params(values)
        .query(ClientStore::client)
        .list();
  }

  int count(boolean archived) {
    return jdbc.sql(
            "SELECT COUNT(*) FROM client WHERE archived_on IS " + (archived ? "NOT NULL" : "NULL"))
        .query(Integer.class)
        .single();
  }

  private static List<Object> values(Client client) {
    List<Object> values = new ArrayList<>();
    values.add(client.name());
    values.add(client.dateOfBirth());
    values.add(client.occupation());
    values.add(client.sun());
    values.add(client.heightCm().orElse(null));
    values.add(client.weightKg().orElse(null));
    values.add(client.allergies());
    values.add(client.comfort());
    values.add(client.guardian());
    values.add(Client.searchable(client.name()));
    values.add(client.id());
    return values;
  }

  private static Client client(ResultSet row, int n) throws SQLException {
    return new Client(
        row.getObject("id", UUID.class),
        row.getString("name"),
        row.getObject("date_of_birth", LocalDate.class),
        row.getString("occupation"),
        row.getString("sun"),
        Optional.ofNullable(row.getObject("height_cm", Double.class)),
        Optional.ofNullable(row.getObject("weight_kg", Double.class)),
        row.getString("allergies"),
        row.getString("comfort"),
        row.getString("guardian"),
        Optional.ofNullable(row.getObject("archived_on", LocalDate.class)),
        row.getInt("version"));
  }
}
