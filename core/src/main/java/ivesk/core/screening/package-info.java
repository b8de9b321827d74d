/// May this client have a peel on this day, and within which limits: questions, rules, findings
/// with scope and date, and the limits they combine to.
package ivesk.core.screening;
