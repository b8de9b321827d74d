/// What all findings together leave open.
package ivesk.core.screening.limits;
