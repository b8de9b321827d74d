/// The days after: the client's sheet with dates instead of day numbers, and answers to what
/// clients ask.
package ivesk.core.aftercare;
