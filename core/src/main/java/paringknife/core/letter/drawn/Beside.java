package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Style;

/**
 * Text in the picture that is no caption.
 *
 * @param cues by the clip's own time at speed 1
 * @param isHigh whether it stands in the upper part of the picture by itself, not near captions
 */
public record Beside(Style style, List<Cue> cues, boolean isHigh) {}
