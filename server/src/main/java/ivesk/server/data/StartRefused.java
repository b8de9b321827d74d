package ivesk.server.data;

/// Ivesk does not start on these data: what is wrong, and what to do, a line each.
public class StartRefused extends RuntimeException {
  public StartRefused(String wrong, String what) {
    super(wrong + System.lineSeparator() + what);
  }
}
