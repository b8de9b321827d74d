/// A visit: who comes when into which room, and how far along its eight stations it is.
package ivesk.server.visit;
