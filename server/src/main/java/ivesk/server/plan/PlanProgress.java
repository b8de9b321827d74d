package ivesk.server.plan;

import java.util.Optional;

/// How far a visit's plan has come.
///
/// @param formula that was chosen
/// @param layers wished for
/// @param kept whether the plan is
public record PlanProgress(String formula, Optional<Integer> layers, boolean kept) {}
