package paringknife.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** Prints every figure as a ratio against its stated yardstick, measured in this one run. */
public final class Bench {
  private Bench() {}

  /**
   * The first argument is the folder with the demo episodes, the others name parts; none means all.
   */
  public static void main(String[] arguments) throws Exception {
    Path work = Files.createTempDirectory("pk-bench");
    System.out.printf(
        Locale.ROOT,
        "%d processors, Java %s%n",
        Runtime.getRuntime().availableProcessors(),
        System.getProperty("java.version"));
    List<String> asked = List.of(arguments).subList(1, arguments.length);
    Path demo = Path.of(arguments[0]);
    if (asked.isEmpty() || asked.contains("transcript")) {
      LongTranscriptBench.run(work);
    }
    if (asked.isEmpty() || asked.contains("load")) {
      LoadBench.run(Files.createDirectories(work.resolve("load")));
    }
    if (asked.isEmpty() || asked.contains("readers")) {
      ReadersBench.run();
    }
    if (asked.isEmpty() || asked.contains("path")) {
      PathBench.run();
    }
    if (asked.isEmpty() || asked.contains("captions")) {
      CaptionBench.run(Files.createDirectories(work.resolve("captions")));
    }
    if (asked.contains("scale")) {
      ScaleBench.run(RenderBench.run(demo, work));
    }
    if (asked.isEmpty() || asked.contains("media")) {
      RenderBench.run(demo, work);
      AlignmentBench.run(demo, work.resolve("episode"));
    }
    if (asked.isEmpty() || asked.contains("plate")) {
      PlateBench.run(demo, work.resolve("episode"), Files.createDirectories(work.resolve("plate")));
    }
    if (asked.isEmpty() || asked.contains("proof")) {
      ProofBench.run(demo, work.resolve("episode"), Files.createDirectories(work.resolve("proof")));
    }
    if (asked.isEmpty() || asked.contains("rest")) {
      RestBench.run(demo, work.resolve("episode"), Files.createDirectories(work.resolve("rest")));
    }
    if (asked.isEmpty() || asked.contains("step")) {
      StepBench.run(Files.createDirectories(work.resolve("step")));
    }
    System.exit(0);
  }
}
