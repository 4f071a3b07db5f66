package paringknife.bench;

import com.microsoft.playwright.Page;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ChildProcess;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.commands.RunningServer;
import paringknife.server.shelf.EpisodeState;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.transcripts.TranscriptStore;
import tools.jackson.databind.JsonNode;

/**
 * How far sound and picture are apart while ten minutes of a pared clip play in the browser. The
 * recording flashes and beeps every ten seconds and is cut between; beeps are where the page
 * schedules them on the sound card's clock, flashes when the plate turns bright by that clock.
 */
final class StepBench {
  private static final int SECONDS = 720;
  private static final int EVERY = 10;
  private static final double FRAME_MS = 40;

  private static final String TAP =
      """
      (() => {
        window.step = { beeps: [], flashes: [], context: null };
        const { start } = AudioBufferSourceNode.prototype;
        AudioBufferSourceNode.prototype.start = function (when = 0, offset = 0) {
          step.context = this.context;
          const at = Math.max(when, this.context.currentTime);
          const samples = this.buffer.getChannelData(0);
          let quiet = 0;
          for (let i = Math.round(offset * 48000); i < samples.length; i++) {
            if (Math.abs(samples[i]) < 0.05) quiet++;
            else {
              if (quiet > 4800) step.beeps.push(at + i / 48000 - offset);
              quiet = 0;
            }
          }
          return start.call(this, when, offset);
        };
        let bright = false;
        const eye = document.createElement('canvas').getContext('2d', { willReadFrequently: true });
        const watch = () => {
          const plate = document.querySelector('[data-testid=plate] canvas');
          if (plate && step.context) {
            eye.drawImage(plate, 0, 0, 2, 2);
            const now = eye.getImageData(0, 0, 1, 1).data[0] > 128;
            if (now && !bright) step.flashes.push(step.context.currentTime);
            bright = now;
          }
          requestAnimationFrame(watch);
        };
        requestAnimationFrame(watch);
      })();
      """;

  private StepBench() {}

  static void run(Path work) throws Exception {
    Path media = Files.createDirectories(work.resolve("media"));
    Path file = media.resolve("flashes.mp4");
    String on = "between(mod(t," + EVERY + "),3,3.2)";
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-t",
            "" + SECONDS,
            "-i",
            "color=black:s=640x360:r=25,drawbox=c=white:t=fill:enable='" + on + "'",
            "-f",
            "lavfi",
            "-t",
            "" + SECONDS,
            "-i",
            "aevalsrc='0.5*sin(2*PI*1000*t)*" + on + "':s=48000",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-c:a",
            "aac",
            file.toString()),
        null,
        Duration.ofMinutes(5));
    Recording recording = Probe.of(file);
    List<Word> words = new ArrayList<>();
    for (int i = 0; i < SECONDS; i++) {
      words.add(new Word(i, "word", i * 1_000_000L, i * 1_000_000L + 600_000, 0, 1));
    }
    try (RunningServer server = RunningServer.start(work.resolve("data"), media, 0)) {
      long id =
          server.part(EpisodeStore.class).add("Bench", "Flashes", file, recording.durationUs());
      server
          .part(TranscriptStore.class)
          .replace(id, new Transcript("en", List.of("Ada"), words), TranscriptFile.Timing.WORDS);
      while (server.part(EpisodeStore.class).byId(id).orElseThrow().state() != EpisodeState.READY) {
        Thread.sleep(500);
      }
      long clip = pared(server.address(), id);
      play(server.address() + "/episodes/" + id + "/pare?clip=" + clip);
    }
  }

  /** All of it, with one word in ten taken out. */
  private static long pared(String address, long episode) throws Exception {
    JsonNode state =
        Api.post(
            address + "/api/episodes/" + episode + "/clips",
            "{\"firstWord\":0,\"lastWord\":" + (SECONDS - 1) + ",\"title\":\"Bench\"}");
    long clip = state.path("id").asLong();
    for (int word = 7; word < SECONDS; word += EVERY) {
      state =
          Api.post(
              address + "/api/clips/" + clip + "/changes",
              "{\"revision\":"
                  + state.path("revision").asInt()
                  + ",\"intent\":{\"type\":\"pareWords\",\"first\":"
                  + word
                  + ",\"last\":"
                  + word
                  + "}}");
    }
    return clip;
  }

  private static void play(String address) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.addInitScript(TAP);
      page.navigate(address);
      page.waitForSelector("[data-testid=plate][data-ready=true]");
      page.evaluate("() => paringKnifePlayer.play()");
      page.waitForFunction(
          "() => paringKnifePlayer.position > 625e6",
          null,
          new Page.WaitForFunctionOptions().setTimeout(900_000));
      List<?> apart =
          (List<?>)
              page.evaluate(
                  "() => step.flashes.map((flash) => [flash, 1000 * (flash - step.beeps.reduce((near, beep) => (Math.abs(beep - flash) < Math.abs(near - flash) ? beep : near), Infinity))])");
      report("in the first minute", apart, 0, 60);
      report("after ten minutes", apart, 600, Double.MAX_VALUE);
    }
  }

  private static void report(String when, List<?> apart, double from, double to) {
    double[] ms =
        apart.stream()
            .map(pair -> (List<?>) pair)
            .filter(
                pair ->
                    ((Number) pair.get(0)).doubleValue() >= from
                        && ((Number) pair.get(0)).doubleValue() < to)
            .mapToDouble(pair -> Math.abs(((Number) pair.get(1)).doubleValue()))
            .sorted()
            .toArray();
    double middle = ms[ms.length / 2];
    System.out.printf(
        Locale.ROOT,
        "sound and picture apart %s / a frame of %.0f ms: %.2f (median %.0f ms, most %.0f ms, of %d flashes)%n",
        when,
        FRAME_MS,
        middle / FRAME_MS,
        middle,
        ms[ms.length - 1],
        ms.length);
  }
}
