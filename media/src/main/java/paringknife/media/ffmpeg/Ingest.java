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
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.locks.LockSupport;
import java.util.function.DoubleConsumer;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.frame.text.SeenText;
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
   * @param faces that each camera sees
   * @param texts that stand in each camera's picture
   * @param shots of each camera
   */
  public record Result(
      LevelCurve levels,
      LevelCurve pauseLevels,
      List<List<FaceSample>> faces,
      List<List<SeenText>> texts,
      List<ShotList> shots) {}

  private record Curves(LevelCurve own, LevelCurve forPauses) {}

  /** One thumbnail for so many seconds, the first at the start. */
  public static final int THUMBNAIL_SECONDS = 10;

  private static final int THUMBNAIL_WIDTH = 192;

  private final Cameras cameras;
  private final Recording recording;
  private final List<HeardSound> heard;
  private final Path proxy;
  private final Path sound;
  private final PictureReader pictures;

  /** Takes in a recording with its own sound. */
  public Ingest(Recording recording, Path proxy, Path sound) {
    this(Cameras.of(recording), List.of(), proxy, sound);
  }

  /**
   * @param cameras all that is seen; see {@link SoundPicture} for a recording without a picture
   * @param heard what is heard instead of the first camera's sound; empty for that
   * @param proxy where the small picture file for the browser goes
   * @param sound where the lossless 48 kHz stereo sound goes
   */
  public Ingest(Cameras cameras, List<HeardSound> heard, Path proxy, Path sound) {
    this(cameras, heard, proxy, sound, new AnalysisPictures(cameras)::read);
  }

  Ingest(Cameras cameras, List<HeardSound> heard, Path proxy, Path sound, PictureReader pictures) {
    this.cameras = cameras;
    this.recording = cameras.first();
    this.heard = List.copyOf(heard);
    this.proxy = proxy;
    this.sound = sound;
    this.pictures = pictures;
  }

  /** Where the thumbnails of a proxy lie: {@code 00001.jpg} and on. */
  public static Path thumbnails(Path proxy) {
    return proxy.resolveSibling("thumbnails");
  }

  /** Where what was cut out of a proxy's pictures lies. */
  public static Path mattes(Path proxy) {
    return proxy.resolveSibling("mattes");
  }

  /** Looks at the small pictures as they come. */
  interface PictureReader {
    AnalysisPictures.Seen read(InputStream pictures) throws IOException;
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
      AnalysisPictures.Seen seen =
          takingIn(proxyPart, soundPart, thumbnailsPart, pcm)
              .with("-map", "[shots]", "-f", "rawvideo", small.toString())
              .telling(recording.durationUs(), progress)
              .within(limit())
              .read(pictures::read);
      release(levels, pcm);
      Result result =
          new Result(
              levels.get().own(),
              levels.get().forPauses(),
              whileRunning(seen.faces()),
              seen.texts(),
              shots(small));
      WholeFile.move(proxyPart, proxy);
      WholeFile.move(soundPart, sound);
      FolderTree.delete(mattes(proxy));
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

  /** A camera that stands still sees nobody. */
  private List<List<FaceSample>> whileRunning(List<List<FaceSample>> faces) {
    List<List<FaceSample>> seen = new ArrayList<>();
    for (int c = 0; c < faces.size(); c++) {
      Camera camera = cameras.all().get(c);
      seen.add(faces.get(c).stream().filter(s -> camera.runsAt(s.timeUs())).toList());
    }
    return seen;
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
    cameras.all().stream().skip(1).forEach(other -> run.recording(other.recording().file()));
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
    AnalysisPictures analysis = new AnalysisPictures(cameras);
    if (analysis.areOfTheProxy()) {
      graph.append(proxyPictures(analysis, firstHeard + heard.size()));
      graph.append(",split=4[proxy][va][vt][vs];[va]");
      graph.append(analysis.filters()).append("[frames];");
    } else {
      graph.append("[0:v:0]").append(Straightened.filters(recording.picture()));
      graph.append("split=2[vp][va];[vp]").append(small(analysis));
      graph.append(",split=3[proxy][vt][vs];[va]");
      graph.append(analysis.filters()).append("[frames];");
    }
    graph.append("[vs]").append(Shots.small(cameras.grid())).append("[shots];");
    String tens = "floor(%s/" + THUMBNAIL_SECONDS + ")";
    graph.append(
        String.format(
            Locale.ROOT,
            "[vt]%sselect='isnan(prev_selected_t)+gt("
                + tens
                + ","
                + tens
                + ")',scale=%d:-2[thumbnails];",
            cameras.isOne() ? "" : firstTile(analysis),
            "t",
            "prev_selected_t",
            THUMBNAIL_WIDTH));
    graph.append(
        heard.isEmpty()
            ? SoundGraph.own(audio, recording.soundChannels())
            : SoundGraph.mixed(heard, firstHeard, recording.durationUs()));
    return graph.append(",asplit=3[ap][af][al]").toString();
  }

  private static String firstTile(AnalysisPictures analysis) {
    return "crop=" + analysis.tileWidth() + ":" + analysis.tileHeight() + ":0:0,";
  }

  /** The pictures of the first camera as small as they are in the proxy. */
  private String small(AnalysisPictures analysis) {
    return "fps="
        + cameras.rate()
        + ":start_time=0,scale=-2:"
        + analysis.tileHeight()
        + ":flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p";
  }

  /**
   * The pictures of all cameras side by side; where one began later or ended earlier it stands
   * still.
   *
   * @param firstOther the input of the second camera
   */
  private String proxyPictures(AnalysisPictures analysis, int firstOther) {
    if (cameras.isOne()) {
      return "[0:v:0]" + Straightened.filters(recording.picture()) + small(analysis);
    }
    CameraGrid grid = cameras.grid();
    StringBuilder graph = new StringBuilder();
    StringBuilder tiles = new StringBuilder();
    for (int c = 0; c < cameras.all().size(); c++) {
      Camera camera = cameras.all().get(c);
      int input = c == 0 ? 0 : firstOther + c - 1;
      graph.append(
          String.format(
              Locale.ROOT,
              "[%d:v:0]%sfps=%s:start_time=0,"
                  + "scale=%d:%d:flags=area:out_color_matrix=bt709:out_range=tv,format=yuv420p,"
                  + "pad=%d:%d:0:0,setsar=1%s[tile%d];",
              input,
              camera.filters(0, 0),
              cameras.rate(),
              AnalysisPictures.even(
                  camera.picture().width() * analysis.tileWidth() / (double) grid.roomAcross()),
              AnalysisPictures.even(
                  camera.picture().height() * analysis.tileHeight() / (double) grid.roomDown()),
              analysis.tileWidth(),
              analysis.tileHeight(),
              c == 0 ? "" : ",tpad=stop=-1:stop_mode=clone",
              c));
      tiles.append("[tile").append(c).append(']');
    }
    return graph
        + tiles.toString()
        + Cameras.sideBySide(grid, analysis.tileWidth(), analysis.tileHeight(), true);
  }

  private List<ShotList> shots(Path small) throws IOException {
    try (InputStream pictures = new BufferedInputStream(Files.newInputStream(small))) {
      return Shots.read(pictures, cameras.rate(), cameras.grid()).stream()
          .map(starts -> ShotList.of(starts, cameras.rate()))
          .toList();
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
