package ivesk.server.app;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/// What is read at every turn and seldom written: read once, and again after whoever wrote it has
/// committed. A transaction that has written it reads what it wrote.
public final class Remembered<T> {
  private final Supplier<T> read;
  private @Nullable T known;
  private long changes;

  public Remembered(Supplier<T> read) {
    this.read = read;
  }

  public T get() {
    if (changedHere()) return read.get();
    long before;
    synchronized (this) {
      if (known != null) return known;
      before = changes;
    }
    T fresh = read.get();
    synchronized (this) {
      // What was read while somebody committed may be older than that.
      if (changes == before) known = fresh;
    }
    return fresh;
  }

  /// To be called by whoever writes it, inside the same transaction.
  public void changed() {
    if (TransactionSynchronizationManager.isSynchronizationActive()) {
      TransactionSynchronizationManager.registerSynchronization(new Forget());
    } else {
      forget();
    }
  }

  private boolean changedHere() {
    return TransactionSynchronizationManager.isSynchronizationActive()
        && TransactionSynchronizationManager.getSynchronizations().stream()
            .anyMatch(one -> one instanceof Remembered<?>.Forget forget && forget.of() == this);
  }

  /// Reads it again at the next turn.
  public synchronized void forget() {
    changes++;
    known = null;
  }

  private final class Forget implements TransactionSynchronization {
    Remembered<T> of() {
      return Remembered.this;
    }

    @Override
    public void afterCompletion(int status) {
      forget();
    }
  }
}
