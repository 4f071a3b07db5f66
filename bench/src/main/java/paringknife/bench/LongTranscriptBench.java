package paringknife.bench;

import com.microsoft.playwright.Page;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseDetector;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.RepeatFinder;
import paringknife.core.pick.Brief;
import paringknife.core.pick.PickFinder;
import paringknife.core.time.Span;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.media.language.SnowballForms;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.commands.RunningServer;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.transcripts.TranscriptStore;
import tools.jackson.databind.JsonNode;

/** Edits on, and opening of, a three-hour transcript of 30,000 words, through the real server. */
final class LongTranscriptBench {
  private static final int WORDS = ThreeHours.WORDS;
  private static final int EDITS = 200;
  private static final int REMOVALS = 5_500;
  private static final double EDIT_BUDGET_MS = 20;
  private static final double STRIKE_BUDGET_MS = 50;
  private static final double OPEN_BUDGET_MS = 1_000;
  private static final double FIND_BUDGET_MS = 200;
  private static final double PICK_BUDGET_MS = 3_000;
  private static final double FINDING_BUDGET_MS = 2_000;
  private static final double LONG_TASK_MS = 50;
  private static final int AT_REST_MS = 4_000;

  private LongTranscriptBench() {}

  static void run(Path work) throws Exception {
    try (LongEpisode episode = LongEpisode.open(work)) {
      RunningServer server = episode.server();
      long id = episode.id();
      for (int last : new int[] {WORDS - 1, 240}) {
        edits(server.address(), id, last, last == WORDS - 1 ? REMOVALS : EDITS, false);
        edits(server.address(), id, last, EDITS, true);
      }
      long longest =
          Api.get(server.address() + "/api/episodes/" + id + "/clips").get(0).path("id").asLong();
      striking(server.address() + "/episodes/" + id + "/pare?clip=" + longest);
      corrections(server.address(), id, false);
      corrections(server.address(), id, true);
      opening(server.address(), id);
      scrolling(server.address() + "/episodes/" + id);
      finding();
      picking();
      findingOnTheShelf(server);
    }
  }

