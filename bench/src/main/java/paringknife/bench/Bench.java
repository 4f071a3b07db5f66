package paringknife.bench;

import java.nio.file.Files;
import java.nio.file.Path;

/** Prints every figure as a ratio against its stated yardstick, measured in this one run. */
public final class Bench {
  private Bench() {}

  /** The only argument is the folder with the demo episodes. */
  public static void main(String[] arguments) throws Exception {
    Path work = Files.createTempDirectory("pk-bench");
    System.out.printf("%d processors, Java %s%n", Runtime.getRuntime().availableProcessors(), System.getProperty("java.version"));
    LongTranscriptBench.run(work);
    RenderBench.run(Path.of(arguments[0]), work);
    SeekBench.run(Path.of(arguments[0]), work.resolve("episode"), Files.createDirectories(work.resolve("seek")));
    AlignmentBench.run(Path.of(arguments[0]), work.resolve("episode"));
    System.exit(0);
  }
}
