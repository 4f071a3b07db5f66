package paringknife.core.letter.translated;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.Xliff;
import paringknife.core.letter.translated.TranslatedSentence.State;
import paringknife.core.time.Span;
import paringknife.core.writing.Spacing;

/** The sentences of a clip on their way to a translator and back. */
public final class TranslationFile {
  private static final Pattern UNIT = Pattern.compile("w(\\d{1,18})-(\\d{1,18})");

  private final List<SentencePair> pairs;
  private final double speed;

  /**
   * @param speed at which the clip plays
   */
  public TranslationFile(List<SentencePair> pairs, double speed) {
    this.pairs = List.copyOf(pairs);
    this.speed = speed;
  }

  /**
   * What was in a file that came back.
   *
   * @param sentences those that have a translation, to be taken
   * @param notSaid how many translations are of what is not said in the clip any more
   */
  public record Returned(List<TranslatedSentence> sentences, int notSaid) {
    public Returned {
      sentences = List.copyOf(sentences);
    }
  }

  /**
   * All sentences, those already translated with their translations.
   *
   * @param speakers names by index
   */
  public Xliff xliff(String from, String to, List<String> speakers) {
    List<Xliff.Unit> units = new ArrayList<>();
    for (SentencePair pair : pairs) {
      int speaker = pair.said().speaker();
      units.add(
          new Xliff.Unit(
              "w" + pair.said().first() + "-" + pair.said().last(),
              speaker >= 0 && speaker < speakers.size() ? speakers.get(speaker) : "",
              pair.said().text(),
              pair.text(),
              written(pair)));
    }
    return new Xliff(from, to, units);
  }

  private static Xliff.State written(SentencePair pair) {
    if (pair.isChanged()) {
      return Xliff.State.INITIAL;
    }
    return switch (pair.state()) {
      case OPEN -> Xliff.State.INITIAL;
      case PROPOSED -> Xliff.State.TRANSLATED;
      case REVIEWED -> Xliff.State.REVIEWED;
    };
  }

  /** The sentences with their times: what is translated, and what is said where nothing is yet. */
  public List<TimedText> timed() {
    return pairs.stream()
        .map(p -> new TimedText(played(p), p.shows() ? inOneCaption(p) : p.said().text()))
        .toList();
  }

  /** An empty line would end it, in some formats. */
  private static String inOneCaption(SentencePair pair) {
    return pair.text().strip().replaceAll("\\s*\n\\s*", "\n");
  }

  /** When a sentence is heard as the clip plays. */
  private Span played(SentencePair pair) {
    Span said = pair.said().span();
    return new Span(Math.round(said.startUs() / speed), Math.round(said.endUs() / speed));
  }

  /** Takes each unit by its name to the words that it was about, whatever they say now. */
  public Returned from(Xliff file) {
    Map<String, SentencePair> known = new HashMap<>();
    pairs.forEach(p -> known.put("w" + p.said().first() + "-" + p.said().last(), p));
    List<TranslatedSentence> sentences = new ArrayList<>();
    int notSaid = 0;
    for (Xliff.Unit unit : file.units()) {
      Matcher name = UNIT.matcher(unit.id());
      if (unit.target().isBlank()) {
        continue;
      }
      SentencePair pair = known.get(unit.id());
      if (pair == null || !name.matches()) {
        notSaid++;
        continue;
      }
      boolean untouched = unit.state() == Xliff.State.INITIAL && unit.target().equals(pair.text());
      if (untouched) {
        continue;
      }
      sentences.add(
          new TranslatedSentence(
              Long.parseLong(name.group(1)),
              Long.parseLong(name.group(2)),
              unit.source(),
              unit.target(),
              read(unit.state()),
              pair.moved()));
    }
    return new Returned(sentences, notSaid);
  }

  private static State read(Xliff.State state) {
    return switch (state) {
      // What a program changed without saying how far it is has been translated at least.
      case INITIAL, TRANSLATED -> State.PROPOSED;
      case REVIEWED, FINAL -> State.REVIEWED;
    };
  }

  /**
   * Takes each caption of a file to the sentence that is said for the most of its time. What reads
   * as it is said has not been translated.
   */
  public Returned from(List<TimedText> captions) {
    Map<Integer, List<String>> texts = new HashMap<>();
    int notSaid = 0;
    for (TimedText caption : captions) {
      int at = said(caption.span());
      if (at < 0) {
        notSaid++;
      } else {
        texts
            .computeIfAbsent(at, key -> new ArrayList<>())
            .add(caption.text().strip().replaceAll("\\s+", " "));
      }
    }
    List<TranslatedSentence> sentences =
        IntStream.range(0, pairs.size())
            .filter(texts::containsKey)
            .mapToObj(i -> read(pairs.get(i), Spacing.joined(texts.get(i))))
            .filter(s -> !s.text().equals(s.source()))
            .toList();
    return new Returned(sentences, notSaid);
  }

  /** What reads as before keeps its breaks. */
  private static TranslatedSentence read(SentencePair pair, String text) {
    return pair.as(pair.unbroken().equals(text) ? pair.text() : text, State.REVIEWED);
  }

  /** The sentence that has the most of a time; -1 for none. */
  private int said(Span span) {
    int best = -1;
    long most = 0;
    for (int i = 0; i < pairs.size(); i++) {
      long common = played(pairs.get(i)).overlapUs(span);
      if (common > most) {
        most = common;
        best = i;
      }
    }
    return best;
  }
}
