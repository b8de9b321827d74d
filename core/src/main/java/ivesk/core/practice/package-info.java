/// What a practice decides once: the policies where practitioners disagree, and what its
/// supervising clinician has opened. A maker's instruction on a product overrides a policy.
package ivesk.core.practice;
