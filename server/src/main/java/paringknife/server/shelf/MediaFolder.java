package paringknife.server.shelf;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.episodes.DataFolder;
import paringknife.server.web.NotThere;

/** The folder from which recordings and transcripts can be chosen. */
@Component
public class MediaFolder {
  /** What names of bundles end in. */
  public static final String BUNDLE = ".episode";

  private static final int DEEPEST = 3;
  private static final int MOST = 500;

  /** What files are called in the containers that are read. */
  private static final Set<String> RECORDINGS =
      Set.of(
          "mp4 m4v mov 3gp mkv webm avi ts mts m2ts mpg mpeg mp3 m4a aac ogg oga opus wav w64 aif aiff caf flac"
              .split(" "));

  private static final Set<String> NOT_FOR_CHOOSING = Set.of("episode.json", "truth.json");

  private final DataFolder data;

  MediaFolder(DataFolder data) {
    this.data = data;
  }

  List<MediaFile> files() throws IOException {
    if (!Files.isDirectory(data.media())) {
      return List.of();
    }
    try (Stream<Path> files = Files.walk(data.media(), DEEPEST)) {
      return files
          .filter(Files::isRegularFile)
          .filter(this::isSeen)
          .filter(f -> isRecording(f) || TranscriptFile.isOne(f) || isBundle(f))
          .filter(f -> !NOT_FOR_CHOOSING.contains(f.getFileName().toString()))
          .sorted()
          .limit(MOST)
          .map(this::file)
          .toList();
    }
  }

  /** What begins with a dot is none of the user's: uploads on their way, what is half made. */
  private boolean isSeen(Path file) {
    for (Path part : data.media().relativize(file)) {
      if (part.toString().startsWith(".")) {
        return false;
      }
    }
    return true;
  }

  private static boolean isRecording(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return RECORDINGS.contains(name.substring(name.lastIndexOf('.') + 1));
  }

  private static boolean isBundle(Path file) {
    return file.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(BUNDLE);
  }

  MediaFile file(Path file) {
    return new MediaFile(
        data.media().relativize(file).toString(),
        file.toFile().length(),
        TranscriptFile.isOne(file),
        isBundle(file));
  }

  /**
   * A file by its name in the folder, which it may not leave.
   *
   * @throws NotThere when there is none
   */
  public Path find(String name) {
    try {
      Path root = data.media().toAbsolutePath().normalize();
      Path file = root.resolve(name).normalize();
      if (!file.startsWith(root) || !file.toRealPath().startsWith(root.toRealPath())) {
        throw new IllegalArgumentException("Only files of the media folder can be used.");
      }
      return file;
    } catch (InvalidPathException | IOException e) {
      throw new NotThere("There is no file of that name in the media folder.");
    }
  }
}
