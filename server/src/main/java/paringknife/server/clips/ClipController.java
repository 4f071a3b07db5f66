package paringknife.server.clips;

import java.util.List;
import java.util.Locale;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.pare.FillerFinder;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.server.database.StepLog;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.NotYet;

/** Clips over HTTP: made, read, put into the bin. */
@RestController
@RequestMapping("/api")
class ClipController {
  private static final int MOST_STEPS = 100;

  private final Episodes episodes;
  private final ClipStore store;
  private final Events events;
  private final NewClips clips;

  ClipController(Episodes episodes, ClipStore store, Events events, NewClips clips) {
    this.clips = clips;
    this.episodes = episodes;
    this.store = store;
    this.events = events;
  }

  /** Words for a new clip, by index, both included; a blank title is made from the first words. */
  record NewClip(int firstWord, int lastWord, String title) {}

  @GetMapping("/episodes/{id}/clips")
  List<ClipState> ofEpisode(@PathVariable long id) {
    Episode episode = episodes.open(id);
    return store.ofEpisode(id).stream().map(c -> ClipState.of(c, episode)).toList();
  }

  /** What was done to a clip last, and by whom; newest first. */
  @GetMapping("/clips/{id}/steps")
  List<StepLog.StepTaken> steps(@PathVariable long id) {
    return store.lastSteps(id, MOST_STEPS);
  }

  @PostMapping("/episodes/{id}/clips")
  ClipState create(@PathVariable long id, @RequestBody NewClip asked) {
    Episode episode = episodes.open(id);
    episode.desk().paring().check(asked.firstWord(), asked.lastWord());
    Span stretch = episode.editor().stretchOf(asked.firstWord(), asked.lastWord());
    String title = asked.title().isBlank() ? titleFrom(episode, asked) : asked.title();
    ClipState made = ClipState.of(clips.make(id, title, List.of(stretch)), episode);
    events.clipsChanged(id);
    return made;
  }

  /** Captions only: the finished film on the shelf as one clip of all of it. */
  @PostMapping("/episodes/{id}/captioned")
  ClipState captioned(@PathVariable long id) {
    Episode episode = episodes.open(id);
    if (episode.transcript().words().isEmpty()) {
      throw new NotYet("There are no words to caption yet.");
    }
    ClipState made = ClipState.of(clips.finished(id, episode), episode);
    events.clipsChanged(id);
    return made;
  }

  private static String titleFrom(Episode episode, NewClip asked) {
    Transcript transcript = episode.transcript();
    FillerFinder fillers = episode.editor().fillerFinder();
    StringBuilder title = new StringBuilder();
    for (int i = asked.firstWord(); i <= asked.lastWord() && title.length() < 32; i++) {
      String bare = transcript.words().get(i).bare();
      if (!fillers.isSure(bare)
          && !(title.isEmpty() && List.of("so", "well", "and", "but").contains(bare))) {
        title.append(title.isEmpty() ? "" : " ").append(transcript.words().get(i).text());
        if (transcript.words().get(i).endsSentence() && title.length() > 8) {
          break;
        }
      }
    }
    String plain = withoutEndMarks(title.toString());
    return plain.isEmpty()
        ? "Clip"
        : plain.substring(0, 1).toUpperCase(Locale.ROOT) + plain.substring(1);
  }

  private static String withoutEndMarks(String text) {
    int end = text.length();
    while (end > 0 && ".,;:".indexOf(text.charAt(end - 1)) >= 0) {
      end--;
    }
    return text.substring(0, end);
  }

  @GetMapping("/clips/{id}")
  ClipState read(@PathVariable long id) {
    return state(store.byId(id));
  }

  private ClipState state(ClipStore.StoredClip clip) {
    return ClipState.of(clip, episodes.open(clip.episodeId()));
  }

  @DeleteMapping("/clips/{id}")
  void bin(@PathVariable long id) {
    ClipStore.StoredClip clip = store.byId(id);
    store.bin(id);
    events.clipsChanged(clip.episodeId());
  }

  @PostMapping("/clips/{id}/return")
  ClipState takeFromBin(@PathVariable long id) {
    store.takeFromBin(id);
    ClipStore.StoredClip clip = store.byId(id);
    events.clipsChanged(clip.episodeId());
    return state(clip);
  }

  /** Another clip just like this one. */
  @PostMapping("/clips/{id}/duplicate")
  ClipState duplicate(@PathVariable long id) {
    ClipStore.StoredClip clip = store.byId(id);
    ClipDocument whole = clip.document();
    ClipDocument copy = whole.with(whole.delivered().withTitleEnd(", copy"));
    ClipState made = state(store.create(clip.episodeId(), copy));
    events.clipsChanged(clip.episodeId());
    return made;
  }
}
