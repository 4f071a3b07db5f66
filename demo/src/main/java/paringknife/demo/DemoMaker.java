package paringknife.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import paringknife.core.time.FrameRate;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;
import paringknife.media.transcripts.TranscriptJson;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Makes a demo episode in a folder: {@code camera.mp4}, a WAV a microphone, {@code transcript.json}
 * with deliberate mistakes, {@code truth.json} with the exact times, and {@code episode.json} that
 * ties them together. A folder that is complete is left alone.
 */
public final class DemoMaker {
  private static final JsonMapper JSON = new JsonMapper();

  /** What is to be made. */
  public record Plan(
      String folder,
      String script,
      String show,
      String title,
      List<Voice> voices,
      FrameRate rate,
      int width,
      int height,
      int look,
      Direction direction) {
    /** People who sit still before one camera. */
    public Plan(
        String folder,
        String script,
        String show,
        String title,
        List<Voice> voices,
        FrameRate rate,
        int width,
        int height,
        int look) {
      this(folder, script, show, title, voices, rate, width, height, look, Direction.PLAIN);
    }
  }

  public static final Plan SLACK_WATER =
      new Plan(
          "slack-water-07",
          "slack-water-07.txt",
          "Slack Water",
          "The winter the wheel stopped",
          List.of(
              new Voice('T', "Tamsin Vale", "slt", 1.12),
              new Voice('C', "Corin Hale", "rms", 1.14)),
          new FrameRate(25, 1),
          1280,
          720,
          0,
          new Direction(
              true,
              new Direction.Lean(0, 82, 88, 0.2, 0.5, 0.3),
              List.of(
                  new Direction.Shot(0, Direction.View.WHOLE),
                  new Direction.Shot(150, new Direction.View(1.25, 0.5, 0.52)),
                  new Direction.Shot(215, Direction.View.WHOLE)),
              new Direction.View(1.35, 0.745, 0.5)));

  public static final Plan FIELD_NOTES =
      new Plan(
          "field-notes-03",
          "field-notes-03.txt",
          "Field notes",
          "Six short pieces",
          List.of(new Voice('M', "Maud Ferrier", "slt", 1.05)),
          new FrameRate(25, 1),
          1280,
          720,
          2);

  private static final String SECOND = "camera-2.mp4";

  /** Seconds by which the second camera is early. */
  private static final double EARLY = 1.72;

  private static final float AFAR = 0.4f;

  private DemoMaker() {}

  public static void main(String[] arguments) throws IOException {
    Path into = Path.of(arguments[0]);
    List<CompletableFuture<Void>> made =
        List.of(SLACK_WATER, FIELD_NOTES).stream()
            .map(plan -> CompletableFuture.runAsync(() -> makeUnchecked(plan, into)))
            .toList();
    made.forEach(CompletableFuture::join);
  }

