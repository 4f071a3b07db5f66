package paringknife.server.clips;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Found;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.PareIntent;
import paringknife.core.pare.Pared;
import paringknife.core.pare.RemovalKind;
import paringknife.core.pare.Way;
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

  /**
   * What could still be pared by one way.
   *
   * @param called what its kind is called
   * @param us microseconds that it would give
   * @param spans what would go
   */
  record Prospect(Way way, String called, int count, long us, List<Span> spans) {}

  @GetMapping("/api/clips/{id}/prospects")
  List<Prospect> prospects(
      @PathVariable long id,
      @RequestParam(defaultValue = "-38") double thresholdDb,
      @RequestParam(defaultValue = "0.5") double shortest,
      @RequestParam(defaultValue = "0.02") double head,
      @RequestParam(defaultValue = "0.15") double tail) {
    ClipStore.StoredClip clip = clips.byId(id);
    PareEditor editor = episodes.open(clip.episodeId()).editor();
    Pared pared = clip.document().pared();
    PauseSettings settings = PareIntent.ParePauses.settings(thresholdDb, shortest, head, tail);
    long now = editor.cuts(pared).lengthUs();
    List<Prospect> prospects = new ArrayList<>();
    for (RemovalKind kind : RemovalKind.ALL) {
      RemovalKind asked =
          kind instanceof RemovalKind.Pauses ? new RemovalKind.Pauses(settings) : kind;
      asked
          .ways()
          .forEach(
              (way, finder) -> {
                Found found = finder.in(editor, pared);
                long gain = now - editor.cuts(found.all()).lengthUs();
                prospects.add(new Prospect(way, kind.called(), found.count(), gain, found.spans()));
              });
    }
    prospects.sort(Comparator.comparing(Prospect::way));
    return prospects;
  }
}
