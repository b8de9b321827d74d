/// How far a visit is along its eight stations, and Today. The top floor: it looks at all rooms,
/// none looks at it.
package ivesk.server.path;
