package ivesk.server.formula;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

/// The table of label columns says all that a product has, in its order.
class LabelColumnTest {

  @Test
  void everyFieldOfAProductHasItsLineAndNoLineIsForNothing() {
    assertThat(LabelColumn.ALL)
        .extracting(LabelColumn::field)
        .containsExactlyElementsOf(
            Arrays.stream(Product.class.getRecordComponents())
                .map(RecordComponent::getName)
                .toList());
  }

  @Test
  void noTwoColumnsHaveOneHead() {
    assertThat(LabelColumn.heads()).doesNotHaveDuplicates();
  }

  @Test
  void aChoiceBeginsWithOneOfItsOptions() {
    assertThat(LabelColumn.ALL)
        .filteredOn(column -> column.kind() == LabelColumn.Kind.CHOICE)
        .hasSize(5)
        .allSatisfy(column ->
            assertThat(column.options())
                .extracting(LabelColumn.ColumnOption::id)
                .contains(column.initial())
                .doesNotContain("OUT_OF_SCOPE", "NONE"));
  }
}
