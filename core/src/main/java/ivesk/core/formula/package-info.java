/// Substances, strength, dose, neutraliser, depth, and the library of formulas that ships with
/// Ivesk. A maker's label replaces any number of the library.
package ivesk.core.formula;
