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
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.colour.SeenColours;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.frame.text.SeenText;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.Placement;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.ColourReading;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.SoundPicture;
import paringknife.media.store.WholeFile;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What ingest made of an episode, as files in one folder. */
public record EpisodeFolder(Path root) {
  private static final int COLOUR_PLACES = 24;
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

  /** Of a camera, counted from 0; the first ones bear no number. */
  private Path ofCamera(String what, int camera) {
    return root.resolve(camera == 0 ? what + ".json" : what + "-" + (camera + 1) + ".json");
  }

  private Path faces() {
    return ofCamera("faces", 0);
  }

  private Path colours() {
    return root.resolve("colours.json");
  }

  private Path otherCameras() {
    return root.resolve("cameras.json");
  }

  /** A further camera as it was lined up when the episode was taken in. */
  private record OtherCamera(String file, Placement placement) {}

  public void create() {
    try {
      Files.createDirectories(root);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Lets the next ingest make everything again; until then what is there stays. */
  public void makeAnew() {
    delete(colours());
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
   * @param filming the cameras besides the first
   */
  public void writeAnalysis(Ingest.Result result, List<HeardSound> filming) {
    write(result.levels(), levels());
    if (result.pauseLevels().equals(result.levels())) {
      delete(pauseLevels());
    } else {
      write(result.pauseLevels(), pauseLevels());
    }
    WholeFile.write(
        otherCameras(),
        JSON.writeValueAsBytes(
            filming.stream()
                .map(f -> new OtherCamera(f.recording().file().toString(), f.placement()))
                .toList()));
    // The faces of the first camera come last: they say that all is there.
    for (int c = result.faces().size() - 1; c >= 0; c--) {
      WholeFile.write(ofCamera("shots", c), JSON.writeValueAsBytes(result.shots().get(c)));
      WholeFile.write(ofCamera("texts", c), JSON.writeValueAsBytes(result.texts().get(c)));
      WholeFile.write(ofCamera("faces", c), JSON.writeValueAsBytes(result.faces().get(c)));
    }
  }

  /** All that is seen: the first recording, and the others it was taken in with. */
  Cameras cameras(Recording first) {
    return Cameras.of(
        first,
        read(otherCameras(), new TypeReference<List<OtherCamera>>() {}, List.of()).stream()
            .map(o -> new HeardSound(Probe.of(Path.of(o.file())), o.placement()))
            .toList());
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

  /** The shots of each camera; one for all where it was taken in before they were looked for. */
  List<ShotList> readShots(int cameras) {
    return IntStream.range(0, cameras)
        .mapToObj(c -> ofCamera("shots", c))
        .map(file -> read(file, new TypeReference<ShotList>() {}, ShotList.ONE))
        .toList();
  }

  /** The faces that each camera sees. */
  List<List<FaceSample>> readFaces(int cameras) {
    return IntStream.range(0, cameras)
        .mapToObj(c -> ofCamera("faces", c))
        .map(file -> read(file, new TypeReference<List<FaceSample>>() {}, List.of()))
        .toList();
  }

  /** The text that each camera sees; none where it was not looked for. */
  List<List<SeenText>> readTexts(int cameras) {
    return IntStream.range(0, cameras)
        .mapToObj(c -> ofCamera("texts", c))
        .map(file -> read(file, new TypeReference<List<SeenText>>() {}, List.of()))
        .toList();
  }

  /** What colours the cameras see here and there; read off the proxy when first asked for. */
  List<SeenColours> colours(CameraGrid grid, long durationUs) {
    List<SeenColours> known = read(colours(), new TypeReference<>() {}, List.of());
    if (known.size() == grid.cameras()) {
      return known;
    }
    List<Long> places =
        LongStream.range(0, COLOUR_PLACES)
            .mapToObj(i -> (2 * i + 1) * durationUs / (2 * COLOUR_PLACES))
            .toList();
    List<SeenColours> seen = new ColourReading(proxy(), grid).at(places);
    WholeFile.write(colours(), JSON.writeValueAsBytes(seen));
    return seen;
  }

  private static <T> T read(Path file, TypeReference<T> type, T otherwise) {
    try {
      return Files.exists(file) ? JSON.readValue(Files.readAllBytes(file), type) : otherwise;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
