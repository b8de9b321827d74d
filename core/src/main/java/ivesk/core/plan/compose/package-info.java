/// The plan of a stage, and the lines that Ivesk writes for it.
package ivesk.core.plan.compose;
