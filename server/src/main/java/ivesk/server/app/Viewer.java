package ivesk.server.app;

import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/// Who asks now. The desk sees who comes, how to reach them and what makes the visit comfortable;
/// allergies are the therapist's.
public final class Viewer {
  private static final String ASK_THE_THERAPIST = "ask the therapist";

  private Viewer() {}

  public static boolean isDesk() {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    return who != null
        && who.getAuthorities().stream()
            .anyMatch(role -> role.getAuthority().equals("ROLE_" + Role.DESK.name()));
  }

  /// Allergies as this role may see them; that there are some is not hidden.
  public static String allergies(String told) {
    return isDesk() && !told.isBlank() ? ASK_THE_THERAPIST : told;
  }
}
