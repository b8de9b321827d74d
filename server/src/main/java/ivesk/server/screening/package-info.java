/// Screen: the answers, consents, overrides and clearances, and the verdict they come to.
package ivesk.server.screening;