  private static void makeUnchecked(Plan plan, Path into) {
    try {
      make(plan, into);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Makes one episode; returns its folder. */
  public static Path make(Plan plan, Path into) throws IOException {
    Path folder = into.resolve(plan.folder());
    if (Files.exists(folder.resolve("episode.json"))) {
      return folder;
    }
    Files.createDirectories(folder);
    Performance performance = perform(plan);
    System.err.printf(
        Locale.ROOT, "%s: %.0f s of talk, drawing it%n", plan.title(), performance.seconds);
    Microphones microphones = new Microphones(performance, plan.voices());
    if (plan.voices().size() > 1) {
      for (int v = 0; v < plan.voices().size(); v++) {
        writeMicrophone(microphones.of(v), folder.resolve(microphoneFile(v)));
      }
    }
    film(performance, plan, microphones.mixed(), folder);
    Files.writeString(
        folder.resolve("transcript.json"),
        TranscriptJson.write(transcript(performance, plan.voices(), true)));
    Files.writeString(folder.resolve("truth.json"), truth(performance));
    Files.writeString(folder.resolve("episode.json"), manifest(plan));
    return folder;
  }

  /** All cameras at once, each with the sound that it hears. */
  private static void film(Performance performance, Plan plan, float[] heard, Path folder)
      throws IOException {
    Filming.Camera first = Filming.Camera.first(plan);
    Direction.View second = plan.direction().second();
    CompletableFuture<Void> other =
        second == null
            ? CompletableFuture.completedFuture(null)
            : CompletableFuture.runAsync(
                () -> {
                  try {
                    film(
                        new Filming(performance, plan, secondCamera(plan, second)),
                        afar(heard),
                        folder.resolve(SECOND));
                  } catch (IOException e) {
                    throw new UncheckedIOException(e);
                  }
                });
    film(new Filming(performance, plan, first), heard, folder.resolve("camera.mp4"));
    other.join();
  }

  private static void film(Filming filming, float[] heard, Path target) throws IOException {
    Path raw = target.resolveSibling(target.getFileName() + ".raw");
    Path part = target.resolveSibling("part-" + target.getFileName());
    Microphones.writeRaw(heard, raw);
    filming.film(raw, part);
    Files.delete(raw);
    Files.move(part, target, StandardCopyOption.REPLACE_EXISTING);
  }

  /** It was switched on a little earlier, and sees things warmer. */
  private static Filming.Camera secondCamera(Plan plan, Direction.View view) {
    return new Filming.Camera(
        plan.width(),
        plan.height(),
        List.of(new Direction.Shot(-EARLY, view)),
        EARLY,
        "colorchannelmixer=rr=1.06:bb=0.9");
  }

  private static float[] afar(float[] heard) {
    int before = (int) Math.round(EARLY * Performance.RATE);
    float[] sound = new float[before + heard.length];
    for (int i = 0; i < heard.length; i++) {
      sound[before + i] = AFAR * heard[i];
    }
    return sound;
  }

  static Performance perform(Plan plan) throws IOException {
    try (InputStream in = DemoMaker.class.getResourceAsStream("/scripts/" + plan.script())) {
      if (in == null) {
        throw new IOException("there is no script " + plan.script());
      }
      Script script = Script.parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
      return Performance.of(script, plan.voices(), 7);
    }
  }

  private static String microphoneFile(int voice) {
    return "microphone-" + (voice + 1) + ".wav";
  }

  private static void writeMicrophone(float[] sound, Path wav) throws IOException {
    Path raw = wav.resolveSibling(wav.getFileName() + ".raw");
    Microphones.writeRaw(sound, raw);
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "s16le",
            "-ar",
            "16000",
            "-ac",
            "1",
            "-i",
            raw.toString(),
            "-ar",
            "48000",
            wav.toString()),
        null,
        Duration.ofMinutes(2));
    Files.delete(raw);
  }

  private static Transcript transcript(
      Performance performance, List<Voice> voices, boolean mistaken) {
    List<Word> words = new ArrayList<>();
    for (SpokenWord word : performance.words) {
      int speaker = 0;
      while (voices.get(speaker).letter() != word.speaker()) {
        speaker++;
      }
      boolean wrong = mistaken && !word.spoken().equals(word.written());
      words.add(
          new Word(
              words.size(),
              mistaken ? word.written() : word.spoken(),
              Math.round(word.start() * 1e6),
              Math.round(word.end() * 1e6),
              speaker,
              wrong ? 0.38 : 0.94));
    }
    return new Transcript("en", voices.stream().map(Voice::name).toList(), words);
  }

  private static String truth(Performance performance) {
    ObjectNode root = JSON.createObjectNode();
    ArrayNode words = root.putArray("words");
    for (SpokenWord word : performance.words) {
      words
          .addObject()
          .put("text", word.spoken())
          .put("start", word.start())
          .put("end", word.end())
          .put("speaker", String.valueOf(word.speaker()));
    }
    ArrayNode phones = root.putArray("phones");
    for (Performance.TimedPhone phone : performance.phones) {
      phones
          .addObject()
          .put("name", phone.name())
          .put("start", phone.start())
          .put("end", phone.end())
          .put("speaker", String.valueOf(phone.speaker()));
    }
    ArrayNode bumps = root.putArray("bumps");
    performance.bumps.forEach(b -> bumps.addArray().add(b[0]).add(b[1]));
    return JSON.writeValueAsString(root);
  }

  private static String manifest(Plan plan) {
    ObjectNode root = JSON.createObjectNode();
    root.put("show", plan.show())
        .put("title", plan.title())
        .put("camera", "camera.mp4")
        .put("transcript", "transcript.json");
    ArrayNode microphones = root.putArray("microphones");
    if (plan.voices().size() > 1) {
      for (int v = 0; v < plan.voices().size(); v++) {
        microphones
            .addObject()
            .put("file", microphoneFile(v))
            .put("speaker", plan.voices().get(v).name());
      }
    }
    if (plan.direction().second() != null) {
      microphones.addObject().put("file", SECOND).put("speaker", "");
    }
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root);
  }
}
