package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.frame.HeldWindow;
import paringknife.core.pare.CutList;
import paringknife.core.pare.PictureRun;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * A cut rendered by us, and put together again by plain ffmpeg from nothing but the edit decision
 * list, read here by its columns (CMX 3600). Every picture of the recording is another one, so that
 * one frame off would show.
 */
class EdlReassemblyTest {
  private static final Pattern EVENT = Pattern.compile("(?m)^\\d{3}  AX       AA/V  C        (\\S+) (\\S+) (\\S+) (\\S+)");
  private static final DeliverySpec WIDE = DeliverySpecs.byId("wide");

  @TempDir static Path folder;

  private static long frame(String timecode, int base) {
    String[] part = timecode.split("[:;]");
    return ((Long.parseLong(part[0]) * 60 + Long.parseLong(part[1])) * 60 + Long.parseLong(part[2])) * base + Long.parseLong(part[3]);
  }

  @Test
  void theListGivesTheFramesOfTheRender() {
    Path camera = folder.resolve("camera.mp4");
    SampleMedia.ffmpeg("-f", "lavfi", "-i", "testsrc2=s=640x360:r=30000/1001", "-f", "lavfi", "-i", "sine", "-t", "9", "-c:v", "libx264", "-preset", "ultrafast", "-g", "30", "-c:a", "aac", camera.toString());
    Recording recording = Probe.of(camera);
    Path sound = folder.resolve("sound.flac");
    new Ingest(recording, folder.resolve("proxy.mp4"), sound).run(share -> {});
    FrameRate rate = Renderer.rateOf(recording);
    CutList cuts = new CutList(List.of(new Span(513_000, 1_487_000), new Span(2_204_000, 3_011_000), new Span(3_140_000, 3_460_000), new Span(6_733_000, 8_120_000)), List.of());
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    HeldWindow whole = new HeldWindow(new Span(0, 9_000_000), 0, 0, 640, 360, -1);
    Path ours = folder.resolve("ours.mp4");
    new Renderer(new CaptionFonts(folder.resolve("fonts"))).render(new RenderOrder(recording, sound, cuts, runs, List.of(whole), "", WIDE, 1), ours, share -> {});
    String edl = EditDecisionList.write("Cut", "camera.mp4", runs.stream().map(r -> new EditEvent(r.episodeFrame(), r.clipFrame(), r.count())).toList(), rate, false, 0);

    List<String> chosen = new ArrayList<>();
    long frames = 0;
    Matcher event = EVENT.matcher(edl);
    while (event.find()) {
      long in = frame(event.group(1), 30);
      long out = frame(event.group(2), 30);
      assertThat(frame(event.group(3), 30)).isEqualTo(frames);
      frames += out - in;
      assertThat(frame(event.group(4), 30)).isEqualTo(frames);
      chosen.add("between(n," + in + "," + (out - 1) + ")");
    }
    assertThat(chosen).hasSize(4);

    assertThat(least(camera, ours, String.join("+", chosen), "")).as("as the list says").isGreaterThan(0.9);
    assertThat(least(camera, ours, String.join("+", chosen), "trim=start_frame=1,setpts=PTS-STARTPTS,")).as("one frame off").isLessThan(0.9);
    assertThat(Probe.of(ours).durationUs()).isBetween(rate.startUs(frames) - 40_000, rate.startUs(frames) + 40_000);
  }

  /** The least likeness (SSIM) of two pictures at the same place of render and re-assembly. */
  private static double least(Path camera, Path ours, String frames, String shift) {
    String graph = "[0:v]select='" + frames + "',setpts=N/(30000/1001)/TB,scale=320:180[a];[1:v]" + shift + "setpts=N/(30000/1001)/TB,scale=320:180[b];[a][b]ssim=stats_file=-:shortest=1";
    String said = ChildProcess.run(List.of("ffmpeg", "-nostdin", "-v", "error", "-i", camera.toString(), "-i", ours.toString(), "-filter_complex", graph, "-f", "null", "-"), null, Duration.ofMinutes(2)).text();
    Matcher each = Pattern.compile("All:([\\d.]+)").matcher(said);
    double least = 1;
    int count = 0;
    while (each.find()) {
      least = Math.min(least, Double.parseDouble(each.group(1)));
      count++;
    }
    assertThat(count).isGreaterThan(90);
    return least;
  }
}
