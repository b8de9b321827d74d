/// One instant looked at: what a decision reads, with what follows from plan, state and time.
package ivesk.core.treatment.moment;
