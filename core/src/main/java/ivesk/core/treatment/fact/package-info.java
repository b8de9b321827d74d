/// What happened, as events: each with its id, its time and who said it.
package ivesk.core.treatment.fact;
