package paringknife.server.clips;

import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.Habits;
import paringknife.core.clip.NamedStyle;
import paringknife.core.deliver.DeliverySpec;

/** House styles by their names, over HTTP. */
@RestController
@RequestMapping("/api/house-styles")
class HouseStyleController {
  private final HouseStyles houses;

  HouseStyleController(HouseStyles houses) {
    this.houses = houses;
  }

  /**
   * A house style there is.
   *
   * @param ships whether it comes with the program and stays as it is
   * @param shows that have it
   * @param brings what shows that are given it are given besides
   */
  record StyleListed(String name, boolean ships, List<String> shows, Brought brings) {}

  /**
   * What a style brings along for a show.
   *
   * @param specs names of delivery specs
   * @param fileNames whether it says how files are named
   * @param posts whether it says how texts are proposed
   * @param fillers languages of which it has filler words
   * @param spellings how many
   */
  record Brought(
      List<String> specs, boolean fileNames, boolean posts, List<String> fillers, int spellings) {
    static Brought of(Habits habits) {
      return new Brought(
          habits.specs().stream().map(DeliverySpec::name).toList(),
          habits.fileNames() != null,
          habits.posts() != null,
          habits.fillers().stream().map(Habits.Fillers::language).toList(),
          habits.spellings().size());
    }
  }

  @GetMapping
  List<StyleListed> all() {
    Map<String, List<String>> shows = houses.shows();
    return houses.all().stream()
        .map(
            s ->
                new StyleListed(
                    s.name(),
                    NamedStyle.shipped(s.name()).isPresent(),
                    shows.getOrDefault(s.name(), List.of()),
                    Brought.of(s.habits())))
        .toList();
  }

  /**
   * A style that is to be known otherwise.
   *
   * @param other its name from now on
   */
  record OtherName(String name, String other) {}

  /** Gives a style of one's own another name. */
  @PostMapping("/renamed")
  List<StyleListed> rename(@RequestBody OtherName asked) {
    houses.rename(asked.name(), asked.other());
    return all();
  }

  /** Keeps a style once more under another name. */
  @PostMapping("/copied")
  List<StyleListed> copy(@RequestBody OtherName asked) {
    houses.copy(asked.name(), asked.other());
    return all();
  }

  /** Lets one of one's own go. */
  @DeleteMapping
  List<StyleListed> remove(@RequestParam String name) {
    houses.remove(name);
    return all();
  }
}
