package paringknife.server.correcting;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.formats.AssSubtitles;
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.Ttml;
import paringknife.core.formats.WebVtt;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.transcripts.TranscriptJson;

/** A transcript as a file: plain text, SubRip, WebVTT, TTML or our JSON. */
public final class TranscriptExport {
  private static final Breaking SUBTITLES = Breaking.of(14, 2, 42);

  private TranscriptExport() {}

  public static String write(
      Transcript transcript, String format, boolean speakers, boolean times) {
    return switch (format) {
      case "txt" -> PlainText.write(transcript, speakers, times);
      case "srt" -> SubRip.write(cues(transcript, speakers));
      case "vtt" -> WebVtt.write(cues(transcript, speakers));
      case "ttml" -> Ttml.write(cues(transcript, speakers), transcript.language());
      case "ass" -> AssSubtitles.write(cues(transcript, speakers));
      case "json" -> TranscriptJson.write(transcript);
      default ->
          throw new IllegalArgumentException(
              "A transcript is written as txt, srt, vtt, ttml, ass or json.");
    };
  }

  /** Captions as they came, in another form. */
  public static String write(List<TimedText> cues, Transcript transcript, String format) {
    return switch (format) {
      case "srt" -> SubRip.write(cues);
      case "vtt" -> WebVtt.write(cues);
      case "ttml" -> Ttml.write(cues, transcript.language());
      case "ass" -> AssSubtitles.write(cues);
      default -> write(transcript, format, true, false);
    };
  }

  static String type(String format) {
    return switch (format) {
      case "json" -> "application/json";
      case "ttml" -> "application/ttml+xml";
      case "vtt" -> "text/vtt;charset=UTF-8";
      default -> "text/plain;charset=UTF-8";
    };
  }

  private static List<TimedText> cues(Transcript transcript, boolean speakers) {
    long end = transcript.words().stream().mapToLong(w -> w.endUs()).max().orElse(0) + 1_000_000;
    CutList whole = new CutList(List.of(new Span(0, end)), List.of());
    List<TimedText> cues = new ArrayList<>();
    int last = -2;
    for (Cue cue : new CueBreaker(SUBTITLES).cues(whole, transcript)) {
      int at = transcript.firstEndingAfter(cue.span().startUs());
      int speaker = at < transcript.words().size() ? transcript.words().get(at).speaker() : -1;
      String name = transcript.speakerName(speaker);
      boolean named = speakers && speaker != last && !name.isEmpty();
      cues.add(new TimedText(cue.span(), named ? name + ": " + cue.text() : cue.text()));
      last = speaker;
    }
    return cues;
  }
}
