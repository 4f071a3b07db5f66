package paringknife.core.clip;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.NamePattern;
import paringknife.core.deliver.post.PostPattern;
import paringknife.core.pare.FillerList;

/**
 * What a show goes by beside how its clips look and sound; a house style brings it along.
 *
 * @param specs that its clips go out for, whole; none where the style does not say
 * @param fileNames pattern of the names of its files; null where the style does not say
 * @param posts pattern of its texts; null where the style does not say
 * @param fillers its filler words, by language
 * @param spellings of its glossary
 */
public record Habits(
    List<DeliverySpec> specs,
    @Nullable String fileNames,
    @Nullable String posts,
    List<Fillers> fillers,
    List<Spelling> spellings) {
  public static final Habits NONE = new Habits(List.of(), null, null, List.of(), List.of());

  private static final int MOST_SPECS = 20;
  private static final int MOST_LANGUAGES = 40;
  private static final int MOST_SPELLINGS = 2_000;

  /**
   * The filler words of a language.
   *
   * @param language ISO 639-1
   */
  public record Fillers(String language, FillerList words) {
    public Fillers {
      if (language == null || !language.matches("[a-z]{2,8}") || words == null) {
        throw new IllegalArgumentException("Filler words need their language.");
      }
    }
  }

  /** What is heard, and how it is written. */
  public record Spelling(String heard, String written) {
    private static final int LONGEST = 200;

    public Spelling {
      for (String text : new String[] {heard, written}) {
        if (text == null || text.isBlank() || text.length() > LONGEST) {
          throw new IllegalArgumentException(
              "A spelling has two sides of up to " + LONGEST + " characters.");
        }
      }
    }
  }

  public Habits {
    specs = specs == null ? List.of() : List.copyOf(specs);
    fillers = fillers == null ? List.of() : List.copyOf(fillers);
    spellings = spellings == null ? List.of() : List.copyOf(spellings);
    if (specs.size() > MOST_SPECS
        || fillers.size() > MOST_LANGUAGES
        || spellings.size() > MOST_SPELLINGS) {
      throw new IllegalArgumentException("A house style brings no more than that along.");
    }
    fileNames = fileNames == null ? null : new NamePattern(fileNames).text();
    posts = posts == null ? null : new PostPattern(posts).text();
  }
}
