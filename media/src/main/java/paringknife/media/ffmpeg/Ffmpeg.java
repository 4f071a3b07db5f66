package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.Interrupted;
import paringknife.media.process.ProcessFailed;

/**
 * One run of ffmpeg or ffprobe. All of them are started here, so that all are held to the same:
 * local files only and containers that hold their own media only (no playlist or crafted header
 * makes it read anything else), an end to its time, memory and the size of its files, and work in
 * the background stands back for people.
 */
public final class Ffmpeg {
  /** How much renders step back behind people, as nice(1) counts it. */
  public static final int NICENESS = 10;

  private static final String FORMATS =
      "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,mp3,wav,flac,ogg,aac,avi,mpegts,mpeg,aiff,w64,caf";
  private static final List<String> SAFETY =
      List.of("-protocol_whitelist", "file,pipe,fd", "-format_whitelist", FORMATS);

  /**
   * What it may have in memory of its own: pictures of 8K in flight on two cores take two thirds.
   */
  private static final long MOST_MEMORY = 6L << 30;

  private static final long LARGEST_FILE = 256L << 30;
  private static final int MOST_OUTPUT = 256 * 1024 * 1024;
  private static final int ENDS_WITHIN_S = 1;
  private static final Duration USUAL_LIMIT = Duration.ofMinutes(1);

  private final List<String> command = new ArrayList<>();
  private final String program;

  /** Where options for the whole run go. */
  private final int globals;

  private Duration limit = USUAL_LIMIT;
  private @Nullable Path directory;
  private long totalUs;
  private DoubleConsumer progress = share -> {};
  private @Nullable Feeder fed;

  /** Takes what a run writes to its standard output while it runs. */
  public interface Reader<T> {
    T read(InputStream output) throws IOException;
  }

  /** Gives a run what it reads from its standard input. */
  interface Feeder {
    void feed(OutputStream input) throws IOException;
  }

  /** What a run left: its exit status, what a reader made of its output, and what it said. */
  private record Outcome<T>(int exit, T output, String said) {}

  private Ffmpeg(String program, int niceness, List<String> first) {
    this.program = program;
    if (niceness > 0) {
      command.addAll(List.of("nice", "-n", Integer.toString(niceness)));
    }
    command.addAll(
        List.of("prlimit", "--data=" + MOST_MEMORY, "--fsize=" + LARGEST_FILE, "--core=0"));
    command.add(program);
    command.addAll(first);
    globals = command.size();
  }

  /** A run that somebody waits for. */
  public static Ffmpeg now() {
    return new Ffmpeg("ffmpeg", 0, List.of("-nostdin", "-y", "-v", "error"));
  }

  /** A run that stands back for people. */
  public static Ffmpeg inBackground() {
    return new Ffmpeg("ffmpeg", NICENESS, List.of("-nostdin", "-y", "-v", "error"));
  }

  /**
   * A short run that stands back for people, but not for long ones: what is nearly done is done
   * first.
   */
  static Ffmpeg shortlyInBackground() {
    return new Ffmpeg("ffmpeg", NICENESS / 2, List.of("-nostdin", "-y", "-v", "error"));
  }

  static Ffmpeg probe() {
    return new Ffmpeg("ffprobe", 0, List.of("-v", "error"));
  }

  /** Opens a recording, which may come from a stranger. */
  public Ffmpeg recording(Path file, String... options) {
    command.addAll(SAFETY);
    command.addAll(List.of(options));
    // Where a picture's size changes the filters count on; the first of them makes it one size.
    with("-reinit_filter:v", "0");
    // Neither an option nor a protocol can be made of a name.
    return with("-i", "file:" + file.toAbsolutePath());
  }

  /** Opens a recording to be looked into by ffprobe. */
  Ffmpeg looksInto(Path file) {
    command.addAll(SAFETY);
    return with("file:" + file.toAbsolutePath());
  }

  /** Opens sound that we wrote ourselves: 32-bit float, stereo, 48 kHz. */
  Ffmpeg ownSound(String file) {
    return with("-f", "f32le", "-ar", "48000", "-ac", "2", "-i", file);
  }

  /** Opens what a filter makes out of nothing, for so many seconds. */
  Ffmpeg made(String filter, double seconds) {
    return with("-f", "lavfi", "-t", seconds(seconds), "-i", filter);
  }

  public Ffmpeg with(String... arguments) {
    command.addAll(List.of(arguments));
    return this;
  }

  /** The time after which it is killed. */
  public Ffmpeg within(Duration longest) {
    limit = longest;
    return this;
  }

  /** Where it runs. */
  Ffmpeg in(Path folder) {
    directory = folder;
    return this;
  }

