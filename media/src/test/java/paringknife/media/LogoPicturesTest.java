package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.store.KeptPicture;
import paringknife.media.store.LogoPictures;

class LogoPicturesTest {
  @TempDir Path folder;

  private LogoPictures logos;

  @BeforeEach
  void open() {
    logos = new LogoPictures(folder.resolve("logos"));
  }

  private static byte[] picture(String format, int type, int width, int height) throws IOException {
    BufferedImage image = new BufferedImage(width, height, type);
    image.setRGB(0, 0, new Color(200, 40, 20).getRGB());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, format, out);
    return out.toByteArray();
  }

  private static byte[] png(int width, int height) throws IOException {
    return picture("png", BufferedImage.TYPE_INT_ARGB, width, height);
  }

  @Test
  void aPictureIsKeptOnceUnderItsDigest() throws Exception {
    KeptPicture kept = logos.add(png(60, 20));
    assertThat(kept.aspect()).isEqualTo(3);
    assertThat(logos.add(png(60, 20))).isEqualTo(kept);
    Path file = logos.file(kept.id()).orElseThrow();
    assertThat(new LogoPictures(folder.resolve("logos")).file(kept.id())).contains(file);
    BufferedImage read = ImageIO.read(file.toFile());
    assertThat(read.getColorModel().hasAlpha()).isTrue();
    assertThat(new Color(read.getRGB(0, 0))).isEqualTo(new Color(200, 40, 20));
    assertThat(read.getRGB(5, 5) >>> 24).as("what shines through stays so").isZero();
  }

  /** However often it travels with a style, it stays the same picture under the same name. */
  @Test
  void whatHalfShinesThroughStaysAsItIs() throws Exception {
    BufferedImage image = new BufferedImage(16, 16, BufferedImage.TYPE_INT_ARGB);
    for (int i = 0; i < 256; i++) {
      image.setRGB(i % 16, i / 16, i << 24 | 0xB7_35_11);
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    KeptPicture kept = logos.add(out.toByteArray());
    byte[] carried = logos.bytes(kept.id()).orElseThrow();
    assertThat(new LogoPictures(folder.resolve("others")).add(carried)).isEqualTo(kept);
    BufferedImage read = ImageIO.read(logos.file(kept.id()).orElseThrow().toFile());
    assertThat(read.getRGB(3, 0)).isEqualTo(3 << 24 | 0xB7_35_11);
  }

  @Test
  void aPhotographIsTakenToo() throws Exception {
    byte[] jpeg = picture("jpeg", BufferedImage.TYPE_INT_RGB, 30, 30);
    assertThat(logos.bytes(logos.add(jpeg).id()).orElseThrow()).startsWith(0x89, 'P', 'N', 'G');
  }

  @Test
  void whatIsNoPictureOrTooLargeIsRefused() throws Exception {
    byte[] cut = Arrays.copyOf(png(300, 300), 60);
    for (byte[] wrong :
        new byte[][] {
          {},
          "<svg xmlns='http://www.w3.org/2000/svg'/>".getBytes(StandardCharsets.UTF_8),
          cut,
          claiming(60_000, 60_000),
          png(2100, 100),
          new byte[LogoPictures.LARGEST + 1]
        }) {
      assertThatIllegalArgumentException().isThrownBy(() -> logos.add(wrong));
    }
    assertThat(Files.list(folder.resolve("logos"))).isEmpty();
    for (String name : new String[] {"", "..", "../logos", "a".repeat(64), "A".repeat(64)}) {
      assertThat(logos.file(name)).isEmpty();
    }
  }

  /** A few bytes that say that they are 14 gigabytes of pixels (PNG, W3C 2025, section 11.2.1). */
  private static byte[] claiming(int width, int height) {
    byte[] head = HexFormat.of().parseHex("89504e470d0a1a0a0000000d49484452");
    byte[] png = Arrays.copyOf(head, 33);
    for (int i = 0; i < 4; i++) {
      png[16 + i] = (byte) (width >>> (24 - 8 * i));
      png[20 + i] = (byte) (height >>> (24 - 8 * i));
    }
    png[24] = 8;
    png[25] = 6;
    CRC32 crc = new CRC32();
    crc.update(png, 12, 17);
    for (int i = 0; i < 4; i++) {
      png[29 + i] = (byte) (crc.getValue() >>> (24 - 8 * i));
    }
    return png;
  }
}
