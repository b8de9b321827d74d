package ivesk.server.treatment;

import org.springframework.stereotype.Component;

/// Forces to the disk what was committed. Who comes while one force is under way waits for the
/// next, which serves all who wait: many writers cost hardly more than one.
@Component
class Disk {
  private final TreatmentStore store;
  private long asked;
  private long done;
  private boolean busy;

  Disk(TreatmentStore store) {
    this.store = store;
  }

  /// Returns when everything that was committed before the call is on the disk.
  void force() {
    long upTo;
    synchronized (this) {
      long own = ++asked;
      while (busy && done < own) await();
      if (done >= own) return;
      busy = true;
      upTo = asked;
    }
    boolean forced = false;
    try {
      store.force();
      forced = true;
    } finally {
      synchronized (this) {
        busy = false;
        if (forced) done = Math.max(done, upTo);
        notifyAll();
      }
    }
  }

  private void await() {
    try {
      wait();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException("interrupted before the disk was reached", e);
    }
  }
}
