package paringknife.media.ffmpeg;

import java.io.BufferedInputStream;
import java.io.FileInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.locks.LockSupport;
import java.util.function.DoubleConsumer;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseSound;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.Interrupted;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.FolderTree;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Takes a recording in: one ffmpeg process decodes it once and feeds the proxy, the lossless sound,
 * the level curve and the pictures for face analysis.
 */
public final class Ingest {
  /**
   * What ingest makes of a recording.
   *
   * @param pauseLevels the level curve to look for pauses in; often the same
   */
  public record Result(
      LevelCurve levels, LevelCurve pauseLevels, List<FaceSample> faces, ShotList shots) {}

  private record Curves(LevelCurve own, LevelCurve forPauses) {}

  /** One thumbnail for so many seconds, the first at the start. */
  public static final int THUMBNAIL_SECONDS = 10;

  private static final int THUMBNAIL_WIDTH = 192;

  private final Recording recording;
  private final Recording.Picture picture;
  private final List<HeardSound> heard;
  private final Path proxy;
  private final Path sound;
  private final PictureReader pictures;

  /** Takes in a recording with its own sound. */
  public Ingest(Recording recording, Path proxy, Path sound) {
    this(recording, List.of(), proxy, sound);
  }

  /**
   * @param recording with a picture; see {@link SoundPicture} for one without
   * @param heard what is heard instead of the recording's own sound; empty for that
   * @param proxy where the small picture file for the browser goes
   * @param sound where the lossless 48 kHz stereo sound goes
   */
  public Ingest(Recording recording, List<HeardSound> heard, Path proxy, Path sound) {
    this(recording, heard, proxy, sound, new AnalysisPictures(recording)::read);
  }

  Ingest(
      Recording recording, List<HeardSound> heard, Path proxy, Path sound, PictureReader pictures) {
    Recording.Picture seen = recording.picture();
    if (seen == null) {
      throw new UnusableRecording(
          recording.file().getFileName() + " has no picture; one has to be drawn first.");
    }
    this.recording = recording;
    this.picture = seen;
    this.heard = List.copyOf(heard);
    this.proxy = proxy;
    this.sound = sound;
    this.pictures = pictures;
  }

  /** Where the thumbnails of a proxy lie: {@code 00001.jpg} and on. */
  public static Path thumbnails(Path proxy) {
    return proxy.resolveSibling("thumbnails");
  }

  /** Looks at the small pictures as they come. */
  interface PictureReader {
    List<FaceSample> read(InputStream pictures) throws IOException;
  }

