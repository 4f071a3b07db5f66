package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.time.Span;
import paringknife.media.process.ChildProcess;

/**
 * Captions beside the picture, read by others: TTML by the imsc library (npm) and by ttconv
 * (Debian's python3-ttconv), WebVTT by Chromium. Words and times are the same.
 */
class SubtitlesAgainstOthersTest {
  private static final Path IMSC = Path.of("../web/node_modules/imsc/dist/imsc.all.min.js");

  private static final List<TimedText> CUES =
      List.of(
          new TimedText(new Span(1_234_000, 2_500_000), "salt & water, 3 < 4"),
          new TimedText(new Span(2_500_000, 4_001_000), "slower, but\nit \"does\""),
          new TimedText(
              new Span(5_000_000, 6_040_000),
              "\u03b1\u03bb\u03ac\u03c4\u03b9 \u0441\u043e\u043b\u044c"),
          new TimedText(
              new Span(3_725_000_000L, 3_726_040_000L), "\u6f6e\u304c\u6e80\u3061\u308b"));

  /** What the imsc library shows at each of the times at which something changes. */
  private static final String SHOWN =
      """
      ttml => {
        const faults = [];
        const said = { info: () => {}, warn: m => faults.push(m), error: m => faults.push(m), fatal: m => faults.push(m) };
        const document = imsc.fromXML(ttml, said);
        const text = e =>
          (e.kind === 'br' ? '\\n' : e.text ?? '') + (e.contents ?? []).map(text).join('');
        const shown = document.getMediaTimeEvents().map(at => ({
          at,
          text: imsc.generateISD(document, at, said).contents.map(text).join(''),
        }));
        return faults.concat(shown.map(s => s.at.toFixed(3) + ' ' + s.text));
      }
      """;

  /** The cues of a text track, once it has been read. */
  private static final String TRACK =
      """
      vtt => new Promise((resolve, reject) => {
        const track = document.createElement('track');
        track.src = URL.createObjectURL(new Blob([vtt], { type: 'text/vtt' }));
        track.onload = () => resolve([...track.track.cues].map(c =>
          c.startTime.toFixed(3) + ' ' + c.endTime.toFixed(3) + ' ' + c.getCueAsHTML().textContent));
        track.onerror = reject;
        const video = document.createElement('video');
        video.append(track);
        track.track.mode = 'showing';
      })
      """;

  private static Browser browser;
  private static Page page;

  @TempDir Path folder;

  @BeforeAll
  static void open() {
    browser = new Browser();
    page = browser.page();
  }

  @AfterAll
  static void close() {
    browser.close();
  }

  private static String seconds(long us) {
    return String.format(java.util.Locale.ROOT, "%.3f", us / 1e6);
  }

  @Test
  void imscShowsTheSameWordsAtTheSameTimes() throws IOException {
    page.evaluate(Files.readString(IMSC));
    List<String> wanted = new ArrayList<>(List.of("0.000 "));
    for (int i = 0; i < CUES.size(); i++) {
      TimedText cue = CUES.get(i);
      wanted.add(seconds(cue.span().startUs()) + ' ' + cue.text());
      boolean goesOn =
          i + 1 < CUES.size() && CUES.get(i + 1).span().startUs() == cue.span().endUs();
      if (!goesOn) {
        wanted.add(seconds(cue.span().endUs()) + ' ');
      }
    }
    assertThat((List<?>) page.evaluate(SHOWN, SubtitleFormat.TTML.write(CUES, "en")))
        .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.list(String.class))
        .containsExactlyElementsOf(wanted);
  }

  @Test
  void ttconvWritesTheSameWordsAtTheSameTimes() throws IOException {
    Path ours = Files.writeString(folder.resolve("a.ttml"), SubtitleFormat.TTML.write(CUES, "en"));
    Path theirs = folder.resolve("a.vtt");
    ChildProcess.run(
        List.of("/usr/bin/ttconv", "convert", "-i", ours.toString(), "-o", theirs.toString()),
        folder,
        Duration.ofMinutes(1));
    assertThat(SubtitleReader.read(Files.readString(theirs)).cues()).isEqualTo(CUES);
  }

  @Test
  void chromiumReadsWebVtt() {
    List<String> wanted =
        CUES.stream()
            .map(
                c -> seconds(c.span().startUs()) + ' ' + seconds(c.span().endUs()) + ' ' + c.text())
            .toList();
    assertThat((List<?>) page.evaluate(TRACK, SubtitleFormat.VTT.write(CUES, "en")))
        .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.list(String.class))
        .containsExactlyElementsOf(wanted);
  }
}
