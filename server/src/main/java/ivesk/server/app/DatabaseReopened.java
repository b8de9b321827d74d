package ivesk.server.app;

/// The database had closed itself and is open again: what was read of it before may not be what it
/// holds now. Whoever keeps some of it at hand forgets it.
public record DatabaseReopened() {}
