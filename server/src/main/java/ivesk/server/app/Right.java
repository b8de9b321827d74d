package ivesk.server.app;

import static ivesk.server.app.Role.DESK;
import static ivesk.server.app.Role.OWNER;
import static ivesk.server.app.Role.SUPERVISOR;
import static ivesk.server.app.Role.THERAPIST;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/// Who may do what: one line for each right. Every endpoint names its own by `@May`; one that names
/// none is open to nobody.
public enum Right {
  ANYBODY("signing in, and whether anybody is"),
  KNOW("what holds nobody's data: words, tables, arithmetic", OWNER, SUPERVISOR, THERAPIST, DESK),
  SELF("own password, PIN, second factor and sign-ins", OWNER, SUPERVISOR, THERAPIST, DESK),
  BOOK("Today, clients, the book", OWNER, SUPERVISOR, THERAPIST, DESK),
  RECORD(
      "reading what was asked, planned and done, and who looked at it",
      OWNER,
      SUPERVISOR,
      THERAPIST),
  TREAT("asking, planning, treating, signing", OWNER, SUPERVISOR, THERAPIST),
  SHELF("bottles and the practice's own products", OWNER, SUPERVISOR, THERAPIST),
  CLINICIAN("opening what is restricted", SUPERVISOR),
  PRACTICE("policies, numbers of an alarm, rooms, days", OWNER, SUPERVISOR),
  WATCH("how the installation is, and its backups", OWNER, SUPERVISOR),
  ARCHIVE("taking all records out, and records in", OWNER, SUPERVISOR),
  ERASE("taking out charts past their time, or at the client's wish", OWNER),
  PEOPLE("adding, changing, locking and resetting accounts", OWNER);

  private final String label;
  private final Set<Role> roles;

  Right(String label, Role... roles) {
    this.label = label;
    Set<Role> mine = EnumSet.noneOf(Role.class);
    mine.addAll(List.of(roles));
    this.roles = mine;
  }

  public String label() {
    return label;
  }

  /// @param isIn whether who asks has the role of this name
  public boolean heldBy(Predicate<String> isIn) {
    return roles.stream().anyMatch(role -> isIn.test(role.name()));
  }

  /// Empty where nobody needs to be signed in.
  Set<Role> roles() {
    return roles;
  }

  /// Whether it belongs to a role.
  public boolean allows(Role role) {
    return roles.contains(role);
  }
}
