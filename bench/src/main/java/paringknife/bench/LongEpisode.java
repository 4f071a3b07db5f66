package paringknife.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.process.ChildProcess;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.commands.RunningServer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.transcripts.TranscriptStore;

/**
 * Three hours on a real server, ready to be edited; its recording is only as long as it takes to be
 * one.
 */
record LongEpisode(RunningServer server, long id) implements AutoCloseable {
  static LongEpisode open(Path work) throws Exception {
    Path media = Files.createDirectories(work.resolve("media"));
    Path recording = media.resolve("long.mp4");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-t",
            "4",
            "-i",
            "testsrc2=s=640x360:r=25",
            "-f",
            "lavfi",
            "-t",
            "4",
            "-i",
            "sine",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-g",
            "15",
            recording.toString()),
        null,
        Duration.ofMinutes(1));
    RunningServer server = RunningServer.start(work.resolve("data"), media, 0);
    return new LongEpisode(server, add(server, "Three hours", recording));
  }

  /** Puts another one of three hours on the shelf; its id. */
  long another(String title) throws Exception {
    Path media = server.part(DataFolder.class).media();
    Path recording = Files.copy(media.resolve("long.mp4"), media.resolve(title + ".mp4"));
    return add(server, title, recording);
  }

  private static long add(RunningServer server, String title, Path recording) throws Exception {
    Transcript transcript = ThreeHours.transcript(3);
    EpisodeStore store = server.part(EpisodeStore.class);
    long id = store.add("Bench", title, recording, 10_800_000_000L);
    server.part(TranscriptStore.class).replace(id, transcript, TranscriptFile.Timing.WORDS);
    EpisodeFolder folder = server.part(DataFolder.class).episode(id);
    folder.create();
    Files.copy(recording, folder.proxy());
    folder.writeAnalysis(
        new Ingest.Result(
            ThreeHours.levels(transcript),
            ThreeHours.levels(transcript),
            List.of(List.of()),
            List.of(List.of()),
            List.of(ShotList.ONE)),
        List.of());
    store.arrived(new EpisodeStore.Work(id, 1), null);
    return id;
  }

  @Override
  public void close() {
    server.close();
  }
}
