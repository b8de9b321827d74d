/// The one shape of a rule, which screening, objections and contact share.
package ivesk.core.rule;
