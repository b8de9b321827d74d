/// The screening of a client as a whole.
package ivesk.core.screening.verdict;
