/// The live session: what happened as events, the state they fold to, and the one line of advice
/// after every look.
package ivesk.core.treatment;
