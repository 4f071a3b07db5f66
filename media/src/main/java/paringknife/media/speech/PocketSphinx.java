package paringknife.media.speech;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;

/**
 * Debian's {@code pocketsphinx_continuous} with its US English model: works everywhere, offline, and
 * is wrong often; the transcript it gives needs reading. It knows no punctuation and no speakers.
 */
public final class PocketSphinx implements Recogniser {
  @Override
  public Transcript recognise(Path sound) {
    try {
      Path wav = Files.createTempFile("recognise", ".wav");
      try {
        ChildProcess.run(
            List.of("ffmpeg", "-nostdin", "-y", "-v", "error", "-protocol_whitelist", "file,pipe,fd", "-i", "file:" + sound.toAbsolutePath(), "-ac", "1", "-ar", "16000", "-c:a", "pcm_s16le", wav.toString()),
            null,
            Duration.ofHours(1));
        String said =
            ChildProcess.run(
                    List.of("pocketsphinx_continuous", "-infile", wav.toString(), "-time", "yes", "-logfn", "/dev/null"),
                    null,
                    Duration.ofHours(12))
                .text();
        return parse(said);
      } finally {
        Files.delete(wav);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Transcript parse(String said) {
    List<Word> words = new ArrayList<>();
    long last = 0;
    for (String line : said.split("\\R")) {
      String[] parts = line.trim().split("\\s+");
      if (parts.length != 4 || parts[0].startsWith("<") || parts[0].startsWith("[") || parts[0].startsWith("++") || !parts[1].matches("[\\d.]+")) {
        continue;
      }
      long start = Math.max(last, Math.round(Double.parseDouble(parts[1]) * 1e6));
      long end = Math.max(start, Math.round(Double.parseDouble(parts[2]) * 1e6));
      double confidence = Math.max(0, Math.min(1, Double.parseDouble(parts[3])));
      words.add(new Word(words.size(), parts[0].replaceAll("\\(\\d+\\)$", ""), start, end, -1, confidence));
      last = start;
    }
    return new Transcript("en", List.of(), words);
  }
}
