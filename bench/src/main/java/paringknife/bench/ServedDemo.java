package paringknife.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.commands.RunningServer;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.EpisodeFolder;
import paringknife.server.episodes.EpisodeIngest;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.transcripts.TranscriptStore;

/** A server with the demo's first episode, taken in already. */
record ServedDemo(RunningServer server, long episode, long durationUs) implements AutoCloseable {
  /**
   * @param ingested folder of the episode, which is taken in where it has not been
   * @param work for the server's data
   */
  static ServedDemo open(Path demo, Path ingested, Path work) throws Exception {
    Path source = demo.resolve("slack-water-07");
    Recording recording = Probe.of(source.resolve("camera.mp4"));
    EpisodeIngest.run(recording, List.of(), List.of(), new EpisodeFolder(ingested), share -> {});
    RunningServer server = RunningServer.start(work.resolve("data"), demo, 0);
    long id =
        server
            .part(EpisodeStore.class)
            .add("Bench", "Served", source.resolve("camera.mp4"), recording.durationUs());
    server
        .part(TranscriptStore.class)
        .replace(
            id,
            TranscriptFile.read(source.resolve("transcript.json")).transcript(),
            TranscriptFile.Timing.WORDS);
    copy(ingested, server.part(DataFolder.class).episode(id).root());
    server.part(EpisodeStore.class).arrived(new EpisodeStore.Work(id, 1), null);
    return new ServedDemo(server, id, recording.durationUs());
  }

  private static void copy(Path ingested, Path folder) throws IOException {
    Files.createDirectories(folder);
    try (Stream<Path> files = Files.list(ingested)) {
      for (Path file : files.toList()) {
        Files.copy(file, folder.resolve(file.getFileName()));
      }
    }
  }

  String address() {
    return server.address();
  }

  @Override
  public void close() {
    server.close();
  }
}
