package paringknife.core.dress;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PlayedWord;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.Beside;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.writing.EvenLines;

/**
 * The texts that are laid over a clip: names of those who speak, and call-outs.
 *
 * @param cuts the clip's cut list
 */
public record LaidTexts(LaidOver laidOver, CutList cuts, Transcript transcript) {
  /** Letterings are as large as captions; names are quieter, call-outs nearly as loud. */
  private static final double NAME_SIZE = 0.76;

  private static final double CALL_OUT_SIZE = 0.9;
  private static final int NAME_LINE = 28;
  private static final int CALL_OUT_LINE = 18;
  private static final int MOST_LINES = 5;

  /** A call-out stands at least so long, to be read (common practice). */
  private static final long LEAST_US = 1_500_000;

  private static final long LINGER_US = 500_000;

  /** What speakers are called whom nobody has named. */
  private static final Pattern NO_NAME = Pattern.compile("(?i)speaker\\s*\\d*|unknown|\\s*");

  /** As they stand in the picture, names first. */
  public List<Beside> besides() {
    if (!laidOver.names().shown() && laidOver.callOuts().isEmpty()) {
      return List.of();
    }
    List<PlayedWord> played = PlayedWord.of(cuts, transcript);
    List<Beside> besides = new ArrayList<>();
    if (laidOver.names().shown()) {
      Lettering set = Letterings.byId(laidOver.names().lettering());
      besides.add(new Beside(quiet(set.style(), NAME_SIZE), names(played), false));
    }
    if (!laidOver.callOuts().isEmpty()) {
      Lettering set = Letterings.byId(laidOver.callOutLettering());
      besides.add(new Beside(quiet(set.style(), CALL_OUT_SIZE), callOuts(played), true));
    }
    return besides;
  }

  /** What is read in them, whether it is shown now or not. */
  public Stream<String> texts() {
    Stream<String> called = laidOver.callOuts().stream().map(CallOut::text);
    return laidOver.names().shown()
        ? Stream.concat(transcript.speakers().stream(), called)
        : called;
  }

  /** Nothing in it marks which word is heard. */
  private static Style quiet(Style style, double size) {
    Style quiet =
        style
            .withMark(new SpokenMark.Unmarked())
            .withPlace(null)
            .withFace(style.face().larger(size));
    Face lower = style.lowerFace();
    return lower == null ? quiet : quiet.withLower(lower.larger(size));
  }

  /** Each from where its speaker is first heard; one that follows soon ends the one before. */
  private List<Cue> names(List<PlayedWord> played) {
    long lengthUs = Math.round(laidOver.names().seconds() * 1e6);
    Set<Integer> named = new HashSet<>();
    List<Said> said = new ArrayList<>();
    for (PlayedWord word : played) {
      int speaker = word.word().speaker();
      String name = transcript.speakerName(speaker);
      if (named.add(speaker) && !NO_NAME.matcher(name).matches()) {
        long from = word.span().startUs();
        said.add(new Said(from, from + lengthUs, String.join("\n", lines(name, NAME_LINE))));
      }
    }
    return cues(said);
  }

  private List<Cue> callOuts(List<PlayedWord> played) {
    List<Said> said = new ArrayList<>();
    for (CallOut callOut : laidOver.callOuts()) {
      int first = transcript.indexOf(callOut.firstWord());
      int last = transcript.indexOf(callOut.lastWord());
      List<PlayedWord> with =
          played.stream()
              .filter(w -> isBetween(transcript.indexOf(w.word().id()), first, last))
              .toList();
      if (!with.isEmpty()) {
        long from = with.get(0).span().startUs();
        long until =
            Math.max(from + LEAST_US, with.get(with.size() - 1).span().endUs() + LINGER_US);
        said.add(new Said(from, until, String.join("\n", lines(callOut.text(), CALL_OUT_LINE))));
      }
    }
    said.sort((a, b) -> Long.compare(a.fromUs(), b.fromUs()));
    return cues(said);
  }

  private static boolean isBetween(int index, int first, int last) {
    return index >= Math.min(first, last) && index <= Math.max(first, last);
  }

  private static List<String> lines(String text, int characters) {
    return EvenLines.of(text, characters, MOST_LINES);
  }

  private record Said(long fromUs, long untilUs, String text) {}

  /** None stands while another one does, or after the clip has ended. */
  private List<Cue> cues(List<Said> said) {
    List<Cue> cues = new ArrayList<>();
    for (int i = 0; i < said.size(); i++) {
      Said one = said.get(i);
      long next = i + 1 < said.size() ? said.get(i + 1).fromUs() : cuts.lengthUs();
      long until = Math.min(one.untilUs(), Math.min(next, cuts.lengthUs()));
      if (until > one.fromUs()) {
        cues.add(Cue.given(new Span(one.fromUs(), until), one.text()));
      }
    }
    return cues;
  }
}
