package paringknife.core.letter;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Style;
import paringknife.core.letter.translated.TranslatedSentence;
import paringknife.core.letter.translated.Translation;
import paringknife.core.steps.Intent;
import paringknife.core.transcript.Transcript;
import paringknife.core.writing.WordsOfText;

/** What a producer wants done to the captions of a clip. */
public sealed interface LetterIntent extends Intent {
  Lettered apply(Lettered lettered, Transcript transcript);

  /** Choose a lettering. */
  record Letter(String lettering) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.withLettering(Letterings.byId(lettering).id());
    }

    @Override
    public String label() {
      return "choose lettering";
    }
  }

  /** Change how the lettering looks in this clip; null for as it is. */
  record Restyle(@Nullable Style style) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.with(style);
    }

    @Override
    public String label() {
      return "change lettering";
    }
  }

  /** Break captions in another way; null for as the lettering does. */
  record Rebreak(@Nullable Breaking breaking) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.with(breaking);
    }

    @Override
    public String label() {
      return "break captions";
    }
  }

  /** Leave out of the captions what the sound keeps. */
  record LeaveOut(boolean fillers, boolean falseStarts) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.with(new Lettered.LeftOut(fillers, falseStarts));
    }

    @Override
    public String label() {
      return "leave out of captions";
    }
  }

  /** Say where captions go. */
  record UseCaptions(CaptionUse use) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.with(use);
    }

    @Override
    public String label() {
      return "use captions";
    }
  }

  /** Edit captions of what is said. */
  record EditCaptions(List<CaptionEdit> edits) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.and(Lettered.SPOKEN, edits);
    }

    @Override
    public String label() {
      return "edit captions";
    }
  }

  /** Let captions be as proposed at these words, in all or in what the edits were about. */
  record LetCaptionsBe(List<Long> words, @Nullable Set<CaptionEdit.Subject> about)
      implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      Set<Long> at = Set.copyOf(words);
      return lettered.without(
          Lettered.SPOKEN,
          e -> at.contains(e.wordId()) && (about == null || about.contains(e.subject())));
    }

    @Override
    public String label() {
      return "let captions be";
    }
  }

  /**
   * Let a caption read otherwise; its words keep their times. Where the text has more than one
   * line, so has the caption.
   */
  record Retype(List<SeenWord> words, String text) implements LetterIntent {
    private static final int LONGEST = 2_000;

    /** A word and what is shown for it; nothing where it is not shown. */
    public record SeenWord(long id, String text) {}

    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      if (text.length() > LONGEST) {
        throw new IllegalArgumentException("A caption has up to " + LONGEST + " characters.");
      }
      Set<Long> ids = words.stream().map(SeenWord::id).collect(Collectors.toSet());
      List<CaptionEdit> edits =
          ShownWords.of(transcript, words.stream().map(SeenWord::id).toList())
              .reading(words.stream().map(SeenWord::text).toList())
              .retyped(text);
      return lettered
          .without(
              Lettered.SPOKEN,
              e -> ids.contains(e.wordId()) && e.subject() == CaptionEdit.Subject.LINE)
          .and(Lettered.SPOKEN, edits);
    }

    @Override
    public String label() {
      return "retype caption";
    }
  }

  /** Shift captions that begin and end with these words, microseconds. */
  record Shift(List<Ends> captions, long laterUs) implements LetterIntent {
    /** The first and the last word of a caption, and how far both ends are from them already. */
    public record Ends(long first, long last, long beginsLaterUs, long endsLaterUs) {}

    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      List<CaptionEdit> edits = new ArrayList<>();
      for (Ends caption : captions) {
        edits.add(new CaptionEdit.Begin(caption.first(), caption.beginsLaterUs() + laterUs));
        edits.add(new CaptionEdit.End(caption.last(), caption.endsLaterUs() + laterUs));
      }
      return lettered.and(Lettered.SPOKEN, edits);
    }

    @Override
    public String label() {
      return "shift captions";
    }
  }

  /** Show other words wherever these are said in the clip; upper and lower case are the same. */
  record ReplaceInCaptions(List<Long> words, String found, String by) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      String wanted = found.strip().toLowerCase(Locale.ROOT);
      if (wanted.isEmpty() || wanted.length() > CaptionEdit.ShowAs.LONGEST) {
        throw new IllegalArgumentException("Say which words are to be replaced.");
      }
      List<CaptionEdit> edits =
          ShownWords.of(transcript, words)
              .edited(lettered.editsOf(Lettered.SPOKEN))
              .replaced(WordsOfText.of(wanted), by.strip());
      if (edits.isEmpty()) {
        throw new IllegalArgumentException("The captions of this clip do not say that.");
      }
      return lettered.and(Lettered.SPOKEN, edits);
    }

    @Override
    public String label() {
      return "replace in captions";
    }
  }

  /** Take translated sentences into a language, which begins with its first. */
  record Translate(String language, List<TranslatedSentence> sentences) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      String tag = Translation.language(language);
      return lettered.with(tag, lettered.translation(tag).with(sentences, transcript));
    }

    @Override
    public String label() {
      return "translate captions";
    }
  }

  /** Take what was proposed for sentences that are still open. */
  record TakeProposals(String language, List<TranslatedSentence> sentences)
      implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      String tag = Translation.language(language);
      Translation before = lettered.translation(tag);
      return lettered.with(tag, before.with(before.open(sentences, transcript), transcript));
    }

    @Override
    public String label() {
      return "take proposed captions";
    }
  }

  /** Say where the captions of a language go, which begins with this where there is none. */
  record UseLanguage(String language, CaptionUse use) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      String tag = Translation.language(language);
      return lettered.with(tag, lettered.translation(tag).with(use));
    }

    @Override
    public String label() {
      return "use a language";
    }
  }

  /** Have no captions in a language any more. */
  record DropLanguage(String language) implements LetterIntent {
    @Override
    public Lettered apply(Lettered lettered, Transcript transcript) {
      return lettered.with(language, null);
    }

    @Override
    public String label() {
      return "drop a language";
    }
  }
}
