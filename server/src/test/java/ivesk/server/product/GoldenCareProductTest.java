package ivesk.server.product;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.product.CareProduct;
import ivesk.core.product.GenericProducts;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import ivesk.server.formula.LabelColumn;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import org.junit.jupiter.api.Test;

/// A practice's own product that is no peel, in every version in which it was ever kept.
class GoldenCareProductTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  private static CareProduct shipped(String code) {
    return GenericProducts.ALL.stream()
        .filter(product -> product.code().equals(code))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void isReadInEachVersionAndWrittenInTheNewest() {
    for (String code : new String[] {"MASK-SET", "ARGI-WIPE", "ACID-PREP"}) {
      CareProduct product = shipped(code);
      byte[] kept = STORAGE.write(StoredProduct.SHAPE, StoredProduct.of(product));
      GoldenFiles.addMissing("CareProduct-" + code + ".v1", kept);
      assertThat(
              STORAGE
                  .read(GoldenFiles.bytes("CareProduct-" + code + ".v1"), StoredProduct.SHAPE)
                  .product())
          .isEqualTo(product);
    }
  }

  @Test
  void everyShippedProductComesBackAsItWasKeptAndSent() {
    for (CareProduct product : GenericProducts.ALL) {
      byte[] kept = STORAGE.write(StoredProduct.SHAPE, StoredProduct.of(product));
      assertThat(STORAGE.read(kept, StoredProduct.SHAPE).product()).isEqualTo(product);
      assertThat(ProductLabel.of(product).product(product.version())).isEqualTo(product);
    }
  }

  @Test
  void everyFieldOfALabelHasItsColumn() {
    assertThat(ProductColumns.ALL)
        .extracting(LabelColumn::field)
        .containsExactlyInAnyOrderElementsOf(
            Arrays.stream(ProductLabel.class.getRecordComponents())
                .map(RecordComponent::getName)
                .toList());
    assertThat(ProductColumns.heads()).doesNotHaveDuplicates();
  }
}
