package paringknife.bench;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitUntilState;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import paringknife.media.ffmpeg.Ffmpeg;
import paringknife.server.commands.RunningServer;
import tools.jackson.databind.JsonNode;

/** The sheet of two hundred clips, and ten people who edit while something is encoded. */
final class LoadBench {
  private static final int CLIPS = 200;
  private static final int EPISODES = 20;
  private static final int CLIP_WORDS = 120;
  private static final int EDITORS = 10;
  private static final int EDITS = 40;

  /** What a person types at most. */
  private static final long BETWEEN_EDITS_MS = 250;

  private static final double SHEET_BUDGET_MS = 300;
  private static final double READ_BUDGET_MS = 100;
  private static final double EDIT_BUDGET_MS = 100;
  private static final int READS = 20;
  private static final int STARTS = 4;
  private static final int OPENINGS = 7;
  private static final int AT_REST_MS = 3_000;
  private static final double START_BUDGET_MS = 15_000;
  private static final double FIRST_SHEET_BUDGET_MS = 1_000;
  private static final double STOP_BUDGET_MS = 5_000;

  private LoadBench() {}

  static void run(Path work) throws Exception {
    try (LongEpisode episode = LongEpisode.open(work)) {
      String address = episode.server().address();
      String clips = address + "/api/episodes/" + episode.id() + "/clips";
      List<Long> ids = new ArrayList<>();
      for (int i = 0; i < CLIPS; i++) {
        ids.add(addClip(clips, i * CLIP_WORDS, i));
      }
      sheet(address, episode.id(), ids);
      editors(address, ids);
    }
    stopsAndStarts(work);
    shelf(work.resolve("shelf"));
  }

  /** As many clips of twenty episodes, read at once. */
  private static void shelf(Path work) throws Exception {
    try (LongEpisode first = LongEpisode.open(work)) {
      String address = first.server().address();
      List<Long> episodes = new ArrayList<>(List.of(first.id()));
      while (episodes.size() < EPISODES) {
        episodes.add(first.another("Three hours, " + episodes.size()));
      }
      for (long episode : episodes) {
        for (int i = 0; i < CLIPS / EPISODES; i++) {
          addClip(address + "/api/episodes/" + episode + "/clips", i * CLIP_WORDS, i);
        }
      }
      Api.get(address + "/api/sheet");
      double[] took = new double[READS];
      for (int i = 0; i < READS; i++) {
        long from = System.nanoTime();
        Api.get(address + "/api/sheet");
        took[i] = (System.nanoTime() - from) / 1e6;
      }
      LongTranscriptBench.report(
          "the sheet of twenty episodes with 200 clips", took, FIRST_SHEET_BUDGET_MS);
      opened(address);
    }
    stopsAndStarts(work);
  }

