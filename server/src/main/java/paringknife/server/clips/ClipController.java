package paringknife.server.clips;

import java.util.List;
import java.util.function.ToLongFunction;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.CaptionTrack;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.Playback;
import paringknife.core.frame.WindowRun;
import paringknife.core.letter.Cue;
import paringknife.core.listen.Pause;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.ClipEditor;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.PictureRun;
import paringknife.core.pare.StretchEditor;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.server.database.Recent;
import paringknife.server.episodes.ClipRenderer;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Outdated;

/** Clips over HTTP. */
@RestController
@RequestMapping("/api")
class ClipController {
  private final Episodes episodes;
  private final ClipStore store;
  private final VersionStore versions;
  private final Events events;
  private final NewClips clips;

  /** The newest state told of each clip, to tell the next change against. */
  private final Recent<Told> told = new Recent<>(60);

  private record Told(ClipState state, Episode episode) {}

  ClipController(
      Episodes episodes, ClipStore store, VersionStore versions, Events events, NewClips clips) {
    this.clips = clips;
    this.episodes = episodes;
    this.store = store;
    this.versions = versions;
    this.events = events;
  }

  /** Words for a new clip, by index, both included; a blank title is made from the first words. */
  record NewClip(int firstWord, int lastWord, String title) {}

  /** A change to the state with this revision. */
  record Change(int revision, ClipIntent intent) {}

  /** The revision that undo or redo starts from. */
  record Seen(int revision) {}

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

  /**
   * What plays and shows, frame by frame, for the clip's shape.
   *
   * @param dressed whether the sound is more than the recording cut: room tone, or cleaned
   */
  record Preview(
      int revision,
      int width,
      int height,
      int frameRateNumerator,
      int frameRateDenominator,
      boolean dressed,
      List<PictureRun> runs,
      List<WindowRun> windows) {}

  @GetMapping("/episodes/{id}/clips")
  List<ClipState> ofEpisode(@PathVariable long id) {
    Episode episode = episodes.open(id);
    return store.ofEpisode(id).stream().map(c -> ClipState.of(c, episode)).toList();
  }

  @PostMapping("/episodes/{id}/clips")
  ClipState create(@PathVariable long id, @RequestBody NewClip asked) {
    Episode episode = episodes.open(id);
    ClipIntent.Range.check(asked.firstWord(), asked.lastWord(), episode);
    Span stretch = episode.editor().stretchOf(asked.firstWord(), asked.lastWord());
    String title = asked.title().isBlank() ? titleFrom(episode, asked) : asked.title().strip();
    ClipState made = ClipState.of(clips.make(id, title, List.of(stretch)), episode);
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
    String plain = title.toString().replaceAll("[.,;:]+$", "");
    return plain.isEmpty()
        ? "Clip"
        : plain.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + plain.substring(1);
  }

  @GetMapping("/clips/{id}")
  ClipState read(@PathVariable long id) {
    ClipStore.StoredClip clip = store.byId(id);
    return ClipState.of(clip, episodes.open(clip.episodeId()));
  }

  @PostMapping("/clips/{id}/changes")
  ClipStep change(@PathVariable long id, @RequestBody Change change) {
    ClipStore.StoredClip clip = seen(id, change.revision());
    Episode episode = episodes.open(clip.episodeId());
    ClipDocument changed = change.intent().apply(clip.document(), episode);
    if (change.intent().isSweeping() && !changed.equals(clip.document())) {
      versions.keep(
          id,
          "before: " + change.intent().label(),
          true,
          episode.editor().lengthUs(clip.document()),
          clip.document());
    }
    return settle(clip, store.change(clip, change.intent().label(), changed), episode);
  }

  @PostMapping("/clips/{id}/undo")
  ClipStep undo(@PathVariable long id, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    return settle(clip, store.undo(clip), episodes.open(clip.episodeId()));
  }

  @PostMapping("/clips/{id}/redo")
  ClipStep redo(@PathVariable long id, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    return settle(clip, store.redo(clip), episodes.open(clip.episodeId()));
  }

  /** Returns to a kept version; what was there can be had back by undo. */
  @PostMapping("/clips/{id}/versions/{version}/return")
  ClipStep returnTo(@PathVariable long id, @PathVariable long version, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    ClipDocument kept = versions.document(id, version);
    ClipDocument returned =
        kept.withRemovals(
            kept.removals(), Math.max(kept.nextRemovalId(), clip.document().nextRemovalId()));
    return settle(
        clip, store.change(clip, "return to a version", returned), episodes.open(clip.episodeId()));
  }

  /** A clip in two: what is left of it, and the new one that goes on from there. */
  record PartedClip(ClipStep first, ClipState second) {}

  /** Parts a clip before a word, by index; the rest becomes a clip of its own. */
  record Part(int revision, int word) {}

  @PostMapping("/clips/{id}/part")
  PartedClip part(@PathVariable long id, @RequestBody Part asked) {
    ClipStore.StoredClip clip = seen(id, asked.revision());
    Episode episode = episodes.open(clip.episodeId());
    ClipIntent.Range.check(asked.word(), asked.word(), episode);
    StretchEditor.Parted parted = episode.stretches().part(clip.document(), asked.word());
    ClipStore.StoredClip second = store.create(clip.episodeId(), parted.second());
    return new PartedClip(
        settle(clip, store.change(clip, "part the clip", parted.first()), episode),
        ClipState.of(second, episode));
  }

