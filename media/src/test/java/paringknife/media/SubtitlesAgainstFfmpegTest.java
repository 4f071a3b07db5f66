package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.WebVtt;
import paringknife.core.time.Span;

/** SubRip and WebVTT as we write them, read back by ffmpeg's own demuxers. */
class SubtitlesAgainstFfmpegTest {
  private static final List<TimedText> CUES =
      List.of(
          new TimedText(new Span(1_234_000, 2_500_000), "salt water freezes"),
          new TimedText(new Span(2_500_000, 4_001_000), "slower, but\nit does"),
          new TimedText(new Span(3_725_000_000L, 3_726_040_000L), "freeze."));

  @TempDir Path folder;

  @Test
  void ffmpegReadsBothAlike() throws IOException {
    Path srt = Files.writeString(folder.resolve("a.srt"), SubRip.write(CUES));
    Path vtt = Files.writeString(folder.resolve("a.vtt"), WebVtt.write(CUES));
    Path fromSrt = folder.resolve("from-srt.vtt");
    Path fromVtt = folder.resolve("from-vtt.srt");
    SampleMedia.ffmpeg("-i", srt.toString(), fromSrt.toString());
    SampleMedia.ffmpeg("-i", vtt.toString(), fromVtt.toString());
    assertThat(SubtitleReader.read(Files.readString(fromSrt)).cues()).isEqualTo(CUES);
    assertThat(SubtitleReader.read(Files.readString(fromVtt)).cues()).isEqualTo(CUES);
  }
}
