package paringknife.demo;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.Random;

/** The room that people sit in: a stone wall, a shelf with books, a window on the creek. */
final class Room {
  private Room() {}

  /** Whom the picture on the wall shows: somebody of long ago, in browns. */
  private static final Portrait.Look PICTURED =
      new Portrait.Look(
          new Color(0xC9A67E),
          new Color(0x8A7A62),
          new Color(0x5A4632),
          new Color(0x4A3A28),
          false,
          true);

  /**
   * As a camera sees it.
   *
   * @param hasPortrait whether one hangs on the wall
   */
  static BufferedImage draw(
      int width, int height, long seed, boolean hasPortrait, Direction.View view) {
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.translate(width / 2.0, height / 2.0);
    g.scale(view.nearer(), view.nearer());
    g.translate(-view.middleX() * width, -view.middleY() * height);
    Random random = new Random(seed);
    float hue = seed % 2 == 0 ? 0.56f : 0.09f;
    g.setPaint(
        new GradientPaint(
            0,
            0,
            Color.getHSBColor(hue, 0.22f, 0.50f),
            width,
            height,
            Color.getHSBColor(hue, 0.34f, 0.26f)));
    g.fillRect(0, 0, width * 2, height);
    stones(g, width, height, random, new Random(seed));
    window(g, width, height);
    shelf(g, width, height, random);
    if (hasPortrait) {
      portrait(g, width, height);
    }
    g.setPaint(
        new GradientPaint(
            0, height * 0.82f, new Color(40, 26, 18, 0), 0, height, new Color(26, 17, 12, 190)));
    g.fillRect(0, (int) (height * 0.82), width * 2, height);
    g.dispose();
    return image;
  }

  /** What a camera that looks past the right edge sees there is laid by itself. */
  private static void stones(
      Graphics2D g, int width, int height, Random random, Random beyondTheEdge) {
    int row = height / 12;
    for (int y = 0; y < height; y += row) {
      int x = -random.nextInt(row * 2);
      while (x < width) {
        x += stone(g, x, y, row, random);
      }
      while (x < width * 3 / 2) {
        x += stone(g, x, y, row, beyondTheEdge);
      }
    }
  }

  /** Lays one; answers how long it is. */
  private static int stone(Graphics2D g, int x, int y, int row, Random random) {
    int length = row + random.nextInt(row * 2);
    g.setColor(new Color(255, 255, 255, 4 + random.nextInt(12)));
    g.fillRoundRect(x + 2, y + 2, length - 4, row - 4, 14, 14);
    g.setColor(new Color(0, 0, 0, 26));
    g.drawRoundRect(x + 2, y + 2, length - 4, row - 4, 14, 14);
    return length;
  }

  private static void window(Graphics2D g, int width, int height) {
    int w = width / 7;
    int h = height / 3;
    int x = width / 2 - w / 2;
    int y = height / 9;
    g.setColor(new Color(0x2E2620));
    g.fillRect(x - 10, y - 10, w + 20, h + 20);
    g.setPaint(new GradientPaint(0, y, new Color(0xC9D6DA), 0, y + h, new Color(0x6E8790)));
    g.fillRect(x, y, w, h);
    g.setPaint(
        new GradientPaint(0, y + h * 0.6f, new Color(0x5C7478), 0, y + h, new Color(0x3F5458)));
    g.fillRect(x, y + (int) (h * 0.62), w, (int) (h * 0.38));
    g.setColor(new Color(0x2E2620));
    g.fillRect(x + w / 2 - 3, y, 6, h);
    g.fillRect(x, y + h / 2 - 3, w, 6);
  }

  private static void shelf(Graphics2D g, int width, int height, Random random) {
    int y = height / 5;
    g.setColor(new Color(0x3B2A1E));
    g.fillRect(width / 24, y, width / 5, 10);
    int x = width / 24 + 12;
    while (x < width / 24 + width / 5 - 34) {
      int w = 14 + random.nextInt(16);
      int h = height / 12 + random.nextInt(height / 26);
      g.setColor(Color.getHSBColor(random.nextFloat(), 0.35f, 0.45f));
      g.fillRect(x, y - h, w, h);
      x += w + 3;
    }
  }

  private static void portrait(Graphics2D g, int width, int height) {
    int w = width / 11;
    int h = w * 5 / 4;
    int x = (int) (width * 0.865);
    int y = height / 9;
    g.setColor(new Color(0x2E2218));
    g.fillRect(x - w / 12, y - w / 12, w + w / 6, h + w / 6);
    g.setPaint(new GradientPaint(x, y, new Color(0x6B5B45), x, y + h, new Color(0x3A2F22)));
    g.fillRect(x, y, w, h);
    Portrait drawn = new Portrait(PICTURED, 1);
    Graphics2D inside = (Graphics2D) g.create();
    inside.clipRect(x, y, w, h);
    inside.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    inside.translate(x, y + h * 0.04);
    double size = w / (double) Portrait.WIDTH;
    inside.scale(size, size);
    inside.drawImage(drawn.body(), 0, 286, null);
    inside.drawImage(drawn.head(0, false), 0, 0, null);
    inside.dispose();
  }
}
