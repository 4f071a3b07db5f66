package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.media.store.BackdropPictures;
import paringknife.media.store.KeptPicture;

class BackdropPicturesTest {
  private static final Color SKY = new Color(60, 130, 220);
  private static final Color SEA = new Color(20, 60, 40);

  /** Where the first segment of a JFIF file ends (ITU-T T.871, 10.1). */
  private static final int AFTER_JFIF = 20;

  @TempDir Path folder;

  private BackdropPictures backdrops;

  @BeforeEach
  void open() {
    backdrops = new BackdropPictures(folder.resolve("backdrops"));
  }

  /** The upper half is sky, the lower one sea. */
  private static byte[] picture(String format, int width, int height) throws IOException {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D drawn = image.createGraphics();
    drawn.setColor(SKY);
    drawn.fillRect(0, 0, width, height / 2);
    drawn.setColor(SEA);
    drawn.fillRect(0, height / 2, width, height);
    drawn.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, format, out);
    return out.toByteArray();
  }

  private BufferedImage kept(KeptPicture picture) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(backdrops.bytes(picture.id()).orElseThrow()));
  }

  /** However often it travels with a style, it stays the same picture under the same name. */
  @Test
  void whatIsKeptAndGivenAgainIsTheSame() throws Exception {
    KeptPicture first = backdrops.add(picture("jpeg", 3000, 2000));
    assertThat(Math.max(first.width(), first.height())).isEqualTo(BackdropPictures.KEPT);
    assertThat(first.aspect()).isCloseTo(1.5, within(0.01));
    byte[] carried = backdrops.bytes(first.id()).orElseThrow();
    assertThat(new BackdropPictures(folder.resolve("others")).add(carried)).isEqualTo(first);
  }

  @Test
  void aSmallOneIsNotMadeLarger() throws Exception {
    KeptPicture small = backdrops.add(picture("png", 40, 30));
    assertThat(small.width()).isEqualTo(40);
    assertThat(new Color(kept(small).getRGB(5, 5))).isEqualTo(SKY);
  }

  @Test
  void whatShinesThroughShowsTheDarkTone() throws Exception {
    BufferedImage image = new BufferedImage(20, 20, BufferedImage.TYPE_INT_ARGB);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    BufferedImage read = kept(backdrops.add(out.toByteArray()));
    assertThat(read.getColorModel().hasAlpha()).isFalse();
    assertThat(new Color(read.getRGB(3, 3))).isEqualTo(new Color(26, 26, 26));
  }

  /**
   * Pictures lie as the camera was held: Exif 2.3 (CIPA DC-008-2012), 4.6.4 A, tag 274. Value 6:
   * row 0 is the visual right-hand side, 8: the left-hand side, 3: the bottom.
   */
  @ParameterizedTest
  @CsvSource({"1, 30, 5, 30, 35", "3, 30, 35, 30, 5", "6, 35, 30, 5, 30", "8, 5, 30, 35, 30"})
  void photographsAreUpright(int orientation, int skyX, int skyY, int seaX, int seaY)
      throws Exception {
    byte[] jpeg = picture("jpeg", 60, 40);
    byte[] exif =
        HexFormat.of()
            .parseHex(
                "ffe10022457869660000"
                    + "4d4d002a00000008"
                    + "0001"
                    + "0112000300000001"
                    + String.format("%04x", orientation)
                    + "0000"
                    + "00000000");
    ByteArrayOutputStream held = new ByteArrayOutputStream();
    held.write(jpeg, 0, AFTER_JFIF);
    held.write(exif);
    held.write(jpeg, AFTER_JFIF, jpeg.length - AFTER_JFIF);
    BufferedImage read = kept(backdrops.add(held.toByteArray()));
    assertThat(near(read.getRGB(skyX, skyY), SKY)).isTrue();
    assertThat(near(read.getRGB(seaX, seaY), SEA)).isTrue();
  }

  private static boolean near(int seen, Color colour) {
    Color is = new Color(seen);
    return Math.abs(is.getRed() - colour.getRed()) < 12
        && Math.abs(is.getGreen() - colour.getGreen()) < 12
        && Math.abs(is.getBlue() - colour.getBlue()) < 12;
  }

  @Test
  void whatIsNoPictureOrTooLargeIsRefused() throws Exception {
    byte[] whole = picture("jpeg", 300, 300);
    for (byte[] wrong :
        new byte[][] {
          {},
          "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8),
          Arrays.copyOf(whole, 100),
          picture("png", 9000, 20),
          picture("png", 2100, 100),
          new byte[12_000_001]
        }) {
      assertThatIllegalArgumentException().isThrownBy(() -> backdrops.add(wrong));
    }
    try (var files = Files.list(folder.resolve("backdrops"))) {
      assertThat(files).isEmpty();
    }
    for (String name : new String[] {"", "..", "../backdrops", "a".repeat(64)}) {
      assertThat(backdrops.file(name)).isEmpty();
    }
  }
}
