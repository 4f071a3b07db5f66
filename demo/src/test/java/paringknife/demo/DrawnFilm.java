package paringknife.demo;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.process.ProcessFailed;

/**
 * A film that is drawn picture by picture.
 *
 * @param perSecond how many pictures are drawn for a second
 */
record DrawnFilm(int width, int height, int perSecond) {
  /** Draws the nth picture; the room is empty before it. */
  interface Drawing {
    void draw(Graphics2D g, BufferedImage room, int n);
  }

  /**
   * Encodes so many pictures.
   *
   * @param options of ffmpeg's output
   */
  void write(Path film, int pictures, List<String> options, Drawing drawing)
      throws IOException, InterruptedException {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(List.of("-f", "rawvideo", "-pix_fmt", "bgr0", "-s", width + "x" + height));
    command.addAll(List.of("-r", Integer.toString(perSecond), "-i", "pipe:0"));
    command.addAll(options);
    command.addAll(List.of("-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p"));
    command.add(film.toString());
    Process ffmpeg =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.INHERIT).start();
    try (OutputStream out = new BufferedOutputStream(ffmpeg.getOutputStream(), 1 << 22)) {
      draw(out, pictures, drawing);
    }
    int exit = ffmpeg.waitFor();
    if (exit != 0) {
      throw new ProcessFailed("ffmpeg", exit, "see above");
    }
  }

  private void draw(OutputStream out, int pictures, Drawing drawing) throws IOException {
    BufferedImage room = Room.draw(width, height, 0, false, Direction.View.WHOLE);
    BufferedImage frame = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    int[] pixels = ((DataBufferInt) frame.getRaster().getDataBuffer()).getData();
    ByteBuffer bytes = ByteBuffer.allocate(pixels.length * 4).order(ByteOrder.LITTLE_ENDIAN);
    Graphics2D g = frame.createGraphics();
    g.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
    for (int n = 0; n < pictures; n++) {
      g.setTransform(new AffineTransform());
      g.drawImage(room, 0, 0, null);
      drawing.draw(g, room, n);
      bytes.asIntBuffer().put(pixels);
      out.write(bytes.array());
    }
    g.dispose();
  }
}
