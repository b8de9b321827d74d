/// The advice of a moment, when it changes, what an answer leads to, and which events may follow.
package ivesk.core.treatment.advice;
