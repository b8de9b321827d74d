package ivesk.server.treatment;

import ivesk.core.treatment.advice.DecisionTable;
import ivesk.core.treatment.fact.Row;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// The decision after every look, for a clinician to read: the table that the live session uses.
@May(Right.KNOW)
@RestController
@RequestMapping("/api/decision-table")
class DecisionTableController {

  /// @param number 1 to 17, in order; the first that matches answers
  /// @param passable its END or HOLD may be gone against with a reason
  record LineView(int number, Row row, String when, String then, boolean passable) {}

  @GetMapping
  List<LineView> lines() {
    return DecisionTable.LINES.stream()
        .map(line ->
            new LineView(
                line.row().number(), line.row(), line.when(), line.then(), line.row().passable()))
        .toList();
  }
}
