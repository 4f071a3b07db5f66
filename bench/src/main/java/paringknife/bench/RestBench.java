package paringknife.bench;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.DoubleStream;
import tools.jackson.databind.JsonNode;

/** How long renderings are said to take still, against how long they took. */
final class RestBench {
  private static final int CLIPS = 4;
  private static final int FIRST_WORDS = 50;
  private static final int MORE_WORDS = 15;
  private static final String SPECS = "\"vertical-60\",\"feed-square\",\"wide\"";
  private static final long EVERY_MS = 500;

  /** Said of what ends sooner than this, seconds, is off by its rounding. */
  private static final double LEAST = 5;

  private static final double ALLOWED = 0.2;
  private static final double TENTH = 0.1;

  /** Instead of a rendering. */
  private static final long WHOLE_QUEUE = -1;

  /** What was said at a time, seconds. */
  private record Said(long rendering, double at, double left) {}

  private RestBench() {}

  /** Of clips of the demo, in three specs each. */
  static void run(Path demo, Path ingested, Path work) throws Exception {
    try (ServedDemo served = ServedDemo.open(demo, ingested, work)) {
      run(served.address(), served.episode());
    }
  }

  private static void run(String address, long episode) throws Exception {
    for (String what : List.of("the first ever", "after others")) {
      List<Said> said = new ArrayList<>();
      Map<Long, Double> ended = new HashMap<>();
      for (int i = 0; i < CLIPS; i++) {
        order(address, episode, 150 + 100 * i + what.length(), FIRST_WORDS + MORE_WORDS * i);
      }
      Api.post(address + "/api/renderings", "");
      follow(address, said, ended);
      report(
          "a rendering, " + what,
          said.stream().filter(s -> s.rendering() != WHOLE_QUEUE).toList(),
          ended);
      report(
          "the queue, " + what,
          said.stream().filter(s -> s.rendering() == WHOLE_QUEUE).toList(),
          ended);
    }
  }

  private static void order(String address, long episode, int first, int words) throws Exception {
    JsonNode clip =
        Api.post(
            address + "/api/episodes/" + episode + "/clips",
            "{\"firstWord\":"
                + first
                + ",\"lastWord\":"
                + (first + words)
                + ",\"title\":\"Rest\"}");
    Api.post(
        address + "/api/clips/" + clip.path("id").asLong() + "/changes",
        "{\"revision\":"
            + clip.path("revision").asInt()
            + ",\"intent\":{\"type\":\"askFor\",\"specs\":["
            + SPECS
            + "]}}");
  }

  private static void follow(String address, List<Said> said, Map<Long, Double> ended)
      throws Exception {
    Set<Long> underWay = Set.of();
    int all = 0;
    while (true) {
      JsonNode queue = Api.get(address + "/api/queue");
      double now = System.nanoTime() / 1e9;
      Set<Long> present = new HashSet<>();
      double done = 0;
      for (JsonNode line : queue.path("lines")) {
        if (!line.path("state").asString().matches("WAITING|RENDERING")) {
          continue;
        }
        long id = line.path("renderingId").asLong();
        present.add(id);
        double progress = line.path("progress").asDouble();
        done += progress;
        boolean tells = line.path("state").asString().equals("RENDERING") && progress >= TENTH;
        if (tells && !line.path("secondsLeft").isNull()) {
          said.add(new Said(id, now, line.path("secondsLeft").asDouble()));
        }
      }
      underWay.stream().filter(id -> !present.contains(id)).forEach(id -> ended.put(id, now));
      underWay = present;
      all = Math.max(all, present.size());
      done += all - present.size();
      if (done >= TENTH * all && !queue.path("secondsLeft").isNull()) {
        said.add(new Said(WHOLE_QUEUE, now, queue.path("secondsLeft").asDouble()));
      }
      if (present.isEmpty()) {
        ended.put(WHOLE_QUEUE, now);
        return;
      }
      Thread.sleep(EVERY_MS);
    }
  }

  private static void report(String what, List<Said> said, Map<Long, Double> ended) {
    report(
        what,
        said.stream()
            .filter(s -> ended.get(s.rendering()) - s.at() >= LEAST)
            .mapToDouble(s -> off(s, ended.get(s.rendering()) - s.at())));
  }

  private static double off(Said said, double took) {
    return Math.abs(said.left() - took) / took;
  }

  private static void report(String what, DoubleStream offBy) {
    double[] off = offBy.sorted().toArray();
    if (off.length == 0) {
      System.out.println("rest time of " + what + ": nothing was said");
      return;
    }
    long right = Arrays.stream(off).filter(o -> o <= ALLOWED).count();
    System.out.printf(
        Locale.ROOT,
        "rest time of %s: within 20 %% in %.2f of %d; off by %.2f at the median, %.2f at the 95th"
            + " percentile%n",
        what,
        right / (double) off.length,
        off.length,
        off[off.length / 2],
        off[(int) (off.length * 0.95)]);
  }
}
