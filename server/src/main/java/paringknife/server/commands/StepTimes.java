package paringknife.server.commands;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import tools.jackson.databind.node.ObjectNode;

/** How long each step of a batch took, seconds to the millisecond. */
final class StepTimes {
  private final Map<String, Double> seconds = new LinkedHashMap<>();

  /** Takes a step; the times of steps of one name are added up. */
  <T> T step(String name, Supplier<T> work) {
    long from = System.nanoTime();
    try {
      return work.get();
    } finally {
      seconds.merge(
          name,
          Math.round((System.nanoTime() - from) / 1e6) / 1e3,
          (a, b) -> Math.round((a + b) * 1e3) / 1e3);
    }
  }

  void write(ObjectNode times) {
    seconds.forEach(times::put);
  }
}
