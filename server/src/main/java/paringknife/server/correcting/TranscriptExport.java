package paringknife.server.correcting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import paringknife.core.clip.cut.CutList;
import paringknife.core.formats.PlainText;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.TimedText;
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
      case "json" -> TranscriptJson.write(transcript);
      default ->
          subtitles(format)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "A transcript is written as txt, srt, vtt, ttml, ass or json."))
              .write(cues(transcript, speakers), transcript.language());
    };
  }

  /** The format of captions of that name; plain text is written in sentences instead. */
  private static Optional<SubtitleFormat> subtitles(String format) {
    return SubtitleFormat.byExtension(format).filter(f -> f != SubtitleFormat.TXT);
  }

  /** Captions as they came, in another form. */
  public static String write(List<TimedText> cues, Transcript transcript, String format) {
    return subtitles(format)
        .map(f -> f.write(cues, transcript.language()))
        .orElseGet(() -> write(transcript, format, true, false));
  }

  static String type(String format) {
    return SubtitleFormat.byExtension(format)
        .map(SubtitleFormat::mediaType)
        .orElse("application/json");
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