  /**
   * Runs to the end; both files appear whole or not at all.
   *
   * @param progress told the share done, 0 to 1
   * @throws ProcessFailed when ffmpeg cannot read the recording through
   */
  public Result run(DoubleConsumer progress) {
    try (ScratchFolder scratch = ScratchFolder.in(proxy.toAbsolutePath().getParent())) {
      return run(scratch.path(), progress);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Result run(Path work, DoubleConsumer progress) throws IOException {
    Path pcm = work.resolve("pcm");
    ChildProcess.run(List.of("mkfifo", pcm.toString()), null, Duration.ofSeconds(10));
    Path proxyPart = work.resolve("proxy.mp4");
    Path small = work.resolve("shots.grey");
    Path soundPart = work.resolve("sound.flac");
    Path thumbnailsPart = Files.createDirectories(work.resolve("thumbnails"));
    ExecutorService reader = Executors.newSingleThreadExecutor();
    Future<Curves> levels = reader.submit(() -> readLevels(pcm));
    try {
      List<FaceSample> faces =
          takingIn(proxyPart, soundPart, thumbnailsPart, pcm)
              .with("-map", "[shots]", "-f", "rawvideo", small.toString())
              .telling(recording.durationUs(), progress)
              .within(limit())
              .read(pictures::read);
      release(levels, pcm);
      Result result = new Result(levels.get().own(), levels.get().forPauses(), faces, shots(small));
      WholeFile.move(proxyPart, proxy);
      WholeFile.move(soundPart, sound);
      FolderTree.delete(thumbnails(proxy));
      WholeFile.move(thumbnailsPart, thumbnails(proxy));
      return result;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    } catch (ExecutionException e) {
      throw new IOException(e.getCause());
    } finally {
      release(levels, pcm);
      reader.shutdownNow();
    }
  }

  /**
   * One microphone is one channel in the proxy too: encoding it twice takes as long as the picture.
   */
  private String channels() {
    return heard.isEmpty() && recording.soundChannels() == 1 ? "1" : "2";
  }

  private Duration limit() {
    return Duration.ofSeconds(120 + recording.durationUs() / 1_000_000 * 2);
  }

  private Ffmpeg takingIn(Path proxyPart, Path soundPart, Path thumbnailsPart, Path pcm) {
    Ffmpeg run = Ffmpeg.inBackground().recording(recording.file());
    if (!recording.hasSound()) {
      run.made("anullsrc=r=48000:cl=stereo", recording.durationUs() / 1e6);
    }
    int firstHeard = recording.hasSound() ? 1 : 2;
    heard.forEach(other -> run.recording(other.recording().file()));
    String audio = recording.hasSound() ? "0:a:0" : "1:a:0";
    run.with("-filter_complex", graph(audio, firstHeard));
    run.with("-map", "[proxy]", "-map", "[ap]");
    run.with("-c:v", "libx264", "-preset", "ultrafast", "-tune", "fastdecode", "-crf", "22");
    run.with("-g", "15", "-bf", "0", "-colorspace", "bt709", "-color_primaries", "bt709");
    run.with("-color_trc", "bt709", "-color_range", "tv");
    run.with("-c:a", "aac", "-aac_coder", "fast", "-b:a", "128k", "-ac", channels());
    run.with("-movflags", "+faststart", proxyPart.toString());
    run.with("-map", "[frames]", "-f", "rawvideo", "pipe:1");
    run.with("-map", "[thumbnails]", "-f", "image2", "-fps_mode", "passthrough", "-q:v", "5");
    run.with(thumbnailsPart.resolve("%05d.jpg").toString());
    run.with("-map", "[af]", "-c:a", "flac", "-sample_fmt", "s16", "-compression_level", "2");
    run.with(soundPart.toString());
    return run.with("-map", "[al]", "-f", "s16le", "-c:a", "pcm_s16le", pcm.toString());
  }

  /** One decode gives the proxy, pictures to look at, thumbnails and sound. */
  private String graph(String audio, int firstHeard) {
    StringBuilder graph = new StringBuilder();
    AnalysisPictures analysis = new AnalysisPictures(recording);
    String small =
        "fps="
            + picture.rate()
            + ":start_time=0,scale=-2:"
            + analysis.proxyHeight()
            + ":flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p";
    graph.append("[0:v:0]").append(Straightened.filters(picture));
    if (analysis.areOfTheProxy()) {
      graph
          .append(small)
          .append(",split=4[proxy][va][vt][vs];[va]")
          .append(analysis.filtersAfterProxy())
          .append("[frames];");
    } else {
      graph
          .append("split=2[vp][va];[vp]")
          .append(small)
          .append(",split=3[proxy][vt][vs];[va]")
          .append(analysis.filters())
          .append("[frames];");
    }
    graph.append("[vs]").append(Shots.SMALL).append("[shots];");
    String tens = "floor(%s/" + THUMBNAIL_SECONDS + ")";
    graph.append(
        String.format(
            Locale.ROOT,
            "[vt]select='isnan(prev_selected_t)+gt("
                + tens
                + ","
                + tens
                + ")',scale=%d:-2[thumbnails];",
            "t",
            "prev_selected_t",
            THUMBNAIL_WIDTH));
    graph.append(
        heard.isEmpty()
            ? SoundGraph.own(audio, recording.soundChannels())
            : SoundGraph.mixed(heard, firstHeard, recording.durationUs()));
    return graph.append(",asplit=3[ap][af][al]").toString();
  }

  private ShotList shots(Path small) throws IOException {
    try (InputStream pictures = new BufferedInputStream(Files.newInputStream(small))) {
      return ShotList.of(Shots.read(pictures, picture.rate()), picture.rate());
    }
  }

  private static Curves readLevels(Path pcm) throws IOException {
    LevelCurve.Collector collector = new LevelCurve.Collector(48_000);
    PauseSound pauses = new PauseSound(48_000);
    try (InputStream in = new FileInputStream(pcm.toFile())) {
      byte[] block = new byte[48_000 * 4];
      ByteBuffer samples = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN);
      for (int read = in.readNBytes(block, 0, block.length);
          read > 0;
          read = in.readNBytes(block, 0, block.length)) {
        for (int i = 0; i + 4 <= read; i += 4) {
          int left = samples.getShort(i);
          int right = samples.getShort(i + 2);
          collector.add(Math.max(Math.abs(left), Math.abs(right)) / 32768f);
          pauses.add((left + right) / 65536f);
        }
      }
    }
    LevelCurve own = collector.finish();
    return new Curves(own, PauseSound.choose(own, pauses.finish()));
  }

  /**
   * Lets a reader go that still waits for a writer, should ffmpeg have died before opening the
   * pipe. Opened for both, a pipe neither waits for its other end nor comes into being anew.
   */
  private static void release(Future<?> reader, Path pipe) throws IOException {
    while (!reader.isDone()) {
      FileChannel.open(pipe, StandardOpenOption.READ, StandardOpenOption.WRITE).close();
      LockSupport.parkNanos(Duration.ofMillis(2).toNanos());
    }
  }
}
