package paringknife.server.letterings;

import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.HouseStyle;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.media.store.KeptPicture;
import paringknife.media.store.StylePictures;

/**
 * Takes in the pictures that a style's file carries; the style then names them as they are here.
 */
public final class CarriedPictures {
  private final StylePictures kept;

  /**
   * @param kept where they are taken in
   */
  public CarriedPictures(StylePictures kept) {
    this.kept = kept;
  }

  /**
   * A style with its pictures among those that are there.
   *
   * @param along what came with it
   * @throws IllegalArgumentException when one is neither there nor came along, or is no picture
   */
  public HouseStyle takenIn(HouseStyle style, StyleFile.Pictures along) {
    return withBackdrop(withLogo(style, along.logo()), along.backdrop());
  }

  private HouseStyle withLogo(HouseStyle style, Optional<byte[]> along) {
    Logo logo = style.logo();
    KeptPicture picture =
        logo == null
            ? null
            : arrived(along.map(kept.logos()::add), kept.logos().file(logo.picture()), "logo");
    return picture == null
        ? style
        : style.withLogo(
            new Logo(picture.id(), picture.aspect(), logo.corner(), logo.size(), logo.opacity()));
  }

  private HouseStyle withBackdrop(HouseStyle style, Optional<byte[]> along) {
    Backdrop backdrop = style.backdrop();
    KeptPicture picture =
        backdrop == null
            ? null
            : arrived(
                along.map(kept.backdrops()::add),
                kept.backdrops().file(backdrop.picture()),
                "backdrop");
    return picture == null
        ? style
        : style.withBackdrop(new Backdrop(picture.id(), picture.aspect()));
  }

  /** The picture that came; null where it did not and was there before. */
  private static @Nullable KeptPicture arrived(
      Optional<KeptPicture> came, Optional<Path> there, String what) {
    if (came.isEmpty() && there.isEmpty()) {
      throw new IllegalArgumentException(
          "The picture of this style's " + what + " did not come with it.");
    }
    return came.orElse(null);
  }
}
