package paringknife.core.pick;

import java.util.List;
import paringknife.core.time.Span;

/**
 * A moment proposed for a clip.
 *
 * @param first index of its first word
 * @param last index of its last word, included
 * @param span on the episode's clock
 * @param paredUs length that will be left after pauses and sure fillers are pared
 * @param score higher is better; comparable within an episode only
 * @param opening its first sentence
 * @param reasons what the score is made of, strongest first, in words
 */
public record Pick(
    int first,
    int last,
    Span span,
    long paredUs,
    double score,
    String opening,
    List<String> reasons) {}
