package paringknife.media.matte;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.People;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.media.ffmpeg.Matte;
import paringknife.media.store.WholeFile;

/**
 * The mattes of an episode, made when they are first asked for and kept in stretches of about
 * {@value #STRETCH_S} seconds. A file of a stretch is gzip of the width, the height and the number
 * of frames, 32 bits each, big-endian, and of one byte for each point of each frame, row by row. Of
 * two that make the same at once both are right. Safe for use by several threads.
 */
public final class Mattes implements Matte.Source {
  private static final int STRETCH_S = 2;

  /** Another one where what is made of the same pictures is other than before. */
  private static final int EDITION = 1;

  private final Path folder;
  private final MatteMaker maker;
  private final int stretchFrames;
  private final ConcurrentHashMap<Long, Object> beingMade = new ConcurrentHashMap<>();
  private volatile @Nullable Read latest;

  private record Read(long number, MatteStretch stretch) {}

  /**
   * @param folder where they are kept; of these people only
   * @param proxy the pictures of all cameras side by side
   * @param shots of each camera
   */
  public Mattes(
      Path folder,
      Path proxy,
      CameraGrid grid,
      People people,
      List<ShotList> shots,
      FrameRate rate) {
    this.folder = folder;
    this.maker = new MatteMaker(proxy, grid, people, shots, rate);
    this.stretchFrames = framesOfAStretch(rate);
  }

  /** How many frames of a recording lie in one stretch. */
  public static int framesOfAStretch(FrameRate rate) {
    return (int) Math.max(1, Math.round(STRETCH_S * rate.perSecond()));
  }

  /** A stretch where it is made already. */
  public Optional<Path> made(long number) {
    Path file = fileOf(number);
    return Files.exists(file) ? Optional.of(file) : Optional.empty();
  }

  /** Makes a stretch where it is not there; whoever asks meanwhile waits for it. */
  public Path make(long number) {
    synchronized (beingMade.computeIfAbsent(number, n -> new Object())) {
      return made(number).orElseGet(() -> written(number));
    }
  }

  private Path written(long number) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      maker.make(number * stretchFrames, stretchFrames).write(bytes);
      Files.createDirectories(folder);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    WholeFile.write(fileOf(number), bytes.toByteArray());
    return fileOf(number);
  }

  private Path fileOf(long number) {
    return folder.resolve(number + ".edition-" + EDITION + ".gz");
  }

  @Override
  public Matte at(long episodeFrame) {
    long number = episodeFrame / stretchFrames;
    Read read = latest;
    if (read == null || read.number() != number) {
      read = new Read(number, stretch(number));
      latest = read;
    }
    MatteStretch stretch = read.stretch();
    int n = (int) (episodeFrame - number * stretchFrames);
    return new Matte(stretch.width(), stretch.height(), stretch.at(n));
  }

  /** One that cannot be read, as after a fault of the disk, is made anew. */
  private MatteStretch stretch(long number) {
    try {
      return read(make(number));
    } catch (IOException unreadable) {
      WholeFile.remove(fileOf(number));
      try {
        return read(make(number));
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private static MatteStretch read(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return MatteStretch.read(in);
    }
  }

  /** Those that are kept in the same place are the same. */
  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Mattes mattes && folder.equals(mattes.folder);
  }

  @Override
  public int hashCode() {
    return Objects.hash(folder);
  }
}
