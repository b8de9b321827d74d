/// The live session: its events, kept in order and on disk before they are acknowledged, and the
/// advice that core gives on them.
package ivesk.server.treatment;
