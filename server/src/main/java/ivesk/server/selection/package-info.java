/// Choose: the rack for one visit.
package ivesk.server.selection;
