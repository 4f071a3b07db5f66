package paringknife.server.episodes;

import java.util.List;
import java.util.function.DoubleConsumer;
import paringknife.media.ffmpeg.HeardSound;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Poster;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.store.ScratchFolder;

/** Takes a recording in and lays what comes of it into the episode's folder. */
public final class EpisodeIngest {
  private EpisodeIngest() {}

  /**
   * Does nothing when the folder is complete already.
   *
   * @param heard what is heard instead of the recording's own sound; empty for that
   */
  public static void run(
      Recording recording, List<HeardSound> heard, EpisodeFolder folder, DoubleConsumer progress) {
    if (folder.isComplete()) {
      return;
    }
    folder.create();
    ScratchFolder.sweep(folder.root());
    Ingest.Result result =
        new Ingest(recording, heard, folder.proxy(), folder.sound()).run(progress);
    Poster.take(folder.proxy(), recording.durationUs() / 1e6 * 0.1, 320, folder.poster());
    folder.writeAnalysis(result.levels(), result.faces());
  }
}
