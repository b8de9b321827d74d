package ivesk.core.screening;

import ivesk.core.formula.Formula;
import ivesk.core.skin.Region;
import java.time.Duration;
import java.time.LocalDate;

/// A peel that was done and signed, as later decisions read it.
///
/// @param contact from the first touch to the ending
/// @param wellTaken no red flag, endpoint or time reached, sensation at the end below hold
/// @param worstSensation 0 to 10
public record PastPeel(
    Formula formula,
    Region region,
    LocalDate on,
    int layers,
    Duration contact,
    boolean wellTaken,
    int worstSensation) {}
