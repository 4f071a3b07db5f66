package paringknife.server.clips;

import java.util.List;
import java.util.Optional;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.NamedStyle;
import paringknife.core.deliver.FileNames;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.StylePictures;
import paringknife.server.events.Events;
import paringknife.server.letterings.CarriedPictures;
import paringknife.server.letterings.StyleFile;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.shows.ShowHabits;
import paringknife.server.web.Attachment;

/** Where a clip stands to the house style of its show, and what is done about it, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}/house")
class HouseController {
  private static final String STEP = "take the house style";

  private final Episodes episodes;
  private final ClipStore clips;
  private final ClipSteps steps;
  private final HouseStyles houses;
  private final CaptionFonts fonts;
  private final StylePictures pictures;
  private final ShowHabits habits;
  private final Events events;

  HouseController(
      Episodes episodes,
      ClipStore clips,
      ClipSteps steps,
      HouseStyles houses,
      CaptionFonts fonts,
      StylePictures pictures,
      ShowHabits habits,
      Events events) {
    this.pictures = pictures;
    this.habits = habits;
    this.episodes = episodes;
    this.clips = clips;
    this.steps = steps;
    this.houses = houses;
    this.fonts = fonts;
    this.events = events;
  }

  /** How far a style is carried. */
  enum Reach {
    EPISODE,
    SHOW
  }

  /**
   * Where a clip stands to the style of its show.
   *
   * @param show whose style it is
   * @param style its name; null where the show has none yet
   * @param changes what of the clip would change; null where the show has none yet
   * @param others how many other clips of the episode differ from this one
   * @param single how many single settings these have, which would stay
   * @param elsewhere how many clips of the show's other episodes differ from this one
   */
  record HouseStanding(
      String show,
      @Nullable String style,
      @Nullable List<HouseStyle.Part> changes,
      int others,
      int single,
      int elsewhere) {}

  @GetMapping
  HouseStanding standing(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    String show = showOf(clip);
    Optional<NamedStyle> house = houses.of(show);
    List<ClipStore.StoredClip> ofShow = different(clip, Reach.SHOW);
    List<ClipStore.StoredClip> others =
        ofShow.stream().filter(c -> c.episodeId() == clip.episodeId()).toList();
    return new HouseStanding(
        show,
        house.map(NamedStyle::name).orElse(null),
        house.map(h -> h.style().changes(clip.document())).orElse(null),
        others.size(),
        others.stream().mapToInt(c -> HouseStyle.single(c.document())).sum(),
        ofShow.size() - others.size());
  }

  private String showOf(ClipStore.StoredClip clip) {
    return episodes.row(clip.episodeId()).show();
  }

  /** The other clips that would change if they were as this one. */
  private List<ClipStore.StoredClip> different(ClipStore.StoredClip clip, Reach reach) {
    HouseStyle style = HouseStyle.of(clip.document());
    String show = showOf(clip);
    List<Long> reached =
        reach == Reach.EPISODE
            ? List.of(clip.episodeId())
            : episodes.all().stream()
                .filter(e -> e.show().equals(show))
                .map(EpisodeStore.Row::id)
                .toList();
    return reached.stream()
        .flatMap(episode -> clips.ofEpisode(episode).stream())
        .filter(c -> c.id() != clip.id() && !style.changes(c.document()).isEmpty())
        .toList();
  }

  /** A house style by its name. */
  record StyleName(String name) {}

  /**
   * Keeps the style of a clip under a name, with what its show goes by, and gives it to its show.
   */
  @PutMapping
  HouseStanding keep(@PathVariable long id, @RequestBody StyleName asked) {
    ClipStore.StoredClip clip = clips.byId(id);
    String show = showOf(clip);
    NamedStyle kept = new NamedStyle(asked.name(), HouseStyle.of(clip.document()), habits.of(show));
    houses.keep(kept);
    houses.give(show, kept.name());
    return standing(id);
  }

  /**
   * Gives the show of a clip another style, with what it brings along: clips made from now on have
   * it.
   */
  @PutMapping("/style")
  HouseStanding give(@PathVariable long id, @RequestBody StyleName asked) {
    houses.give(showOf(clips.byId(id)), asked.name());
    return standing(id);
  }

  /** Gives a clip the style of its show; undone like any other step. */
  @PostMapping("/taken")
  HouseStanding take(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    NamedStyle house =
        houses
            .of(showOf(clip))
            .orElseThrow(() -> new IllegalArgumentException("This show has no style yet."));
    change(clip, house.style());
    return standing(id);
  }

  /**
   * Gives the style of a clip to all others of its episode, or of its show; undone in each like any
   * other step.
   */
  @PostMapping("/spread")
  HouseStanding spread(@PathVariable long id, @RequestParam(defaultValue = "EPISODE") Reach reach) {
    ClipStore.StoredClip clip = clips.byId(id);
    HouseStyle style = HouseStyle.of(clip.document());
    List<ClipStore.StoredClip> others = different(clip, reach);
    others.forEach(other -> change(other, style));
    others.stream().map(ClipStore.StoredClip::episodeId).distinct().forEach(events::clipsChanged);
    return standing(id);
  }

  /** The style of a clip as a file, under the name of its show's, with the fonts it is set in. */
  @GetMapping(path = "/file", produces = MediaType.APPLICATION_JSON_VALUE)
  ResponseEntity<String> file(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    String name = houses.of(showOf(clip)).map(NamedStyle::name).orElse(showOf(clip));
    HouseStyle style = HouseStyle.of(clip.document());
    String show = showOf(clip);
    String file = FileNames.part(name + " style") + ".json";
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_DISPOSITION, Attachment.named(file).toString())
        .body(
            StyleFile.write(
                new NamedStyle(name, style, habits.of(show)),
                fonts.ownOf(style.families()),
                picturesOf(style)));
  }

  private StyleFile.Pictures picturesOf(HouseStyle style) {
    return new StyleFile.Pictures(
        Optional.ofNullable(style.logo()).flatMap(l -> pictures.logos().bytes(l.picture())),
        Optional.ofNullable(style.backdrop())
            .flatMap(b -> pictures.backdrops().bytes(b.picture())));
  }

  /** A style that came as a file. */
  record StyleText(String text) {}

  /**
   * Gives a clip the style of a file; undone like any other step. Fonts that came with it and are
   * not there yet are kept, and the style itself where its name is free.
   */
  @PostMapping("/file")
  HouseStanding takeFile(@PathVariable long id, @RequestBody StyleText asked) {
    StyleFile.Content content = StyleFile.content(asked.text(), "This file");
    Optional<NamedStyle> named =
        content.name().map(name -> new NamedStyle(name, content.style(), content.habits()));
    ClipStore.StoredClip clip = clips.byId(id);
    fonts.addMissing(content.fonts());
    HouseStyle style = new CarriedPictures(pictures).takenIn(content.style(), content.pictures());
    change(clip, style);
    named
        .filter(s -> houses.isFree(s.name()))
        .ifPresent(s -> houses.keep(new NamedStyle(s.name(), style, s.habits())));
    return standing(id);
  }

  private void change(ClipStore.StoredClip clip, HouseStyle style) {
    if (!style.changes(clip.document()).isEmpty()) {
      ClipDocument styled = style.on(clip.document(), episodes.open(clip.episodeId()).desk());
      steps.take(clip, STEP, styled);
    }
  }
}
