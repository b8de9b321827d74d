/// HTTP, SQL and accounts around the rules of core. A room has a controller (no rule), a store (its
/// own tables only) and, where a transaction or a call into core needs it, a service.
package ivesk.server;
