package paringknife.server.clips;

import java.util.List;
import java.util.function.ToLongFunction;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.listen.Pause;
import paringknife.core.pare.Filler;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.PareIntent;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.server.shelf.Episodes;

/** What could still be pared of a clip, over HTTP. */
@RestController
class ProspectsController {
  private final Episodes episodes;
  private final ClipStore clips;

  ProspectsController(Episodes episodes, ClipStore clips) {
    this.episodes = episodes;
    this.clips = clips;
  }

  /** What could still be pared: counts, and microseconds it would give. */
  record Prospects(
      int pauses,
      long pausesUs,
      int sureFillers,
      int doubtfulFillers,
      long sureFillersUs,
      int repeats,
      long repeatsUs,
      List<Span> pauseSpans) {}

  @GetMapping("/api/clips/{id}/prospects")
  Prospects prospects(
      @PathVariable long id,
      @RequestParam(defaultValue = "-38") double thresholdDb,
      @RequestParam(defaultValue = "0.5") double shortest,
      @RequestParam(defaultValue = "0.02") double head,
      @RequestParam(defaultValue = "0.15") double tail) {
    ClipStore.StoredClip clip = clips.byId(id);
    PareEditor editor = episodes.open(clip.episodeId()).editor();
    Pared pared = clip.document().pared();
    List<Pause> pauses =
        editor.pauses(pared, PareIntent.ParePauses.settings(thresholdDb, shortest, head, tail));
    List<Filler> fillers = editor.fillers(pared);
    int sure = (int) fillers.stream().filter(Filler::sure).count();
    ToLongFunction<Pared> length = p -> editor.cuts(p).lengthUs();
    long now = length.applyAsLong(pared);
    return new Prospects(
        pauses.size(),
        now - length.applyAsLong(editor.parePauses(pared, pauses)),
        sure,
        fillers.size() - sure,
        now - length.applyAsLong(editor.pareSureFillers(pared)),
        editor.repeats(pared).size(),
        now - length.applyAsLong(editor.pareRepeats(pared)),
        pauses.stream().map(Pause::cut).toList());
  }
}
