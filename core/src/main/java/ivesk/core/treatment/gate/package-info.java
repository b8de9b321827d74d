/// The gates that stand before acid, before the next stage, and before tools and masks.
package ivesk.core.treatment.gate;
