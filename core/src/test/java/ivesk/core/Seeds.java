package ivesk.core;

import static org.quicktheories.QuickTheory.qt;
import static org.quicktheories.generators.SourceDSL.longs;

import java.util.function.LongConsumer;

/// Properties that hold for whatever a seed draws; a failure names its seed.
public final class Seeds {
  private Seeds() {}

  public static void tried(int times, LongConsumer property) {
    qt().withExamples(times)
        .withShrinkCycles(0)
        .forAll(longs().between(0, Long.MAX_VALUE - 1))
        .checkAssert(property::accept);
  }
}
