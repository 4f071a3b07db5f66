package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import paringknife.core.letter.CaptionUse;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.server.letterings.LetteringFormat;
import picocli.CommandLine.Option;

/** How captions are set, on the command line. */
final class LetteringOptions {
  private static final long LARGEST = 1 << 20;

  @Option(
      names = "--lettering",
      defaultValue = "sluice",
      description = "the id of a lettering; tool letterings lists them")
  private String lettering = "";

  @Option(
      names = "--style",
      description = "a lettering as a JSON file, as tool letterings prints one")
  private @Nullable Path style;

  @Option(names = "--captions", defaultValue = "both", description = "burnt, beside, both or none")
  private String captions = "";

  @Option(names = "--words", description = "most words in a caption; 1 shows them one at a time")
  private @Nullable Integer words;

  @Option(names = "--lines", description = "most lines in a caption, 1 to 3")
  private @Nullable Integer lines;

  @Option(names = "--characters", description = "most characters in a line")
  private @Nullable Integer characters;

  @Option(names = "--sentences", description = "captions end with sentences where one has room")
  private boolean sentences;

  /** The lettering that is asked for, with what was changed of how it breaks captions. */
  Lettering asked() throws IOException {
    Lettering base = Letterings.byId(lettering);
    if (style != null) {
      if (Files.size(style) > LARGEST) {
        throw new IllegalArgumentException(style.getFileName() + " is no lettering.");
      }
      base = LetteringFormat.read(Files.readString(style), style.getFileName().toString());
    }
    return new Lettering(base.id(), base.name(), base.style(), changed(base.breaking()));
  }

  private Breaking changed(Breaking given) {
    Breaking counted =
        words == null && lines == null && characters == null
            ? given
            : Breaking.of(
                words == null ? given.words() : words,
                lines == null ? given.lines() : lines,
                characters == null ? given.characters() : characters);
    return sentences ? counted.bySentences() : counted;
  }

  CaptionUse use() {
    for (CaptionUse use : CaptionUse.values()) {
      if (use.name().toLowerCase(Locale.ROOT).equals(captions)) {
        return use;
      }
    }
    throw new IllegalArgumentException("--captions is burnt, beside, both or none.");
  }

  Lettered lettered() throws IOException {
    return Lettered.in(Letterings.byId(lettering).id()).as(asked()).with(use());
  }
}
