package ivesk.core.plan.script;

/// What a step is about.
public sealed interface What {

  /// A peel, by its code on the rack.
  record Peel(String code) implements What {}

  /// Anything else that touches skin, by its code in the catalogue.
  record Use(String code) implements What {}

  record Do(Act act) implements What {}
}
