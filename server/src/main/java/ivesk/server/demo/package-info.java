/// The demo's practice: two rooms in the harbour town of Skerrow, its people all made up. Past
/// visits are made by running the real engine.
package ivesk.server.demo;
