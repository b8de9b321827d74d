package ivesk.core.plan.script;

import ivesk.core.product.Role;
import java.time.Duration;

/// The kinds of steps in their usual order, each with the time that it takes where none is written;
/// the times are Ivesk's own defaults.
public enum StepKind {
  LOOK("look", 2),
  REMOVE("remove", 1),
  CLEANSE("cleanse", 2),
  PREP("prep", 2),
  GUARD("guard", 1),
  /// A stage: its time is the formula's.
  ACID("acid", 0),
  ENDING("ending", 3),
  REST("rest", 3),
  TOOL("tool", 5),
  MASK("mask", 10),
  PRODUCT("product", 1),
  SUNSCREEN("sunscreen", 1),
  LEAVING_CHECK("leaving check", 1);

  private final String label;
  private final int minutes;

  StepKind(String label, int minutes) {
    this.label = label;
    this.minutes = minutes;
  }

  public String label() {
    return label;
  }

  /// Where no time is written.
  public Duration usual() {
    return Duration.ofMinutes(minutes);
  }

  /// Where a product of some role usually stands.
  public static StepKind of(Role role) {
    return switch (role) {
      case MAKE_UP_REMOVER -> REMOVE;
      case CLEANSER, ACID_WASH -> CLEANSE;
      case SOLVENT_WIPE, ACID_PREP -> PREP;
      case BARRIER -> GUARD;
      case NEUTRALISER, COMPRESS -> ENDING;
      case MASK -> MASK;
      case TONER, SERUM, MOISTURISER, EYE_CARE, LIP_CARE, FINISHER, HOME_CARE -> PRODUCT;
      case SUNSCREEN -> SUNSCREEN;
    };
  }
}
