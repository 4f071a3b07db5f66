package paringknife.media.transcripts;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.formats.AssSubtitles;
import paringknife.core.formats.CueWords;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.Ttml;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Reads a transcript handed over as a file: our JSON with words, SubRip, WebVTT, TTML or plain
 * text.
 */
public final class TranscriptFile {
  private static final List<String> EXTENSIONS =
      List.of("json", "srt", "vtt", "ttml", "xml", "ass", "txt");

  /** Length a text without times is laid over until it is timed. */
  private static final long UNKNOWN_LENGTH_US = 600_000_000;

  /** Thirty hours of talk as our JSON take about so much. */
  public static final int MOST_BYTES = 32 * 1024 * 1024;

  private static final String LARGEST = "up to 32 MB are read.";

  /** More than two hundred hours of talk have, times and all. */
  private static final int MOST_WORDS = 2_000_000;

  private static final int LONGEST_WORD = 500;

  /** What of a transcript was timed in its file. */
  public enum Timing {
    WORDS,
    CUES,
    NOTHING
  }

  /**
   * A transcript as it was read.
   *
   * @param timing what of it carries times
   * @param mended what had to be put right in its file
   * @param cues the captions that it was in; empty where it was in none
   */
  public record Imported(
      Transcript transcript, Timing timing, List<String> mended, List<TimedText> cues) {
    public Imported(Transcript transcript, Timing timing, List<String> mended) {
      this(transcript, timing, mended, List.of());
    }

    /**
     * What of it is said in a recording; what is timed after its end is left out, and said so.
     *
     * @param durationUs length of the recording, microseconds
     * @throws UnreadableTranscript when all of it lies after the end
     */
    public Imported within(long durationUs) {
      List<Word> words = transcript.words();
      if (timing == Timing.NOTHING || words.isEmpty()) {
        return this;
      }
      List<Word> said =
          words.stream()
              .filter(w -> w.startUs() < durationUs)
              .map(w -> w.endingBy(durationUs))
              .toList();
      if (said.isEmpty()) {
        throw new UnreadableTranscript(
            "All words of the transcript lie after the end of the recording; it belongs to another"
                + " one.");
      }
      return new Imported(
          transcript.withWords(said),
          timing,
          told(words.size() - said.size()),
          cues.stream().filter(c -> c.span().startUs() < durationUs).toList());
    }

    private List<String> told(int after) {
      List<String> told = new ArrayList<>(mended);
      if (after == 1) {
        told.add("1 word lies after the end of the recording and was left out");
      } else if (after > 1) {
        told.add(after + " words lie after the end of the recording and were left out");
      }
      return told;
    }
  }

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
      if (Files.size(file) > MOST_BYTES) {
        throw new UnreadableTranscript(
            file.getFileName() + " is too large for a transcript: " + LARGEST);
      }
      return read(file.getFileName().toString(), Files.readAllBytes(file));
    } catch (java.nio.file.NoSuchFileException e) {
      throw new UnreadableTranscript("There is no file " + file + ".");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Reads bytes that came under a name. */
  public static Imported read(String name, byte[] bytes) {
    if (bytes.length > MOST_BYTES) {
      throw new UnreadableTranscript(name + " is too large for a transcript: " + LARGEST);
    }
    List<String> mended = new ArrayList<>();
    String text = DecodedText.of(bytes, mended);
    String lower = name.toLowerCase(Locale.ROOT);
    refuseEndlessWords(name, text);
    try {
      if (lower.endsWith(".json")) {
        return new Imported(
            withWordsOfALength(name, TranscriptJson.read(text, mended)), Timing.WORDS, mended);
      }
      if (lower.endsWith(".srt") || lower.endsWith(".vtt")) {
        return cues(name, SubtitleReader.read(text), mended);
      }
      if (lower.endsWith(".ttml") || lower.endsWith(".xml")) {
        return cues(name, Ttml.read(text), mended);
      }
      if (lower.endsWith(".ass")) {
        return cues(name, AssSubtitles.read(text), mended);
      }
      if (lower.endsWith(".txt")) {
        return new Imported(
            withWordsOfALength(name, PlainText.read(text, UNKNOWN_LENGTH_US)),
            Timing.NOTHING,
            mended);
      }
    } catch (IllegalArgumentException e) {
      throw new UnreadableTranscript(
          name + " cannot be used as a transcript: " + e.getMessage() + ".");
    }
    throw new UnreadableTranscript(
        name
            + " is not a transcript this version reads. It takes .json (words with times), .srt, .vtt, .ttml, .ass and .txt.");
  }

  /**
   * Before anything is made of a text: it has no more words than anybody says, and none of them
   * goes on for ever.
   */
  private static void refuseEndlessWords(String name, String text) {
    int words = 0;
    int length = 0;
    for (int i = 0; i < text.length(); i++) {
      boolean between = Character.isWhitespace(text.charAt(i));
      words += between && length > 0 ? 1 : 0;
      length = between ? 0 : length + 1;
      if (words > MOST_WORDS) {
        throw new UnreadableTranscript(
            name + " has more than " + MOST_WORDS + " words; that is no transcript.");
      }
    }
  }

  private static Transcript withWordsOfALength(String name, Transcript transcript) {
    if (transcript.words().stream().anyMatch(w -> w.text().length() > LONGEST_WORD)) {
      throw new UnreadableTranscript(
          name + " holds a word of more than " + LONGEST_WORD + " letters; that is no transcript.");
    }
    return transcript;
  }

  private static Imported cues(String name, ImportedText read, List<String> mended) {
    mended.addAll(read.mended());
    return new Imported(
        withWordsOfALength(name, CueWords.transcript(read.cues(), "en")),
        Timing.CUES,
        mended,
        read.cues());
  }
}
