/// After: the sheet, the next date and the plan for next time.
package ivesk.server.aftercare;
