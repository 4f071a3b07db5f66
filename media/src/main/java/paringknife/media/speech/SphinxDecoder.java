package paringknife.media.speech;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.function.DoubleConsumer;
import java.util.stream.Stream;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.QuietPlaces;
import paringknife.core.time.Span;
import paringknife.core.transcript.HeardWord;
import paringknife.media.ffmpeg.DecodedSound;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.Interrupted;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.ScratchFolder;

/**
 * Runs Debian's {@code pocketsphinx_batch} over a recording, part by part between quiet places, as
 * many parts at once as there are processors. Word times are exact to its frame of 10 ms, since
 * nothing is left out of the sound.
 */
final class SphinxDecoder {
  private static final long PART_US = 10_000_000;
  private static final double SILENCE_DB = -55;
  private static final Duration LIMIT = Duration.ofHours(12);

  private final Path dictionary;
  private final Path language;

  SphinxDecoder(Path dictionary, Path language) {
    this.dictionary = dictionary;
    this.language = language;
  }

  /**
   * What is heard in a sound file.
   *
   * @param progress told the share done, 0 to 1
   */
  List<HeardWord> decode(Path sound, DoubleConsumer progress) {
    try (ScratchFolder scratch = ScratchFolder.in(Path.of(System.getProperty("java.io.tmpdir")))) {
      Path raw = scratch.path().resolve("sound.raw");
      LevelCurve levels = DecodedSound.of(Probe.of(sound), raw).levels();
      List<Span> parts =
          QuietPlaces.parts(levels, PART_US).stream().filter(p -> isHeard(levels, p)).toList();
      if (parts.isEmpty()) {
        return List.of();
      }
      Files.write(scratch.path().resolve("parts"), lines(parts));
      return decode(scratch.path(), parts, progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }

  /** Whether there is anything in a part; in silence the decoder makes words up. */
  private static boolean isHeard(LevelCurve levels, Span part) {
    for (int i = levels.windowAt(part.startUs()); i <= levels.windowAt(part.endUs() - 1); i++) {
      if (levels.dbfs()[i] > SILENCE_DB) {
        return true;
      }
    }
    return false;
  }

  private static List<String> lines(List<Span> parts) {
    List<String> lines = new ArrayList<>();
    for (Span part : parts) {
      lines.add(
          String.format(
              Locale.ROOT,
              "sound %d %d %d",
              part.startUs() / 10_000,
              part.endUs() / 10_000,
              lines.size()));
    }
    return lines;
  }

  private List<HeardWord> decode(Path work, List<Span> parts, DoubleConsumer progress)
      throws IOException, InterruptedException {
    int runs = Math.max(1, Math.min(Runtime.getRuntime().availableProcessors(), parts.size()));
    List<Process> processes = new ArrayList<>();
    try {
      for (int r = 0; r < runs; r++) {
        int from = parts.size() * r / runs;
        int to = parts.size() * (r + 1) / runs;
        processes.add(start(work, r, from, to - from));
      }
      long until = System.nanoTime() + LIMIT.toNanos();
      for (Process process : processes) {
        while (!process.waitFor(500, TimeUnit.MILLISECONDS)) {
          progress.accept(Math.min(0.99, done(work) / (double) parts.size()));
          if (System.nanoTime() > until) {
            throw new ProcessFailed(
                "pocketsphinx_batch", -1, "took longer than " + LIMIT.toHours() + " hours");
          }
        }
        if (process.exitValue() != 0) {
          throw new ProcessFailed(
              "pocketsphinx_batch", process.exitValue(), "the recogniser stopped");
        }
      }
    } finally {
      processes.forEach(ChildProcess::end);
    }
    progress.accept(1);
    List<HeardWord> heard = new ArrayList<>();
    for (int r = 0; r < runs; r++) {
      read(work.resolve("heard-" + r), parts, heard);
    }
    heard.sort(Comparator.comparingLong(HeardWord::startUs));
    return heard;
  }

  private Process start(Path work, int run, int skipped, int count) throws IOException {
    return new ProcessBuilder(
            "pocketsphinx_batch",
            "-hmm",
            SphinxModel.acoustic().toString(),
            "-dict",
            dictionary.toString(),
            "-lm",
            language.toString(),
            "-adcin",
            "yes",
            "-adchdr",
            "0",
            "-cepdir",
            ".",
            "-cepext",
            ".raw",
            "-ctl",
            "parts",
            "-ctloffset",
            Integer.toString(skipped),
            "-ctlcount",
            Integer.toString(count),
            "-remove_silence",
            "no",
            "-ctm",
            "heard-" + run,
            "-logfn",
            "log-" + run)
        .directory(work.toFile())
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  /** Parts that were begun, by what the decoders say in their logs. */
  private static long done(Path work) throws IOException {
    long done = 0;
    try (Stream<Path> files = Files.list(work)) {
      for (Path log : files.filter(f -> f.getFileName().toString().startsWith("log-")).toList()) {
        try (Stream<String> lines =
            Files.lines(log, java.nio.charset.StandardCharsets.ISO_8859_1)) {
          done += lines.filter(l -> l.contains("Decoding '")).count();
        }
      }
    }
    return done;
  }

  /** NIST's CTM: part, channel, start, length, word, confidence. */
  private static void read(Path ctm, List<Span> parts, List<HeardWord> heard) throws IOException {
    if (!Files.exists(ctm)) {
      return;
    }
    for (String line : Files.readAllLines(ctm)) {
      String[] field = line.trim().split("\\s+");
      if (field.length < 6
          || field[4].startsWith("<")
          || field[4].startsWith("[")
          || field[4].startsWith("++")) {
        continue;
      }
      long partUs = parts.get(Integer.parseInt(field[0])).startUs();
      long start = partUs + Math.round(Double.parseDouble(field[2]) * 1e6);
      long end = start + Math.round(Double.parseDouble(field[3]) * 1e6) + 10_000;
      double confidence = Math.max(0, Math.min(1, Double.parseDouble(field[5])));
      heard.add(new HeardWord(field[4].replaceAll("\\(\\d+\\)$", ""), start, end, confidence));
    }
  }
}