  /**
   * Unmeasured ones run first on the same clip, so that it holds removals and the server is warm.
   */
  private static void edits(String address, long id, int last, int edits, boolean measured)
      throws Exception {
    JsonNode clips = Api.get(address + "/api/episodes/" + id + "/clips");
    JsonNode clip =
        measured
            ? clips.get(clips.size() - 1)
            : Api.post(
                address + "/api/episodes/" + id + "/clips",
                "{\"firstWord\":0,\"lastWord\":" + last + ",\"title\":\"Bench\"}");
    Random random = new Random(edits);
    double[] took = new double[edits];
    for (int i = 0; i < edits; i++) {
      int word = random.nextInt(last);
      long from = System.nanoTime();
      clip =
          Api.post(
              address + "/api/clips/" + clip.path("id").asLong() + "/changes",
              "{\"revision\":"
                  + clip.path("revision").asInt()
                  + ",\"intent\":{\"type\":\"pareWords\",\"first\":"
                  + word
                  + ",\"last\":"
                  + word
                  + "}}");
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    if (measured) {
      int removals =
          Api.get(address + "/api/clips/" + clip.path("id").asLong())
              .path("pared")
              .path("removals")
              .size();
      report(
          String.format(
              Locale.ROOT, "one edit, clip of %,d words with %,d removals", last + 1, removals),
          took,
          EDIT_BUDGET_MS);
    }
  }

  private static void corrections(String address, long id, boolean measured) throws Exception {
    String path = address + "/api/episodes/" + id + "/transcript";
    int revision = Api.get(path).path("revision").asInt();
    Random random = new Random(9);
    double[] took = new double[EDITS];
    for (int i = 0; i < EDITS; i++) {
      int word = random.nextInt(WORDS - 1);
      long from = System.nanoTime();
      JsonNode step =
          Api.post(
              path + "/changes",
              "{\"revision\":"
                  + revision
                  + ",\"intent\":{\"type\":\"replace\",\"first\":"
                  + word
                  + ",\"last\":"
                  + word
                  + ",\"text\":\"corrected\"}}");
      took[i] = (System.nanoTime() - from) / 1e6;
      revision = step.path("revision").asInt();
    }
    if (measured) {
      report(
          String.format(Locale.ROOT, "one correction in a transcript of %,d words", WORDS),
          took,
          EDIT_BUDGET_MS);
    }
  }

  /** Pauses, fillers, repeats and captions of three hours, one after the other. */
  private static void finding() {
    Transcript transcript = ThreeHours.spoken();
    LevelCurve levels = ThreeHours.levels(transcript);
    FillerFinder fillers = FillerFinder.of(transcript);
    CutList whole = new CutList(List.of(new Span(0, levels.durationUs())), List.of());
    double[] took = new double[5];
    for (int i = 0; i < took.length; i++) {
      long from = System.nanoTime();
      int pauses = new PauseDetector(PauseSettings.DEFAULT).pauses(levels, transcript).size();
      int said = fillers.find(transcript).size();
      int repeats = new RepeatFinder(transcript, fillers).find().size();
      int cues = new CueBreaker(Breaking.of(4, 2, 32)).cues(whole, transcript).size();
      took[i] = (System.nanoTime() - from) / 1e6;
      if (i == 0) {
        System.out.printf(
            Locale.ROOT,
            "in three hours: %,d pauses, %,d fillers, %,d groups of repeats, %,d captions%n",
            pauses,
            said,
            repeats,
            cues);
      }
    }
    report(
        "pauses, fillers, repeats and captions of three hours together", took, FINDING_BUDGET_MS);
  }

  /** Three hours read for their picks, from level curve and transcript. */
  private static void picking() {
    Transcript transcript = ThreeHours.transcript(3);
    LevelCurve levels = ThreeHours.levels(transcript);
    double[] took = new double[5];
    for (int i = 0; i < took.length; i++) {
      long from = System.nanoTime();
      new PickFinder(transcript, levels, SnowballForms.of("en"))
          .find(new Brief(12, 15_000_000, 58_000_000, List.of()));
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    report("picks of three hours, 30,000 words", took, PICK_BUDGET_MS);
  }

  /** 500 hours of talk: 167 episodes like this one. */
  private static void findingOnTheShelf(RunningServer server) throws Exception {
    int sentences = 0;
    for (int n = 0; n < 166; n++) {
      long id =
          server
              .part(EpisodeStore.class)
              .add("Bench", "Episode " + n, Path.of("/bench/" + n + ".mp4"), 10_800_000_000L);
      server.part(EpisodeStore.class).arrived(new EpisodeStore.Work(id, 1), null);
      Transcript transcript = ThreeHours.transcript(n + 10);
      sentences += Sentences.of(transcript).size();
      server.part(TranscriptStore.class).replace(id, transcript, TranscriptFile.Timing.WORDS);
    }
    Api.get(server.address() + "/api/said?phrase=gate");
    String[] phrases = {
      ThreeHours.word(310),
      ThreeHours.word(25) + " " + ThreeHours.word(40),
      ThreeHours.word(2_750),
      ThreeHours.word(90) + " " + ThreeHours.word(700),
      ThreeHours.word(1) + " " + ThreeHours.word(2),
      ThreeHours.word(4_400)
    };
    double[] took = new double[60];
    for (int i = 0; i < took.length; i++) {
      long from = System.nanoTime();
      Api.get(
          server.address() + "/api/said?phrase=" + phrases[i % phrases.length].replace(" ", "%20"));
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    report(
        String.format(Locale.ROOT, "finding a phrase in %,d sentences (500 hours)", sentences),
        took,
        FIND_BUDGET_MS);
  }

  static void report(String what, double[] took, double budget) {
    java.util.Arrays.sort(took);
    double p95 = took[(int) (took.length * 0.95)];
    System.out.printf(
        Locale.ROOT,
        "%s, 95th percentile / budget of %.0f ms: %.2f (%.1f ms; median %.1f ms)%n",
        what,
        budget,
        p95 / budget,
        p95,
        took[took.length / 2]);
  }

  /**
   * From the key to the struck word on the screen, in the clip of all words with its thousands of
   * removals.
   */
  private static void striking(String address) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      page.waitForSelector("[data-w='20']");
      page.waitForTimeout(3_000);
      Object took =
          page.evaluate(
              """
              async (strikes) => {
                const took = [];
                const frame = () => new Promise((next) => requestAnimationFrame(() => setTimeout(next, 0)));
                const press = (key) => document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
                for (let i = 0; i < strikes; i++) {
                  const page = document.querySelector('[data-testid=galley]').getBoundingClientRect();
                  const words = [...document.querySelectorAll('[data-testid=galley] .word:not(.cut)')].filter((w) => {
                    const box = w.getBoundingClientRect();
                    return box.top > page.top + 20 && box.bottom < page.bottom - 20;
                  });
                  const word = words[(i * 7) % words.length];
                  const name = `[data-w="${word.dataset.w}"]`;
                  for (const type of ['pointerdown', 'pointerup']) word.dispatchEvent(new PointerEvent(type, { bubbles: true, button: 0, clientX: word.getBoundingClientRect().x + 4, clientY: word.getBoundingClientRect().y + 9 }));
                  await new Promise((next) => setTimeout(next, 400));
                  const from = performance.now();
                  press('Backspace');
                  while (!document.querySelector(name)?.classList.contains('cut') && performance.now() - from < 5_000) await frame();
                  await frame();
                  took.push(performance.now() - from);
                  await new Promise((next) => setTimeout(next, 700));
                }
                return took;
              }""",
              40);
      report(
          String.format(Locale.ROOT, "from the key to the struck word, clip of %,d words", WORDS),
          ((List<?>) took).stream().mapToDouble(t -> ((Number) t).doubleValue()).toArray(),
          STRIKE_BUDGET_MS);
    }
  }

  /** The page's own record of tasks of 50 ms and more while it is scrolled from end to end. */
  private static void scrolling(String address) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      page.waitForSelector("[data-w='20']");
      page.waitForTimeout(2_000);
      for (int pass = 0; pass < 3; pass++) {
        List<?> tasks =
            (List<?>)
                page.evaluate(
                    """
                    async () => {
                      const found = [];
                      const watch = new PerformanceObserver((list) => list.getEntries().forEach((e) => found.push(e.duration)));
                      watch.observe({ type: 'longtask' });
                      const page = document.querySelector('[data-testid=galley]');
                      for (let step = 0; step < 90; step++) {
                        page.scrollTop += step < 60 ? 400 : 40_000;
                        await new Promise((next) => requestAnimationFrame(() => setTimeout(next, 0)));
                      }
                      await new Promise((next) => setTimeout(next, 300));
                      watch.disconnect();
                      page.scrollTop = 0;
                      return found;
                    }""");
        double longest =
            tasks.stream().mapToDouble(t -> ((Number) t).doubleValue()).max().orElse(0);
        System.out.printf(
            Locale.ROOT,
            "scrolling %,d words in 90 steps: %d tasks over %.0f ms, the longest / %.0f ms: %.2f%n",
            WORDS,
            tasks.size(),
            LONG_TASK_MS,
            LONG_TASK_MS,
            longest / LONG_TASK_MS);
      }
    }
  }

  private static void opening(String address, long id) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      page.waitForSelector("text=Three hours");
      List<Double> took = new ArrayList<>();
      for (int i = 0; i < 5; i++) {
        page.waitForTimeout(AT_REST_MS); // what the page before asked for has been answered
        long from = System.nanoTime();
        page.navigate(
            address + "/episodes/" + id,
            new Page.NavigateOptions()
                .setWaitUntil(com.microsoft.playwright.options.WaitUntilState.COMMIT));
        page.waitForSelector("[data-w='20']");
        took.add((System.nanoTime() - from) / 1e6);
      }
      took.sort(null);
      double median = took.get(2);
      System.out.printf(
          Locale.ROOT,
          "opening a transcript of %,d words to readable text / budget of %.0f ms: %.2f (%.0f ms)%n",
          WORDS,
          OPEN_BUDGET_MS,
          median / OPEN_BUDGET_MS,
          median);
    }
  }
}
