package ivesk.server.formula;

/// A hand-held scanner of labels as the application meets it, real or simulated.
public interface LabelScanner {

  /// What it types for the bottle that is held before it.
  ///
  /// @param code of the formula in the bottle
  String scan(String code);
}
