package paringknife.core.formats;

import java.util.List;

/**
 * What was read from a subtitle file.
 *
 * @param cues in order of time
 * @param mended what had to be put right, in the user's words; empty for a clean file
 */
public record ImportedText(List<TimedText> cues, List<String> mended) {}
