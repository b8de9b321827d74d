/// Which acid and how strong: the gates that shut a formula, the score that ranks what is left, and
/// the sentences that explain both.
package ivesk.core.selection;
