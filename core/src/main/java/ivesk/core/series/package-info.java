/// What comes next: the ladder that past peels lead to, the date of the next peel, and the plan for
/// next time.
package ivesk.core.series;
