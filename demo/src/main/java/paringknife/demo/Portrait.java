package paringknife.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RadialGradientPaint;
import java.awt.RenderingHints;
import java.awt.geom.Arc2D;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.GeneralPath;
import java.awt.geom.Line2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;

/**
 * A drawn person from the front, head and shoulders, in {@value #MOUTHS} mouth shapes, eyes open or
 * shut. Shaded enough that a face detector takes it for a face.
 */
final class Portrait {
  static final int MOUTHS = 7;
  static final int WIDTH = 420;
  static final int HEAD_HEIGHT = 400;
  static final int SHOULDERS = 500;

  /** How a person looks. */
  record Look(Color skin, Color hair, Color cloth, Color iris, boolean longHair, boolean beard) {}

  private final Look look;
  private final BufferedImage[][] heads = new BufferedImage[MOUTHS][2];
  private final BufferedImage shoulders;

  /**
   * @param scale size against a picture 720 pixels high
   */
  Portrait(Look look, double scale) {
    this.look = look;
    for (int m = 0; m < MOUTHS; m++) {
      for (int shut = 0; shut < 2; shut++) {
        heads[m][shut] = scaled(head(m / (double) (MOUTHS - 1), shut == 1), scale);
      }
    }
    shoulders = scaled(shoulders(), scale);
  }

  private static BufferedImage scaled(BufferedImage image, double scale) {
    if (scale == 1) {
      return image;
    }
    int width = (int) Math.round(image.getWidth() * scale);
    int height = (int) Math.round(image.getHeight() * scale);
    BufferedImage out = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = out.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    g.drawImage(image, 0, 0, width, height, null);
    g.dispose();
    return out;
  }

  BufferedImage head(int mouth, boolean eyesShut) {
    return heads[mouth][eyesShut ? 1 : 0];
  }

  BufferedImage body() {
    return shoulders;
  }

