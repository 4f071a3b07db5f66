package paringknife.server.episodes;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.listen.LevelCurve;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.SoundPicture;
import paringknife.media.store.WholeFile;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What ingest made of an episode, as files in one folder. */
public record EpisodeFolder(Path root) {
  private static final JsonMapper JSON =
      JsonMapper.builder()
          .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_NULL))
          .build();

  public Path proxy() {
    return root.resolve("proxy.mp4");
  }

  public Path sound() {
    return root.resolve("sound.flac");
  }

  /**
   * When the sound was made, milliseconds since 1970; another choice of microphones makes it anew.
   */
  public long soundMadeAt() {
    return sound().toFile().lastModified();
  }

  private Path drawnPicture() {
    return root.resolve("picture.mkv");
  }

  /**
   * The recording that is seen and rendered from: where the source has no picture, one drawn from
   * its sound.
   */
  public Recording recording(Path source) {
    return Probe.of(Files.exists(drawnPicture()) ? drawnPicture() : source);
  }

  /** Draws a picture for a recording that has none. */
  Recording withPicture(Recording source, DoubleConsumer progress) {
    if (source.picture() != null) {
      return source;
    }
    return Probe.of(
        Files.exists(drawnPicture())
            ? drawnPicture()
            : SoundPicture.draw(source, drawnPicture(), progress));
  }

  /** The thumbnail nearest to a time; one is there for each {@link Ingest#THUMBNAIL_SECONDS}. */
  public Path thumbnailAt(long us) {
    long nearest = 1 + Math.round(Math.max(0, us) / 1e6 / Ingest.THUMBNAIL_SECONDS);
    return Files.exists(thumbnail(nearest))
        ? thumbnail(nearest)
        : thumbnail(Math.max(1, nearest - 1));
  }

  private Path thumbnail(long number) {
    return Ingest.thumbnails(proxy()).resolve(String.format(Locale.ROOT, "%05d.jpg", number));
  }

  public Path poster() {
    return root.resolve("poster.jpg");
  }

  private Path levels() {
    return root.resolve("levels.f32");
  }

  private Path pauseLevels() {
    return root.resolve("pause-levels.f32");
  }

  private Path shots() {
    return root.resolve("shots.json");
  }

  private Path faces() {
    return root.resolve("faces.json");
  }

  public void create() {
    try {
      Files.createDirectories(root);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Lets the next ingest make everything again; until then what is there stays. */
  public void makeAnew() {
    delete(faces());
  }

  private static void delete(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Whether ingest has finished here: its last file is written last. */
  public boolean isComplete() {
    return Files.exists(faces());
  }

  /**
   * Keeps what ingest found out.
   *
   * @param pauseLevels the curve of the sound in which pauses are looked for
   */
  public void writeAnalysis(
      LevelCurve curve, LevelCurve pauseLevels, List<FaceSample> samples, ShotList shots) {
    write(curve, levels());
    if (pauseLevels.equals(curve)) {
      delete(pauseLevels());
    } else {
      write(pauseLevels, pauseLevels());
    }
    WholeFile.write(shots(), JSON.writeValueAsBytes(shots));
    WholeFile.write(faces(), JSON.writeValueAsBytes(samples));
  }

  private static void write(LevelCurve curve, Path file) {
    ByteBuffer bytes =
        ByteBuffer.allocate(curve.windows() * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
    bytes.asFloatBuffer().put(curve.dbfs());
    WholeFile.write(file, bytes.array());
  }

  /** The level of what is heard. */
  public LevelCurve readLevels() {
    return read(levels());
  }

  /**
   * The level curve to look for pauses in: that of what is heard, unless rumble would hide them in
   * it.
   */
  LevelCurve readPauseLevels(LevelCurve heard) {
    return Files.exists(pauseLevels()) ? read(pauseLevels()) : heard;
  }

  private static LevelCurve read(Path file) {
    try {
      byte[] bytes = Files.readAllBytes(file);
      float[] values = new float[bytes.length / Float.BYTES];
      ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(values);
      return new LevelCurve(values);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** The shots; one for all where it was taken in before they were looked for. */
  ShotList readShots() {
    try {
      return Files.exists(shots())
          ? JSON.readValue(Files.readAllBytes(shots()), ShotList.class)
          : ShotList.ONE;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  List<FaceSample> readFaces() {
    try {
      return JSON.readValue(Files.readAllBytes(faces()), new TypeReference<List<FaceSample>>() {});
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
