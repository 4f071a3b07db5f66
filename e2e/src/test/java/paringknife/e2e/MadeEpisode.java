package paringknife.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.util.FileSystemUtils;
import paringknife.core.time.FrameRate;
import paringknife.demo.DemoMaker;
import paringknife.demo.Voice;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Short recordings made for tests, with the exact times of all that is said in them. */
record MadeEpisode(Path folder) {
  private static final JsonMapper JSON = new JsonMapper();

  private static final DemoMaker.Plan FERRY =
      new DemoMaker.Plan(
          "ferry",
          "ferry.txt",
          "Test talk",
          "The last ferry",
          List.of(new Voice('A', "Ada Moor", "slt", 1.1), new Voice('B', "Ben Ford", "rms", 1.1)),
          new FrameRate(25, 1),
          960,
          540,
          0);

  static MadeEpisode ferry(Path into) throws IOException {
    FileSystemUtils.copyRecursively(
        OnceInARun.made("ferry", media -> DemoMaker.make(FERRY, media)).resolve("ferry"),
        into.resolve("ferry"));
    return new MadeEpisode(into.resolve("ferry"));
  }

  /** Other voices, another length, 29.97 frames a second and another size. */
  static MadeEpisode mill(Path into) throws IOException {
    return new MadeEpisode(
        DemoMaker.make(
            new DemoMaker.Plan(
                "mill",
                "mill.txt",
                "Test talk",
                "A thumb of tallow",
                List.of(
                    new Voice('H', "Hester Lock", "slt", 1.0),
                    new Voice('G', "Gus Weir", "awb", 1.05)),
                new FrameRate(30_000, 1_001),
                960,
                540,
                1),
            into));
  }

  Path camera() {
    return folder.resolve("camera.mp4");
  }

  /** Microphones count from 1. */
  Path microphone(int number) {
    return folder.resolve("microphone-" + number + ".wav");
  }

  Path transcript() {
    return folder.resolve("transcript.json");
  }

  private JsonNode truth() throws IOException {
    return JSON.readTree(Files.readString(folder.resolve("truth.json")));
  }

  /** Voiced stretches from flite's own phone times: start and end, seconds. */
  List<double[]> phones() throws IOException {
    List<double[]> phones = new ArrayList<>();
    for (JsonNode phone : truth().path("phones")) {
      if (!phone.path("name").asString().equals("pau")) {
        phones.add(new double[] {phone.path("start").asDouble(), phone.path("end").asDouble()});
      }
    }
    return phones;
  }

  /** Words with their times. */
  List<JsonNode> words() throws IOException {
    List<JsonNode> words = new ArrayList<>();
    truth().path("words").forEach(words::add);
    return words;
  }
}
