package paringknife.server.out;

import java.nio.file.Path;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.FileNames;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;

/** Finished files straight into a folder of this machine. */
@RestController
@RequestMapping("/api/episodes/{id}/delivery-folder")
class OutFolderController {
  private final Episodes episodes;
  private final Parcels parcels;
  private final OutFolder folder;

  OutFolderController(Episodes episodes, Parcels parcels, OutFolder folder) {
    this.episodes = episodes;
    this.parcels = parcels;
    this.folder = folder;
  }

  /**
   * A folder to be written.
   *
   * @param name within the folder of all that goes out
   */
  record FolderWanted(String name, List<String> subtitles, List<String> cuts, boolean covers) {}

  /**
   * A folder.
   *
   * @param name as it was asked for
   * @param path where it is on the server
   * @param files how many were written; 0 for one that is only proposed
   */
  record DeliveryFolder(String name, String path, int files, long bytes) {}

  /** Where it would go. */
  @GetMapping
  DeliveryFolder proposed(@PathVariable long id) {
    EpisodeStore.Row episode = episodes.row(id);
    String name = FileNames.part(episode.title());
    String whole = episode.show().isBlank() ? name : FileNames.part(episode.show()) + "/" + name;
    return new DeliveryFolder(whole, folder.place(whole).toString(), 0, 0);
  }

  @PostMapping
  DeliveryFolder write(@PathVariable long id, @RequestBody FolderWanted wanted) {
    Path place = folder.place(wanted.name());
    List<ParcelFile> parcel =
        parcels.of(id, Asked.of(wanted.subtitles(), wanted.cuts(), wanted.covers()).contents());
    folder.write(place, parcel);
    return new DeliveryFolder(
        wanted.name(),
        place.toString(),
        parcel.size(),
        parcel.stream().mapToLong(ParcelFile::size).sum());
  }
}
