package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Shots;
import paringknife.media.process.ChildProcess;

/** Made films whose cuts are known by the frame. */
class ShotsTest {
  private static final String SIZE = "s=320x180:r=25";

  @TempDir Path folder;

  private List<Long> shots(String graph, String... inputs) {
    Path film = folder.resolve("film.mkv");
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    for (String input : inputs) {
      command.addAll(List.of("-f", "lavfi", "-i", input));
    }
    command.addAll(
        List.of(
            "-filter_complex", graph, "-map", "[v]", "-c:v", "libx264", "-preset", "ultrafast"));
    command.addAll(List.of("-crf", "20", film.toString()));
    ChildProcess.run(command, null, Duration.ofMinutes(2));
    return Shots.of(Probe.of(film));
  }

  @Test
  void hardCutsAreFoundByTheFrameAndNothingElse() {
    assertThat(
            shots(
                "[0][1][2][3]concat=n=4,format=yuv420p[v]",
                "testsrc2=" + SIZE + ":d=2",
                "mandelbrot=" + SIZE + ":start_scale=0.3,trim=duration=3",
                "smptebars=" + SIZE + ":d=1",
                "cellauto=" + SIZE + ":rule=110,trim=duration=2"))
        .containsExactly(0L, 50L, 125L, 150L);
  }

  @Test
  void aDissolveIsOneShotChangeInItsMiddle() {
    List<Long> starts =
        shots(
            "[0][1]xfade=transition=fade:duration=0.8:offset=2,format=yuv420p[v]",
            "smptebars=" + SIZE + ":d=3",
            "testsrc=" + SIZE + ":d=4");
    assertThat(starts).hasSize(2);
    assertThat(starts.get(1)).isBetween(59L, 61L);
  }

  @Test
  void flashesAndAShakenCameraAreNone() {
    assertThat(
            shots(
                "[0]geq=lum='if(eq(mod(N,40),20),235,lum(X,Y))':cb='cb(X,Y)':cr='cr(X,Y)',"
                    + "crop=280:150:'20+6*sin(n*1.7)':'15+6*cos(n*2.3)',format=yuv420p[v]",
                "mandelbrot=" + SIZE + ":start_scale=0.3,trim=duration=6"))
        .containsExactly(0L);
  }
}
