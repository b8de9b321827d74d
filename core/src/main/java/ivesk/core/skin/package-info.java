/// How skin is assessed: zones and areas, the two looks, phototype, oil, sensitivity, conditions
/// and goals.
package ivesk.core.skin;
