package ivesk.server.formula;

import static org.assertj.core.api.Assertions.assertThat;

import ivesk.core.formula.Formula;
import ivesk.core.formula.Library;
import ivesk.server.app.GoldenFiles;
import ivesk.server.app.StorageMapper;
import org.junit.jupiter.api.Test;

/// A practice's own product, in every version in which it was ever kept.
class GoldenProductTest {
  private static final StorageMapper STORAGE = GoldenFiles.storage();

  private static Formula read(String file) {
    return STORAGE.read(GoldenFiles.bytes(file), StoredFormula.PRODUCT).formula();
  }

  @Test
  void isReadInEachVersionAndWrittenInTheNewest() {
    Formula product = read("Product.v0");
    byte[] kept = STORAGE.write(StoredFormula.PRODUCT, StoredFormula.of(product));
    GoldenFiles.addMissing("Product.v2", kept);
    assertThat(read("Product.v1")).isEqualTo(product);
    assertThat(read("Product.v2")).isEqualTo(product);
    assertThat(GoldenFiles.tree(kept)).isEqualTo(GoldenFiles.json("Product.v2"));
  }

  @Test
  void everyFormulaOfTheLibraryComesBackAsItWasKept() {
    for (Formula formula : Library.FORMULAS) {
      byte[] kept = STORAGE.write(StoredFormula.PRODUCT, StoredFormula.of(formula));
      assertThat(STORAGE.read(kept, StoredFormula.PRODUCT).formula()).isEqualTo(formula);
    }
  }
}
