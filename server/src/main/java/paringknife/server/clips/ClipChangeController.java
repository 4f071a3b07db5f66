package paringknife.server.clips;

import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDesk;
import paringknife.core.clip.ClipDocument;
import paringknife.core.steps.Intent;
import paringknife.server.database.Recent;
import paringknife.server.episodes.Episode;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Outdated;

/** Changes to clips over HTTP: done, undone, redone, parted and joined. */
@RestController
@RequestMapping("/api/clips/{id}")
class ClipChangeController {
  private final Episodes episodes;
  private final ClipStore store;
  private final VersionStore versions;
  private final Events events;

  /** The newest state told of each clip, to tell the next change against. */
  private final Recent<Told> told = new Recent<>(60);

  private record Told(ClipState state, Episode episode) {}

  ClipChangeController(Episodes episodes, ClipStore store, VersionStore versions, Events events) {
    this.episodes = episodes;
    this.store = store;
    this.versions = versions;
    this.events = events;
  }

  /** A change to the state with this revision. */
  record Change(int revision, Intent intent) {}

  /** The revision that undo or redo starts from. */
  record Seen(int revision) {}

  @PostMapping("/changes")
  ClipStep change(@PathVariable long id, @RequestBody Change change) {
    ClipStore.StoredClip clip = seen(id, change.revision());
    Episode episode = episodes.open(clip.episodeId());
    Intent intent = change.intent();
    ClipDocument before = clip.document();
    ClipDocument changed = episode.desk().apply(before, intent);
    if (intent.isSweeping() && !changed.equals(before)) {
      long length = episode.editor().lengthUs(before.pared());
      versions.keep(id, "before: " + intent.label(), true, length, before);
    }
    return settle(clip, store.change(clip, intent.label(), changed), episode);
  }

  @PostMapping("/undo")
  ClipStep undo(@PathVariable long id, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    return settle(clip, store.undo(clip), episodes.open(clip.episodeId()));
  }

  @PostMapping("/redo")
  ClipStep redo(@PathVariable long id, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    return settle(clip, store.redo(clip), episodes.open(clip.episodeId()));
  }

  /** Returns to a kept version; what was there can be had back by undo. */
  @PostMapping("/versions/{version}/return")
  ClipStep returnTo(@PathVariable long id, @PathVariable long version, @RequestBody Seen seen) {
    ClipStore.StoredClip clip = seen(id, seen.revision());
    ClipDocument kept = versions.document(id, version);
    ClipDocument returned = kept.with(kept.pared().withIdsFrom(clip.document().pared().nextId()));
    return settle(
        clip, store.change(clip, "return to a version", returned), episodes.open(clip.episodeId()));
  }

  /** A clip in two: what is left of it, and the new one that goes on from there. */
  record PartedClip(ClipStep first, ClipState second) {}

  /** Parts a clip before a word, by index; the rest becomes a clip of its own. */
  record Part(int revision, int word) {}

  @PostMapping("/part")
  PartedClip part(@PathVariable long id, @RequestBody Part asked) {
    ClipStore.StoredClip clip = seen(id, asked.revision());
    Episode episode = episodes.open(clip.episodeId());
    ClipDesk.Parted parted = episode.desk().part(clip.document(), asked.word());
    ClipStore.Parted stored = store.part(clip, parted);
    return new PartedClip(
        settle(clip, stored.first(), episode), ClipState.of(stored.second(), episode));
  }

  /** Puts another clip of the same episode after this one. */
  record JoinOn(int revision, long other) {}

  /** Joins two clips; the other one goes into the bin. */
  @PostMapping("/join")
  ClipStep join(@PathVariable long id, @RequestBody JoinOn asked) {
    ClipStore.StoredClip clip = seen(id, asked.revision());
    ClipStore.StoredClip other = store.byId(asked.other());
    if (other.episodeId() != clip.episodeId() || other.id() == clip.id()) {
      throw new IllegalArgumentException("Only another clip of the same episode can be joined on.");
    }
    Episode episode = episodes.open(clip.episodeId());
    ClipDocument document = clip.document();
    ClipDocument joined =
        document.with(episode.stretches().append(document.pared(), other.document().pared()));
    ClipStep step = settle(clip, store.join(clip, other, joined), episode);
    events.clipsChanged(clip.episodeId());
    return step;
  }

  private ClipStore.StoredClip seen(long id, int revision) {
    ClipStore.StoredClip clip = store.byId(id);
    if (clip.revision() != revision) {
      throw new Outdated(
          "This clip was changed in another window. That change is kept; the clip is shown as it is"
              + " now.");
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
}
