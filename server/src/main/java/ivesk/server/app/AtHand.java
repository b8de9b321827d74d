package ivesk.server.app;

import java.util.AbstractMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/// The so many that were asked for last; those before them are forgotten, so that no memory fills.
public final class AtHand<K, V> extends AbstractMap<K, V> {
  private final Map<K, V> kept;

  public AtHand(int most) {
    kept =
        new LinkedHashMap<>(16, 0.75f, true) {
          @Override
          protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
            return size() > most;
          }
        };
  }

  @Override
  public synchronized V get(Object key) {
    return kept.get(key);
  }

  @Override
  public synchronized V put(K key, V value) {
    return kept.put(key, value);
  }

  @Override
  public synchronized V remove(Object key) {
    return kept.remove(key);
  }

  @Override
  public synchronized void clear() {
    kept.clear();
  }

  /// Works it out apart: others are not kept waiting.
  @Override
  public V computeIfAbsent(K key, Function<? super K, ? extends V> work) {
    V known = get(key);
    if (known != null) return known;
    V fresh = work.apply(key);
    put(key, fresh);
    return fresh;
  }

  @Override
  public synchronized Set<Map.Entry<K, V>> entrySet() {
    return Set.copyOf(kept.entrySet());
  }
}
