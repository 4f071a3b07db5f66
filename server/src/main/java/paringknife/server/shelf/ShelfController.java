package paringknife.server.shelf;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.media.store.FolderTree;
import paringknife.media.store.NoRoom;
import paringknife.server.episodes.DataFolder;

/** The shelf over HTTP. */
@RestController
@RequestMapping("/api")
class ShelfController {
  private final Episodes episodes;
  private final EpisodeStore store;
  private final ShelfStore shelves;
  private final DataFolder data;

  ShelfController(Episodes episodes, EpisodeStore store, ShelfStore shelves, DataFolder data) {
    this.episodes = episodes;
    this.store = store;
    this.shelves = shelves;
    this.data = data;
  }

  @GetMapping("/shelf")
  List<ShelfItem> shelf() {
    return store.all().stream()
        .map(row -> ShelfItem.of(row, episodes.isPlayable(row.id())))
        .toList();
  }

  /** A shelf's name and the shelf it stands in; null for none. */
  record ShelfDescription(String name, @Nullable Long parentId) {}

  /** What an episode is called and which shelf it stands on. */
  record EpisodeDescription(String show, String title, @Nullable Long shelfId) {}

  /** Bytes that episodes and finished files take on the server, and bytes that are free. */
  record Storage(long usedBytes, long freeBytes) {}

  @GetMapping("/shelves")
  List<ShelfStore.Shelf> shelves() {
    return shelves.all();
  }

  @PostMapping("/shelves")
  long addShelf(@RequestBody ShelfDescription asked) {
    return shelves.add(asked.name(), asked.parentId());
  }

  @PutMapping("/shelves/{id}")
  void changeShelf(@PathVariable long id, @RequestBody ShelfDescription asked) {
    shelves.change(id, asked.name(), asked.parentId());
  }

  @DeleteMapping("/shelves/{id}")
  void removeShelf(@PathVariable long id) {
    shelves.remove(id);
  }

  @PutMapping("/episodes/{id}")
  void describe(@PathVariable long id, @RequestBody EpisodeDescription asked) {
    episodes.row(id);
    shelves.describe(id, asked.show(), asked.title(), asked.shelfId());
  }

  @DeleteMapping("/episodes/{id}")
  void bin(@PathVariable long id) {
    episodes.row(id);
    shelves.bin(id);
  }

  @PostMapping("/episodes/{id}/return")
  void takeFromBin(@PathVariable long id) {
    shelves.takeFromBin(id);
    episodes.goOn(id);
  }

  @GetMapping("/storage")
  Storage storage() {
    long used = 0;
    for (Path folder : List.of(data.episodes(), data.finishedFolder(), data.uploads())) {
      used += FolderTree.bytes(folder);
    }
    return new Storage(used, NoRoom.freeBytes(data.root()));
  }
}
