package ivesk.server.data;

import java.util.UUID;

/// Reads what a file brought as the application will read it, within the same transaction, before
/// it is kept: a value that no table refuses may still be one of which nothing can be made. What is
/// derived of records is made here too. Each method throws whatever the reading throws.
public interface ArchiveCheck {
  /// What is the practice's own: products, bottles, protocols, closed days.
  default void practice() {}

  default void treatment(UUID id) {}

  default void visit(UUID id) {}

  default void client(UUID id) {}
}
