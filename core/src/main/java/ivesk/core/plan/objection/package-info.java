/// What is objected to a line, one file for each group of rules.
package ivesk.core.plan.objection;
