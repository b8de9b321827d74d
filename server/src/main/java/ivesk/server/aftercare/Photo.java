package ivesk.server.aftercare;

import ivesk.server.app.BadInput;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.concurrent.locks.ReentrantLock;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/// A photo as it is kept: a JPEG drawn anew, so that nothing but the picture is in it, neither
/// place nor device.
final class Photo {
  private static final int LONGEST_SIDE = 1600;
  private static final long MOST_PIXELS = 60_000_000;
  private static final int MOST_BYTES = 2_000_000;

  private static final ReentrantLock ONE_AT_A_TIME = new ReentrantLock();

  private Photo() {}

  /// @param sent JPEG or PNG
  /// @throws BadInput when it is neither, or too large
  static byte[] of(byte[] sent) {
    BufferedImage image = read(sent);
    double scale =
        Math.min(1, (double) LONGEST_SIDE / Math.max(image.getWidth(), image.getHeight()));
    int width = Math.max(1, (int) (image.getWidth() * scale));
    int height = Math.max(1, (int) (image.getHeight() * scale));
    BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D canvas = drawn.createGraphics();
    canvas.setRenderingHint(
        RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    canvas.drawImage(image, 0, 0, width, height, Color.WHITE, null);
    canvas.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(drawn, "jpeg", out);
    } catch (IOException e) {
      throw unreadable();
    }
    if (out.size() > MOST_BYTES) throw unreadable();
    return out.toByteArray();
  }

  private static BufferedImage read(byte[] sent) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(sent))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) throw unreadable();
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) throw unreadable();
        // A small file may unfold to hundreds of megabytes: no more pixels are read than are kept,
        // and one picture at a time.
        ImageReadParam param = reader.getDefaultReadParam();
        int every = Math.max(1, Math.max(width, height) / (2 * LONGEST_SIDE));
        param.setSourceSubsampling(every, every, 0, 0);
        ONE_AT_A_TIME.lock();
        try {
          return reader.read(0, param);
        } finally {
          ONE_AT_A_TIME.unlock();
        }
      } finally {
        reader.dispose();
      }
    } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
      throw unreadable();
    }
  }

  private static BadInput unreadable() {
    return new BadInput(
        "photo", "the photo cannot be read: send a JPEG or PNG of at most 60 megapixels");
  }
}
