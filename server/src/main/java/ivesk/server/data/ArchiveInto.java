package ivesk.server.data;

import ivesk.server.data.ArchiveFormat.Bearer;
import java.sql.Connection;

/// Where rows go, within the open transaction.
record ArchiveInto(
    Connection connection, ArchiveSchema schema, ArchiveTouched touched, Bearer bearer) {}
