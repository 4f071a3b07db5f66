package paringknife.server.episodes;

import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Poster;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.store.ScratchFolder;

/** Takes a recording in and lays what comes of it into the episode's folder. */
public final class EpisodeIngest {
  /** Share of the work that drawing a picture takes, where there is none. */
  private static final double DRAWING = 0.5;

  private EpisodeIngest() {}

  /**
   * Does nothing when the folder is complete already.
   *
   * @param filming further cameras, lined up
   * @param heard what is heard instead of the recording's own sound; empty for that
   */
  public static void run(
      Recording recording,
      List<HeardSound> filming,
      List<HeardSound> heard,
      EpisodeFolder folder,
      DoubleConsumer progress) {
    if (folder.isComplete()) {
      return;
    }
    folder.create();
    ScratchFolder.sweep(folder.root());
    double drawn = recording.picture() == null ? DRAWING : 0;
    Recording seen = folder.withPicture(recording, share -> progress.accept(share * drawn));
    Cameras cameras = Cameras.of(seen, filming);
    Ingest.Result result =
        new Ingest(cameras, heard, folder.proxy(), folder.sound())
            .run(share -> progress.accept(drawn + share * (1 - drawn)));
    Poster.take(
        folder.proxy(), cameras.grid(), recording.durationUs() / 1e6 * 0.1, 320, folder.poster());
    folder.writeAnalysis(result, filming);
  }
}
