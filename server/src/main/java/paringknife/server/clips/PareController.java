package paringknife.server.clips;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.pare.Comparison;
import paringknife.core.pare.Filler;
import paringknife.core.pare.FillerList;
import paringknife.core.pare.FitPlan;
import paringknife.core.pare.RepeatGroup;
import paringknife.core.pare.Way;
import paringknife.core.transcript.Transcript;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Attachment;

/** What can be pared of a clip, its versions, and its cut list, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}")
class PareController {
  private final Episodes episodes;
  private final ClipStore clips;
  private final VersionStore versions;
  private final ClipSound sound;
  private final Events events;

  PareController(
      Episodes episodes, ClipStore clips, VersionStore versions, ClipSound sound, Events events) {
    this.sound = sound;
    this.episodes = episodes;
    this.clips = clips;
    this.versions = versions;
    this.events = events;
  }

  /** One attempt at a line; words by index, both included. */
  record AttemptFound(int first, int last, long startUs, long endUs, String text, boolean kept) {}

  /** The same line said more than once; named by its first word. */
  record RepeatFound(int group, List<AttemptFound> attempts) {}

  /** A filler still in the clip. */
  record FillerFound(int first, int last, long startUs, long endUs, String text, boolean sure) {}

  /** The name under which the present state is kept. */
  record VersionName(String name) {}

  @GetMapping("/repeats")
  List<RepeatFound> repeats(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    Transcript transcript = episode.transcript();
    List<RepeatFound> found = new ArrayList<>();
    for (RepeatGroup group : episode.editor().repeats().groupsIn(clip.document().pared())) {
      List<AttemptFound> attempts =
          group.attempts().stream()
              .map(
                  a ->
                      new AttemptFound(
                          a.first(),
                          a.last(),
                          transcript.words().get(a.first()).startUs(),
                          transcript.words().get(a.last()).endUs(),
                          transcript.text(a.first(), a.last() + 1),
                          episode.editor().repeats().isKept(clip.document().pared(), a)))
              .toList();
      found.add(new RepeatFound(group.attempts().get(0).first(), attempts));
    }
    return found;
  }

  @GetMapping("/fillers")
  List<FillerFound> fillers(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    Transcript transcript = episode.transcript();
    List<FillerFound> found = new ArrayList<>();
    for (Filler filler : episode.editor().fillers(clip.document().pared())) {
      found.add(
          new FillerFound(
              filler.first(),
              filler.last(),
              transcript.words().get(filler.first()).startUs(),
              transcript.words().get(filler.last()).endUs(),
              transcript.text(filler.first(), filler.last() + 1),
              filler.sure()));
    }
    return found;
  }

  @GetMapping("/filler-list")
  FillerList fillerList(@PathVariable long id) {
    return episodes.open(clips.byId(id).episodeId()).fillers();
  }

  /** Changes the filler words of the whole show in this language. */
  @PutMapping("/filler-list")
  FillerList changeFillerList(@PathVariable long id, @RequestBody FillerList list) {
    long episode = clips.byId(id).episodeId();
    episodes.changeFillers(episode, list);
    events.clipsChanged(episode);
    return list;
  }

  @GetMapping(value = "/sound", produces = "audio/wav")
  byte[] sound(
      @PathVariable long id,
      @RequestParam long fromUs,
      @RequestParam long toUs,
      @RequestParam(defaultValue = "false") boolean asRecorded) {
    return sound.part(id, fromUs, toUs, asRecorded);
  }

  /** How loud the clip is, against the first of its specs. */
  @GetMapping("/loudness")
  ClipSound.ClipLoudness loudness(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    DeliverySpecs specs = episodes.open(clip.episodeId()).specs();
    DeliverySpec spec =
        specs.among(clip.document().delivered().specs()).stream()
            .findFirst()
            .orElse(specs.all().get(0));
    return sound.loudness(id, spec.loudness().target());
  }

  @GetMapping("/fit")
  FitPlan fit(
      @PathVariable long id,
      @RequestParam long targetUs,
      @RequestParam(defaultValue = "") Set<Way> declined) {
    ClipStore.StoredClip clip = clips.byId(id);
    if (targetUs < 1_000_000) {
      throw new IllegalArgumentException("A clip cannot be fitted to less than a second.");
    }
    return FitPlan.of(
        episodes.open(clip.episodeId()).editor(), clip.document().pared(), targetUs, declined);
  }

  @GetMapping("/versions")
  List<VersionStore.Version> versions(@PathVariable long id) {
    return versions.of(clips.byId(id).id());
  }

  @PostMapping("/versions")
  List<VersionStore.Version> keep(@PathVariable long id, @RequestBody VersionName asked) {
    ClipStore.StoredClip clip = clips.byId(id);
    String name = asked.name().strip();
    if (name.isEmpty()) {
      throw new IllegalArgumentException("A version needs a name.");
    }
    versions.keep(
        id,
        name,
        false,
        episodes.open(clip.episodeId()).editor().lengthUs(clip.document().pared()),
        clip.document());
    return versions.of(id);
  }

  /** A kept version against another one, or against the clip as it is now. */
  @GetMapping("/versions/{version}/comparison")
  Comparison compare(
      @PathVariable long id,
      @PathVariable long version,
      @RequestParam(required = false) @Nullable Long with) {
    ClipStore.StoredClip clip = clips.byId(id);
    ClipDocument other = with == null ? clip.document() : versions.document(id, with);
    return Comparison.of(
        versions.document(id, version).pared(),
        other.pared(),
        episodes.open(clip.episodeId()).transcript());
  }

  @GetMapping("/cut-list")
  ResponseEntity<byte[]> cutList(
      @PathVariable long id,
      @RequestParam(defaultValue = "edl") String format,
      @RequestParam(defaultValue = "false") boolean dropFrame,
      @RequestParam(defaultValue = "0") int handles) {
    ClipStore.StoredClip clip = clips.byId(id);
    String text =
        CutListFile.write(
            clip.document(), episodes.open(clip.episodeId()), format, dropFrame, handles);
    String name = clip.document().title().replaceAll("[^\\p{L}\\p{N} ._-]", "").strip();
    return ResponseEntity.ok()
        .header("Content-Type", "text/plain;charset=UTF-8")
        .header(
            "Content-Disposition",
            Attachment.named((name.isEmpty() ? "clip" : name) + "." + format).toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }
}
