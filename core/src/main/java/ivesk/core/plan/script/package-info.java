/// A visit or a protocol as lines: what, how much, where, how long, which gate before it, and what
/// the lines are judged in.
package ivesk.core.plan.script;
