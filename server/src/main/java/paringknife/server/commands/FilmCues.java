package paringknife.server.commands;

import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.formats.TimedText;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.cue.GivenCues;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.speech.ForcedAligner;
import paringknife.media.transcripts.TranscriptFile;

/** The captions of a finished film from a file of them, or from what is said in it. */
final class FilmCues {
  private FilmCues() {}

  static List<Cue> of(Recording film, Path subtitles, Breaking breaking) {
    TranscriptFile.Imported read = TranscriptFile.read(subtitles);
    read.mended().forEach(m -> System.err.println(subtitles.getFileName() + ": " + m));
    if (!read.cues().isEmpty()) {
      List<Cue> given =
          read.cues().stream()
              .filter(c -> !c.text().isBlank() && c.span().startUs() < film.durationUs())
              .sorted(Comparator.comparing(TimedText::span))
              .map(c -> Cue.given(c.span(), c.text()))
              .toList();
      return new GivenCues(breaking, read.transcript().language()).fitted(given);
    }
    Transcript said =
        read.timing() == TranscriptFile.Timing.NOTHING
            ? new ForcedAligner().align(film.file(), read.transcript(), share -> {}).transcript()
            : read.transcript();
    CutList whole = new CutList(List.of(new Span(0, film.durationUs())), List.of());
    return new CueBreaker(breaking).cues(whole, said);
  }
}
