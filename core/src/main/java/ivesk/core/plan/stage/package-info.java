/// What the couch does with the lines: stages, the trolley, the preparation calendar.
package ivesk.core.plan.stage;
