package paringknife.server.shelf;

import org.jspecify.annotations.Nullable;

/** An episode on the shelf. */
record ShelfItem(
    long id,
    String show,
    String title,
    EpisodeState state,
    double progress,
    @Nullable IngestStep step,
    double stepProgress,
    boolean playable,
    @Nullable String problem,
    long durationUs,
    int words,
    int clips,
    @Nullable Long shelfId,
    boolean binned) {
  static ShelfItem of(EpisodeStore.Row row, boolean playable) {
    return new ShelfItem(
        row.id(),
        row.show(),
        row.title(),
        row.state(),
        row.progress(),
        row.step(),
        row.stepProgress(),
        playable,
        row.problem(),
        row.durationUs(),
        row.words(),
        row.clips(),
        row.shelfId(),
        row.binned());
  }
}
