package paringknife.server.episodes;

import java.util.function.DoubleConsumer;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Poster;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.store.ScratchFolder;

/** Takes a recording in and lays what comes of it into the episode's folder. */
public final class EpisodeIngest {
  private EpisodeIngest() {}

  /** Does nothing when the folder is complete already. */
  public static void run(Recording recording, EpisodeFolder folder, DoubleConsumer progress) {
    if (folder.isComplete()) {
      return;
    }
    folder.create();
    ScratchFolder.sweep(folder.root());
    Ingest.Result result = new Ingest(recording, folder.proxy(), folder.sound()).run(progress);
    Poster.take(folder.proxy(), recording.durationUs() / 1e6 * 0.1, 320, folder.poster());
    folder.writeAnalysis(result.levels(), result.faces());
  }
}
