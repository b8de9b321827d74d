/// What the events have come to: a pure fold, in parts that each fold the facts that are theirs.
package ivesk.core.treatment.state;
