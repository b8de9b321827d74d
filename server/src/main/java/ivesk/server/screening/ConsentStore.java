package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.Consent;
import ivesk.server.app.Problems.NotFound;
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
import tools.jackson.databind.json.JsonMapper;

@Component
class ConsentStore {
  private final JdbcClient jdbc;
  private final JsonMapper json;
  private final Clock clock;

  ConsentStore(JdbcClient jdbc, JsonMapper json, Clock clock) {
    this.jdbc = jdbc;
    this.json = json;
    this.clock = clock;
  }

  /// @param textVersion of the text that was read
  record Kept(
      UUID id,
      UUID clientId,
      Consent consent,
      int textVersion,
      Optional<UUID> signatureId,
      Optional<UUID> guardianSignatureId) {}

  /// A name that was typed has no picture to show.
  private static final String SELECT =
      """
      SELECT consent.*,
        (SELECT id FROM signature WHERE id = signature_id AND picture IS NOT NULL) AS drawn,
        (SELECT id FROM signature WHERE id = guardian_signature_id AND picture IS NOT NULL)
          AS guardian_drawn
      FROM consent WHERE\
      """;

  private static Kept kept(ResultSet row, int n) throws SQLException {
    return new Kept(
        row.getObject("id", UUID.class),
        row.getObject("client_id", UUID.class),
        new Consent(
            Family.valueOf(row.getString("family")),
            row.getObject("signed_on", LocalDate.class),
            row.getString("signed_by"),
            Optional.ofNullable(row.getString("guardian")),
            Optional.ofNullable(row.getObject("withdrawn_on", LocalDate.class))),
        row.getInt("text_version"),
        Optional.ofNullable(row.getObject("drawn", UUID.class)),
        Optional.ofNullable(row.getObject("guardian_drawn", UUID.class)));
  }

  List<Kept> ofClient(UUID clientId) {
    return jdbc.sql(SELECT + " client_id = ? ORDER BY signed_on, id")
        .param(clientId)
        .query(ConsentStore::kept)
        .list();
  }

  Kept get(UUID consentId) {
    return jdbc.sql(SELECT + " id = ?")
        .param(consentId)
        .query(ConsentStore::kept)
        .optional()
        .orElseThrow(() -> new NotFound("consent", consentId));
  }

  /// @param drawn empty for a name that was typed
  UUID sign(String name, Optional<Signature> drawn) {
    UUID id = UUID.randomUUID();
    jdbc.sql(
            "INSERT INTO signature (id, name, strokes, picture, at)"
                + " VALUES (?, ?, ? FORMAT JSON, ?, ?)")
        .params(
            id,
            name,
            drawn.map(d -> json.writeValueAsBytes(d.strokes())).orElse(null),
            drawn.map(Signature::picture).orElse(null),
            OffsetDateTime.now(clock))
        .update();
    return id;
  }

  void add(
      UUID clientId,
      Consent consent,
      int textVersion,
      UUID signature,
      Optional<UUID> guardianSignature,
      String witness) {
    jdbc.sql(
            """
            INSERT INTO consent (id, client_id, family, signed_on, signed_by, guardian, witness,
                                 text_version, signature_id, guardian_signature_id)
            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)\
            """)
        .params(
            UUID.randomUUID(),
            clientId,
            consent.family().name(),
            consent.signedOn(),
            consent.signedBy(),
            consent.guardian().orElse(null),
            witness,
            textVersion,
            signature,
            guardianSignature.orElse(null))
        .update();
  }

  /// @return false when it was withdrawn before
  boolean withdraw(UUID consentId, LocalDate on, String why, String who) {
    return jdbc.sql(
                "UPDATE consent SET withdrawn_on = ?, withdrawn_by = ?, withdrawn_why = ?"
                    + " WHERE id = ? AND withdrawn_on IS NULL")
            .params(on, who, why, consentId)
            .update()
        == 1;
  }

  Optional<byte[]> picture(UUID signatureId) {
    return jdbc.sql("SELECT picture FROM signature WHERE id = ? AND picture IS NOT NULL")
        .param(signatureId)
        .query((row, n) -> row.getBytes("picture"))
        .optional();
  }

  /// With the signatures under them.
  void erase(UUID clientId) {
    List<UUID> signatures =
        jdbc.sql(
                """
                SELECT signature_id FROM consent WHERE client_id = ?
                UNION SELECT guardian_signature_id FROM consent WHERE client_id = ?\
                """)
            .params(clientId, clientId)
            .query((row, n) -> row.getObject(1, UUID.class))
            .list();
    jdbc.sql("DELETE FROM consent WHERE client_id = ?").param(clientId).update();
    for (UUID one : signatures) {
      if (one != null) jdbc.sql("DELETE FROM signature WHERE id = ?").param(one).update();
    }
  }
}
