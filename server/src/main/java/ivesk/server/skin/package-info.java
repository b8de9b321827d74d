/// Consult: what the therapist sees and the client says of the skin.
package ivesk.server.skin;
