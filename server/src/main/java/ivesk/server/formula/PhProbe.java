package ivesk.server.formula;

/// The electrode of a pH meter as the application meets it, real or simulated.
interface PhProbe {

  /// mV of the electrode in something.
  ///
  /// @param ph that it truly has, 0 to 14; a real electrode finds it out by itself
  double millivoltsIn(double ph);
}
