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
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.Ttml;
import paringknife.core.transcript.Transcript;

/**
 * Reads a transcript handed over as a file: our JSON with words, SubRip, WebVTT, TTML or plain
 * text.
 */
public final class TranscriptFile {
  private static final List<String> EXTENSIONS =
      List.of("json", "srt", "vtt", "ttml", "xml", "txt");

  /** Length a text without times is laid over until it is timed. */
  private static final long UNKNOWN_LENGTH_US = 600_000_000;

  /** What of a transcript was timed in its file. */
  public enum Timing {
    WORDS,
    CUES,
    NOTHING
  }

  /** A transcript, what of it carries times, and what had to be put right in its file. */
  public record Imported(Transcript transcript, Timing timing, List<String> mended) {}

  private TranscriptFile() {}

  /** Whether a file's name says that it is a transcript. */
  public static boolean isOne(Path file) {
    String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
    return EXTENSIONS.contains(name.substring(name.lastIndexOf('.') + 1));
  }

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
        return new Imported(TranscriptJson.read(text, mended), Timing.WORDS, mended);
      }
      if (lower.endsWith(".srt") || lower.endsWith(".vtt")) {
        return cues(SubtitleReader.read(text), mended);
      }
      if (lower.endsWith(".ttml") || lower.endsWith(".xml")) {
        return cues(Ttml.read(text), mended);
      }
      if (lower.endsWith(".txt")) {
        return new Imported(PlainText.read(text, UNKNOWN_LENGTH_US), Timing.NOTHING, mended);
      }
    } catch (IllegalArgumentException e) {
      throw new UnreadableTranscript(
          name + " cannot be used as a transcript: " + e.getMessage() + ".");
    }
    throw new UnreadableTranscript(
        name
            + " is not a transcript this version reads. It takes .json (words with times), .srt, .vtt, .ttml and .txt.");
  }

  private static Imported cues(ImportedText read, List<String> mended) {
    mended.addAll(read.mended());
    return new Imported(CueWords.transcript(read.cues(), "en"), Timing.CUES, mended);
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
