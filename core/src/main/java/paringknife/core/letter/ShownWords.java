package paringknife.core.letter;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.cue.CaptionEdit.ShowAs;
import paringknife.core.transcript.TokenAlignment;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.core.writing.WordsOfText;

/** Words of a clip with the text that captions show for them, to be shown as another text. */
final class ShownWords {
  private final List<Word> words;

  private ShownWords(List<Word> words) {
    this.words = words;
  }

  /**
   * Words as they are said.
   *
   * @param ids of words in the order in which they are heard
   * @throws IllegalArgumentException for words that nobody says, and for none
   */
  static ShownWords of(Transcript transcript, List<Long> ids) {
    List<Word> words = new ArrayList<>();
    for (long id : ids) {
      int at = transcript.indexOf(id);
      if (at < 0) {
        throw new IllegalArgumentException("There is no such word in the transcript any more.");
      }
      words.add(transcript.words().get(at));
    }
    if (words.isEmpty()) {
      throw new IllegalArgumentException("Choose the words that are to read otherwise.");
    }
    return new ShownWords(words);
  }

  /** As edits show them. */
  ShownWords edited(List<CaptionEdit> edits) {
    Map<Long, String> shown = new HashMap<>();
    for (CaptionEdit edit : edits) {
      if (edit instanceof ShowAs as) {
        shown.put(as.wordId(), as.text());
      }
    }
    return reading(words.stream().map(w -> shown.getOrDefault(w.id(), w.text())).toList());
  }

  /** With these texts, one for each. */
  ShownWords reading(List<String> texts) {
    List<Word> reading = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      reading.add(words.get(i).withText(texts.get(i)));
    }
    return new ShownWords(reading);
  }

  /** Edits that make the words read as a text. Words that are in both stay with their own. */
  List<CaptionEdit> retyped(String text) {
    List<String> tokens = new ArrayList<>();
    Set<Integer> opening = new HashSet<>();
    for (String line : text.strip().lines().toList()) {
      if (!tokens.isEmpty()) {
        opening.add(tokens.size());
      }
      if (!line.isBlank()) {
        tokens.addAll(WordsOfText.of(line));
      }
    }
    String[] shown = new String[words.size()];
    int[] firstToken = new int[words.size()];
    place(tokens, shown, firstToken);
    List<CaptionEdit> edits = new ArrayList<>();
    keepTogether(shown, edits);
    for (int i = 0; i < shown.length; i++) {
      String now = shown[i] == null ? "" : shown[i];
      if (!now.equals(words.get(i).text())) {
        edits.add(new ShowAs(words.get(i).id(), now));
      }
      if (shown[i] != null && opening.contains(firstToken[i])) {
        edits.add(new CaptionEdit.LineBefore(words.get(i).id()));
      }
    }
    return edits;
  }

  /** What is typed as one caption stays one, whatever is typed, and all others stay as they are. */
  private void keepTogether(String[] shown, List<CaptionEdit> edits) {
    int last = -1;
    for (int i = 0; i < shown.length; i++) {
      if (shown[i] != null) {
        long id = words.get(i).id();
        edits.add(last < 0 ? new CaptionEdit.BreakBefore(id) : new CaptionEdit.GoOnWith(id));
        last = i;
      }
    }
    if (last >= 0) {
      edits.add(new CaptionEdit.BreakAfter(words.get(last).id()));
    }
  }

  private void place(List<String> tokens, String[] shown, int[] firstToken) {
    int[] match =
        TokenAlignment.match(
            tokens.stream().map(ShownWords::bare).toList(),
            words.stream().map(Word::bare).toList());
    int word = 0;
    for (int t = 0; t < tokens.size(); ) {
      int end = t;
      while (end < tokens.size() && match[end] < 0) {
        end++;
      }
      int until = end < tokens.size() ? match[end] : words.size();
      for (int i = t; i < end; i++) {
        add(shown, firstToken, placeOf(i - t, word, until), tokens.get(i), i);
      }
      if (end < tokens.size()) {
        add(shown, firstToken, until, tokens.get(end), end);
        end++;
      }
      word = until + 1;
      t = end;
    }
  }

  /** Tokens take the places of words one by one; those left over stand with the last of them. */
  private int placeOf(int token, int from, int to) {
    int place = Math.min(from + token, to - 1);
    return place >= from ? place : Math.max(0, Math.min(from, words.size()) - 1);
  }

  private static void add(String[] shown, int[] firstToken, int place, String token, int number) {
    if (shown[place] == null) {
      firstToken[place] = number;
    }
    shown[place] = shown[place] == null ? token : shown[place] + " " + token;
  }

  /** Edits that show a text wherever the words of a phrase follow one another. */
  List<CaptionEdit> replaced(List<String> phrase, String by) {
    List<CaptionEdit> edits = new ArrayList<>();
    for (int i = 0; i + phrase.size() <= words.size(); i++) {
      if (says(i, phrase)) {
        Word last = words.get(i + phrase.size() - 1);
        String mark = trailing(last.text());
        edits.add(new ShowAs(words.get(i).id(), by.isEmpty() ? "" : by + mark));
        for (int k = 1; k < phrase.size(); k++) {
          edits.add(new ShowAs(words.get(i + k).id(), ""));
        }
        i += phrase.size() - 1;
      }
    }
    return edits;
  }

  private boolean says(int at, List<String> phrase) {
    for (int k = 0; k < phrase.size(); k++) {
      if (!words.get(at + k).bare().equals(bare(phrase.get(k)))) {
        return false;
      }
    }
    return true;
  }

  private static String trailing(String text) {
    int end = text.length();
    while (end > 0 && !Character.isLetterOrDigit(text.charAt(end - 1))) {
      end--;
    }
    return text.substring(end);
  }

  private static String bare(String token) {
    return new Word(0, token, 0, 0, -1, 1).bare();
  }
}
