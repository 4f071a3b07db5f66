package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import paringknife.core.time.Span;

/**
 * The words of pieces of several transcripts, one piece after the other. Words bring their times
 * within the piece, their confidence and their speakers; a speaker of the same name is the same
 * one.
 */
public final class AssembledTranscript {
  /**
   * A piece of a recording.
   *
   * @param span on the clock of its own episode
   * @param lengthUs how long it plays where it is put, microseconds
   */
  public record Piece(Transcript transcript, Span span, long lengthUs) {}

  private AssembledTranscript() {}

  /** The words of all pieces on the clock of what they are put together to. */
  public static Transcript of(List<Piece> pieces) {
    List<String> speakers = new ArrayList<>();
    List<Word> words = new ArrayList<>();
    Map<Long, Boolean> paragraphs = new HashMap<>();
    long begins = 0;
    for (Piece piece : pieces) {
      boolean first = true;
      for (Word word : piece.transcript().within(piece.span())) {
        String name = piece.transcript().speakerName(word.speaker());
        if (!name.isEmpty() && !speakers.contains(name)) {
          speakers.add(name);
        }
        if (first && !words.isEmpty()) {
          paragraphs.put((long) words.size(), true);
        }
        first = false;
        long start = begins + Math.max(0, word.startUs() - piece.span().startUs());
        long end = begins + Math.min(piece.lengthUs(), word.endUs() - piece.span().startUs());
        words.add(
            new Word(
                words.size(),
                word.text(),
                start,
                Math.max(start, end),
                speakers.indexOf(name),
                word.confidence()));
      }
      begins += piece.lengthUs();
    }
    String language = pieces.isEmpty() ? "en" : pieces.get(0).transcript().language();
    return new Transcript(language, speakers, words, paragraphs);
  }
}
