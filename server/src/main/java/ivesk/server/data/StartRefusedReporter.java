package ivesk.server.data;

import org.springframework.boot.SpringBootExceptionReporter;
import org.springframework.context.ConfigurableApplicationContext;

/// Says two lines instead of a stack trace.
class StartRefusedReporter implements SpringBootExceptionReporter {
  StartRefusedReporter(ConfigurableApplicationContext application) {}

  @Override
  public boolean reportException(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      if (cause instanceof StartRefused) {
        System.err.println(cause.getMessage());
        return true;
      }
    }
    return false;
  }
}
