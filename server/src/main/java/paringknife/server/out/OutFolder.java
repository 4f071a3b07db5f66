package paringknife.server.out;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.FileNames;
import paringknife.media.store.NoRoom;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.DataFolder;

/** The folder of this machine that parcels are written into, without a way through the browser. */
@Component
class OutFolder {
  private static final int MOST_LEVELS = 5;

  private final Path root;
  private final long roomBytes;

  OutFolder(DataFolder data, @Value("${paring-knife.out:}") String out) {
    this.root = out.isBlank() ? data.root().resolve("delivered") : Path.of(out).toAbsolutePath();
    this.roomBytes = data.roomBytes();
  }

  /** Where a parcel of a name lies; a slash makes folders within folders. */
  Path place(String name) {
    List<String> levels =
        List.of(name.split("/", MOST_LEVELS)).stream()
            .filter(l -> !l.isBlank())
            .map(FileNames::part)
            .toList();
    if (levels.isEmpty()) {
      throw new IllegalArgumentException("The folder needs a name.");
    }
    Path place = root;
    for (String level : levels) {
      place = place.resolve(level);
    }
    return place;
  }

  /**
   * Writes a parcel; each file is there whole or not at all, and takes the place of one of its
   * name.
   *
   * @throws NoRoom where the disk has no room for it
   */
  void write(Path place, List<ParcelFile> parcel) {
    try {
      Files.createDirectories(place);
      long bytes = parcel.stream().mapToLong(ParcelFile::size).sum();
      if (NoRoom.freeBytes(place) < bytes + roomBytes) {
        throw new NoRoom(place);
      }
      for (ParcelFile file : parcel) {
        Path target = place.resolve(file.name());
        Files.createDirectories(Objects.requireNonNull(target.getParent()));
        if (file.path() == null) {
          WholeFile.write(target, file.text());
        } else {
          WholeFile.copy(file.path(), target);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
