package paringknife.server.database;

import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** The values of a kind that were used last, by their number, so many and no more. */
public final class Recent<V> {
  private final int most;
  private final Map<Long, V> values = new LinkedHashMap<>(16, 0.75f, true);

  private final Object[] making = new Object[61];

  public Recent(int most) {
    this.most = most;
    Arrays.setAll(making, i -> new Object());
  }

  public synchronized @Nullable V get(long id) {
    return values.get(id);
  }

  public synchronized void put(long id, V value) {
    values.put(id, value);
    if (values.size() > most) {
      Iterator<Long> oldest = values.keySet().iterator();
      oldest.next();
      oldest.remove();
    }
  }

  public synchronized void remove(long id) {
    values.remove(id);
  }

  public synchronized void clear() {
    values.clear();
  }

  /**
   * The value held, unless it is not the one wanted any more; then one that is made now. Who asks
   * for the same meanwhile waits for it; who asks for another does not.
   */
  public V getOrMake(long id, Function<V, Boolean> isWanted, Function<Long, V> make) {
    V held = get(id);
    if (held != null && isWanted.apply(held)) {
      return held;
    }
    synchronized (making[(int) Math.floorMod(id, (long) making.length)]) {
      V meanwhile = get(id);
      if (meanwhile != null && isWanted.apply(meanwhile)) {
        return meanwhile;
      }
      V made = make.apply(id);
      put(id, made);
      return made;
    }
  }
}
