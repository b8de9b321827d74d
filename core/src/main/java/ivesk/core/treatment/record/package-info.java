/// What a log tells: its replay, its corrections, the outcome and the summary.
package ivesk.core.treatment.record;