  /** From the address to the last of its clips in the page, in a browser that was there before. */
  private static void opened(String address) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      double[] took = new double[OPENINGS];
      for (int i = 0; i < OPENINGS; i++) {
        page.waitForTimeout(AT_REST_MS);
        long from = System.nanoTime();
        page.navigate(
            address + "/sheet", new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
        page.waitForFunction(
            "most => document.querySelectorAll('[role=rowheader]').length === most", CLIPS);
        took[i] = (System.nanoTime() - from) / 1e6;
      }
      LongTranscriptBench.report("the same opened in the browser", took, FIRST_SHEET_BUDGET_MS);
    }
  }

  private static long addClip(String clips, int firstWord, int number) throws Exception {
    return Api.post(
            clips,
            "{\"firstWord\":%d,\"lastWord\":%d,\"title\":\"Clip %d\"}"
                .formatted(firstWord, firstWord + CLIP_WORDS - 1, number))
        .path("id")
        .asLong();
  }

  /** A server that has had work, stopped and started again. */
  private static void stopsAndStarts(Path work) throws Exception {
    double[] starts = new double[STARTS];
    double[] stops = new double[STARTS];
    double[] sheets = new double[STARTS];
    for (int i = 0; i < STARTS; i++) {
      long from = System.nanoTime();
      RunningServer server = RunningServer.start(work.resolve("data"), work.resolve("media"), 0);
      starts[i] = (System.nanoTime() - from) / 1e6;
      long read = System.nanoTime();
      Api.get(server.address() + "/api/sheet");
      sheets[i] = (System.nanoTime() - read) / 1e6;
      long asked = System.nanoTime();
      server.close();
      stops[i] = (System.nanoTime() - asked) / 1e6;
    }
    LongTranscriptBench.report("a start with an existing database", starts, START_BUDGET_MS);
    LongTranscriptBench.report(
        "the sheet of all clips, right after a start", sheets, FIRST_SHEET_BUDGET_MS);
    LongTranscriptBench.report("a stop", stops, STOP_BUDGET_MS);
  }

  /** Read after an edit, as a page does. */
  private static void sheet(String address, long id, List<Long> clips) throws Exception {
    String path = address + "/api/episodes/" + id + "/sheet";
    Api.get(path);
    double[] took = new double[READS];
    for (int i = 0; i < READS; i++) {
      edit(address, clips.get(i), i);
      long from = System.nanoTime();
      Api.get(path);
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    LongTranscriptBench.report("the sheet of 200 clips, after an edit", took, SHEET_BUDGET_MS);
    double[] again = new double[READS];
    for (int i = 0; i < READS; i++) {
      long from = System.nanoTime();
      Api.get(path);
      again[i] = (System.nanoTime() - from) / 1e6;
    }
    LongTranscriptBench.report("the sheet of 200 clips", again, READ_BUDGET_MS);
  }

  private static void editors(String address, List<Long> clips) throws Exception {
    Process encoding =
        new ProcessBuilder(
                "nice",
                "-n",
                Integer.toString(Ffmpeg.NICENESS),
                "ffmpeg",
                "-nostdin",
                "-v",
                "error",
                "-f",
                "lavfi",
                "-i",
                "testsrc2=s=1080x1920:r=25",
                "-c:v",
                "libx264",
                "-f",
                "null",
                "-")
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    try {
      measure(address, clips, 5);
      double[] took = measure(address, clips, EDITS);
      LongTranscriptBench.report("an edit among ten editors, one encoding", took, EDIT_BUDGET_MS);
    } finally {
      encoding.destroyForcibly();
    }
  }

  private static double[] measure(String address, List<Long> clips, int edits) throws Exception {
    ExecutorService people = Executors.newFixedThreadPool(EDITORS);
    List<Future<double[]>> all = new ArrayList<>();
    for (int person = 0; person < EDITORS; person++) {
      long clip = clips.get(100 + person);
      all.add(people.submit(() -> edits(address, clip, edits)));
    }
    double[] took = new double[EDITORS * edits];
    for (int person = 0; person < EDITORS; person++) {
      System.arraycopy(all.get(person).get(), 0, took, person * edits, edits);
    }
    people.shutdown();
    return took;
  }

  private static double[] edits(String address, long clip, int edits) throws Exception {
    double[] took = new double[edits];
    for (int i = 0; i < edits; i++) {
      took[i] = edit(address, clip, i);
      Thread.sleep(BETWEEN_EDITS_MS);
    }
    return took;
  }

  /** Strikes a word of the clip; how long the answer took, in milliseconds. */
  private static double edit(String address, long clip, int word) throws Exception {
    JsonNode state = Api.get(address + "/api/clips/" + clip);
    int at = state.path("pared").path("firstWord").asInt() + 2 * word % (CLIP_WORDS - 2);
    long from = System.nanoTime();
    Api.post(
        address + "/api/clips/" + clip + "/changes",
        "{\"revision\":%d,\"intent\":{\"type\":\"pareWords\",\"first\":%d,\"last\":%d}}"
            .formatted(state.path("revision").asInt(), at, at));
    return (System.nanoTime() - from) / 1e6;
  }
}
