package ivesk.server.formula;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;

/// Stands in for a scanner: each bottle of 100 mL has a lot of its own, and is good for a year and
/// a half.
@Component
class SimulatedLabelScanner implements LabelScanner {
  private static final DateTimeFormatter SIX_DIGITS =
      DateTimeFormatter.ofPattern("yyMMdd", Locale.ROOT);

  private final AtomicInteger bottles = new AtomicInteger(2200);
  private final Clock clock;

  SimulatedLabelScanner(Clock clock) {
    this.clock = clock;
  }

  @Override
  public String scan(String code) {
    LocalDate expires = LocalDate.now(clock).plusMonths(18);
    return String.format(
        Locale.ROOT,
        "(240)%s(10)L%d(17)%s(3153)000100",
        code,
        bottles.incrementAndGet(),
        SIX_DIGITS.format(expires));
  }
}
