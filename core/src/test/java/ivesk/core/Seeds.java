package ivesk.core;

import static org.quicktheories.QuickTheory.qt;
import static org.quicktheories.generators.SourceDSL.longs;

import java.util.function.LongConsumer;

/// Properties that hold for whatever a seed draws; a failure names its seed. Short here; `./ivesk
/// bench` tries them many times as often.
public final class Seeds {
  private static final int LONGER = Integer.getInteger("ivesk.tries", 1);

  private Seeds() {}

  public static void tried(int times, LongConsumer property) {
    qt().withExamples(times * LONGER)
        .withShrinkCycles(0)
        .forAll(longs().between(0, Long.MAX_VALUE - 1))
        .checkAssert(property::accept);
  }
}
