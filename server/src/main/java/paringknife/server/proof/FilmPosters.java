package paringknife.server.proof;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.stereotype.Component;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.media.ffmpeg.Poster;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.store.ScratchFolder;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.DataFolder;

/** Stills of the films that are shown, each out of its own film, so that it shows nothing else. */
@Component
class FilmPosters {
  private static final int WIDTH = 360;
  private static final double AT_SHARE = 0.2;

  private final DataFolder data;

  FilmPosters(DataFolder data) {
    this.data = data;
  }

  /**
   * The still of a film; one is made at a time.
   *
   * @param attempt which of the clip's films it is
   */
  synchronized Path of(long clip, int attempt, Path film) {
    Path file = data.covers().resolve("film-" + clip + "-" + attempt + ".jpg");
    if (Files.exists(file)) {
      return file;
    }
    Recording recording = Probe.of(film);
    Recording.Picture picture = recording.picture();
    if (picture == null) {
      throw new IllegalArgumentException("This film has no picture.");
    }
    try {
      Files.createDirectories(data.covers());
      data.keepRoom();
      try (ScratchFolder scratch = ScratchFolder.in(data.covers())) {
        Path made = scratch.path().resolve("still.jpg");
        Poster.take(
            film,
            CameraGrid.one(picture.width(), picture.height()),
            recording.durationUs() / 1e6 * AT_SHARE,
            WIDTH,
            made);
        WholeFile.move(made, file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return file;
  }
}