  /**
   * Tells how far it is; whoever is told may throw to end it.
   *
   * @param us length of what it makes, microseconds
   */
  Ffmpeg telling(long us, DoubleConsumer share) {
    totalUs = us;
    progress = share;
    command.addAll(globals, List.of("-progress", "pipe:2"));
    return this;
  }

  /** Seconds as an argument. */
  public static String seconds(double s) {
    return String.format(Locale.ROOT, "%.6f", s);
  }

  /**
   * Runs to the end.
   *
   * @throws ProcessFailed when it exits other than 0 or takes too long
   */
  public byte[] run() {
    return read(output -> output.readNBytes(MOST_OUTPUT));
  }

  /** Like {@link #run}, and answers what it said on its way. */
  String said() {
    return checked(go(output -> output.readNBytes(MOST_OUTPUT))).said();
  }

  /** What it wrote, however it ended; empty where it exited other than 0 and wrote nothing. */
  Result anyExit() {
    Outcome<byte[]> outcome = go(output -> output.readNBytes(MOST_OUTPUT));
    return new Result(outcome.exit(), outcome.output());
  }

  /** An exit status and standard output. */
  record Result(int exit, byte[] output) {
    String text() {
      return new String(output, StandardCharsets.UTF_8);
    }
  }

  /**
   * Runs to the end while a reader takes its standard output.
   *
   * @throws ProcessFailed when it exits other than 0 or takes too long
   */
  public <T> T read(Reader<T> reader) {
    return checked(go(reader)).output();
  }

  /**
   * Runs to the end while it is fed.
   *
   * @throws ProcessFailed when it exits other than 0 or takes too long
   */
  void fed(Feeder feeder) {
    fed = feeder;
    run();
  }

  private <T> Outcome<T> checked(Outcome<T> outcome) {
    if (outcome.exit() != 0) {
      throw new ProcessFailed(program, outcome.exit(), outcome.said());
    }
    return outcome;
  }

  private <T> Outcome<T> go(Reader<T> reader) {
    ExecutorService listener = Executors.newSingleThreadExecutor(Ffmpeg::daemon);
    Process process = start();
    Thread killer = ChildProcess.killAfter(process, limit);
    try {
      Future<String> said = listener.submit(() -> followed(process));
      feed(process, said);
      T output = taken(process, reader, said);
      int exit = process.waitFor();
      String words = heard(said);
      if (killer.getName().endsWith("fired")) {
        throw new ProcessFailed(program, -1, "took longer than " + limit.toSeconds() + " s");
      }
      return new Outcome<>(exit, output, words);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    } finally {
      killer.interrupt();
      ChildProcess.end(process);
      listener.shutdownNow();
    }
  }

  private void feed(Process process, Future<String> said) throws IOException, InterruptedException {
    try (OutputStream input = process.getOutputStream()) {
      if (fed != null) {
        fed.feed(input);
      }
    } catch (IOException | RuntimeException e) {
      // A run that ended by itself says better why than the pipe that broke.
      boolean ended = fed != null && process.waitFor(ENDS_WITHIN_S, TimeUnit.SECONDS);
      ChildProcess.end(process);
      String words = heard(said);
      if (ended && process.exitValue() != 0) {
        throw new ProcessFailed(program, process.exitValue(), words);
      }
      if (!ended) {
        throw e;
      }
    }
  }

  /**
   * Where a reader fails because whoever is told of the progress has ended the run, that tells
   * more.
   */
  private static <T> T taken(Process process, Reader<T> reader, Future<String> said)
      throws IOException, InterruptedException {
    try {
      return reader.read(process.getInputStream());
    } catch (IOException | RuntimeException e) {
      ChildProcess.end(process);
      heard(said);
      throw e;
    }
  }

  private static String heard(Future<String> said) throws IOException, InterruptedException {
    try {
      return said.get();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException told) {
        throw told;
      }
      throw new IOException(e.getCause());
    }
  }

  private Process start() {
    ProcessBuilder builder = new ProcessBuilder(command);
    if (directory != null) {
      builder.directory(directory.toFile());
    }
    try {
      return builder.start();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Follows it, and ends it when whoever is told of the progress does not want it any more. */
  private String followed(Process process) throws IOException {
    try {
      return FfmpegProgress.follow(process.getErrorStream(), totalUs, progress);
    } catch (RuntimeException e) {
      process.destroyForcibly();
      throw e;
    }
  }

  private static Thread daemon(Runnable work) {
    Thread thread = new Thread(work, "ffmpeg-says");
    thread.setDaemon(true);
    return thread;
  }
}
