package paringknife.bench;

import java.nio.file.Path;

/** What is seen and heard in the browser, on the demo's first episode. */
final class PlateBench {
  private PlateBench() {}

  /**
   * @param ingested folder of the episode, which is taken in where it has not been
   */
  static void run(Path demo, Path ingested, Path work) throws Exception {
    try (ServedDemo served = ServedDemo.open(demo, ingested, work)) {
      SeekBench.run(served);
      StyleBench.run(served.address(), served.episode());
      DragBench.run(served.address(), served.episode());
    }
  }
}
