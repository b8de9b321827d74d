/// The rules of screening, one file for each chapter of the table, and what they may say.
package ivesk.core.screening.rule;
