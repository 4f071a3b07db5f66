package paringknife.server.shows;

import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.Habits;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.NamePattern;
import paringknife.core.deliver.post.PostPattern;
import paringknife.core.pick.Brief;
import paringknife.server.picks.MarkStore;
import paringknife.server.specs.SpecStore;
import paringknife.server.transcripts.FillerLists;
import paringknife.server.transcripts.Glossary;

/** What a show goes by, as its house style brings it along from one show to another. */
@Component
public class ShowHabits {
  private static final int MOST_SPELLINGS = 2_000;

  private final MarkStore briefs;
  private final SpecStore specs;
  private final ShowPatterns patterns;
  private final FillerLists fillers;
  private final Glossary glossary;

  ShowHabits(
      MarkStore briefs,
      SpecStore specs,
      ShowPatterns patterns,
      FillerLists fillers,
      Glossary glossary) {
    this.briefs = briefs;
    this.specs = specs;
    this.patterns = patterns;
    this.fillers = fillers;
    this.glossary = glossary;
  }

  /** What a show has that is not as usual. */
  public Habits of(String show) {
    List<String> wanted = briefs.brief(show).map(Brief::specs).orElse(List.of());
    NamePattern pattern = patterns.names(show);
    PostPattern texts = patterns.posts(show);
    return new Habits(
        specs.all().among(wanted),
        pattern.equals(NamePattern.USUAL) ? null : pattern.text(),
        texts.equals(PostPattern.USUAL) ? null : texts.text(),
        fillers.ofShow(show),
        glossary.of(show).stream()
            .filter(Glossary.Entry::accepted)
            .limit(MOST_SPELLINGS)
            .map(e -> new Habits.Spelling(e.heard(), e.written()))
            .toList());
  }

  /** Gives a show what a style brings along; what it says nothing of stays as it is. */
  @Transactional
  public void give(String show, Habits habits) {
    if (!habits.specs().isEmpty()) {
      List<String> there = specs.takenIn(habits.specs()).stream().map(DeliverySpec::id).toList();
      briefs.keep(show, briefs.brief(show).orElse(Brief.DEFAULT).asking(there));
    }
    if (habits.fileNames() != null) {
      patterns.keep(show, new NamePattern(habits.fileNames()));
    }
    if (habits.posts() != null) {
      patterns.keep(show, new PostPattern(habits.posts()));
    }
    habits.fillers().forEach(f -> fillers.keep(show, f.language(), f.words()));
    habits.spellings().forEach(s -> glossary.accept(show, s.heard(), s.written()));
  }
}
