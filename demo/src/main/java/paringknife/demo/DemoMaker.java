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
      int look) {}

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
          0);

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
    Path raw = folder.resolve("mixed.raw");
    Microphones.writeRaw(microphones.mixed(), raw);
    Path part = folder.resolve("camera.part.mp4");
    new Filming(performance, plan.voices(), plan.rate(), plan.width(), plan.height(), plan.look())
        .film(raw, part);
    Files.delete(raw);
    Files.move(part, folder.resolve("camera.mp4"), StandardCopyOption.REPLACE_EXISTING);
    Files.writeString(
        folder.resolve("transcript.json"),
        TranscriptJson.write(transcript(performance, plan.voices(), true)));
    Files.writeString(folder.resolve("truth.json"), truth(performance));
    Files.writeString(folder.resolve("episode.json"), manifest(plan));
    return folder;
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
    return JSON.writerWithDefaultPrettyPrinter().writeValueAsString(root);
  }
}
