package paringknife.media.transcripts;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.formats.CueWords;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.transcript.Transcript;

/** Reads a transcript handed over as a file: our JSON with words, SubRip or WebVTT. */
public final class TranscriptFile {
  /** A transcript, and what had to be put right in its file. */
  public record Imported(Transcript transcript, List<String> mended) {}

  private TranscriptFile() {}

  /**
   * Reads by extension.
   *
   * @throws UnreadableTranscript with a message for the user
   */
  public static Imported read(Path file) {
    try {
      return read(file.getFileName().toString(), Files.readAllBytes(file));
    } catch (java.nio.file.NoSuchFileException e) {
      throw new UnreadableTranscript("There is no file " + file + ".");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads bytes that came under a name. */
  public static Imported read(String name, byte[] bytes) {
    List<String> mended = new ArrayList<>();
    String text = decode(bytes, mended);
    String lower = name.toLowerCase(Locale.ROOT);
    try {
      if (lower.endsWith(".json")) {
        return new Imported(TranscriptJson.read(text, mended), mended);
      }
      if (lower.endsWith(".srt") || lower.endsWith(".vtt")) {
        ImportedText cues = SubtitleReader.read(text);
        mended.addAll(cues.mended());
        mended.add("only captions are timed in this file: word times are shared out by syllables");
        return new Imported(CueWords.transcript(cues.cues(), "en"), mended);
      }
    } catch (IllegalArgumentException e) {
      throw new UnreadableTranscript(name + " cannot be used as a transcript: " + e.getMessage() + ".");
    }
    throw new UnreadableTranscript(
        name + " is not a transcript this version reads. It takes .json (words with times), .srt and .vtt.");
  }

  private static String decode(byte[] bytes, List<String> mended) {
    if (bytes.length >= 2 && (bytes[0] & 0xff) == 0xff && (bytes[1] & 0xff) == 0xfe
        || bytes.length >= 2 && (bytes[0] & 0xff) == 0xfe && (bytes[1] & 0xff) == 0xff) {
      mended.add("the file was UTF-16");
      return new String(bytes, StandardCharsets.UTF_16);
    }
    try {
      return StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(bytes))
          .toString();
    } catch (CharacterCodingException e) {
      mended.add("the file was not UTF-8 and was read as Latin-1");
      return new String(bytes, StandardCharsets.ISO_8859_1);
    }
  }
}
