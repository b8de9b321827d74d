package ivesk.server.series;

import ivesk.core.skin.Region;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;

/// A course as it is wished for.
///
/// @param formulas by code: one, or two that alternate
/// @param first the day of the first peel
/// @param hour of each visit
record CourseWish(
    List<String> formulas,
    int layers,
    int count,
    LocalDate first,
    LocalTime hour,
    int minutes,
    String room,
    Region region,
    boolean maintenance) {}
