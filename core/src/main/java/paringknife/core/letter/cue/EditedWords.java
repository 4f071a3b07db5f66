package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import paringknife.core.letter.cue.SpokenWord.Wishes;

/** The words of a clip as a producer wants them shown and parted. */
final class EditedWords {
  private EditedWords() {}

  static List<SpokenWord> of(List<SpokenWord> heard, List<CaptionEdit> edits) {
    if (edits.isEmpty()) {
      return heard;
    }
    Map<Long, List<CaptionEdit>> byWord =
        edits.stream().collect(Collectors.groupingBy(CaptionEdit::wordId));
    List<SpokenWord> edited = new ArrayList<>(heard.size());
    for (SpokenWord word : heard) {
      SpokenWord now = word;
      for (CaptionEdit edit : byWord.getOrDefault(word.word().id(), List.of())) {
        now = with(now, edit);
      }
      if (!now.text().isBlank()) {
        edited.add(now);
      }
    }
    return edited;
  }

  private static SpokenWord with(SpokenWord word, CaptionEdit edit) {
    Wishes w = word.wishes();
    if (edit instanceof CaptionEdit.ShowAs shown) {
      return word.shownAs(shown.text().strip());
    }
    if (edit instanceof CaptionEdit.Styled styled) {
      return word.showing(word.shown().with(styled.style()));
    }
    if (edit instanceof CaptionEdit.Key) {
      return word.showing(word.shown().asKey());
    }
    if (edit instanceof CaptionEdit.Placed placed) {
      return word.showing(word.shown().at(placed.place()));
    }
    return word.wishing(
        switch (edit.subject()) {
          case CAPTION -> w.opening(edit instanceof CaptionEdit.BreakBefore);
          case CAPTION_END -> w.closing();
          case LINE -> w.openingLine(edit instanceof CaptionEdit.LineBefore);
          case BEGINNING -> w.beginning(((CaptionEdit.Begin) edit).laterUs());
          case END -> w.ending(((CaptionEdit.End) edit).laterUs());
          case TEXT, ADDED, STYLE, KEY, PLACE -> w;
        });
  }
}
