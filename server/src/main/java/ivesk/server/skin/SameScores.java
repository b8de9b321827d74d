package ivesk.server.skin;

import java.util.UUID;

/// Whether no score moved over the last three peels of a client; answered by the room that keeps
/// scores.
public interface SameScores {
  boolean overThreePeels(UUID clientId);
}
