package paringknife.server.cover;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributeView;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.util.DigestUtils;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.clip.Still;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.cover.Cover;
import paringknife.core.deliver.cover.CoverPicker;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.SeenFace;
import paringknife.core.frame.Shape;
import paringknife.media.ffmpeg.CoverLooks;
import paringknife.media.store.WholeFile;
import paringknife.server.clips.ClipStore;
import paringknife.server.database.Recent;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;

/** The stills that stand for clips: which are proposed, and the pictures themselves. */
@Component
public class Covers {
  private static final int PROPOSED = 6;
  private static final Duration UNUSED = Duration.ofDays(7);

  private final ClipRenderer renderer;
  private final DataFolder data;
  private final Recent<Map<Shape, Proposed>> recent = new Recent<>(100);

  Covers(ClipRenderer renderer, DataFolder data) {
    this.renderer = renderer;
    this.data = data;
  }

  /** What was proposed for what a clip played through one path. */
  private record Proposed(List<PictureRun> runs, FramePath path, List<SeenFace> faces) {}

  /** The moments proposed for a shape, the best first; none where nothing is left of a clip. */
  List<SeenFace> proposed(ClipStore.StoredClip clip, Episode episode, Shape shape) {
    ComposedClip composed = episode.compose(clip.document());
    List<PictureRun> runs = composed.playback().runs();
    if (runs.isEmpty()) {
      return List.of();
    }
    FramePath path = composed.path(shape);
    return recent
        .getOrMake(clip.id(), shapes -> true, id -> new ConcurrentHashMap<>())
        .compute(
            shape,
            (s, held) ->
                held != null && held.runs().equals(runs) && held.path().equals(path)
                    ? held
                    : new Proposed(runs, path, looked(composed, episode, s)))
        .faces();
  }

  private static List<SeenFace> looked(ComposedClip composed, Episode episode, Shape shape) {
    return CoverPicker.best(
        CoverLooks.of(episode.folder().proxy(), episode.grid(), composed.seenFaces(shape)),
        PROPOSED);
  }

  /**
   * The picture of a clip's cover for a spec.
   *
   * @param cover what is wanted; where its moment was pared away, the one proposed
   * @return empty where there is nothing to see of the clip
   */
  public Optional<Path> picture(
      ClipStore.StoredClip clip, Episode episode, DeliverySpec spec, Cover cover) {
    Composition composition = episode.compose(clip.document()).forSpec(spec.ofCover());
    if (composition.playback().runs().isEmpty() || !spec.encoding().codec().hasPicture()) {
      return Optional.empty();
    }
    long frame =
        cover
            .frameIn(composition.playback().runs(), episode.rate())
            .orElseGet(() -> firstProposed(clip, episode, spec.ofCover().shape()));
    return Optional.of(made(episode, composition.still(frame, cover.hasHeading())));
  }

  private long firstProposed(ClipStore.StoredClip clip, Episode episode, Shape shape) {
    return proposed(clip, episode, shape).stream().findFirst().map(SeenFace::clipFrame).orElse(0L);
  }

  /** One at a time: whoever asks for the same meanwhile finds it made. */
  private synchronized Path made(Episode episode, Still still) {
    String made = episode.recording().file() + "\n" + episode.folder().soundMadeAt() + still;
    Path file =
        data.covers()
            .resolve(DigestUtils.md5DigestAsHex(made.getBytes(StandardCharsets.UTF_8)) + ".jpg");
    try {
      Files.createDirectories(data.covers());
      if (Files.exists(file)) {
        markAskedFor(file);
      } else {
        data.keepRoom();
        renderer.renderStill(episode, still, file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return file;
  }

  /** When it was written stays as it is: it goes along in parcels, which are the same each time. */
  private static void markAskedFor(Path file) throws IOException {
    Files.getFileAttributeView(file, BasicFileAttributeView.class)
        .setTimes(null, FileTime.from(Instant.now()), null);
  }

  private static boolean isAskedForSince(Path file, Instant moment) {
    try {
      BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
      return attributes.lastAccessTime().toInstant().isAfter(moment)
          || attributes.lastModifiedTime().toInstant().isAfter(moment);
    } catch (IOException e) {
      return false;
    }
  }

  /** Pictures that nobody has asked for go; they are made again when somebody does. */
  @Scheduled(initialDelay = 7, fixedRate = 120, timeUnit = TimeUnit.MINUTES)
  void sweep() {
    if (!Files.isDirectory(data.covers())) {
      return;
    }
    Instant before = Instant.now().minus(UNUSED);
    try (Stream<Path> files = Files.list(data.covers())) {
      files
          .filter(f -> f.toString().endsWith(".jpg"))
          .filter(f -> !isAskedForSince(f, before))
          .forEach(WholeFile::remove);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