  /** A sleeve from a shoulder to a hand that points on. */
  void arm(Graphics2D g, Point2D shoulder, Point2D hand, double size) {
    Object hint = g.getRenderingHint(RenderingHints.KEY_ANTIALIASING);
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    double length = Math.max(1, shoulder.distance(hand));
    double alongX = (hand.getX() - shoulder.getX()) / length;
    double alongY = (hand.getY() - shoulder.getY()) / length;
    g.setPaint(shade(look.cloth, 0.8));
    g.setStroke(round(58 * size));
    g.draw(new Line2D.Double(shoulder, hand));
    g.setPaint(shade(look.skin, 0.85));
    g.setStroke(round(38 * size));
    g.draw(
        new Line2D.Double(
            hand.getX(),
            hand.getY(),
            hand.getX() + 34 * size * alongX,
            hand.getY() + 34 * size * alongY));
    g.setStroke(round(13 * size));
    g.draw(
        new Line2D.Double(
            hand.getX(),
            hand.getY() - 8 * size,
            hand.getX() + 82 * size * alongX,
            hand.getY() + 82 * size * alongY - 8 * size));
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, hint);
  }

  private static BasicStroke round(double wide) {
    return new BasicStroke((float) wide, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND);
  }

  private static Graphics2D pen(BufferedImage image) {
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    return g;
  }

  private BufferedImage shoulders() {
    BufferedImage image = new BufferedImage(WIDTH, SHOULDERS, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = pen(image);
    g.setPaint(new GradientPaint(180, 0, shade(look.skin, 0.72), 250, 60, shade(look.skin, 0.9)));
    g.fill(new Rectangle2D.Double(168, 0, 84, 108));
    GeneralPath body = new GeneralPath();
    body.moveTo(20, SHOULDERS);
    body.curveTo(20, 150, 70, 105, 165, 70);
    body.curveTo(185, 105, 235, 105, 255, 70);
    body.curveTo(350, 105, 400, 150, 400, SHOULDERS);
    body.closePath();
    g.setPaint(
        new GradientPaint(0, 60, shade(look.cloth, 1.15), 420, SHOULDERS, shade(look.cloth, 0.6)));
    g.fill(body);
    g.setColor(shade(look.cloth, 0.5));
    g.setStroke(new BasicStroke(4));
    g.draw(new Arc2D.Double(160, 20, 100, 84, 200, 140, Arc2D.OPEN));
    g.dispose();
    return image;
  }

  private BufferedImage head(double open, boolean shut) {
    BufferedImage image = new BufferedImage(WIDTH, HEAD_HEIGHT, BufferedImage.TYPE_INT_ARGB_PRE);
    Graphics2D g = pen(image);
    double cx = WIDTH / 2.0;
    if (look.longHair) {
      g.setPaint(
          new GradientPaint(90, 60, shade(look.hair, 1.05), 320, 380, shade(look.hair, 0.6)));
      g.fill(new java.awt.geom.RoundRectangle2D.Double(cx - 118, 60, 236, 320, 190, 200));
    }
    g.setColor(shade(look.skin, 0.8));
    g.fill(new Ellipse2D.Double(cx - 114, 180, 34, 62));
    g.fill(new Ellipse2D.Double(cx + 80, 180, 34, 62));
    Ellipse2D face = new Ellipse2D.Double(cx - 98, 60, 196, 290);
    g.setPaint(
        new RadialGradientPaint(
            (float) cx - 20,
            185,
            190,
            new float[] {0, 0.55f, 1},
            new Color[] {shade(look.skin, 1.1), look.skin, shade(look.skin, 0.62)}));
    g.fill(face);
    if (look.beard) {
      Area beard = new Area(face);
      beard.intersect(new Area(new Rectangle2D.Double(0, 252, WIDTH, 200)));
      beard.subtract(new Area(new Ellipse2D.Double(cx - 62, 215, 124, 82)));
      g.setColor(withAlpha(look.hair, 150));
      g.fill(beard);
    }
    hair(g, cx);
    eye(g, cx - 42, 190, shut);
    eye(g, cx + 42, 190, shut);
    brow(g, cx - 42, 158, -1);
    brow(g, cx + 42, 158, 1);
    nose(g, cx);
    mouth(g, cx, open);
    cheeks(g, cx);
    g.dispose();
    return image;
  }

  private void hair(Graphics2D g, double cx) {
    Area cap = new Area(new Ellipse2D.Double(cx - 110, 36, 220, 250));
    cap.subtract(new Area(new Ellipse2D.Double(cx - 84, 118, 168, 260)));
    cap.intersect(new Area(new Rectangle2D.Double(0, 0, WIDTH, look.longHair ? 250 : 190)));
    g.setPaint(
        new GradientPaint(
            (float) cx - 60,
            40,
            shade(look.hair, 1.35),
            (float) cx + 80,
            200,
            shade(look.hair, 0.75)));
    g.fill(cap);
  }

  private void eye(Graphics2D g, double x, double y, boolean shut) {
    g.setColor(withAlpha(shade(look.skin, 0.55), 110));
    g.fill(new Ellipse2D.Double(x - 27, y - 17, 54, 36));
    if (shut) {
      g.setColor(shade(look.skin, 0.85));
      g.fill(new Ellipse2D.Double(x - 22, y - 11, 44, 23));
      g.setColor(shade(look.skin, 0.35));
      g.setStroke(new BasicStroke(3.5f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
      g.draw(new Arc2D.Double(x - 21, y - 12, 42, 22, 190, 160, Arc2D.OPEN));
      return;
    }
    g.setColor(new Color(0xF4F0EA));
    g.fill(new Ellipse2D.Double(x - 21, y - 11, 42, 22));
    g.setColor(look.iris);
    g.fill(new Ellipse2D.Double(x - 10.5, y - 11, 21, 21));
    g.setColor(new Color(0x15110F));
    g.fill(new Ellipse2D.Double(x - 5, y - 5.5, 10, 10));
    g.setColor(new Color(255, 255, 255, 220));
    g.fill(new Ellipse2D.Double(x - 6, y - 7, 5, 5));
    g.setColor(shade(look.skin, 0.32));
    g.setStroke(new BasicStroke(3.2f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
    g.draw(new Arc2D.Double(x - 22, y - 12, 44, 26, 15, 150, Arc2D.OPEN));
  }

  private void brow(Graphics2D g, double x, double y, int side) {
    g.setColor(shade(look.hair, 0.55));
    g.setStroke(new BasicStroke(8.5f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
    GeneralPath path = new GeneralPath();
    path.moveTo(x - side * 26, y + 6);
    path.quadTo(x + side * 4, y - 10, x + side * 28, y + 7);
    g.draw(path);
  }

  private void nose(Graphics2D g, double cx) {
    g.setPaint(
        new GradientPaint(
            (float) cx - 10,
            180,
            withAlpha(shade(look.skin, 0.7), 20),
            (float) cx + 16,
            250,
            withAlpha(shade(look.skin, 0.5), 150)));
    GeneralPath side = new GeneralPath();
    side.moveTo(cx + 2, 190);
    side.quadTo(cx + 26, 240, cx + 20, 254);
    side.quadTo(cx, 262, cx - 4, 250);
    side.closePath();
    g.fill(side);
    g.setColor(shade(look.skin, 0.45));
    g.fill(new Ellipse2D.Double(cx - 17, 249, 12, 7));
    g.fill(new Ellipse2D.Double(cx + 5, 249, 12, 7));
    g.setColor(new Color(255, 255, 255, 50));
    g.fill(new Ellipse2D.Double(cx - 9, 200, 10, 44));
  }

  private void mouth(Graphics2D g, double cx, double open) {
    double half = 40 - 8 * open;
    double drop = 4 + 34 * open;
    double y = 290;
    Color lip = mix(look.skin, new Color(0x9C3B3B), 0.6);
    GeneralPath lips = new GeneralPath();
    lips.moveTo(cx - half, y);
    lips.quadTo(cx - 14, y - 15, cx, y - 10);
    lips.quadTo(cx + 14, y - 15, cx + half, y);
    lips.quadTo(cx, y + drop * 1.25 + 17, cx - half, y);
    g.setColor(lip);
    g.fill(lips);
    GeneralPath inside = new GeneralPath();
    inside.moveTo(cx - half + 6, y);
    inside.quadTo(cx, y - 5, cx + half - 6, y);
    inside.quadTo(cx, y + drop * 1.2, cx - half + 6, y);
    g.setColor(new Color(0x3A1616));
    g.fill(inside);
    if (open > 0.25) {
      Area teeth = new Area(inside);
      teeth.intersect(new Area(new Rectangle2D.Double(cx - half, y - 6, half * 2, 10)));
      g.setColor(new Color(0xEFE9E0));
      g.fill(teeth);
    }
    g.setColor(withAlpha(shade(look.skin, 0.45), 120));
    g.setStroke(new BasicStroke(3));
    g.draw(new Arc2D.Double(cx - 22, y + drop * 0.7 + 12, 44, 14, 200, 140, Arc2D.OPEN));
  }

  private void cheeks(Graphics2D g, double cx) {
    Color blush = new Color(0xC8, 0x60, 0x50, 34);
    for (int side : new int[] {-1, 1}) {
      g.setPaint(
          new RadialGradientPaint(
              (float) (cx + side * 58),
              246,
              34,
              new float[] {0, 1},
              new Color[] {blush, withAlpha(blush, 0)}));
      g.fill(new Ellipse2D.Double(cx + side * 58 - 34, 212, 68, 68));
    }
  }

  private static Color shade(Color c, double by) {
    return new Color(limit(c.getRed() * by), limit(c.getGreen() * by), limit(c.getBlue() * by));
  }

  private static Color mix(Color a, Color b, double share) {
    return new Color(
        limit(a.getRed() * (1 - share) + b.getRed() * share),
        limit(a.getGreen() * (1 - share) + b.getGreen() * share),
        limit(a.getBlue() * (1 - share) + b.getBlue() * share));
  }

  private static Color withAlpha(Color c, int alpha) {
    return new Color(c.getRed(), c.getGreen(), c.getBlue(), alpha);
  }

  private static int limit(double v) {
    return (int) Math.max(0, Math.min(255, Math.round(v)));
  }
}
