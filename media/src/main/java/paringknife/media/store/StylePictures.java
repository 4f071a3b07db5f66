package paringknife.media.store;

import java.nio.file.Path;

/** The pictures that house styles name: logos and backdrops. */
public record StylePictures(LogoPictures logos, BackdropPictures backdrops) {
  /** Those that lie, each kind in a folder of its own, in a folder. */
  public static StylePictures in(Path folder) {
    return new StylePictures(
        new LogoPictures(folder.resolve("logos")),
        new BackdropPictures(folder.resolve("backdrops")));
  }
}
