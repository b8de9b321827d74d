/// Bench: the arithmetic of strengths, dilutions and neutralisers, answered without saving.
package ivesk.server.formula;
