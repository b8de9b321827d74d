/// What will be done and what must be ready: the stage with its zones, layers and times, the weeks
/// before, and the trolley.
package ivesk.core.plan;
