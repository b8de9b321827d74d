package ivesk.server.client;

import ivesk.server.app.Problems.NotFound;
import java.sql.ResultSet;
import java.sql.SQLException;
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
            INSERT INTO client (id, name, date_of_birth, occupation, height_cm, weight_kg,
                                allergies, comfort, guardian)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            client.id(),
            client.name(),
            client.dateOfBirth(),
            client.occupation(),
            client.heightCm().orElse(null),
            client.weightKg().orElse(null),
            client.allergies(),
            client.comfort(),
            client.guardian())
        .update();
  }

  public Client get(UUID id) {
    return jdbc.sql("SELECT * FROM client WHERE id = ?")
        .param(id)
        .query(ClientStore::client)
        .optional()
        .orElseThrow(() -> new NotFound("client", id));
  }

  public List<Client> all() {
    return jdbc.sql("SELECT * FROM client ORDER BY name").query(ClientStore::client).list();
  }

  private static Client client(ResultSet row, int n) throws SQLException {
    return new Client(
        row.getObject("id", UUID.class),
        row.getString("name"),
        row.getObject("date_of_birth", java.time.LocalDate.class),
        row.getString("occupation"),
        Optional.ofNullable(row.getObject("height_cm", Double.class)),
        Optional.ofNullable(row.getObject("weight_kg", Double.class)),
        row.getString("allergies"),
        row.getString("comfort"),
        row.getString("guardian"));
  }
}
