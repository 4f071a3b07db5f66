package paringknife.server.clips;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.HouseStyle;
import paringknife.core.deliver.FileNames;
import paringknife.server.events.Events;
import paringknife.server.letterings.StyleFile;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Attachment;

/** What is decided once for all clips of a show, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}/house")
class HouseController {
  private static final String STEP = "take the house style";

  private final Episodes episodes;
  private final ClipStore clips;
  private final HouseStyles houses;
  private final Events events;

  HouseController(Episodes episodes, ClipStore clips, HouseStyles houses, Events events) {
    this.episodes = episodes;
    this.clips = clips;
    this.houses = houses;
    this.events = events;
  }

  /**
   * Where a clip stands to the style of its show.
   *
   * @param show whose style it is
   * @param changes what of the clip would change; null where the show has no style yet
   * @param others how many other clips of the episode differ from this one
   * @param single how many single settings these have, which would stay
   */
  record HouseStanding(
      String show, @Nullable List<HouseStyle.Part> changes, int others, int single) {}

  @GetMapping
  HouseStanding standing(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    String show = episodes.row(clip.episodeId()).show();
    List<ClipStore.StoredClip> others = different(clip);
    return new HouseStanding(
        show,
        houses.of(show).map(h -> h.changes(clip.document())).orElse(null),
        others.size(),
        others.stream().mapToInt(c -> HouseStyle.single(c.document())).sum());
  }

  /** The other clips of the episode that would change if they were as this one. */
  private List<ClipStore.StoredClip> different(ClipStore.StoredClip clip) {
    HouseStyle style = HouseStyle.of(clip.document());
    return clips.ofEpisode(clip.episodeId()).stream()
        .filter(c -> c.id() != clip.id() && !style.changes(c.document()).isEmpty())
        .toList();
  }

  /** Keeps the style of a clip as that of its show: clips made from now on have it. */
  @PutMapping
  HouseStanding keep(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    houses.keep(episodes.row(clip.episodeId()).show(), HouseStyle.of(clip.document()));
    return standing(id);
  }

  /** Gives a clip the style of its show; undone like any other step. */
  @PostMapping("/taken")
  HouseStanding take(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    HouseStyle style =
        houses
            .of(episodes.row(clip.episodeId()).show())
            .orElseThrow(() -> new IllegalArgumentException("This show has no style yet."));
    change(clip, style);
    return standing(id);
  }

  /** Gives the style of a clip to all others of its episode; undone in each like any other step. */
  @PostMapping("/spread")
  HouseStanding spread(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    HouseStyle style = HouseStyle.of(clip.document());
    different(clip).forEach(other -> change(other, style));
    events.clipsChanged(clip.episodeId());
    return standing(id);
  }

  /** The style of a clip as a file. */
  @GetMapping(path = "/file", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> file(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    String name = FileNames.part(episodes.row(clip.episodeId()).show() + " style") + ".json";
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, Attachment.named(name).toString())
        .body(StyleFile.write(HouseStyle.of(clip.document())));
  }

  /** A style that came as a file. */
  record StyleText(String text) {}

  /** Gives a clip the style of a file; undone like any other step. */
  @PostMapping("/file")
  HouseStanding takeFile(@PathVariable long id, @RequestBody StyleText asked) {
    change(clips.byId(id), StyleFile.read(asked.text(), "This file"));
    return standing(id);
  }

  private void change(ClipStore.StoredClip clip, HouseStyle style) {
    if (!style.changes(clip.document()).isEmpty()) {
      ClipStore.StoredClip changed = clips.change(clip, STEP, style.on(clip.document()));
      clips.remember(changed);
      events.clipChanged(changed.episodeId(), changed.id(), changed.revision());
    }
  }
}
