package ivesk.server.skin;

import ivesk.core.skin.SkinColour;
import java.util.UUID;

/// A hand-held colorimeter as the application meets it, real or simulated.
interface Colorimeter {

  /// Where its head is put.
  enum Site {
    /// Inner upper arm, which gives the class.
    ARM,
    /// Cheek, for follow-up.
    FACE
  }

  /// One reading in CIELAB (D65).
  ///
  /// @param clientId on whom the head is put
  SkinColour read(UUID clientId, Site site);
}
