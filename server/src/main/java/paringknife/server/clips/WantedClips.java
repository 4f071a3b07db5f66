package paringknife.server.clips;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.pick.Brief;
import paringknife.server.picks.MarkStore;
import paringknife.server.shelf.Episodes;
import paringknife.server.specs.SpecStore;

/** What a show's brief asks of its clips: delivery specs, given to every new one, and subjects. */
@Component
class WantedClips {
  private final Episodes episodes;
  private final MarkStore briefs;
  private final SpecStore specs;

  WantedClips(Episodes episodes, MarkStore briefs, SpecStore specs) {
    this.specs = specs;
    this.episodes = episodes;
    this.briefs = briefs;
  }

  List<String> specsFor(long episodeId) {
    List<String> wanted =
        briefs.brief(episodes.row(episodeId).show()).map(Brief::specs).orElse(List.of());
    return specs.all().among(wanted).stream().map(DeliverySpec::id).toList();
  }

  /** The words of the subjects, bare and in lower case. */
  Set<String> subjectsFor(long episodeId) {
    Set<String> words = new HashSet<>();
    for (String subject :
        briefs.brief(episodes.row(episodeId).show()).map(Brief::subjects).orElse(List.of())) {
      for (String word : subject.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}']{1,200}")) {
        if (word.length() > 2) {
          words.add(word);
        }
      }
    }
    return words;
  }
}
