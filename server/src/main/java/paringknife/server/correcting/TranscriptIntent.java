package paringknife.server.correcting;

import java.util.HashSet;
import java.util.List;
import paringknife.core.time.Span;
import paringknife.core.transcript.Punctuator;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptEditor;

/** What a producer wants corrected in a transcript; words by index, both ends included. */
sealed interface TranscriptIntent {
  /** The transcript after this was done. */
  Transcript apply(Transcript transcript);

  /** What undo will call it. */
  String label();

  /** Put a text in the place of words. */
  record Replace(int first, int last, String text) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, first, last);
      return new TranscriptEditor(transcript).replace(first, last, text);
    }

    @Override
    public String label() {
      return "correct";
    }
  }

  /** Put a text in the place of a phrase wherever it is said, but for some words by identity. */
  record ReplaceAll(String phrase, String text, List<Long> except) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      return new TranscriptEditor(transcript).replaceAll(phrase, text, new HashSet<>(except));
    }

    @Override
    public String label() {
      return "correct all";
    }
  }

  /** Make words one. */
  record Join(int first, int last) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, first, last);
      return new TranscriptEditor(transcript).join(first, last);
    }

    @Override
    public String label() {
      return "join words";
    }
  }

  /** The next punctuation mark after a word. */
  record CyclePunctuation(int word) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, word, word);
      return new TranscriptEditor(transcript).cyclePunctuation(word);
    }

    @Override
    public String label() {
      return "punctuate";
    }
  }

  /** Capital to small and back. */
  record Capital(int word) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, word, word);
      return new TranscriptEditor(transcript).cycleCapital(word);
    }

    @Override
    public String label() {
      return "change a capital";
    }
  }

  /** Take a doubtful word as it stands. */
  record Accept(int word) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, word, word);
      return new TranscriptEditor(transcript).accept(word);
    }

    @Override
    public String label() {
      return "accept a word";
    }
  }

  /** Start a paragraph at a word, or run it on. */
  record BreakParagraph(int word, boolean starts) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, word, word);
      return new TranscriptEditor(transcript).paragraphAt(word, starts);
    }

    @Override
    public String label() {
      return starts ? "start a paragraph" : "run a paragraph on";
    }
  }

  /** Give words to a speaker; an unknown name becomes a new one. */
  record Reassign(int first, int last, String speaker) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      check(transcript, first, last);
      int known = transcript.speakers().indexOf(speaker.strip());
      if (known >= 0) {
        return new TranscriptEditor(transcript).reassign(first, last, known);
      }
      Transcript named = new TranscriptEditor(transcript).addSpeaker(speaker);
      return new TranscriptEditor(named).reassign(first, last, named.speakers().size() - 1);
    }

    @Override
    public String label() {
      return "change the speaker";
    }
  }

  /** Name a speaker, -1 for whoever is not known yet; a name that another has makes them one. */
  record NameSpeaker(int speaker, String name) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      if (speaker == -1) {
        return new TranscriptEditor(transcript).nameUnknown(name);
      }
      if (speaker < 0 || speaker >= transcript.speakers().size()) {
        throw new IllegalArgumentException("There is no such speaker.");
      }
      return new TranscriptEditor(transcript).nameSpeaker(speaker, name);
    }

    @Override
    public String label() {
      return "name a speaker";
    }
  }

  /** Add words typed while listening to a stretch; the speaker may be blank for nobody known. */
  record TypeIn(String text, long startUs, long endUs, String speaker) implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      if (startUs < 0 || endUs < startUs) {
        throw new IllegalArgumentException("This stretch is not in the recording.");
      }
      int known = transcript.speakers().indexOf(speaker.strip());
      Transcript named =
          speaker.isBlank() || known >= 0
              ? transcript
              : new TranscriptEditor(transcript).addSpeaker(speaker);
      int index = speaker.isBlank() ? -1 : known >= 0 ? known : named.speakers().size() - 1;
      return new TranscriptEditor(named).typeIn(text, new Span(startUs, endUs), index);
    }

    @Override
    public String label() {
      return "type in";
    }
  }

  /** Give a transcript without marks its punctuation and capitals. */
  record Punctuate() implements TranscriptIntent {
    @Override
    public Transcript apply(Transcript transcript) {
      return Punctuator.punctuate(transcript);
    }

    @Override
    public String label() {
      return "punctuate all";
    }
  }

  private static void check(Transcript transcript, int first, int last) {
    if (first < 0 || last < first || last >= transcript.words().size()) {
      throw new IllegalArgumentException("These words are not in the transcript.");
    }
  }
}
