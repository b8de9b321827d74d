package ivesk.server.treatment;

import ivesk.core.skin.Phototype;
import java.time.Instant;
import java.util.UUID;

/// What a list shows of a signed record: it changes no more.
public record SignedRecord(
    UUID id, UUID visitId, Instant signedAt, String formula, Phototype phototype) {}
