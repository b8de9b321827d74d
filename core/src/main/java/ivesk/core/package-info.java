/// The rules of the job and its computation, in the order of the work: practice, skin, formula,
/// screening, selection, plan, treatment, aftercare, series; before them `quantity`, the units. A
/// room knows only the rooms before it. Nothing here asks the time, draws an unseeded random
/// number, or touches a file.
package ivesk.core;
