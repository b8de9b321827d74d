package ivesk.server.visit;

import java.time.LocalDate;
import java.util.UUID;

/// A peel was signed, with acid on the skin: what was laid out for it is used up. Told within the
/// transaction of the signature.
///
/// @param day of the signature
public record PeelSigned(UUID visitId, LocalDate day, String who) {}
