package paringknife.media.speech;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.vosk.LibVosk;
import org.vosk.LogLevel;
import org.vosk.Model;
import org.vosk.Recognizer;
import paringknife.core.listen.SoundExcerpt;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.ffmpeg.DecodedSound;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.store.ScratchFolder;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Recognition with Vosk and a model folder of the user's own. The language is read from the
 * folder's name, as the models' makers name them; {@code und} where it says none.
 */
public final class VoskModelFolder implements Recogniser {
  private static final Pattern LANGUAGE =
      Pattern.compile("vosk-model(?:-(?:small|lgraph))?-([a-z]{2})(?:-[a-z]{2})?(?:-.*)?");
  private static final JsonMapper JSON = new JsonMapper();

  private final Path folder;

  /**
   * @throws UnusableModel when there is no such folder
   */
  public VoskModelFolder(Path folder) {
    if (!Files.isDirectory(folder)) {
      throw new UnusableModel("There is no Vosk model folder at " + folder + ".");
    }
    this.folder = folder;
  }

  @Override
  public Description description() {
    return new Description(
        "Vosk, " + folder.getFileName(),
        language(folder.getFileName().toString()),
        "As good as the model is; read it over.");
  }

  static String language(String folderName) {
    Matcher named = LANGUAGE.matcher(folderName);
    return named.matches() ? named.group(1) : "und";
  }

  @Override
  public Transcript recognise(Path sound, DoubleConsumer progress) {
    LibVosk.setLogLevel(LogLevel.WARNINGS);
    try (ScratchFolder scratch = ScratchFolder.in(Path.of(System.getProperty("java.io.tmpdir")));
        Model model = open()) {
      Path raw = scratch.path().resolve("sound.raw");
      DecodedSound.of(Probe.of(sound), raw);
      List<Word> words = new ArrayList<>();
      try (Recognizer recognizer = new Recognizer(model, SoundExcerpt.SAMPLE_RATE);
          InputStream in = new BufferedInputStream(Files.newInputStream(raw))) {
        recognizer.setWords(true);
        double all = Math.max(1, Files.size(raw));
        long read = 0;
        byte[] block = new byte[SoundExcerpt.SAMPLE_RATE];
        for (int n = in.readNBytes(block, 0, block.length);
            n > 0;
            n = in.readNBytes(block, 0, block.length)) {
          if (recognizer.acceptWaveForm(block, n)) {
            addWords(recognizer.getResult(), words);
          }
          read += n;
          progress.accept(Math.min(1, read / all));
        }
        addWords(recognizer.getFinalResult(), words);
      }
      return new Transcript(language(folder.getFileName().toString()), List.of(), words);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Model open() {
    try {
      return new Model(folder.toString());
    } catch (IOException e) {
      throw new UnusableModel(
          "The folder " + folder + " is not a Vosk model, so nothing was recognised.");
    }
  }

  /**
   * Words of one of Vosk's results: {@code {"result":[{"word","start","end","conf"}]}}, in seconds.
   */
  static void addWords(String result, List<Word> words) {
    for (JsonNode node : JSON.readTree(result).path("result")) {
      long before = words.isEmpty() ? 0 : words.get(words.size() - 1).startUs();
      long start = Math.max(before, Math.round(node.path("start").asDouble() * 1e6));
      long end = Math.max(start, Math.round(node.path("end").asDouble() * 1e6));
      double confidence = Math.min(0.99, Math.max(0, node.path("conf").asDouble(0.5)));
      words.add(new Word(words.size(), node.path("word").asString(), start, end, -1, confidence));
    }
  }
}
