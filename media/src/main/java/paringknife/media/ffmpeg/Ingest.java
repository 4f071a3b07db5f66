package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.Future;
import java.util.function.DoubleConsumer;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.frame.text.SeenText;
import paringknife.core.listen.LevelCurve;
import paringknife.media.process.ProcessFailed;
import paringknife.media.process.WorkBeside;
import paringknife.media.store.FolderTree;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;

/**
 * Takes a recording in. Its pictures and its sound are each decoded once, side by side by two
 * processes: filters and encoders of one ffmpeg take turns, and would leave half a machine idle.
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

  /** One thumbnail for so many seconds, the first at the start. */
  public static final int THUMBNAIL_SECONDS = 10;

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
    Path film = work.resolve("film.mp4");
    Path encodedSound = work.resolve("sound.m4a");
    Path lossless = work.resolve("sound.flac");
    Path thumbnails = Files.createDirectories(work.resolve("thumbnails"));
    IngestedSound listening = new IngestedSound(recording, heard);
    try (WorkBeside beside = new WorkBeside("takes-sound-in", 1)) {
      Future<IngestedSound.Curves> curves =
          beside.start(() -> listening.run(encodedSound, lossless, limit()));
      try {
        IngestedPictures.Seen seen =
            new IngestedPictures(cameras, pictures)
                .run(
                    film,
                    thumbnails,
                    work.resolve("shots.grey"),
                    limit(),
                    share -> {
                      endWhereItFailed(curves);
                      progress.accept(share);
                    });
        IngestedSound.Curves heardCurves = WorkBeside.outcome(curves);
        Path whole = work.resolve("proxy.mp4");
        join(film, encodedSound, whole);
        WholeFile.move(whole, proxy);
        WholeFile.move(lossless, sound);
        FolderTree.delete(mattes(proxy));
        FolderTree.delete(thumbnails(proxy));
        WholeFile.move(thumbnails, thumbnails(proxy));
        return new Result(
            heardCurves.own(),
            heardCurves.forPauses(),
            seen.looked().faces(),
            seen.looked().texts(),
            seen.shots());
      } finally {
        listening.breakOff();
      }
    }
  }

  /** Pictures need not go on where the sound cannot be taken in. */
  private static void endWhereItFailed(Future<?> listening) {
    if (listening.isDone()) {
      WorkBeside.outcome(listening);
    }
  }

  private void join(Path film, Path encodedSound, Path whole) {
    Ffmpeg.inBackground()
        .recording(film)
        .recording(encodedSound)
        .with("-map", "0:v:0", "-map", "1:a:0", "-c", "copy")
        .with("-movflags", "+faststart", whole.toString())
        .within(limit())
        .run();
  }

  private Duration limit() {
    return Duration.ofSeconds(120 + recording.durationUs() / 1_000_000 * 2);
  }
}
