/// Plan: the formula chosen, the stage made of it, the weeks before and the trolley.
package ivesk.server.plan;
