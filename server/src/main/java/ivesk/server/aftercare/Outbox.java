package ivesk.server.aftercare;

import java.time.Instant;
import java.util.UUID;

/// How somebody is told who is not in the room.
interface Outbox {
  /// @param recipient by name
  /// @param body without a client's family name: it may be read on the way
  record Message(
      UUID id, Instant at, UUID visitId, String recipient, String subject, String body) {}

  void send(Message message);
}
