package ivesk.server.client;

import ivesk.core.Language;
import ivesk.core.plan.script.Comfort;
import ivesk.server.app.Problems.NotFound;
import ivesk.server.app.Problems.Refused;
import ivesk.server.app.Problems.Stale;
import ivesk.server.data.ArchiveCheck;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
public class ClientStore implements ArchiveCheck {
  /// A name's beginning, the beginning of a later word of it, inside a word.
  private static final int PLACES = 3;

  private static final int PART = 60;

  private final JdbcClient jdbc;

  ClientStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public void client(UUID id) {
    get(id);
    keepParts(id);
  }

  public void add(Client client) {
    jdbc.sql(
            """
            INSERT INTO client (name, date_of_birth, occupation, sun, height_cm, weight_kg,
                                allergies, comforts, comfort, guardian, language, telephone, mail,
                                search, id)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(values(client))
        .update();
    keepParts(client.id());
  }

  /// Saves over the version that was read.
  ///
  /// @throws Stale when somebody else saved in between
  public void change(Client client) {
    List<Object> values = values(client);
    values.add(client.version());
    int changed =
        jdbc.sql(
                """
                UPDATE client SET name = ?, date_of_birth = ?, occupation = ?, sun = ?,
                                  height_cm = ?, weight_kg = ?, allergies = ?, comforts = ?, comfort = ?,
                                  guardian = ?, language = ?, telephone = ?, mail = ?, search = ?,
                                  version = version + 1
                WHERE id = ? AND version = ?\
                """)
            .params(values)
            .update();
    if (changed == 0) throw new Stale("This client");
    keepParts(client.id());
  }

  public void archive(UUID id, Optional<LocalDate> on) {
    jdbc.sql("UPDATE client SET archived_on = ?, version = version + 1 WHERE id = ?")
        .params(on.orElse(null), id)
        .update();
    keepParts(id);
  }

  public Client get(UUID id) {
    return find(id).orElseThrow(() -> new NotFound("client", id));
  }

  /// One whose chart is a chart of its own.
  ///
  /// @throws Refused where it was joined into another
  public Client standing(UUID id) {
    Client client = get(id);
    client
        .joinedInto()
        .ifPresent(other -> {
          throw new Refused(
              "This chart was joined into that of "
                  + get(other).name()
                  + ". Nothing was written; go on there.");
        });
    return client;
  }

  /// Says that a chart is held by another, or by itself again.
  public void join(UUID id, Optional<UUID> into) {
    jdbc.sql("UPDATE client SET joined_into = ?, version = version + 1 WHERE id = ?")
        .params(into.orElse(null), id)
        .update();
  }

  /// Those whose charts were joined into one.
  public List<UUID> joinedInto(UUID id) {
    return jdbc.sql("SELECT id FROM client WHERE joined_into = ? ORDER BY id")
        .param(id)
        .query(UUID.class)
        .list();
  }

  public Optional<Client> find(UUID id) {
    return jdbc.sql("SELECT * FROM client WHERE id = ?")
        .param(id)
        .query(ClientStore::client)
        .optional();
  }

  /// The one of this name, whatever its case and accents, who was born on this day.
  public Optional<Client> called(String name, LocalDate born) {
    return found(List.of(Client.searchable(name)), false, 0, PLACES).stream()
        .filter(one -> one.dateOfBirth().equals(born))
        .filter(one -> Client.searchable(one.name()).equals(Client.searchable(name)))
        .findFirst();
  }

  /// Some clients, by id.
  public Map<UUID, Client> all(Collection<UUID> ids) {
    if (ids.isEmpty()) return Map.of();
    return jdbc
        .sql("SELECT * FROM client WHERE id IN (:ids)")
        .param("ids", ids)
        .query(ClientStore::client)
        .list()
        .stream()
        .collect(Collectors.toMap(Client::id, client -> client));
  }

  /// Clients whose name holds each of the words: first those whose name begins with the longest of
  /// them, then those with a later name that does, then the others; by name.
  List<Client> find(String words, boolean archived, int most) {
    List<String> all =
        Stream.of(Client.searchable(words).split("\\s+"))
            .filter(word -> !word.isEmpty())
            .sorted(Comparator.comparing(String::length).reversed())
            .toList();
    if (all.isEmpty()) return page(archived, Optional.empty(), most);
    Map<UUID, Client> found = new LinkedHashMap<>();
    for (int place = 0; place < PLACES && found.size() < most; place++) {
      for (Client one : found(all, archived, place, most)) found.putIfAbsent(one.id(), one);
    }
    return found.values().stream().limit(most).toList();
  }

  private List<Client> found(List<String> words, boolean archived, int place, int most) {
    String longest = cut(words.getFirst());
    List<Object> values = new ArrayList<>(List.of(archived, place, longest, longest + '\uffff'));
    StringBuilder others = new StringBuilder();
    for (String word : words.subList(1, words.size())) {
      others.append(" AND search LIKE ? ESCAPE '!'");
      values.add("%" + word.replaceAll("[!%_]", "!$0") + "%");
    }
    values.add(2 * most);
    return jdbc.sql(
            "SELECT client.* FROM client_name_part JOIN client ON client.id = client_id"
                + " WHERE archived = ? AND place = ? AND part >= ? AND part < ?"
                + others
                + " ORDER BY archived, place, part, client_id LIMIT ?")
        .params(values)
        .query(ClientStore::client)
        .list();
  }

  /// Clients by name, from the one after another on.
  ///
  /// @param after the last of the page before; empty for the first page
  List<Client> page(boolean archived, Optional<UUID> after, int most) {
    String name =
        after
            .flatMap(id ->
                jdbc.sql("SELECT search FROM client WHERE id = ?")
                    .param(id)
                    .query(String.class)
                    .optional())
            .map(ClientStore::cut)
            .orElse("");
    return jdbc.sql(
            """
            SELECT client.* FROM client_name_part JOIN client ON client.id = client_id
            WHERE archived = ? AND place = 0 AND part >= ? AND (part > ? OR client_id > ?)
            ORDER BY archived, place, part, client_id LIMIT ?\
            """)
        .params(archived, name, name, after.orElse(new UUID(0, 0)), most)
        .query(ClientStore::client)
        .list();
  }

  int count(boolean archived) {
    int away =
        jdbc.sql("SELECT COUNT(*) FROM client WHERE archived_on >= DATE '1900-01-01'")
            .query(Integer.class)
            .single();
    if (archived) return away;
    return jdbc.sql("SELECT COUNT(*) FROM client").query(Integer.class).single() - away;
  }

  /// So much of a name is kept with its parts.
  private static String cut(String part) {
    return part.length() > PART ? part.substring(0, PART) : part;
  }

  /// Keeps the name from each of its letters on, as it is now.
  private void keepParts(UUID id) {
    jdbc.sql("DELETE FROM client_name_part WHERE client_id = ?").param(id).update();
    jdbc.sql(
            """
            INSERT INTO client_name_part (archived, place, part, client_id)
            SELECT DISTINCT archived_on IS NOT NULL,
              CASE WHEN x = 1 THEN 0
                WHEN SUBSTRING(search, x - 1, 1) IN (' ', '-', '''') THEN 1 ELSE 2 END,
              SUBSTRING(search, x, ?), id
            FROM client, SYSTEM_RANGE(1, 160)
            WHERE id = ? AND x <= CHAR_LENGTH(search)
              AND SUBSTRING(search, x, 1) NOT IN (' ', '-', '''')\
            """)
        .params(PART, id)
        .update();
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
    values.add(client.comforts().stream().map(Comfort::name).collect(Collectors.joining(",")));
    values.add(client.comfort());
    values.add(client.guardian());
    values.add(client.language().name());
    values.add(client.telephone().orElse(null));
    values.add(client.mail().orElse(null));
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
        Arrays.stream(row.getString("comforts").split(","))
            .filter(name -> !name.isEmpty())
            .map(Comfort::valueOf)
            .collect(Collectors.toSet()),
        row.getString("comfort"),
        row.getString("guardian"),
        Language.valueOf(row.getString("language")),
        Optional.ofNullable(row.getString("telephone")),
        Optional.ofNullable(row.getString("mail")),
        Optional.ofNullable(row.getObject("archived_on", LocalDate.class)),
        Optional.ofNullable(row.getObject("joined_into", UUID.class)),
        row.getInt("version"));
  }

  /// The visit of the made-up client of the tour, while there is one.
  public Optional<UUID> tour() {
    return jdbc.sql("SELECT visit_id FROM tour").query(UUID.class).optional();
  }

  public void keepTour(UUID clientId, UUID visitId) {
    jdbc.sql("INSERT INTO tour (client_id, visit_id) VALUES (?, ?)")
        .params(clientId, visitId)
        .update();
  }

  public void forgetOccupation(UUID id) {
    jdbc.sql("UPDATE client SET occupation = '', version = version + 1 WHERE id = ?")
        .param(id)
        .update();
  }

  /// For good; nothing of this client may be left elsewhere.
  public void erase(UUID id) {
    jdbc.sql("DELETE FROM client WHERE id = ?").param(id).update();
  }
}
