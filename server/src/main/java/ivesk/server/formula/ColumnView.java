package ivesk.server.formula;

import java.util.List;

/// A field of a label, for the form and its words.
public record ColumnView(
    String field,
    String group,
    LabelColumn.Kind kind,
    String label,
    String unit,
    String help,
    boolean needed,
    String initial,
    List<LabelColumn.ColumnOption> options) {

  public static ColumnView of(LabelColumn column) {
    return new ColumnView(
        column.field(),
        column.group().label(),
        column.kind(),
        column.label(),
        column.unit(),
        column.help(),
        column.needed(),
        column.initial(),
        column.options());
  }
}