  /** Puts another clip of the same episode after this one. */
  record Join(int revision, long other) {}

  /** Joins two clips; the other one goes into the bin. */
  @PostMapping("/clips/{id}/join")
  ClipStep join(@PathVariable long id, @RequestBody Join asked) {
    ClipStore.StoredClip clip = seen(id, asked.revision());
    ClipStore.StoredClip other = store.byId(asked.other());
    if (other.episodeId() != clip.episodeId() || other.id() == clip.id()) {
      throw new IllegalArgumentException("Only another clip of the same episode can be joined on.");
    }
    Episode episode = episodes.open(clip.episodeId());
    ClipStep step =
        settle(
            clip,
            store.change(
                clip,
                "join on " + other.document().settings().title(),
                episode.stretches().append(clip.document(), other.document())),
            episode);
    bin(other.id());
    return step;
  }

  private ClipStore.StoredClip seen(long id, int revision) {
    ClipStore.StoredClip clip = store.byId(id);
    if (clip.revision() != revision) {
      throw new Outdated(
          "This clip was changed in another window. That change is kept; the clip is shown as it is now.");
    }
    return clip;
  }

  private ClipStep settle(
      ClipStore.StoredClip before, ClipStore.StoredClip after, Episode episode) {
    store.remember(after);
    events.clipChanged(after.episodeId(), after.id(), after.revision());
    Told known = told.get(before.id());
    boolean fresh =
        known != null
            && known.episode() == episode
            && known.state().revision() == before.revision();
    ClipState from = fresh ? known.state() : ClipState.of(before, episode);
    ClipState to = ClipState.of(after, episode);
    told.put(after.id(), new Told(to, episode));
    return ClipStep.between(from, to);
  }

  @DeleteMapping("/clips/{id}")
  void bin(@PathVariable long id) {
    ClipStore.StoredClip clip = store.byId(id);
    store.bin(id);
    told.remove(id);
    events.clipsChanged(clip.episodeId());
  }

  @PostMapping("/clips/{id}/return")
  ClipState takeFromBin(@PathVariable long id) {
    store.takeFromBin(id);
    ClipStore.StoredClip clip = store.byId(id);
    events.clipsChanged(clip.episodeId());
    return ClipState.of(clip, episodes.open(clip.episodeId()));
  }

  @GetMapping("/clips/{id}/prospects")
  Prospects prospects(
      @PathVariable long id,
      @RequestParam(defaultValue = "-38") double thresholdDb,
      @RequestParam(defaultValue = "0.5") double shortest,
      @RequestParam(defaultValue = "0.02") double head,
      @RequestParam(defaultValue = "0.15") double tail) {
    ClipStore.StoredClip clip = store.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ClipEditor editor = episode.editor();
    ClipDocument document = clip.document();
    List<Pause> pauses =
        editor.pauses(document, ClipIntent.ParePauses.settings(thresholdDb, shortest, head, tail));
    List<Filler> fillers = editor.fillers(document);
    int sure = (int) fillers.stream().filter(Filler::sure).count();
    ToLongFunction<ClipDocument> length = d -> editor.cuts(d).lengthUs();
    long now = length.applyAsLong(document);
    return new Prospects(
        pauses.size(),
        now - length.applyAsLong(editor.parePauses(document, pauses)),
        sure,
        fillers.size() - sure,
        now - length.applyAsLong(editor.pareSureFillers(document)),
        editor.repeats(document).size(),
        now - length.applyAsLong(editor.pareRepeats(document)),
        pauses.stream().map(Pause::cut).toList());
  }

  @GetMapping("/clips/{id}/preview")
  Preview preview(@PathVariable long id) {
    ClipStore.StoredClip clip = store.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    DeliverySpec spec = specFor(clip.document().settings().shape());
    Playback playback = ClipRenderer.playback(episode, clip.document(), spec);
    return new Preview(
        clip.revision(),
        spec.width(),
        spec.height(),
        episode.rate().numerator(),
        episode.rate().denominator(),
        playback.isDressed(),
        playback.runs(),
        playback.windowRuns());
  }

  @GetMapping("/clips/{id}/cues")
  List<Cue> cues(@PathVariable long id) {
    return captions(id).cues();
  }

  /** The drawing instructions of the captions, for the worker that draws them over the preview. */
  @GetMapping(
      path = "/clips/{id}/captions.ass",
      produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
  String captionScript(@PathVariable long id) {
    return captions(id).ass();
  }

  private CaptionTrack captions(long id) {
    ClipStore.StoredClip clip = store.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ClipDocument document = clip.document();
    return CaptionTrack.of(
        document,
        episode.editor().cuts(document),
        episode.transcript(),
        specFor(document.settings().shape()));
  }

  private static DeliverySpec specFor(String shape) {
    return DeliverySpecs.shipped().stream()
        .filter(s -> s.shape().toString().equals(shape))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "There is no delivery spec of the shape " + shape + "."));
  }
}
