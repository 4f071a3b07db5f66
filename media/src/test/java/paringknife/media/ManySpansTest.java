package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.Encoding;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.HeldWindow;
import paringknife.core.frame.PlannedFrame;
import paringknife.core.frame.Window;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.store.CaptionFonts;

/**
 * Two thousand spans of 40 ms, out of order here and there, framed differently each: still one
 * whole file.
 */
class ManySpansTest {
  private static final int SPANS = 2_000;

  @TempDir Path folder;

  @Test
  void twoThousandSpansOfFortyMillisecondsAreRendered() {
    Recording recording =
        Probe.of(SampleMedia.recording(folder.resolve("camera.mp4"), "160x90", "25", 122));
    Path sound = SampleMedia.takenIn(recording);
    List<Span> kept = new ArrayList<>();
    List<PlannedFrame> windows = new ArrayList<>();
    for (int i = 0; i < SPANS; i++) {
      long at = i * 60_000L;
      kept.add(new Span(at, at + 40_000));
      windows.add(
          PlannedFrame.of(
              new HeldWindow(
                  new Span(at, at + 60_000), new Window(i % 7 * 10, 0, 50.625, 90), -1)));
    }
    java.util.Collections.swap(kept, 700, 1_400);
    CutList cuts = new CutList(kept, List.of());
    List<PictureRun> runs = PictureRun.of(cuts, new FrameRate(25, 1));
    Path file = folder.resolve("clip.mp4");
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(sound),
                SoundPlan.of(kept),
                runs,
                FramePath.of(runs, windows, new FrameRate(25, 1)),
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                90,
                160,
                new FrameRate(25, 1),
                null,
                1,
                Encoding.H264_AAC),
            file,
            share -> {});
    Measurement measured = Measurement.of(file);
    assertThat(PictureRun.total(runs)).isEqualTo(SPANS);
    assertThat(measured.seconds()).isBetween(79.9, 80.1);
  }
}
