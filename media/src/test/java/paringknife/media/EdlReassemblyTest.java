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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.clip.cut.PlacedGap;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.Encoding;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.listen.SoundPlan;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Cameras;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.ffmpeg.RenderOrder;
import paringknife.media.ffmpeg.Renderer;
import paringknife.media.ffmpeg.SoundFile;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * A cut rendered by us, and put together again by plain ffmpeg from nothing but the edit decision
 * list, read here by its columns (CMX 3600). Every picture of the recording is another one, so that
 * one frame off would show.
 */
class EdlReassemblyTest {
  private static final Pattern EVENT =
      Pattern.compile("(?m)^\\d{3}  AX       AA/V  C        (\\S+) (\\S+) (\\S+) (\\S+)");
  private static final DeliverySpec WIDE = DeliverySpecs.SHIPPED.byId("wide");

  @TempDir static Path folder;

  private static long frame(String timecode, int base) {
    String[] part = timecode.split("[:;]");
    return ((Long.parseLong(part[0]) * 60 + Long.parseLong(part[1])) * 60 + Long.parseLong(part[2]))
            * base
        + Long.parseLong(part[3]);
  }

  @Test
  void theListGivesTheFramesOfTheRender() {
    Path camera = SampleMedia.recording(folder.resolve("camera.mp4"), "640x360", "30000/1001", 9);
    Recording recording = Probe.of(camera);
    Path sound = SampleMedia.takenIn(recording);
    FrameRate rate = Renderer.rateOf(recording);
    CutList cuts =
        new CutList(
            List.of(
                new Span(513_000, 1_487_000),
                new Span(2_204_000, 3_011_000),
                new Span(3_140_000, 3_460_000),
                new Span(6_733_000, 8_120_000)),
            List.of());
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    FramePath whole = FramePath.whole(640, 360, PictureRun.total(runs));
    Path ours = folder.resolve("ours.mp4");
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(sound),
                SoundPlan.of(cuts.kept()),
                runs,
                whole,
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                640,
                360,
                rate,
                WIDE.loudness().target(),
                1,
                WIDE.encoding()),
            ours,
            share -> {});
    String edl =
        EditDecisionList.write(
            "Cut",
            "camera.mp4",
            runs.stream()
                .map(r -> new EditEvent(r.episodeFrame(), r.clipFrame(), r.count()))
                .toList(),
            rate,
            false,
            0,
            1);

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

    assertThat(Likeness.least(camera, ours, String.join("+", chosen), ""))
        .as("as the list says")
        .isGreaterThan(0.9);
    assertThat(
            Likeness.least(
                camera, ours, String.join("+", chosen), "trim=start_frame=1,setpts=PTS-STARTPTS,"))
        .as("one frame off")
        .isLessThan(0.9);
    assertThat(Probe.of(ours).durationUs())
        .isBetween(rate.startUs(frames) - 40_000, rate.startUs(frames) + 40_000);
  }

  /**
   * Gaps of room tone, before, between and after the pieces, hold the picture. The same is put
   * together from the list alone: a motion effect (M2) of speed 0 is one frame, looped.
   */
  @ParameterizedTest
  @CsvSource({"25, 1", "30000, 1001"})
  void heldFramesAreThoseOfTheListToo(int numerator, int denominator) {
    String rateText = numerator + "/" + denominator;
    Path camera =
        SampleMedia.recording(folder.resolve("held-" + numerator + ".mp4"), "640x360", rateText, 7);
    Recording recording = Probe.of(camera);
    Path sound = SampleMedia.takenIn(recording);
    FrameRate rate = Renderer.rateOf(recording);
    CutList cuts =
        new CutList(
            List.of(
                new Span(513_000, 1_487_000),
                new Span(1_487_000, 2_011_000),
                new Span(5_140_000, 6_460_000)),
            List.of(),
            List.of(
                new PlacedGap(1, -1, 300_000),
                new PlacedGap(2, 0, 640_000),
                new PlacedGap(3, 1, 210_000),
                new PlacedGap(4, 2, 500_000)));
    List<PictureRun> runs = PictureRun.of(cuts, rate);
    Span tone = new Span(3_000_000, 3_500_000);
    SoundPlan plan =
        new SoundPlan(
            List.of(
                new SoundPlan.Tone(tone, 300_000),
                new SoundPlan.Recorded(cuts.kept().get(0)),
                new SoundPlan.Tone(tone, 640_000),
                new SoundPlan.Recorded(cuts.kept().get(1)),
                new SoundPlan.Tone(tone, 210_000),
                new SoundPlan.Recorded(cuts.kept().get(2)),
                new SoundPlan.Tone(tone, 500_000)),
            List.of());
    FramePath whole = FramePath.whole(640, 360, PictureRun.total(runs));
    Path ours = folder.resolve("held-ours.mp4");
    new Renderer(new CaptionFonts(folder.resolve("fonts")))
        .render(
            new RenderOrder(
                Cameras.of(recording),
                SoundFile.of(sound),
                plan,
                runs,
                whole,
                null,
                null,
                Look.AS_RECORDED,
                SmoothedSkin.NONE,
                null,
                "",
                640,
                360,
                rate,
                null,
                1,
                Encoding.H264_AAC),
            ours,
            share -> {});
    String edl =
        EditDecisionList.write(
            "Held",
            "held.mp4",
            runs.stream()
                .map(r -> new EditEvent(r.episodeFrame(), r.clipFrame(), r.count(), r.held()))
                .toList(),
            rate,
            false,
            0,
            1);

    List<EditEvent> events = EditDecisionList.read(edl, rate);
    assertThat(events).filteredOn(EditEvent::held).hasSize(4);
    StringBuilder graph = new StringBuilder("[0:v]split=" + events.size());
    for (int i = 0; i < events.size(); i++) {
      graph.append("[s").append(i).append(']');
    }
    for (int i = 0; i < events.size(); i++) {
      EditEvent event = events.get(i);
      long end = event.sourceFrame() + (event.held() ? 1 : event.count());
      graph
          .append(";[s")
          .append(i)
          .append("]trim=start_frame=")
          .append(event.sourceFrame())
          .append(":end_frame=")
          .append(end)
          .append(",setpts=N/(")
          .append(rateText)
          .append(")/TB");
      graph
          .append(
              event.held()
                  ? ",loop=loop=" + (event.count() - 1) + ":size=1,setpts=N/(" + rateText + ")/TB"
                  : "")
          .append("[p")
          .append(i)
          .append(']');
    }
    graph.append(';');
    for (int i = 0; i < events.size(); i++) {
      graph.append("[p").append(i).append(']');
    }
    Path again = folder.resolve("held-again.mkv");
    SampleMedia.ffmpeg(
        "-i",
        camera.toString(),
        "-filter_complex",
        graph + "concat=n=" + events.size() + ":v=1:a=0[o]",
        "-map",
        "[o]",
        "-c:v",
        "ffv1",
        again.toString());
    assertThat(frames(ours)).isEqualTo(PictureRun.total(runs)).isEqualTo(frames(again));
    assertThat(leastAlike(again, ours, "")).isGreaterThan(0.9);
    assertThat(leastAlike(again, ours, "trim=start_frame=1,setpts=PTS-STARTPTS,"))
        .as("one frame off")
        .isLessThan(0.9);
    assertThat(Probe.of(ours).durationUs())
        .isBetween(
            rate.startUs(PictureRun.total(runs)) - 40_000,
            rate.startUs(PictureRun.total(runs)) + 40_000);
  }

  private static long frames(Path file) {
    String said =
        ChildProcess.run(
                List.of(
                    "ffprobe",
                    "-v",
                    "error",
                    "-select_streams",
                    "v:0",
                    "-count_frames",
                    "-show_entries",
                    "stream=nb_read_frames",
                    "-of",
                    "csv=p=0",
                    file.toString()),
                null,
                Duration.ofMinutes(1))
            .text();
    return Long.parseLong(said.strip().replace(",", ""));
  }

  private static double leastAlike(Path one, Path other, String shift) {
    String graph =
        "[0:v]setpts=N/25/TB,scale=320:180[a];[1:v]"
            + shift
            + "setpts=N/25/TB,scale=320:180[b];[a][b]ssim=stats_file=-:shortest=1";
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-v",
                    "error",
                    "-i",
                    one.toString(),
                    "-i",
                    other.toString(),
                    "-filter_complex",
                    graph,
                    "-f",
                    "null",
                    "-"),
                null,
                Duration.ofMinutes(2))
            .text();
    Matcher each = Pattern.compile("All:([\\d.]+)").matcher(said);
    double least = 1;
    while (each.find()) {
      least = Math.min(least, Double.parseDouble(each.group(1)));
    }
    return least;
  }
}
